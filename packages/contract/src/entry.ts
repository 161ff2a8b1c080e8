import { z } from 'zod';
import { facetsOfLine } from './codeLists.ts';
import { facetQuery } from './facetQuery.ts';
import { amount, day, id, idText, layer, placeSide, side } from './primitives.ts';

/**
 * What a line is in another currency: an amount in its minor units, not negative, on the side of the line. With a rate (so
 * much of it for one unit of the company's) the line's own amount is this one divided by it and rounded; without one the
 * rate follows from both amounts.
 */
const foreignAmount = z.strictObject({
  currency: z.string().regex(/^[A-Z]{3}$/),
  amount,
  rate: z
    .string()
    .regex(/^\d{1,24}(\.\d{1,12})?$/)
    .nullable(),
});

export const entryInput = z.strictObject({
  date: day,
  description: z.string().trim().max(500).default(''),
  layer: layer.default('ledger'),
  /** In the adjusting period behind the year whose last day it bears. */
  adjusting: z.boolean().default(false),
  /** Sets opening balances: only on balance sheet accounts; on a fiscal year's first day it stands before the year's other entries. */
  opening: z.boolean().default(false),
  /** A document series by its id, or 0 for the company's plain numbers. */
  series: z.int().nonnegative().default(0),
  lines: z
    .array(
      z.strictObject({
        accountId: id,
        debit: amount.default('0'),
        credit: amount.default('0'),
        text: z.string().trim().max(500).default(''),
        /** Where it is not said, the line gets what its account names. */ facets: facetsOfLine.optional(),
        foreign: foreignAmount.nullable().default(null),
      }),
    )
    .min(2)
    .max(10_000),
});
export type EntryDraftBody = z.input<typeof entryInput>;

export const entryLine = z.object({
  accountId: id,
  number: z.string(),
  name: z.string(),
  debit: amount,
  credit: amount,
  text: z.string(),
  facets: facetsOfLine,
  foreign: foreignAmount.nullable(),
});

const entrySource = z.enum(['manual', 'trial_balance', 'reversal', 'reclassification', 'demo', 'import', 'closing']);

export const entry = z.object({
  id,
  date: day,
  documentNumber: z.string(),
  description: z.string(),
  layer,
  source: entrySource,
  /** The fiscal year it closes, or `null` for an ordinary entry. */
  closesYear: z.int().nullable(),
  /** Whether it stands in an adjusting period. */
  isAdjusting: z.boolean(),
  /** Whether it sets opening balances. */
  isOpening: z.boolean(),
  reversesEntryId: id.nullable(),
  /** The series that it is numbered in, or 0. */
  series: z.int().nonnegative(),
  /** Number of the document in the file that it came from; empty for others. */
  originDocument: z.string(),
  reversedBy: z.object({ id, documentNumber: z.string() }).nullable(),
  postedAt: z.string(),
  postedBy: z.string(),
  lines: z.array(entryLine),
});
export type EntryBody = z.infer<typeof entry>;

/** Where each account of an entry climbs: from the line of a statement that takes it up to the totals. */
export const entryClimb = z.object({
  accounts: z.array(
    z.object({
      accountId: id,
      /** `null` for an account that stands in no statement. */
      kind: z.enum(['balance-sheet', 'income-statement']).nullable(),
      rungs: z.array(z.object({ key: z.string(), caption: z.string() })),
    }),
  ),
});
export type EntryClimb = z.infer<typeof entryClimb>;

const rung = z.object({ key: z.string(), caption: z.string(), amount, share: amount.nullable() });

/** Rungs of an account up to the totals of each statement, in each classification. */
export const accountClimb = z.object({
  accountId: id,
  label: z.string(),
  climbs: z.array(
    z.object({
      classification: z.object({ id, name: z.string(), isMain: z.boolean() }),
      /** A cash flow may take an account on several lines, each a climb of its own. */
      kind: z.enum(['balance-sheet', 'income-statement', 'cash-flow']),
      measure: z.enum(['closing', 'movement']),
      /** As the line shows it; positive on the side of its element where no line takes it. */
      amount,
      /** Which of its balances the line takes; `null` where no line takes this one, or where it is a part of the result. */
      side: placeSide.nullable(),
      /** From the line that takes it up to the totals, amounts as shown; `share`: of the account in it, in tenths of a percent. */
      rungs: z.array(rung),
    }),
  ),
});
export type AccountClimbBody = z.infer<typeof accountClimb>;

/** On its own day or a later one. */
export const reversalInput = z.strictObject({ date: day });

export const entriesQuery = z.object({
  from: day.optional(),
  to: day.optional(),
  /** Words that all stand in the description, a line's text or the document number of a file that it came from, or its own document number. */
  text: z.string().trim().min(1).max(200).optional(),
  /** Of a line, on either side; beside `text` one of both is enough. */
  amount: amount.optional(),
  layer: layer.optional(),
  source: entrySource.optional(),
  /** 0 for the plain numbers. */
  series: z.coerce.number().int().nonnegative().optional(),
  /** Part of the name of who posted it. */
  by: z.string().trim().min(1).max(200).optional(),
  /** Only entries with a line on it. */
  account: idText.optional(),
  after: z
    .string()
    .regex(/^\d{4}-\d\d-\d\d_\d+$/)
    .optional(),
  limit: z.coerce.number().int().min(1).max(500).default(100),
  /** With a line of these values. */
  ...facetQuery,
});

