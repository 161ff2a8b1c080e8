import type { Span } from '../calendar/day.ts';
import type { ColumnPlan } from '../columns/columnPlans.ts';
import { columnsAgainst, columnsOver } from '../columns/columnPlans.ts';
import { type Comparison, columnsFor, comparisonSpan } from '../columns/comparisons.ts';
import { equityCategories, equityColumns, totalEquity } from '../columns/equityColumns.ts';
import { expandPlan } from '../columns/expandPlan.ts';
import { adjustingIndexOn } from '../cube/adjustingPeriod.ts';
import type { CaptionLanguage } from '../layout/captionWords.ts';
import type { Layout } from '../layout/line.ts';
import { fail, succeed } from '../outcome.ts';
import type { StatementColumn } from '../statement/statement.ts';
import { type Ground, treeIn } from './ground.ts';
import { type Planned, unknownYet } from './planFailure.ts';
import type { ChosenPlan, Definitions } from './request.ts';

/** What of a layout its columns hang on. */
export interface LayoutAcross {
  readonly kind: Layout['kind'];
  /** What its columns hold by themselves. */
  readonly measure: 'closing' | 'movement';
  readonly language: CaptionLanguage;
}

interface Over {
  readonly span: Span;
  readonly comparison: Comparison;
  readonly adjusting?: 'before' | undefined;
}

/** More do not fit on any page, nor in a reader's head. */
const mostColumns = 60;

/** The columns of a plan for a layout, over a span and its comparative. */
export function planColumns(
  ground: Ground,
  definitions: Definitions,
  layout: LayoutAcross,
  chosen: ChosenPlan,
  over: Over,
): Planned<readonly StatementColumn[]> {
  const planned = columnsOfPlan(ground, definitions, layout, chosen, over);
  if (!planned.ok) return planned;
  if (planned.value.length > mostColumns) return fail({ code: 'columns_too_many', columns: planned.value.length, most: mostColumns });
  if (over.adjusting === undefined) return planned;
  const endsYear = (column: StatementColumn): boolean =>
    column.kind === 'amount' && column.budgetId === undefined && column.measure !== 'opening' && adjustingIndexOn(ground.calendar, column.span.lastDay) >= 0;
  return succeed(planned.value.map((column): StatementColumn => (endsYear(column) ? ({ ...column, adjusting: 'before' } as StatementColumn) : column)));
}

function columnsOfPlan(
  ground: Ground,
  definitions: Definitions,
  { measure, kind, language }: LayoutAcross,
  { plan, budgetId, planId, definition }: ChosenPlan,
  { span, comparison, adjusting }: Over,
): Planned<readonly StatementColumn[]> {
  const { calendar } = ground;
  if (plan === 'budget') return succeed(columnsAgainst(budgetId ?? 0, measure, span));
  const equity = kind === 'changes_in_equity' ? equityCategories({ ...ground, tree: treeIn(ground, language) }, language) : undefined;
  if (equity && plan === 'comparison') {
    const comparative = comparisonSpan(comparison, 'income_statement', span, calendar);
    return succeed(equityColumns(comparative ? [span, comparative] : [span], equity, language));
  }
  const hasLines = (index: number): boolean => adjusting === undefined && ground.hasLines(index);
  if (plan !== 'composed') return succeed(plainColumns(ground, measure, plan, span, comparison, hasLines));
  const composed = definition ?? definitions.find({ of: 'column_plan', id: planId ?? 0 });
  if (composed === undefined) return unknownYet;
  if (composed === null) return fail({ code: 'not_found', thing: 'column_plan', id: planId ?? 0 });
  const facts = {
    span,
    calendar,
    measure,
    isOfMovements: kind === 'cash_flow' || equity !== undefined,
    lists: ground.lists,
    hasLines,
    ...(equity ? { equity: { categories: equity, total: totalEquity(language) } } : {}),
  };
  const { columns, faults } = expandPlan(composed, facts);
  const [fault] = faults;
  return fault ? fail({ code: 'plan_unfit', fault }) : succeed(columns);
}

function plainColumns(
  { calendar }: Ground,
  measure: 'closing' | 'movement',
  plan: Exclude<ColumnPlan, 'budget'>,
  span: Span,
  comparison: Comparison,
  hasLines: (periodIndex: number) => boolean,
): readonly StatementColumn[] {
  const kind = measure === 'closing' ? 'balance_sheet' : 'income_statement';
  return plan === 'comparison' ? columnsFor(kind, span, comparisonSpan(comparison, kind, span, calendar)) : columnsOver(plan, kind, span, calendar, hasLines);
}
