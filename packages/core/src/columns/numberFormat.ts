import type { FigureStyle } from '../money/formatAmount.ts';
import { decimalsOf } from '../statement/shownValue.ts';
import type { StatementColumn } from '../statement/statement.ts';

export const columnDecimals = [0, 1, 2] as const;

/** How the figures of a column are written, where not as usual. */
export interface NumberFormat extends FigureStyle {
  /** Of percents and ratios; those of amounts are the statement's. */
  readonly decimals?: (typeof columnDecimals)[number];
}

/** Decimals of the values of a column that are no amounts; `null` for a column of amounts. */
export function decimalsIn(column: Pick<StatementColumn, 'kind' | 'format'> & { readonly result?: string }): number | null {
  const { kind, format, result = 'amount' } = column;
  if (kind === 'percent' || kind === 'share') return format?.decimals ?? decimalsOf.percent;
  return kind === 'calculation' && (result === 'ratio' || result === 'percent') ? (format?.decimals ?? decimalsOf[result]) : null;
}
