import { divideHalfAwayFromZero } from '../money/round.ts';

/** An exact number: `over` is positive, and both have no common divisor. */
export interface Fraction {
  readonly of: bigint;
  readonly over: bigint;
}

export const zero: Fraction = { of: 0n, over: 1n };

/** `over` is not zero. */
export function fraction(of: bigint, over = 1n): Fraction {
  const divisor = greatestCommon(of, over) * (over < 0n ? -1n : 1n);
  return { of: of / divisor, over: over / divisor };
}

export function add(a: Fraction, b: Fraction): Fraction {
  return fraction(a.of * b.over + b.of * a.over, a.over * b.over);
}

export function negate({ of, over }: Fraction): Fraction {
  return { of: -of, over };
}

export function multiply(a: Fraction, b: Fraction): Fraction {
  return fraction(a.of * b.of, a.over * b.over);
}

/** `null` where `b` is zero. */
export function divide(a: Fraction, b: Fraction): Fraction | null {
  return b.of === 0n ? null : fraction(a.of * b.over, a.over * b.of);
}

/** Below, at or above zero, as `a` is below, equal to or above `b`. */
export function compareFractions(a: Fraction, b: Fraction): -1 | 0 | 1 {
  const [left, right] = [a.of * b.over, b.of * a.over];
  return left < right ? -1 : left > right ? 1 : 0;
}

/** In units of so many decimals, rounded half away from zero: `1/3` to two of them → `33`. */
export function roundFraction({ of, over }: Fraction, decimals: number): bigint {
  return divideHalfAwayFromZero(of * 10n ** BigInt(decimals), over);
}

/** Digits with at most one point, as `12.50`. */
export function fractionOfDecimal(text: string): Fraction {
  const [whole = '', decimals = ''] = text.split('.');
  return fraction(BigInt(whole + decimals), 10n ** BigInt(decimals.length));
}

/** The decimal that is the fraction; `null` where it has no end. */
export function decimalOf({ of, over }: Fraction): string | null {
  let places = 0;
  let rest = over;
  for (const prime of [2n, 5n]) {
    let times = 0;
    for (; rest % prime === 0n; rest /= prime) times++;
    places = Math.max(places, times);
  }
  if (rest !== 1n) return null;
  const digits = ((of < 0n ? -of : of) * (10n ** BigInt(places) / over)).toString().padStart(places + 1, '0');
  const text = places === 0 ? digits : `${digits.slice(0, -places)}.${digits.slice(-places)}`;
  return of < 0n ? `-${text}` : text;
}

function greatestCommon(a: bigint, b: bigint): bigint {
  let [x, y] = [a < 0n ? -a : a, b < 0n ? -b : b];
  while (y !== 0n) [x, y] = [y, x % y];
  return x === 0n ? 1n : x;
}
