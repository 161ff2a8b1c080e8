import {
  adjustingIndexOn,
  type CaptionLanguage,
  type ColumnPlan,
  type Comparison,
  columnsAgainst,
  columnsFor,
  columnsOver,
  comparisonSpan,
  equityCategories,
  equityColumns,
  expandPlan,
  fail,
  hasLinesIn,
  type Layout,
  type Outcome,
  type PlainColumn,
  type Span,
  type StatementColumn,
  succeed,
  totalEquity,
} from '@ivory-ladder/core';
import { categoryTreeIn } from './categoryTreeIn.ts';
import { findPlan } from './columnPlans.ts';
import type { Failure } from './failure.ts';
import type { Books, Ports } from './ports/index.ts';
import type { ColumnChoice } from './prepareStatement.ts';

/** The plan that stands across the page. */
export interface PlannedColumns {
  readonly plan: ColumnPlan | 'composed';
  readonly planId?: number | undefined;
}

/** What of a layout its columns hang on. */
interface PlannedLayout {
  readonly books: Books;
  /** What its columns hold by themselves. */
  readonly measure: 'closing' | 'movement';
  readonly kind: Layout['kind'];
  readonly language: CaptionLanguage;
}

/** More do not fit on any page, nor in a reader's head. */
const mostColumns = 60;

/** The columns of a plan for a layout, over a span and its comparative. */
export async function plannedColumns(
  ports: Pick<Ports, 'columnPlans'>,
  layout: PlannedLayout,
  choice: PlannedColumns & Pick<ColumnChoice, 'budget' | 'definition' | 'adjusting'>,
  comparison: Comparison,
  span: Span,
): Promise<Outcome<readonly StatementColumn[], Failure>> {
  const planned = await columnsOfPlan(ports, layout, choice, comparison, span);
  if (!planned.ok || choice.adjusting === undefined) return planned;
  const endsYear = (column: StatementColumn): boolean =>
    column.kind === 'amount' &&
    column.budgetId === undefined &&
    column.measure !== 'opening' &&
    adjustingIndexOn(layout.books.calendar, column.span.lastDay) >= 0;
  return succeed(planned.value.map((column): StatementColumn => (endsYear(column) ? ({ ...column, adjusting: 'before' } as StatementColumn) : column)));
}

async function columnsOfPlan(
  ports: Pick<Ports, 'columnPlans'>,
  { books, measure, kind, language }: PlannedLayout,
  { plan, budget, planId, definition, adjusting }: PlannedColumns & Pick<ColumnChoice, 'budget' | 'definition' | 'adjusting'>,
  comparison: Comparison,
  span: Span,
): Promise<Outcome<readonly StatementColumn[], Failure>> {
  if (plan === 'budget') return succeed(columnsAgainst(budget ?? 0, measure, span));
  const equity = kind === 'changes_in_equity' ? equityCategories({ ...books, tree: categoryTreeIn(books, language) }, language) : undefined;
  if (equity && plan === 'comparison') {
    const comparative = comparisonSpan(comparison, 'income_statement', span, books.calendar);
    return succeed(equityColumns(comparative ? [span, comparative] : [span], equity, language));
  }
  if (plan !== 'composed') return columnsOf(books, measure, comparison, plan, span, adjusting === undefined);
  const composed = definition ? succeed(definition) : await findPlan(ports, books.company.id, planId ?? 0);
  if (!composed.ok) return composed;
  const facts = {
    span,
    calendar: books.calendar,
    measure,
    isOfMovements: kind === 'cash_flow' || equity !== undefined,
    lists: books.lists,
    hasLines: (index: number) => adjusting === undefined && hasLinesIn(books.cube, index),
    ...(equity ? { equity: { categories: equity, total: totalEquity(language) } } : {}),
  };
  const { columns, faults } = expandPlan(composed.value, facts);
  const [fault] = faults;
  if (fault) return fail({ code: 'plan_unfit', fault });
  return columns.length > mostColumns ? fail({ code: 'columns_too_many', columns: columns.length, most: mostColumns }) : succeed(columns);
}

/** The columns of a plan over a span, as many as a page can hold. */
function columnsOf(
  books: Books,
  measure: 'closing' | 'movement',
  comparison: Comparison,
  plan: Exclude<ColumnPlan, 'budget'>,
  span: Span,
  withAdjustments: boolean,
): Outcome<PlainColumn[], Failure> {
  const kind = measure === 'closing' ? 'balance_sheet' : 'income_statement';
  const comparative = comparisonSpan(comparison, kind, span, books.calendar);
  const columns =
    plan === 'comparison'
      ? columnsFor(kind, span, comparative)
      : columnsOver(plan, kind, span, books.calendar, (index) => withAdjustments && hasLinesIn(books.cube, index));
  return columns.length > mostColumns ? fail({ code: 'columns_too_many', columns: columns.length, most: mostColumns }) : succeed(columns);
}
