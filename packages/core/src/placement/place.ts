import { counterElement, type Element } from '../chart/element.ts';
import { fail, type Outcome, succeed } from '../outcome.ts';
import type { Category } from './category.ts';

/** Which balances of an account a place takes. */
export type PlaceSide = 'any' | 'debit' | 'credit';

/** One place of one account. An account has none, one for any balance, or up to one for each side. */
export interface Place {
  readonly accountId: number;
  readonly side: PlaceSide;
  readonly categoryId: number;
}

export type PlaceRefused =
  | { code: 'category_unknown'; accountId: number; categoryId: number }
  | { code: 'places_overlap'; accountId: number; side: PlaceSide }
  | { code: 'element_clash'; accountId: number; categoryId: number; accountElement: Element; categoryElement: Element };

/**
 * Checks the places of one account: they must be under its element; only the place for the side opposite to the
 * element's own place may be under the counter-element (asset and liability, income and expense).
 */
export function checkPlaces(
  account: { readonly id: number; readonly element: Element },
  places: readonly Pick<Place, 'side' | 'categoryId'>[],
  tree: { readonly nodes: { get(id: number): { readonly category: Pick<Category, 'element'> } | undefined } },
): Outcome<null, PlaceRefused> {
  const seen = new Set<PlaceSide>();
  for (const { side } of places) {
    if (seen.has(side) || (seen.size > 0 && (side === 'any' || seen.has('any')))) return fail({ code: 'places_overlap', accountId: account.id, side });
    seen.add(side);
  }
  const placed = places.map((place) => ({ place, node: tree.nodes.get(place.categoryId) }));
  const missing = placed.find(({ node }) => !node);
  if (missing) return fail({ code: 'category_unknown', accountId: account.id, categoryId: missing.place.categoryId });
  const ownPlaces = placed.filter(({ node }) => node?.category.element === account.element).length;
  for (const { place, node } of placed) {
    const categoryElement = node?.category.element as Element;
    if (categoryElement === account.element) continue;
    const mayBeCounter = ownPlaces > 0 && place.side !== 'any' && categoryElement === counterElement(account.element);
    if (!mayBeCounter)
      return fail({ code: 'element_clash', accountId: account.id, categoryId: place.categoryId, accountElement: account.element, categoryElement });
  }
  return succeed(null);
}

/** The places of each account that has any, in the order given. */
export function placesByAccount(places: readonly Place[]): Map<number, Omit<Place, 'accountId'>[]> {
  const byAccount = new Map<number, Omit<Place, 'accountId'>[]>();
  for (const { accountId, side, categoryId } of places) {
    const own = byAccount.get(accountId);
    if (own) own.push({ side, categoryId });
    else byAccount.set(accountId, [{ side, categoryId }]);
  }
  return byAccount;
}

/** Where an account stands after it was put into a category: for any balance that is its one place; for a side the other side stays. */
export function placesMoved(stands: readonly Omit<Place, 'accountId'>[], categoryId: number, side: PlaceSide): readonly Omit<Place, 'accountId'>[] {
  if (side === 'any') return [{ side, categoryId }];
  const other = side === 'debit' ? 'credit' : 'debit';
  const kept = stands.find((place) => place.side === other || place.side === 'any');
  return [{ side, categoryId }, ...(kept ? [{ side: other, categoryId: kept.categoryId } as const] : [])];
}

/** The categories of an account's two portions; `null` is no place. */
export interface Portions {
  readonly debit: number | null;
  readonly credit: number | null;
}

export const unplaced: Portions = { debit: null, credit: null };

export function portionsByAccount(places: readonly Place[]): Map<number, Portions> {
  const portions = new Map<number, Portions>();
  for (const { accountId, side, categoryId } of places) {
    const before = portions.get(accountId) ?? unplaced;
    portions.set(accountId, {
      debit: side === 'credit' ? before.debit : categoryId,
      credit: side === 'debit' ? before.credit : categoryId,
    });
  }
  return portions;
}
