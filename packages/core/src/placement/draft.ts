import { OverlaidMap } from '../overlaidMap.ts';
import { type DescribedCategory, isSameCategory, isSamePlaces, type Placement, type PlacesOfAccount } from './placement.ts';

export interface DraftedPlaces {
  readonly accountId: number;
  readonly before: PlacesOfAccount;
  readonly after: PlacesOfAccount;
}

/** `before` is `null` for a new category, whose id is negative until it is applied; `after` for one that goes. */
export interface DraftedCategory {
  readonly id: number;
  readonly before: DescribedCategory | null;
  readonly after: DescribedCategory | null;
}

/**
 * The difference of two placements, each thing in it once and with what it was before: what a rehearsal holds, what is applied, and
 * what an applied change is taken back by. Plain data, as it is stored.
 */
export interface PlacementDraft {
  readonly places: readonly DraftedPlaces[];
  readonly categories: readonly DraftedCategory[];
}

export const emptyDraft: PlacementDraft = { places: [], categories: [] };

export function isEmptyDraft({ places, categories }: PlacementDraft): boolean {
  return places.length === 0 && categories.length === 0;
}

/** What becomes of some accounts and categories; the others stay. */
export interface PlacementChange {
  readonly places?: ReadonlyMap<number, PlacesOfAccount>;
  readonly categories?: ReadonlyMap<number, DescribedCategory | null>;
}

const none: PlacesOfAccount = [];

/** The draft with a change more; what comes out as it was before is in it no more. Cost: draft + change. */
export function amendDraft(base: Placement, draft: PlacementDraft, { places = new Map(), categories = new Map() }: PlacementChange): PlacementDraft {
  const amendedPlaces = new Map(draft.places.map((drafted) => [drafted.accountId, drafted]));
  for (const [accountId, after] of places) {
    const before = amendedPlaces.get(accountId)?.before ?? base.places.get(accountId) ?? none;
    if (isSamePlaces(before, after)) amendedPlaces.delete(accountId);
    else amendedPlaces.set(accountId, { accountId, before, after });
  }
  const amendedCategories = new Map(draft.categories.map((drafted) => [drafted.id, drafted]));
  for (const [id, after] of categories) {
    const drafted = amendedCategories.get(id);
    const before = drafted ? drafted.before : (base.categories.get(id) ?? null);
    if (isSame(before, after)) amendedCategories.delete(id);
    else amendedCategories.set(id, { id, before, after });
  }
  return { places: [...amendedPlaces.values()], categories: [...amendedCategories.values()] };
}

/** The placement as the draft would have it. Cost: draft, and categories where it changes some. */
export function applyDraft({ categories, places, drafted }: Placement, draft: PlacementDraft): Placement {
  const changedCategories = draft.categories.length === 0 ? categories : new Map(categories);
  for (const { id, after } of draft.categories) {
    if (after) (changedCategories as Map<number, DescribedCategory>).set(id, after);
    else (changedCategories as Map<number, DescribedCategory>).delete(id);
  }
  const changedPlaces =
    draft.places.length === 0
      ? places
      : OverlaidMap.of(
          places,
          draft.places.map(({ accountId, after }) => [accountId, after.length > 0 ? after : undefined] as const),
        );
  const accountIds = [...(drafted?.accountIds ?? []), ...draft.places.map(({ accountId }) => accountId)];
  return { categories: changedCategories, places: changedPlaces, drafted: { from: drafted?.from ?? places, accountIds } };
}

/** What makes one placement of another. Cost: both. */
export function draftBetween(from: Placement, to: Placement): PlacementDraft {
  const places = new Map([...from.places.keys()].map((id): [number, PlacesOfAccount] => [id, to.places.get(id) ?? none]));
  const categories = new Map([...from.categories.keys()].map((id): [number, DescribedCategory | null] => [id, to.categories.get(id) ?? null]));
  return amendDraft(from, emptyDraft, { places: new Map([...places, ...to.places]), categories: new Map([...categories, ...to.categories]) });
}

/** What takes it back. */
export function invertDraft({ places, categories }: PlacementDraft): PlacementDraft {
  return {
    places: places.map(({ accountId, before, after }) => ({ accountId, before: after, after: before })),
    categories: categories.map(({ id, before, after }) => ({ id, before: after, after: before })),
  };
}

/** The draft with the ids that its new categories got. */
export function draftWithIds({ places, categories }: PlacementDraft, ids: ReadonlyMap<number, number>): PlacementDraft {
  const idOf = (id: number): number => ids.get(id) ?? id;
  const describing = (category: DescribedCategory | null): DescribedCategory | null =>
    category && {
      ...category,
      id: idOf(category.id),
      parentId: category.parentId === null ? null : idOf(category.parentId),
      contraOf: category.contraOf === null ? null : idOf(category.contraOf),
    };
  return {
    places: places.map(({ accountId, before, after }) => ({
      accountId,
      before,
      after: after.map((place) => ({ ...place, categoryId: idOf(place.categoryId) })),
    })),
    categories: categories.map(({ id, before, after }) => ({ id: idOf(id), before: describing(before), after: describing(after) })),
  };
}

/** Something that is not any more as the draft found it. `theirs` is how it stands now; `null` for a category that has gone. */
export type DraftConflict =
  | { readonly thing: 'account'; readonly drafted: DraftedPlaces; readonly theirs: PlacesOfAccount }
  | { readonly thing: 'category'; readonly drafted: DraftedCategory; readonly theirs: DescribedCategory | null };

/**
 * The draft on a placement that has changed meanwhile: what came about in the same way is in it no more, and what somebody else changed
 * otherwise is a conflict, and left out. `accountIds`: the accounts that are still there; changes of others go.
 */
export function rebaseDraft(
  current: Placement,
  draft: PlacementDraft,
  accountIds: { has(accountId: number): boolean },
): { readonly draft: PlacementDraft; readonly conflicts: readonly DraftConflict[] } {
  const conflicts: DraftConflict[] = [];
  const places = draft.places.filter((drafted) => {
    const theirs = current.places.get(drafted.accountId) ?? none;
    if (!accountIds.has(drafted.accountId) || isSamePlaces(theirs, drafted.after)) return false;
    if (isSamePlaces(theirs, drafted.before)) return true;
    conflicts.push({ thing: 'account', drafted, theirs });
    return false;
  });
  const categories = draft.categories.filter((drafted) => {
    const theirs = current.categories.get(drafted.id) ?? null;
    if (isSame(theirs, drafted.after)) return false;
    if (isSame(theirs, drafted.before)) return true;
    conflicts.push({ thing: 'category', drafted, theirs });
    return false;
  });
  const isUnchanged = places.length === draft.places.length && categories.length === draft.categories.length;
  return { draft: isUnchanged ? draft : { places, categories }, conflicts };
}

function isSame(a: DescribedCategory | null, b: DescribedCategory | null): boolean {
  return a === null || b === null ? a === b : isSameCategory(a, b);
}
