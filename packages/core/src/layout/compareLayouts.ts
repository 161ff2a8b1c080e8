import { type FlatLine, flatten, isSame, withoutLines } from './flatLines.ts';
import type { OwnLayout, OwnLine } from './ownLayout.ts';

/** What of a line of the author's is otherwise in one state of a layout than in another. */
export interface LineComparison {
  readonly key: string;
  /** As the later state has it; of a line that has gone, as the earlier one had it. */
  readonly line: OwnLine;
  readonly state: 'added' | 'removed' | 'changed';
  /** Fields of the line that say something else, `kind` alone where it is of another kind; none of a line that only stands elsewhere. */
  readonly fields: readonly string[];
  /** In another group, or before a line that it stood behind. */
  readonly isMoved: boolean;
}

export interface LayoutComparison {
  /** In the order of the later state, then what has gone. */
  readonly lines: readonly LineComparison[];
  /** Fields of the layout as a whole: title, columns, transfers. */
  readonly settings: readonly string[];
}

/** Two states of a layout, line by line and setting by setting, whatever figures they show. Cost: lines of both, and their square within one group. */
export function compareLayouts(before: OwnLayout, after: OwnLayout): LayoutComparison {
  const [was, is] = [flatten(before), flatten(after)];
  const moved = movedKeys(was, is);
  const lines = [...is].flatMap(([key, { line }]): LineComparison[] => {
    const former = was.get(key);
    if (former === undefined) return [{ key, line, state: 'added', fields: [], isMoved: false }];
    const fields = former.line.kind === line.kind ? fieldsAtOdds(former.line, line) : ['kind'];
    const isMoved = moved.has(key);
    return fields.length === 0 && !isMoved ? [] : [{ key, line, state: 'changed', fields, isMoved }];
  });
  const gone = [...was].flatMap(([key, { line }]): LineComparison[] => (is.has(key) ? [] : [{ key, line, state: 'removed', fields: [], isMoved: false }]));
  const ofWhole = fieldsAtOdds({ ...withoutLines(before), transfers: before.transfers ?? [] }, { ...withoutLines(after), transfers: after.transfers ?? [] });
  return { lines: [...lines, ...gone], settings: ofWhole };
}

function fieldsAtOdds(before: object, after: object): string[] {
  const [was, is] = [before as Readonly<Record<string, unknown>>, after as Readonly<Record<string, unknown>>];
  return [...new Set([...Object.keys(was), ...Object.keys(is)])].filter((field) => !isSame(was[field], is[field]));
}

/** As few lines as can have been moved: those in another group, and in each group those outside the longest row of lines that kept their order. */
function movedKeys(was: ReadonlyMap<string, FlatLine>, is: ReadonlyMap<string, FlatLine>): ReadonlySet<string> {
  const moved = new Set([...is].flatMap(([key, { parent }]) => (was.has(key) && was.get(key)?.parent !== parent ? [key] : [])));
  for (const siblings of new Set([...is.values()].map((line) => line.siblings))) {
    const stayed = siblings.filter((key) => was.has(key) && !moved.has(key));
    const order = new Map(stayed.map((key) => [key, was.get(key)?.siblings.indexOf(key) ?? 0]));
    const kept = new Set(longestRising(stayed.map((key) => order.get(key) as number)));
    for (const [at, key] of stayed.entries()) if (!kept.has(at)) moved.add(key);
  }
  return moved;
}

/** Places of the longest run of values that rise. */
function longestRising(values: readonly number[]): number[] {
  const best: { readonly length: number; readonly before: number }[] = [];
  for (const [at, value] of values.entries()) {
    let own = { length: 1, before: -1 };
    for (let other = 0; other < at; other++) {
      const { length } = best[other] as { length: number };
      if ((values[other] as number) < value && length + 1 > own.length) own = { length: length + 1, before: other };
    }
    best.push(own);
  }
  const run: number[] = [];
  let end = best.reduce((most, { length }, at) => (length > (best[most]?.length ?? 0) ? at : most), best.length === 0 ? -1 : 0);
  for (; end >= 0; end = best[end]?.before ?? -1) run.push(end);
  return run.reverse();
}
