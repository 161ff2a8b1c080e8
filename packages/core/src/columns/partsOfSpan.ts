import { addDays, type Span } from '../calendar/day.ts';
import { type FiscalCalendar, type Period, periodIndexOf } from '../calendar/fiscalCalendar.ts';
import { shiftMonths } from '../calendar/shift.ts';
import { type Adjusting, adjustingIndexOn } from '../cube/adjustingPeriod.ts';

/** What a column is repeated over: the periods of the fiscal years, or their quarters of three (the fourth takes what is left of a year). */
export type SpanParts = 'periods' | 'quarters';

/** A part of a span; the last period of a year with a period for adjustments stands without it, which has a part of its own behind it. */
export interface SpanPart extends Span {
  readonly adjusting?: Adjusting;
}

/** What a column of a part says of it: a balance behind the adjustments is that of the day. */
export function adjustingIn(measure: 'opening' | 'closing' | 'movement', adjusting: Adjusting | undefined): { readonly adjusting?: Adjusting } {
  return adjusting === undefined || (adjusting === 'only' && measure === 'closing') ? {} : { adjusting };
}

/** Parts with the period for adjustments apart, where it has lines. */
export function withAdjusting(parts: readonly Span[], by: SpanParts, calendar: FiscalCalendar, hasLines: (periodIndex: number) => boolean): SpanPart[] {
  return parts.flatMap((part): SpanPart[] => {
    const index = adjustingIndexOn(calendar, part.lastDay);
    if (by !== 'periods' || index < 0 || !hasLines(index)) return [part];
    const { firstDay } = calendar.periods[index - 1] ?? part;
    return [
      { ...part, adjusting: 'before' },
      { firstDay, lastDay: part.lastDay, adjusting: 'only' },
    ];
  });
}

/** The span cut where periods end, first and last part as the span begins and ends; days that no fiscal year was made for go by months. */
export function partsOfSpan({ firstDay, lastDay }: Span, calendar: FiscalCalendar, by: SpanParts): Span[] {
  const parts: (Span & { readonly group: string })[] = [];
  for (let day = firstDay; day <= lastDay; ) {
    const period = calendar.periods[periodIndexOf(calendar, day)];
    const end = period?.lastDay ?? endOutside(day, calendar);
    const part = { firstDay: day, lastDay: end < lastDay ? end : lastDay, group: by === 'periods' ? day : quarterOf(day, period) };
    const before = parts.at(-1);
    if (before?.group === part.group) parts[parts.length - 1] = { ...before, lastDay: part.lastDay };
    else parts.push(part);
    day = addDays(part.lastDay, 1);
  }
  return parts.map((part) => ({ firstDay: part.firstDay, lastDay: part.lastDay }));
}

/** The end of the month, or the day before the first period where that comes sooner. */
function endOutside(day: Span['firstDay'], { periods }: FiscalCalendar): Span['lastDay'] {
  const ofMonth = addDays(shiftMonths(`${day.slice(0, 7)}-01`, 1), -1);
  const first = periods[0]?.firstDay;
  return first !== undefined && day < first && first <= ofMonth ? addDays(first, -1) : ofMonth;
}

function quarterOf(day: Span['firstDay'], period: Period | undefined): string {
  const number = period?.number ?? Number(day.slice(5, 7));
  return `${period ? 'year' : 'months'} ${period?.year ?? day.slice(0, 4)} ${Math.min(4, Math.ceil(number / 3))}`;
}
