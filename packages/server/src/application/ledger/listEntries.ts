import { type FacetFilter, type Outcome, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooksOf } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { EntriesWanted, ListedEntries, Ports } from '../ports/index.ts';

/** Entries of a span, latest first, page by page. */
export async function listEntries(
  ports: Ports,
  { companyId }: Access,
  { facets, ...wanted }: Omit<EntriesWanted, 'selected'> & { readonly facets: FacetFilter },
): Promise<Outcome<ListedEntries, Failure>> {
  const opened = await openBooksOf(ports, companyId, facets);
  if (!opened.ok) return opened;
  const { company, selected } = opened.value;
  return succeed({ company, ...(await ports.ledger.listEntries(companyId, { ...wanted, selected })) });
}
