import { accountLabel, type CategoryNode, elements, type ListKey } from '@ivory-ladder/core';
import type { Composer } from './useComposer.ts';

/** A row of the tree: a category, an account in it, a code of a list, or the name of the list, which is not chosen. */
export type ChartItem = { readonly id: string; readonly label: string; readonly depth: number } & (
  | { readonly kind: 'category'; readonly node: CategoryNode }
  | { readonly kind: 'account'; readonly accountId: number }
  | { readonly kind: 'code'; readonly list: ListKey; readonly code: string; readonly caption: string; readonly accountIds: readonly number[] }
  | { readonly kind: 'list' }
);

/** Categories with their accounts, accounts that stand nowhere, then report codes. */
export function chartItems({ facts: { tree, portions }, view: { accounts: all }, lists }: Composer): ChartItem[] {
  const inCategory = new Map<number, typeof all>();
  for (const account of all) {
    const own = portions.get(account.id);
    for (const id of new Set([own?.debit, own?.credit])) if (typeof id === 'number') inCategory.set(id, [...(inCategory.get(id) ?? []), account]);
  }
  const made: ChartItem[] = [];
  const accountItem = (account: (typeof all)[number], depth: number, where: string): void =>
    void made.push({ kind: 'account', id: `account ${account.id} ${where}`, label: accountLabel(account), depth, accountId: account.id });
  const visit = (nodes: readonly CategoryNode[]): void => {
    for (const node of nodes) {
      made.push({ kind: 'category', id: `category ${node.category.id}`, label: node.category.name, depth: node.depth, node });
      for (const account of inCategory.get(node.category.id) ?? []) accountItem(account, node.depth + 1, String(node.category.id));
      visit(node.children);
    }
  };
  for (const element of elements) visit(tree.tops.get(element) ?? []);
  for (const account of all) if (!portions.has(account.id)) accountItem(account, 0, 'unplaced');
  for (const { key, kind, name, codes } of lists) {
    if (kind !== 'report') continue;
    made.push({ kind: 'list', id: `list ${key}`, label: name, depth: 0 });
    for (const { code, caption, retired } of codes)
      if (!retired)
        made.push({
          kind: 'code',
          id: `code ${key} ${code}`,
          label: `${code} ${caption}`,
          depth: 1,
          list: key,
          code,
          caption,
          accountIds: all.filter((account) => account.codes[key] === code).map(({ id }) => id),
        });
  }
  return made;
}

/** All that stands in the category or below it. */
export function accountIdsIn(node: CategoryNode, composer: Composer): number[] {
  const ids = new Set<number>();
  const collect = (one: CategoryNode): void => {
    ids.add(one.category.id);
    for (const child of one.children) collect(child);
  };
  collect(node);
  return [...composer.facts.portions].flatMap(([id, { debit, credit }]) =>
    (debit !== null && ids.has(debit)) || (credit !== null && ids.has(credit)) ? [id] : [],
  );
}
