import type { CategoryTree } from './categoryTree.ts';
import type { Portions } from './place.ts';

/** Where an account stood, which stands elsewhere today; sides that stood in no category that is left are none. */
export interface StoodElsewhere {
  readonly accountId: number;
  readonly portions: Portions;
}

/**
 * Accounts that stood otherwise than they stand today. What stood in a category that has gone since stood in the next one above it
 * that is still there.
 */
export function stoodElsewhere(
  accountIds: readonly number[],
  today: ReadonlyMap<number, Portions>,
  then: ReadonlyMap<number, Portions>,
  tree: CategoryTree,
  treeThen: CategoryTree,
): StoodElsewhere[] {
  const left = (categoryId: number | null): number | null => {
    for (let node = categoryId === null ? null : (treeThen.nodes.get(categoryId) ?? null); node; node = node.parent)
      if (tree.nodes.has(node.category.id)) return node.category.id;
    return null;
  };
  return accountIds.flatMap((accountId) => {
    const { debit = null, credit = null } = today.get(accountId) ?? {};
    const before = then.get(accountId);
    const portions = { debit: left(before?.debit ?? null), credit: left(before?.credit ?? null) };
    return portions.debit === debit && portions.credit === credit ? [] : [{ accountId, portions }];
  });
}
