import { type OwnLayout, type OwnLine, ownChildren } from './ownLayout.ts';

/** A line without what stands in it, and where it stands. */
export interface FlatLine {
  readonly line: OwnLine;
  readonly parent: string | null;
  /** Of its siblings, from first to last. */
  readonly siblings: readonly string[];
}

/** Lines of the author's by key, from top to bottom; what is inserted among lines that follow stays within the line that follows. */
export function flatten(layout: OwnLayout): Map<string, FlatLine> {
  const flat = new Map<string, FlatLine>();
  const visit = (lines: readonly OwnLine[], parent: string | null): void => {
    const siblings = lines.map(({ key }) => key);
    for (const line of lines) {
      const bare = line.kind === 'group' || line.kind === 'heading' ? { ...line, children: [] } : line;
      flat.set(line.key, { line: bare, parent, siblings });
      visit(ownChildren(line), line.key);
    }
  };
  visit(layout.lines, null);
  return flat;
}

/** What is said of the layout as a whole. */
export function withoutLines({
  lines: _,
  transfers: __,
  ...settings
}: OwnLayout): Omit<OwnLayout, 'lines' | 'transfers'> & { readonly lines: readonly OwnLine[] } {
  return { ...settings, lines: [] };
}

/** Whatever order the fields have, and whether what is not said is named or not. */
export function isSame(a: unknown, b: unknown): boolean {
  return a === b || sortedText(a) === sortedText(b);
}

function sortedText(value: unknown): string {
  return JSON.stringify(value, (_, inner: unknown) =>
    inner !== null && typeof inner === 'object' && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).sort(([a], [b]) => (a < b ? -1 : 1)))
      : inner,
  );
}
