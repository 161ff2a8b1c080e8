/** The quotient rounded half away from zero to an integer. `divisor` is not zero. */
export function divideHalfAwayFromZero(dividend: bigint, divisor: bigint): bigint {
  const negative = dividend < 0n !== divisor < 0n;
  const n = dividend < 0n ? -dividend : dividend;
  const d = divisor < 0n ? -divisor : divisor;
  const quotient = (2n * n + d) / (2n * d);
  return negative ? -quotient : quotient;
}

/**
 * (current − earlier) ÷ |earlier| in percent with so many decimals, tenths where nothing is said, rounded half away from zero once, at the
 * very end. `null` where the earlier amount is zero: there is nothing to compare with.
 */
export function percentChange(current: bigint, earlier: bigint, decimals = 1): bigint | null {
  if (earlier === 0n) return null;
  return divideHalfAwayFromZero((current - earlier) * 10n ** BigInt(decimals + 2), earlier < 0n ? -earlier : earlier);
}
