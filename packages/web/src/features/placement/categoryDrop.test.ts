import { describe, expect, it } from 'vitest';
import { dropWords } from './categoryDrop.ts';

const nameOf = (id: number): string => ({ 1: 'Assets', 2: 'Cash', 3: 'Stores' })[id] ?? '';

describe('where a category would stand', () => {
  it.each([
    [{ parentId: 1, after: 'last' }, 'into Assets'],
    [{ parentId: 1, after: 2 }, 'behind Cash'],
    [{ parentId: 1, after: null }, 'first in Assets'],
    [{ parentId: null, after: null }, 'to the beginning'],
    [{ parentId: null, after: 3 }, 'behind Stores'],
  ] as const)('%o is told as %s', (drop, words) => {
    expect(dropWords(drop, nameOf)).toBe(words);
  });
});
