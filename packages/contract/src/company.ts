import { z } from 'zod';
import { permission, roleKey } from './people.ts';
import { amount, day, id, language, layer, lock, name, version } from './primitives.ts';
import { statementEffect } from './statementEffect.ts';

export const companyInput = z.strictObject({
  name,
  currency: z.string().regex(/^[A-Z]{3}$/),
  fiscalYearFirstMonth: z.int().min(1).max(12),
  /** Whether its accounts have numbers; else names tell them apart. A copy is as its original. */
  numbered: z.boolean().default(true),
  /** What it begins with: categories alone, a starter chart, or chart, placement and layouts of another company one belongs to. */
  beginWith: z
    .discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('categories') }),
      z.strictObject({ kind: z.literal('starter'), key: z.enum(['passenger_transport', 'trading', 'professional_practice', 'manufacture', 'association']) }),
      z.strictObject({ kind: z.literal('copy'), companyId: id }),
    ])
    .default({ kind: 'categories' }),
});
export type CompanyInput = z.input<typeof companyInput>;

const numberPart = z
  .strictObject({ kind: z.enum(['digits', 'letters', 'either']), shortest: z.int().min(1).max(20), longest: z.int().min(1).max(20) })
  .refine(({ shortest, longest }) => shortest <= longest, { error: 'shortest must not be longer than longest' });
export const numberScheme = z
  .strictObject({
    parts: z.array(numberPart).min(1).max(8),
    separator: z.enum(['', '.', '-', '/', ' ']),
    leastParts: z.int().min(1).max(8),
  })
  .refine(({ parts, leastParts }) => leastParts <= parts.length, { error: 'more parts are needed than there are' })
  // Without separators a part is told from the next by its length alone.
  .refine(({ parts, separator }) => separator !== '' || parts.slice(0, -1).every(({ shortest, longest }) => shortest === longest), {
    error: 'without separators only the last part may vary in length',
  });
const digitOrder = z.enum(['by_value', 'digit_by_digit']);
/** Whether two accounts may have one name. */
const repeatedNames = z.enum(['pointed_out', 'forbidden']);

/** Only what changes. Currency and first month are held by entries and years. */
export const settingsChange = z.strictObject({
  version,
  name: name.optional(),
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/)
    .optional(),
  fiscalYearFirstMonth: z.int().min(1).max(12).optional(),
  digitOrder: digitOrder.optional(),
  numberScheme: numberScheme.nullable().optional(),
  repeatedNames: repeatedNames.optional(),
  numbered: z.boolean().optional(),
  /** Of captions, the main one first. */
  languages: z
    .array(language)
    .min(1)
    .refine((given) => new Set(given).size === given.length, { error: 'one language twice' })
    .optional(),
});
export type SettingsChange = z.infer<typeof settingsChange>;

export const settingsCheckInput = z.strictObject({
  digitOrder: settingsChange.shape.digitOrder,
  numbered: settingsChange.shape.numbered,
  from: day,
  to: day,
});
export const settingsCheck = z.object({
  effect: statementEffect,
  /** Accounts that stay by hand where a range had them, and those that a range has again. */
  kept: z.int(),
  returned: z.int(),
});
export type SettingsCheckBody = z.infer<typeof settingsCheck>;

export const period = z.object({
  number: z.int(),
  firstDay: day,
  lastDay: day,
  /** For adjustments: it bears the last day of its year. */
  isAdjusting: z.boolean(),
  /** Who locked it, when (UTC) and why; `null` while it is open. */
  lock: lock.nullable(),
});

/** A period by the year it belongs to and its number. */
export const lockChoice = z.strictObject({ year: z.int(), number: z.int().min(1).max(99), reason: z.string().trim().max(500).default('') });
export const unlockChoice = lockChoice.extend({ reason: z.string().trim().min(1).max(500) });
/** How fiscal years are made; `weekday` 1 for Monday to 7 for Sunday (ISO 8601). */
export const yearForm = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('months') }),
  z.strictObject({
    kind: z.literal('weeks'),
    weekday: z.int().min(1).max(7),
    month: z.int().min(1).max(12),
    end: z.enum(['last', 'nearest']),
    pattern: z.enum(['4 4 5', '4 5 4', '5 4 4']),
  }),
]);

