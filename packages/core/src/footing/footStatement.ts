import type { CompiledLayout } from '../layout/compileLayout.ts';
import type { Line } from '../layout/line.ts';
import type { RunColumn } from '../statement/runColumn.ts';
import type { ShownUnit } from '../statement/scale.ts';
import { shownValue, unitOf } from '../statement/shownValue.ts';
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
export function footStatement({ compiled, columns, runs, rows, unit, roots = new Map() }: FootedStatementFrom): FootedStatement {
  const footed = footedColumns(columns);
  const exactOf = (line: number, column: number): bigint | null => {
    const run = runs[runIndexOf(columns, column)];
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
  });
  const ofRows = new Map<string, ReadonlyMap<number, bigint>>();
  const told = [...exceptions];
  const byKey = new Map(rows.flatMap((row) => (row.role === 'heading' ? [] : [[row.key, row] as const])));
  for (const row of rows) {
    if (row.accountId !== null || row.role === 'account' || row.role === 'heading') continue;
    const line = compiled.indexOf.get(row.lineKey) as number;
    const own = new Map(footed.flatMap(({ at }) => (figures.get(at)?.has(line) ? [[at, figures.get(at)?.get(line) as bigint]] : [])));
    ofRows.set(row.key, own);
    const below = accountsBelow(row, byKey);
    if (below === null) continue;
    const accounts = footLines({
      tree: { roots: [below.root], others: [] },
      columns: addsAcross(own, footed) ? footed : footed.map(({ at }) => ({ at, total: null })),
      keyOf: (at) => below.rows[at]?.key ?? '',
      exactOf: (at, column) => below.rows[at]?.values[column] ?? null,
      givenOf: (at, column) => standing(at === 0 ? own.get(column) : undefined),
      unit,
    });
    told.push(...accounts.exceptions.filter(({ key }) => key !== row.key));
    for (const [at, one] of below.rows.entries())
      if (at > 0) ofRows.set(one.key, new Map(footed.flatMap((column) => valueAt(accounts.figures, column.at, at))));
  }
  return {
    rows: rows.map((row) => withPrinted(row, columns, unit, (at) => (row.role === 'heading' ? null : (ofRows.get(row.key)?.get(at) ?? null)))),
    exceptions: told,
    lines: figures,
  };
}

/** Whether what a line prints in columns comes to what it prints in their total: only then can what stands in it. */
function addsAcross(own: ReadonlyMap<number, bigint>, columns: readonly FootedColumn[]): boolean {
  return columns.every(({ at }) => {
    const parts = columns.filter(({ total }) => total === at);
    return parts.length === 0 || parts.reduce((sum, part) => sum + (own.get(part.at) ?? 0n), 0n) === own.get(at);
  });
}

function standing(figure: bigint | undefined): GivenFigure | undefined {
  return figure === undefined ? undefined : { figure, hold: 'standing' };
}

function valueAt(figures: FootedLines['figures'], column: number, at: number): [number, bigint][] {
  const figure = figures.get(column)?.get(at);
  return figure === undefined ? [] : [[column, figure]];
}

export function footedColumns(columns: readonly StatementColumn[]): FootedColumn[] {
  return columns.flatMap((column, at) => (column.kind === 'amount' ? [{ at, total: column.total ?? null }] : []));
}

function remembered(exactOf: (line: number, column: number) => bigint | null): typeof exactOf {
  const known = new Map<number, bigint | null>();
  return (line, column) => {
    const key = line * 1000 + column;
    const before = known.get(key);
    if (before !== undefined) return before;
    const exact = exactOf(line, column);
    known.set(key, exact);
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
