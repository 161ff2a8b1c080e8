import type { Span } from '../calendar/day.ts';
import type { FiscalCalendar } from '../calendar/fiscalCalendar.ts';
import type { LayoutKind } from '../layout/line.ts';
import type { StatementColumn } from '../statement/statement.ts';
import { partsOfSpan, type SpanParts } from './partsOfSpan.ts';

/** The column plans that are there: the span beside its comparative, or the span part by part. */
export const columnPlans = ['comparison', 'periods', 'quarters'] as const;
export type ColumnPlan = (typeof columnPlans)[number];

/** Balances at the end of each part, or movements over each and over the whole behind them; one part is the whole. */
export function columnsOver(by: SpanParts, kind: LayoutKind, span: Span, calendar: FiscalCalendar): StatementColumn[] {
  const measure = kind === 'balance_sheet' ? 'closing' : 'movement';
  const parts = partsOfSpan(span, calendar, by);
  const total = measure === 'movement' && parts.length > 1 ? [span] : [];
  return [...parts, ...total].map((part): StatementColumn => ({ kind: 'amount', measure, span: part }));
}
