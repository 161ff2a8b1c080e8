import type { Span } from '../calendar/day.ts';
import type { FiscalCalendar } from '../calendar/fiscalCalendar.ts';
import type { LayoutKind } from '../layout/line.ts';
import type { PlainColumn } from '../statement/statement.ts';
import { adjustingIn, partsOfSpan, type SpanPart, type SpanParts, withAdjusting } from './partsOfSpan.ts';

/** The column plans that are there: the span beside its comparative or a budget, or the span part by part. */
export const columnPlans = ['comparison', 'periods', 'quarters', 'budget'] as const;
export type ColumnPlan = (typeof columnPlans)[number];

/** What was posted over the span or by its end, what was budgeted for it, and change and percent between them. */
export function columnsAgainst(budgetId: number, measure: 'closing' | 'movement', span: Span): PlainColumn[] {
  const posted = { kind: 'amount', measure, span } as const;
  return [posted, { ...posted, budgetId }, { kind: 'change', of: 0, against: 1 }, { kind: 'percent', of: 0, against: 1 }];
}

/** `hasLines`: whether anything stands in a period, by its place in the calendar. Balances at the end of each part, or movements over each and over the whole behind them; one part is the whole. */
export function columnsOver(
  by: SpanParts,
  kind: LayoutKind,
  span: Span,
  calendar: FiscalCalendar,
  hasLines: (periodIndex: number) => boolean = () => false,
): PlainColumn[] {
  const measure = kind === 'balance_sheet' ? 'closing' : 'movement';
  const parts = withAdjusting(partsOfSpan(span, calendar, by), by, calendar, hasLines);
  const hasTotal = measure === 'movement' && parts.length > 1;
  const columns = parts.map(
    ({ adjusting, firstDay, lastDay }: SpanPart): PlainColumn => ({
      kind: 'amount',
      measure,
      span: { firstDay, lastDay },
      ...adjustingIn(measure, adjusting),
      ...(hasTotal ? { total: parts.length } : {}),
    }),
  );
  return hasTotal ? [...columns, { kind: 'amount', measure, span }] : columns;
}
