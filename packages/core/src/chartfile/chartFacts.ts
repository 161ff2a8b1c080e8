import type { CodeList } from '../chart/codeList.ts';
import type { DigitOrder } from '../chart/numberOrder.ts';
import type { NumberScheme } from '../chart/numberScheme.ts';
import type { CategoryRange } from '../placement/categoryRange.ts';
import type { ChartState } from './chartCells.ts';

/** The chart that a file is compared with, and the rules of its company. */
export interface ChartFacts extends ChartState {
  /** Whether accounts have numbers; else they are known by their key or the path of their names. */
  readonly numbered: boolean;
  readonly scheme: NumberScheme | null;
  readonly digitOrder: DigitOrder;
  readonly ranges: readonly CategoryRange[];
  readonly lists: readonly CodeList[];
  readonly repeatedNames: 'pointed_out' | 'forbidden';
  /** Balance at the end of the last period, debit positive. */
  readonly balanceOf: (accountId: number) => bigint;
}
