import { type BalanceVector, balanceAt, layers } from '@ivory-ladder/core';
import type { Books } from '../ports/index.ts';

const balancesOf = new WeakMap<Books['cube'], BalanceVector['net']>();

/** At the end of the last period there is, debit positive; income and expense of its year alone. */
export function lastBalance(books: Books, accountId: number): bigint {
  const { cube, traits, calendar } = books;
  const last = calendar.periods.at(-1);
  const at = cube.indexOf.get(accountId);
  if (!last || at === undefined) return 0n;
  const balances = balancesOf.get(cube) ?? balanceAt(cube, traits, layers, last.lastDay, () => undefined).net;
  balancesOf.set(cube, balances);
  return balances[at] as bigint;
}
