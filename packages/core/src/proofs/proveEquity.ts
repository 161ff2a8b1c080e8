import type { Day } from '../calendar/day.ts';
import type { Proof } from './proof.ts';
import { worst } from './proveTrialBalance.ts';

/** Changes in equity over one span; all amounts debit positive. */
export interface EquityChange {
  readonly day: Day;
  /** What the balance sheet held of equity at the beginning and holds at the end. */
  readonly opening: bigint;
  readonly closing: bigint;
  /** What the lines come to, over all equity. */
  readonly changes: bigint;
  /** The same, added up over the columns of categories; `null` where there are none. */
  readonly byColumns: bigint | null;
}

/** By how much opening and changes miss the closing, and columns miss their total. */
export function equityMissed({ opening, closing, changes, byColumns }: EquityChange): readonly bigint[] {
  return [opening + changes - closing, byColumns === null ? 0n : byColumns - changes];
}

/** Equity at the beginning and its changes by lines are equity at the end, as the balance sheet has them; columns add up to all equity. */
export function proveEquity(changes: readonly EquityChange[]): Proof {
  const figures = changes.flatMap(({ day, opening, closing, changes: changed }) => [
    { name: 'equity_opening', day, net: opening },
    { name: 'equity_changes', day, net: changed },
    { name: 'equity_closing', day, net: closing },
  ]);
  const difference = worst(changes.flatMap(equityMissed));
  return { name: 'equity_ties', state: difference === 0n ? 'holds' : 'fails', difference, figures, accounts: [] };
}
