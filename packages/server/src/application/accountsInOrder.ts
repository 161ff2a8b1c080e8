import { accountLabel, type PresentedAccount } from '@ivory-ladder/core';
import type { Books } from './ports/index.ts';

/** The same for every state of the ledger over one structure. */
const inOrderOf = new WeakMap<Books['tree'], readonly PresentedAccount[]>();

/** As statements show them, in the order of the chart. */
export function accountsInOrder(books: Books): readonly PresentedAccount[] {
  const known = inOrderOf.get(books.tree);
  if (known) return known;
  const made = books.tree.order.map((account, at) => ({
    account,
    label: books.labels.get(account.id) ?? accountLabel(account),
    index: books.cube.indexOf.get(account.id) as number,
    isParent: books.tree.isParent[at] as boolean,
  }));
  inOrderOf.set(books.tree, made);
  return made;
}
