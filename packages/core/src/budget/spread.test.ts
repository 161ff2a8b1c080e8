import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readDecimal } from '../money/decimal.ts';
import { evenWeights, grow, readPattern, spread } from './spread.ts';

const sum = (parts: readonly bigint[]) => parts.reduce((total, part) => total + part, 0n);
const percent = (text: string) => {
  const read = readDecimal(text);
  if (!read) throw new Error(text);
  return read;
};

describe('a year’s amount over its periods', () => {
  it('adds up to the whole, whatever the weights (common practice: a release over 12 periods returns the total to the cent)', () => {
    fc.assert(
      fc.property(fc.bigInt(-(10n ** 15n), 10n ** 15n), fc.array(fc.bigInt(-1000n, 100_000n), { minLength: 1, maxLength: 13 }), (whole, weights) => {
        expect(sum(spread(whole, weights))).toBe(whole);
      }),
      { seed: 1126 },
    );
  });

  it('evenly is 1,000 in three as 334, 333, 333 (largest remainder)', () => {
    expect(spread(1000n, evenWeights(3))).toEqual([334n, 333n, 333n]);
    expect(spread(-1000n, evenWeights(3))).toEqual([-334n, -333n, -333n]);
  });

  it('follows a season, months of returns included, and is even where there is none', () => {
    expect(spread(300n, [100n, -50n, 100n])).toEqual([200n, -100n, 200n]);
    expect(spread(300n, [-100n, -200n])).toEqual([100n, 200n]);
    expect(spread(300n, [5n, -5n, 0n])).toEqual([100n, 100n, 100n]);
  });

  it('follows a pattern that begins again with each quarter', () => {
    const pattern = readPattern('4 4 5', 12);
    expect(pattern).toEqual({ ok: true, value: [4n, 4n, 5n, 4n, 4n, 5n, 4n, 4n, 5n, 4n, 4n, 5n] });
    expect(pattern.ok && spread(5200n, pattern.value)).toEqual([400n, 400n, 500n, 400n, 400n, 500n, 400n, 400n, 500n, 400n, 400n, 500n]);
  });

  it.each([
    ['', 'empty'],
    ['4 four', 'not_a_number'],
    ['1 2 3 4 5', 'count'],
    ['0 0', 'nothing'],
  ])('refuses the pattern «%s»', (text, reason) => {
    expect(readPattern(text, 12)).toMatchObject({ ok: false, failure: { reason } });
  });
});

describe('what was, grown', () => {
  it('grows the year and rounds it once; periods add up to it', () => {
    const grown = grow([333n, 333n, 334n], percent('3.25'));
    expect(sum(grown)).toBe(1033n);
    expect(grow([100n, 200n], percent('-10'))).toEqual([90n, 180n]);
  });

  it('in whole units keeps to them, year and periods', () => {
    expect(grow([33_333n, 66_667n], percent('1'), 100n)).toEqual([33_700n, 67_300n]);
    expect(spread(10_000n, evenWeights(3), 100n)).toEqual([3400n, 3300n, 3300n]);
    expect(spread(10_050n, evenWeights(3), 100n)).toEqual([3350n, 3350n, 3350n]);
  });

  it('grows each period by itself where the year adds up to nothing', () => {
    expect(grow([100n, -100n], percent('10'))).toEqual([110n, -110n]);
    expect(grow([0n, 0n], percent('10'))).toEqual([0n, 0n]);
  });

  it('by nothing is what it was', () => {
    fc.assert(
      fc.property(fc.array(fc.bigInt(-(10n ** 12n), 10n ** 12n), { minLength: 1, maxLength: 13 }), (amounts) => {
        expect(grow(amounts, percent('0'))).toEqual(amounts);
      }),
      { seed: 1126 },
    );
  });
});
