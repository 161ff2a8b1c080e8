import { describe, expect, it } from 'vitest';
import { addDays, isDay } from './day.ts';
import { makeCalendar, makeMonthlyYear, monthlyYearOf, periodIndexOf, yearName, yearOf } from './fiscalCalendar.ts';
import { shiftMonths, shiftSpan } from './shift.ts';

describe('moving days', () => {
  it('keeps the last day of a month the last day of a month', () => {
    expect(shiftMonths('2024-02-28', 1)).toBe('2024-03-28');
    expect(shiftMonths('2026-02-28', 1)).toBe('2026-03-31');
    expect(shiftMonths('2026-01-31', 1)).toBe('2026-02-28');
    expect(shiftMonths('2024-02-29', -12)).toBe('2023-02-28');
    expect(shiftMonths('2026-01-30', 1)).toBe('2026-02-28');
    expect(shiftMonths('2026-01-15', -13)).toBe('2024-12-15');
  });

  it('keeps a full month a full month', () => {
    expect(shiftSpan({ firstDay: '2026-02-01', lastDay: '2026-02-28' }, 1)).toEqual({ firstDay: '2026-03-01', lastDay: '2026-03-31' });
    expect(shiftSpan({ firstDay: '2026-01-01', lastDay: '2026-09-30' }, -12)).toEqual({ firstDay: '2025-01-01', lastDay: '2025-09-30' });
  });

  it('knows days that exist', () => {
    expect(['2024-02-29', '2023-02-29', '2026-13-01', '2026-04-31', '26-04-30'].map(isDay)).toEqual([true, false, false, false, false]);
    expect(addDays('2024-02-28', 2)).toBe('2024-03-01');
    expect(addDays('2026-01-01', -1)).toBe('2025-12-31');
  });
});

describe('fiscal years', () => {
  it('begin in any month and are named for both calendar years they touch', () => {
    const year = makeMonthlyYear(2025, 4);
    expect([year.firstDay, year.lastDay, year.periods.length, yearName(year)]).toEqual(['2025-04-01', '2026-03-31', 12, '2025/26']);
    expect([monthlyYearOf('2026-03-31', 4), monthlyYearOf('2026-04-01', 4)]).toEqual([2025, 2026]);
    expect(yearName(makeMonthlyYear(2026, 1))).toBe('2026');
  });

  it('find the period of a day, and none outside the years that were made', () => {
    const calendar = makeCalendar([...makeMonthlyYear(2026, 1).periods, ...makeMonthlyYear(2025, 1).periods]);
    expect(['2025-01-01', '2025-12-31', '2026-06-15', '2024-12-31', '2027-01-01'].map((day) => periodIndexOf(calendar, day))).toEqual([0, 11, 17, -1, -1]);
    expect(yearOf(calendar, '2025-07-01')?.year).toBe(2025);
    expect(yearOf(calendar, '2027-01-01')).toBeUndefined();
  });

  it('refuse a gap between periods', () => {
    expect(() => makeCalendar([...makeMonthlyYear(2024, 1).periods, ...makeMonthlyYear(2026, 1).periods])).toThrow('do not join');
  });
});
