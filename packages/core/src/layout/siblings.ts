import { childrenOf, type Layout, type Line } from './line.ts';

/** Finds the keys of the lines from one to another beside it, without texts and spaces; `null` where they do not stand beside each other in this order. */
export function siblingsOf({ lines }: Pick<Layout, 'lines'>): (from: string, to: string) => readonly string[] | null {
  let placeOf: Map<string, { readonly among: readonly Line[]; readonly at: number }> | null = null;
  const collect = (among: readonly Line[], into: NonNullable<typeof placeOf>): void => {
    for (const [at, line] of among.entries()) {
      into.set(line.key, { among, at });
      collect(childrenOf(line), into);
    }
  };
  return (from, to) => {
    if (!placeOf) {
      placeOf = new Map();
      collect(lines, placeOf);
    }
    const [first, last] = [placeOf.get(from), placeOf.get(to)];
    if (!first || !last || first.among !== last.among || first.at > last.at) return null;
    return first.among.slice(first.at, last.at + 1).flatMap(({ key, kind }) => (kind === 'text' || kind === 'space' ? [] : [key]));
  };
}
