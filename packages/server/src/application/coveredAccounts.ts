import type { CoverageAccount } from '@ivory-ladder/core';
import { accountsInOrder } from './accountsInOrder.ts';
import type { Books } from './ports/index.ts';

/** Accounts that somebody left out of the coverage of the classification that the books show. */
export function leftOutOf({ exclusions, classificationId }: Books): ReadonlySet<number> {
  return new Set(exclusions.filter(({ scope }) => scope === `classification:${classificationId}`).map(({ accountId }) => accountId));
}

/** Accounts that somebody left out of a statement: a composed layout, or one that is generated. */
export function leftOutOfLayout(books: Books, layoutId: number | null): ReadonlySet<number> {
  if (layoutId === null) return leftOutOf(books);
  return new Set(books.exclusions.filter(({ scope }) => scope === `layout:${layoutId}`).map(({ accountId }) => accountId));
}

/** What the coverage of the statements is about. */
export function coveredAccounts(books: Books): CoverageAccount[] {
  const leftOut = leftOutOf(books);
  return accountsInOrder(books).map(({ account, index, isParent }) => ({
    account: index,
    element: account.element,
    isParent,
    isDoubled: (books.byRange.get(account.id)?.doubledIn.length ?? 0) > 0,
    isLeftOut: leftOut.has(account.id),
  }));
}
