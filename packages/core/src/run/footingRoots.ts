import { addDays, type Day, type Span } from '../calendar/day.ts';
import { yearOf } from '../calendar/fiscalCalendar.ts';
import { isCashOn } from '../chart/cashDays.ts';
import { type FootingRoot, type FootingRoots, footStatement } from '../footing/footStatement.ts';
import { type CompiledLayout, isMemoLine } from '../layout/compileLayout.ts';
import { countsInGroup } from '../layout/line.ts';
import { topLines } from '../layout/topLines.ts';
import { presentRows } from '../statement/presentRows.ts';
import type { RunColumn } from '../statement/runColumn.ts';
import { inUnit, type ShownUnit } from '../statement/scale.ts';

import { shownSign, shownValue } from '../statement/shownValue.ts';
import { type AmountColumn, runIndexOf, type StatementColumn, type StatementRow } from '../statement/statement.ts';
import { translationAccountId } from '../translation/translateCube.ts';
import { type Ground, presentedAccounts } from './ground.ts';
import type { ColumnsPlan } from './plan.ts';
import { equityColumnsOn, runColumns } from './runColumns.ts';
import { generatedOn } from './runLayouts.ts';
import type { Vectors } from './vectors.ts';

type Given = readonly (FootingRoot | null)[];

/** A statement over one column, with what its lines print. */
interface Footed {
  readonly plan: ColumnsPlan;
  readonly run: RunColumn;
  readonly lines: ReadonlyMap<number, bigint>;
  /** Accounts on lines that hold some of what is asked for, with what they print. */
  readonly accounts: readonly { readonly row: StatementRow; readonly shown: bigint }[];
}

/** The other statements whose figures a statement foots to, each over one column. */
export interface FootingPlans {
  readonly sheet: CompiledLayout;
  /** Balance sheets, by what they are of. */
  readonly sheets: ReadonlyMap<string, ColumnsPlan>;
  /** Income statements, by their spans. */
  readonly incomes: ReadonlyMap<string, ColumnsPlan>;
}

const sumOfNone: FootingRoot = { shown: 0n, exact: 0n };

/** `sheet`: a composed one over the same categories; the generated one where none is given. */
export function footingPlans(plan: ColumnsPlan, sheet: CompiledLayout = generatedOn(plan.ground).balance_sheet): FootingPlans {
  const { ground, compiled, columns } = plan;
  const sheets = new Map<string, ColumnsPlan>();
  const incomes = new Map<string, ColumnsPlan>();
  const over = (of: CompiledLayout, column: AmountColumn): ColumnsPlan => ({ ...plan, compiled: of, columns: [column] });
  const addSheet = ({ day, measure }: SheetOf): void =>
    void sheets.set(sheetKey({ day, measure }), over(sheet, { kind: 'amount', measure, span: { firstDay: day, lastDay: day } }));
  const { kind, cash } = compiled.layout;
  for (const column of columns) {
    if (!isOfWholeLedger(column)) continue;
    const { firstDay, lastDay } = column.span;
    if (kind === 'income_statement') {
      if (isYearToDate(ground, column.span)) addSheet({ day: lastDay, measure: 'closing' });
    } else if (kind === 'changes_in_equity' || cash) {
      addSheet(sheetBefore(ground, firstDay));
      addSheet({ day: lastDay, measure: 'closing' });
      if (kind !== 'changes_in_equity')
        incomes.set(spanKey(column.span), over(generatedOn(ground).income_statement, { kind: 'amount', measure: 'movement', span: column.span }));
    }
  }
  return { sheet, sheets, incomes };
}

/**
 * What the balance sheet, footed, gives other statements to foot to: its equity is both ends of changes in equity; the result of the
 * fiscal year to date is the profit of an income statement over it, and what it shows of cash are both ends of a cash flow, whose
 * change is their difference.
 */
export function footingRoots(plan: ColumnsPlan, runs: readonly RunColumn[], plans: FootingPlans, vectors: Vectors, unit: ShownUnit): FootingRoots {
  const footed = new Map<string, Footed>();
  const cash = new Set(plan.compiled.layout.cash?.accounts ?? []);
  const sheetAt = (of: SheetOf): Footed => {
    const key = sheetKey(of);
    const made = footed.get(key) ?? footedSheet(plans.sheets.get(key) as ColumnsPlan, cash, vectors, unit);
    footed.set(key, made);
    return made;
  };
  return rootsOf(plan, runs, plans, vectors, unit, sheetAt);
}

