import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { percentOf, readDecimal } from '../money/decimal.ts';
import { splitByShares, takeTaxOut } from './splitAmount.ts';

const decimal = (text: string) => readDecimal(text) ?? { units: 0n, scale: 0 };

describe('an amount in parts', () => {
  it('by shares adds up to it (largest remainder; own computation)', () => {
    expect(splitByShares(10_001n, ['60', '40'].map(decimal))).toEqual([6001n, 4000n]);
    expect(splitByShares(1000n, ['33.3', '33.3', '33.4'].map(decimal))).toEqual([333n, 333n, 334n]);
    expect(splitByShares(100n, ['1', '1', '1'].map(decimal))).toEqual([34n, 33n, 33n]);
  });

  it('with a tax within it is what is before the tax, and the tax (common practice: 121.00 with 21 % in it is 100.00 and 21.00)', () => {
    expect(takeTaxOut(12_100n, decimal('21'))).toEqual([10_000n, 2100n]);
    expect(takeTaxOut(9999n, decimal('25'))).toEqual([7999n, 2000n]);
    expect(takeTaxOut(-12_100n, decimal('21'))).toEqual([-10_000n, -2100n]);
  });

  it('takes out the tax that was put on top, but for a rounding of a minor unit', () => {
    fc.assert(
      fc.property(fc.bigInt(0n, 10n ** 12n), fc.bigInt(0n, 400n), (net, tenths) => {
        const percent = { units: tenths, scale: 1 };
        const [back, tax] = takeTaxOut(net + percentOf(net, percent), percent);
        expect(back + tax).toBe(net + percentOf(net, percent));
        expect(back - net <= 1n && net - back <= 1n).toBe(true);
      }),
      { seed: 1126 },
    );
  });
});
