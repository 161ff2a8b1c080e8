import { type CategoryTree, counterElement, type DescribedCategory, type DigitOrder, numberKey, rangeTest, readRangeText } from '@ivory-ladder/core';
import type { PlacedAccount } from '../rehearsal/index.ts';

/**
 * By category, the accounts whose number its ranges hold and which a place by hand in another category keeps from it: a range that is written
 * would do nothing, without a word. What stands below the category stands in it. Cost: categories with ranges × accounts.
 */
export function heldByHand(
  categories: ReadonlyMap<number, DescribedCategory>,
  tree: CategoryTree,
  accounts: Iterable<PlacedAccount>,
  order: DigitOrder,
): ReadonlyMap<number, readonly PlacedAccount[]> {
  const tests = [...categories].flatMap(([id, { ranges }]) =>
    ranges.flatMap(({ side, text }) => {
      const read = readRangeText(text, order);
      const element = tree.nodes.get(id)?.category.element;
      return read.ok && read.value.include.length > 0 && element ? [{ id, side, element, holds: rangeTest(read.value, order) }] : [];
    }),
  );
  const held = new Map<number, Set<PlacedAccount>>();
  if (tests.length === 0) return new Map();
  for (const account of accounts) {
    if (account.places.length === 0) continue;
    const key = numberKey(account.number, order);
    for (const { id, side, element, holds } of tests) {
      const isFit = element === account.element || (side !== 'any' && element === counterElement(account.element));
      if (!isFit || !holds(key)) continue;
      const apart = account.places.some((place) => (side === 'any' || place.side === 'any' || place.side === side) && !standsIn(tree, place.categoryId, id));
      if (apart) held.set(id, (held.get(id) ?? new Set()).add(account));
    }
  }
  return new Map([...held].map(([id, found]) => [id, [...found]]));
}

function standsIn(tree: CategoryTree, inner: number, outer: number): boolean {
  for (let node = tree.nodes.get(inner) ?? null; node; node = node.parent) if (node.category.id === outer) return true;
  return false;
}
