import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, isLeapYear } from './day.ts';
import { makeCalendar, makeMonthlyYear, periodIndexOf, yearName } from './fiscalCalendar.ts';
import { checkPeriodEnds, makeYearFrom, makeYearOf, weekdayOf, withAdjustingPeriod, type YearForm } from './yearForm.ts';

const isoWeeks: YearForm = { kind: 'weeks', weekday: 7, month: 12, end: 'nearest', pattern: '4 4 5' };
const days = (year: { firstDay: string; lastDay: string }) => (Date.parse(year.lastDay) - Date.parse(year.firstDay)) / 86_400_000 + 1;

describe('a year of weeks', () => {
  it('that ends on the Sunday nearest to the end of December is the week year of ISO 8601: 53 weeks where it begins or ends with a Thursday of that year', () => {
    // ISO 8601: a year has 53 weeks if 1 January is a Thursday, or a Wednesday in a leap year (from memory).
    let first = '2000-01-03';
    for (let year = 2000; year < 2100; year++) {
      const made = makeYearFrom(first, isoWeeks);
      const january = weekdayOf(`${year}-01-01`);
      expect([year, days(made) / 7]).toEqual([year, january === 4 || (january === 3 && isLeapYear(year)) ? 53 : 52]);
      expect([made.year, yearName(made), weekdayOf(made.firstDay)]).toEqual([year, String(year), 1]);
      first = addDays(made.lastDay, 1);
    }
  });

  it('follows its pattern, the 53rd week in the last period', () => {
    const made = makeYearFrom('2025-12-29', isoWeeks);
    expect(made.periods.map((period) => days(period) / 7)).toEqual([4, 4, 5, 4, 4, 5, 4, 4, 5, 4, 4, 6]);
    expect(made.lastDay).toBe('2027-01-03');
    expect(makeYearFrom('2027-01-04', { ...isoWeeks, pattern: '5 4 4' }).periods.map((period) => days(period) / 7)).toEqual([
      5, 4, 4, 5, 4, 4, 5, 4, 4, 5, 4, 4,
    ]);
  });

  it('ends on the last of a day of the week in its month, and joins the year before whatever that was', () => {
    const january: YearForm = { kind: 'weeks', weekday: 6, month: 1, end: 'last', pattern: '4 5 4' };
    const made = makeYearFrom('2026-02-01', january);
    expect([made.lastDay, weekdayOf(made.lastDay), yearName(made)]).toEqual(['2027-01-30', 6, '2026/27']);
    // After a year of months: the first one of weeks bears the odd days.
    const changed = makeYearFrom('2026-01-01', january);
    expect([changed.firstDay, changed.lastDay]).toEqual(['2026-01-01', '2027-01-30']);
  });
});

describe('years by other forms', () => {
  it('of months are the calendar’s; one that begins within a month has a first period up to its end', () => {
    expect(makeYearFrom('2026-04-01', { kind: 'months' })).toEqual(makeMonthlyYear(2026, 4));
    const odd = makeYearFrom('2027-01-04', { kind: 'months' });
    expect([odd.periods[0], odd.lastDay]).toEqual([{ year: 2027, number: 1, firstDay: '2027-01-04', lastDay: '2027-01-31' }, '2027-12-31']);
  });

  it('by the last days of their periods, which follow one another', () => {
    const year = makeYearOf('2026-05-12', ['2026-06-30', '2026-09-30', '2026-12-31']);
    expect(year.periods.map(({ firstDay }) => firstDay)).toEqual(['2026-05-12', '2026-07-01', '2026-10-01']);
    expect(checkPeriodEnds('2026-05-12', ['2026-06-30', '2026-06-30'])).toEqual({ code: 'period_ends_unordered', at: 2, day: '2026-06-30' });
    expect(checkPeriodEnds('2026-05-12', ['2026-05-11'])).toMatchObject({ at: 1 });
    expect(checkPeriodEnds('2026-05-12', ['2028-06-30'])).toMatchObject({ code: 'year_too_long' });
    expect(checkPeriodEnds('2026-05-12', ['2026-06-30', '2026-09-30'])).toBeNull();
  });

  it('of any form follow one another without a gap, each day in one period, adjusting ones in none', () => {
    const weeks = fc.record({
      kind: fc.constant('weeks' as const),
      weekday: fc.integer({ min: 1, max: 7 }),
      month: fc.integer({ min: 1, max: 12 }),
      end: fc.constantFrom('last' as const, 'nearest' as const),
      pattern: fc.constantFrom('4 4 5' as const, '4 5 4' as const),
    });
    const form: fc.Arbitrary<YearForm> = fc.oneof(fc.constant({ kind: 'months' as const }), weeks);
    fc.assert(
      fc.property(fc.array(fc.tuple(form, fc.boolean()), { minLength: 1, maxLength: 5 }), fc.nat(1800), (forms, offset) => {
        const years = [];
        let first = '2024-01-01';
        for (const [one, isAdjusted] of forms) {
          const made = makeYearFrom(first, one);
          years.push(isAdjusted ? withAdjustingPeriod(made) : made);
          first = addDays(made.lastDay, 1);
        }
        const calendar = makeCalendar(years.flatMap(({ periods }) => periods));
        const day = addDays('2024-01-01', offset % days({ firstDay: '2024-01-01', lastDay: addDays(first, -1) }));
        const period = calendar.periods[periodIndexOf(calendar, day)];
        expect(calendar.periods.filter((one) => !one.isAdjusting && one.firstDay <= day && day <= one.lastDay)).toEqual([period]);
      }),
      { seed: 5253, numRuns: 200 },
    );
  });
});
