import { freshKey } from './lineKeys.ts';
import { renamedIn } from './lineNames.ts';
import { mapLines, type OwnLine, walkOwn } from './ownLayout.ts';

/** Copies of lines with keys that no other line has; what they say of each other goes along. */
export function withFreshKeys(lines: readonly OwnLine[], taken: { has(key: string): boolean }): readonly OwnLine[] {
  const handedOut = new Set<string>();
  const freshOf = new Map<string, string>();
  walkOwn(lines, ({ key }) => {
    const fresh = freshKey(key, { has: (one) => taken.has(one) || handedOut.has(one) });
    handedOut.add(fresh);
    freshOf.set(key, fresh);
  });
  const renamed = (key: string): string => freshOf.get(key) ?? key;
  return mapLines(lines, (line) => renamedIn({ ...line, key: renamed(line.key) }, renamed));
}
