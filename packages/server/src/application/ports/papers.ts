import type { Account, Day, Period, Span } from '@ivory-ladder/core';
import type { Books, ChartAccount } from './books.ts';
import type { Budget } from './budgetStore.ts';
import type { CompanyRecord } from './companyRecord.ts';
import type { HistoryEvent } from './history.ts';
import type { AccountLineRecord, EntryRecord, ListedEntry } from './ledgerStore.ts';

/** A budget with what its income and expense accounts add up to, debit positive. */
export interface BudgetWithResult extends Budget {
  readonly result: bigint;
}

export interface BudgetGridAccount {
  readonly account: ChartAccount;
  readonly depth: number;
  readonly isParent: boolean;
  /** By period, debit positive. */
  readonly amounts: readonly bigint[];
  /** Posted a year before; empty where that year was not made. */
  readonly yearBefore: readonly bigint[];
  /** What it is compared with; empty without. */
  readonly against: readonly bigint[];
}

export interface BudgetGrid {
  readonly books: Books;
  readonly budget: BudgetWithResult;
  readonly periods: readonly Period[];
  readonly accounts: readonly BudgetGridAccount[];
  readonly againstName: string;
  /** The part in words; empty for all together. */
  readonly partName: string;
}

export interface LedgerLine extends AccountLineRecord {
  /** After the line, debit positive. */
  readonly balance: bigint;
  /** Accounts on the other side of its entry. */
  readonly counterparts: readonly number[];
}

export interface LedgerOfAccount {
  readonly account: ChartAccount;
  /** Before the first day, with what its fiscal year carried over; debit positive. */
  readonly opening: bigint;
  /** At the last day, debit positive. */
  readonly closing: bigint;
  /** Oldest first. */
  readonly lines: readonly LedgerLine[];
  /** Sums of ordinary lines by period, of those that have lines; closing as the balance after its last line. */
  readonly periods: readonly {
    readonly year: number;
    readonly number: number;
    readonly lastDay: Day;
    readonly debit: bigint;
    readonly credit: bigint;
    readonly closing: bigint;
  }[];
}

export interface AccountLedger {
  readonly books: Books;
  readonly from: Day;
  readonly to: Day;
  readonly accounts: readonly LedgerOfAccount[];
  /** What it is a part of the ledger by, in words; empty where all lines count. */
  readonly part: string;
  /** Accounts that are left out behind the last, since there are more lines than are shown at once. */
  readonly leftOut: number;
}

export interface ListedEntries {
  readonly company: CompanyRecord;
  readonly entries: readonly ListedEntry[];
  readonly next: string | null;
}

export interface AdjustmentsView {
  /** First day of the fiscal year. */
  readonly from: Day;
  readonly entries: readonly EntryRecord[];
  readonly earlier: number;
}

export interface TrialBalanceLine {
  readonly account: Account;
  readonly depth: number;
  readonly opening: bigint;
  readonly debit: bigint;
  readonly credit: bigint;
  readonly carried: bigint;
  readonly closing: bigint;
  /** The part of it that adjustments make. */
  readonly adjustments: bigint;
  /** At the day of the comparative; `null` without one. */
  readonly comparative: bigint | null;
}

export interface TrialBalanceView {
  readonly books: Books;
  readonly lines: readonly TrialBalanceLine[];
  readonly notAllotted: bigint;
  readonly span: Span;
  /** What the figures are a part of the ledger by, in words; empty where all lines count. */
  readonly part: string;
  /** Last days that the comparative stands for: of balance sheet accounts, and of income and expense. */
  readonly comparedTo: { readonly balances: Day; readonly result: Day } | null;
}

/** A trial balance to take along. */
export interface TrialBalancePaper extends TrialBalanceView {
  /** The adjustments side by side with the ledger, or `null`: movements. */
  readonly adjusted: AdjustmentsView | null;
}

/** An event with what it was about in words, and names for the accounts and categories that it speaks of. */
export interface ToldEvent extends HistoryEvent {
  readonly label: string;
  /** Who it was, with the id where people of the company share the name. */
  readonly who: string;
}
