import { placesByAccount, placesKept, placesOf, type RangedAccount, rangePlacer } from '@ivory-ladder/core';
import type { Books, CompanySettings, KeptPlaces } from './ports/index.ts';

/**
 * The places by hand that keep accounts where they stand, in each classification, although their numbers, or the order of numbers, change under
 * the ranges: renumbering moves no figure. `renumbered` says what those accounts are then; the others stay.
 */
export function placesKeptBy(
  books: Books,
  renumbered: ReadonlyMap<number, Pick<RangedAccount, 'number' | 'element'>>,
  digitOrder: CompanySettings['digitOrder'] = books.company.digitOrder,
): KeptPlaces[] {
  return books.classifications.flatMap(({ id: classificationId, ranges, places, categoryTree, byRange }) => {
    if (ranges.length === 0) return [];
    const own = placesByAccount(places);
    const placeByRange = rangePlacer(ranges, categoryTree, digitOrder);
    return books.accounts.flatMap((account): KeptPlaces[] => {
      const then = renumbered.get(account.id);
      if (!then) return [];
      const before = own.get(account.id) ?? [];
      const ranged = placeByRange({ ...then, id: account.id }, before)?.places ?? [];
      const after = placesKept(placesOf(account.id, own, byRange), [...before, ...ranged]);
      return after ? [{ accountId: account.id, classificationId, before, after }] : [];
    });
  });
}
