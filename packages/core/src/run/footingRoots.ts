import { addDays, type Day, type Span } from '../calendar/day.ts';
import { yearOf } from '../calendar/fiscalCalendar.ts';
import { isCashOn } from '../chart/cashDays.ts';
import { type CompiledLayout, isMemoLine } from '../layout/compileLayout.ts';
import { countsInGroup } from '../layout/line.ts';
import { topLines } from '../layout/topLines.ts';
import { presentRows } from '../statement/presentRows.ts';
import type { RunColumn } from '../statement/runColumn.ts';
import { inUnit, type ShownUnit } from '../statement/scale.ts';
import { type FootingRoot, type FootingRoots, footRows } from '../statement/scaleRows.ts';
import { shownSign } from '../statement/shownValue.ts';
import { type AmountColumn, runIndexOf, type StatementColumn, type StatementRow } from '../statement/statement.ts';
import { translationAccountId } from '../translation/translateCube.ts';
import { type Ground, presentedAccounts } from './ground.ts';
import type { ColumnsPlan, StatementPlan } from './plan.ts';
import { runColumns } from './runColumns.ts';
import { generatedOn } from './runLayouts.ts';
import type { Vectors } from './vectors.ts';

type Given = readonly (FootingRoot | null)[];
type FootedPlan = Pick<StatementPlan, keyof ColumnsPlan | 'layoutId'>;

/** A statement row for row as it is shown, and with exact amounts. */
interface Footed {
  readonly shown: readonly StatementRow[];
  readonly exact: readonly StatementRow[];
}

/** The other statements whose figures a statement foots to, each over one column. */
export interface FootingPlans {
  readonly sheet: CompiledLayout;
  /** Balance sheets, by what they are of. */
  readonly sheets: ReadonlyMap<string, ColumnsPlan>;
  /** Income statements, by their spans. */
  readonly incomes: ReadonlyMap<string, FootedPlan>;
}

const sumOfNone: FootingRoot = { shown: 0n, exact: 0n };

/** `sheet`: a composed one over the same categories; the generated one where none is given. */
export function footingPlans(plan: FootedPlan, sheet: CompiledLayout = generatedOn(plan.ground).balance_sheet): FootingPlans {
  const { ground, compiled, columns, layoutId } = plan;
  const sheets = new Map<string, ColumnsPlan>();
  const incomes = new Map<string, FootedPlan>();
  const over = (of: CompiledLayout, column: AmountColumn): ColumnsPlan => ({ ...plan, compiled: of, columns: [column] });
  const addSheet = ({ day, measure }: SheetOf): void =>
    void sheets.set(sheetKey({ day, measure }), over(sheet, { kind: 'amount', measure, span: { firstDay: day, lastDay: day } }));
  const { kind, cash } = compiled.layout;
  for (const column of columns) {
    if (!isOfWholeLedger(column)) continue;
    const { firstDay, lastDay } = column.span;
    const isGenerated = layoutId === null;
    if (kind === 'income_statement' && isGenerated) {
      if (isYearToDate(ground, column.span)) addSheet({ day: lastDay, measure: 'closing' });
    } else if ((kind === 'changes_in_equity' && isGenerated) || cash) {
      addSheet(sheetBefore(ground, firstDay));
      addSheet({ day: lastDay, measure: 'closing' });
      if (kind !== 'changes_in_equity')
        incomes.set(spanKey(column.span), {
          ...over(generatedOn(ground).income_statement, { kind: 'amount', measure: 'movement', span: column.span }),
          layoutId: null,
        });
    }
  }
  return { sheet, sheets, incomes };
}

/**
 * What the balance sheet, footed, gives other statements to foot to: its equity is both ends of changes in equity; the result of the
 * fiscal year to date is the profit of an income statement over it, and what it shows of cash are both ends of a cash flow, whose
 * change is their difference.
 */
export function footingRoots(plan: FootedPlan, runs: readonly RunColumn[], plans: FootingPlans, vectors: Vectors, unit: ShownUnit): FootingRoots {
  const footed = new Map<string, Footed>();
  const sheetAt = (of: SheetOf): Footed => {
    const key = sheetKey(of);
    const made = footed.get(key) ?? footedSheet(plans.sheets.get(key) as ColumnsPlan, vectors, unit);
    footed.set(key, made);
    return made;
  };
  return rootsOf(plan, runs, plans, vectors, unit, sheetAt);
}

