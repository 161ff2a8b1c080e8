import type { Outcome } from '@ivory-ladder/core';
import { succeed } from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import { openBooks } from './openBooks.ts';
import type { EntriesWanted, ListedEntry, Ports } from './ports/index.ts';

/** Entries of a span, latest first, page by page. */
export async function listEntries(
  ports: Ports,
  { companyId }: Access,
  wanted: EntriesWanted,
): Promise<Outcome<{ entries: readonly ListedEntry[]; next: string | null }, Failure>> {
  const opened = await openBooks(ports, companyId);
  return opened.ok ? succeed(await ports.ledger.listEntries(companyId, wanted)) : opened;
}
