import { fail, succeed } from '../outcome.ts';
import { inOrder } from './followOrder.ts';
import type { ExpandedLayout, LineOrigin } from './layoutFacts.ts';
import { namesOf, renamedIn } from './lineNames.ts';
import { type Adjustment, type FollowsOwnLine, mapOwn, type OwnLayout, type OwnLine, ownChildren, walkOwn } from './ownLayout.ts';
import { type Edited, keysInGroup, put, type Spot, takeOut } from './putLines.ts';

export type LayoutEdit =
  | { readonly kind: 'insert'; readonly lines: readonly OwnLine[]; readonly spot: Spot }
  /** A line that follows is left to another line of the layout. */
  | { readonly kind: 'remove'; readonly keys: readonly string[] }
  | { readonly kind: 'move'; readonly keys: readonly string[]; readonly spot: Spot }
  /** The same line with other settings, kind included; its key and what stands in it stay. */
  | { readonly kind: 'change'; readonly line: OwnLine }
  | { readonly kind: 'rename_key'; readonly key: string; readonly to: string }
  /** Of a line that follows; what is `undefined` is as the tree has it again. */
  | { readonly kind: 'adjust'; readonly key: string; readonly changes: AdjustmentChanges }
  | { readonly kind: 'follow_again'; readonly key: string }
  /** Whatever names a line that has gone. */
  | { readonly kind: 'drop_idle'; readonly follows: string; readonly adjusted: string }
  | { readonly kind: 'set'; readonly settings: Partial<Omit<OwnLayout, 'lines' | 'kind'>> };

export type AdjustmentChanges = { readonly [Field in Exclude<keyof Adjustment, 'key' | 'after'>]?: Adjustment[Field] | undefined };

/**
 * The layout after an edit. `expanded` is what it consists of before it, so that lines that follow can be named as well.
 * Keys stay unique, and no sum or formula loses a line. Cost: lines.
 */
export function editLayout(layout: OwnLayout, edit: LayoutEdit, expanded: ExpandedLayout): Edited {
  const { origins } = expanded;
  switch (edit.kind) {
    case 'insert': {
      const added: string[] = [];
      walkOwn(edit.lines, ({ key }) => void added.push(key));
      const taken = added.find((key, at) => origins.has(key) || added.indexOf(key) !== at);
      return taken === undefined ? put(layout, edit.lines, [], edit.spot, expanded) : fail({ code: 'line_key_taken', line: taken });
    }
    case 'remove':
      return remove(layout, edit.keys, expanded);
    case 'move':
      return move(layout, edit.keys, edit.spot, expanded);
    case 'change':
      return changeOwn(layout, edit.line);
    case 'rename_key':
      return renameKey(layout, edit.key, edit.to, origins);
    case 'adjust':
      return inFollows(layout, edit.key, origins, (line) => adjusted(line, edit.key, edit.changes));
    case 'follow_again':
      return inFollows(layout, edit.key, origins, (line) => ({ ...line, adjustments: line.adjustments.filter(({ key }) => key !== edit.key) }));
    case 'drop_idle':
      return succeed(mapOwn(layout, (line) => (line.kind === 'follows' && line.key === edit.follows ? withoutIdle(line, edit.adjusted, expanded) : line)));
    case 'set':
      return succeed({ ...layout, ...edit.settings });
  }
}

/** Keys of a line and of all that stands in it, those that it makes by following among them. */
function keysWithin(line: OwnLine, origins: ReadonlyMap<string, LineOrigin>): string[] {
  const keys: string[] = [];
  walkOwn([line], ({ key, kind }) => {
    keys.push(key);
    if (kind === 'follows' || kind === 'result') for (const [made, origin] of origins) if (origin.kind !== 'own' && origin.by === key) keys.push(made);
  });
  return keys;
}

