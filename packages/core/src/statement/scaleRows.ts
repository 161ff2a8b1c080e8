import { footAcross } from './footAcross.ts';
import { footFigures, footingOf, isOfAmounts } from './footFigures.ts';
import { inUnit, type ShownUnit } from './scale.ts';
import type { StatementColumn, StatementRow } from './statement.ts';

/** What another statement shows of an amount, in scaled units, and the amount itself in minor units. */
export interface FootingRoot {
  readonly shown: bigint;
  readonly exact: bigint;
}

/** By the key of a row, one for each column; `null` where the other statement shows nothing of it. */
export type FootingRoots = ReadonlyMap<string, readonly (FootingRoot | null)[]>;

interface ScaledFrom {
  readonly rows: readonly StatementRow[];
  readonly columns: readonly StatementColumn[];
  readonly unit: ShownUnit;
}

/** Each amount for itself, half away from zero; changes are differences of what is shown, percents and calculations are of the exact amounts. */
export function roundRows({ rows, columns, unit }: ScaledFrom): StatementRow[] {
  return rows.map((row) => (isOfAmounts(row) ? withAmounts(row, columns, unit, (at) => roundedAt(row, at, unit)) : row));
}

/**
 * Amounts so that parts come to their total, from the top down: what stands in nothing else is rounded, or given by another
 * statement; then each part gets its floor or its ceiling by largest remainder, the first of equals first. A figure never
 * depends on what is shown below it. A row has one total that it foots to: that of its group, else the widest sum over it;
 * any other sum is that of what is shown, and may be off by some units. A figure that is given stays, also in a total; what it is off
 * by goes to the largest of the others. One that is of another amount than the row's is not taken, since no rounding explains what
 * they differ by. Columns that are parts of a total come to it across as well.
 * Cost: rows × log rows for each column.
 */
export function footRows(from: ScaledFrom, roots: FootingRoots = new Map()): StatementRow[] {
  const { rows, columns, unit } = from;
  const footing = footingOf(rows);
  const givenAt = ({ key, values }: StatementRow, at: number): bigint | undefined => {
    const root = roots.get(key)?.[at];
    return root && root.exact === values[at] ? root.shown : undefined;
  };
  const shown = columns.map((column, at) =>
    column.kind === 'amount'
      ? footFigures(
          footing,
          (row) => row.values[at] ?? null,
          unit,
          (row) => givenAt(row, at),
        )
      : null,
  );
  for (const [at, column] of columns.entries()) {
    if (column.kind !== 'amount' || column.totals === undefined) continue;
    const first = at - column.totals;
    const across = footAcross(footing, {
      parts: column.totals,
      exactOf: (row, part) => row.values[first + part] ?? null,
      exactTotalOf: (row) => row.values[at] ?? null,
      totals: shown[at] ?? new Map(),
      unit,
      givenOf: (row, part) => givenAt(row, first + part),
    });
    for (const [part, figures] of across.entries()) shown[first + part] = figures;
  }
  return rows.map((row) =>
    isOfAmounts(row) ? withAmounts(row, columns, unit, (at) => (row.values[at] === null ? null : (shown[at]?.get(row.key) ?? null))) : row,
  );
}

function roundedAt(row: StatementRow, at: number, unit: ShownUnit): bigint | null {
  const value = row.values[at] ?? null;
  return value === null ? null : inUnit(value, unit);
}

function withAmounts(row: StatementRow, columns: readonly StatementColumn[], unit: ShownUnit, shownAt: (at: number) => bigint | null): StatementRow {
  const amounts = columns.map((column, at) => (column.kind === 'amount' ? shownAt(at) : null));
  const values = columns.map((column, at) => {
    if (column.kind === 'amount') return amounts[at] ?? null;
    // What is calculated is calculated from exact amounts, and rounded by itself.
    if (column.kind === 'calculation' && column.result === 'amount') return roundedAt(row, at, unit);
    if (column.kind !== 'change' && column.kind !== 'percent') return row.values[at] ?? null;
    const [of, against] = [amounts[column.of] ?? null, amounts[column.against] ?? null];
    if (of === null || against === null) return null;
    const change = of - against;
    if (column.kind === 'change') return change;
    // A percent is of exact amounts: beside a change that is nil, or goes the other way, it would say what nobody sees.
    const exact = (row.values[column.of] ?? 0n) - (row.values[column.against] ?? 0n);
    return change === 0n || change > 0n !== exact > 0n ? null : (row.values[at] ?? null);
  });
  return { ...row, values };
}
