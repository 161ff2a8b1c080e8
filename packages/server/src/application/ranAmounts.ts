import type { AmountColumn, RunColumn } from '@ivory-ladder/core';
import type { RanColumns } from './runColumns.ts';

/** A column of amounts, and what it holds. */
export interface RanAmounts {
  readonly column: AmountColumn;
  readonly run: RunColumn;
}

export function ranAmounts({ columns, runs }: Pick<RanColumns, 'columns' | 'runs'>): RanAmounts[] {
  const amounts = columns.flatMap((column) => (column.kind === 'amount' ? [column] : []));
  return amounts.map((column, at) => ({ column, run: runs[at] as RunColumn }));
}
