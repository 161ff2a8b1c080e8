import { z } from 'zod';
import { listKey } from './codeLists.ts';
import { amount, day, element, id, lock, name, side, version } from './primitives.ts';

export const budget = z.object({
  id,
  /** The calendar year in which its fiscal year begins. */
  year: z.int(),
  name: z.string(),
  /** By whose values its amounts may stand apart, or `null`. */
  facet: listKey.nullable(),
  version,
  /** A locked budget takes no changes. */
  lock: lock.nullable(),
  /** Of income and expense accounts together, debit positive, so that a profit is negative. */
  result: amount,
});
export type BudgetBody = z.infer<typeof budget>;
export const budgetList = z.object({ budgets: z.array(budget) });
export type BudgetList = z.infer<typeof budgetList>;

export const budgetInput = z.strictObject({
  year: z.int().min(1).max(9999),
  name,
  facet: listKey.nullable().default(null),
  /** A budget whose amounts it begins with, period by period; with its facet. */
  copyOf: id.nullable().default(null),
});
export type BudgetInput = z.input<typeof budgetInput>;

export const budgetChange = z.strictObject({ version, name });
export const budgetLockInput = z.strictObject({ version, reason: z.string().trim().max(500).default('') });
export const budgetUnlockInput = z.strictObject({ version, reason: z.string().trim().min(1).max(500) });

export const budgetGridQuery = z.object({
  /** A value of the budget's facet, empty for what has none; left out: all parts together. */
  part: z.string().max(50).optional(),
  /** What stands beside it: what was posted in the year or in the one before, or another budget. */
  against: z.union([z.enum(['actual', 'year_before']), z.coerce.number().int().positive()]).optional(),
});

const amounts = z.array(amount);

/** Amounts by period, debit positive. */
export const budgetGrid = z.object({
  budget,
  periods: z.array(z.object({ number: z.int(), firstDay: day, lastDay: day })),
  accounts: z.array(
    z.object({
      id,
      number: z.string(),
      name: z.string(),
      label: z.string(),
      element,
      normalSide: side,
      depth: z.int(),
      isParent: z.boolean(),
      active: z.boolean(),
      amounts,
      /** Posted in the same periods of the year before; empty where that year was not made. */
      yearBefore: amounts,
      /** What is compared with; empty without. */
      against: amounts,
    }),
  ),
  /** How the other side of the comparison is called; empty without. */
  againstName: z.string(),
});
export type BudgetGridBody = z.infer<typeof budgetGrid>;

const cell = z.strictObject({ accountId: id, period: z.int().min(1).max(99), /** What stood there. */ was: amount, amount });
export const budgetCellsInput = z.strictObject({
  /** A value of the budget's facet, or empty. */
  part: z.string().max(50).default(''),
  cells: z.array(cell).min(1).max(200_000),
});
export type BudgetCellsInput = z.input<typeof budgetCellsInput>;

/** Cells of a workbook as they would stand in the budget, and what of it cannot be read. */
export const budgetSheet = z.object({
  cells: z.array(z.object({ accountId: id, period: z.int(), amount })),
  rows: z.int(),
  faults: z.array(
    z.object({ row: z.int(), code: z.enum(['account_unknown', 'account_takes_no_postings', 'account_twice', 'amount_unreadable']), found: z.string() }),
  ),
});
export type BudgetSheetBody = z.infer<typeof budgetSheet>;
