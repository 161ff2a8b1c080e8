import type { DigitOrder } from '../chart/numberOrder.ts';
import { readRangeText } from '../chart/rangeText.ts';
import { type CategoryRange, type PlacedByRange, portionsOf, type RangedAccount, rangePlacer, type Standing } from './categoryRange.ts';
import { buildCategoryTree, type CategoryTree } from './categoryTree.ts';
import type { Portions } from './place.ts';
import type { DescribedCategory, Placement, PlacesOfAccount } from './placement.ts';

/** Where accounts stand, and the tree that they stand in. */
export interface StandingInTree extends Standing {
  readonly tree: CategoryTree;
}

const none: PlacesOfAccount = [];

/** Ranges in the form that places are made from; a text that cannot be read holds nothing. */
export function rangesOfCategories(categories: Iterable<DescribedCategory>): CategoryRange[] {
  return [...categories].flatMap(({ id, ranges }) =>
    ranges.flatMap(({ side, text }): CategoryRange[] => {
      const read = readRangeText(text, null);
      return read.ok ? [{ categoryId: id, side, ranges: read.value }] : [];
    }),
  );
}

/**
 * Where the accounts stand in one placement after the other, each asked what ranges make of it only where its own places, or the ranges
 * and the nesting of categories, are not those of the placement before. Cost: accounts, and accounts × ranges where the latter have changed.
 */
export function standingFollower(accounts: readonly RangedAccount[], order: DigitOrder): (placement: Placement) => StandingInTree {
  let last: { readonly placement: Placement; readonly standing: StandingInTree; readonly placer: ReturnType<typeof rangePlacer> } | null = null;
  return (placement) => {
    if (last?.placement === placement) return last.standing;
    const hasSameRanges = last !== null && isSameForRanges(last.placement.categories, placement.categories);
    const tree =
      last !== null && last.placement.categories === placement.categories ? last.standing.tree : buildCategoryTree([...placement.categories.values()]);
    const placer = last !== null && hasSameRanges ? last.placer : rangePlacer(rangesOfCategories(placement.categories.values()), tree, order);
    const latest = hasSameRanges ? last : null;
    const byRange = new Map<number, PlacedByRange>(latest?.standing.byRange);
    const portions = new Map<number, Portions>(latest?.standing.portions);
    for (const account of accounts) {
      const { id } = account;
      const byHand = placement.places.get(id) ?? none;
      if (latest && (latest.placement.places.get(id) ?? none) === byHand) continue;
      const ranged = placer(account, byHand);
      if (ranged) byRange.set(id, ranged);
      else byRange.delete(id);
      const stands = portionsOf(ranged && ranged.places.length > 0 ? [...byHand, ...ranged.places] : byHand);
      if (stands.debit !== null || stands.credit !== null) portions.set(id, stands);
      else portions.delete(id);
    }
    const standing = { tree, byRange, portions };
    last = { placement, standing, placer };
    return standing;
  };
}

function isSameForRanges(a: Placement['categories'], b: Placement['categories']): boolean {
  if (a === b) return true;
  if (a.size !== b.size) return false;
  for (const [id, category] of a) {
    const other = b.get(id);
    if (category === other) continue;
    if (!other || category.ranges !== other.ranges || category.parentId !== other.parentId || category.element !== other.element) return false;
  }
  return true;
}
