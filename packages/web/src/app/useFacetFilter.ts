import { type FacetFilter, isListKey } from '@ivory-ladder/core';
import { useCallback, useMemo } from 'react';
import { useSearchParams } from 'react-router';

export interface FacetFilterInAddress {
  readonly filter: FacetFilter;
  /** As requests take it; empty where all lines count. */
  readonly facets: string;
  readonly choose: (filter: FacetFilter) => void;
}

/** Which facet values the figures are made of alone; it lives in the address, so that it brings the same view back. */
export function useFacetFilter(): FacetFilterInAddress {
  const [params, setParams] = useSearchParams();
  const text = params.get('facets') ?? '';
  const filter = useMemo(() => readFilter(text), [text]);
  const choose = useCallback(
    (chosen: FacetFilter) =>
      setParams(
        (before) => {
          const next = new URLSearchParams(before);
          const asked = Object.entries(chosen).filter(([, values]) => values.length > 0);
          if (asked.length === 0) next.delete('facets');
          else next.set('facets', JSON.stringify(Object.fromEntries(asked)));
          return next;
        },
        // Drawn at once: a box that is ticked shows it.
        { flushSync: true },
      ),
    [setParams],
  );
  return { filter, facets: Object.keys(filter).length === 0 ? '' : JSON.stringify(filter), choose };
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