function remove(layout: OwnLayout, keys: readonly string[], expanded: ExpandedLayout): Edited {
  const { origins } = expanded;
  const gone = new Set<string>();
  const own = new Set<string>();
  const followed = new Set<string>();
  for (const key of keys) {
    const origin = origins.get(key);
    if (!origin || origin.kind === 'made' || !expanded.byKey.has(key)) return fail({ code: 'line_unknown', line: key });
    if (origin.kind === 'own') {
      own.add(key);
      for (const one of keysWithin(origin.line, origins)) gone.add(one);
      continue;
    }
    followed.add(key);
    gone.add(key);
    for (const [inside, { kind }] of origins) if (kind === 'followed' && isBelow(inside, key, origins)) gone.add(inside);
  }
  // What the author put into a group of the tree goes with it.
  walkOwn(layout.lines, (line) => {
    if (line.kind !== 'follows') return;
    for (const { within, line: inner } of line.inserted)
      if (within !== null && gone.has(within)) {
        own.add(inner.key);
        for (const one of keysWithin(inner, origins)) gone.add(one);
      }
  });
  const [used] = usersOf(layout, gone);
  if (used) return fail({ code: 'line_in_use', line: used[0], by: used[1] });
  return succeed(
    mapOwn(takeOut(layout, own, expanded), (line) => {
      const apart = line.kind === 'follows' ? [...followed].flatMap((key) => ofFollows(origins.get(key), line.key, key)) : [];
      if (line.kind !== 'follows' || apart.length === 0) return line;
      let left = apart.reduce((changed, { key }) => adjusted(changed, key, { apart: true }), line);
      // What stood behind one of them stands behind what is before it.
      for (const within of new Set(apart.map((one) => one.within)))
        left = inOrder(
          left,
          within,
          keysInGroup(expanded, within ?? line.key).filter((key) => !gone.has(key)),
          origins,
        );
      return left;
    }),
  );
}

function ofFollows(origin: LineOrigin | undefined, follows: string, key: string): { readonly key: string; readonly within: string | null }[] {
  return origin?.kind === 'followed' && origin.by === follows ? [{ key, within: origin.within }] : [];
}

function isBelow(key: string, above: string, origins: ReadonlyMap<string, LineOrigin>): boolean {
  for (let at = origins.get(key); at?.kind === 'followed' && at.within !== null; at = origins.get(at.within)) if (at.within === above) return true;
  return false;
}

/** Keys of lines that stay, and texts of transfers between lines, by the line they need that goes. */
export function usersOf(layout: OwnLayout, gone: ReadonlySet<string>): ReadonlyMap<string, string[]> {
  const users = new Map<string, string[]>();
  walkOwn(layout.lines, (line) => {
    if (gone.has(line.key)) return;
    for (const named of new Set(namesOf(line))) if (gone.has(named)) users.set(named, [...(users.get(named) ?? []), line.key]);
  });
  for (const { key, text, on, from } of layout.transfers ?? [])
    for (const named of [on, from]) if (gone.has(named)) users.set(named, [...(users.get(named) ?? []), text || key]);
  return users;
}

function move(layout: OwnLayout, keys: readonly string[], spot: Spot, expanded: ExpandedLayout): Edited {
  const { origins } = expanded;
  const unknown = keys.find((key) => !expanded.byKey.has(key) || origins.get(key)?.kind === 'made');
  if (unknown !== undefined) return fail({ code: 'line_unknown', line: unknown });
  const lines = linesOf(layout, keys);
  for (const line of lines) {
    const inside = new Set(keysWithin(line, origins));
    if ((spot.within !== null && inside.has(spot.within)) || (spot.after !== null && spot.after !== line.key && inside.has(spot.after)))
      return fail({ code: 'line_within_itself', line: line.key });
  }
  // A line that stands in another one of them goes along with it.
  const nested = new Set(lines.flatMap((line) => keysWithin(line, origins).filter((key) => key !== line.key)));
  const ofTree = keys.filter((key) => origins.get(key)?.kind === 'followed' && !nested.has(key));
  for (const key of ofTree) {
    const origin = origins.get(key);
    const isThere = origin?.kind === 'followed' && (origin.within ?? origin.by) === spot.within;
    if (!isThere) return fail({ code: 'line_follows', line: key });
  }
  const own = new Map(lines.flatMap((line) => (nested.has(line.key) ? [] : [[line.key, line]])));
  // As they stood, however they were named and whenever they were put in.
  const order = [...expanded.byKey.keys()].filter((key) => own.has(key) || ofTree.includes(key));
  const moved = order.flatMap((key) => own.get(key) ?? []);
  const movedKeys = new Set(own.keys());
  return put(takeOut(layout, movedKeys, expanded), moved, ofTree, spot, expanded, order);
}

