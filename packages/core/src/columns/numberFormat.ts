import type { FigureStyle } from '../money/formatAmount.ts';

export const columnDecimals = [0, 1, 2] as const;

/** How the figures of a column are written, where not as usual. */
export interface NumberFormat extends FigureStyle {
  /** Of percents and ratios; those of amounts are the statement's. */
  readonly decimals?: (typeof columnDecimals)[number];
}