export const entryList = z.object({
  entries: z.array(
    entry
      .pick({
        id: true,
        date: true,
        documentNumber: true,
        description: true,
        layer: true,
        source: true,
        closesYear: true,
        reversesEntryId: true,
        postedBy: true,
      })
      .extend({
        isReversed: z.boolean(),
        /** Sum of its debits. */
        amount,
        lines: z.int(),
        /** Of one without a text of its own what its lines say it is about; else empty. */
        about: z.string(),
      }),
  ),
  next: z.string().nullable(),
});
export type EntryList = z.infer<typeof entryList>;

export const postedEntry = z.object({ entryId: id, documentNumber: z.string(), revision: z.int() });
export type PostedEntryBody = z.infer<typeof postedEntry>;

export const accountLinesQuery = z.object({
  account: idText,
  from: day.optional(),
  to: day.optional(),
  sort: z.enum(['date', 'size']).default('date'),
  layer: layer.optional(),
  after: z.string().max(60).optional(),
  limit: z.coerce.number().int().min(1).max(500).default(50),
  ...facetQuery,
});
export type AccountLinesQuery = z.infer<typeof accountLinesQuery>;

export const accountLines = z.object({
  lines: z.array(
    z.object({
      entryId: id,
      date: day,
      documentNumber: z.string(),
      description: z.string(),
      layer,
      closesYear: z.int().nullable(),
      debit: amount,
      credit: amount,
      /** After the line, debit positive: the balance, or what the fiscal year had brought so far of income and expense. */
      balance: amount.nullable(),
      facets: facetsOfLine,
    }),
  ),
  /** The side on which a balance of the account is not expected; `null` where either is. */
  sideAgainst: side.nullable(),
  total: z.int(),
  next: z.string().nullable(),
});
export type AccountLines = z.infer<typeof accountLines>;

export const accountLedgerQuery = z.object({
  from: day,
  to: day,
  account: idText.optional(),
  /** Account numbers, as `4000 to 4999`; empty for all. */
  accounts: z.string().trim().max(1000).default(''),
  ...facetQuery,
});

/** Accounts in chart order, each with its lines, oldest first, and what its periods add up to; balances debit positive. */
export const accountLedger = z.object({
  accounts: z.array(
    z.object({
      id,
      label: z.string(),
      element: z.string(),
      /** The side on which its balance is not expected; `null` where either is. */
      sideAgainst: side.nullable(),
      /** Before the first day, with what its fiscal year carried over. */
      opening: amount,
      closing: amount,
      lines: z.array(
        z.object({
          entryId: id,
          date: day,
          documentNumber: z.string(),
          /** Of the line, or of its entry where it has none. */
          text: z.string(),
          layer,
          closesYear: z.int().nullable(),
          debit: amount,
          credit: amount,
          balance: amount,
          facets: facetsOfLine,
          /** Accounts on the other side of its entry, a few of them. */
          counterparts: z.array(z.string()),
        }),
      ),
      periods: z.array(z.object({ year: z.int(), number: z.int(), lastDay: day, debit: amount, credit: amount, closing: amount })),
    }),
  ),
  /** How many accounts are left out behind the last, since there are more lines than are shown at once. */
  leftOut: z.int(),
});
export type AccountLedgerBody = z.infer<typeof accountLedger>;

export const trialBalanceView = z.object({
  accounts: z.array(
    z.object({
      id,
      number: z.string(),
      name: z.string(),
      element: z.string(),
      depth: z.int(),
      isParent: z.boolean(),
      opening: amount,
      debit: amount,
      credit: amount,
      carried: amount,
      closing: amount,
      /** The part of the closing balance that adjustments make. */
      adjustments: amount,
      /** Whether the closing balance is on the other side than the account's normal one, and has no place there. */
      isAgainst: z.boolean(),
      /** The closing balance at the comparative's day; `null` without one. */
      comparative: amount.nullable(),
    }),
  ),
  notAllotted: amount,
  /** Last days that the comparative stands for: of balance sheet accounts, and of income and expense. */
  comparedTo: z.object({ balances: day, result: day }).nullable(),
  revision: z.int(),
});
export type TrialBalanceViewBody = z.infer<typeof trialBalanceView>;

export const adjustmentsQuery = z.object({ to: day });

/** Adjustments of the fiscal year up to a day, each with its lines. */
export const adjustmentList = z.object({
  /** First day of the fiscal year. */
  from: day,
  entries: z.array(entry.pick({ id: true, date: true, documentNumber: true, description: true, reversesEntryId: true, lines: true })),
  /** How many there are from before, whose effect on balance sheet accounts goes on. */
  earlier: z.int(),
});
export type AdjustmentList = z.infer<typeof adjustmentList>;
