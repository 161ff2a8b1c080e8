import type { Portions } from '../placement/place.ts';

/** Categories in which a portion of an account stands directly. */
export function occupiedCategories(portions: ReadonlyMap<number, Portions>): Set<number> {
  const occupied = new Set<number>();
  for (const { debit, credit } of portions.values()) {
    if (debit !== null) occupied.add(debit);
    if (credit !== null) occupied.add(credit);
  }
  return occupied;
}
