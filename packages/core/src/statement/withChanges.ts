import { percentChangeInTenths } from '../money/round.ts';
import type { StatementColumn } from './statement.ts';

/** The amounts of a row, in their order, with change and percent in their columns; what is no amount has no percent of change. */
export function withChanges(columns: readonly StatementColumn[], amounts: readonly (bigint | null)[], isAmount = true): (bigint | null)[] {
  let next = 0;
  return columns.map((column) => {
    if (column.kind === 'amount') return amounts[next++] as bigint | null;
    const current = amounts[column.of] ?? null;
    const earlier = amounts[column.against] ?? null;
    if (current === null || earlier === null) return null;
    if (column.kind === 'change') return current - earlier;
    return isAmount ? percentChangeInTenths(current, earlier) : null;
  });
}
