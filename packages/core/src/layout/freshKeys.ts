import { freshKey } from './lineKeys.ts';
import { renamedIn } from './lineNames.ts';
import { mapOwn, type OwnLayout, type OwnLine, walkOwn } from './ownLayout.ts';

/** Copies of lines with keys that no other line has; what they say of each other goes along. */
export function withFreshKeys(lines: readonly OwnLine[], taken: { has(key: string): boolean }): readonly OwnLine[] {
  const own: string[] = [];
  walkOwn(lines, ({ key }) => void own.push(key));
  const given = new Set<string>();
  const isTaken = { has: (key: string) => taken.has(key) || given.has(key) };
  let layout: OwnLayout = { kind: 'free', title: '', titles: [], measure: 'movement', scope: [], lines };
  for (const key of own) {
    const fresh = freshKey(key, isTaken);
    given.add(fresh);
    if (fresh === key) continue;
    layout = mapOwn(layout, (line) => renamedIn(line.key === key ? { ...line, key: fresh } : line, key, fresh));
  }
  return layout.lines;
}
