import type { CodeList } from '../chart/codeList.ts';
import type { FacetFilter, FacetsOfLine } from './facetFilter.ts';

type Facet = Pick<CodeList, 'key' | 'name' | 'codes'>;

function captionOf(facet: Facet, code: string): string {
  if (code === '') return 'none';
  return facet.codes.find((one) => one.code === code)?.caption || code;
}

/** `Only Vessel: MV Tern or MV Eider; Route: Sound`; empty where all lines count. */
export function filterText(filter: FacetFilter, lists: readonly Facet[]): string {
  const parts = lists.flatMap((facet) => {
    const values = filter[facet.key];
    return values ? [`${facet.name}: ${values.map((value) => captionOf(facet, value)).join(' or ')}`] : [];
  });
  return parts.length === 0 ? '' : `Only ${parts.join('; ')}`;
}

/** `MV Tern · Sound`, in the order of the facets. */
export function facetsText(facetsOfLine: FacetsOfLine, lists: readonly Facet[]): string {
  return lists
    .flatMap((facet) => {
      const code = facetsOfLine[facet.key];
      return code === undefined ? [] : [captionOf(facet, code)];
    })
    .join(' · ');
}
