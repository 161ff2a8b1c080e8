import type { PlacementView } from '@ivory-ladder/contract';
import { buildCategoryTree, type CategoryNode, type CategoryTree, type Element, elements, naturalSide, walkCategories } from '@ivory-ladder/core';
import { standsIn } from '../../api/standsIn.ts';

export type PlacedAccount = PlacementView['accounts'][number];

/** Sums of a category and all below it; amounts on the side of its element. */
interface CategoryTotals {
  readonly accounts: number;
  readonly amount: bigint;
  readonly comparative: bigint;
}

export interface StandingAccount {
  readonly account: PlacedAccount;
  readonly side: 'any' | 'debit' | 'credit';
  /** Rather than by hand. */
  readonly isByRange: boolean;
}

export interface PlacementModel {
  readonly tree: CategoryTree;
  readonly byId: ReadonlyMap<number, PlacedAccount>;
  readonly unplaced: readonly PlacedAccount[];
  /** Accounts that stand directly in a category, with the side of their place. */
  readonly standing: ReadonlyMap<number, readonly StandingAccount[]>;
  readonly totals: ReadonlyMap<number, CategoryTotals>;
}

const elementNames: Readonly<Record<Element, string>> = { asset: 'Assets', liability: 'Liabilities', equity: 'Equity', income: 'Income', expense: 'Expense' };

export function elementName(element: Element): string {
  return elementNames[element];
}

/** Shown with a plus on the side that is natural for the element. */
export function onNaturalSide(net: bigint, element: Element): bigint {
  return naturalSide(element) === 'debit' ? net : -net;
}

/** A balance counts in the place for its side; zero in either. */
function takes(side: 'any' | 'debit' | 'credit', net: bigint): boolean {
  return side === 'any' || net === 0n || net > 0n === (side === 'debit');
}

/** Everything the screen shows that follows from the placement; derived anew when that changes. */
export function modelPlacement(view: PlacementView): PlacementModel {
  const tree = buildCategoryTree(view.categories);
  const standing = new Map<number, StandingAccount[]>();
  for (const account of view.accounts)
    for (const place of standsIn(account)) {
      const stands = { account, side: place.side, isByRange: account.placesByRange.includes(place) };
      const there = standing.get(place.categoryId);
      if (there) there.push(stands);
      else standing.set(place.categoryId, [stands]);
    }
  const totals = new Map<number, CategoryTotals>();
  const sum = (node: CategoryNode): CategoryTotals => {
    const { id, element } = node.category;
    const own = standing.get(id) ?? [];
    const part = (key: 'amount' | 'comparative'): bigint =>
      own.reduce((total, { account, side }) => (takes(side, BigInt(account[key])) ? total + onNaturalSide(BigInt(account[key]), element) : total), 0n);
    let total: CategoryTotals = { accounts: own.length, amount: part('amount'), comparative: part('comparative') };
    for (const child of node.children) {
      const below = sum(child);
      total = { accounts: total.accounts + below.accounts, amount: total.amount + below.amount, comparative: total.comparative + below.comparative };
    }
    totals.set(id, total);
    return total;
  };
  for (const element of elements) for (const top of tree.tops.get(element) ?? []) sum(top);
  return {
    tree,
    byId: new Map(view.accounts.map((account) => [account.id, account])),
    unplaced: view.accounts.filter((account) => standsIn(account).length === 0 && (!account.isParent || account.amount !== '0')),
    standing,
    totals,
  };
}

/** Categories from top to bottom, leaving out what is below a shut one. */
export function visibleNodes(tree: CategoryTree, element: Element, shut: ReadonlySet<number>): CategoryNode[] {
  const visible: CategoryNode[] = [];
  walkCategories(tree.tops.get(element) ?? [], (node) => {
    for (let above = node.parent; above; above = above.parent) if (shut.has(above.category.id)) return;
    visible.push(node);
  });
  return visible;
}
