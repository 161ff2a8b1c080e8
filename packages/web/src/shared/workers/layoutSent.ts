import type { OwnLayout, OwnLine } from '@ivory-ladder/core';

type Group = Extract<OwnLine, { kind: 'group' | 'heading' }>;

/** A line that is as it was stands as its key. Lines that follow categories go whole. */
type LineSent = string | Exclude<OwnLine, Group> | (Omit<Group, 'children'> & { readonly children: readonly LineSent[] });

/** A layout on its way to a worker that has the one before: what did not change is not copied, and stays the same object there, for which the core keeps what it made of it. */
export type LayoutSent = Omit<OwnLayout, 'lines'> & { readonly lines: readonly LineSent[] };

/** `before`: what was sent last, or nothing. */
export function sentLayout(layout: OwnLayout, before: OwnLayout | null): LayoutSent {
  const there = linesByKey(before?.lines ?? []);
  const sent = (line: OwnLine): LineSent => {
    if (there.get(line.key) === line) return line.key;
    return 'children' in line ? { ...line, children: line.children.map(sent) } : line;
  };
  return { ...layout, lines: layout.lines.map(sent) };
}

/** `before`: what was received last. A key that it does not have is a bug of the sender. */
export function receivedLayout(sent: LayoutSent, before: OwnLayout | null): OwnLayout {
  const there = linesByKey(before?.lines ?? []);
  const received = (line: LineSent): OwnLine => {
    if (typeof line === 'string') {
      const kept = there.get(line);
      if (!kept) throw new Error(`no line ${line} was sent before`);
      return kept;
    }
    return 'children' in line ? ({ ...line, children: line.children.map(received) } as Group) : line;
  };
  return { ...sent, lines: sent.lines.map(received) };
}

function linesByKey(lines: readonly OwnLine[], found = new Map<string, OwnLine>()): ReadonlyMap<string, OwnLine> {
  for (const line of lines) {
    found.set(line.key, line);
    if ('children' in line) linesByKey(line.children, found);
  }
  return found;
}
