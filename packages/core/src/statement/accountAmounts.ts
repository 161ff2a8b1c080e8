import type { AccountReading } from '../layout/line.ts';
import { divideHalfAwayFromZero } from '../money/round.ts';

/** What every account has at the beginning and the end of a span, and what moved between; debit positive. */
export interface AccountAmounts {
  readonly opening: BigInt64Array;
  readonly movement: BigInt64Array;
  readonly closing: BigInt64Array;
  /** What completed years left at the end, where no account is named for it. */
  readonly notAllotted: bigint;
}

/** One amount per account for what a line takes instead of the column's own. A mean is rounded account by account, so that accounts add up to their line. */
export function amountOfReading(
  measure: AccountReading['measure'],
  own: 'closing' | 'movement',
  { opening, movement, closing }: AccountAmounts,
): BigInt64Array {
  switch (measure) {
    case 'column':
      return own === 'closing' ? closing : movement;
    case 'opening':
      return opening;
    case 'closing':
      return closing;
    case 'movement':
      return movement;
    case 'mean':
      return opening.map((amount, at) => divideHalfAwayFromZero(amount + (closing[at] as bigint), 2n));
  }
}
