import { z } from 'zod';
import { day, id } from './primitives.ts';

const currency = z.string().regex(/^[A-Z]{3}$/);
const rateText = z.string().regex(/^\d{1,24}(\.\d{1,12})?$/);
const kind = z.enum(['closing', 'average', 'historical']);

/** So much of a currency for one unit of the company's. An average is of the period that begins on its day. */
export const exchangeRate = z.strictObject({ currency, kind, day, /** Of a historical rate. */ accountId: id.nullable(), rate: rateText });
export type ExchangeRateBody = z.infer<typeof exchangeRate>;
export const exchangeRates = z.object({ rates: z.array(exchangeRate) });
export type ExchangeRates = z.infer<typeof exchangeRates>;

/** `rate`: `null` takes one away. `before`: the rate that was seen there; `null` for none. Where another stands by now, nothing is changed. */
export const ratesInput = z.strictObject({
  set: z
    .array(exchangeRate.extend({ rate: rateText.nullable(), before: rateText.nullable().default(null) }))
    .min(1)
    .max(20_000),
});
export type RatesInput = z.input<typeof ratesInput>;

export const rateFile = z.object({
  rates: z.array(exchangeRate),
  faults: z.array(
    z.object({ row: z.int(), code: z.enum(['day_unreadable', 'currency_unknown', 'kind_unknown', 'rate_unreadable', 'account_needed']), found: z.string() }),
  ),
});
export type RateFileBody = z.infer<typeof rateFile>;
