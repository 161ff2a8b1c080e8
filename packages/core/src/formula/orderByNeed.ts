export interface NeedOrder {
  /** Each stands behind what it needs; those of a cycle are not among them, nor is what needs them. */
  readonly order: readonly string[];
  /** Each needs the one behind it, and the last the first. */
  readonly cycles: readonly (readonly string[])[];
}

/** Keys in an order in which they can be reckoned. `needsOf`: what has to be known before. Cost: keys + needs. */
export function orderByNeed(keys: Iterable<string>, needsOf: (key: string) => readonly string[]): NeedOrder {
  const order: string[] = [];
  const cycles: string[][] = [];
  const state = new Map<string, 'open' | 'done' | 'stuck'>();
  const path: string[] = [];
  const visit = (key: string): boolean => {
    const visited = state.get(key);
    if (visited === 'open') {
      cycles.push(path.slice(path.indexOf(key)));
      return false;
    }
    if (visited) return visited === 'done';
    state.set(key, 'open');
    path.push(key);
    let isKnown = true;
    for (const needed of needsOf(key)) if (!visit(needed)) isKnown = false;
    path.pop();
    state.set(key, isKnown ? 'done' : 'stuck');
    if (isKnown) order.push(key);
    return isKnown;
  };
  for (const key of keys) visit(key);
  return { order, cycles };
}
