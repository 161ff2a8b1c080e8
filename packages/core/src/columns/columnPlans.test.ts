import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays } from '../calendar/day.ts';
import { makeCalendar, makeMonthlyYear } from '../calendar/fiscalCalendar.ts';
import { columnsOver } from './columnPlans.ts';
import { partsOfSpan } from './partsOfSpan.ts';

const calendar = makeCalendar([...makeMonthlyYear(2025, 7).periods, ...makeMonthlyYear(2026, 7).periods]);
const told = (span: { firstDay: string; lastDay: string }, by: 'periods' | 'quarters') =>
  partsOfSpan(span, calendar, by).map(({ firstDay, lastDay }) => `${firstDay} ${lastDay}`);

describe('a span in parts', () => {
  it('is cut where periods end, and begins and ends as it does itself', () => {
    expect(told({ firstDay: '2026-01-15', lastDay: '2026-03-10' }, 'periods')).toEqual([
      '2026-01-15 2026-01-31',
      '2026-02-01 2026-02-28',
      '2026-03-01 2026-03-10',
    ]);
  });

  it('goes by quarters of the fiscal year, not of the calendar year', () => {
    const shifted = makeCalendar(makeMonthlyYear(2025, 2).periods);
    expect(partsOfSpan({ firstDay: '2025-02-01', lastDay: '2025-09-30' }, shifted, 'quarters').map(({ lastDay }) => lastDay)).toEqual([
      '2025-04-30',
      '2025-07-31',
      '2025-09-30',
    ]);
  });

  it('gives the fourth quarter what is left of a year of thirteen periods', () => {
    const periods = Array.from({ length: 13 }, (_, at) => ({
      year: 2026,
      number: at + 1,
      firstDay: addDays('2026-01-01', at * 28),
      lastDay: addDays('2026-01-01', at * 28 + 27),
    }));
    const { firstDay, lastDay } = { firstDay: '2026-01-01', lastDay: periods.at(-1)?.lastDay ?? '' };
    expect(partsOfSpan({ firstDay, lastDay }, makeCalendar(periods), 'quarters').map((part) => part.lastDay)).toEqual(
      [3, 6, 9, 13].map((number) => periods[number - 1]?.lastDay),
    );
  });

  it('goes by months where no fiscal year was made, up to the first that was', () => {
    expect(told({ firstDay: '2025-05-20', lastDay: '2025-07-31' }, 'periods')).toEqual([
      '2025-05-20 2025-05-31',
      '2025-06-01 2025-06-30',
      '2025-07-01 2025-07-31',
    ]);
    expect(partsOfSpan({ firstDay: '2031-01-01', lastDay: '2031-12-31' }, calendar, 'quarters')).toHaveLength(4);
  });

  it('is all of the span, each day once, whatever span it is', () => {
    const day = fc.integer({ min: 0, max: 1500 }).map((days) => addDays('2024-11-03', days));
    fc.assert(
      fc.property(day, day, fc.constantFrom('periods' as const, 'quarters' as const), (a, b, by) => {
        const span = a <= b ? { firstDay: a, lastDay: b } : { firstDay: b, lastDay: a };
        const parts = partsOfSpan(span, calendar, by);
        expect([parts[0]?.firstDay, parts.at(-1)?.lastDay]).toEqual([span.firstDay, span.lastDay]);
        for (const [at, part] of parts.entries()) {
          expect(part.firstDay <= part.lastDay).toBe(true);
          if (at > 0) expect(part.firstDay).toBe(addDays(parts[at - 1]?.lastDay ?? '', 1));
        }
      }),
      { seed: 612 },
    );
  });
});

describe('columns over the parts of a span', () => {
  const span = { firstDay: '2026-01-01', lastDay: '2026-03-31' };

  it('have a total for movements, none for balances, and none where there is one part alone', () => {
    expect(columnsOver('periods', 'income_statement', span, calendar).at(-1)).toEqual({ kind: 'amount', measure: 'movement', span });
    expect(columnsOver('periods', 'income_statement', span, calendar)).toHaveLength(4);
    expect(columnsOver('periods', 'balance_sheet', span, calendar)).toHaveLength(3);
    expect(columnsOver('quarters', 'income_statement', span, calendar)).toHaveLength(1);
  });
});
