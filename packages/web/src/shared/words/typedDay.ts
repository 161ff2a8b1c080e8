import { type Day, dayParts, isDay, monthNames, toDay } from '@ivory-ladder/core';

/**
 * A day as people write it: `30 Sep 2026`, `September 30, 2026`, `30.9.2026` (dots, slashes or dashes, the day first, as the
 * application writes days), and ISO 8601 with or without dashes. With `near`, also what leaves the year out or shortens
 * it to two digits (of this century): the year is `near`'s then. Null for what is no day, 31 September among it.
 */
export function readTypedDay(text: string, near?: Day): Day | null {
  const written = text.trim().toLowerCase();
  const iso = /^(\d{4})-?(\d{2})-?(\d{2})$/.exec(written);
  if (iso) return checked(iso[1], Number(iso[2]), iso[3]);
  const numbers = /^(\d{1,2})[./-](\d{1,2})(?:[./-](\d{2}|\d{4})?)?$/.exec(written);
  if (numbers) return checked(yearOf(numbers[3], near), Number(numbers[2]), numbers[1]);
  const dayFirst = /^(\d{1,2})(?:st|nd|rd|th|\.)?\s*(\p{L}{3,9})\.?,?\s*(\d{2}|\d{4})?$/u.exec(written);
  if (dayFirst) return checked(yearOf(dayFirst[3], near), monthCalled(dayFirst[2]), dayFirst[1]);
  const monthFirst = /^(\p{L}{3,9})\.?\s*(\d{1,2})(?:st|nd|rd|th)?(?:,?\s+(\d{2}|\d{4}))?$/u.exec(written);
  if (monthFirst) return checked(yearOf(monthFirst[3], near), monthCalled(monthFirst[1]), monthFirst[2]);
  return null;
}

/** Without `near`, only a year written out is one: what is still being typed is not taken for another year. */
function yearOf(digits: string | undefined, near: Day | undefined): string | null {
  if (digits?.length === 4) return digits;
  if (near === undefined) return null;
  return digits === undefined ? String(dayParts(near).year) : `20${digits}`;
}

/** 1 to 12; 0 for none. The first three letters do, `Sept` and all between them and the whole name too. */
function monthCalled(name = ''): number {
  return monthNames.findIndex((month) => month.toLowerCase().startsWith(name)) + 1;
}

function checked(year: string | undefined | null, month: number, dayOfMonth: string | undefined): Day | null {
  if (!year) return null;
  const day = toDay(Number(year), month, Number(dayOfMonth));
  return isDay(day) ? day : null;
}
