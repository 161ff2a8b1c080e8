import type { BudgetGridBody } from '@ivory-ladder/contract';
import { type Currency, formatAmount, isIncomeOrExpense } from '@ivory-ladder/core';

type Account = BudgetGridBody['accounts'][number];

/** Amounts that were typed and not saved, by `cellKey`; debit positive. */
export type BudgetDraft = ReadonlyMap<string, bigint>;

/** `at`: place of the period in the year, from 0. */
function cellKey(accountId: number, at: number): string {
  return `${accountId} ${at}`;
}

/** A row of the grid. Amounts stand on the account's normal side, as people write a budget: income and expenses positive. */
export interface BudgetGridRow {
  readonly account: Account;
  readonly amounts: readonly bigint[];
  readonly year: bigint;
  readonly against: readonly bigint[];
  /** Places of periods whose amounts were typed and not saved. */
  readonly changed: ReadonlySet<number>;
}

/** What was saved, debit positive. */
function savedAmounts({ amounts }: Pick<Account, 'amounts'>): bigint[] {
  return amounts.map(BigInt);
}

export function onNormalSide({ normalSide }: Pick<Account, 'normalSide'>, net: bigint): bigint {
  return normalSide === 'debit' ? net : -net;
}

/** In chart order, a parent with the sum of what is below it and of its own. */
export function budgetRows(accounts: readonly Account[], draft: BudgetDraft): BudgetGridRow[] {
  const periods = accounts[0]?.amounts.length ?? 0;
  const sums: { account: Account; net: bigint[]; against: bigint[]; changed: Set<number> }[] = accounts.map((account) => {
    const changed = new Set<number>();
    const net = savedAmounts(account).map((saved, at) => {
      const typed = draft.get(cellKey(account.id, at));
      if (typed === undefined) return saved;
      changed.add(at);
      return typed;
    });
    return { account, net, against: account.against.map(BigInt), changed };
  });
  const above: number[] = [];
  for (const [at, { account, net, against, changed }] of sums.entries()) {
    above.length = account.depth;
    for (const parent of above) {
      const sum = sums[parent];
      if (!sum) continue;
      for (let period = 0; period < periods; period++) {
        sum.net[period] = (sum.net[period] ?? 0n) + (net[period] ?? 0n);
        if (against.length > 0) sum.against[period] = (sum.against[period] ?? 0n) + (against[period] ?? 0n);
      }
      for (const period of changed) sum.changed.add(period);
    }
    above.push(at);
  }
  return sums.map(({ account, net, against, changed }) => {
    const amounts = net.map((amount) => onNormalSide(account, amount));
    return {
      account,
      amounts,
      year: amounts.reduce((sum, amount) => sum + amount, 0n),
      against: against.map((amount) => onNormalSide(account, amount)),
      changed,
    };
  });
}

/** Profit by period, a loss negative: of all accounts, with what was typed. */
export function resultByPeriod(accounts: readonly Account[], draft: BudgetDraft): bigint[] {
  const periods = accounts[0]?.amounts.length ?? 0;
  const result = Array.from({ length: periods }, () => 0n);
  for (const account of accounts) {
    if (!isIncomeOrExpense(account.element)) continue;
    for (const [at, saved] of savedAmounts(account).entries()) result[at] = (result[at] ?? 0n) - (draft.get(cellKey(account.id, at)) ?? saved);
  }
  return result;
}

/** The draft with other cells; what is as it was saved is no change. */
export function withCells(
  draft: BudgetDraft,
  accounts: readonly Account[],
  cells: Iterable<readonly [accountId: number, at: number, net: bigint]>,
): BudgetDraft {
  const saved = new Map(accounts.map((account) => [account.id, account.amounts]));
  const next = new Map(draft);
  for (const [accountId, at, net] of cells) {
    if (BigInt(saved.get(accountId)?.[at] ?? '0') === net) next.delete(cellKey(accountId, at));
    else next.set(cellKey(accountId, at), net);
  }
  return next;
}

/** What to ask the server for: each cell with what stood there. */
export function cellsToSave({ accounts, periods }: Pick<BudgetGridBody, 'accounts' | 'periods'>, draft: BudgetDraft) {
  return accounts.flatMap((account) =>
    account.amounts.flatMap((was, at) => {
      const amount = draft.get(cellKey(account.id, at));
      const period = periods[at]?.number;
      return amount === undefined || period === undefined ? [] : [{ accountId: account.id, period, was, amount: amount.toString() }];
    }),
  );
}

/** Budgets are mostly of whole units; the minor unit is shown where any amount has one. */
export function hasMinorUnits(rows: readonly BudgetGridRow[], { exponent }: Currency): boolean {
  const unit = 10n ** BigInt(exponent);
  return rows.some(({ amounts, against }) => [...amounts, ...against].some((amount) => amount % unit !== 0n));
}

export function shownAmount(amount: bigint, currency: Currency, withMinorUnits: boolean): string {
  if (withMinorUnits || currency.exponent === 0) return formatAmount(amount, currency);
  return formatAmount(amount / 10n ** BigInt(currency.exponent), { ...currency, exponent: 0 });
}
