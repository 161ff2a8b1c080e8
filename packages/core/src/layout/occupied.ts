import type { Portions } from '../placement/place.ts';

const occupiedOf = new WeakMap<ReadonlyMap<number, Portions>, ReadonlySet<number>>();

/** Categories in which a portion of an account stands directly; every layout over the same portions asks for them. */
export function occupiedCategories(portions: ReadonlyMap<number, Portions>): ReadonlySet<number> {
  const before = occupiedOf.get(portions);
  if (before) return before;
  const occupied = new Set<number>();
  portions.forEach(({ debit, credit }) => {
    if (debit !== null) occupied.add(debit);
    if (credit !== null) occupied.add(credit);
  });
  occupiedOf.set(portions, occupied);
  return occupied;
}