type SheetAt = (of: SheetOf) => Footed;

function rootsOf(plan: FootedPlan, runs: readonly RunColumn[], plans: FootingPlans, vectors: Vectors, unit: ShownUnit, sheetAt: SheetAt): FootingRoots {
  const { compiled, columns, ground, layoutId } = plan;
  const { sheet } = plans;
  const ofColumns = (give: (span: Span) => FootingRoot | null): Given => columns.map((column) => (isOfWholeLedger(column) ? give(column.span) : null));
  const before = (firstDay: Day): Footed => sheetAt(sheetBefore(ground, firstDay));
  const at = (day: Day): Footed => sheetAt({ day, measure: 'closing' });
  if (compiled.layout.kind === 'income_statement' && layoutId === null)
    return new Map([['profit', ofColumns((span) => (isYearToDate(ground, span) ? resultIn(sheet, at(span.lastDay)) : null))]]);
  if (compiled.layout.kind === 'changes_in_equity' && layoutId === null)
    return new Map([
      ['opening', ofColumns(({ firstDay }) => equityIn(before(firstDay)))],
      ['closing', ofColumns(({ lastDay }) => equityIn(at(lastDay)))],
    ]);
  const { cash } = compiled.layout;
  if (!cash) return new Map();
  const cashIds = new Set(Array.from(cash.accounts, (account) => ground.accountIds[account] as number));
  const isWhole = cash.sides.every((sides) => sides === 3);
  const limited = new Map((ground.standIns?.besideCash ?? []).map(({ account }) => [account.id, account]));
  const isCashThen = (id: number, day: Day): boolean => {
    const account = limited.get(id);
    return cashIds.has(id) && (account === undefined || isCashOn(account, day));
  };
  const cashHeld = ({ shown, exact }: Footed, day: Day): FootingRoot =>
    exact.reduce((sum, row, place) => {
      const line = sheet.lines[sheet.indexOf.get(row.lineKey) ?? -1];
      if (row.accountId === null || !isCashThen(row.accountId, day) || !line || isMemoLine(line)) return sum;
      const sign = shownSign(line);
      const held = firstOf(shown[place], row);
      return isWhole || sign * held.exact > 0n ? { shown: sum.shown + sign * held.shown, exact: sum.exact + sign * held.exact } : sum;
    }, sumOfNone);
  const ends = {
    opening: ofColumns(({ firstDay }) => cashHeld(before(firstDay), addDays(firstDay, -1))),
    closing: ofColumns(({ lastDay }) => cashHeld(at(lastDay), lastDay)),
  };
  const roots = new Map<string, Given>();
  let exchange: Given = columns.map(() => sumOfNone);
  for (const [index, line] of compiled.lines.entries()) {
    const measure = line.kind === 'accounts' && line.isMemo && line.selection === cash ? line.reading?.measure : undefined;
    if (measure === 'opening' || measure === 'closing') roots.set(line.key, ends[measure]);
    if (measure === 'exchange')
      exchange = columns.map((column, place) => {
        if (!isOfWholeLedger(column)) return null;
        const exact = runs[runIndexOf(columns, place)]?.amounts[index] ?? 0n;
        return { shown: inUnit(exact, unit), exact };
      });
  }
  // What translation leaves stands behind the change too, on a line of its own.
  const difference = compiled.lineOfDebit[ground.indexOf.get(translationAccountId) ?? -1] ?? -1;
  const change = columns.map((column, place) => {
    const [closing, opening, effect] = [ends.closing[place], ends.opening[place], exchange[place]];
    if (!closing || !opening || !effect) return null;
    const translated = isOfWholeLedger(column) && difference >= 0 ? -(runs[runIndexOf(columns, place)]?.amounts[difference] ?? 0n) : 0n;
    return {
      shown: closing.shown - opening.shown - effect.shown - inUnit(translated, unit),
      exact: closing.exact - opening.exact - effect.exact - translated,
    };
  });
  for (const key of sumsOfActivities(compiled, difference)) roots.set(key, change);
  roots.set(
    'profit',
    ofColumns((span) => profitIn(plans.incomes.get(spanKey(span)) as FootedPlan, plans, vectors, unit, sheetAt)),
  );
  return roots;
}

