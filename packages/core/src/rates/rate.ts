import type { Day } from '../calendar/day.ts';
import type { Currency } from '../money/currency.ts';
import { type Decimal, readDecimal, tenTo } from '../money/decimal.ts';
import { divideHalfAwayFromZero } from '../money/round.ts';

/**
 * Closing: at the end of a day. Average: over the period that begins on a day. Historical: of one equity account, for what
 * was paid in or out on a day (IAS 21.39 to 21.41).
 */
export const rateKinds = ['closing', 'average', 'historical'] as const;
export type RateKind = (typeof rateKinds)[number];

/** So much of a currency for one unit of the company's. */
export interface ExchangeRate {
  readonly currency: string;
  readonly kind: RateKind;
  readonly day: Day;
  /** Of a historical rate; `null` for the others. */
  readonly accountId: number | null;
  /** An exact decimal above zero, as text. */
  readonly rate: string;
}

const mostPlaces = 12;

/** A rate as it is typed; `null` for what is none, is not above zero, or has more than 12 places. */
export function readRate(text: string): Decimal | null {
  const read = readDecimal(text);
  return read && read.units > 0n && read.scale <= mostPlaces && read.units < tenTo(24) ? read : null;
}

/** What an amount of another currency is in the company's: divided by the rate, and rounded once, half away from zero, to its minor unit. */
export function toCompanyCurrency(amount: bigint, from: Currency, to: Currency, rate: Decimal): bigint {
  return divideHalfAwayFromZero(amount * tenTo(to.exponent + rate.scale), rate.units * tenTo(from.exponent));
}

const shownDigits = 6;

/** The rate that two amounts come to, with six digits behind those that count; for reading alone, nothing is computed with it. */
export function impliedRate(foreign: bigint, from: Currency, amount: bigint, to: Currency): string {
  if (amount === 0n) return '';
  const ratio = Number(foreign * tenTo(to.exponent)) / Number(amount * tenTo(from.exponent));
  return String(Number(ratio.toPrecision(shownDigits)));
}

/** The closing rate of a currency in force on a day: that of the day, or the latest before it. */
export function closingRateOn(rates: readonly ExchangeRate[], currency: string, day: Day): ExchangeRate | null {
  let found: ExchangeRate | null = null;
  for (const rate of rates)
    if (rate.kind === 'closing' && rate.currency === currency && rate.day <= day && (found === null || rate.day > found.day)) found = rate;
  return found;
}

/** Days from the rate's day to the one it is used for. */
export function ageInDays(rate: Pick<ExchangeRate, 'day'>, day: Day): number {
  return Math.round((Date.parse(day) - Date.parse(rate.day)) / 86_400_000);
}
