import type { Day } from '../calendar/day.ts';
import type { FiscalCalendar } from '../calendar/fiscalCalendar.ts';
import type { Currency } from '../money/currency.ts';
import { type Decimal, readDecimal, tenTo } from '../money/decimal.ts';
import { divideHalfAwayFromZero } from '../money/round.ts';
import { closingRateOn, type ExchangeRate } from '../rates/rate.ts';

/** The rates of one currency as statements are presented in it; `null`: none was given. */
export interface PresentationRates {
  readonly to: Currency;
  /** In force on a day. */
  closingOn(day: Day): Decimal | null;
  /** The day that the rate in force on a day was given for. */
  closingDayOn(day: Day): Day | null;
  /** Over a period, by its place in the calendar; what is adjusted behind a year goes by the period before it. */
  averageOf(periodIndex: number): Decimal | null;
  /** Of a line on an account of equity: the one given for it, or the closing rate of its day (IAS 21.39(b), 21.41). */
  ofEquity(accountId: number, day: Day): Decimal | null;
}

export function presentationRates(rates: readonly ExchangeRate[], to: Currency, calendar: FiscalCalendar): PresentationRates {
  const own = rates.filter(({ currency }) => currency === to.code);
  const read = (rate: ExchangeRate | null | undefined): Decimal | null => (rate ? readDecimal(rate.rate) : null);
  const averages = new Map(own.flatMap((rate) => (rate.kind === 'average' ? [[rate.day, read(rate)]] : [])));
  const historical = new Map(own.flatMap((rate) => (rate.kind === 'historical' ? [[`${rate.accountId} ${rate.day}`, read(rate)]] : [])));
  const closing = new Map<Day, Decimal | null>();
  const closingOn = (day: Day): Decimal | null => {
    const rate = closing.get(day);
    if (rate !== undefined) return rate;
    const found = read(closingRateOn(own, to.code, day));
    closing.set(day, found);
    return found;
  };
  return {
    to,
    closingOn,
    closingDayOn: (day) => closingRateOn(own, to.code, day)?.day ?? null,
    averageOf: (periodIndex) => {
      const period = calendar.periods[periodIndex];
      const ordinary = period?.isAdjusting ? calendar.periods[periodIndex - 1] : period;
      return averages.get(ordinary?.firstDay ?? '') ?? null;
    },
    ofEquity: (accountId, day) => historical.get(`${accountId} ${day}`) ?? closingOn(day),
  };
}

/** What an amount of the company's currency is in another: times the rate, rounded once, half away from zero, to its minor unit. */
export function toPresentation(amount: bigint, from: Currency, to: Currency, rate: Decimal): bigint {
  return divideHalfAwayFromZero(amount * rate.units * tenTo(to.exponent), tenTo(rate.scale + from.exponent));
}
