import { addDays, type Day, dayParts, daysInMonth, toDay } from './day.ts';
import type { FiscalYear, Period } from './fiscalCalendar.ts';
import { shiftMonths } from './shift.ts';

/** Weeks of the three periods of each quarter. */
export const weekPatterns = ['4 4 5', '4 5 4', '5 4 4'] as const;
export type WeekPattern = (typeof weekPatterns)[number];

/**
 * How fiscal years are made: of twelve calendar months, or of 52 or 53 whole weeks that end on the same day of the week, the
 * last one in a month or the one nearest to the month's end (common practice of retailers).
 */
export type YearForm =
  | { readonly kind: 'months' }
  /** `weekday`: 1 for Monday to 7 for Sunday (ISO 8601); `month`: 1 to 12. */
  | { readonly kind: 'weeks'; readonly weekday: number; readonly month: number; readonly end: 'last' | 'nearest'; readonly pattern: WeekPattern };

/** 1 for Monday to 7 for Sunday (ISO 8601). */
export function weekdayOf(day: Day): number {
  return new Date(`${day}T00:00:00Z`).getUTCDay() || 7;
}

/** The last day of the week year that ends in or around a month of a calendar year. */
function weekYearEnd({ weekday, month, end }: Extract<YearForm, { kind: 'weeks' }>, year: number): Day {
  const monthEnd = toDay(year, month, daysInMonth(year, month));
  const back = (weekdayOf(monthEnd) - weekday + 7) % 7;
  // Nearest: three days forward at most, else back.
  return end === 'nearest' && back > 3 ? addDays(monthEnd, 7 - back) : addDays(monthEnd, -back);
}

/** The calendar year in which a fiscal year begins, where some days before it do not count: a week year may begin in the last days of December. */
function nominalYear(firstDay: Day): number {
  return dayParts(addDays(firstDay, 6)).year;
}

/**
 * The fiscal year that begins on a day. One of months ends with the twelfth month; one that does not begin on the first of a
 * month has a first period up to that month's end. One of weeks ends on the next day that its form names which leaves it half
 * a year at least; the 53rd week is in its last period. Where it is of another length, after a year of another form, its first
 * period bears the odd days, and it may have fewer periods.
 */
export function makeYearFrom(firstDay: Day, form: YearForm): FiscalYear {
  const year = nominalYear(firstDay);
  return form.kind === 'months' ? yearOfPeriods(year, firstDay, monthEnds(firstDay)) : yearOfPeriods(year, firstDay, weekEnds(firstDay, form));
}

function monthEnds(firstDay: Day): Day[] {
  const { year, month } = dayParts(firstDay);
  const first = toDay(year, month, 1);
  return Array.from({ length: 12 }, (_, at) => addDays(shiftMonths(first, at + 1), -1));
}

const leastDays = 182;

function weekEnds(firstDay: Day, form: Extract<YearForm, { kind: 'weeks' }>): Day[] {
  let year = dayParts(firstDay).year;
  while (weekYearEnd(form, year) < addDays(firstDay, leastDays)) year++;
  const yearEnd = weekYearEnd(form, year);
  const weeks = form.pattern.split(' ').map(Number);
  const isWhole = [364, 371].includes(daysFrom(firstDay, yearEnd));
  if (isWhole) {
    let days = 0;
    const ends = Array.from({ length: 11 }, (_, at) => {
      days += 7 * (weeks[at % 3] as number);
      return addDays(firstDay, days - 1);
    });
    return [...ends, yearEnd];
  }
  // Counted from its end, so that later years go on as it ends.
  const ends = [yearEnd];
  for (let at = 11; at > 0; at--) {
    const before = addDays(ends[0] as Day, -7 * (weeks[at % 3] as number));
    if (daysFrom(firstDay, before) < 7) break;
    ends.unshift(before);
  }
  return ends;
}

/** Both included. */
function daysFrom(firstDay: Day, lastDay: Day): number {
  return Math.round((Date.parse(lastDay) - Date.parse(firstDay)) / 86_400_000) + 1;
}

export type YearUnmakeable =
  /** `at`: which of the days, from 1. */
  { code: 'period_ends_unordered'; at: number; day: Day } | { code: 'year_too_long'; days: number };

const mostDays = 550;

/** A fiscal year by the last day of each of its periods; what is wrong with them, or `null`. */
export function checkPeriodEnds(firstDay: Day, lastDays: readonly Day[]): YearUnmakeable | null {
  let before = addDays(firstDay, -1);
  for (const [at, day] of lastDays.entries()) {
    if (day <= before) return { code: 'period_ends_unordered', at: at + 1, day };
    before = day;
  }
  const days = daysFrom(firstDay, before);
  return days > mostDays ? { code: 'year_too_long', days } : null;
}

/** Of periods that end on these days, the first from the year’s first day. */
export function makeYearOf(firstDay: Day, lastDays: readonly Day[]): FiscalYear {
  return yearOfPeriods(nominalYear(firstDay), firstDay, lastDays);
}

/** With a period for adjustments behind the last, which has no days of its own. */
export function withAdjustingPeriod(year: FiscalYear): FiscalYear {
  const last = year.periods.at(-1) as Period;
  return {
    ...year,
    periods: [...year.periods, { year: year.year, number: last.number + 1, firstDay: year.lastDay, lastDay: year.lastDay, isAdjusting: true }],
  };
}

function yearOfPeriods(year: number, firstDay: Day, lastDays: readonly Day[]): FiscalYear {
  const periods = lastDays.map(
    (lastDay, at): Period => ({ year, number: at + 1, firstDay: at === 0 ? firstDay : addDays(lastDays[at - 1] as Day, 1), lastDay }),
  );
  return { year, firstDay, lastDay: lastDays.at(-1) as Day, periods };
}
