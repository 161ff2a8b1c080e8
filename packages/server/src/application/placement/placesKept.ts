import { placesByAccount, placesKept, placesOf, portionsOf, type RangedAccount, rangePlacer } from '@ivory-ladder/core';
import type { Books, CompanySettings, PlacesByHand } from '../ports/index.ts';

/**
 * The places by hand that keep accounts where they stand, in each classification, although their numbers, or the order of numbers, change under
 * the ranges: renumbering moves no figure. One that was only kept so stands by range again once a range has it there.
 * `renumbered` says what those accounts are then; the others stay.
 */
export function placesKeptBy(
  books: Pick<Books, 'accounts' | 'classifications' | 'company'>,
  renumbered: ReadonlyMap<number, Pick<RangedAccount, 'number' | 'element'>>,
  digitOrder: CompanySettings['digitOrder'] = books.company.digitOrder,
): PlacesByHand[] {
  return books.classifications.flatMap(({ id: classificationId, ranges, places, categoryTree, byRange, onlyKept }) => {
    if (ranges.length === 0) return [];
    const own = placesByAccount(places);
    const placeByRange = rangePlacer(ranges, categoryTree, digitOrder);
    return books.accounts.flatMap((account): PlacesByHand[] => {
      const then = renumbered.get(account.id);
      if (!then) return [];
      const before = own.get(account.id) ?? [];
      const rangedBeside = (byHand: typeof before) => placeByRange({ ...then, id: account.id }, byHand)?.places ?? [];
      const stands = placesOf(account.id, own, byRange);
      if (onlyKept.has(account.id) && isSame(stands, rangedBeside([]))) return [{ accountId: account.id, classificationId, before, after: [] }];
      const after = placesKept(stands, [...before, ...rangedBeside(before)]);
      return after ? [{ accountId: account.id, classificationId, before, after }] : [];
    });
  });
}

function isSame(places: Parameters<typeof portionsOf>[0], others: Parameters<typeof portionsOf>[0]): boolean {
  const [one, other] = [portionsOf(places), portionsOf(others)];
  return one.debit === other.debit && one.credit === other.credit;
}

/** The new numbers of accounts by id; those that another element takes away from where they stand are not kept there. */
export function renumberedOf(
  accounts: readonly {
    readonly id: number;
    readonly number: string;
    readonly element: RangedAccount['element'];
    readonly account: Omit<RangedAccount, 'id'> | null;
  }[],
): Map<number, Pick<RangedAccount, 'number' | 'element'>> {
  return new Map(
    accounts.flatMap(({ id, number, element, account }) =>
      account && account.number !== number && account.element === element ? [[id, { number, element }] as const] : [],
    ),
  );
}
