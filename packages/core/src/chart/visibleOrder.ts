/** What a table of rows in tree order shows of them; rows are named by their place in that order. */
export interface RowsWanted {
  /** Nesting from 0, each row directly before its descendants. */
  readonly depth: readonly number[];
  /** Rows whose descendants are put away; without effect where rows are sought or ordered otherwise. */
  readonly shut: ReadonlySet<number>;
  readonly isSought: ((row: number) => boolean) | null;
  /** Another order than the tree's; ties keep the tree's. */
  readonly compare: ((a: number, b: number) => number) | null;
}

/** The rows to show, from top to bottom. Rows that are sought or ordered are shown flat. Cost: n, or n log n where ordered. */
export function visibleOrder({ depth, shut, isSought, compare }: RowsWanted): Int32Array {
  const order = new Int32Array(depth.length);
  let count = 0;
  let hiddenBelow = Number.POSITIVE_INFINITY;
  const isFlat = isSought !== null || compare !== null;
  for (const [row, level] of depth.entries()) {
    if (level <= hiddenBelow) hiddenBelow = Number.POSITIVE_INFINITY;
    else if (!isFlat) continue;
    if (!isFlat && shut.has(row)) hiddenBelow = Math.min(hiddenBelow, level);
    if (isSought === null || isSought(row)) order[count++] = row;
  }
  const shown = order.subarray(0, count);
  if (compare) shown.sort((a, b) => compare(a, b) || a - b);
  return shown;
}
