import {
  ageInDays,
  type Currency,
  closingRateOn,
  type ExchangeRate,
  findCurrency,
  impliedRate,
  readRate,
  type Side,
  shortDay,
  toCompanyCurrency,
} from '@ivory-ladder/core';
import { counted } from '../../shared/words/counted.ts';
import { amountIn, amountText, type EntryRow } from './entryRows.ts';

/** `100 USD` as it is typed into an amount; `null` for what names no currency but the functional one (IAS 21.8). */
export function foreignTyped(text: string, functional: Currency): { readonly currency: Currency; readonly amount: bigint } | null {
  const found = /^(.+?)\s*([a-z]{3})$/i.exec(text.trim());
  const currency = findCurrency((found?.[2] ?? '').toUpperCase());
  if (!found || !currency || currency.code === functional.code) return null;
  const amount = amountIn(found[1] as string, currency);
  return amount === null || amount === 0n ? null : { currency, amount };
}

/** The row with an amount in another currency, at the rate in force on a day; without one the company's amount stays open. */
export function withForeign(
  row: EntryRow,
  side: Side,
  { currency, amount }: { readonly currency: Currency; readonly amount: bigint },
  { rates, day, functional }: { readonly rates: readonly ExchangeRate[]; readonly day: string; readonly functional: Currency },
): EntryRow {
  const rate = closingRateOn(rates, currency.code, day)?.rate ?? '';
  return converted({ ...row, debit: '', credit: '', foreign: { currency: currency.code, amount: amountText(amount, currency), rate, side } }, functional);
}

/** The row's own amount anew from the other one and the rate; as it was where either cannot be read. */
export function converted(row: EntryRow, functional: Currency): EntryRow {
  const { foreign } = row;
  const currency = foreign && findCurrency(foreign.currency);
  const [amount, rate] = [currency ? amountIn(foreign.amount, currency) : null, foreign ? readRate(foreign.rate) : null];
  if (!foreign || !currency || amount === null || !rate) return row;
  const own = toCompanyCurrency(amount, currency, functional, rate);
  return { ...row, [foreign.side]: own === 0n ? '' : amountText(own, functional) };
}

/** What is to be known of the rate: how old it is, that it follows from the amounts, or that there is none. */
export function rateText(
  row: EntryRow,
  { rates, day, functional }: { readonly rates: readonly ExchangeRate[]; readonly day: string; readonly functional: Currency },
): { readonly text: string; readonly isMissing: boolean } {
  const { foreign } = row;
  if (!foreign) return { text: '', isMissing: false };
  const closingRate = closingRateOn(rates, foreign.currency, day);
  if (foreign.rate !== '') {
    if (closingRate?.rate !== foreign.rate) return { text: `${foreign.currency} for one ${functional.code}, as typed`, isMissing: false };
    const age = ageInDays(closingRate, day);
    return { text: `rate of ${shortDay(closingRate.day)}${age === 0 ? '' : `, ${counted(age, 'day')} old`}`, isMissing: false };
  }
  const currency = findCurrency(foreign.currency);
  const [amount, own] = [currency ? amountIn(foreign.amount, currency) : null, amountIn(row.debit || row.credit, functional)];
  if (currency && amount !== null && own !== null && own !== 0n)
    return { text: `both amounts come to ${impliedRate(amount, currency, own, functional)} ${foreign.currency} for one ${functional.code}`, isMissing: false };
  return { text: `No rate of ${foreign.currency} up to ${shortDay(day)}: type one, or the amount in ${functional.code}.`, isMissing: true };
}
