import { addDays, type Span } from '../calendar/day.ts';
import { type FiscalCalendar, type Period, periodIndexOf } from '../calendar/fiscalCalendar.ts';
import { shiftMonths } from '../calendar/shift.ts';

/** What a column is repeated over: the periods of the fiscal years, or their quarters of three (the fourth takes what is left of a year). */
export type SpanParts = 'periods' | 'quarters';

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
