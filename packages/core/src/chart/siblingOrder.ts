/** Where an account stands among its siblings: last, first, or behind one of them. */
export type SiblingPlace = 'last' | 'first' | { readonly after: number };

/** Ids of the siblings with the account among them, in their new order; an unknown neighbour counts as last. */
export function siblingsWith(siblings: readonly number[], own: number, place: SiblingPlace): number[] {
  const others = siblings.filter((id) => id !== own);
  const behind = typeof place === 'object' ? others.indexOf(place.after) : -1;
  const at = place === 'first' ? 0 : behind < 0 ? others.length : behind + 1;
  return others.toSpliced(at, 0, own);
}
