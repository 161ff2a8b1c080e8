import { type Day, daysInMonth, isDay, toDay } from '../calendar/day.ts';

const months: readonly RegExp[] = [/jan/i, /feb|fév|fev/i, /mar|mär/i, /apr|avr/i, /ma[iy]/i, /jun|juin/i, /jul|juil/i, /aug|aoû|ago/i, /sep/i, /o[ck]t/i, /nov/i, /de[cz]|déc|dic/i];

/**
 * A day written in a title or a file name: `30 September 2026`, `2026-09-30`, `30.09.2026`, `September 2026` (its
 * last day). A date with slashes is read as day and month where only that makes a date, and left alone if both do.
 */
export function findDay(text: string): Day | null {
  const iso = /(\d{4})-(\d{2})-(\d{2})/.exec(text) ?? /(?<!\d)(20\d{2})(\d{2})(\d{2})(?!\d)/.exec(text);
  if (iso) return checked(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const dotted = /(?<!\d)(\d{1,2})\.\s?(\d{1,2})\.\s?(\d{4})/.exec(text);
  if (dotted) return checked(Number(dotted[3]), Number(dotted[2]), Number(dotted[1]));
  const slashed = /(?<!\d)(\d{1,2})[/-](\d{1,2})[/-](\d{4})/.exec(text);
  if (slashed) {
    const [first, second, year] = [Number(slashed[1]), Number(slashed[2]), Number(slashed[3])];
    if (first > 12) return checked(year, second, first);
    if (second > 12 || first === second) return checked(year, first, second);
    return null;
  }
  const named = /(?:(\d{1,2})(?:st|nd|rd|th|\.)?\s+)?(\p{L}{3,12})\.?\s+(?:(\d{1,2})(?:st|nd|rd|th)?,?\s+)?(\d{4})/u.exec(text) ?? /()(\p{L}{3,12})[-_]()(\d{4})/u.exec(text);
  if (!named) return null;
  const month = months.findIndex((pattern) => new RegExp(`^(?:${pattern.source})`, 'i').test(named[2] ?? '')) + 1;
  if (month === 0) return null;
  const year = Number(named[4]);
  return checked(year, month, Number(named[1] || named[3] || daysInMonth(year, month)));
}

function checked(year: number, month: number, dayOfMonth: number): Day | null {
  const day = toDay(year, month, dayOfMonth);
  return isDay(day) ? day : null;
}
