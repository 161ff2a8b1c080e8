import { type FlatLine, flatten, isSame, withoutLines } from './flatLines.ts';
import { freshKey } from './lineKeys.ts';
import { renamedIn } from './lineNames.ts';
import { type FollowsOwnLine, mapLines, type OwnLayout, type OwnLine, walkOwn } from './ownLayout.ts';

export interface MergedLayouts {
  readonly layout: OwnLayout;
  /** Captions of lines that are what theirs made of them, those that are gone among them; where lines are only in another order, none. */
  readonly joined: readonly string[];
  /** Captions of lines that both changed otherwise and that stand as mine has them. */
  readonly overridden: readonly string[];
  /** Whether anything of it is not as mine had it. */
  readonly isOther: boolean;
}

/**
 * Two states of a layout that went on from one, `base`, merged line by line and, within a line, setting by setting: what either changed
 * stands; where both changed the same otherwise, mine does, and it is told. A line that one took out and the other changed stays. Lines that
 * both added under one key are two. Cost: the three layouts.
 */
export function mergeLayouts(base: OwnLayout, mine: OwnLayout, theirs: OwnLayout): MergedLayouts {
  const own = withOwnKeys(base, mine, theirs);
  const [was, is, other] = [flatten(base), flatten(own), flatten(theirs)];
  const joined: string[] = [];
  const overridden: string[] = [];
  const standing = new Map<string, Standing>();
  for (const key of new Set([...is.keys(), ...other.keys()])) {
    const [b, m, t] = [was.get(key), is.get(key), other.get(key)];
    const merged = standingOf(b, m, t);
    if (merged === null) {
      if (m !== undefined) joined.push(m.line.caption);
      continue;
    }
    standing.set(key, merged);
    if (merged.isOverridden) overridden.push(merged.line.caption);
    else if (m === undefined || !isSame(merged.line, m.line) || merged.parent !== m.parent) joined.push(merged.line.caption);
  }
  const settings = mergedFields(withoutLines(base), withoutLines(own), withoutLines(theirs));
  const transfers = mergedByKey(base.transfers ?? [], own.transfers ?? [], theirs.transfers ?? []);
  const layout: OwnLayout = {
    ...settings.merged,
    lines: builtFrom(standing, was, is, other),
    ...(transfers.length > 0 ? { transfers } : {}),
  };
  return { layout, joined, overridden: [...overridden, ...(settings.isOverridden ? [own.title] : [])], isOther: !isSame(layout, mine) };
}

interface Standing {
  readonly line: OwnLine;
  readonly parent: string | null;
  readonly isOverridden: boolean;
}

/** What becomes of a line; `null`: it is gone. */
function standingOf(b: FlatLine | undefined, m: FlatLine | undefined, t: FlatLine | undefined): Standing | null {
  if (m === undefined || t === undefined) {
    const left = m ?? t;
    // Taken out by the one, as it was by the other: gone. Changed by the other, or never known to the one: it stays.
    if (left === undefined || (b !== undefined && isSame(left.line, b.line))) return null;
    return { line: left.line, parent: left.parent, isOverridden: false };
  }
  const { merged, isOverridden } = mergedLine(b?.line ?? m.line, m.line, t.line);
  return { line: merged, parent: b !== undefined && m.parent === b.parent ? t.parent : m.parent, isOverridden };
}

/** Of another kind, a line is whole what the one made of it who changed the kind; else each setting by itself. */
function mergedLine(base: OwnLine, mine: OwnLine, theirs: OwnLine): { readonly merged: OwnLine; readonly isOverridden: boolean } {
  if (mine.kind !== theirs.kind) {
    const isTheirs = mine.kind === base.kind;
    const passed = isTheirs ? mine : theirs;
    return { merged: isTheirs ? theirs : mine, isOverridden: !isTheirs && !isSame(passed, base) };
  }
  if (mine.kind !== 'follows' || theirs.kind !== 'follows' || base.kind !== 'follows') return mergedFields(base, mine, theirs);
  const bare = ({ adjustments: _, inserted: __, ...line }: FollowsOwnLine) => line;
  const { merged, isOverridden } = mergedFields(bare(base), bare(mine), bare(theirs));
  const keyed = ({ inserted }: FollowsOwnLine) => inserted.map((one) => ({ ...one, key: one.line.key }));
  return {
    merged: {
      ...merged,
      adjustments: mergedByKey(base.adjustments, mine.adjustments, theirs.adjustments),
      inserted: mergedByKey(keyed(base), keyed(mine), keyed(theirs)).map(({ key: _, ...one }) => one),
    },
    isOverridden,
  };
}

function mergedFields<One extends object>(base: One, mine: One, theirs: One): { readonly merged: One; readonly isOverridden: boolean } {
  let isOverridden = false;
  const merged: Record<string, unknown> = {};
  const [b, m, t] = [base, mine, theirs] as [Record<string, unknown>, Record<string, unknown>, Record<string, unknown>];
  for (const field of new Set([...Object.keys(m), ...Object.keys(t)])) {
    const isTheirs = isSame(m[field], b[field]);
    const value = isTheirs ? t[field] : m[field];
    if (!isTheirs && !isSame(t[field], b[field]) && !isSame(m[field], t[field])) isOverridden = true;
    if (value !== undefined) merged[field] = value;
  }
  return { merged: merged as One, isOverridden };
}

