import { expect, it } from 'vitest';
import { nestedValues } from './nestedValues.ts';

const value = (code: string, parent: string | null = null) => ({ code, caption: '', element: null, side: null, parent, retired: false, accounts: 0 });

it('values of a facet stand with each before those nested below it', () => {
  expect(nestedValues({ codes: [value('TERN', 'FLEET'), value('FLEET'), value('QUAY')] }).map(({ code, depth }) => [code, depth])).toEqual([
    ['FLEET', 0],
    ['TERN', 1],
    ['QUAY', 0],
  ]);
});
