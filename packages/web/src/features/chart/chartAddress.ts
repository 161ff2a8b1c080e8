import { type Element, elements } from '@ivory-ladder/core';
import { useMemo } from 'react';
import { type AddressChange, useAddress } from '../../shared/state/useAddress.ts';

import { type ChartFilter, readChartFilter } from './chartFilter.ts';

/** What of the chart is shown and how, as it stands in the address, so that a link brings it back. */
export interface ChartAddress {
  readonly find: string;
  readonly show: ChartFilter;
  readonly element: Element | '';
  /** A category with all below it. */
  readonly categoryId: number | null;
  /** For accounts unused since a day; empty for the first day of the span. */
  readonly since: string;
  /** A column, with a minus for the other way; empty for the chart’s own order. */
  readonly order: string;
  readonly accountId: number | null;
  /** The saved view that was opened. */
  readonly viewId: number | null;
}

export function useChartAddress(): readonly [ChartAddress, (changes: AddressChange, replace?: boolean) => void] {
  const [params, change] = useAddress();
  const address = useMemo(
    (): ChartAddress => ({
      find: params.get('find') ?? '',
      show: readChartFilter(params.get('show')),
      element: elements.find((value) => value === params.get('element')) ?? '',
      categoryId: Number(params.get('category') ?? 0) || null,
      since: /^\d{4}-\d\d-\d\d$/.test(params.get('since') ?? '') ? (params.get('since') as string) : '',
      order: params.get('order') ?? '',
      accountId: Number(params.get('account') ?? 0) || null,
      viewId: Number(params.get('view') ?? 0) || null,
    }),
    [params],
  );
  const set = (changes: AddressChange, replace = false) => change(changes, { replace });
  return [address, set];
}
