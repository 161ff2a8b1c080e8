import type { CompiledLayout } from '../layout/compileLayout.ts';

/**
 * The rungs above a line: the groups around it that have a total of their own and the sums that count it, in the order in which their totals
 * are printed. The line itself comes first. Indices of compiled lines.
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
  const printedAt = new Map(sums.map((index) => [index, index]));
  for (const index of path.slice(1)) printedAt.set(index, compiled.parentAt.findLastIndex((_, at) => isWithin(compiled, at, index)) + 0.5);
  const above = [...path.slice(1).filter(isRung), ...sums];
  return [start, ...above.toSorted((a, b) => (printedAt.get(a) ?? 0) - (printedAt.get(b) ?? 0))];
}

function isWithin({ parentAt }: CompiledLayout, index: number, group: number): boolean {
  for (let at = parentAt[index] as number; at >= 0; at = parentAt[at] as number) if (at === group) return true;
  return false;
}
