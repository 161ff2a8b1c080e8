import { addDays, type Day, daysIn, type Span } from '../calendar/day.ts';
import { type FiscalCalendar, ordinaryPeriods, periodIndexOf, yearOf } from '../calendar/fiscalCalendar.ts';
import { shiftMonths, shiftSpan } from '../calendar/shift.ts';
import type { CodeList, ListKey } from '../chart/codeList.ts';
import { adjustingIndexOn } from '../cube/adjustingPeriod.ts';
import { checkFormula, type FormulaFaulty } from '../formula/checkFormula.ts';
import { type FormulaMalformed, readFormula } from '../formula/readFormula.ts';
import type { LayoutKind } from '../layout/line.ts';
import type { AmountColumn, StatementColumn } from '../statement/statement.ts';
import { betweenKeys } from './betweenKeys.ts';
import { comparisonSpan, movedByYears } from './comparisons.ts';
import type { EquityCategory } from './equityColumns.ts';
import { adjustingIn, partsOfSpan, withAdjusting } from './partsOfSpan.ts';
import type { AmountsPlanColumn, PeriodChoice, PlanDefinition } from './planDefinition.ts';

/** What of a plan makes no sense; `column`: its key. */
export type PlanFault = { readonly column: string } & (
  | { readonly code: 'column_key_twice' }
  /** It names a column that is not there, or one without amounts. */
  | { readonly code: 'column_unknown'; readonly named: string }
  | { readonly code: 'column_span_reversed' }
  | { readonly code: 'column_list_unknown' }
  /** Every column of a cash flow, and of changes in equity, is a movement. */
  | { readonly code: 'column_needs_movement' }
  /** Categories of equity are columns of changes in equity alone. */
  | { readonly code: 'column_needs_equity' }
  /** A cash flow, changes in equity and a budget are by the placement of today. */
  | { readonly code: 'column_placed_today' }
  /** It cannot be read, or names no column of amounts. */
  | { readonly code: 'column_formula'; readonly fault: FormulaMalformed | FormulaFaulty }
);

export interface PlanFacts {
  readonly span: Span;
  readonly calendar: FiscalCalendar;
  /** What columns of the layout hold by themselves. */
  readonly measure: 'closing' | 'movement';
  /** Whether nothing but movements makes sense. */
  readonly isOfMovements: boolean;
  readonly lists: readonly CodeList[];
  /** Whether anything stands in a period, by its place in the calendar. */
  readonly hasLines?: (periodIndex: number) => boolean;
  /** Of changes in equity: the categories that have columns, and what all of them are called. */
  readonly equity?: { readonly categories: readonly EquityCategory[]; readonly total: string };
}

/**
 * The columns of a plan for a run: periods become spans, a repeated column becomes one for each part, with the total of movements
 * behind them. A column that names a repeated one means its total, or where there is none its last. What makes no sense is a fault,
 * and the rest stands.
 */
export function expandPlan(
  { columns: planned }: PlanDefinition,
  facts: PlanFacts,
): { readonly columns: StatementColumn[]; readonly faults: readonly PlanFault[] } {
  const faults: PlanFault[] = [];
  for (const [at, { key }] of planned.entries())
    if (planned.findIndex((other) => other.key === key) < at) faults.push({ code: 'column_key_twice', column: key });
  const amounts = planned.map((column) => (column.kind === 'amounts' ? amountsOf(column, facts, faults) : null));
  const placeOf = new Map<string, number>();
  const begins: number[] = [];
  let next = 0;
  for (const [at, { key }] of planned.entries()) {
    const made = amounts[at];
    begins.push(next);
    next += made ? made.length : 1;
    if (made && made.length > 0) placeOf.set(key, next - 1);
  }
  const placed = (named: string, by: string): number => {
    const place = placeOf.get(named) ?? -1;
    if (place < 0) faults.push({ code: 'column_unknown', column: by, named });
    return place;
  };
  const made = (column: PlanDefinition['columns'][number], at: number): readonly StatementColumn[] => {
    const nothing: StatementColumn = { kind: 'text', ...headed(column) };
    switch (column.kind) {
      case 'amounts':
        return (amounts[at] ?? []).map((one) => (one.total === undefined ? one : { ...one, total: one.total + (begins[at] as number) }));
      case 'change':
      case 'percent': {
        const [of, against] = [placed(column.of, column.key), placed(column.against, column.key)];
        return [of < 0 || against < 0 ? nothing : { kind: column.kind, of, against, ...headed(column) }];
      }
      case 'share': {
        const of = placed(column.of, column.key);
        return [of < 0 ? nothing : { kind: 'share', of, line: column.line, ...headed(column) }];
      }
      case 'calculation': {
        const operands = new Map(placeOf);
        const read = readFormula(column.formula);
        const found = read.ok ? checkFormula(read.value, { has: (key) => operands.has(key), between: betweenKeys([...operands.keys()]) })[0] : read.failure;
        if (found) faults.push({ code: 'column_formula', column: column.key, fault: found });
        if (!read.ok || found) return [nothing];
        return [
          { kind: 'calculation', formula: read.value, text: column.formula, result: column.result, operands, days: daysIn(facts.span), ...headed(column) },
        ];
      }
      case 'text':
        return [nothing];
    }
  };
  return { columns: planned.flatMap(made), faults };
}

function headed({ heading, group, width, format }: Pick<PlanDefinition['columns'][number], 'heading' | 'group' | 'width' | 'format'>) {
  return {
    ...(heading === '' ? {} : { heading }),
    ...(group === '' ? {} : { group }),
    ...(width === undefined ? {} : { width }),
    ...(format === undefined ? {} : { format }),
  };
}

