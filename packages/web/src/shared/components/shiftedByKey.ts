/** One of several moved by a place in their order; the same list where it cannot be. */
export function shiftedByKey<Item extends { readonly key: string }>(items: readonly Item[], key: string, by: 1 | -1): readonly Item[] {
  const at = items.findIndex((item) => item.key === key);
  const [item, other] = [items[at], items[at + by]];
  return item && other ? items.with(at, other).with(at + by, item) : items;
}
