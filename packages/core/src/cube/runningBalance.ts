import type { Day } from '../calendar/day.ts';
import { type FiscalCalendar, yearOf } from '../calendar/fiscalCalendar.ts';

export interface RunningLine {
  readonly date: Day;
  /** Debit positive. */
  readonly net: bigint;
  /** The fiscal year that its entry closes, or `null`. */
  readonly closesYear: number | null;
}

/** Days at whose end the balance must be known: that of the first line, the last of each earlier fiscal year among them, and of a year that lines close its own last. */
export function daysOfRunningBalances(calendar: FiscalCalendar, lines: readonly RunningLine[]): Day[] {
  const closed = lines.flatMap(({ closesYear }) => lastDayOf(calendar, closesYear) ?? []);
  return [...new Set([...lines.filter((line, at) => isNewYear(calendar, lines[at - 1], line)).map(({ date }) => date), ...closed])];
}

function lastDayOf({ years }: FiscalCalendar, closesYear: number | null): Day | undefined {
  return closesYear === null ? undefined : years.find(({ year }) => year === closesYear)?.lastDay;
}

/**
 * What stood on one account after each of its lines, given latest first: the balance, or for income and expense what
 * the fiscal year had brought so far. `balanceAtEnd` gives it at the end of those days, by the rules for closing
 * entries and carry-over. Closing entries move nothing within a year: other lines do not see them. A closing line itself shows what it
 * leaves: the balance of its year's last day with the closing lines up to it. `laterThatDay` is the sum of ordinary lines of the first line's day that come after it and are not
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
  return found.map((balance, at) => {
    const { closesYear } = lines[at] as RunningLine;
    const lastDay = lastDayOf(calendar, closesYear);
    if (lastDay === undefined) return balance;
    // Earlier lines stand behind it.
    return lines.slice(at).reduce((sum, line) => (line.closesYear === closesYear ? sum + line.net : sum), balanceAtEnd(lastDay));
  });
}

function isNewYear(calendar: FiscalCalendar, later: RunningLine | undefined, line: RunningLine): boolean {
  return later === undefined || yearOf(calendar, later.date)?.firstDay !== yearOf(calendar, line.date)?.firstDay;
}
