import type { LineOrigin } from './layoutFacts.ts';
import type { Adjustment, FollowsOwnLine, Inserted } from './ownLayout.ts';

/**
 * The line that follows with the lines of one of its groups in this order: each inserted line, and each line of the tree
 * that is not where the tree has it, stands behind the one before it. What is where the tree has it is left to the tree.
 * `keys`: all that are shown in the group, those that were inserted lately too.
 */
export function inOrder(line: FollowsOwnLine, within: string | null, keys: readonly string[], origins: ReadonlyMap<string, LineOrigin>): FollowsOwnLine {
  const before = new Map(keys.map((key, at) => [key, keys[at - 1] ?? null]));
  const ofTree = keys.flatMap((key) => {
    const origin = origins.get(key);
    return origin?.kind === 'followed' && origin.by === line.key ? [{ key, at: origin.at }] : [];
  });
  const staying = new Set(longestRun(ofTree.map(({ at }) => at)).map((index) => ofTree[index]?.key));
  const moved = new Set(ofTree.flatMap(({ key }) => (staying.has(key) ? [] : [key])));
  const isOfGroup = new Set(ofTree.map(({ key }) => key));
  const adjustmentOf = new Map(line.adjustments.map((one) => [one.key, one]));
  const placed = [...moved].map((key): Adjustment => ({ ...adjustmentOf.get(key), key, after: before.get(key) ?? null }));
  const others = line.adjustments.flatMap((one): Adjustment[] => {
    if (moved.has(one.key)) return [];
    if (!isOfGroup.has(one.key) || one.after === undefined) return [one];
    const { after: _, ...rest } = one;
    return Object.keys(rest).length > 1 ? [rest] : [];
  });
  const insertedOf = new Map(line.inserted.map((one) => [one.line.key, one]));
  const ownHere = keys.flatMap((key): Inserted[] => {
    const one = insertedOf.get(key);
    return one ? [{ ...one, within, after: before.get(key) ?? null }] : [];
  });
  const here = new Set(ownHere.map((one) => one.line.key));
  return { ...line, adjustments: [...others, ...placed], inserted: [...line.inserted.filter((one) => !here.has(one.line.key)), ...ownHere] };
}

/** Indices of a longest ascending run of the numbers, which need not stand beside each other. Cost: n². */
function longestRun(numbers: readonly number[]): number[] {
  const length = numbers.map(() => 1);
  const previous = numbers.map(() => -1);
  let best = -1;
  for (const [at, number] of numbers.entries()) {
    for (let earlier = 0; earlier < at; earlier++)
      if ((numbers[earlier] as number) < number && (length[earlier] as number) + 1 > (length[at] as number)) {
        length[at] = (length[earlier] as number) + 1;
        previous[at] = earlier;
      }
    if (best < 0 || (length[at] as number) > (length[best] as number)) best = at;
  }
  const run: number[] = [];
  for (let at = best; at >= 0; at = previous[at] as number) run.unshift(at);
  return run;
}
