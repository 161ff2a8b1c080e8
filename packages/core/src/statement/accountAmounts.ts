import type { GrossVector } from '../cube/grossVector.ts';
import type { AccountReading } from '../layout/line.ts';

/** What every account has at the beginning and the end of a span, and what moved between; debit positive. */
export interface AccountAmounts {
  readonly opening: BigInt64Array;
  readonly movement: BigInt64Array;
  readonly closing: BigInt64Array;
  /** What completed years left at the end, where no account is named for it. */
  readonly notAllotted: bigint;
  /** Of cash flows and of lines that take one direction: known where a layout asks for them. */
  readonly flows?: AccountFlows;
}

export interface AccountFlows {
  /** What moved on the normal side of each account; the rest of its movement went the other way. */
  readonly increases: BigInt64Array;
  /** The same, but of accounts of equity what raised equity, whatever their normal side. */
  readonly raised: BigInt64Array;
  /** What exchange rates alone changed on accounts of cash. */
  readonly exchange: BigInt64Array;
  /** What entries moved between accounts of equity: what raised the account, and what lowered it. */
  readonly transfers: { readonly raised: BigInt64Array; readonly lowered: BigInt64Array };
}

/**
 * What moved on the normal side, debit positive, from gross sums of a span. `reversing`: what reversing entries have on both
 * sides of each account together, since a line of one counts against what it reverses.
 */
export function increasesOf(gross: GrossVector, reversing: BigInt64Array, isCreditNormal: (account: number) => boolean): BigInt64Array {
  return gross.debit.map((debit, account) =>
    isCreditNormal(account) ? (reversing[account] as bigint) - (gross.credit[account] as bigint) : debit - (reversing[account] as bigint),
  );
}

/** One amount per account for what a line takes instead of the column's own; with a direction it is of the movement whatever the measure. A mean is given twice: it is halved and rounded once, at its line (`runColumn`). */
export function amountOfReading(
  { measure, direction, ofOwners }: Pick<AccountReading, 'measure' | 'direction' | 'ofOwners'>,
  own: 'opening' | 'closing' | 'movement',
  { opening, movement, closing, flows }: AccountAmounts,
): BigInt64Array {
  if (direction !== undefined || measure === 'exchange') {
    if (!flows) throw new Error('flows are read by a layout that did not ask for them');
    if (measure === 'exchange') return flows.exchange;
    const { raised, lowered } = flows.transfers;
    if (direction === 'transfer') return raised.map((amount, account) => amount + (lowered[account] as bigint));
    const increases = ofOwners ? flows.raised : flows.increases;
    const moved = direction === 'increase' ? increases : movement.map((amount, account) => amount - (increases[account] as bigint));
    return ofOwners ? less(moved, direction === 'increase' ? raised : lowered) : moved;
  }
  if (ofOwners && (measure === 'movement' || (measure === 'column' && own === 'movement'))) {
    if (!flows) throw new Error('flows are read by a layout that did not ask for them');
    return less(less(movement, flows.transfers.raised), flows.transfers.lowered);
  }
  switch (measure) {
    case 'column':
      return { opening, closing, movement }[own];
    case 'opening':
      return opening;
    case 'closing':
      return closing;
    case 'movement':
      return movement;
    case 'mean':
      return opening.map((amount, at) => amount + (closing[at] as bigint));
  }
}

function less(amounts: BigInt64Array, apart: BigInt64Array): BigInt64Array {
  return amounts.map((amount, account) => amount - (apart[account] as bigint));
}

/** Whether a reading is of flows, which are not among the usual amounts of an account. */
export function needsFlows({ measure, direction, ofOwners }: AccountReading): boolean {
  return direction !== undefined || measure === 'exchange' || (ofOwners === true && (measure === 'movement' || measure === 'column'));
}
