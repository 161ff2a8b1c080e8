const spanKeys: ReadonlySet<string> = new Set(['from', 'to', 'compare', 'compareFrom', 'compareTo']);

/** What of an address goes along from screen to screen: the span and its comparison; what belongs to one screen stays there. */
export function spanSearch(search: string): URLSearchParams {
  return new URLSearchParams([...new URLSearchParams(search)].filter(([key]) => spanKeys.has(key)));
}
