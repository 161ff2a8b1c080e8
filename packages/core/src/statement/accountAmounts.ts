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
  /** Of cash flows that take it out: what moved without cash, which `movement` and `flows` are without. */
  readonly withoutCash?: BigInt64Array;
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
 * sides of each account together, since a line of one counts against what it reverses. `isCreditNormal`: 1 where it is.
 */
export function increasesOf({ debit, credit }: GrossVector, reversing: BigInt64Array, isCreditNormal: Uint8Array): BigInt64Array {
  const increases = less(debit, reversing);
  for (let account = 0; account < increases.length; account++)
    if (isCreditNormal[account] === 1) increases[account] = (reversing[account] as bigint) - (credit[account] as bigint);
  return increases;
}

/** One amount per account for what a line takes instead of the column's own; with a direction it is of the movement whatever the measure. A mean is given twice: it is halved and rounded once, at its line (`runColumn`). */
export function amountOfReading(
  { measure, direction, ofOwners }: Pick<AccountReading, 'measure' | 'direction' | 'ofOwners'>,
  own: 'opening' | 'closing' | 'movement',
  { opening, movement, closing, flows, withoutCash }: AccountAmounts,
): BigInt64Array {
  if (measure === 'without_cash') {
    if (!withoutCash) throw new Error('what moved without cash is read by a layout that does not take it out');
    return withoutCash;
  }
  if (direction !== undefined || measure === 'exchange') {
    if (!flows) throw new Error('flows are read by a layout that did not ask for them');
    if (measure === 'exchange') return flows.exchange;
    const { raised, lowered } = flows.transfers;
    if (direction === 'transfer') return together(raised, lowered);
    const increases = ofOwners ? flows.raised : flows.increases;
    const moved = direction === 'increase' ? increases : less(movement, increases);
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
      return together(opening, closing);
  }
}

/** A movement and its flows without what moved without cash. */
export function lessWithoutCash(
  amounts: AccountAmounts,
  net: BigInt64Array,
  { increases, raised }: Pick<AccountFlows, 'increases' | 'raised'>,
): AccountAmounts {
  const { movement, flows } = amounts;
  return {
    ...amounts,
    movement: lessFew(movement, net),
    withoutCash: net,
    ...(flows ? { flows: { ...flows, increases: lessFew(flows.increases, increases), raised: lessFew(flows.raised, raised) } } : {}),
  };
}

/** The movement with what moved without cash: it decides on which side an account ends. */
export function movedInAll({ movement, withoutCash }: Pick<AccountAmounts, 'movement' | 'withoutCash'>): BigInt64Array {
  return withoutCash ? together(movement, withoutCash) : movement;
}

/** Where most of what is taken off is nothing. */
function lessFew(amounts: BigInt64Array, apart: BigInt64Array): BigInt64Array {
  const left = amounts.slice();
  for (let account = 0; account < left.length; account++) {
    const amount = apart[account] as bigint;
    if (amount !== 0n) left[account] = (left[account] as bigint) - amount;
  }
  return left;
}

/** Written as loops: with a callback that makes a value for each it takes three times as long. */
function less(amounts: BigInt64Array, apart: BigInt64Array): BigInt64Array {
  const left = new BigInt64Array(amounts.length);
  for (let account = 0; account < left.length; account++) left[account] = (amounts[account] as bigint) - (apart[account] as bigint);
  return left;
}

function together(some: BigInt64Array, others: BigInt64Array): BigInt64Array {
  const sums = new BigInt64Array(some.length);
  for (let account = 0; account < sums.length; account++) sums[account] = (some[account] as bigint) + (others[account] as bigint);
  return sums;
}

/** Whether a reading is of flows, which are not among the usual amounts of an account. */
export function needsFlows({ measure, direction, ofOwners }: AccountReading): boolean {
  return direction !== undefined || measure === 'exchange' || (ofOwners === true && (measure === 'movement' || measure === 'column'));
}
