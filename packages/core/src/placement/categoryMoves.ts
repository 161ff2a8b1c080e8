import type { DigitOrder } from '../chart/numberOrder.ts';
import type { PlacementChange } from './draft.ts';
import type { DescribedCategory, Placement, PlacesOfAccount } from './placement.ts';
import { rangesJoined } from './rangeMoves.ts';

/** Siblings in their order. */
export function siblingsOf({ categories }: Placement, { parentId, element }: Pick<DescribedCategory, 'parentId' | 'element'>): DescribedCategory[] {
  return [...categories.values()]
    .filter((category) => category.parentId === parentId && category.element === element)
    .sort((a, b) => a.position - b.position || a.id - b.id);
}

const between = 1000;

/** A category as it is to be, behind a sibling (`null`: first); its siblings get other positions only where there is no room. */
export function categoryPut(placement: Placement, category: DescribedCategory, after: number | null): PlacementChange {
  const siblings = siblingsOf(placement, category).filter(({ id }) => id !== category.id);
  const at = after === null ? 0 : siblings.findIndex(({ id }) => id === after) + 1;
  const [before, behind] = [siblings[at - 1], siblings[at]];
  const room = behind ? behind.position - (before?.position ?? 0) : 2 * between;
  if (room > 1) {
    const position = behind ? (before?.position ?? 0) + Math.floor(room / 2) : (before?.position ?? 0) + between;
    return { categories: new Map([[category.id, { ...category, position }]]) };
  }
  const inOrder = siblings.toSpliced(at, 0, category);
  return { categories: new Map(inOrder.map((sibling, index) => [sibling.id, { ...sibling, position: (index + 1) * between }])) };
}

/** Behind all its siblings. */
export function categoryPutLast(placement: Placement, category: DescribedCategory): PlacementChange {
  const last = siblingsOf(placement, category).findLast(({ id }) => id !== category.id);
  return categoryPut(placement, category, last?.id ?? null);
}

/** A category nested elsewhere, of the same element; what only a top category says is said by it no more, or proposed anew by `proposed`. */
export function categoryNested(
  placement: Placement,
  category: DescribedCategory,
  parentId: number | null,
  after: number | null | 'last',
  proposed: Pick<DescribedCategory, 'term' | 'step'>,
): PlacementChange {
  const isElsewhere = category.parentId !== parentId;
  const nested = { ...category, parentId, ...(isElsewhere ? { ...proposed, contraOf: null } : {}) };
  const put = after === 'last' ? categoryPutLast(placement, nested) : categoryPut(placement, nested, after);
  return isElsewhere ? { categories: new Map([...leftByContras(placement, category.id), ...(put.categories ?? [])]) } : put;
}

/**
 * A category that goes. Accounts that stand in it by hand, and its ranges, go to `into`, or are unplaced; its subcategories go up to where
 * it stood, or into `into` where `withBelow` says so. `null` where the ranges of both cannot be one text.
 */
export function categoryRemoved(placement: Placement, id: number, into: number | null, withBelow: boolean, order: DigitOrder): PlacementChange | null {
  const { categories, places } = placement;
  const category = categories.get(id);
  const target = into === null ? null : categories.get(into);
  if (!category || target === undefined) return {};
  const changed = new Map<number, DescribedCategory | null>(leftByContras(placement, id));
  const under = withBelow && target ? target.id : category.parentId;
  const children = siblingsOf(placement, { parentId: id, element: category.element });
  const around = siblingsOf(placement, { parentId: under, element: category.element });
  const goesUp = under === category.parentId;
  const inOrder = goesUp ? around.flatMap((sibling) => (sibling === category ? children : [sibling])) : [...around, ...children];
  // One that goes up takes the place itself; for several the siblings make room.
  const takesPlace = goesUp && children.length === 1;
  const top = under === null ? { term: category.term, step: category.step } : { term: null, step: null };
  for (const [at, one] of children.length === 0 ? [] : inOrder.entries()) {
    const position = (at + 1) * between;
    if (one.parentId === id) changed.set(one.id, { ...one, ...top, parentId: under, position: takesPlace ? category.position : position });
    else if (!takesPlace) changed.set(one.id, { ...one, ...changed.get(one.id), position });
  }
  if (target) {
    const ranges = rangesJoined(target.ranges, category.ranges, order);
    if (!ranges) return null;
    const own = changed.get(target.id) ?? target;
    if (category.ranges.length > 0) changed.set(target.id, { ...own, ranges });
  }
  changed.set(id, null);
  const moved = new Map<number, PlacesOfAccount>();
  for (const [accountId, own] of places) {
    if (!own.some(({ categoryId }) => categoryId === id)) continue;
    moved.set(
      accountId,
      target
        ? oneWhereBoth(own.map((place) => (place.categoryId === id ? { ...place, categoryId: target.id } : place)))
        : own.filter(({ categoryId }) => categoryId !== id),
    );
  }
  return { categories: changed, places: moved };
}

/** Both sides in one category is one place for any balance. */
function oneWhereBoth(places: PlacesOfAccount): PlacesOfAccount {
  const [first, second] = places;
  return first && second && first.categoryId === second.categoryId ? [{ side: 'any', categoryId: first.categoryId }] : places;
}

/** Categories that were deducted from one that goes or moves stand for themselves. */
function leftByContras({ categories }: Placement, id: number): [number, DescribedCategory][] {
  return [...categories.values()].flatMap((other): [number, DescribedCategory][] => (other.contraOf === id ? [[other.id, { ...other, contraOf: null }]] : []));
}
