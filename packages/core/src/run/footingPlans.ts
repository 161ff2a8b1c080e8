import { addDays, type Day, type Span } from '../calendar/day.ts';
import { yearOf } from '../calendar/fiscalCalendar.ts';
import type { CompiledLayout } from '../layout/compileLayout.ts';
import type { AmountColumn, StatementColumn } from '../statement/statement.ts';
import type { Ground } from './ground.ts';
import type { ColumnsPlan } from './plan.ts';
import { generatedOn } from './runLayouts.ts';

/** Another statement of a set, which prints what this one has to print too. */
export interface Beside {
  readonly compiled: CompiledLayout;
  readonly columns: readonly StatementColumn[];
}

/** The balance sheet and the income statement that others foot to; the generated ones, each over the days alone, where none is given. */
export interface FootedTo {
  readonly sheet?: Beside | undefined;
  readonly income?: Beside | undefined;
}

/** A column of a statement, among all of it. */
export interface ColumnOf {
  readonly plan: ColumnsPlan;
  readonly at: number;
  /** The columns were put together to be run at once; each prints what it prints alone. */
  readonly isEachAlone: boolean;
}

/** The other statements whose figures a statement foots to. */
export interface FootingPlans {
  readonly sheet: CompiledLayout;
  /** Balance sheets, by what they are of. */
  readonly sheets: ReadonlyMap<string, ColumnOf>;
  /** Income statements, by their spans. */
  readonly incomes: ReadonlyMap<string, ColumnOf>;
}

export interface SheetOf {
  readonly day: Day;
  readonly measure: 'opening' | 'closing';
}

export const sheetKey = ({ day, measure }: SheetOf): string => `${day} ${measure}`;
export const spanKey = ({ firstDay, lastDay }: Span): string => `${firstDay} ${lastDay}`;

/** The balance sheet of the day before, or, with what a year opens with, that of its beginning. */
export function sheetBefore({ opensOn }: Ground, firstDay: Day): SheetOf {
  return opensOn(firstDay) ? { day: firstDay, measure: 'opening' } : { day: addDays(firstDay, -1), measure: 'closing' };
}

export function isYearToDate({ calendar }: Ground, { firstDay, lastDay }: Span): boolean {
  return yearOf(calendar, lastDay)?.firstDay === firstDay;
}

/** A balance sheet says nothing of a part of the ledger, nor of a budget. */
export function isOfWholeLedger(
  column: StatementColumn,
  { measure = 'movement', withEquity = false }: { readonly measure?: AmountColumn['measure']; readonly withEquity?: boolean } = {},
): column is AmountColumn {
  return (
    column.kind === 'amount' &&
    column.measure === measure &&
    column.budgetId === undefined &&
    column.facets === undefined &&
    (withEquity || column.equity === undefined) &&
    column.placedOn === undefined &&
    column.began === undefined &&
    column.adjusting === undefined &&
    !column.withoutAdjustments
  );
}

/** A column that a statement of the set has is taken from there, so that it prints the same in both. */
export function footingPlans(plan: ColumnsPlan, { sheet: own, income }: FootedTo = {}): FootingPlans {
  const { ground, compiled, columns } = plan;
  const sheets = new Map<string, ColumnOf>();
  const incomes = new Map<string, ColumnOf>();
  const generated = generatedOn(ground);
  const sheet = own?.compiled ?? generated.balance_sheet;
  const ofSheet: ColumnsPlan | undefined = own && { ...plan, compiled: sheet, columns: own.columns };
  const ofIncome: ColumnsPlan | undefined = income && { ...plan, compiled: income.compiled, columns: income.columns };
  const alone = { sheet: aloneIn(plan, sheet), income: aloneIn(plan, generated.income_statement) };
  const found = (of: ColumnsPlan | undefined, column: AmountColumn): ColumnOf => {
    const at = of ? of.columns.findIndex((one) => isOfWholeLedger(one, { measure: column.measure }) && isSameSpan(one, column)) : -1;
    if (of && at >= 0) return { plan: of, at, isEachAlone: false };
    const { plan: together, columns: days } = column.measure === 'movement' ? alone.income : alone.sheet;
    return { plan: together, at: days.push(column) - 1, isEachAlone: true };
  };
  const addSheet = ({ day, measure }: SheetOf): void => {
    const key = sheetKey({ day, measure });
    if (!sheets.has(key)) sheets.set(key, found(ofSheet, { kind: 'amount', measure, span: { firstDay: day, lastDay: day } }));
  };
  const addIncome = (span: Span): void => {
    const key = spanKey(span);
    if (!incomes.has(key)) incomes.set(key, found(ofIncome, { kind: 'amount', measure: 'movement', span }));
  };
  const { kind, cash } = compiled.layout;
  for (const column of columns) {
    if (!isOfWholeLedger(column)) continue;
    const { firstDay, lastDay } = column.span;
    if (kind === 'income_statement') {
      if (isYearToDate(ground, column.span)) addSheet({ day: lastDay, measure: 'closing' });
    } else if (kind === 'changes_in_equity' || cash) {
      addSheet(sheetBefore(ground, firstDay));
      addSheet({ day: lastDay, measure: 'closing' });
      addIncome(column.span);
    }
  }
  // What an income statement foots to stands in it for all its columns.
  for (const { plan: one } of incomes.values())
    for (const column of one.columns)
      if (isOfWholeLedger(column) && isYearToDate(ground, column.span)) addSheet({ day: column.span.lastDay, measure: 'closing' });
  return { sheet, sheets, incomes };
}

/** A statement over days that no statement beside has, which are added to it as columns. */
function aloneIn(plan: ColumnsPlan, compiled: CompiledLayout): { readonly plan: ColumnsPlan; readonly columns: AmountColumn[] } {
  const columns: AmountColumn[] = [];
  return { plan: { ...plan, compiled, columns }, columns };
}

/** Of balances the last day alone. */
function isSameSpan(one: AmountColumn, other: AmountColumn): boolean {
  return one.span.lastDay === other.span.lastDay && (one.measure === 'closing' || one.span.firstDay === other.span.firstDay);
}

/** Every statement of them once. */
export function plansIn({ sheets, incomes }: FootingPlans): readonly ColumnsPlan[] {
  return [...new Set([...sheets.values(), ...incomes.values()].map(({ plan }) => plan))];
}
