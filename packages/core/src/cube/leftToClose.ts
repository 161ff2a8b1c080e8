import { type FiscalYear, periodIndexOf } from '../calendar/fiscalCalendar.ts';
import type { Cube } from './cube.ts';
import type { Layer } from './layer.ts';
import { type AccountTraits, movementOver } from './vector.ts';

/**
 * What a fiscal year’s lines, its closing entries included, leave on each income and expense account, debit positive; nil on
 * all others. A closing entry of the other sign brings them to nil, so that a second one finds nothing.
 */
export function leftToClose(cube: Cube, { resets }: AccountTraits, layer: Layer, year: FiscalYear): BigInt64Array {
  const net = movementOver(cube, [layer], year);
  const accounts = cube.accountIds.length;
  const { debit, credit } = cube.books[layer].closing;
  const last = cube.calendar.periods.findLastIndex((period) => period.year === year.year);
  const before = periodIndexOf(cube.calendar, year.firstDay) - 1;
  for (let account = 0; account < accounts; account++) {
    const upTo = (index: number) => (index < 0 ? 0n : (debit[index * accounts + account] as bigint) - (credit[index * accounts + account] as bigint));
    net[account] = resets[account] === 1 ? (net[account] as bigint) + upTo(last) - upTo(before) : 0n;
  }
  return net;
}
