import type { ListKey, Outcome } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';
import type { PeriodLock } from './books.ts';

export interface Budget {
  readonly id: number;
  /** The calendar year in which its fiscal year begins. */
  readonly year: number;
  readonly name: string;
  /** By whose values its amounts may stand apart. */
  readonly facet: ListKey | null;
  readonly version: number;
  readonly lock: PeriodLock | null;
}

export interface BudgetAmount {
  readonly accountId: number;
  readonly period: number;
  /** Debit positive. */
  readonly net: bigint;
}

export interface BudgetCellChange {
  readonly accountId: number;
  readonly period: number;
  readonly was: bigint;
  readonly amount: bigint;
}

export interface BudgetStore {
  list(companyId: number): Promise<Budget[]>;
  /** Sums of a budget by account. */
  totals(companyId: number): Promise<ReadonlyMap<number, readonly { readonly accountId: number; readonly net: bigint }[]>>;
  /** Of one part: a value of its facet, or empty for none; `null`: all parts together. Nil is left out. */
  amounts(companyId: number, budget: Budget, part: string | null): Promise<BudgetAmount[]>;
  add(companyId: number, fields: Pick<Budget, 'year' | 'name' | 'facet'>, copyOf: Budget | null, actor: Actor): Promise<Outcome<number, Failure>>;
  rename(companyId: number, budget: Budget, name: string, actor: Actor): Promise<Outcome<null, Failure>>;
  delete(companyId: number, budget: Budget, actor: Actor): Promise<Outcome<null, Failure>>;
  /** Locks it, or opens it again. */
  setLock(companyId: number, budget: Budget, isLocked: boolean, reason: string, actor: Actor): Promise<Outcome<null, Failure>>;
  /** Refused where one of the cells is not any more what it was, or the budget is locked. */
  setCells(companyId: number, budget: Budget, part: string, cells: readonly BudgetCellChange[], actor: Actor): Promise<Outcome<null, Failure>>;
  /** In how many budgets an account has amounts. */
  budgetsOf(companyId: number, accountId: number): Promise<number>;
  /** How many budgets have amounts under values of a list, by value. */
  budgetsHaving(companyId: number, listId: number): Promise<ReadonlyMap<string, number>>;
}
