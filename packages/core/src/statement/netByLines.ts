import type { Side } from '../chart/element.ts';
import type { CompiledLayout } from '../layout/compileLayout.ts';
import { topLines } from '../layout/topLines.ts';
import type { RunColumn } from './runColumn.ts';

/** What the lines of a layout come to in a column, debit positive, each amount once. `side`: only those at the top that it is the normal side of. */
export function netByLines(compiled: Pick<CompiledLayout, 'lines' | 'parentAt'>, { amounts }: Pick<RunColumn, 'amounts'>, side?: Side): bigint {
  const counted = side === undefined ? topLines(compiled) : topLines(compiled).filter((index) => compiled.lines[index]?.side === side);
  return counted.reduce((sum, index) => sum + (amounts[index] as bigint), 0n);
}
