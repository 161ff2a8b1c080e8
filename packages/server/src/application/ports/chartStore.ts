import type { Account, ChartComparison, CodesOfAccount, Day, Outcome } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';
import type { Books, ChartAccount } from './books.ts';
import type { HistoryEvent, HistoryWanted } from './history.ts';
import type { Kept } from './layoutStore.ts';

/** What a chart file does; `kept`: what follows those that it renumbers. */
export interface ChartPlan extends Pick<ChartComparison, 'accounts' | 'newCategories'> {
  readonly kept: Kept;
}

/** Everything of an account that a person can set. */
export interface AccountFields {
  readonly number: string;
  readonly name: string;
  readonly element: Account['element'];
  readonly normalSide: Account['normalSide'];
  readonly parentId: number | null;
  readonly active: boolean;
  readonly role: Account['role'];
  readonly purpose: string;
  readonly externalNumber: string;
  readonly codes: CodesOfAccount;
  /** Of cash: the first and the last day on which it is; `null`: ever. */
  readonly cashFrom: Day | null;
  readonly cashUntil: Day | null;
}

export interface AccountUse {
  readonly lines: number;
  readonly lastDay: Day | null;
}

/** `order`: ids of the siblings from first to last where their order changes; `kept`: places by hand of those that leave their ranges, and layouts under whose ranges they were. */
export interface ChartStore {
  addAccount(
    companyId: number,
    fields: AccountFields,
    order: readonly (number | null)[],
    categoryId: number | null,
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<number, Failure>>;
  changeAccount(
    companyId: number,
    account: ChartAccount,
    fields: AccountFields,
    order: readonly number[],
    kept: Kept,
    expected: { readonly structure: number; readonly revision: number },
    actor: Actor,
  ): Promise<Outcome<null, Failure>>;
  /** New numbers by account, all or none. */
  renumber(
    companyId: number,
    changes: readonly { readonly account: ChartAccount; readonly number: string }[],
    kept: Kept,
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<number, Failure>>;
  /** New accounts, changed ones and the categories they need, all or none. */
  applyChart(books: Books, plan: ChartPlan, expected: { readonly structure: number; readonly revision: number }, actor: Actor): Promise<Outcome<null, Failure>>;
  deleteAccount(
    companyId: number,
    account: ChartAccount,
    expected: { readonly structure: number; readonly revision: number },
    actor: Actor,
  ): Promise<Outcome<null, Failure>>;
  useOf(companyId: number, accountId: number): Promise<AccountUse>;
  /** The day of its last line by account id; accounts without a line are not in it. Cost: accounts, from the index alone. */
  lastUsed(companyId: number): Promise<ReadonlyMap<number, Day>>;
  /** Newest first. */
  history(companyId: number, wanted: HistoryWanted): Promise<{ events: HistoryEvent[]; next: number | null }>;
}
