import type { CompiledLayout } from '../layout/compileLayout.ts';
import type { Line } from '../layout/line.ts';
import { unitOf } from '../layout/lineUnit.ts';
import type { RunColumn } from '../statement/runColumn.ts';
import type { ShownUnit } from '../statement/scale.ts';
import { shownValue } from '../statement/shownValue.ts';
import { runIndexOf, type StatementColumn, type StatementRow } from '../statement/statement.ts';
import { type FootedColumn, type FootedLines, type FootingException, footLines, type GivenFigure } from './footLines.ts';
import { type FootingNode, lineTreeOf } from './lineTree.ts';
import { withPrinted } from './printedColumns.ts';

/** What another statement shows of an amount, in the unit, and the amount itself in minor units. */
export interface FootingRoot {
  readonly shown: bigint;
  readonly exact: bigint;
  /** Where given figures contradict each other, a `weak` one gives way. */
  readonly hold?: 'weak';
}

/** By the key of a line, one for each column; `null` where the other statement shows nothing of it. */
export type FootingRoots = ReadonlyMap<string, readonly (FootingRoot | null)[]>;

interface FootedStatementFrom {
  readonly compiled: CompiledLayout;
  readonly columns: readonly StatementColumn[];
  /** One for each column of amounts. */
  readonly runs: readonly RunColumn[];
  /** With exact amounts. */
  readonly rows: readonly StatementRow[];
  readonly unit: ShownUnit;
  readonly roots?: FootingRoots | undefined;
  /** Columns that somebody put together, each of which prints what it would print alone. */
  readonly isEachAlone?: boolean;
}

export interface FootedStatement {
  readonly rows: readonly StatementRow[];
  readonly exceptions: readonly FootingException[];
  /** What lines print, by column, whether they have rows or not. */
  readonly lines: FootedLines['figures'];
}

/**
 * A statement in units, its figures adding down and across. All lines of the layout are footed, never only those that are shown, and accounts below a
 * line once the line is; so no figure depends on what is open. A figure that another statement gives is taken where it is of the same amount: no
 * rounding explains what two amounts differ by.
 */
export function footStatement({ compiled, columns, runs, rows, unit, roots = new Map(), isEachAlone = false }: FootedStatementFrom): FootedStatement {
  const footed = footedColumns(columns);
  const runOf = columns.map((_, column) => runs[runIndexOf(columns, column)]);
  const exactOf = (line: number, column: number): bigint | null => {
    const run = runOf[column];
    return run && unitOf(compiled.lines[line] as Line) === 'amount' ? shownValue(compiled, run, line) : null;
  };
  const givenOf = (line: number, column: number): GivenFigure | undefined => {
    const root = roots.get(compiled.lines[line]?.key ?? '')?.[column];
    return root && root.exact === exactOf(line, column) ? { figure: root.shown, hold: root.hold } : undefined;
  };
  const { figures, exceptions } = footLines({
    tree: lineTreeOf(compiled),
    columns: footed,
    keyOf: (line) => compiled.lines[line]?.key ?? '',
    exactOf: remembered(exactOf),
    givenOf,
    unit,
    isEachAlone,
  });
  const ofAccounts = new Map<string, (column: number) => bigint | undefined>();
  const told = [...exceptions];
  const byKey = new Map(rows.flatMap((row) => (row.role === 'heading' ? [] : [[row.key, row] as const])));
  const lineOf = ({ lineKey }: StatementRow): number => compiled.indexOf.get(lineKey) as number;
  for (const row of rows) {
    if (isOfAccount(row) || row.role === 'heading') continue;
    const below = accountsBelow(row, byKey);
    if (below === null) continue;
    const line = lineOf(row);
    const own = (column: number): bigint | undefined => figures.get(column)?.get(line);
    const accounts = footLines({
      tree: { roots: [below.root], others: [] },
      columns: addsAcross(own, footed) ? footed : footed.map(({ at }) => ({ at, total: null })),
      keyOf: (at) => below.rows[at]?.key ?? '',
      exactOf: (at, column) => below.rows[at]?.values[column] ?? null,
      givenOf: (at, column) => standing(at === 0 ? own(column) : undefined),
      unit,
      isEachAlone,
    });
    told.push(...accounts.exceptions.filter(({ key }) => key !== row.key));
    for (const [at, one] of below.rows.entries()) if (at > 0) ofAccounts.set(one.key, (column) => accounts.figures.get(column)?.get(at));
  }
  const printedOf = (row: StatementRow): ((column: number) => bigint | null) => {
    if (row.role === 'heading') return () => null;
    const line = isOfAccount(row) ? -1 : lineOf(row);
    const printed = isOfAccount(row) ? ofAccounts.get(row.key) : (column: number) => figures.get(column)?.get(line);
    return (column) => printed?.(column) ?? null;
  };
  return { rows: rows.map((row) => withPrinted(row, columns, unit, printedOf(row))), exceptions: told, lines: figures };
}

function isOfAccount({ accountId, role }: StatementRow): boolean {
  return accountId !== null || role === 'account';
}

/** Whether what a line prints in columns comes to what it prints in their total: only then can what stands in it. */
function addsAcross(own: (column: number) => bigint | undefined, columns: readonly FootedColumn[]): boolean {
  return columns.every(({ at }) => {
    const parts = columns.filter(({ total }) => total === at);
    return parts.length === 0 || parts.reduce((sum, part) => sum + (own(part.at) ?? 0n), 0n) === own(at);
  });
}

function standing(figure: bigint | undefined): GivenFigure | undefined {
  return figure === undefined ? undefined : { figure, hold: 'standing' };
}

export function footedColumns(columns: readonly StatementColumn[]): FootedColumn[] {
  return columns.flatMap((column, at) => (column.kind === 'amount' ? [{ at, total: column.total ?? null }] : []));
}

/** Asked for several times over while a table is footed. */
function remembered(exactOf: (line: number, column: number) => bigint | null): typeof exactOf {
  const exactAt: (bigint | null)[][] = [];
  return (line, column) => {
    let ofLine = exactAt[line];
    if (ofLine === undefined) {
      ofLine = [];
      exactAt[line] = ofLine;
    }
    const before = ofLine[column];
    if (before !== undefined) return before;
    const exact = exactOf(line, column);
    ofLine[column] = exact;
    return exact;
  };
}

/** The rows of accounts in a line, which is at place 0; `null` where none are shown. */
function accountsBelow(
  row: StatementRow,
  byKey: ReadonlyMap<string, StatementRow>,
): { readonly root: FootingNode; readonly rows: readonly StatementRow[] } | null {
  if (row.parts.length === 0 || !row.parts.every(({ key }) => byKey.get(key)?.role === 'account')) return null;
  const rows: StatementRow[] = [];
  const node = (one: StatementRow): FootingNode => {
    const line = rows.length;
    rows.push(one);
    return { line, parts: one.parts.map(({ key, sign }) => ({ node: node(byKey.get(key) as StatementRow), sign })) };
  };
  return { root: node(row), rows };
}
