import { divideHalfAwayFromZero, percentChangeInTenths } from '../money/round.ts';
import type { StatementColumn } from './statement.ts';

/**
 * The amounts of a row, in their order, with what is made of them in the columns between; what is no amount has no percent of
 * change and no share. `wholeOf`: what a line shows in the column at an index, by its key.
 */
export function withChanges(
  columns: readonly StatementColumn[],
  amounts: readonly (bigint | null)[],
  isAmount: boolean,
  wholeOf: (line: string, column: number) => bigint | null,
): (bigint | null)[] {
  let next = 0;
  const placed = columns.map((column) => (column.kind === 'amount' ? (amounts[next++] ?? null) : null));
  const made = (column: StatementColumn, at: number): bigint | null => {
    switch (column.kind) {
      case 'amount':
        return placed[at] as bigint | null;
      case 'change':
      case 'percent': {
        const [current, earlier] = [placed[column.of] ?? null, placed[column.against] ?? null];
        if (current === null || earlier === null) return null;
        if (column.kind === 'change') return current - earlier;
        return isAmount ? percentChangeInTenths(current, earlier) : null;
      }
      case 'share': {
        const [part, whole] = [placed[column.of] ?? null, wholeOf(column.line, column.of)];
        return part === null || whole === null || whole === 0n || !isAmount ? null : divideHalfAwayFromZero(part * 1000n, whole);
      }
      case 'text':
        return null;
    }
  };
  return columns.map(made);
}
