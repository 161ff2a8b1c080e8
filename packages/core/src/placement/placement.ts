import type { CaptionInLanguage } from './captionsIn.ts';
import type { Category, Nature } from './category.ts';
import { type Place, type PlaceSide, placesByAccount } from './place.ts';

/** Account numbers that a category takes, in their text form. */
export interface RangeTextOfSide {
  readonly side: PlaceSide;
  readonly text: string;
}

/** A category with all that it bears. */
export interface DescribedCategory extends Category {
  /** `null`: that of the category above it, or what its step and term say. */
  readonly nature: Nature | null;
  /** Number of the note to the statements that it belongs to; empty where there is none. */
  readonly note: string;
  /** What belongs here and what does not. */
  readonly description: string;
  readonly ranges: readonly RangeTextOfSide[];
  readonly captions: readonly CaptionInLanguage[];
}

/** One that has no id yet, and stands behind its siblings. */
export type NewCategory = Omit<DescribedCategory, 'id' | 'position'>;

/** The places by hand of one account. */
export type PlacesOfAccount = readonly Omit<Place, 'accountId'>[];

/** Categories by id, and the places by hand of each account that has any. */
export interface Placement {
  readonly categories: ReadonlyMap<number, DescribedCategory>;
  readonly places: ReadonlyMap<number, PlacesOfAccount>;
  /** Of one that a draft made of another: no other accounts than these have other places than there. */
  readonly drafted?: { readonly from: Placement['places']; readonly accountIds: readonly number[] };
}

/** Accounts that may have other places in one placement than in the other; `null`: any. So that a move costs by what moves, and not by the chart. */
export function mayDiffer(a: Placement, b: Placement): ReadonlySet<number> | null {
  const from = a.drafted?.from ?? a.places;
  if (from !== (b.drafted?.from ?? b.places)) return null;
  return new Set([...(a.drafted?.accountIds ?? []), ...(b.drafted?.accountIds ?? [])]);
}

export function placementOf(categories: readonly DescribedCategory[], places: readonly Place[]): Placement {
  return { categories: new Map(categories.map((category) => [category.id, category])), places: placesByAccount(places) };
}

export function isSamePlaces(a: PlacesOfAccount, b: PlacesOfAccount): boolean {
  return a.length === b.length && a.every((place) => b.some((other) => other.side === place.side && other.categoryId === place.categoryId));
}

/** Ranges and captions are the same in whatever order. */
export function isSameCategory(a: DescribedCategory, b: DescribedCategory): boolean {
  return changedFields(a, b).length === 0;
}

export type CategoryField = Exclude<keyof DescribedCategory, 'id'>;

const fields: readonly CategoryField[] = [
  'parentId',
  'element',
  'name',
  'position',
  'term',
  'step',
  'contraOf',
  'nature',
  'note',
  'description',
  'ranges',
  'captions',
];

/** What two states of a category differ in. */
export function changedFields(a: DescribedCategory, b: DescribedCategory): CategoryField[] {
  return fields.filter((field) => !isSameField(a[field], b[field]));
}

function isSameField(a: DescribedCategory[CategoryField], b: DescribedCategory[CategoryField]): boolean {
  return Array.isArray(a) && Array.isArray(b) ? inOrder(a) === inOrder(b) : a === b;
}

function inOrder(list: readonly (RangeTextOfSide | CaptionInLanguage)[]): string {
  return list
    .map((one) => ('side' in one ? `${one.side} ${one.text}` : `${one.language} ${one.caption}`))
    .sort()
    .join('\n');
}

/** What a category is known by among its siblings: names without regard to case. */
export function siblingKey({ element, parentId, name }: Pick<DescribedCategory, 'element' | 'parentId' | 'name'>): string {
  return `${element} ${parentId ?? ''} ${name.toLowerCase()}`;
}
