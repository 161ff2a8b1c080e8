import { z } from 'zod';
import { day } from '../primitives.ts';
import { conflict, type FailureKind, nothing, refused } from './failureKind.ts';
import { planFault } from './planFault.ts';

const named = { name: z.string() };
const texts = z.array(z.string());

/** What keeps a statement, its layout, columns or set from being made. */
export const statementFailures = {
  span_reversed: refused({ from: z.string(), to: z.string() }),
  comparison_incomplete: refused(nothing),
  columns_too_many: refused({ columns: z.int(), most: z.int() }),
  budget_without_flows: refused(nothing),
  budget_of_all_lines: refused(nothing),
  budget_not_translated: refused(nothing),
  budget_of_other_year: refused({ ...named, year: z.string() }),
  budget_needs_whole_periods: refused(named),
  /** The earliest that are missing, and how many more. */
  rates_missing: refused({ currency: z.string(), rates: z.array(z.object({ kind: z.enum(['closing', 'average']), day })), more: z.int() }),
  amounts_too_large: refused(nothing),
  directions_not_translated: refused(nothing),
  line_unknown: refused({ line: z.string() }),
  layout_name_taken: conflict(named),
  layout_has_draft_only: refused(named),
  layout_without_draft: refused(named),
  layout_not_in_use: refused(named),
  layout_in_use: refused({ ...named, sets: texts }),
  layout_key_twice: refused({ line: z.string() }),
  /** Formulas, sums or hidden lines that name what is not there. */
  layout_unsound: refused({ lines: texts }),
  column_plan_name_taken: conflict(named),
  column_plan_in_use: refused({ ...named, layouts: texts, sets: texts }),
  plan_unfit: refused({ fault: planFault }),
  /** A workbook could not hold an amount of the line to the minor unit. */
  amount_beyond_workbook: refused({ line: z.string() }),
  set_name_taken: conflict(named),
  set_part_twice: refused({ part: z.string() }),
  set_empty: refused(named),
} satisfies Record<string, FailureKind>;