interface SheetOf {
  readonly day: Day;
  readonly measure: 'opening' | 'closing';
}

const sheetKey = ({ day, measure }: SheetOf): string => `${day} ${measure}`;
const spanKey = ({ firstDay, lastDay }: Span): string => `${firstDay} ${lastDay}`;

/** The balance sheet of the day before, or, with what a year opens with, that of its beginning. */
function sheetBefore({ opensOn }: Ground, firstDay: Day): SheetOf {
  return opensOn(firstDay) ? { day: firstDay, measure: 'opening' } : { day: addDays(firstDay, -1), measure: 'closing' };
}

function isYearToDate({ calendar }: Ground, { firstDay, lastDay }: Span): boolean {
  return yearOf(calendar, lastDay)?.firstDay === firstDay;
}

/** A balance sheet says nothing of a part of the ledger, nor of a budget. */
function isOfWholeLedger(column: StatementColumn): column is AmountColumn {
  return (
    column.kind === 'amount' &&
    column.measure === 'movement' &&
    column.budgetId === undefined &&
    column.facets === undefined &&
    column.equity === undefined &&
    column.placedOn === undefined &&
    column.began === undefined &&
    column.adjusting === undefined &&
    !column.withoutAdjustments
  );
}

/** On one line, or on that of a profit and that of a loss. */
function resultIn(sheet: CompiledLayout, { shown, exact }: Footed): FootingRoot {
  return exact.reduce<FootingRoot>((sum, row, place) => {
    const line = sheet.lines[sheet.indexOf.get(row.lineKey) ?? -1];
    if (line?.kind !== 'result' || line.of !== 'year_to_date' || !countsInGroup(line)) return sum;
    const held = firstOf(shown[place], row);
    const sign = -shownSign(line);
    return { shown: sum.shown + sign * held.shown, exact: sum.exact + sign * held.exact };
  }, sumOfNone);
}

function equityIn({ shown, exact }: Footed): FootingRoot | null {
  const at = shown.findIndex(({ key, role }) => key === 'equity' && role === 'total');
  return at < 0 ? null : firstOf(shown[at], exact[at]);
}

/** What the income statement, footed, shows of the profit that a cash flow begins with; `null` where it has no such line. */
function profitIn(income: FootedPlan, plans: FootingPlans, vectors: Vectors, unit: ShownUnit, sheetAt: SheetAt): FootingRoot | null {
  const { ground, compiled, columns } = income;
  const runs = runColumns(income, vectors);
  const detail = { rungs: 1, opened: new Set<string>(), shut: new Set<string>(), zeroLines: false };
  const exact = presentRows({ compiled, columns, runs, accounts: presentedAccounts(ground), detail });
  const shown = footRows({ rows: exact, columns, unit }, rootsOf(income, runs, plans, vectors, unit, sheetAt));
  const at = shown.findIndex(({ key }) => key === ground.options.cashFlow.start);
  return at < 0 ? null : firstOf(shown[at], exact[at]);
}

/** At accounts, since what it shows of cash is in lines with other accounts. */
function footedSheet(plan: ColumnsPlan, vectors: Vectors, unit: ShownUnit): Footed {
  const { compiled, columns, ground } = plan;
  const detail = { rungs: 'accounts' as const, opened: new Set<string>(), shut: new Set<string>(), zeroLines: false };
  const exact = presentRows({ compiled, columns, runs: runColumns(plan, vectors), accounts: presentedAccounts(ground), detail });
  return { exact, shown: footRows({ rows: exact, columns, unit }) };
}

function firstOf(shown: StatementRow | undefined, exact: StatementRow | undefined): FootingRoot {
  return { shown: shown?.values[0] ?? 0n, exact: exact?.values[0] ?? 0n };
}

/** Sums of all that counts in a cash flow but what translation leaves: the net change of cash. */
function sumsOfActivities(compiled: CompiledLayout, difference: number): string[] {
  const top = topLines(compiled).filter((index) => index !== difference);
  return compiled.lines.flatMap((line) => {
    if (line.kind !== 'sum' || line.terms.length !== top.length) return [];
    return line.terms.every(({ key, sign }) => sign === 1 && top.includes(compiled.indexOf.get(key) ?? -1)) ? [line.key] : [];
  });
}
