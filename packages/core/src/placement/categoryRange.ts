import { counterElement, type Element, otherSide, type Side } from '../chart/element.ts';
import type { DigitOrder } from '../chart/numberOrder.ts';
import { type NumberRanges, numberKey, rangeTest } from '../chart/numberRange.ts';
import { type CategoryNode, type CategoryTree, isWithin } from './categoryTree.ts';
import { type Place, type PlaceSide, type Portions, placesByAccount, unplaced } from './place.ts';

/** Account numbers that a category takes, for any balance or for one side. */
export interface CategoryRange {
  readonly categoryId: number;
  readonly side: PlaceSide;
  readonly ranges: NumberRanges;
}

/** What ranges make of one account, beside the places that were given it by hand. */
export interface PlacedByRange {
  /** Only portions that no place by hand takes. */
  readonly places: readonly Omit<Place, 'accountId'>[];
  /** Categories that do not stand in one path and all take it: it stands in none of them. */
  readonly doubledIn: readonly number[];
  /** Of an account that stands nowhere on a side: categories whose ranges hold its number though they are of an element that cannot take it. */
  readonly oddIn: readonly number[];
  /** Categories whose ranges hold its number, and which a place by hand keeps from it: one that is neither in the category nor below it. */
  readonly keptFrom: readonly number[];
}

export interface RangedAccount {
  readonly id: number;
  readonly number: string;
  readonly element: Element;
}

export interface Standing {
  /** Where each account stands, by hand or by range; accounts that stand nowhere are not in it. */
  readonly portions: ReadonlyMap<number, Portions>;
  /** Every account that a range has to do with. */
  readonly byRange: ReadonlyMap<number, PlacedByRange>;
}

type OwnPlaces = readonly Omit<Place, 'accountId'>[];

/**
 * Where accounts stand: the explicit place of a portion first; else the deepest category with a range that holds the
 * number, ranges for the portion's side before those for any. A range takes accounts of its category's element, with
 * a side also of the counter-element while the account's other side stands under its own. Cost: accounts × ranges.
 */
export function standingOf(
  accounts: readonly RangedAccount[],
  places: readonly Place[],
  ranges: readonly CategoryRange[],
  tree: CategoryTree,
  order: DigitOrder,
): Standing {
  const own = placesByAccount(places);
  const portions = new Map<number, Portions>();
  const byRange = new Map<number, PlacedByRange>();
  const placeByRange = rangePlacer(ranges, tree, order);
  for (const account of accounts) {
    const byHand = own.get(account.id) ?? [];
    const ranged = placeByRange(account, byHand);
    if (ranged) byRange.set(account.id, ranged);
    const stands = portionsOf([...byHand, ...(ranged?.places ?? [])]);
    if (stands.debit !== null || stands.credit !== null) portions.set(account.id, stands);
  }
  return { portions, byRange };
}

/** By hand and by range together. */
export function placesOf(accountId: number, own: ReadonlyMap<number, OwnPlaces>, byRange: Standing['byRange']): OwnPlaces {
  const byHand = own.get(accountId) ?? [];
  const ranged = byRange.get(accountId)?.places ?? [];
  return ranged.length === 0 ? byHand : [...byHand, ...ranged];
}

