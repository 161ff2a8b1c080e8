import { z } from 'zod';
import { amount, day, element, id } from './primitives.ts';

export const columnMeaning = z.enum([
  'number',
  'name',
  'element',
  'parent',
  'category',
  'amount',
  'debit',
  'credit',
  'mark',
  'opening',
  'opening_debit',
  'opening_credit',
  'turnover_debit',
  'turnover_credit',
]);
export type ColumnMeaningBody = z.infer<typeof columnMeaning>;

export const fileFormat = z.object({
  kind: z.enum(['delimited', 'workbook']),
  separator: z.enum([',', ';', '\t', '|']).nullable(),
  encoding: z.enum(['utf-8', 'utf-16le', 'windows-1252']).nullable(),
  sheet: z.string().nullable(),
  sheets: z.array(z.string()),
});

export const figureKind = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('year_to_date') }),
  z.strictObject({ kind: z.literal('cumulative'), since: day }),
  z.strictObject({ kind: z.literal('period'), firstDay: day }),
  z.strictObject({ kind: z.literal('after_closing') }),
]);
export type FigureKindBody = z.infer<typeof figureKind>;

/** An account as a file knows it: by its number, or where accounts have none by a path of up to ten names. */
const reference = z.string().max(2100);

/** Every part that the user corrected or answered; what is absent is detected or proposed. */
export const trialBalanceCheckInput = z.strictObject({
  separator: z.enum([',', ';', '\t', '|']).optional(),
  encoding: z.enum(['utf-8', 'utf-16le', 'windows-1252']).optional(),
  sheet: z.string().max(100).optional(),
  decimalSign: z.enum(['.', ',']).optional(),
  amounts: z.enum(['signed', 'debit_and_credit', 'marked']).optional(),
  /** Row of headings, from 1; 0 for a file without. */
  headingRow: z.int().min(0).max(1000).optional(),
  /** Column from 0 by meaning; replaces what was detected. */
  columns: z.partialRecord(columnMeaning, z.int().min(0).max(1000)).optional(),
  date: day.optional(),
  figures: figureKind.optional(),
  /** The account where profit of completed years stands. */
  retainedEarnings: reference.nullable().optional(),
  /** Elements chosen by hand, by account. */
  elements: z.record(reference, element).default({}),
  /** Rows, from 1, that are no accounts: `Page 2`, or a profit that is the sum of others. */
  leaveOut: z.array(z.int().min(1)).max(10_000).default([]),
  /** The day of the balances, where it was asked whether it is right and it is. */
  confirmedDay: day.optional(),
  /** All proposed elements are confirmed. */
  confirmElements: z.boolean().default(false),
  /** Whether accounts with a balance that the file lacks count as nil or keep it. */
  missing: z.enum(['nil', 'left_alone']).default('nil'),
  /** Entries of the adjustment layer that the file now holds; they are reversed. */
  withdraw: z.array(id).max(1000).default([]),
});
export type TrialBalanceCheckInput = z.infer<typeof trialBalanceCheckInput>;
export type TrialBalanceCheckDraft = z.input<typeof trialBalanceCheckInput>;

const proposedFrom = z.discriminatedUnion('from', [
  z.object({ from: z.literal('file') }),
  z.object({ from: z.literal('chart') }),
  z.object({ from: z.literal('confirmed') }),
  z.object({ from: z.literal('parent'), number: z.string() }),
  z.object({ from: z.literal('title'), title: z.string() }),
  z.object({ from: z.literal('neighbours'), numbers: z.array(z.string()) }),
  z.object({ from: z.literal('word'), word: z.string() }),
  z.object({ from: z.literal('prefix'), prefix: z.string() }),
]);

export const checkedRow = z.object({
  row: z.int(),
  number: z.string(),
  name: z.string(),
  element: element.nullable(),
  elementFrom: proposedFrom.nullable(),
  parentNumber: z.string().nullable(),
  categoryPath: z.array(z.string()),
  isNew: z.boolean(),
  /** Where the account stands or will stand, with names from the top; empty: not placed. */
  placedIn: z.array(z.string()),
  amount: amount.nullable(),
  found: z.object({ first: z.string(), second: z.string() }),
  /** What will be posted on the account at the day of the balances; `null` while it cannot be said. */
  difference: amount.nullable(),
});
export type CheckedRow = z.infer<typeof checkedRow>;

