import { inUnit, type ShownUnit } from '../statement/scale.ts';
import type { StatementColumn, StatementRow } from '../statement/statement.ts';

export function isOfAmounts({ role, unit }: StatementRow): boolean {
  return role !== 'heading' && role !== 'text' && role !== 'space' && (unit === undefined || unit === 'amount');
}

/** Each amount for itself, half away from zero. */
export function roundRows(rows: readonly StatementRow[], columns: readonly StatementColumn[], unit: ShownUnit): StatementRow[] {
  return rows.map((row) => withPrinted(row, columns, unit, (at) => roundedAt(row, at, unit)));
}

/** A row with what its amounts print as; changes are differences of what is printed, percents and calculations are of the exact amounts. */
export function withPrinted(row: StatementRow, columns: readonly StatementColumn[], unit: ShownUnit, printedAt: (at: number) => bigint | null): StatementRow {
  if (!isOfAmounts(row)) return row;
  const amounts = columns.map((column, at) => (column.kind === 'amount' && row.values[at] !== null ? printedAt(at) : null));
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

function roundedAt(row: StatementRow, at: number, unit: ShownUnit): bigint | null {
  const value = row.values[at] ?? null;
  return value === null ? null : inUnit(value, unit);
}
