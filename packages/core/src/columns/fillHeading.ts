import type { Day, Span } from '../calendar/day.ts';

/** The heading that somebody gave a column of amounts, with its dates in the place of `{from}`, `{to}` and `{year}`. */
export function fillHeading(heading: string, { firstDay, lastDay }: Span, write: (day: Day) => string): string {
  return heading.replaceAll('{from}', write(firstDay)).replaceAll('{to}', write(lastDay)).replaceAll('{year}', lastDay.slice(0, 4));
}