/** The year that holds a day with those between it and the years there are; or the next one, in its own form or by the last days of its periods. */
export const yearInput = z.union([
  z.strictObject({ day }),
  z.strictObject({
    /** Of the first year of all. */
    firstDay: day.optional(),
    form: yearForm.optional(),
    lastDays: z.array(day).min(1).max(54).optional(),
    /** With a period for adjustments behind the last. */
    adjusting: z.boolean().default(false),
  }),
]);
export type YearInput = z.input<typeof yearInput>;

/** What closing a year would post, by layer; the result debit positive. */
export const closing = z.object({
  closings: z.array(z.object({ layer, result: amount, lines: z.array(z.object({ accountId: id, label: z.string(), debit: amount, credit: amount })) })),
});
export type ClosingBody = z.infer<typeof closing>;
export const closedYear = z.object({ entries: z.array(z.object({ entryId: id, documentNumber: z.string() })) });

export const fiscalYear = z.object({ year: z.int(), name: z.string(), firstDay: day, lastDay: day, periods: z.array(period) });

export const company = z.object({
  id,
  name: z.string(),
  currency: z.string(),
  /** Decimal places of the currency's minor unit (ISO 4217). */
  exponent: z.int(),
  fiscalYearFirstMonth: z.int(),
  digitOrder,
  /** `null`: numbers are any text. */
  numberScheme: numberScheme.nullable(),
  repeatedNames,
  numbered: z.boolean(),
  languages: z.array(language),
  yearForm,
  settingsVersion: version,
  /** Grows by one with each posting. */
  revision: z.int(),
  /** Of the one who asks. */
  /** Of whoever asks. `roleName`: of a role that the company made; empty for one that every company has. */
  role: roleKey,
  roleName: z.string(),
  permissions: z.array(permission),
  retainedEarningsAccountId: id.nullable(),
  years: z.array(fiscalYear),
  /** The last day that bears an entry, or `null` for an empty ledger. */
  lastEntryDay: day.nullable(),
  /** Trees of categories side by side, as they were made; statements and proofs go by the main one. */
  classifications: z.array(z.object({ id, name: z.string(), isMain: z.boolean(), version })),
  accounts: z.int(),
  unplaced: z.int(),
  /** How many. */
  facets: z.int(),
});
export type Company = z.infer<typeof company>;

export const companyList = z.object({ companies: z.array(z.object({ id, name: z.string(), currency: z.string(), role: roleKey, roleName: z.string() })) });
export type CompanyList = z.infer<typeof companyList>;

export const layoutOptions = z.strictObject({
  subtotalsOff: z.array(z.enum(['gross_profit', 'operating_profit', 'profit_before_financing_and_tax', 'profit_before_tax', 'profit_from_continuing'])).max(5),
  result: z.enum(['own_line', 'within_retained_earnings']),
  /** Current and non-current apart, or assets and liabilities in order of liquidity (IAS 1.60). */
  order: z.enum(['by_term', 'most_liquid_first', 'least_liquid_first']),
  /** With what the generated cash flow begins, and in which activities interest and dividends stand (IAS 7.33, 7.34). */
  cashFlow: z.strictObject({
    start: z.enum(['profit', 'profit_before_tax', 'operating_profit']),
    interestPaid: z.enum(['operating', 'financing']),
    dividendsPaid: z.enum(['operating', 'financing']),
    interestReceived: z.enum(['operating', 'investing']),
    dividendsReceived: z.enum(['operating', 'investing']),
    overdrafts: z.enum(['cash', 'financing']),
  }),
});
export const storedLayoutOptions = layoutOptions.extend({ version });
export type StoredLayoutOptions = z.infer<typeof storedLayoutOptions>;
