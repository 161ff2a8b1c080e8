import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, dayParts, isDay, isLeapYear } from './day.ts';
import { makeCalendar, makeMonthlyYear, monthlyYearOf, periodIndexOf, yearName, yearOf } from './fiscalCalendar.ts';

describe('days', () => {
  it.each([
    ['2024-02-29', true],
    ['2023-02-29', false],
    ['1900-02-29', false],
    ['2000-02-29', true],
    ['2026-04-31', false],
    ['2026-13-01', false],
    ['2026-1-1', false],
    ['0000-01-01', false],
  ])('%s is a day: %s', (text, expected) => {
    expect(isDay(text)).toBe(expected);
  });

  it('a day and the count of days to another lead back to it, as the calendar of the platform says', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('1970-01-01'), max: new Date('2199-12-31'), noInvalidDate: true }),
        fc.integer({ min: -2000, max: 2000 }),
        (date, count) => {
          const day = date.toISOString().slice(0, 10);
          expect(addDays(day, count)).toBe(new Date(Date.parse(day) + count * 86_400_000).toISOString().slice(0, 10));
          expect(addDays(addDays(day, count), -count)).toBe(day);
        },
      ),
      { seed: 431 },
    );
  });
});

describe('a monthly fiscal year', () => {
  it('from April runs into the next calendar year and is named for both', () => {
    const year = makeMonthlyYear(2025, 4);
    expect([year.firstDay, year.lastDay, yearName(year)]).toEqual(['2025-04-01', '2026-03-31', '2025/26']);
    expect(year.periods[10]).toEqual({ year: 2025, number: 11, firstDay: '2026-02-01', lastDay: '2026-02-28' });
    expect(yearName(makeMonthlyYear(2026, 1))).toBe('2026');
  });

  it('holds every day of it in exactly one period, for any first month', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1990, max: 2090 }), fc.integer({ min: 1, max: 12 }), fc.nat(364), (year, firstMonth, offset) => {
        const calendar = makeCalendar([...makeMonthlyYear(year, firstMonth).periods, ...makeMonthlyYear(year + 1, firstMonth).periods]);
        const day = addDays(makeMonthlyYear(year, firstMonth).firstDay, offset);
        const period = calendar.periods[periodIndexOf(calendar, day)];
        expect(calendar.periods.filter(({ firstDay, lastDay }) => day >= firstDay && day <= lastDay)).toEqual([period]);
        expect(dayParts(period?.firstDay ?? '').month).toBe(dayParts(day).month);
        expect(monthlyYearOf(day, firstMonth)).toBe(year);
        expect(yearOf(calendar, day)?.year).toBe(year);
      }),
      { seed: 432 },
    );
  });

  it('has 366 days exactly when a leap day falls into it', () => {
    for (const year of [2023, 2024, 2027, 2028]) {
      const { firstDay, lastDay } = makeMonthlyYear(year, 1);
      expect((Date.parse(lastDay) - Date.parse(firstDay)) / 86_400_000 + 1).toBe(isLeapYear(year) ? 366 : 365);
    }
  });
});

describe('a calendar', () => {
  it('refuses a gap and an overlap, and finds no period for a day outside', () => {
    const first = makeMonthlyYear(2024, 1).periods;
    expect(() => makeCalendar([...first, ...makeMonthlyYear(2026, 1).periods])).toThrow(/join/);
    expect(() => makeCalendar([...first, ...makeMonthlyYear(2024, 12).periods])).toThrow(/join/);
    const calendar = makeCalendar(first);
    expect([periodIndexOf(calendar, '2023-12-31'), periodIndexOf(calendar, '2025-01-01')]).toEqual([-1, -1]);
  });

  it('keeps the years apart when their periods come in any order', () => {
    const periods = [...makeMonthlyYear(2025, 7).periods, ...makeMonthlyYear(2024, 7).periods];
    expect(makeCalendar([...periods].reverse()).years.map(({ year, firstDay, lastDay, periods: own }) => [year, firstDay, lastDay, own.length])).toEqual([
      [2024, '2024-07-01', '2025-06-30', 12],
      [2025, '2025-07-01', '2026-06-30', 12],
    ]);
  });
});
