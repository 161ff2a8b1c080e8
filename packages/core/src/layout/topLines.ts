import type { CompiledLayout } from './compileLayout.ts';
import { countsInGroup } from './line.ts';

/** Indexes of the lines that count and stand in no other: together they are all that a layout counts. */
export function topLines({ lines, parentAt }: Pick<CompiledLayout, 'lines' | 'parentAt'>): readonly number[] {
  return lines.flatMap((line, index) => (parentAt[index] === -1 && countsInGroup(line) ? [index] : []));
}
