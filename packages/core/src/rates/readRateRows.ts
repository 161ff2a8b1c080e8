import { type Day, isDay } from '../calendar/day.ts';
import { type Cell, isBlankRow, textOf } from '../exchange/cell.ts';
import { findCurrency } from '../money/currency.ts';
import { writeDecimal } from '../money/decimal.ts';
import { type ExchangeRate, type RateKind, rateKinds, readRate } from './rate.ts';

export interface RateRowFault {
  /** From 1. */
  readonly row: number;
  readonly code: 'day_unreadable' | 'currency_unknown' | 'kind_unknown' | 'rate_unreadable' | 'account_needed';
  readonly found: string;
}

/** Columns of a file of exchange rates, in this order; the last two may be left out. */
export const rateHeadings = ['Date', 'Currency', 'Rate', 'Kind', 'Account'] as const;

/**
 * Rates from rows: a date as 2026-09-30, the code of the currency, so much of it for one unit of the company's, then the
 * kind (closing where it is left out) and, for a historical one, the account. A row of headings is left alone.
 */
export function readRateRows(
  rows: readonly (readonly Cell[])[],
  companyCurrency: string,
  accountIdOf: (reference: string) => number | undefined,
): { readonly rates: readonly ExchangeRate[]; readonly faults: readonly RateRowFault[] } {
  const rates: ExchangeRate[] = [];
  const faults: RateRowFault[] = [];
  for (const [at, row] of rows.entries()) {
    const [date, code, rate, kindText, account] = rateHeadings.map((_, column) => textOf(row[column])) as [string, string, string, string, string];
    if (isBlankRow(row) || (at === 0 && date.toLowerCase() === 'date')) continue;
    const fail = (fault: RateRowFault['code'], found: string) => void faults.push({ row: at + 1, code: fault, found });
    const day: Day = date.slice(0, 10);
    const currency = code.toUpperCase();
    const kind = (kindText === '' ? 'closing' : kindText.toLowerCase()) as RateKind;
    const read = readRate(rate);
    const accountId = kind === 'historical' ? accountIdOf(account) : null;
    if (!isDay(day)) fail('day_unreadable', date);
    else if (!findCurrency(currency) || currency === companyCurrency) fail('currency_unknown', code);
    else if (!rateKinds.includes(kind)) fail('kind_unknown', kindText);
    else if (!read) fail('rate_unreadable', rate);
    else if (accountId === undefined) fail('account_needed', account);
    else rates.push({ currency, kind, day, accountId, rate: writeDecimal(read) });
  }
  return { rates, faults };
}
