import { addDays, type Day, dayParts, type Span } from './day.ts';
import { shiftMonths } from './shift.ts';

/** One period of a fiscal year; `number` counts from 1. `year` is the calendar year in which the fiscal year begins. */
export interface Period extends Span {
  readonly year: number;
  readonly number: number;
  /** For adjustments behind the year's last period: it has no days of its own, and bears the year's last one. */
  readonly isAdjusting?: true;
}

export interface FiscalYear extends Span {
  readonly year: number;
  readonly periods: readonly Period[];
}

/** The years that were made, in order, without gaps or overlaps; `periods` are all of them, in order. */
export interface FiscalCalendar {
  readonly years: readonly FiscalYear[];
  readonly periods: readonly Period[];
}

/** Twelve monthly periods from `firstMonth` (1 to 12) of `year`. */
export function makeMonthlyYear(year: number, firstMonth: number): FiscalYear {
  const firstDay = `${String(year).padStart(4, '0')}-${String(firstMonth).padStart(2, '0')}-01`;
  const periods = Array.from({ length: 12 }, (_, index) => ({
    year,
    number: index + 1,
    firstDay: shiftMonths(firstDay, index),
    lastDay: addDays(shiftMonths(firstDay, index + 1), -1),
  }));
  return { year, firstDay, lastDay: addDays(shiftMonths(firstDay, 12), -1), periods };
}

/** The `year` of the monthly fiscal year that holds the day. */
export function monthlyYearOf(day: Day, firstMonth: number): number {
  const { year, month } = dayParts(day);
  return month >= firstMonth ? year : year - 1;
}

/** Periods in any order; a gap or an overlap between them is a bug of whoever stored them. */
export function makeCalendar(periods: readonly Period[]): FiscalCalendar {
  const sorted = [...periods].sort((a, b) => (a.lastDay === b.lastDay ? a.number - b.number : a.lastDay < b.lastDay ? -1 : 1));
  const years: { year: number; firstDay: Day; lastDay: Day; periods: Period[] }[] = [];
  for (const [index, period] of sorted.entries()) {
    const before = sorted[index - 1];
    const joins = period.isAdjusting ? period.lastDay === before?.lastDay : !before || addDays(before.lastDay, 1) === period.firstDay;
    if (!joins) throw new Error(`periods do not join at ${period.firstDay}`);
    const current = years.at(-1);
    if (current?.year === period.year) {
      current.periods.push(period);
      current.lastDay = period.lastDay;
    } else years.push({ year: period.year, firstDay: period.firstDay, lastDay: period.lastDay, periods: [period] });
  }
  return { years, periods: sorted };
}

/** Index into `periods` of the period that holds the day, or −1; adjusting periods hold none. Cost: log n. */
export function periodIndexOf(calendar: FiscalCalendar, day: Day): number {
  let low = 0;
  let high = calendar.periods.length - 1;
  while (low <= high) {
    const middle = (low + high) >> 1;
    const period = calendar.periods[middle] as Period;
    if (day < period.firstDay) high = middle - 1;
    else if (day > period.lastDay) low = middle + 1;
    else return period.isAdjusting ? middle - 1 : middle;
  }
  return -1;
}

export function yearOf(calendar: FiscalCalendar, day: Day): FiscalYear | undefined {
  return calendar.years.find((year) => day >= year.firstDay && day <= year.lastDay);
}

/** Periods that have days of their own. */
export function ordinaryPeriods<Of extends Period>(periods: readonly Of[]): Of[] {
  return periods.filter(({ isAdjusting }) => !isAdjusting);
}

/** `2026`, or `2025/26` where the year runs into the next calendar year; a year of weeks may begin or end some days beside the calendar's. */
export function yearName(year: Span): string {
  const first = addDays(year.firstDay, 6).slice(0, 4);
  const last = addDays(year.lastDay, -6).slice(0, 4);
  return first === last ? first : `${first}/${last.slice(2)}`;
}
