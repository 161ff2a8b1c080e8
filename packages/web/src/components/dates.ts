import { dayParts, isLastOfMonth } from '@ivory-ladder/core';

const months = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December'];

export function monthName(month: number): string {
  return (months[month - 1] ?? '').slice(0, 3);
}

/** `30 September 2026`. */
export function longDay(day: string): string {
  const { year, month, dayOfMonth } = dayParts(day);
  return `${dayOfMonth} ${months[month - 1]} ${year}`;
}

/** `30 Sep 2026`. */
export function shortDay(day: string): string {
  const { year, month, dayOfMonth } = dayParts(day);
  return `${dayOfMonth} ${monthName(month)} ${year}`;
}

/** `Jan–Sep` and `2026` where the span is of whole months of one year; else days. For two lines of a heading. */
export function spanLines(firstDay: string, lastDay: string): [string, string] {
  const first = dayParts(firstDay);
  const last = dayParts(lastDay);
  if (first.dayOfMonth !== 1 || !isLastOfMonth(lastDay)) return [shortDay(firstDay), `to ${shortDay(lastDay)}`];
  if (first.year !== last.year) return [`${monthName(first.month)} ${first.year}`, `to ${monthName(last.month)} ${last.year}`];
  return [first.month === last.month ? monthName(first.month) : `${monthName(first.month)}–${monthName(last.month)}`, String(last.year)];
}

export function spanText(firstDay: string, lastDay: string): string {
  const [upper, lower] = spanLines(firstDay, lastDay);
  return `${upper} ${lower}`;
}

/** `30 Sep 2026, 14:05`, in the reader's own time. */
export function momentText(happenedAt: string): string {
  const moment = new Date(`${happenedAt.replace(' ', 'T')}Z`);
  return new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' }).format(moment);
}

export const monthNames = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December'];
