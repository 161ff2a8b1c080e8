import { type FacetFilter, isListKey } from '@ivory-ladder/core';
import { useCallback, useMemo } from 'react';
import { useAddress } from './useAddress.ts';

export interface FacetFilterInAddress {
  readonly filter: FacetFilter;
  /** As requests take it; empty where all lines count. */
  readonly facets: string;
  readonly choose: (filter: FacetFilter) => void;
}

/** Which facet values the figures are made of alone; it lives in the address, so that it brings the same view back. */
export function useFacetFilter(): FacetFilterInAddress {
  const [params, change] = useAddress();
  const text = params.get('facets') ?? '';
  const filter = useMemo(() => readFilter(text), [text]);
  const choose = useCallback(
    (chosen: FacetFilter) => {
      const asked = Object.entries(chosen).filter(([, values]) => values.length > 0);
      // Drawn at once: a box that is ticked shows it.
      change({ facets: asked.length === 0 ? null : JSON.stringify(Object.fromEntries(asked)) }, { flushSync: true });
    },
    [change],
  );
  return { filter, facets: writeFilter(filter), choose };
}

/** The filter of an address as requests take it; empty where all lines count. */
export function facetsInAddress(params: URLSearchParams): string {
  return writeFilter(readFilter(params.get('facets') ?? ''));
}

function writeFilter(filter: FacetFilter): string {
  return Object.keys(filter).length === 0 ? '' : JSON.stringify(filter);
}

/** An address is written by anybody: what is no filter asks for nothing. */
function readFilter(text: string): FacetFilter {
  try {
    const read: unknown = JSON.parse(text || '{}');
    if (typeof read !== 'object' || read === null) return {};
    return Object.fromEntries(
      Object.entries(read).filter(
        ([key, values]) => isListKey(key) && Array.isArray(values) && values.length > 0 && values.every((one) => typeof one === 'string'),
      ),
    );
  } catch {
    return {};
  }
}
