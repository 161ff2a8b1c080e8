import { addDays, type Day, type Span } from '../calendar/day.ts';
import { isCashOn } from '../chart/cashDays.ts';
import { type FootedStatement, type FootingRoot, type FootingRoots, footStatement } from '../footing/footStatement.ts';
import { type CompiledLayout, isMemoLine } from '../layout/compileLayout.ts';
import { countsInGroup } from '../layout/line.ts';
import { shownSign } from '../layout/lineUnit.ts';
import { topLines } from '../layout/topLines.ts';
import { presentRows } from '../statement/presentRows.ts';
import type { RunColumn } from '../statement/runColumn.ts';
import { inUnit, type ShownUnit } from '../statement/scale.ts';
import { shownValue } from '../statement/shownValue.ts';
import { runIndexOf, type StatementRow } from '../statement/statement.ts';
import { translationAccountId } from '../translation/translateCube.ts';
import { type ColumnOf, type FootingPlans, isOfWholeLedger, isYearToDate, type SheetOf, sheetBefore, sheetKey, spanKey } from './footingPlans.ts';
import { type Ground, presentedAccounts } from './ground.ts';
import type { ColumnsPlan } from './plan.ts';
import { equityColumnsOn, runColumns } from './runColumns.ts';
import type { Vectors } from './vectors.ts';

type Given = readonly (FootingRoot | null)[];

/** A column of a statement, with what its lines print. */
interface Footed {
  readonly compiled: CompiledLayout;
  readonly run: RunColumn;
  readonly lines: ReadonlyMap<number, bigint>;
  /** Accounts on lines that hold some of what is asked for: exact, and as printed. */
  readonly accounts: readonly { readonly row: StatementRow; readonly exact: bigint; readonly shown: bigint }[];
}

const sumOfNone: FootingRoot = { shown: 0n, exact: 0n };

/**
 * What the balance sheet, footed, gives other statements to foot to: its equity is both ends of changes in equity; the result of the
 * fiscal year to date is the profit of an income statement over it, and what it shows of cash are both ends of a cash flow, whose
 * change is their difference.
 */
