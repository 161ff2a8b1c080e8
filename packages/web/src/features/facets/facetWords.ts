import type { CodeListBody } from '@ivory-ladder/contract';
import type { FacetFilter, FacetsOfLine, ListKey } from '@ivory-ladder/core';

type Value = CodeListBody['codes'][number];
type Facet = Pick<CodeListBody, 'key' | 'name' | 'codes'>;

/** Values in their order, each before those nested below it. */
export function nestedValues({ codes }: Pick<CodeListBody, 'codes'>): (Value & { readonly depth: number })[] {
  const below = (parent: string | null, depth: number): (Value & { depth: number })[] =>
    codes.filter((value) => value.parent === parent).flatMap((value) => [{ ...value, depth }, ...below(value.code, depth + 1)]);
  return below(null, 0);
}

function captionOf(facet: Facet, code: string): string {
  if (code === '') return 'none';
  const value = facet.codes.find((one) => one.code === code);
  return value?.caption || code;
}

/** `Only Vessel: MV Tern or MV Eider; Route: Sound.` */
export function filterText(filter: FacetFilter, facets: readonly Facet[]): string {
  const parts = facets.flatMap((facet) => {
    const values = filter[facet.key];
    return values ? [`${facet.name}: ${values.map((value) => captionOf(facet, value)).join(' or ')}`] : [];
  });
  return `Only ${parts.join('; ')}.`;
}

/** `MV Tern · Sound`, in the order of the facets. */
export function facetsText(facetsOfLine: FacetsOfLine, facets: readonly Facet[]): string {
  return facets
    .flatMap((facet) => {
      const code = facetsOfLine[facet.key as ListKey];
      return code === undefined ? [] : [captionOf(facet, code)];
    })
    .join(' · ');
}
