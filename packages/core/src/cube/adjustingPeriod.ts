import type { Day } from '../calendar/day.ts';
import type { FiscalCalendar } from '../calendar/fiscalCalendar.ts';
import type { Cube } from './cube.ts';
import type { Layer } from './layer.ts';

/** What a column that ends on a year's last day has of the period for adjustments behind it, which has no days of its own: `before`: none of it; `only`: nothing else. */
export type Adjusting = 'before' | 'only';

/** Place in the calendar of the period for adjustments that the year ending on the day has; −1 where there is none. */
export function adjustingIndexOn({ periods }: FiscalCalendar, lastDay: Day): number {
  return periods.findIndex((period) => period.isAdjusting === true && period.lastDay === lastDay);
}

/** Whether anything was posted into a period. */
export function hasLinesIn({ books, accountIds }: Cube, periodIndex: number): boolean {
  const accounts = accountIds.length;
  const base = periodIndex * accounts;
  return Object.values(books).some(({ ordinary }) =>
    [ordinary.debit, ordinary.credit].some((sums) => {
      for (let at = base; at < base + accounts; at++) if (sums[at] !== (at < accounts ? 0n : sums[at - accounts])) return true;
      return false;
    }),
  );
}

/**
 * The cube for columns that end with the year of a period for adjustments: without its lines; or with those of the year's other periods
 * all before the last of them, so that the last period moves by the adjustments alone. Later years are not to be asked of it.
 * Cost: periods × accounts.
 */
export function cubeOfAdjusting(cube: Cube, periodIndex: number, which: Adjusting): Cube {
  const { calendar, accountIds } = cube;
  const accounts = accountIds.length;
  const { year } = calendar.periods[periodIndex] as (typeof calendar.periods)[number];
  const before = (periodIndex - 1) * accounts;
  const changed = (sums: BigInt64Array): BigInt64Array => {
    const own = sums.slice();
    if (which === 'before') for (let at = periodIndex; at < calendar.periods.length; at++) own.set(sums.subarray(before, before + accounts), at * accounts);
    else for (let at = periodIndex - 1; calendar.periods[at]?.year === year; at--) own.set(sums.subarray(before, before + accounts), at * accounts);
    return own;
  };
  const layer = (of: Layer) => {
    const { ordinary, closing } = cube.books[of];
    return { ordinary: { debit: changed(ordinary.debit), credit: changed(ordinary.credit) }, closing };
  };
  return { ...cube, books: { ledger: layer('ledger'), adjustment: layer('adjustment') } };
}
