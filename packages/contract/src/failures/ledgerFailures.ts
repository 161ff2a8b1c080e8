import { z } from 'zod';
import { amount } from '../primitives.ts';
import { answered, conflict, type FailureKind, nothing, refused } from './failureKind.ts';

/** From 1. */
const onLine = { line: z.int() };
const named = { name: z.string() };

/** Entries, files of balances and lines, budgets and rates. */
export const ledgerFailures = {
  account_takes_no_postings: refused({ accountId: z.int(), number: z.string(), reason: z.enum(['parent', 'inactive']) }),
  entry_out_of_balance: refused({ difference: amount }),
  opening_of_income: refused(onLine),
  line_amount_invalid: refused(onLine),
  line_amount_too_large: refused(onLine),
  /** What the amount comes to at the rate of the line. */
  line_rate_disagrees: refused({ ...onLine, expected: amount }),
  entry_not_reversible: conflict({ reason: z.enum(['reversed', 'trial_balance', 'earlier']), documentNumber: z.string() }),
  ledger_too_large: refused(nothing),
  ledger_moved_on: conflict(nothing),
  trial_balance_taken_back: refused({ by: z.string() }),
  retained_earnings_needed: refused(nothing),
  after_closing_has_income: refused({ accounts: z.array(z.int()) }),
  out_of_balance: refused({ difference: amount }),
  left_alone_out_of_balance: refused({ difference: amount }),
  posting_blocked: refused({ blockers: z.array(z.object({ code: z.string(), count: z.int() })) }),
  /** `state`: what became of the import instead. */
  journal_not_ready: conflict({ state: z.string() }),
  file_too_large: answered(413)({ bytes: z.int(), limit: z.int() }),
  /** It ended before its time, or was not as long as was said. */
  file_incomplete: refused({ bytes: z.int(), expected: z.int() }),
  file_not_a_table: refused({ found: z.enum(['pdf', 'binary', 'empty', 'old_workbook', 'picture', 'document']) }),
  file_unreadable: refused({ reason: z.string(), row: z.int().optional() }),
  file_limit_exceeded: refused({ limit: z.enum(['rows', 'columns', 'cells', 'inflated_bytes', 'parts', 'time']) }),
  budget_name_taken: conflict({ ...named, year: z.int() }),
  budget_locked: conflict(named),
  budget_not_locked: conflict(named),
  /** As they stand now, debit positive. */
  budget_cells_moved_on: conflict({ cells: z.array(z.object({ accountId: z.int(), period: z.int(), current: amount })) }),
  rate_invalid: refused({ rate: z.string() }),
  /** The first of those that somebody changed, as they stand now; null: none. */
  rates_moved_on: conflict({
    rates: z.array(z.object({ currency: z.string(), kind: z.string(), day: z.string(), accountId: z.int().nullable(), current: z.string().nullable() })),
  }),
} satisfies Record<string, FailureKind>;
