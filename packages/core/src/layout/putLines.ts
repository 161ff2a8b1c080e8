import { fail, type Outcome, succeed } from '../outcome.ts';
import { inOrder } from './followOrder.ts';
import { type ExpandedLayout, linesIn } from './layoutFacts.ts';
import { type FollowsOwnLine, mapOwn, type OwnLayout, type OwnLine } from './ownLayout.ts';

/** Where a line stands: in which group (`null`: the topmost lines), behind which line (`null`: first). */
export interface Spot {
  readonly within: string | null;
  readonly after: string | null;
}

export type EditRefused =
  | { readonly code: 'line_unknown'; readonly line: string }
  | { readonly code: 'line_key_taken'; readonly line: string }
  | { readonly code: 'line_takes_no_lines'; readonly line: string }
  | { readonly code: 'line_within_itself'; readonly line: string }
  /** A line that follows moves among those beside it only. */
  | { readonly code: 'line_follows'; readonly line: string }
  | { readonly code: 'line_in_use'; readonly line: string; readonly by: readonly string[] };

export type Edited = Outcome<OwnLayout, EditRefused>;

/** Keys of the lines in a group as they stand, without those that come with another. */
export function keysInGroup(expanded: ExpandedLayout, within: string | null): string[] {
  return linesIn(expanded, within).flatMap(({ key }) => (expanded.origins.get(key)?.kind === 'made' ? [] : [key]));
}

function insertAt<One>(list: readonly One[], at: number, added: readonly One[]): One[] {
  return [...list.slice(0, at), ...added, ...list.slice(at)];
}

/** Where behind a line is, in a list without the lines that move; behind one that is not there is the end. */
function placeBehind(after: string | null, all: readonly string[], moving: ReadonlySet<string>): number {
  if (after === null) return 0;
  const at = all.indexOf(after);
  const before = at < 0 ? all : all.slice(0, at + 1);
  return before.filter((key) => !moving.has(key)).length;
}

/** Puts lines of the author's, and lines of the tree that stand in that group already, at a spot, in the order of `order` or as they come. */
export function put(
  layout: OwnLayout,
  lines: readonly OwnLine[],
  ofTree: readonly string[],
  { within, after }: Spot,
  expanded: ExpandedLayout,
  order?: readonly string[],
): Edited {
  const { origins } = expanded;
  const origin = within === null ? null : origins.get(within);
  if (origin === undefined) return fail({ code: 'line_unknown', line: within ?? '' });
  const moving = new Set([...lines.map(({ key }) => key), ...ofTree]);
  const follows = origin?.kind === 'followed' ? origin.by : origin?.kind === 'own' && origin.line.kind === 'follows' ? within : null;
  if (follows === null) {
    const [followed] = ofTree;
    if (followed !== undefined) return fail({ code: 'line_follows', line: followed });
    // What moves within its group was taken out of it before.
    const behind = after !== null && moving.has(after) ? anchorBefore(after, keysInGroup(expanded, within), moving) : after;
    const into = (siblings: readonly OwnLine[]): OwnLine[] => {
      const keys = siblings.map(({ key }) => key);
      return insertAt(siblings, placeBehind(behind, keys, moving), lines);
    };
    if (within === null) return succeed({ ...layout, lines: into(layout.lines) });
    if (origin?.kind !== 'own' || (origin.line.kind !== 'group' && origin.line.kind !== 'heading')) return fail({ code: 'line_takes_no_lines', line: within });
    return succeed(
      mapOwn(layout, (line) => (line.key === within && (line.kind === 'group' || line.kind === 'heading') ? { ...line, children: into(line.children) } : line)),
    );
  }
  const group = origin?.kind === 'followed' ? within : null;
  if (origin?.kind === 'followed' && !keysInGroup(expanded, within).length) return fail({ code: 'line_takes_no_lines', line: within as string });
  const all = keysInGroup(expanded, within);
  const kept = all.filter((key) => !moving.has(key));
  const keys = insertAt(kept, placeBehind(after, all, moving), order ?? [...lines.map(({ key }) => key), ...ofTree]);
  return succeed(
    mapOwn(layout, (line) => {
      if (line.kind !== 'follows' || line.key !== follows) return line;
      const inserted = [...line.inserted, ...lines.map((own) => ({ within: group, after: null, line: own }))];
      return inOrder({ ...line, inserted }, group, keys, origins);
    }),
  );
}

function anchorBefore(after: string, all: readonly string[], moving: ReadonlySet<string>): string | null {
  for (let at = all.indexOf(after); at >= 0; at--) if (!moving.has(all[at] as string)) return all[at] as string;
  return null;
}

/** Without the lines; what stands beside them keeps its place. */
export function takeOut(layout: OwnLayout, keys: ReadonlySet<string>, expanded: ExpandedLayout): OwnLayout {
  if (keys.size === 0) return layout;
  const stays = ({ key }: OwnLine): boolean => !keys.has(key);
  const lines = layout.lines.every(stays) ? layout.lines : layout.lines.filter(stays);
  return mapOwn(lines === layout.lines ? layout : { ...layout, lines }, (line) => {
    if ((line.kind === 'group' || line.kind === 'heading') && !line.children.every(stays)) return { ...line, children: line.children.filter(stays) };
    if (line.kind !== 'follows' || line.inserted.every((one) => stays(one.line))) return line;
    const groups = new Set(line.inserted.flatMap((one) => (stays(one.line) ? [] : [one.within])));
    let left: FollowsOwnLine = { ...line, inserted: line.inserted.filter((one) => stays(one.line)) };
    for (const within of groups)
      left = inOrder(
        left,
        within,
        keysInGroup(expanded, within ?? line.key).filter((key) => !keys.has(key)),
        expanded.origins,
      );
    return left;
  });
}
