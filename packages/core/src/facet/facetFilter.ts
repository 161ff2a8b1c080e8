import type { CodeList, CodesOfAccount, ListKey } from '../chart/codeList.ts';

/** The value that a line has of each facet; facets that it has none of are not in it. */
export type FacetsOfLine = CodesOfAccount;

/** The values that lines of an account get where nothing else is said: those that it names itself. */
export function defaultFacets(codes: CodesOfAccount): FacetsOfLine {
  return Object.fromEntries(Object.entries(codes).filter(([key]) => key.startsWith('facet:')));
}

/** One distinct combination of values that lines have; lines without any value are in none. */
export interface FacetSet {
  readonly id: number;
  readonly facets: FacetsOfLine;
}

/** Of each facet the values that are wanted; the empty text stands for lines without one. Facets that are not in it are not asked about. */
export type FacetFilter = Readonly<Record<ListKey, readonly string[]>>;

/** The sets whose lines are wanted; `withoutAny`: lines that have no value of any facet are wanted too. */
export interface SelectedSets {
  readonly ids: ReadonlySet<number>;
  readonly withoutAny: boolean;
}

/** A value stands for itself and all values nested below it. Cost: sets × facets asked about. */
export function selectSets(sets: readonly FacetSet[], filter: FacetFilter, lists: readonly CodeList[]): SelectedSets {
  const asked = Object.entries(filter).map(([key, values]) => {
    const list = lists.find((one) => one.key === key);
    return { key: key as ListKey, wanted: new Set(values.flatMap((value) => (value === '' || !list ? [value] : valuesBelow(list, value)))) };
  });
  const isWanted = (facets: FacetsOfLine) => asked.every(({ key, wanted }) => wanted.has(facets[key] ?? ''));
  return { ids: new Set(sets.filter(({ facets }) => isWanted(facets)).map(({ id }) => id)), withoutAny: isWanted({}) };
}

/** A value and all nested below it, itself first; in the order of the list. */
export function valuesBelow({ codes }: Pick<CodeList, 'codes'>, value: string): string[] {
  const found = new Set([value]);
  for (let grown = 0; grown !== found.size; ) {
    grown = found.size;
    for (const { code, parent } of codes) if (parent !== null && found.has(parent)) found.add(code);
  }
  return [...found];
}

/** The same text for filters that want the same; empty for none. */
export function facetKey(filter: FacetFilter): string {
  const asked = Object.entries(filter).sort(([a], [b]) => (a < b ? -1 : 1));
  return asked.length === 0 ? '' : JSON.stringify(Object.fromEntries(asked.map(([key, values]) => [key, [...values].sort()])));
}
