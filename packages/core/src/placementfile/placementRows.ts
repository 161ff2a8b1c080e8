import type { Account } from '../chart/account.ts';
import { withPathsAsNumbers } from '../chart/accountReference.ts';
import { elements } from '../chart/element.ts';
import { writeCategoryPath } from '../placement/categoryPath.ts';
import { type CategoryTree, pathOf, walkCategories } from '../placement/categoryTree.ts';
import type { PlaceSide } from '../placement/place.ts';
import type { Placement } from '../placement/placement.ts';
import type { PlacementColumn } from './placementColumns.ts';

type Ranged = ReadonlyMap<number, { readonly places: readonly { readonly categoryId: number }[] }>;

/** A placement as the rows of its file: categories in their order, then accounts in theirs. */
export function placementRows(
  { categories, places }: Placement,
  tree: CategoryTree,
  accounts: readonly Account[],
  byRange: Ranged,
  isNumbered: boolean,
): Readonly<Record<PlacementColumn, string>>[] {
  const path = (id: number): string => {
    const node = tree.nodes.get(id);
    return node ? writeCategoryPath(pathOf(node)) : '';
  };
  const empty: Record<PlacementColumn, string> = {
    number: '',
    name: '',
    element: '',
    category: '',
    debit: '',
    credit: '',
    numbers: '',
    numbersDebit: '',
    numbersCredit: '',
    byRange: '',
  };
  const rows: Record<PlacementColumn, string>[] = [];
  for (const element of elements)
    walkCategories(tree.tops.get(element) ?? [], ({ category: { id } }) => {
      const ranges = categories.get(id)?.ranges ?? [];
      const of = (side: PlaceSide): string => ranges.find((range) => range.side === side)?.text ?? '';
      rows.push({ ...empty, element, category: path(id), numbers: of('any'), numbersDebit: of('debit'), numbersCredit: of('credit') });
    });
  for (const { id, number, name, element } of isNumbered ? accounts : withPathsAsNumbers(accounts)) {
    const own = places.get(id) ?? [];
    const of = (side: PlaceSide): string => path(own.find((place) => place.side === side)?.categoryId ?? 0);
    const ranged = (byRange.get(id)?.places ?? []).map(({ categoryId }) => path(categoryId)).join('; ');
    rows.push({ ...empty, number, name, element, category: of('any'), debit: of('debit'), credit: of('credit'), byRange: ranged });
  }
  return rows;
}
