import { type FacetFilter, type Outcome, succeed } from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import { openBooksOf } from './openBooks.ts';
import type { EntriesWanted, ListedEntry, Ports } from './ports/index.ts';

/** Entries of a span, latest first, page by page. */
export async function listEntries(
  ports: Ports,
  { companyId }: Access,
  { facets, ...wanted }: Omit<EntriesWanted, 'selected'> & { readonly facets: FacetFilter },
): Promise<Outcome<{ entries: readonly ListedEntry[]; next: string | null }, Failure>> {
  const opened = await openBooksOf(ports, companyId, facets);
  return opened.ok ? succeed(await ports.ledger.listEntries(companyId, { ...wanted, selected: opened.value.selected })) : opened;
}
