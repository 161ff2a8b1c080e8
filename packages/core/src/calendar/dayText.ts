import { type CaptionLanguage, captionWords } from '../layout/captionWords.ts';
import { dayParts, isLastOfMonth } from './day.ts';

export const monthNames = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December'];

/** Short, as `Sep`; other languages than English as Intl writes them (Unicode CLDR). */
export function monthName(month: number, language: CaptionLanguage = 'en'): string {
  if (language === 'en') return (monthNames[month - 1] ?? '').slice(0, 3);
  return new Intl.DateTimeFormat(language, { month: 'short', timeZone: 'UTC' }).format(Date.UTC(2000, month - 1, 1));
}

/** `30 September 2026`. */
export function longDay(day: string, language: CaptionLanguage = 'en'): string {
  if (language !== 'en')
    return new Intl.DateTimeFormat(language, { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`));
  const { year, month, dayOfMonth } = dayParts(day);
  return `${dayOfMonth} ${monthNames[month - 1]} ${year}`;
}

/** `30 Sep 2026`. */
export function shortDay(day: string, language: CaptionLanguage = 'en'): string {
  const { year, month, dayOfMonth } = dayParts(day);
  return `${dayOfMonth} ${monthName(month, language)} ${year}`;
}

/** `Jan–Sep` and `2026` where the span is of whole months of one year; else days. For two lines of a heading. */
export function spanLines(firstDay: string, lastDay: string, language: CaptionLanguage = 'en'): [string, string] {
  const { to } = captionWords[language];
  const name = (month: number) => monthName(month, language);
  const first = dayParts(firstDay);
  const last = dayParts(lastDay);
  if (first.dayOfMonth !== 1 || !isLastOfMonth(lastDay)) return [shortDay(firstDay, language), `${to} ${shortDay(lastDay, language)}`];
  if (first.year !== last.year) return [`${name(first.month)} ${first.year}`, `${to} ${name(last.month)} ${last.year}`];
  return [first.month === last.month ? name(first.month) : `${name(first.month)}–${name(last.month)}`, String(last.year)];
}

export function spanText(firstDay: string, lastDay: string, language: CaptionLanguage = 'en'): string {
  const [upper, lower] = spanLines(firstDay, lastDay, language);
  return `${upper} ${lower}`;
}
