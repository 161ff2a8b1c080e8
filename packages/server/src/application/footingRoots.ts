import {
  type AmountColumn,
  addDays,
  type CompiledLayout,
  countsInGroup,
  type Day,
  type FootingRoot,
  type FootingRoots,
  footRows,
  inUnit,
  isCashOn,
  isMemoLine,
  presentRows,
  runIndexOf,
  type ShownUnit,
  type Span,
  type StatementColumn,
  type StatementRow,
  shownSign,
  topLines,
  translationAccountId,
  yearOf,
} from '@ivory-ladder/core';
import type { Ports } from './ports/index.ts';
import { layoutsOf, type PreparedStatement } from './prepareStatement.ts';
import { runColumns } from './runColumns.ts';

type Given = readonly (FootingRoot | null)[];

/** A balance sheet row for row as it is shown, and with exact amounts. */
interface FootedSheet {
  readonly shown: readonly StatementRow[];
  readonly exact: readonly StatementRow[];
}

const sumOfNone: FootingRoot = { shown: 0n, exact: 0n };

/**
 * What the balance sheet, footed, gives other statements to foot to: its equity is both ends of changes in equity; the result of the
 * fiscal year to date is the profit of an income statement over it, and what it shows of cash are both ends of a cash flow, whose
 * change is their difference. `sheet`: a composed one over the same books; the generated one where none is given.
 */
