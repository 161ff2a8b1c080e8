import type { CodeList, ListKey } from '../chart/codeList.ts';
import { type FacetFilter, valuesBelow } from './facetFilter.ts';

/** What both filters want: of a facet that both ask about, the values that they have in common, with all nested below. */
export function commonFilter(lists: readonly CodeList[], asked: FacetFilter, more: FacetFilter): FacetFilter {
  const both: Record<ListKey, readonly string[]> = { ...asked };
  for (const [key, values] of Object.entries(more) as [ListKey, readonly string[]][]) {
    const list = lists.find((one) => one.key === key);
    const whole = (wanted: readonly string[]) => (list ? wanted.flatMap((value) => (value === '' ? [value] : valuesBelow(list, value))) : wanted);
    const other = asked[key];
    const within = new Set(other ? whole(other) : []);
    both[key] = other ? whole(values).filter((value) => within.has(value)) : values;
  }
  return both;
}
