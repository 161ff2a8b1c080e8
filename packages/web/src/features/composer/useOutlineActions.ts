import { freshKey, keysInGroup, newLine, type OwnLineKind, type Spot, usersOf, walkOwn } from '@ivory-ladder/core';
import { useMemo } from 'react';
import { counted } from '../../shared/words/counted.ts';
import { kindCaption } from './lineKinds.ts';
import type { OutlineRow } from './outlineRows.ts';
import type { Composer } from './useComposer.ts';

export interface OutlineActions {
  /** Where a new line stands: in the chosen group that is open, else behind the chosen line. */
  spot(): Spot;
  /** Behind the chosen line, whatever it is. */
  behind(): Spot;
  /** Gives the key of the new line. */
  add(kind: OwnLineKind, caption?: string): string | null;
  /** `false` where they cannot go there. */
  move(keys: readonly string[], spot: Spot): boolean;
  /** Up or down among the lines beside it. */
  shift(by: -1 | 1): boolean;
  /** Into the group before it, or out of the one it is in. */
  nest(): boolean;
  lift(): boolean;
  remove(): boolean;
  /** Lines that would lose one they need if the chosen ones went. */
  usedBy(): readonly string[];
}

/** What can be done with the chosen lines of the outline. */
export function useOutlineActions(composer: Composer, rows: readonly OutlineRow[], chosen: readonly string[]): OutlineActions {
  return useMemo(() => {
    const { expanded, layout, edit } = composer;
    const rowOf = (key: string | undefined): OutlineRow | undefined => rows.find((row) => row.key === key);
    const named = (keys: readonly string[]): string => (keys.length === 1 ? (rowOf(keys[0])?.caption ?? 'a line') : counted(keys.length, 'line'));
    const last = rowOf(chosen.at(-1));
    const spot = (): Spot => {
      if (!last) return { within: null, after: keysInGroup(expanded, null).at(-1) ?? null };
      const origin = expanded.origins.get(last.key);
      const { line } = origin?.kind === 'own' ? origin : { line: null };
      const takesLines = line?.kind === 'group' || line?.kind === 'heading' || (line?.kind === 'follows' && line.frame === 'group');
      return takesLines && last.opens !== 'shut'
        ? { within: last.key, after: keysInGroup(expanded, last.key).at(-1) ?? null }
        : { within: last.within, after: last.key };
    };
    const move = (keys: readonly string[], to: Spot): boolean => keys.length > 0 && edit([{ kind: 'move', keys, spot: to }], `Move ${named(keys)}`);
    /** Chosen lines that stand in no other chosen one. */
    const topmost = (): readonly string[] => chosen.filter((key) => !chosen.includes(rowOf(key)?.within ?? ''));
    const siblingsOf = (row: OutlineRow): string[] => keysInGroup(expanded, row.within);
    return {
      spot,
      behind: () => (last ? { within: last.within, after: last.key } : spot()),
      move,
      add: (kind, caption = kindCaption(kind)) => {
        const key = freshKey(caption, expanded.origins);
        return edit([{ kind: 'insert', lines: [newLine(kind, key, kind === 'space' ? '' : caption)], spot: spot() }], `Add ${caption}`) ? key : null;
      },
      shift: (by) => {
        const keys = topmost();
        const [first, end] = [rowOf(keys[0]), rowOf(keys.at(-1))];
        if (!first || !end) return false;
        const siblings = siblingsOf(first);
        const at = by < 0 ? siblings.indexOf(first.key) : siblings.indexOf(end.key);
        const beside = siblings[at + by];
        if (beside === undefined) return false;
        return move(keys, { within: first.within, after: by > 0 ? beside : (siblings[at - 2] ?? null) });
      },
      nest: () => {
        const keys = topmost();
        const first = rowOf(keys[0]);
        if (!first) return false;
        const siblings = siblingsOf(first);
        const before = siblings[siblings.indexOf(first.key) - 1];
        const origin = before === undefined ? undefined : expanded.origins.get(before);
        if (before === undefined || origin?.kind !== 'own' || !['group', 'heading', 'follows'].includes(origin.line.kind)) return false;
        return move(keys, { within: before, after: keysInGroup(expanded, before).at(-1) ?? null });
      },
      lift: () => {
        const keys = topmost();
        const around = rowOf(rowOf(keys[0])?.within ?? '');
        return around !== undefined && move(keys, { within: around.within, after: around.key });
      },
      remove: () => chosen.length > 0 && edit([{ kind: 'remove', keys: topmost() }], `Remove ${named(chosen)}`),
      usedBy: () => {
        const gone = new Set(chosen);
        for (const key of chosen) {
          const origin = expanded.origins.get(key);
          if (origin?.kind === 'own') walkOwn([origin.line], (line) => void gone.add(line.key));
        }
        return [...usersOf(layout, gone).values()].flat();
      },
    };
  }, [composer, rows, chosen]);
}
