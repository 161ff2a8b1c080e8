import { describe, expect, it } from 'vitest';
import { spanByPeriod, spanToDate } from './chosenSpan.ts';

const year = { firstDay: '2026-01-01', lastDay: '2026-12-31' };
const march = { number: 3, firstDay: '2026-03-01', lastDay: '2026-03-31' };
const chosen = (from: string, to: string) => ({ from, to });

describe('a month in the ribbon', () => {
  it.each([
    ['alone, whatever was chosen', chosen('2026-01-01', '2026-09-30'), false, chosen('2026-03-01', '2026-03-31')],
    ['up to it from a month before', chosen('2026-02-01', '2026-02-28'), true, chosen('2026-02-01', '2026-03-31')],
    ['from it to a month behind', chosen('2026-06-01', '2026-06-30'), true, chosen('2026-03-01', '2026-06-30')],
    ['a span that reaches further, shortened to it', chosen('2026-01-01', '2026-09-30'), true, chosen('2026-01-01', '2026-03-31')],
    ['a span that began in the year before, from this year’s first day', chosen('2025-10-01', '2026-02-28'), true, chosen('2026-01-01', '2026-03-31')],
    ['alone where the span is of another year', chosen('2024-01-01', '2024-12-31'), true, chosen('2026-03-01', '2026-03-31')],
    ['an exact day within a month stays an end', chosen('2026-02-10', '2026-02-14'), true, chosen('2026-02-10', '2026-03-31')],
  ])('chooses %s', (_, shown, isExtending, expected) => {
    expect(spanByPeriod(year, march, shown, isExtending)).toEqual(expected);
  });
});

describe('the year to date', () => {
  it('ends where what is chosen ends, on an exact day too', () => {
    expect(spanToDate(year, chosen('2026-03-01', '2026-03-31'))).toEqual(chosen('2026-01-01', '2026-03-31'));
    expect(spanToDate(year, chosen('2025-11-01', '2026-02-14'))).toEqual(chosen('2026-01-01', '2026-02-14'));
  });

  it('is the whole of a year that the ribbon was turned to', () => {
    expect(spanToDate(year, chosen('2025-03-01', '2025-03-31'))).toEqual(chosen('2026-01-01', '2026-12-31'));
  });
});
