import { addDays, type Span } from '../calendar/day.ts';
import { yearOf } from '../calendar/fiscalCalendar.ts';
import { commonFilter } from '../facet/commonFilter.ts';
import { facetKey } from '../facet/facetFilter.ts';
import { isBySide, isSplitBySide } from '../layout/compileLayout.ts';
import { needsFlows } from '../statement/accountAmounts.ts';
import type { AmountColumn } from '../statement/statement.ts';
import type { Ground } from './ground.ts';
import type { VectorNeed } from './need.ts';
import type { ColumnsPlan } from './plan.ts';

/** What accounts have over a span, as far as it is asked for. */
export interface SpanNeeds {
  readonly opening: VectorNeed;
  readonly movement: VectorNeed;
  readonly closing: VectorNeed;
  readonly flows: VectorNeed;
  /** What moved without cash, net and by direction. */
  readonly withoutCash: { readonly movement: VectorNeed; readonly flows: VectorNeed };
}

/** Which of them. */
export type Wanted = Readonly<Record<keyof SpanNeeds, boolean>>;

/** Of a column of what was posted. */
export interface PostedNeeds {
  readonly of: 'posted';
  readonly own: VectorNeed;
  readonly over: SpanNeeds;
  readonly wanted: Wanted;
  /** By which sides are decided, where the column is of a part of the lines: the same of all of them. */
  readonly whole: { readonly over: SpanNeeds; readonly wanted: Wanted } | null;
  /** What lines take instead of the column's own amounts, by the key of the reading's filter. */
  readonly parts: ReadonlyMap<string, { readonly over: SpanNeeds; readonly wanted: Wanted }>;
}

/** Of a column of a budget: what it moves, `null` before its first period; behind a balance what was posted before its year. */
export interface BudgetNeeds {
  readonly of: 'budget';
  readonly moved: VectorNeed | null;
  readonly before: VectorNeed | null;
}

export type ColumnNeeds = PostedNeeds | BudgetNeeds;

/** Asked for when the vectors are listed, and again when columns are run on them. */
export function needsOf(plan: ColumnsPlan, column: AmountColumn): ColumnNeeds {
  const ofPlan = needsOfPlans.get(plan) ?? new Map<AmountColumn, ColumnNeeds>();
  needsOfPlans.set(plan, ofPlan);
  const needs = ofPlan.get(column) ?? (column.budgetId === undefined ? postedNeeds(plan, column) : budgetNeeds(plan.ground, column));
  ofPlan.set(column, needs);
  return needs;
}

const needsOfPlans = new WeakMap<ColumnsPlan, Map<AmountColumn, ColumnNeeds>>();

/** All of them, each once for each column that asks for it. */
export function listNeeds(needs: ColumnNeeds): VectorNeed[] {
  if (needs.of === 'budget') return [needs.moved, needs.before].flatMap((need) => need ?? []);
  return [needs.own, ...wantedOf(needs), ...(needs.whole ? wantedOf(needs.whole) : []), ...[...needs.parts.values()].flatMap(wantedOf)];
}

function wantedOf({ over, wanted }: { readonly over: SpanNeeds; readonly wanted: Wanted }): VectorNeed[] {
  const { withoutCash } = over;
  return [
    ...(['opening', 'movement', 'closing', 'flows'] as const).flatMap((one) => (wanted[one] ? [over[one]] : [])),
    ...(wanted.withoutCash ? [withoutCash.movement, withoutCash.flows] : []),
  ];
}

/** Of all lines that a column is of. */
export function spanNeeds({ ground, facets }: Pick<ColumnsPlan, 'ground' | 'facets'>, column: Omit<AmountColumn, 'kind' | 'measure'>): SpanNeeds {
  const { span, facets: ofColumn = {}, withoutAdjustments, adjusting } = column;
  const { money } = ground;
  const base = {
    amounts: { of: 'posted' as const },
    filter: commonFilter(ground.lists, facets, ofColumn),
    layers: withoutAdjustments ? ('ledger' as const) : ('all' as const),
    money,
    ...(adjusting === undefined ? {} : { adjusting: { which: adjusting, lastDay: span.lastDay } }),
  };
  const apart = { ...base, amounts: { of: 'without_cash' as const, classificationId: ground.classificationId } };
  // What is held is translated by what is held, whatever moves.
  const held = { ...base, money: money.in === 'own' ? money : { ...money, manner: 'held' as const } };
  return {
    opening: { ...held, take: { take: 'balance', day: span.firstDay, at: 'begin' } },
    movement: { ...base, take: { take: 'movement', span } },
    closing: { ...held, take: { take: 'balance', day: span.lastDay, at: 'end' } },
    flows: { ...base, take: { take: 'flows', span } },
    withoutCash: { movement: { ...apart, take: { take: 'movement', span } }, flows: { ...apart, take: { take: 'flows', span } } },
  };
}

