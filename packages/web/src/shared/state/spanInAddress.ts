import type { Company } from '@ivory-ladder/contract';
import { addDays, dayParts, daysInMonth, isDay, isLastOfMonth, shiftMonths, toDay } from '@ivory-ladder/core';
import type { SpanParams } from '../api/spanParams.ts';

const comparisons = ['usual', 'none', 'year_earlier', 'span_before', 'fixed'] as const;
export type ComparisonKind = (typeof comparisons)[number];

export interface SpanInAddress extends SpanParams {
  readonly compare: ComparisonKind;
}

/** From the first day of the fiscal year to the end of the month of the last entry. */
function usualSpan(company: Company): { from: string; to: string } {
  const last = company.lastEntryDay ?? company.years.at(-1)?.lastDay;
  if (last === undefined) {
    const today = new Date().toISOString().slice(0, 10);
    const first = toDay(dayParts(today).year, company.fiscalYearFirstMonth, 1);
    const from = first > today ? shiftMonths(first, -12) : first;
    return { from, to: addDays(shiftMonths(from, 12), -1) };
  }
  const year = company.years.find(({ firstDay, lastDay }) => firstDay <= last && last <= lastDay);
  const { year: y, month } = dayParts(last);
  return { from: year?.firstDay ?? last, to: isLastOfMonth(last) ? last : toDay(y, month, daysInMonth(y, month)) };
}

/** The span and the comparison of an address; what it leaves open is the usual. */
export function spanInAddress(company: Company, params: URLSearchParams): SpanInAddress {
  const usual = usualSpan(company);
  const day = (key: string): string | undefined => {
    const text = params.get(key);
    return text !== null && isDay(text) ? text : undefined;
  };
  const [from, to] = [day('from') ?? usual.from, day('to') ?? usual.to];
  const compare = comparisons.find((kind) => kind === params.get('compare')) ?? 'usual';
  const [compareFrom, compareTo] = [day('compareFrom'), day('compareTo')];
  const isFixed = compare === 'fixed' && compareFrom !== undefined && compareTo !== undefined;
  const isBefore = params.get('adjusting') === 'before';
  return {
    // biome-ignore lint/complexity/useMathMinMax: days are text
    from: from <= to ? from : to,
    to,
    compare: compare === 'fixed' && !isFixed ? 'usual' : compare,
    ...(isFixed ? { compareFrom, compareTo } : {}),
    ...(isBefore ? { adjusting: 'before' as const } : {}),
  };
}
