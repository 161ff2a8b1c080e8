import type { Day } from '../calendar/day.ts';
import type { StatementColumn } from '../statement/statement.ts';

/** The heading that somebody gave a column, with its dates in the place of `{from}`, `{to}` and `{year}`. */
export function fillHeading(column: StatementColumn, write: (day: Day) => string): string {
  const { heading = '' } = column;
  if (column.kind !== 'amount') return heading;
  const { firstDay, lastDay } = column.span;
  return heading.replaceAll('{from}', write(firstDay)).replaceAll('{to}', write(lastDay)).replaceAll('{year}', lastDay.slice(0, 4));
}
