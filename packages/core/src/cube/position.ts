import { addDays, type Day } from '../calendar/day.ts';
import { type FiscalCalendar, periodIndexOf } from '../calendar/fiscalCalendar.ts';

/** The end of a day as the cube sees it: whole periods up to `periodIndex`, and the lines from `partialFrom` on. */
export interface Position {
  readonly day: Day;
  /** The last period that ended on or before the day; −1 before the first. */
  readonly periodIndex: number;
  /** First day of the part of a period that the lines must supply, or `null` where the day ends a period. */
  readonly partialFrom: Day | null;
}

/** Days before the first period have nothing, days after the last have everything. */
export function positionAt(calendar: FiscalCalendar, day: Day): Position {
  const index = periodIndexOf(calendar, day);
  const period = calendar.periods[index];
  if (!period) {
    const first = calendar.periods[0];
    return { day, periodIndex: !first || day < first.firstDay ? -1 : calendar.periods.length - 1, partialFrom: null };
  }
  // With the year's last day its adjustments are in.
  const ended = calendar.periods[index + 1]?.isAdjusting ? index + 1 : index;
  return period.lastDay === day ? { day, periodIndex: ended, partialFrom: null } : { day, periodIndex: index - 1, partialFrom: period.firstDay };
}

export function positionBefore(calendar: FiscalCalendar, day: Day): Position {
  return positionAt(calendar, addDays(day, -1));
}
