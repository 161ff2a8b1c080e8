import {
  type ColumnPlan,
  type Comparison,
  type Day,
  type FacetFilter,
  fail,
  type GeneratedName,
  type Outcome,
  type PlanDefinition,
  type PresentationChoice,
  planStatement,
  type StatementPlan,
  type StatementRequest,
  succeed,
} from '@ivory-ladder/core';
import { openBooks, unknownIn } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, Ports } from '../ports/index.ts';
import { PlanningDesk } from './planningDesk.ts';

export interface SpanChoice {
  readonly from: Day;
  readonly to: Day;
  readonly compare: Comparison['kind'];
  readonly compareFrom?: Day | undefined;
  readonly compareTo?: Day | undefined;
  /** What ends on the last day of a year with a period for adjustments is without the lines of that. */
  readonly adjusting?: 'before' | undefined;
  /** Only lines with these facet values. */
  readonly facets?: FacetFilter | undefined;
  /** Whose categories; the main one's where none is named. */
  readonly classification?: number | undefined;
}

/** Columns, and of what language captions are; the company's main one where none is named. */
export interface ColumnChoice extends SpanChoice {
  /** That of the layout, or the comparison, where none is asked for. */
  readonly plan?: ColumnPlan | 'composed' | undefined;
  /** Of the plan `budget`. */
  readonly budget?: number | undefined;
  /** Of the plan `composed`: one that is kept, or as it is drafted. */
  readonly planId?: number | undefined;
  readonly definition?: PlanDefinition | undefined;
  readonly language?: string | undefined;
  /** The company's own currency where none is asked for. */
  readonly presentation?: PresentationChoice | undefined;
}

/** A generated statement, or the id of a composed layout. */
export type StatementName = GeneratedName | number;

export function comparisonOf(choice: SpanChoice): Outcome<Comparison, Failure> {
  if (choice.from > choice.to) return fail({ code: 'span_reversed', from: choice.from, to: choice.to });
  if (choice.compare !== 'fixed') return succeed({ kind: choice.compare });
  const { compareFrom, compareTo } = choice;
  if (compareFrom === undefined || compareTo === undefined) return fail({ code: 'comparison_incomplete' });
  if (compareFrom > compareTo) return fail({ code: 'span_reversed', from: compareFrom, to: compareTo });
  return succeed({ kind: 'fixed', firstDay: compareFrom, lastDay: compareTo });
}

/** The statement that somebody asks for, over the books of a company. */
export function requestFor({ company }: Pick<Books, 'company'>, name: StatementName, choice: ColumnChoice, comparison: Comparison): StatementRequest {
  const { from, to, adjusting, facets = {}, classification, plan, planId, definition, budget, language, presentation } = choice;
  return {
    statement: typeof name === 'number' ? { layoutId: name } : name,
    classificationId: classification ?? company.mainClassification,
    language,
    span: { firstDay: from, lastDay: to },
    comparison,
    adjusting,
    facets,
    columns: plan && { plan, planId, definition, budgetId: budget },
    presentation,
  };
}

/** A plan, and the books that its vectors come from: all lines of the ledger, in the company's currency. */
export interface PlannedStatement {
  readonly desk: PlanningDesk;
  readonly plan: StatementPlan;
}

export async function planOf(ports: Ports, companyId: number, name: StatementName, choice: ColumnChoice): Promise<Outcome<PlannedStatement, Failure>> {
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const refused = unknownIn(choice.facets ?? {}, opened.value);
  if (refused) return fail(refused);
  const desk = new PlanningDesk(ports, opened.value);
  const planned = await desk.plan(() => planStatement(desk, requestFor(opened.value, name, choice, comparison.value)));
  return planned.ok ? succeed({ desk, plan: planned.value }) : planned;
}