type SheetAt = (of: SheetOf) => Footed;

function rootsOf(plan: ColumnsPlan, runs: readonly RunColumn[], plans: FootingPlans, vectors: Vectors, unit: ShownUnit, sheetAt: SheetAt): FootingRoots {
  const { compiled, columns, ground } = plan;
  const { sheet } = plans;
  const ofColumns = (give: (span: Span) => FootingRoot | null): Given => columns.map((column) => (isOfWholeLedger(column) ? give(column.span) : null));
  const before = (firstDay: Day): Footed => sheetAt(sheetBefore(ground, firstDay));
  const at = (day: Day): Footed => sheetAt({ day, measure: 'closing' });
  if (compiled.layout.kind === 'income_statement')
    return new Map([['profit', ofColumns((span) => (isYearToDate(ground, span) ? resultIn(at(span.lastDay)) : null))]]);
  if (compiled.layout.kind === 'changes_in_equity') return equityRoots(plan, runs, before, at);
  const { cash } = compiled.layout;
  if (!cash) return new Map();
  const cashIds = new Set(Array.from(cash.accounts, (account) => ground.accountIds[account] as number));
  const isWhole = cash.sides.every((sides) => sides === 3);
  const limited = new Map((ground.standIns?.besideCash ?? []).map(({ account }) => [account.id, account]));
  const isCashThen = (id: number, day: Day): boolean => {
    const account = limited.get(id);
    return cashIds.has(id) && (account === undefined || isCashOn(account, day));
  };
  const cashHeld = ({ accounts }: Footed, day: Day): FootingRoot =>
    accounts.reduce((sum, { row, shown }) => {
      const line = sheet.lines[sheet.indexOf.get(row.lineKey) ?? -1];
      if (row.accountId === null || !isCashThen(row.accountId, day) || !line || isMemoLine(line)) return sum;
      const sign = shownSign(line);
      const exact = row.values[0] ?? 0n;
      return isWhole || sign * exact > 0n ? { shown: sum.shown + sign * shown, exact: sum.exact + sign * exact } : sum;
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
    ofColumns((span) => profitIn(plans.incomes.get(spanKey(span)) as ColumnsPlan, plans, vectors, unit, sheetAt)),
  );
  return roots;
}

/**
 * Both ends of equity and of each of its categories, as the balance sheets print them. Of a category that nothing moved in the closing is not given where
 * it prints otherwise than the opening: no change would explain it.
 */
function equityRoots(
  { compiled, columns, ground }: ColumnsPlan,
  runs: readonly RunColumn[],
  before: (day: Day) => Footed,
  at: (day: Day) => Footed,
): FootingRoots {
  const bearer = resultBearer(ground);
  const ends = columns.map((column, place) => {
    if (!isOfWholeLedger(column, true)) return { opening: null, closing: null };
    const { equity, span } = column;
    const inSheet = (sheet: Footed): FootingRoot | null => (equity === undefined ? equityIn(sheet) : categoryIn(sheet, equity, equity === bearer));
    const [opening, closing] = [inSheet(before(span.firstDay)), inSheet(at(span.lastDay))];
    const run = runs[runIndexOf(columns, place)];
    const isUntouched = compiled.lines.every((line, index) => line.kind === 'sum' || isMemoLine(line) || run?.amounts[index] === 0n);
    const isOtherwise = isUntouched && opening !== null && closing !== null && opening.exact === closing.exact && opening.shown !== closing.shown;
    return { opening, closing: isOtherwise ? null : closing };
  });
  return new Map([
    ['opening', ends.map(({ opening }) => opening)],
    ['closing', ends.map(({ closing }) => closing)],
  ]);
}

/** The category that the profit of the year goes to; 0 where none bears retained earnings. */
function resultBearer(ground: Ground): number {
  const columnOf = equityColumnsOn(ground);
  const at = ground.traits.resets.indexOf(1);
  return at < 0 ? -1 : (columnOf[at] ?? 0);
}

/** What a balance sheet prints of a category of equity, and with it of the result where that goes to it; `null` where it has no line for it. */
function categoryIn(footed: Footed, category: number, withResult: boolean): FootingRoot | null {
  const { compiled } = footed.plan;
  const own = category === 0 ? sumOfNone : lineIn(footed, compiled.indexOf.get(`category.${category}`) ?? -1);
  if (own === null) return null;
  const parts = compiled.lines.flatMap((line, index) => {
    if (line.kind !== 'result' || !withResult || !countsInGroup(line)) return [];
    const held = lineIn(footed, index);
    return held ? [held] : [];
  });
  return parts.reduce((sum, part) => ({ shown: sum.shown + part.shown, exact: sum.exact + part.exact }), own);
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
function isOfWholeLedger(column: StatementColumn, withEquity = false): column is AmountColumn {
  return (
    column.kind === 'amount' &&
    column.measure === 'movement' &&
    column.budgetId === undefined &&
    column.facets === undefined &&
    (withEquity || column.equity === undefined) &&
    column.placedOn === undefined &&
    column.began === undefined &&
    column.adjusting === undefined &&
    !column.withoutAdjustments
  );
}

/** What a line prints, and what it is exactly; `null` where it prints nothing. */
function lineIn({ plan, run, lines }: Footed, line: number): FootingRoot | null {
  const shown = lines.get(line);
  const exact = shown === undefined ? null : shownValue(plan.compiled, run, line);
  return shown === undefined || exact === null ? null : { shown, exact };
}

/** On one line, or on that of a profit and that of a loss. */
function resultIn(footed: Footed): FootingRoot {
  return footed.plan.compiled.lines.reduce<FootingRoot>((sum, line, index) => {
    if (line.kind !== 'result' || line.of !== 'year_to_date' || !countsInGroup(line)) return sum;
    const held = lineIn(footed, index) ?? sumOfNone;
    const sign = -shownSign(line);
    return { shown: sum.shown + sign * held.shown, exact: sum.exact + sign * held.exact };
  }, sumOfNone);
}

function equityIn(footed: Footed): FootingRoot | null {
  return lineIn(footed, footed.plan.compiled.indexOf.get('equity') ?? -1);
}

/** What the income statement, footed, shows of the profit that a cash flow begins with; `null` where it has no such line. */
function profitIn(income: ColumnsPlan, plans: FootingPlans, vectors: Vectors, unit: ShownUnit, sheetAt: SheetAt): FootingRoot | null {
  const runs = runColumns(income, vectors);
  const { compiled, columns, ground } = income;
  const { lines } = footStatement({ compiled, columns, runs, rows: [], unit, roots: rootsOf(income, runs, plans, vectors, unit, sheetAt) });
  const footed = { plan: income, run: runs[0] as RunColumn, lines: lines.get(0) ?? new Map(), accounts: [] };
  return lineIn(footed, compiled.indexOf.get(ground.options.cashFlow.start) ?? -1);
}

/** With the accounts of those lines that hold cash, since what it shows of cash is in lines with other accounts. */
function footedSheet(plan: ColumnsPlan, cash: ReadonlySet<number>, vectors: Vectors, unit: ShownUnit): Footed {
  const { compiled, columns, ground } = plan;
  const runs = runColumns(plan, vectors);
  const holding = new Set([...cash].flatMap((account) => [compiled.lineOfDebit[account] ?? -1, compiled.lineOfCredit[account] ?? -1]));
  for (const { line, account } of cash.size > 0 ? compiled.takes : []) if (cash.has(account)) holding.add(line);
  const opened = new Set([...holding].flatMap((line) => compiled.lines[line]?.key ?? []));
  const detail = { rungs: Number.MAX_SAFE_INTEGER, opened, shut: new Set<string>(), zeroLines: false };
  const rows = cash.size === 0 ? [] : presentRows({ compiled, columns, runs, accounts: presentedAccounts(ground), detail });
  const printed = footStatement({ compiled, columns, runs, rows, unit });
  const accounts = rows.flatMap((row, at) => (row.accountId === null ? [] : [{ row, shown: printed.rows[at]?.values[0] ?? 0n }]));
  return { plan, run: runs[0] as RunColumn, lines: printed.lines.get(0) ?? new Map(), accounts };
}

/** Sums of all that counts in a cash flow but what translation leaves: the net change of cash. */
function sumsOfActivities(compiled: CompiledLayout, difference: number): string[] {
  const top = topLines(compiled).filter((index) => index !== difference);
  return compiled.lines.flatMap((line) => {
    if (line.kind !== 'sum' || line.terms.length !== top.length) return [];
    return line.terms.every(({ key, sign }) => sign === 1 && top.includes(compiled.indexOf.get(key) ?? -1)) ? [line.key] : [];
  });
}
