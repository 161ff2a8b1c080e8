import { decimalsIn } from './decimalsIn.ts';
import { footFigures, footingOf, isOfAmounts } from './footFigures.ts';
import type { StatementColumn, StatementRow } from './statement.ts';

/**
 * Shares of a line, in decimals of a percent, so that those of the parts of a total come to the total's: shares of one total foot to 100.
 * `wholeOf`: what the line of a column of shares has in the column that it is of; nothing has a share of nil. Cost: rows × log rows for each such column.
 */
export function footShares(
  rows: readonly StatementRow[],
  columns: readonly StatementColumn[],
  wholeOf: (line: string, column: number) => bigint | null,
): readonly StatementRow[] {
  if (!columns.some(({ kind }) => kind === 'share')) return rows;
  const footing = footingOf(rows);
  const footed = columns.map((column) => {
    if (column.kind !== 'share') return null;
    const whole = wholeOf(column.line, column.of);
    if (whole === null || whole === 0n) return null;
    const [turn, over] = whole < 0n ? [-1n, -whole] : [1n, whole];
    const times = 10n ** BigInt((decimalsIn(column) ?? 0) + 2);
    return footFigures(
      footing,
      (row) => {
        const amount = row.values[column.of] ?? null;
        return amount === null ? null : turn * amount;
      },
      { times, over },
    );
  });
  return rows.map((row) =>
    isOfAmounts(row) ? { ...row, values: row.values.map((value, at) => (value === null || !footed[at] ? value : (footed[at].get(row.key) ?? value))) } : row,
  );
}
