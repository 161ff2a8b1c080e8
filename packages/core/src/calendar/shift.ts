import { addDays, type Day, dayParts, daysInMonth, isLastOfMonth, type Span, toDay } from './day.ts';

/** The last day of a month moves to the last day of a month, any other to the same day or the last there is. */
export function shiftMonths(day: Day, months: number): Day {
  const { year, month, dayOfMonth } = dayParts(day);
  const index = year * 12 + (month - 1) + months;
  const toYear = Math.floor(index / 12);
  const toMonth = (index % 12) + 1;
  const length = daysInMonth(toYear, toMonth);
  return toDay(toYear, toMonth, isLastOfMonth(day) ? length : Math.min(dayOfMonth, length));
}

/** A span moves by its first day and by the day after its last, so a full month stays a full month. */
export function shiftSpan(span: Span, months: number): Span {
  return {
    firstDay: shiftMonths(span.firstDay, months),
    lastDay: addDays(shiftMonths(addDays(span.lastDay, 1), months), -1),
  };
}
