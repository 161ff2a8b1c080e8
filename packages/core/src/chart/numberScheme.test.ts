import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bringToScheme, exampleOf, type NumberPart, type NumberScheme } from './numberScheme.ts';

const digits = (shortest: number, longest = shortest): NumberPart => ({ kind: 'digits', shortest, longest });
const blocks: NumberScheme = { parts: [digits(2), digits(3), digits(2)], separator: '-', leastParts: 1 };
const yard: NumberScheme = { parts: [{ kind: 'letters', shortest: 1, longest: 1 }, digits(2), digits(3)], separator: '.', leastParts: 2 };

const value = (typed: string, scheme: NumberScheme | null) => {
  const brought = bringToScheme(typed, scheme);
  return brought.ok ? brought.value : brought.failure.part;
};

describe('a number brought to the scheme', () => {
  it.each(['40-210-03', '40 210 3', '40.210.03', '4021003', ' 40/210/3 ', '40 - 210 - 3'])('%s is 40-210-03', (typed) => {
    expect(value(typed, blocks)).toBe('40-210-03');
  });

  it('may end early where later parts are for sub-accounts, and not before', () => {
    expect(value('40', blocks)).toBe('40');
    expect(value('40210', blocks)).toBe('40-210');
    expect(value('r.90', yard)).toBe('R.90');
    expect(value('R', yard)).toBeNull();
  });

  it('says which part does not fit, or that the parts are too few or too many', () => {
    expect(value('4x-210', blocks)).toBe(1);
    expect(value('40-2100', blocks)).toBe(2);
    expect(value('40-210-03-1', blocks)).toBeNull();
    expect(value('402100311', blocks)).toBeNull();
    expect(value('9.90.100', yard)).toBe(1);
  });

  it('is any text where there is no scheme', () => {
    expect(value('  A  1 ', null)).toBe('A 1');
  });

  it('stays as it is when it is brought there again', () => {
    const part = fc.record({
      kind: fc.constantFrom('digits' as const, 'letters' as const, 'either' as const),
      shortest: fc.integer({ min: 1, max: 3 }),
      more: fc.integer({ min: 0, max: 2 }),
    });
    const scheme = fc
      .record({ parts: fc.array(part, { minLength: 1, maxLength: 4 }), separator: fc.constantFrom('' as const, '.' as const, '-' as const, ' ' as const) })
      .map(({ parts, separator }): NumberScheme => {
        // Parts without a separator are told apart by their length alone.
        const built = parts.map(({ kind, shortest, more }) => ({ kind, shortest, longest: separator === '' ? shortest : shortest + more }));
        return { parts: built, separator, leastParts: 1 };
      });
    fc.assert(
      fc.property(scheme, fc.stringMatching(/^[0-9a-z.\- ]{1,12}$/), (given, typed) => {
        const once = bringToScheme(typed, given);
        if (once.ok) expect(bringToScheme(once.value, given)).toEqual(once);
      }),
      { seed: 21, numRuns: 2000 },
    );
  });

  it('has an example of its form', () => {
    expect([exampleOf(blocks), exampleOf(yard)]).toEqual(['12(-345)(-67)', 'A.12(.345)']);
  });
});
