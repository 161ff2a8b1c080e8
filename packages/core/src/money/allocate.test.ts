import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { allocate } from './allocate.ts';

describe('a whole in parts', () => {
  it('goes by largest remainder, the first of equals first (common practice: a cent that is left over goes to one part)', () => {
    expect(allocate(10000n, [1n, 1n, 1n])).toEqual([3334n, 3333n, 3333n]);
    expect(allocate(-10000n, [1n, 1n, 1n])).toEqual([-3334n, -3333n, -3333n]);
    expect(allocate(100n, [335n, 335n, 330n])).toEqual([34n, 33n, 33n]);
    expect(allocate(5n, [0n, 1n])).toEqual([0n, 5n]);
  });

  it('adds up exactly, and no part is a minor unit or more away from its share, for any weights', () => {
    const weights = fc.array(fc.bigInt(0n, 10n ** 6n), { minLength: 1, maxLength: 13 }).filter((some) => some.some((weight) => weight > 0n));
    fc.assert(
      fc.property(fc.bigInt(-(10n ** 15n), 10n ** 15n), weights, (whole, some) => {
        const parts = allocate(whole, some);
        const sum = some.reduce((total, weight) => total + weight, 0n);
        expect(parts.reduce((total, part) => total + part, 0n)).toBe(whole);
        for (const [at, part] of parts.entries()) {
          const off = part * sum - whole * (some[at] as bigint);
          expect(off < sum && off > -sum).toBe(true);
        }
      }),
      { seed: 7, numRuns: 300 },
    );
  });

  it('has no sense without a weight', () => {
    expect(() => allocate(1n, [0n, 0n])).toThrow();
    expect(() => allocate(1n, [2n, -2n])).toThrow();
  });
});