function changeOwn(layout: OwnLayout, changed: OwnLine): Edited {
  const [there] = linesOf(layout, [changed.key]);
  if (!there) return fail({ code: 'line_unknown', line: changed.key });
  const inside = there.kind === 'follows' ? there.inserted.map((one) => one.line.key) : ownChildren(there).map(({ key }) => key);
  const keeps = changed.kind === there.kind || (isGrouping(changed) && isGrouping(there));
  if (inside.length > 0 && !keeps) return fail({ code: 'line_in_use', line: changed.key, by: inside });
  return succeed(
    mapOwn(layout, (line) => {
      if (line.key !== changed.key) return line;
      return isGrouping(changed) ? { ...changed, children: ownChildren(line) } : changed;
    }),
  );
}

function isGrouping(line: OwnLine): line is Extract<OwnLine, { kind: 'group' | 'heading' }> {
  return line.kind === 'group' || line.kind === 'heading';
}

function renameKey(layout: OwnLayout, key: string, to: string, origins: ReadonlyMap<string, LineOrigin>): Edited {
  if (key === to) return succeed(layout);
  if (origins.has(to)) return fail({ code: 'line_key_taken', line: to });
  if (origins.get(key)?.kind !== 'own') return fail({ code: 'line_unknown', line: key });
  const renamed = (named: string): string => (named === key ? to : named);
  const left = mapOwn(layout, (line) => renamedIn(line.key === key ? { ...line, key: to } : line, renamed));
  const { transfers } = left;
  return succeed(transfers ? { ...left, transfers: transfers.map((one) => ({ ...one, on: renamed(one.on), from: renamed(one.from) })) } : left);
}

function adjusted(line: FollowsOwnLine, key: string, changes: AdjustmentChanges): FollowsOwnLine {
  const there = line.adjustments.find((one) => one.key === key);
  const said = Object.entries({ ...there, ...changes, key }).filter(([, value]) => value !== undefined);
  const changed = Object.fromEntries(said) as unknown as Adjustment;
  if (said.length === 1) return there ? { ...line, adjustments: line.adjustments.filter((one) => one !== there) } : line;
  return { ...line, adjustments: there ? line.adjustments.map((one) => (one === there ? changed : one)) : [...line.adjustments, changed] };
}

function withoutIdle(line: FollowsOwnLine, gone: string, expanded: ExpandedLayout): FollowsOwnLine {
  const adjustments = line.adjustments.flatMap((one): Adjustment[] => {
    if (one.key === gone) return [];
    if (one.after !== gone) return [one];
    const { after: _, ...rest } = one;
    return Object.keys(rest).length > 1 ? [rest] : [];
  });
  // Lines of the author's stay where they are shown.
  const inserted = line.inserted.map((one) =>
    one.within === gone ? { ...one, within: null, after: null } : one.after === gone ? { ...one, after: null } : one,
  );
  const groups = new Set(line.inserted.flatMap((one) => (one.within === gone ? [null] : one.after === gone ? [one.within] : [])));
  let left: FollowsOwnLine = { ...line, adjustments, inserted };
  for (const within of groups) left = inOrder(left, within, keysInGroup(expanded, within ?? line.key), expanded.origins);
  return left;
}

function inFollows(layout: OwnLayout, key: string, origins: ReadonlyMap<string, LineOrigin>, changed: (line: FollowsOwnLine) => FollowsOwnLine): Edited {
  const origin = origins.get(key);
  if (origin?.kind !== 'followed') return fail({ code: 'line_unknown', line: key });
  return succeed(mapOwn(layout, (line) => (line.kind === 'follows' && line.key === origin.by ? changed(line) : line)));
}

/** The author's lines with these keys, in the order of the layout. */
function linesOf(layout: OwnLayout, keys: readonly string[]): OwnLine[] {
  const wanted = new Set(keys);
  const found: OwnLine[] = [];
  walkOwn(layout.lines, (line) => {
    if (wanted.has(line.key)) found.push(line);
  });
  return found;
}