export const rowProblem = z.object({ row: z.int(), column: columnMeaning, found: z.string(), code: z.string(), warning: z.boolean(), other: z.string() });
export type RowProblemBody = z.infer<typeof rowProblem>;

const proposedLine = z.object({ number: z.string(), name: z.string(), amount });
export const proposedEntry = z.object({
  day,
  purpose: z.enum(['differences', 'closing', 'keeps_later_balance', 'keeps_later_closing']),
  closesYear: z.int().nullable(),
  lines: z.array(proposedLine),
});

export const trialBalanceCheck = z.object({
  fileId: id,
  fileName: z.string(),
  format: fileFormat,
  decimalSign: z.enum(['.', ',']),
  amounts: z.enum(['signed', 'debit_and_credit', 'marked']),
  headingRow: z.int(),
  headings: z.array(z.string()),
  columns: z.partialRecord(columnMeaning, z.int()),
  date: day.nullable(),
  dateFrom: z.enum(['file', 'answer']).nullable(),
  /** Whether the ledger holds nothing up to that day, so that these are its first balances. */
  begins: z.boolean(),
  /** Why the day is asked about, unless it is confirmed: another one that the file itself names, or so many fiscal years to be made. */
  unusualDay: z.object({ fileDay: day.nullable(), years: z.int() }).nullable(),
  /** Files posted for that day before and not taken back, the first first: the ledger agrees with this one afterwards. */
  replaces: z.array(z.object({ fileName: z.string(), postedAt: z.string(), postedBy: z.string() })),
  figures: figureKind,
  figuresProposed: z.boolean(),
  retainedEarnings: z.string().nullable(),
  retainedEarningsProposed: z.boolean(),
  rows: z.array(checkedRow),
  problems: z.array(rowProblem),
  leftOut: z.array(z.object({ row: z.int(), reason: z.enum(['title', 'blank', 'total', 'heading_repeated', 'parent_total', 'chosen']), text: z.string() })),
  debits: amount,
  credits: amount,
  /** Debits less credits. */
  difference: amount,
  wouldBalance: amount.nullable(),
  elementsProposed: z.int(),
  /** Accounts with a balance that the file lacks. */
  missing: z.array(proposedLine),
  missingSum: amount,
  adjustments: z.array(z.object({ entryId: id, date: day, documentNumber: z.string(), description: z.string(), amount })),
  entries: z.array(proposedEntry),
  newAccounts: z.int(),
  newCategories: z.array(z.array(z.string())),
  placedByFile: z.int(),
  /** Movement of retained earnings that the kind of figures does not explain. */
  retainedEarningsMoves: amount,
  /** Why it cannot be posted yet; empty when it can. */
  blockers: z.array(z.object({ code: z.string(), count: z.int() })),
  nothingToPost: z.boolean(),
  revision: z.int(),
});
export type TrialBalanceCheckBody = z.infer<typeof trialBalanceCheck>;

export const uploadedFile = z.object({ fileId: id });

export const posting = z.object({
  posted: z.boolean(),
  entries: z.array(z.object({ entryId: id, documentNumber: z.string(), date: day, lines: z.int() })),
  newAccounts: z.int(),
  revision: z.int(),
});
export type PostingBody = z.infer<typeof posting>;

export const broughtInList = z.object({
  files: z.array(
    z.object({
      id,
      fileName: z.string(),
      date: day,
      figures: figureKind,
      postedAt: z.string(),
      postedBy: z.string(),
      /** When and by whom its entries were reversed. */
      takenBack: z.object({ at: z.string(), by: z.string() }).nullable(),
      entries: z.array(z.object({ entryId: id, documentNumber: z.string(), date: day, lines: z.int() })),
    }),
  ),
});
export type BroughtInList = z.infer<typeof broughtInList>;

/** What taking a trial balance back would post: its own entries reversed, and what keeps the balances of files behind it. */
export const takingBack = z.object({
  fileName: z.string(),
  date: day,
  reversed: z.array(z.object({ date: day, documentNumber: z.string(), lines: z.int(), amount })),
  kept: z.array(z.object({ date: day, fileName: z.string(), lines: z.int() })),
});
export type TakingBackBody = z.infer<typeof takingBack>;
export const takenBack = z.object({ entries: z.array(z.object({ entryId: id, documentNumber: z.string(), date: day, lines: z.int() })), revision: z.int() });
