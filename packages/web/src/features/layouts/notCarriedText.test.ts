import { describe, expect, it } from 'vitest';
import { notCarriedText } from './notCarriedText.ts';

describe('what a layout file names that is not here', () => {
  it('is told by what became of it, each name once', () => {
    expect(
      notCarriedText([
        { thing: 'category', name: 'Cash > At sea' },
        { thing: 'code', name: 'Group: G2' },
        { thing: 'account', name: '1000 Bank' },
        { thing: 'code', name: 'Group: G2' },
        { thing: 'transfer', name: 'Lease' },
      ]),
    ).toBe(
      'Brought in. Left out, since this chart does not have it: Cash > At sea, 1000 Bank. In no list here, and without accounts until they are: Group: G2. Left behind, as amounts of another company: Lease.',
    );
  });

  it('names six of many', () => {
    const many = Array.from({ length: 9 }, (_, at) => ({ thing: 'code' as const, name: `C${at}` }));
    expect(notCarriedText(many)).toBe('Brought in. In no list here, and without accounts until they are: C0, C1, C2, C3, C4, C5 and 3 more.');
  });
});
