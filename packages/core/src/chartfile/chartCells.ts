import type { Account } from '../chart/account.ts';
import { withPathsAsNumbers } from '../chart/accountReference.ts';
import type { AccountTree } from '../chart/accountTree.ts';
import type { CodesOfAccount } from '../chart/codeList.ts';
import { writeCategoryPath } from '../placement/categoryPath.ts';
import { placesOf, type Standing } from '../placement/categoryRange.ts';
import { type CategoryTree, pathOf } from '../placement/categoryTree.ts';
import { type Place, type PlaceSide, placesByAccount } from '../placement/place.ts';
import type { ChartColumn } from './chartFields.ts';

/** An account with what people keep beside it. */
export interface KeptAccount extends Account {
  readonly purpose: string;
  readonly externalNumber: string;
  readonly codes: CodesOfAccount;
}

/** A chart with its placement, as a file shows it. */
export interface ChartState {
  readonly accounts: readonly KeptAccount[];
  readonly tree: AccountTree;
  readonly categoryTree: CategoryTree;
  /** By hand. */
  readonly places: readonly Place[];
  readonly byRange: Standing['byRange'];
}

export const fieldOfSide: Readonly<Record<PlaceSide, 'category' | 'categoryDebit' | 'categoryCredit'>> = {
  any: 'category',
  debit: 'categoryDebit',
  credit: 'categoryCredit',
};

/** Every account in the chart's own order as the texts of its row. `newNumber` is for those who fill it in. */
export function chartCells({ accounts, tree, categoryTree, places, byRange }: ChartState, numbered: boolean): Readonly<Record<ChartColumn, string>>[] {
  const kept = new Map((numbered ? accounts : withPathsAsNumbers(accounts)).map((account) => [account.id, account]));
  const placed = placesByAccount(places);
  return tree.order.map(({ id }) => cellsOf(kept.get(id) as KeptAccount, kept, placesOf(id, placed, byRange), categoryTree));
}

export function cellsOf(
  account: KeptAccount,
  kept: ReadonlyMap<number, KeptAccount>,
  places: readonly Pick<Place, 'side' | 'categoryId'>[],
  categoryTree: CategoryTree,
): Record<ChartColumn, string> {
  const pathAt = (side: PlaceSide): string => {
    const node = categoryTree.nodes.get(places.find((place) => place.side === side)?.categoryId ?? -1);
    return node ? writeCategoryPath(pathOf(node)) : '';
  };
  return {
    number: account.number,
    newNumber: '',
    name: account.name,
    element: account.element,
    side: account.normalSide,
    parent: account.parentId === null ? '' : (kept.get(account.parentId)?.number ?? ''),
    category: pathAt('any'),
    categoryDebit: pathAt('debit'),
    categoryCredit: pathAt('credit'),
    active: account.active ? 'yes' : 'no',
    role: account.role?.replaceAll('_', ' ') ?? '',
    purpose: account.purpose,
    externalNumber: account.externalNumber,
    ...account.codes,
    key: String(account.id),
  };
}