function postedNeeds(plan: ColumnsPlan, column: AmountColumn): PostedNeeds {
  const { ground, compiled } = plan;
  const over = spanNeeds(plan, column);
  const isOfDays = ground.standIns !== null && ground.standIns.besideCash.length > 0;
  const isMovement = column.measure === 'movement';
  const withoutCash = compiled.layout.withoutCash !== undefined;
  const parts = new Map<string, { over: SpanNeeds; wanted: Wanted }>();
  for (const reading of compiled.readings) {
    const { facets, measure } = reading;
    const key = facetKey(facets);
    const there = parts.get(key) ?? {
      over: spanNeeds({ ground, facets: commonFilter(ground.lists, plan.facets, column.facets ?? {}) }, { ...column, facets }),
      wanted: { opening: isOfDays, movement: isOfDays, closing: isOfDays, flows: false, withoutCash: false },
    };
    const held = measure === 'column' ? column.measure : measure;
    const flows = needsFlows(reading);
    parts.set(key, {
      over: there.over,
      wanted: {
        opening: there.wanted.opening || held === 'opening' || held === 'mean',
        movement: there.wanted.movement || held === 'movement' || flows,
        closing: there.wanted.closing || held === 'closing' || held === 'mean',
        flows: there.wanted.flows || flows,
        withoutCash: withoutCash && (there.wanted.movement || held === 'movement' || held === 'without_cash' || flows),
      },
    });
  }
  const wanted = {
    opening: isMovement && (isOfDays || isSplitBySide(compiled, ground.traits.resets)),
    movement: false,
    closing: isMovement && isOfDays,
    flows: false,
    withoutCash: withoutCash && isMovement,
  };
  const isPart = Object.keys(over.closing.filter).length > 0 && isBySide(compiled);
  const { facets: _, ...ofAllLines } = column;
  return {
    of: 'posted',
    own: over[column.measure],
    over,
    wanted,
    whole: isPart ? { over: spanNeeds({ ground, facets: {} }, ofAllLines), wanted: { ...wanted, [column.measure]: true } } : null,
    parts,
  };
}

/** Of a column with a budget. */
export function budgetNeeds(ground: Ground, { measure, span, budgetId: id = 0 }: AmountColumn): BudgetNeeds {
  const { calendar, money } = ground;
  const base = { filter: {}, layers: 'all' as const, money };
  const moved = (over: Span | null): VectorNeed | null => over && { ...base, amounts: { of: 'budget', id }, take: { take: 'movement', span: over } };
  const day = measure === 'opening' ? span.firstDay : span.lastDay;
  return {
    of: 'budget',
    moved: moved(budgetedUpTo(ground, measure, span)),
    before:
      measure === 'movement'
        ? null
        : { ...base, amounts: { of: 'posted' }, take: { take: 'balance', day: yearOf(calendar, day)?.firstDay ?? day, at: 'begin' } },
  };
}

/** The days of the year that a balance of a budget takes its movements of; `null` where the balance is that of the year's beginning. */
export function budgetedUpTo({ calendar }: Pick<Ground, 'calendar'>, measure: AmountColumn['measure'], span: Span): Span | null {
  if (measure === 'movement') return span;
  const lastDay = measure === 'opening' ? addDays(span.firstDay, -1) : span.lastDay;
  const firstDay = yearOf(calendar, measure === 'opening' ? span.firstDay : lastDay)?.firstDay ?? lastDay;
  return lastDay < firstDay ? null : { firstDay, lastDay };
}
