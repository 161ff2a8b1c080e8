import { z } from 'zod';
import { amount, day, id, idText, layer } from './primitives.ts';

export const entryInput = z.strictObject({
  date: day,
  description: z.string().trim().max(500).default(''),
  layer: layer.default('ledger'),
  lines: z
    .array(z.strictObject({ accountId: id, debit: amount.default('0'), credit: amount.default('0'), text: z.string().trim().max(500).default('') }))
    .min(2)
    .max(10_000),
});
export type EntryInput = z.infer<typeof entryInput>;

export const entryLine = z.object({ accountId: id, number: z.string(), name: z.string(), debit: amount, credit: amount, text: z.string() });

export const entry = z.object({
  id,
  date: day,
  documentNumber: z.string(),
  description: z.string(),
  layer,
  source: z.enum(['manual', 'trial_balance', 'reversal', 'reclassification', 'demo']),
  /** The fiscal year it closes, or `null` for an ordinary entry. */
  closesYear: z.int().nullable(),
  reversesEntryId: id.nullable(),
  postedAt: z.string(),
  postedBy: z.string(),
  lines: z.array(entryLine),
});
export type EntryBody = z.infer<typeof entry>;

export const postedEntry = z.object({ entryId: id, documentNumber: z.string(), revision: z.int() });
export type PostedEntryBody = z.infer<typeof postedEntry>;

export const accountLinesQuery = z.object({
  account: idText,
  from: day.optional(),
  to: day.optional(),
  sort: z.enum(['date', 'size']).default('date'),
  after: z.string().max(60).optional(),
  limit: z.coerce.number().int().min(1).max(500).default(50),
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
    }),
  ),
  total: z.int(),
  next: z.string().nullable(),
});
export type AccountLines = z.infer<typeof accountLines>;

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
    }),
  ),
  notAllotted: amount,
  revision: z.int(),
});
export type TrialBalanceViewBody = z.infer<typeof trialBalanceView>;
