import type { CoverageAccount, PresentedAccount } from '@ivory-ladder/core';
import { accountsInOrder } from './accountsInOrder.ts';
import type { Books } from './ports/index.ts';

/** Accounts that somebody left out of the coverage of the classification that the books show. */
export function leftOutOf({ exclusions, classificationId }: Books): ReadonlySet<number> {
  return new Set(exclusions.filter(({ scope }) => scope === `classification:${classificationId}`).map(({ accountId }) => accountId));
}

/** Accounts that somebody left out of a statement: a composed layout, or one that is generated. */
function leftOutOfLayout(books: Books, layoutId: number | null): ReadonlySet<number> {
  if (layoutId === null) return leftOutOf(books);
  return new Set(books.exclusions.filter(({ scope }) => scope === `layout:${layoutId}`).map(({ accountId }) => accountId));
}

/** What the coverage of the generated statements is about. */
export function coveredAccounts(books: Books): CoverageAccount[] {
  const leftOut = leftOutOf(books);
  return accountsInOrder(books).map((presented) => ({
    ...toCovered(presented, leftOut),
    isDoubled: (books.byRange.get(presented.account.id)?.doubledIn.length ?? 0) > 0,
  }));
}

/** What the coverage of a statement is about that takes accounts by its own lines. */
export function accountsCoveredIn(books: Books, layoutId: number | null): CoverageAccount[] {
  const leftOut = leftOutOfLayout(books, layoutId);
  return accountsInOrder(books).map((presented) => toCovered(presented, leftOut));
}

function toCovered({ account, index, isParent }: PresentedAccount, leftOut: ReadonlySet<number>): CoverageAccount {
  return { account: index, element: account.element, isParent, isLeftOut: leftOut.has(account.id) };
}
