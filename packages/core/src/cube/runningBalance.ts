import type { Day } from '../calendar/day.ts';
import { type FiscalCalendar, yearOf } from '../calendar/fiscalCalendar.ts';

export interface RunningLine {
  readonly date: Day;
  /** Debit positive. */
  readonly net: bigint;
  /** The fiscal year that its entry closes, or `null`. */
  readonly closesYear: number | null;
}

/** Days at whose end the balance must be known: that of the first line, and the last of each earlier fiscal year among them. */
export function daysOfRunningBalances(calendar: FiscalCalendar, lines: readonly RunningLine[]): Day[] {
  return lines.filter((line, at) => isNewYear(calendar, lines[at - 1], line)).map(({ date }) => date);
}

/**
 * What stood on one account after each of its lines, given latest first: the balance, or for income and expense what
 * the fiscal year had brought so far. `balanceAtEnd` gives it at the end of those days, by the rules for closing
 * entries and carry-over. Closing entries move nothing within a year: what they carry stands there from the next
 * year's first day. `laterThatDay` is the sum of ordinary lines of the first line's day that come after it and are not
 * among them; debit positive throughout.
 */
export function runningBalances(calendar: FiscalCalendar, lines: readonly RunningLine[], laterThatDay: bigint, balanceAtEnd: (day: Day) => bigint): bigint[] {
  const found: bigint[] = [];
  for (const [at, line] of lines.entries()) {
    const later = lines[at - 1];
    if (later === undefined) found.push(balanceAtEnd(line.date) - laterThatDay);
    else if (isNewYear(calendar, later, line)) found.push(balanceAtEnd(line.date));
    else found.push((found[at - 1] as bigint) - (later.closesYear === null ? later.net : 0n));
  }
  return found;
}

function isNewYear(calendar: FiscalCalendar, later: RunningLine | undefined, line: RunningLine): boolean {
  return later === undefined || yearOf(calendar, later.date)?.firstDay !== yearOf(calendar, line.date)?.firstDay;
}