export async function footingRoots(
  ports: Ports,
  prepared: PreparedStatement,
  unit: ShownUnit,
  sheet: CompiledLayout = layoutsOf(prepared.books).balance_sheet,
): Promise<FootingRoots> {
  const { compiled, columns, books, runs, layoutId } = prepared;
  const ofColumns = (give: (span: Span) => Promise<FootingRoot | null>): Promise<Given> =>
    Promise.all(columns.map((column) => (isOfWholeLedger(column) ? give(column.span) : null)));
  const sheets = new Map<string, Promise<FootedSheet>>();
  const sheetAt = (day: Day, measure: 'opening' | 'closing' = 'closing'): Promise<FootedSheet> => {
    const key = `${day} ${measure}`;
    const footed = sheets.get(key) ?? footedBalanceSheet(ports, prepared, sheet, day, measure, unit);
    sheets.set(key, footed);
    return footed;
  };
  /** The balance sheet of the day before, or, with what a year opens with, that of its beginning. */
  const sheetBefore = (firstDay: Day): Promise<FootedSheet> =>
    books.cube.openings.has(firstDay) ? sheetAt(firstDay, 'opening') : sheetAt(addDays(firstDay, -1));
  if (compiled.layout.kind === 'income_statement' && layoutId === null) {
    const result = await ofColumns(async ({ firstDay, lastDay }) => {
      if (yearOf(books.calendar, lastDay)?.firstDay !== firstDay) return null;
      const { shown, exact } = await sheetAt(lastDay);
      // On one line, or on that of a profit and that of a loss.
      return exact.reduce<FootingRoot>((sum, row, at) => {
        const line = sheet.lines[sheet.indexOf.get(row.lineKey) ?? -1];
        if (line?.kind !== 'result' || line.of !== 'year_to_date' || !countsInGroup(line)) return sum;
        const held = firstOf(shown[at], row);
        const sign = -shownSign(line);
        return { shown: sum.shown + sign * held.shown, exact: sum.exact + sign * held.exact };
      }, sumOfNone);
    });
    return new Map([['profit', result]]);
  }
  if (compiled.layout.kind === 'changes_in_equity' && layoutId === null) {
    const equityIn = async (footed: Promise<FootedSheet>): Promise<FootingRoot | null> => {
      const { shown, exact } = await footed;
      const at = shown.findIndex(({ key, role }) => key === 'equity' && role === 'total');
      return at < 0 ? null : firstOf(shown[at], exact[at]);
    };
    const opening = await ofColumns(({ firstDay }) => equityIn(sheetBefore(firstDay)));
    return new Map([
      ['opening', opening],
      ['closing', await ofColumns(({ lastDay }) => equityIn(sheetAt(lastDay)))],
    ]);
  }
  const { cash } = compiled.layout;
  if (!cash) return new Map();
  const cashIds = new Set(Array.from(cash.accounts, (at) => books.cube.accountIds[at] as number));
  const isWhole = cash.sides.every((sides) => sides === 3);
  const limited = new Map((books.standIns?.besideCash ?? []).map(({ account }) => [account.id, account]));
  const isCashThen = (id: number, day: Day): boolean => {
    const account = limited.get(id);
    return cashIds.has(id) && (account === undefined || isCashOn(account, day));
  };
  const cashHeld = async (footed: Promise<FootedSheet>, day: Day): Promise<FootingRoot> => {
    const { shown, exact } = await footed;
    return exact.reduce((sum, row, at) => {
      const line = sheet.lines[sheet.indexOf.get(row.lineKey) ?? -1];
      if (row.accountId === null || !isCashThen(row.accountId, day) || !line || isMemoLine(line)) return sum;
      const sign = shownSign(line);
      const held = firstOf(shown[at], row);
      return isWhole || sign * held.exact > 0n ? { shown: sum.shown + sign * held.shown, exact: sum.exact + sign * held.exact } : sum;
    }, sumOfNone);
  };
  const ends = {
    opening: await ofColumns(({ firstDay }) => cashHeld(sheetBefore(firstDay), addDays(firstDay, -1))),
    closing: await ofColumns(({ lastDay }) => cashHeld(sheetAt(lastDay), lastDay)),
  };
  const roots = new Map<string, Given>();
  let exchange: Given = columns.map(() => sumOfNone);
  for (const [index, line] of compiled.lines.entries()) {
    const measure = line.kind === 'accounts' && line.isMemo && line.selection === cash ? line.reading?.measure : undefined;
    if (measure === 'opening' || measure === 'closing') roots.set(line.key, ends[measure]);
    if (measure === 'exchange')
      exchange = columns.map((column, at) => {
        if (!isOfWholeLedger(column)) return null;
        const exact = runs[runIndexOf(columns, at)]?.amounts[index] ?? 0n;
        return { shown: inUnit(exact, unit), exact };
      });
  }
  // What translation leaves stands behind the change too, on a line of its own.
  const difference = compiled.lineOfDebit[books.cube.indexOf.get(translationAccountId) ?? -1] ?? -1;
  const change = columns.map((column, at) => {
    const [closing, opening, effect] = [ends.closing[at], ends.opening[at], exchange[at]];
    if (!closing || !opening || !effect) return null;
    const translated = isOfWholeLedger(column) && difference >= 0 ? -(runs[runIndexOf(columns, at)]?.amounts[difference] ?? 0n) : 0n;
    return {
      shown: closing.shown - opening.shown - effect.shown - inUnit(translated, unit),
      exact: closing.exact - opening.exact - effect.exact - translated,
    };
  });
  for (const key of sumsOfActivities(compiled, difference)) roots.set(key, change);
  roots.set('profit', await ofColumns((span) => profitShown(ports, prepared, span, unit, sheet)));
  return roots;
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

/** What the income statement, footed, shows of the profit that a cash flow begins with; `null` where it has no such line. */
async function profitShown(ports: Ports, prepared: PreparedStatement, span: Span, unit: ShownUnit, sheet: CompiledLayout): Promise<FootingRoot | null> {
  const { books, accounts } = prepared;
  const compiled = layoutsOf(books).income_statement;
  const ran = await runColumns(ports, books, compiled, [{ kind: 'amount', measure: 'movement', span }], {});
  if (!ran.ok) return null;
  const { columns, runs } = ran.value;
  const detail = { rungs: 1, opened: new Set<string>(), shut: new Set<string>(), zeroLines: false };
  const exact = presentRows({ compiled, columns, runs, accounts, detail });
  const shown = footRows({ rows: exact, columns, unit }, await footingRoots(ports, { ...prepared, ...ran.value, compiled, layoutId: null }, unit, sheet));
  const at = shown.findIndex(({ key }) => key === books.options.cashFlow.start);
  return at < 0 ? null : firstOf(shown[at], exact[at]);
}

/** At accounts, since what it shows of cash is in lines with other accounts. */
async function footedBalanceSheet(
  ports: Ports,
  { books, accounts }: PreparedStatement,
  compiled: CompiledLayout,
  day: Day,
  measure: 'opening' | 'closing',
  unit: ShownUnit,
): Promise<FootedSheet> {
  const ran = await runColumns(ports, books, compiled, [{ kind: 'amount', measure, span: { firstDay: day, lastDay: day } }], {});
  if (!ran.ok) return { exact: [], shown: [] };
  const { columns, runs } = ran.value;
  const detail = { rungs: 'accounts' as const, opened: new Set<string>(), shut: new Set<string>(), zeroLines: false };
  const exact = presentRows({ compiled, columns, runs, accounts, detail });
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
