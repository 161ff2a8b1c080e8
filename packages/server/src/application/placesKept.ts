import { type DraftedPlaces, placesByAccount, placesKept, placesOf, type RangedAccount, rangePlacer } from '@ivory-ladder/core';
import type { Books, CompanySettings } from './ports/index.ts';

/**
 * The places by hand that keep accounts where they stand although their numbers, or the order of numbers, change under
 * the ranges: renumbering moves no figure. `renumbered` says what those accounts are then; the others stay.
 */
export function placesKeptBy(
  books: Books,
  renumbered: ReadonlyMap<number, Pick<RangedAccount, 'number' | 'element'>>,
  digitOrder: CompanySettings['digitOrder'] = books.company.digitOrder,
): DraftedPlaces[] {
  if (books.ranges.length === 0) return [];
  const own = placesByAccount(books.places);
  const placeByRange = rangePlacer(books.ranges, books.categoryTree, digitOrder);
  return books.accounts.flatMap((account): DraftedPlaces[] => {
    const then = renumbered.get(account.id);
    if (!then) return [];
    const before = own.get(account.id) ?? [];
    const ranged = placeByRange({ ...then, id: account.id }, before)?.places ?? [];
    const after = placesKept(placesOf(account.id, own, books.byRange), [...before, ...ranged]);
    return after ? [{ accountId: account.id, before, after }] : [];
  });
}
