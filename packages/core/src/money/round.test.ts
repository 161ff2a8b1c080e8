import { describe, expect, it } from 'vitest';
import { divideHalfAwayFromZero, percentChange } from './round.ts';

describe('dividing amounts', () => {
  it('rounds half away from zero on both sides', () => {
    expect([5n, -5n, 4n, -4n, 15n, -15n].map((n) => divideHalfAwayFromZero(n, 10n))).toEqual([1n, -1n, 0n, 0n, 2n, -2n]);
  });

  it('measures a change against the size of what was, so that its sign is that of the change', () => {
    expect(percentChange(-2874n, -2611n)).toBe(-101n);
    expect(percentChange(-50n, 100n)).toBe(-1500n);
    expect(percentChange(10n, -10n)).toBe(2000n);
    expect(percentChange(5n, 0n)).toBeNull();
  });
});
