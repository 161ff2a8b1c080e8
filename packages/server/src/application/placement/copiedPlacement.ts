import { type DescribedCategory, type PlacementDraft, placesByAccount } from '@ivory-ladder/core';
import type { Classification } from '../ports/index.ts';

/** All of a placement as what is new: categories by negative ids, since theirs are to be made. */
export function copiedPlacement({ categories, places }: Pick<Classification, 'categories' | 'places'>): PlacementDraft {
  return {
    places: [...placesByAccount(places)].map(([accountId, own]) => ({
      accountId,
      before: [],
      after: own.map((place) => ({ ...place, categoryId: -place.categoryId })),
    })),
    categories: categories.map(({ version: _, ...category }) => {
      const { id, parentId, contraOf } = category;
      const copied: DescribedCategory = {
        ...category,
        id: -id,
        parentId: parentId === null ? null : -parentId,
        contraOf: contraOf === null ? null : -contraOf,
      };
      return { id: -id, before: null, after: copied };
    }),
  };
}
