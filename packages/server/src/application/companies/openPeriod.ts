import { fail, type Outcome, type Period, periodIndexOf, succeed } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Structure } from '../ports/index.ts';
import { lockedOn } from './periodLocks.ts';
import { isWithinReach, yearsToMake } from './years.ts';

/** The period an entry of this day goes to; fails, with the year to make first, outside the calendar, and where it is locked. */
export function openPeriodOn(books: Structure, day: string): Outcome<Period, Failure> {
  const period = books.calendar.periods[periodIndexOf(books.calendar, day)];
  if (!period) {
    if (!isWithinReach(books, day)) return fail({ code: 'day_out_of_reach', day });
    return fail({ code: 'day_outside_calendar', day, year: String(yearsToMake(books, day).at(0)?.year ?? '') });
  }
  const locked = lockedOn(books, period, day);
  return locked ? fail(locked) : succeed(period);
}

/** The adjusting period of the year that ends on a day. */
export function openAdjustingPeriodOn(books: Structure, day: string): Outcome<Period, Failure> {
  const period = books.calendar.periods.find(({ isAdjusting, lastDay }) => isAdjusting && lastDay === day);
  if (!period) return fail({ code: 'adjusting_period_missing', day });
  const locked = lockedOn(books, period, day);
  return locked ? fail(locked) : succeed(period);
}
