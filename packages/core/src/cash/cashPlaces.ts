import type { Day } from '../calendar/day.ts';

/** The parts of a cash flow (IAS 7.10). */
export const activities = ['operating', 'investing', 'financing'] as const;
export type Activity = (typeof activities)[number];

/** What each account is for a cash flow, by its dense number. Lines of the direct cash flow have numbers of their own, from 0. */
export interface CashPlaces {
  /** Of each line of the direct cash flow, the activity that it stands in. */
  readonly activityOf: readonly Activity[];
  /**
   * The line that an account's cash comes or goes on. `isIncrease`: it moved on its normal side; what is charged to a deduction from an asset
   * stands elsewhere than what goes off it.
   */
  readonly lineOf: (account: number, isIncrease: boolean) => number;
  readonly isCashOn: (account: number, day: Day) => boolean;
  /** Receivables, payables, suspense: what they move is what was invoiced. */
  readonly isBetween: (account: number) => boolean;
  /** Paid or received later, in an activity that nothing says: entries on it count whole. */
  readonly isSettledLater: (account: number) => boolean;
  readonly isEquity: (account: number) => boolean;
  readonly isCreditNormal: (account: number) => boolean;
}

/** Of an entry; either debit or credit is nil, neither is negative. */
export interface EntryLine {
  readonly account: number;
  readonly debit: bigint;
  readonly credit: bigint;
  /** Whose it is, where the company keeps facet values; 0 for none. */
  readonly partner: number;
  /** Whether it is among the lines that are asked for; where that is a part of the ledger, entries are looked at whole all the same. */
  readonly isCounted: boolean;
}

/** An ordinary entry: neither an opening, nor a closing, nor of a trial balance. */
export interface CashEntry {
  readonly id: number;
  readonly documentNumber: string;
  readonly description: string;
  readonly day: Day;
  /** A line of one counts against what it reverses. */
  readonly isReversing: boolean;
  readonly lines: readonly EntryLine[];
}