/** For one account after the other what ranges make of it; `null` where none has to do with it. */
export function rangePlacer(
  ranges: readonly CategoryRange[],
  tree: CategoryTree,
  order: DigitOrder,
): (account: RangedAccount, own: OwnPlaces) => PlacedByRange | null {
  const tests = ranges.flatMap(({ categoryId, side, ranges: held }) => {
    const node = tree.nodes.get(categoryId);
    return node && held.include.length > 0 ? [{ node, side, holds: rangeTest(held, order) }] : [];
  });
  return ({ number, element }, own) => {
    const key = numberKey(number, order);
    const holding = tests.filter(({ holds }) => holds(key));
    if (holding.length === 0) return null;
    const taken = portionsOf(own);
    const counter = counterElement(element);
    const doubledIn = new Set<number>();
    const at = (side: PlaceSide, of: Element | null) =>
      holding.filter((test) => test.side === side && test.node.category.element === of).map(({ node }) => node);
    const ownOf = (side: Side) => taken[side] ?? deepestOf(firstOf(at(side, element), at('any', element)));
    const standsOwn = (side: Side) => tree.nodes.get(ownOf(side) ?? -1)?.category.element === element;
    const rangedOf = (side: Side): number | null => {
      if (taken[side] !== null) return null;
      const nodes = firstOf(at(side, element), standsOwn(otherSide(side)) ? at(side, counter) : [], at('any', element));
      const found = deepestOf(nodes);
      if (found === null) for (const node of lowestOf(nodes)) doubledIn.add(node.category.id);
      return found;
    };
    const [debit, credit] = [rangedOf('debit'), rangedOf('credit')];
    const places: OwnPlaces =
      debit !== null && debit === credit
        ? [{ side: 'any', categoryId: debit }]
        : [
            ...(debit === null ? [] : [{ side: 'debit' as const, categoryId: debit }]),
            ...(credit === null ? [] : [{ side: 'credit' as const, categoryId: credit }]),
          ];
    const odd = holding.filter(({ node: { category } }) => category.element !== element && category.id !== debit && category.id !== credit);
    const isPlaced = (taken.debit ?? debit) !== null && (taken.credit ?? credit) !== null;
    const kept = holding.filter(({ node: { category }, side }) => {
      const isTaken = category.element === element || (side !== 'any' && category.element === counter);
      return isTaken && own.some((place) => meet(place.side, side) && place.categoryId !== category.id && !isWithin(tree, place.categoryId, category.id));
    });
    return {
      places,
      doubledIn: [...doubledIn],
      oddIn: own.length > 0 || isPlaced ? [] : idsIn(odd),
      keptFrom: idsIn(kept),
    };
  };
}

function idsIn(tests: readonly { readonly node: CategoryNode }[]): number[] {
  return [...new Set(tests.map(({ node }) => node.category.id))];
}

/** Whether two of them have a side in common. */
function meet(a: PlaceSide, b: PlaceSide): boolean {
  return a === 'any' || b === 'any' || a === b;
}

function firstOf(...lists: readonly (readonly CategoryNode[])[]): readonly CategoryNode[] {
  return lists.find((list) => list.length > 0) ?? [];
}

/** The lowest category of one path; `null` where there is none, or where they stand in several. */
function deepestOf(nodes: readonly CategoryNode[]): number | null {
  const [lowest, ...others] = lowestOf(nodes);
  return lowest && others.length === 0 ? lowest.category.id : null;
}

/** Those with none of the others below them. */
function lowestOf(nodes: readonly CategoryNode[]): CategoryNode[] {
  const all = [...new Set(nodes)];
  return all.filter((node) => !all.some((other) => other !== node && isAbove(node, other)));
}

/**
 * The places by hand that keep an account where it stands although ranges would now have it elsewhere; `null` where
 * nothing is to be done, or where it stood nowhere.
 */
export function placesKept(before: OwnPlaces, after: OwnPlaces): OwnPlaces | null {
  const [was, is] = [portionsOf(before), portionsOf(after)];
  return before.length === 0 || (was.debit === is.debit && was.credit === is.credit) ? null : before;
}

export function portionsOf(places: OwnPlaces): Portions {
  return places.reduce<Portions>(
    (sum, { side, categoryId }) => ({ debit: side === 'credit' ? sum.debit : categoryId, credit: side === 'debit' ? sum.credit : categoryId }),
    unplaced,
  );
}

function isAbove(node: CategoryNode, below: CategoryNode): boolean {
  for (let at: CategoryNode | null = below; at; at = at.parent) if (at === node) return true;
  return false;
}
