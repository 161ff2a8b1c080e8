import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { AccountNote, Ports } from '../ports/index.ts';

export async function listNotes(ports: Ports, { companyId }: Access<'see_papers'>, accountId: number): Promise<Outcome<AccountNote[], Failure>> {
  return succeed(await ports.notes.list(companyId, accountId));
}

/** All notes of the account, the new one first. */
export async function addNote(ports: Ports, access: Access<'see_papers'>, accountId: number, content: string): Promise<Outcome<AccountNote[], Failure>> {
  const { companyId, actor } = access;
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  if (!opened.value.cube.indexOf.has(accountId)) return fail({ code: 'not_found', thing: 'account', id: accountId });
  await ports.notes.add(companyId, accountId, content, actor);
  return listNotes(ports, access, accountId);
}
