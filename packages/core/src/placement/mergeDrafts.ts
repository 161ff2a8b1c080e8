import { type DraftedCategory, type DraftedPlaces, draftWithIds, type PlacementDraft } from './draft.ts';
import { isSameCategory, isSamePlaces } from './placement.ts';

export interface MergedDrafts {
  readonly draft: PlacementDraft;
  /** How many changes of it came from theirs. */
  readonly joined: number;
  /** What both changed otherwise and stands as mine has it, by account and by category. */
  readonly overridden: { readonly accountIds: readonly number[]; readonly categoryIds: readonly number[] };
  /** New categories of mine that got another id, because theirs has one of its own under it. */
  readonly ids: ReadonlyMap<number, number>;
}

/**
 * Two drafts that went on from one, `base`, in two windows: what either changed stands, and where both changed the same thing otherwise,
 * mine does, and it is told. Cost: the three drafts.
 */
export function mergeDrafts(base: PlacementDraft, mine: PlacementDraft, theirs: PlacementDraft): MergedDrafts {
  const ids = newIds(base, mine, theirs);
  const own = ids.size === 0 ? mine : draftWithIds(mine, ids);
  const places = mergeById(base.places, own.places, theirs.places, ({ accountId }) => accountId, isSameMove);
  const categories = mergeById(base.categories, own.categories, theirs.categories, ({ id }) => id, isSameDrafted);
  return {
    draft: { places: places.merged, categories: categories.merged },
    joined: places.joined + categories.joined,
    overridden: { accountIds: places.overridden, categoryIds: categories.overridden },
    ids,
  };
}

/** What is left of a draft once another that went on from the same was applied: what that did not have, or has otherwise. */
export function leftOfDraft(draft: PlacementDraft, applied: PlacementDraft): PlacementDraft {
  const moved = new Map(applied.places.map((one) => [one.accountId, one]));
  const changed = new Map(applied.categories.map((one) => [one.id, one]));
  return {
    places: draft.places.filter((one) => !isSameAs(one, moved.get(one.accountId), isSameMove)),
    categories: draft.categories
      .filter((one) => !isSameAs(one, changed.get(one.id), isSameDrafted))
      // A category that was begun in both is there by now.
      .map((one) => (one.before === null ? { ...one, before: changed.get(one.id)?.after ?? null } : one)),
  };
}

function isSameAs<One>(one: One, other: One | undefined, isSame: (a: One, b: One) => boolean): boolean {
  return other !== undefined && isSame(one, other);
}

const isSameMove = (a: DraftedPlaces, b: DraftedPlaces): boolean => isSamePlaces(a.after, b.after);
const isSameDrafted = ({ after: a }: DraftedCategory, { after: b }: DraftedCategory): boolean => (a && b ? isSameCategory(a, b) : a === b);

/** Categories that both began are two, though both counted from the same id. */
function newIds(base: PlacementDraft, mine: PlacementDraft, theirs: PlacementDraft): Map<number, number> {
  const begun = new Set(base.categories.map(({ id }) => id));
  const taken = new Map(theirs.categories.map((one) => [one.id, one]));
  let lowest = Math.min(0, ...[...base.categories, ...mine.categories, ...theirs.categories].map(({ id }) => id));
  const ids = new Map<number, number>();
  for (const one of mine.categories) {
    const other = taken.get(one.id);
    if (one.id < 0 && !begun.has(one.id) && other && !isSameDrafted(one, other)) ids.set(one.id, --lowest);
  }
  return ids;
}

interface Merged<One> {
  readonly merged: One[];
  readonly joined: number;
  readonly overridden: number[];
}

function mergeById<One>(
  base: readonly One[],
  mine: readonly One[],
  theirs: readonly One[],
  idOf: (one: One) => number,
  isSame: (a: One, b: One) => boolean,
): Merged<One> {
  const [was, own, other] = [base, mine, theirs].map((list) => new Map(list.map((one) => [idOf(one), one]))) as [
    Map<number, One>,
    Map<number, One>,
    Map<number, One>,
  ];
  const same = (a: One | undefined, b: One | undefined): boolean => (a === undefined || b === undefined ? a === b : isSame(a, b));
  const merged: One[] = [];
  const overridden: number[] = [];
  let joined = 0;
  for (const id of new Set([...own.keys(), ...other.keys()])) {
    const [b, m, t] = [was.get(id), own.get(id), other.get(id)];
    const isTheirs = same(m, b) && !same(t, b);
    const stands = isTheirs ? t : m;
    if (isTheirs) joined++;
    else if (!same(m, b) && !same(t, b) && !same(m, t)) overridden.push(id);
    if (stands !== undefined) merged.push(stands);
  }
  return { merged, joined, overridden };
}