export function footingRoots(plan: ColumnsPlan, runs: readonly RunColumn[], plans: FootingPlans, vectors: Vectors, unit: ShownUnit): FootingRoots {
  const tables = new Map<ColumnsPlan, Table>();
  const cash = new Set(plan.compiled.layout.cash?.accounts ?? []);
  const footed = new Map<string, Footed>();
  const sheetAt = (of: SheetOf): Footed => {
    const key = sheetKey(of);
    const roots = footed.get(key);
    if (roots) return roots;
    const sheet = plans.sheets.get(key) as ColumnOf;
    const table = tables.get(sheet.plan) ?? footedSheet(sheet, cash, vectors, unit);
    tables.set(sheet.plan, table);
    const column = columnIn(sheet, table);
    footed.set(key, column);
    return column;
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
  const incomes = new Map<ColumnsPlan, Table>();
  const profitIn = (span: Span, key: string): FootingRoot | null => {
    const income = plans.incomes.get(spanKey(span));
    return income ? profitOf(income, key, plans, vectors, unit, sheetAt, incomes) : null;
  };
  if (compiled.layout.kind === 'changes_in_equity') return equityRoots(plan, runs, before, at, (span) => profitIn(span, 'profit'));
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
    accounts.reduce((sum, { row, exact, shown }) => {
      const line = sheet.lines[sheet.indexOf.get(row.lineKey) ?? -1];
      if (row.accountId === null || !isCashThen(row.accountId, day) || !line || isMemoLine(line)) return sum;
      const sign = shownSign(line);
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
    ofColumns((span) => profitIn(span, ground.options.cashFlow.start)),
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
  profitOver: (span: Span) => FootingRoot | null,
): FootingRoots {
  const bearer = resultBearer(ground);
  const ends = columns.map((column, place) => {
    if (!isOfWholeLedger(column, { withEquity: true })) return { opening: null, closing: null, profit: null };
    const { equity, span } = column;
    const inSheet = (sheet: Footed): FootingRoot | null => (equity === undefined ? equityIn(sheet) : categoryIn(sheet, equity, equity === bearer));
    const [opening, closing] = [inSheet(before(span.firstDay)), inSheet(at(span.lastDay))];
    const run = runs[runIndexOf(columns, place)];
    const isUntouched = compiled.lines.every((line, index) => line.kind === 'sum' || isMemoLine(line) || run?.amounts[index] === 0n);
    const isOtherwise = isUntouched && opening !== null && closing !== null && opening.exact === closing.exact && opening.shown !== closing.shown;
    const bearsProfit = equity === undefined || equity === bearer;
    // Where nothing but profit moved equity, its ends may leave another figure than the income statement has: then it is that.
    const profit = bearsProfit ? profitOver(span) : null;
    return { opening, closing: isOtherwise ? null : closing, profit: profit && { ...profit, hold: 'weak' as const } };
  });
  return new Map([
    ['opening', ends.map(({ opening }) => opening)],
    ['closing', ends.map(({ closing }) => closing)],
    ['profit', ends.map(({ profit }) => profit)],
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
  const { compiled } = footed;
  const own = category === 0 ? sumOfNone : lineIn(footed, compiled.indexOf.get(`category.${category}`) ?? -1);
  if (own === null) return null;
  const parts = compiled.lines.flatMap((line, index) => {
    if (line.kind !== 'result' || !withResult || !countsInGroup(line)) return [];
    const held = lineIn(footed, index);
    return held ? [held] : [];
  });
  return parts.reduce((sum, part) => ({ shown: sum.shown + part.shown, exact: sum.exact + part.exact }), own);
}

/** What a line prints, and what it is exactly; `null` where it prints nothing. */
function lineIn({ compiled, run, lines }: Footed, line: number): FootingRoot | null {
  const shown = lines.get(line);
  const exact = shown === undefined ? null : shownValue(compiled, run, line);
  return shown === undefined || exact === null ? null : { shown, exact };
}

/** On one line, or on that of a profit and that of a loss. */
function resultIn(footed: Footed): FootingRoot {
  return footed.compiled.lines.reduce<FootingRoot>((sum, line, index) => {
    if (line.kind !== 'result' || line.of !== 'year_to_date' || !countsInGroup(line)) return sum;
    const held = lineIn(footed, index) ?? sumOfNone;
    const sign = -shownSign(line);
    return { shown: sum.shown + sign * held.shown, exact: sum.exact + sign * held.exact };
  }, sumOfNone);
}

function equityIn(footed: Footed): FootingRoot | null {
  return lineIn(footed, footed.compiled.indexOf.get('equity') ?? -1);
}

/** A statement, footed. */
interface Table extends Pick<FootedStatement, 'lines' | 'rows'> {
  readonly runs: readonly RunColumn[];
  readonly exact: readonly StatementRow[];
}

function columnIn({ plan: { compiled, columns }, at }: ColumnOf, { runs, lines, exact, rows }: Table): Footed {
  const accounts = exact.flatMap((row, place) => (row.accountId === null ? [] : [{ row, exact: row.values[at] ?? 0n, shown: rows[place]?.values[at] ?? 0n }]));
  return { compiled, run: runs[runIndexOf(columns, at)] as RunColumn, lines: lines.get(at) ?? new Map(), accounts };
}

/** What the income statement, footed, shows of its profit, or of the one that a cash flow begins with; `null` where it has no such line. */
function profitOf(
  income: ColumnOf,
  key: string,
  plans: FootingPlans,
  vectors: Vectors,
  unit: ShownUnit,
  sheetAt: SheetAt,
  footed: Map<ColumnsPlan, Table>,
): FootingRoot | null {
  const { plan, isEachAlone } = income;
  const { compiled, columns } = plan;
  const make = (): Table => {
    const runs = runColumns(plan, vectors);
    const roots = rootsOf(plan, runs, plans, vectors, unit, sheetAt);
    return { runs, exact: [], ...footStatement({ compiled, columns, runs, rows: [], unit, roots, isEachAlone }) };
  };
  const table = footed.get(plan) ?? make();
  footed.set(plan, table);
  return lineIn(columnIn(income, table), compiled.indexOf.get(key) ?? -1);
}

/** With the accounts of those lines that hold cash, since what it shows of cash is in lines with other accounts. */
function footedSheet({ plan, isEachAlone }: ColumnOf, cash: ReadonlySet<number>, vectors: Vectors, unit: ShownUnit): Table {
  const { compiled, columns, ground } = plan;
  const runs = runColumns(plan, vectors);
  const holding = new Set([...cash].flatMap((account) => [compiled.lineOfDebit[account] ?? -1, compiled.lineOfCredit[account] ?? -1]));
  for (const { line, account } of cash.size > 0 ? compiled.takes : []) if (cash.has(account)) holding.add(line);
  const opened = new Set([...holding].flatMap((line) => compiled.lines[line]?.key ?? []));
  const detail = { rungs: Number.MAX_SAFE_INTEGER, opened, shut: new Set<string>(), zeroLines: false };
  const exact =
    cash.size === 0 ? [] : presentRows({ compiled, columns, runs, accounts: presentedAccounts(ground), detail }).filter(({ lineKey }) => opened.has(lineKey));
  return { runs, exact, ...footStatement({ compiled, columns, runs, rows: exact, unit, isEachAlone }) };
}

/** Sums of all that counts in a cash flow but what translation leaves: the net change of cash. */
function sumsOfActivities(compiled: CompiledLayout, difference: number): string[] {
  const top = topLines(compiled).filter((index) => index !== difference);
  return compiled.lines.flatMap((line) => {
    if (line.kind !== 'sum' || line.terms.length !== top.length) return [];
    return line.terms.every(({ key, sign }) => sign === 1 && top.includes(compiled.indexOf.get(key) ?? -1)) ? [line.key] : [];
  });
}
