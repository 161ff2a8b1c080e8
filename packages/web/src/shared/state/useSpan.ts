import type { Company } from '@ivory-ladder/contract';
import { addDays, dayParts, daysInMonth, isDay, isLastOfMonth, shiftMonths, toDay } from '@ivory-ladder/core';
import { useCallback, useMemo } from 'react';

import type { SpanParams } from '../api/spanParams.ts';
import { useAddress } from './useAddress.ts';
import { useCompany } from './useCompany.ts';

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

/** The chosen span and its comparison, which live in the address so that it brings the same view back. */
export function useSpan(): { span: SpanInAddress; choose: (change: Partial<Omit<SpanInAddress, 'adjusting'>>, beforeAdjusting?: boolean) => void } {
  const company = useCompany();
  const [params, changeAddress] = useAddress();
  const span = useMemo((): SpanInAddress => {
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
  }, [company, params]);
  const choose = useCallback(
    (change: Partial<Omit<SpanInAddress, 'adjusting'>>, beforeAdjusting?: boolean) => {
      const isOther = change.compare !== undefined && change.compare !== 'fixed';
      // Drawn at once, so that what is asked for the other span is asked at once and not after the next frame.
      changeAddress(
        {
          ...change,
          ...(beforeAdjusting === undefined ? {} : { adjusting: beforeAdjusting ? 'before' : null }),
          ...(isOther ? { compareFrom: null, compareTo: null } : {}),
        },
        { flushSync: true },
      );
    },
    [changeAddress],
  );
  return { span, choose };
}
