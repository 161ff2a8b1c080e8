import type { Day } from '../calendar/day.ts';
import type { PlanFault } from '../columns/expandPlan.ts';
import { fail, type Outcome } from '../outcome.ts';
import type { MissingRate } from '../translation/translateCube.ts';

/** What keeps a statement from being planned. */
export type PlanFailure =
  | { readonly code: 'not_found'; readonly thing: 'layout' | 'classification' | 'column_plan' | 'budget'; readonly id: number }
  /** No version of the layout was put in use. */
  | { readonly code: 'layout_not_in_use'; readonly name: string }
  | { readonly code: 'plan_unfit'; readonly fault: PlanFault }
  | { readonly code: 'columns_too_many'; readonly columns: number; readonly most: number }
  | { readonly code: 'placement_not_kept'; readonly day: Day }
  | { readonly code: 'currency_unknown'; readonly currency: string }
  | { readonly code: 'rates_missing'; readonly currency: string; readonly rates: readonly MissingRate[]; readonly more: number }
  | { readonly code: 'directions_not_translated' }
  /** A budget is by account and period: it has no directions, no parts of lines, and no balances in another currency. */
  | { readonly code: 'budget_without_flows' | 'budget_of_all_lines' | 'budget_not_translated' }
  | { readonly code: 'budget_of_other_year'; readonly name: string; readonly year: string }
  | { readonly code: 'budget_needs_whole_periods'; readonly name: string };

/** A plan goes on once more is known. */
export interface Unknown {
  readonly code: 'definitions_missing';
}

export type Planned<Value> = Outcome<Value, PlanFailure | Unknown>;

export const unknownYet: Outcome<never, Unknown> = fail({ code: 'definitions_missing' });

/** How many of the rates that are missing are named. */
const mostNamed = 6;

export function ratesMissing(currency: string, rates: readonly MissingRate[]): PlanFailure {
  return { code: 'rates_missing', currency, rates: rates.slice(0, mostNamed), more: Math.max(0, rates.length - mostNamed) };
}
