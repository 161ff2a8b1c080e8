import {
  buildAccountTree,
  buildCategoryTree,
  type Category,
  type DescribedCategory,
  type DigitOrder,
  type LayoutOptions,
  type Place,
  rangesOfCategories,
  standingOf,
  traitsOf,
} from '@ivory-ladder/core';
import type { Books, ChartAccount, Classification, PlacesByHand } from '../ports/index.ts';

/** The tree of a classification and the places by hand in it, as they would be. */
export interface PlacementAfter {
  readonly categories: readonly (Category & Partial<DescribedCategory>)[];
  readonly places: readonly Place[];
}

export interface ChartAfter {
  /** Accounts that are there now and would be something else; the others stay. Those yet to be made bear no amount and are left out. */
  readonly accounts?: readonly (Partial<ChartAccount> & Pick<ChartAccount, 'id'>)[];
  /** By classification; those that are not named keep their own. */
  readonly placements?: ReadonlyMap<number, PlacementAfter>;
  readonly digitOrder?: DigitOrder;
  readonly options?: LayoutOptions;
}

/**
 * The books as they would stand with another chart, placement, order of numbers or settings of generated layouts and the same lines: where accounts stand, by hand and by
 * range, is settled anew in every classification.
 */
export function booksAfter(
  books: Books,
  { accounts = [], placements = new Map(), digitOrder = books.company.digitOrder, options = books.options }: ChartAfter,
): Books {
  const byId = new Map(accounts.map((account) => [account.id, account]));
  const kept = books.accounts.map((account): ChartAccount => ({ ...account, ...byId.get(account.id) }));
  const keptById = new Map(kept.map((account) => [account.id, account]));
  const retained = kept.find(({ role }) => role === 'retained_earnings')?.id ?? null;
  const classifications = books.classifications.map((one): Classification => {
    const { categories, places } = placements.get(one.id) ?? one;
    const described = categories.map((category) => ({ ...undescribed, ...category, version: 0 }));
    const categoryTree = buildCategoryTree(described);
    const ranges = rangesOfCategories(described);
    return { ...one, categories: described, categoryTree, places, ranges, ...standingOf(kept, places, ranges, categoryTree, digitOrder) };
  });
  const own = classifications.find(({ id }) => id === books.classificationId) as Classification;
  const { id: _, name: __, version: ___, ...placement } = own;
  return {
    ...books,
    company: { ...books.company, digitOrder },
    options,
    accounts: kept,
    tree: buildAccountTree(kept),
    classifications,
    ...placement,
    retainedEarningsId: retained,
    traits: traitsOf(
      books.cube.accountIds.map((id) => keptById.get(id) as ChartAccount),
      retained,
    ),
  };
}

const undescribed = { nature: null, note: '', description: '', ranges: [], captions: [] };

/** Every classification with the places that keep accounts where they stand. */
export function placementsKeeping({ classifications }: Books, kept: readonly PlacesByHand[]): ReadonlyMap<number, PlacementAfter> {
  return new Map(
    classifications.map(({ id, categories, places }) => [
      id,
      {
        categories,
        places: placesWith(
          places,
          kept.filter(({ classificationId }) => classificationId === id),
        ),
      },
    ]),
  );
}

/** Places with those of some accounts put in the place of their own. */
export function placesWith(places: readonly Place[], changed: readonly { readonly accountId: number; readonly after: readonly Omit<Place, 'accountId'>[] }[]) {
  const moved = new Set(changed.map(({ accountId }) => accountId));
  return [
    ...places.filter(({ accountId }) => !moved.has(accountId)),
    ...changed.flatMap(({ accountId, after }) => after.map((place) => ({ ...place, accountId }))),
  ];
}
