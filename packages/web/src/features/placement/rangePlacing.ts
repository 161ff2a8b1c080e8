import type { ChartAccountBody, PlacementView } from '@ivory-ladder/contract';
import { buildCategoryTree, type CategoryRange, type DigitOrder, pathOf, placesKept, rangePlacer, readRangeText } from '@ivory-ladder/core';
import { standsIn } from '../../shared/api/standsIn.ts';

type Categories = PlacementView['categories'];

/** Which category the ranges give an account of a number and an element, beside its places by hand. */
export function placerOf(categories: Categories, order: DigitOrder): ReturnType<typeof rangePlacer> {
  const ranges = categories.flatMap(({ id, ranges: held }) =>
    held.flatMap(({ side, text }): CategoryRange[] => {
      const read = readRangeText(text, null);
      return read.ok ? [{ categoryId: id, side, ranges: read.value }] : [];
    }),
  );
  return rangePlacer(ranges, buildCategoryTree(categories), order);
}

/** What a new number does to the place of an account; `null` where it stands as before. */
export interface RangeEffect {
  readonly account: ChartAccountBody;
  /** It leaves its range and is placed by hand where it stands; or it stood nowhere, and a range takes it. */
  readonly kind: 'kept' | 'taken';
  /** Path of where it stands then. */
  readonly stands: string;
  /** Path of the category whose range holds the new number, if one does. */
  readonly heldBy: string;
}

/** Accounts that ranges have to do with when they get new numbers, with what becomes of each. */
export function rangeEffects(
  changes: readonly { readonly id: number; readonly to: string }[],
  accounts: readonly ChartAccountBody[],
  categories: Categories,
  order: DigitOrder,
): RangeEffect[] {
  const placer = placerOf(categories, order);
  const tree = buildCategoryTree(categories);
  const byId = new Map(accounts.map((account) => [account.id, account]));
  const path = (places: readonly { readonly categoryId: number }[]): string => {
    const node = tree.nodes.get(places[0]?.categoryId ?? 0);
    return node ? pathOf(node).join(' › ') : '';
  };
  return changes.flatMap(({ id, to }): RangeEffect[] => {
    const account = byId.get(id);
    if (!account) return [];
    const [now, then] = [standsIn(account), placer({ id, number: to, element: account.element }, account.places)?.places ?? []];
    if (now.length === 0) return then.length === 0 ? [] : [{ account, kind: 'taken', stands: path(then), heldBy: path(then) }];
    return placesKept(now, [...account.places, ...then]) ? [{ account, kind: 'kept', stands: path(now), heldBy: path(then) }] : [];
  });
}