/** Things with keys of their own, each setting by itself; in the order of mine, then what theirs added. */
function mergedByKey<One extends { readonly key: string }>(base: readonly One[], mine: readonly One[], theirs: readonly One[]): One[] {
  const [was, is, other] = [base, mine, theirs].map((list) => new Map(list.map((one) => [one.key, one]))) as [
    Map<string, One>,
    Map<string, One>,
    Map<string, One>,
  ];
  return [...new Set([...is.keys(), ...other.keys()])].flatMap((key) => {
    const [b, m, t] = [was.get(key), is.get(key), other.get(key)];
    if (m !== undefined && t !== undefined) return [mergedFields(b ?? m, m, t).merged];
    const left = m ?? t;
    return left === undefined || (b !== undefined && isSame(left, b)) ? [] : [left];
  });
}

function builtFrom(
  standing: ReadonlyMap<string, Standing>,
  was: ReadonlyMap<string, FlatLine>,
  is: ReadonlyMap<string, FlatLine>,
  other: ReadonlyMap<string, FlatLine>,
): readonly OwnLine[] {
  const parents = new Map([...standing].map(([key, { parent }]) => [key, nearestStanding(parent, standing, other)]));
  // Two groups put into each other: where they stand is as mine has it.
  for (const key of parents.keys()) if (isInItself(key, parents)) parents.set(key, nearestStanding(is.get(key)?.parent ?? null, standing, is));
  const orderOf = (of: ReadonlyMap<string, FlatLine>, parent: string | null): readonly string[] =>
    [...of.values()].find((line) => line.parent === parent)?.siblings ?? [];
  const within = (parent: string | null): OwnLine[] => {
    const members = new Set([...parents].flatMap(([key, own]) => (own === parent ? [key] : [])));
    return mergedOrder(orderOf(was, parent), orderOf(is, parent), orderOf(other, parent), members).map((key) => {
      const { line } = standing.get(key) as Standing;
      return line.kind === 'group' || line.kind === 'heading' ? { ...line, children: within(key) } : line;
    });
  };
  return within(null);
}

/** Itself, or what it stood in where that has gone. */
function nearestStanding(parent: string | null, standing: ReadonlyMap<string, Standing>, of: ReadonlyMap<string, FlatLine>): string | null {
  let at = parent;
  while (at !== null && !holdsLines(standing.get(at))) at = of.get(at)?.parent ?? null;
  return at;
}

function holdsLines(standing: Standing | undefined): boolean {
  return standing?.line.kind === 'group' || standing?.line.kind === 'heading';
}

function isInItself(key: string, parents: ReadonlyMap<string, string | null>): boolean {
  const passed = new Set<string>();
  for (let at = parents.get(key) ?? null; at !== null; at = parents.get(at) ?? null) {
    if (at === key) return true;
    if (passed.has(at)) return false;
    passed.add(at);
  }
  return false;
}

/** The order of who changed it, mine before theirs; what only the other has behind what it stands behind there. */
function mergedOrder(base: readonly string[], mine: readonly string[], theirs: readonly string[], members: ReadonlySet<string>): string[] {
  const common = (list: readonly string[]): string => list.filter((key) => base.includes(key) && mine.includes(key) && theirs.includes(key)).join('\n');
  const [first, second] = common(mine) === common(base) ? [theirs, mine] : [mine, theirs];
  const order = first.filter((key) => members.has(key));
  for (const [at, key] of second.entries()) {
    if (!members.has(key) || order.includes(key)) continue;
    const before = second.slice(0, at).findLast((one) => order.includes(one));
    order.splice(before === undefined ? 0 : order.indexOf(before) + 1, 0, key);
  }
  return [...order, ...[...members].filter((key) => !order.includes(key))];
}

/** New lines of mine under keys that theirs gave to others get keys of their own, and what speaks of them follows. */
function withOwnKeys(base: OwnLayout, mine: OwnLayout, theirs: OwnLayout): OwnLayout {
  const [inBase, own, other] = [base, mine, theirs].map((layout) => {
    const lines = new Map<string, OwnLine>();
    walkOwn(layout.lines, (line) => void lines.set(line.key, line));
    return lines;
  }) as [Map<string, OwnLine>, Map<string, OwnLine>, Map<string, OwnLine>];
  const fresh = new Map<string, string>();
  for (const [key, line] of own) {
    const there = other.get(key);
    if (inBase.has(key) || there === undefined || isSame(there, line)) continue;
    fresh.set(key, freshKey(key, { has: (one) => own.has(one) || other.has(one) || [...fresh.values()].includes(one) }));
  }
  if (fresh.size === 0) return mine;
  const renamed = (key: string): string => fresh.get(key) ?? key;
  const transfers = mine.transfers?.map((one) => ({ ...one, on: renamed(one.on), from: renamed(one.from) }));
  return {
    ...mine,
    lines: mapLines(mine.lines, (line) => renamedIn({ ...line, key: renamed(line.key) }, renamed)),
    ...(transfers ? { transfers } : {}),
  };
}
