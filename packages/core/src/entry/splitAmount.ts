import { allocate } from '../money/allocate.ts';
import { type Decimal, tenTo } from '../money/decimal.ts';
import { divideHalfAwayFromZero } from '../money/round.ts';

/** An amount in parts by shares such as 60 and 40, or 33.3, 33.3 and 33.4; the parts add up to it. The shares add up to more than nothing. */
export function splitByShares(amount: bigint, shares: readonly Decimal[]): bigint[] {
  const scale = Math.max(0, ...shares.map((share) => share.scale));
  return allocate(
    amount,
    shares.map((share) => share.units * tenTo(scale - share.scale)),
  );
}

/** What of an amount is before a tax of so many percent, and the tax within it, rounded half away from zero; both add up to it (common practice). */
export function takeTaxOut(gross: bigint, percent: Decimal): readonly [net: bigint, tax: bigint] {
  const tax = divideHalfAwayFromZero(gross * percent.units, 100n * tenTo(percent.scale) + percent.units);
  return [gross - tax, tax];
}
