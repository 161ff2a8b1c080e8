import { roundFraction } from '../formula/fraction.ts';
import { type CompiledLayout, shownAmount } from '../layout/compileLayout.ts';
import type { Line } from '../layout/line.ts';
import { decimalsOf, shownSign, unitOf } from '../layout/lineUnit.ts';
import type { RunColumn } from './runColumn.ts';

/** What a line shows in a column, in its unit: minor units, hundredths, tenths of a percent, days; `null` where it has no value. */
export function shownValue(compiled: CompiledLayout, { amounts, reckoned }: Pick<RunColumn, 'amounts' | 'reckoned'>, index: number): bigint | null {
  const line = compiled.lines[index] as Line;
  const result = reckoned.get(index);
  if (result === undefined) return shownSign(line) * shownAmount(compiled, amounts, index);
  const unit = unitOf(line);
  if (!result.ok || unit === 'amount') return null;
  // A percent is a hundredth: what the formula comes to times a hundred.
  const value = roundFraction(result.value, decimalsOf[unit] + (unit === 'percent' ? 2 : 0));
  return line.reversed ? -value : value;
}
