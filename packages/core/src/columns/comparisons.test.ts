import { describe, expect, it } from 'vitest';
import { addDays } from '../calendar/day.ts';
import { makeCalendar, type Period } from '../calendar/fiscalCalendar.ts';
import { comparisonSpan } from './comparisons.ts';

/** Periods of four weeks; the first year has six of them, the next thirteen. */
const periodsOf = (year: number, firstDay: string, count: number): Period[] =>
  Array.from({ length: count }, (_, at) => ({ year, number: at + 1, firstDay: addDays(firstDay, 28 * at), lastDay: addDays(firstDay, 28 * at + 27) }));
const short = periodsOf(2024, '2024-07-15', 6);
const next = periodsOf(2025, addDays('2024-07-15', 28 * 6), 13);
const calendar = makeCalendar([...short, ...next]);
const spanOf = (from: number, to: number) => ({ firstDay: next[from - 1]?.firstDay ?? '', lastDay: next[to - 1]?.lastDay ?? '' });

describe('the comparative of a span after a short year', () => {
  it('is the periods of the same numbers where the short year has them', () => {
    expect(comparisonSpan({ kind: 'usual' }, 'income_statement', spanOf(1, 6), calendar)).toEqual({ firstDay: short[0]?.firstDay, lastDay: short[5]?.lastDay });
  });

  it('never shares a day with the span, nor is it turned round', () => {
    for (let from = 1; from <= 13; from++)
      for (let to = from; to <= 13; to++)
        for (const kind of ['usual', 'year_earlier'] as const) {
          const span = spanOf(from, to);
          const earlier = comparisonSpan({ kind }, 'income_statement', span, calendar);
          expect(earlier && earlier.firstDay <= earlier.lastDay && earlier.lastDay < span.firstDay, `${from} to ${to}: ${JSON.stringify(earlier)}`).toBe(true);
        }
  });

  it('of a span longer than a year is what came right before it', () => {
    const monthly = makeCalendar([]);
    expect(comparisonSpan({ kind: 'usual' }, 'income_statement', { firstDay: '2025-07-01', lastDay: '2026-12-31' }, monthly)).toEqual({
      firstDay: '2024-01-01',
      lastDay: '2025-06-30',
    });
  });
});
