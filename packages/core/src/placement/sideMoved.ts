import type { DigitOrder } from '../chart/numberOrder.ts';
import { numberKey, rangeTest } from '../chart/numberRange.ts';
import { readRangeText } from '../chart/rangeText.ts';
import type { DescribedCategory } from './placement.ts';
import { rangesWith } from './rangeMoves.ts';

/**
 * One side of accounts that stand by their numbers, put into another category by a range for that side: their other side goes on following the
 * range that has it. Ranges for that side elsewhere leave the numbers out, so that none is in two. Gives the categories that change;
 * `null` where the range of the category leaves a number out by an exception that holds others too.
 */
export function sideMoved(
  categories: ReadonlyMap<number, DescribedCategory>,
  numbers: readonly string[],
  categoryId: number,
  side: 'debit' | 'credit',
  order: DigitOrder,
): Map<number, DescribedCategory> | null {
  const changed = new Map<number, DescribedCategory>();
  const testOf = (ranges: DescribedCategory['ranges']) => {
    const read = readRangeText(ranges.find((range) => range.side === side)?.text ?? '', null);
    return read.ok ? rangeTest(read.value, order) : () => false;
  };
  for (const category of categories.values()) {
    const holds = testOf(category.ranges);
    const held = numbers.filter((number) => holds(numberKey(number, order)));
    if (category.id !== categoryId) {
      if (held.length > 0) changed.set(category.id, { ...category, ranges: rangesWith(category.ranges, side, { leaveOut: held }) });
      continue;
    }
    const add = numbers.filter((number) => !held.includes(number)).map((number) => ({ kind: 'span' as const, from: number, to: number }));
    if (add.length === 0) continue;
    const ranges = rangesWith(category.ranges, side, { add });
    if (!numbers.every((number) => testOf(ranges)(numberKey(number, order)))) return null;
    changed.set(category.id, { ...category, ranges });
  }
  return changed;
}