function amountsOf(column: AmountsPlanColumn, facts: PlanFacts, faults: PlanFault[]): AmountColumn[] {
  const { key, budgetId, measure, facets, withoutAdjustments, beforeAdjusting, placement, repeat } = column;
  const held = measure === 'own' ? facts.measure : measure;
  if (facts.isOfMovements && held !== 'movement') {
    faults.push({ code: 'column_needs_movement', column: key });
    return [];
  }
  const span = spanOf(column.period, facts);
  if (!span || span.firstDay > span.lastDay) {
    faults.push({ code: 'column_span_reversed', column: key });
    return [];
  }
  if (placement !== undefined && (facts.isOfMovements || budgetId !== null)) {
    faults.push({ code: 'column_placed_today', column: key });
    return [];
  }
  const ownDay = (over: Span): Day => (held === 'opening' ? addDays(over.firstDay, -1) : over.lastDay);
  const one = (over: Span, more: Partial<AmountColumn> = {}): AmountColumn => ({
    kind: 'amount',
    measure: held,
    span: over,
    ...headed(column),
    ...(budgetId === null ? {} : { budgetId }),
    ...(Object.keys(facets).length === 0 ? {} : { facets }),
    ...(withoutAdjustments ? { withoutAdjustments: true as const } : {}),
    ...(placement === undefined ? {} : { placedOn: placement === 'own_day' ? ownDay(over) : placement }),
    ...(beforeAdjusting && budgetId === null && held !== 'opening' && adjustingIndexOn(facts.calendar, over.lastDay) >= 0
      ? { adjusting: 'before' as const }
      : {}),
    ...more,
  });
  if (repeat === null) return [one(span)];
  // Its total stands behind them; places are within what the column becomes.
  const withTotal = (parts: readonly AmountColumn[]): AmountColumn[] =>
    held === 'movement' ? [...parts.map((part) => ({ ...part, total: parts.length })), one(span)] : [...parts];
  if (repeat === 'periods' || repeat === 'quarters') {
    const isApart = budgetId === null && held !== 'opening' && !beforeAdjusting;
    const whole = partsOfSpan(span, facts.calendar, repeat);
    const parts = withAdjusting(whole, repeat, facts.calendar, (index) => isApart && facts.hasLines?.(index) === true);
    if (parts.length === 1) return [one(span)];
    return withTotal(parts.map(({ adjusting, firstDay, lastDay }) => one({ firstDay, lastDay }, adjustingIn(held, adjusting))));
  }
  if (repeat === 'equity') {
    if (!facts.equity) {
      faults.push({ code: 'column_needs_equity', column: key });
      return [];
    }
    const { categories, total } = facts.equity;
    return [...categories.map(({ id, caption }) => one(span, { equity: id, heading: caption, total: categories.length })), one(span, { heading: total })];
  }
  const list = facts.lists.find((one) => one.key === repeat);
  if (!list) {
    faults.push({ code: 'column_list_unknown', column: key });
    return [];
  }
  const values = list.codes.filter(({ parent }) => parent === null).map(({ code, caption }) => ({ value: code, heading: caption || code }));
  return withTotal([
    ...values.map(({ value, heading }) => one(span, { facets: { ...facets, [repeat satisfies ListKey]: [value] }, heading })),
    one(span, { facets: { ...facets, [repeat]: [''] }, heading: `Without ${list.name.toLowerCase()}` }),
  ]);
}

/** `null` where the calendar has no period to go by. */
function spanOf({ base, periods, moved, firstDay, lastDay }: PeriodChoice, { span, calendar, measure }: PlanFacts): Span | null {
  const kind: LayoutKind = measure === 'closing' ? 'balance_sheet' : 'income_statement';
  if (base === 'fixed') return { firstDay, lastDay };
  if (base === 'comparative') return comparisonSpan({ kind: 'usual' }, kind, span, calendar);
  const from = startOf(base, periods, span, calendar);
  const over = { firstDay: from, lastDay: span.lastDay };
  if (moved.by === 0) return over;
  return moved.unit === 'years' ? movedByYears(over, moved.by, calendar) : movedByPeriods(over, moved.by, calendar);
}

function startOf(
  base: 'run' | 'year_to_date' | 'quarter_to_date' | 'trailing',
  periods: number,
  { firstDay, lastDay }: Span,
  calendar: FiscalCalendar,
): string {
  if (base === 'run') return firstDay;
  const year = yearOf(calendar, lastDay);
  if (base === 'year_to_date') return year?.firstDay ?? `${lastDay.slice(0, 4)}-01-01`;
  if (base === 'quarter_to_date') return partsOfSpan({ firstDay: year?.firstDay ?? firstDay, lastDay }, calendar, 'quarters').at(-1)?.firstDay ?? firstDay;
  const ordinary = ordinaryPeriods(calendar.periods);
  const current = calendar.periods[periodIndexOf(calendar, lastDay)];
  const at = ordinary.findIndex((period) => period.firstDay === current?.firstDay);
  return ordinary[at - periods + 1]?.firstDay ?? shiftMonths(addDays(lastDay, 1), -periods);
}

/** Whole periods to the same places so many earlier or later; any other days by months. */
function movedByPeriods(span: Span, by: number, calendar: FiscalCalendar): Span {
  const ordinary = ordinaryPeriods(calendar.periods);
  const [first, last] = [ordinary.findIndex(({ firstDay }) => firstDay === span.firstDay), ordinary.findIndex(({ lastDay }) => lastDay === span.lastDay)];
  const [firstDay, lastDay] = [ordinary[first + by]?.firstDay, ordinary[last + by]?.lastDay];
  return first >= 0 && last >= 0 && firstDay !== undefined && lastDay !== undefined ? { firstDay, lastDay } : shiftSpan(span, by);
}
