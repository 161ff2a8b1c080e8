import type { ExpandedLayout } from '@ivory-ladder/core';

/** Captions of all lines that have an amount, by key, from top to bottom. */
export function lineCaptions({ byKey }: ExpandedLayout): ReadonlyMap<string, string> {
  return new Map([...byKey].flatMap(([key, { kind, caption }]) => (kind === 'text' || kind === 'space' ? [] : [[key, caption]])));
}

/** Captions of the lines of accounts that count, between which amounts can be moved, by key. */
export function accountLines({ byKey }: ExpandedLayout): ReadonlyMap<string, string> {
  return new Map([...byKey].flatMap(([key, line]) => (line.kind === 'accounts' && !line.isMemo ? [[key, line.caption]] : [])));
}
