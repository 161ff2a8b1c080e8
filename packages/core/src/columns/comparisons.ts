import { addDays, daysIn, type Span } from '../calendar/day.ts';
import { type FiscalCalendar, ordinaryPeriods, type Period, yearOf } from '../calendar/fiscalCalendar.ts';
import { shiftMonths, shiftSpan } from '../calendar/shift.ts';
import type { LayoutKind } from '../layout/line.ts';
import type { PlainColumn } from '../statement/statement.ts';

/** What stands beside the chosen span: nothing, the usual comparative, a year earlier, the span before, or fixed days. */
export type Comparison = { readonly kind: 'none' | 'usual' | 'year_earlier' | 'span_before' } | ({ readonly kind: 'fixed' } & Span);

/** Usual comparative: balance sheet the last fiscal year end, others the same span a year earlier (IAS 34.20). */
export function comparisonSpan(comparison: Comparison, kind: LayoutKind, span: Span, calendar: FiscalCalendar): Span | null {
  switch (comparison.kind) {
    case 'none':
      return null;
    case 'fixed':
      return { firstDay: comparison.firstDay, lastDay: comparison.lastDay };
    case 'year_earlier':
      return yearEarlier(span, calendar);
    case 'span_before':
      return spanBefore(span);
    case 'usual': {
      if (kind === 'income_statement') return yearEarlier(span, calendar);
      const year = yearOf(calendar, span.lastDay);
      if (!year) return shiftSpan(span, -12);
      const lastDay = addDays(year.firstDay, -1);
      return { firstDay: yearOf(calendar, lastDay)?.firstDay ?? shiftMonths(year.firstDay, -12), lastDay };
    }
  }
}

/** Where the span is of whole periods that are no months, the periods of the same numbers so many years later; else the days of that year. */
export function movedByYears(span: Span, by: number, calendar: FiscalCalendar): Span {
  const shifted = shiftSpan(span, 12 * by);
  const periods = ordinaryPeriods(calendar.periods);
  const [first, last] = [periods.find(({ firstDay }) => firstDay === span.firstDay), periods.find(({ lastDay }) => lastDay === span.lastDay)];
  const isOfMonths = span.firstDay.endsWith('-01') && addDays(span.lastDay, 1).endsWith('-01');
  if (!first || !last || isOfMonths) return shifted;
  const there = ({ year, number }: Period) => periods.find((period) => period.year === year + by && period.number === number);
  const [from, to] = [there(first), there(last)];
  // Of a short year that has not all of these periods the days are taken, never one end by one and the other by the other.
  return from && to ? { firstDay: from.firstDay, lastDay: to.lastDay } : shifted;
}

/** The same span a year earlier; of one longer than the year between them, so that both would share days, what came right before it. */
function yearEarlier(span: Span, calendar: FiscalCalendar): Span {
  const earlier = movedByYears(span, -1, calendar);
  return earlier.lastDay < span.firstDay ? earlier : spanBefore(span);
}

/** As many whole months before where the span is of whole months, else as many days. */
function spanBefore(span: Span): Span {
  const after = addDays(span.lastDay, 1);
  if (span.firstDay.endsWith('-01') && after.endsWith('-01')) {
    const months = Number(after.slice(0, 4)) * 12 + Number(after.slice(5, 7)) - Number(span.firstDay.slice(0, 4)) * 12 - Number(span.firstDay.slice(5, 7));
    return shiftSpan(span, -months);
  }
  return { firstDay: addDays(span.firstDay, -daysIn(span)), lastDay: addDays(span.firstDay, -1) };
}

/** The chosen span, its comparative if there is one, and then change and percent between them. */
export function columnsFor(kind: LayoutKind, span: Span, comparative: Span | null): PlainColumn[] {
  const measure = kind === 'balance_sheet' ? 'closing' : 'movement';
  const chosen = { kind: 'amount', measure, span } as const;
  if (!comparative) return [chosen];
  return [chosen, { kind: 'amount', measure, span: comparative }, { kind: 'change', of: 0, against: 1 }, { kind: 'percent', of: 0, against: 1 }];
}
