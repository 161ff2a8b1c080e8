import type { CompiledLayout } from '../layout/compileLayout.ts';

/**
 * The rungs above a line: the groups around it that have a total of their own, then the sums that count it, from near to far. The line itself
 * comes first. Indices of compiled lines.
 */
export function climb(compiled: CompiledLayout, key: string): number[] {
  const start = compiled.indexOf.get(key);
  if (start === undefined) return [];
  const path = [start];
  for (let at = compiled.parentAt[start] as number; at >= 0; at = compiled.parentAt[at] as number) path.push(at);
  const isRung = (index: number): boolean => {
    const line = compiled.lines[index];
    return index === start || (line?.kind !== 'heading' && !(line?.kind === 'group' && line.bare));
  };
  const keys = new Set(path.map((index) => compiled.lines[index]?.key));
  const own = compiled.lines[start];
  const sums = compiled.lines.flatMap((line, index) => {
    if (line.kind !== 'sum' || index === start) return [];
    const counts =
      line.terms.some(({ key: term }) => keys.has(term)) ||
      (own?.kind === 'sum' &&
        own.terms.length > 0 &&
        own.terms.every((term) => line.terms.some((other) => other.key === term.key && other.sign === term.sign)));
    return counts ? [index] : [];
  });
  return [...path.filter(isRung), ...sums];
}
