import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { allotRounded } from './allotRounded.ts';
import { divideHalfAwayFromZero } from './round.ts';

describe('allotRounded', () => {
  it('goes by largest remainder, the first of equals first (common practice)', () => {
    expect(allotRounded(10n, [333n, 333n, 334n], 100n)).toEqual([3n, 3n, 4n]);
    expect(allotRounded(1n, [50n, 50n], 100n)).toEqual([1n, 0n]);
    expect(allotRounded(0n, [550n, -550n], 100n)).toEqual([6n, -6n]);
    expect(allotRounded(-10n, [-333n, -333n, -334n], 100n)).toEqual([-3n, -3n, -4n]);
  });

  it('gives nothing to what has nothing, and to nobody where there is none', () => {
    expect(allotRounded(2n, [0n, 150n, 0n], 100n)).toEqual([0n, 2n, 0n]);
    expect(allotRounded(3n, [0n, 0n], 100n)).toEqual([0n, 0n]);
  });

  it('goes several to each where the whole is further off', () => {
    expect(allotRounded(9n, [150n, 150n], 100n)).toEqual([5n, 4n]);
    expect(allotRounded(-4n, [150n, 150n], 100n)).toEqual([-2n, -2n]);
  });

  it('adds up to the whole, each within one unit of what it is exactly', () => {
    const amounts = fc.array(fc.bigInt({ min: -(10n ** 15n), max: 10n ** 15n }), { minLength: 1, maxLength: 12 });
    fc.assert(
      fc.property(amounts, fc.bigInt({ min: 1n, max: 10n ** 6n }), (exact, per) => {
        const sum = exact.reduce((all, one) => all + one, 0n);
        const whole = divideHalfAwayFromZero(sum, per);
        const parts = allotRounded(whole, exact, per);
        if (exact.some((one) => one !== 0n)) expect(parts.reduce((all, one) => all + one, 0n)).toBe(whole);
        for (const [at, part] of parts.entries()) {
          const off = part * per - (exact[at] as bigint);
          expect(off < per && off > -per).toBe(true);
        }
      }),
    );
  });
});
