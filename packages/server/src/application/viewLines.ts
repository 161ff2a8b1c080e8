import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import { openBooks } from './openBooks.ts';
import type { AccountLineRecord, EntryRecord, LinesWanted, Ports } from './ports/index.ts';

export async function listAccountLines(
  ports: Ports,
  { companyId }: Access,
  wanted: LinesWanted,
): Promise<Outcome<{ lines: AccountLineRecord[]; total: number; next: string | null }, Failure>> {
  const books = await openBooks(ports, companyId);
  if (!books.ok) return books;
  if (!books.value.cube.indexOf.has(wanted.accountId)) return fail({ code: 'account_unknown', accountId: wanted.accountId });
  return succeed(await ports.ledger.accountLines(companyId, wanted));
}

export async function viewEntry(ports: Ports, { companyId }: Access, entryId: number): Promise<Outcome<EntryRecord, Failure>> {
  const entry = await ports.ledger.entry(companyId, entryId);
  return entry ? succeed(entry) : fail({ code: 'not_found', thing: 'entry', id: entryId });
}
