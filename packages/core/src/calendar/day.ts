/** A calendar day as ISO 8601 text, `2026-09-30`; text order is day order. */
export type Day = string;

const lengths = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

export function isLeapYear(year: number): boolean {
  return year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);
}

/** `month` is 1 to 12. */
export function daysInMonth(year: number, month: number): number {
  return month === 2 && isLeapYear(year) ? 29 : (lengths[month - 1] ?? 0);
}

export function toDay(year: number, month: number, dayOfMonth: number): Day {
  return `${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(dayOfMonth).padStart(2, '0')}`;
}

export function dayParts(day: Day): { year: number; month: number; dayOfMonth: number } {
  return { year: Number(day.slice(0, 4)), month: Number(day.slice(5, 7)), dayOfMonth: Number(day.slice(8, 10)) };
}

export function isDay(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false;
  const { year, month, dayOfMonth } = dayParts(text);
  return year >= 1 && month >= 1 && month <= 12 && dayOfMonth >= 1 && dayOfMonth <= daysInMonth(year, month);
}

export function addDays(day: Day, count: number): Day {
  const { year, month, dayOfMonth } = dayParts(day);
  const moved = new Date(Date.UTC(year, month - 1, dayOfMonth + count));
  return toDay(moved.getUTCFullYear(), moved.getUTCMonth() + 1, moved.getUTCDate());
}

export function isLastOfMonth(day: Day): boolean {
  const { year, month, dayOfMonth } = dayParts(day);
  return dayOfMonth === daysInMonth(year, month);
}

/** First and last day, both included. */
export interface Span {
  readonly firstDay: Day;
  readonly lastDay: Day;
}

/** Both ends counted. */
export function daysIn({ firstDay, lastDay }: Span): number {
  return Math.round((Date.parse(lastDay) - Date.parse(firstDay)) / 86_400_000) + 1;
}
