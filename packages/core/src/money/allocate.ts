import { divideHalfAwayFromZero } from './round.ts';

/**
 * Splits `total` in proportion to `weights` by largest remainder; the parts add up to `total` exactly.
 * Ties go to the earlier part. Weights are not negative; when all are zero the whole goes to the first part.
 * Cost: n log n.
 */
export function allocate(total: bigint, weights: readonly bigint[]): bigint[] {
  if (weights.length === 0) throw new Error('nothing to allocate to');
  if (weights.some((weight) => weight < 0n)) throw new Error('a weight is negative');
  const sum = weights.reduce((a, b) => a + b, 0n);
  if (sum === 0n) return weights.map((_, index) => (index === 0 ? total : 0n));
  const sign = total < 0n ? -1n : 1n;
  const size = total * sign;
  const parts = weights.map((weight) => (size * weight) / sum);
  let left = size - parts.reduce((a, b) => a + b, 0n);
  const byRemainder = weights
    .map((weight, index) => ({ index, remainder: (size * weight) % sum }))
    .sort((a, b) => (a.remainder === b.remainder ? a.index - b.index : a.remainder > b.remainder ? -1 : 1));
  for (const { index } of byRemainder) {
    if (left === 0n) break;
    parts[index] = (parts[index] ?? 0n) + 1n;
    left -= 1n;
  }
  return parts.map((part) => part * sign);
}

/** A share of `amount`, `numerator` ÷ `denominator`, rounded half away from zero. */
export function shareOf(amount: bigint, numerator: bigint, denominator: bigint): bigint {
  return divideHalfAwayFromZero(amount * numerator, denominator);
}
