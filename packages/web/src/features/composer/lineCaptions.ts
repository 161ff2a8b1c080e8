import type { ExpandedLayout } from '@ivory-ladder/core';

/** Captions of all lines that have an amount, by key, from top to bottom. */
export function lineCaptions({ byKey }: ExpandedLayout): ReadonlyMap<string, string> {
  return new Map([...byKey].flatMap(([key, { kind, caption }]) => (kind === 'text' || kind === 'space' ? [] : [[key, caption]])));
}
