import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import type { Failure } from '../failure.ts';
import type { BroughtInRecord, Ports } from '../ports/index.ts';

/** Keeps a file as it came; nothing is done with it yet. */
export async function keepFile({ files }: Ports, { companyId, actor }: Access, name: string, content: Buffer): Promise<Outcome<number, Failure>> {
  if (content.length === 0) return fail({ code: 'file_not_a_table', found: 'empty' });
  return files.keep(companyId, name, content, actor);
}

export async function listBroughtIn({ ledger }: Ports, { companyId }: Access): Promise<Outcome<BroughtInRecord[], Failure>> {
  return succeed(await ledger.broughtIn(companyId));
}
