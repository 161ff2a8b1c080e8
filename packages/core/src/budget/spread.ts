import { allocate } from '../money/allocate.ts';
import { type Decimal, percentOf } from '../money/decimal.ts';
import { divideHalfAwayFromZero } from '../money/round.ts';
import { fail, type Outcome, succeed } from '../outcome.ts';

export type PatternUnreadable = { code: 'pattern_unreadable'; reason: 'empty' | 'not_a_number' | 'count' | 'nothing'; found: string };

/** The same for every period. */
export function evenWeights(periods: number): bigint[] {
  return Array.from({ length: periods }, () => 1n);
}

/**
 * Weights as they are typed: whole numbers between spaces, begun again until every period has one, so that `4 4 5` stands
 * for the weeks of each quarter. Their count divides that of the periods.
 */
export function readPattern(text: string, periods: number): Outcome<bigint[], PatternUnreadable> {
  const parts = text.split(/[\s;,]+/).filter((part) => part !== '');
  if (parts.length === 0) return fail({ code: 'pattern_unreadable', reason: 'empty', found: text });
  const wrong = parts.find((part) => !/^\d{1,9}$/.test(part));
  if (wrong !== undefined) return fail({ code: 'pattern_unreadable', reason: 'not_a_number', found: wrong });
  if (periods % parts.length !== 0) return fail({ code: 'pattern_unreadable', reason: 'count', found: String(parts.length) });
  const weights = Array.from({ length: periods }, (_, period) => BigInt(parts[period % parts.length] as string));
  if (weights.every((weight) => weight === 0n)) return fail({ code: 'pattern_unreadable', reason: 'nothing', found: text });
  return succeed(weights);
}

/**
 * A year's amount over its periods in steps of `unit`, or of the minor unit where the amount is no multiple of it; evenly
 * where the weights add up to nothing, so that there is no season to follow. The parts add up to the whole.
 */
export function spread(whole: bigint, weights: readonly bigint[], unit = 1n): bigint[] {
  const step = whole % unit === 0n ? unit : 1n;
  const followed = weights.reduce((sum, weight) => sum + weight, 0n) === 0n ? evenWeights(weights.length) : weights;
  return allocate(whole / step, followed).map((part) => part * step);
}

/**
 * What was, with so many percent more: the year's total grows and is rounded once to `unit`, half away from zero, and is
 * spread over the periods as before. Where a year adds up to nothing, each period grows by itself.
 */
export function grow(amounts: readonly bigint[], percent: Decimal, unit = 1n): bigint[] {
  const rounded = (amount: bigint) => divideHalfAwayFromZero(amount + percentOf(amount, percent), unit) * unit;
  const whole = amounts.reduce((sum, amount) => sum + amount, 0n);
  return whole === 0n ? amounts.map(rounded) : spread(rounded(whole), amounts, unit);
}
