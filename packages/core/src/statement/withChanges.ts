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
  const values = new Array<bigint | null>(columns.length).fill(null);
  let next = 0;
  for (const [at, { kind }] of columns.entries()) if (kind === 'amount') values[at] = amounts[next++] ?? null;
  for (const [at, column] of columns.entries()) {
    if (column.kind === 'change' || column.kind === 'percent') {
      const [current, earlier] = [values[column.of] ?? null, values[column.against] ?? null];
      if (current === null || earlier === null) continue;
      values[at] = column.kind === 'change' ? current - earlier : isAmount ? percentChangeInTenths(current, earlier) : null;
    } else if (column.kind === 'share' && isAmount) {
      const [part, whole] = [values[column.of] ?? null, wholeOf(column.line, column.of)];
      if (part !== null && whole !== null && whole !== 0n) values[at] = divideHalfAwayFromZero(part * 1000n, whole);
    }
  }
  return values;
}
