import type { DigitOrder } from '../chart/numberOrder.ts';
import { readRangeText } from '../chart/rangeText.ts';
import { OverlaidMap } from '../overlaidMap.ts';
import { type CategoryRange, type PlacedByRange, portionsOf, type RangedAccount, rangePlacer, type Standing } from './categoryRange.ts';
import { buildCategoryTree, type CategoryTree } from './categoryTree.ts';
import type { Portions } from './place.ts';
import { type DescribedCategory, mayDiffer, type Placement, type PlacesOfAccount } from './placement.ts';

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
 * and the nesting of categories, are not those of the placement before. Cost: accounts × ranges where the latter have changed, else
 * those accounts that a draft moves.
 */
export function standingFollower(accounts: readonly RangedAccount[], order: DigitOrder): (placement: Placement) => StandingInTree {
  let last: { readonly placement: Placement; readonly standing: StandingInTree; readonly placer: ReturnType<typeof rangePlacer> } | null = null;
  const byId = new Map(accounts.map((account) => [account.id, account]));
  return (placement) => {
    if (last?.placement === placement) return last.standing;
    const hasSameRanges = last !== null && isSameForRanges(last.placement.categories, placement.categories);
    const tree =
      last !== null && last.placement.categories === placement.categories ? last.standing.tree : buildCategoryTree([...placement.categories.values()]);
    const placer = last !== null && hasSameRanges ? last.placer : rangePlacer(rangesOfCategories(placement.categories.values()), tree, order);
    const latest = hasSameRanges ? last : null;
    const rangedNow: [number, PlacedByRange | undefined][] = [];
    const standsNow: [number, Portions | undefined][] = [];
    const differing = latest && mayDiffer(latest.placement, placement);
    for (const account of differing ? [...differing].flatMap((id) => byId.get(id) ?? []) : accounts) {
      const { id } = account;
      const byHand = placement.places.get(id) ?? none;
      if (latest && (latest.placement.places.get(id) ?? none) === byHand) continue;
      const ranged = placer(account, byHand) ?? undefined;
      const stands = portionsOf(ranged && ranged.places.length > 0 ? [...byHand, ...ranged.places] : byHand);
      rangedNow.push([id, ranged]);
      standsNow.push([id, stands.debit === null && stands.credit === null ? undefined : stands]);
    }
    const standing = {
      tree,
      byRange: OverlaidMap.of(latest?.standing.byRange ?? new Map<number, PlacedByRange>(), rangedNow),
      portions: OverlaidMap.of(latest?.standing.portions ?? new Map<number, Portions>(), standsNow),
    };
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
