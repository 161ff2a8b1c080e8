import { fail, type Outcome, succeed, translationAccountId, type VectorNeed, writeVectors } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks, unknownIn } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Ports, WrittenFile } from '../ports/index.ts';
import { provideVectors } from './provideVectors.ts';

interface Asked {
  readonly revision: number;
  readonly structureVersion: number;
  readonly needs: readonly VectorNeed[];
}

/** What a statement is run on where it is composed, of the state that it was planned over. */
export async function giveVectors(ports: Ports, { companyId }: Access, { revision, structureVersion, needs }: Asked): Promise<Outcome<WrittenFile, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const books = opened.value;
  if (books.cube.revision !== revision || books.company.structureVersion !== structureVersion) return fail({ code: 'ledger_moved_on' });
  for (const { filter } of needs) {
    const refused = unknownIn(filter, books);
    if (refused) return fail(refused);
  }
  const vectors = await provideVectors(ports, books, needs);
  if (!vectors.ok) return vectors;
  // In another currency one account more bears what translation leaves.
  const added = needs.some(({ money }) => money.in === 'other') ? [translationAccountId] : [];
  const content = Buffer.from(writeVectors([...books.cube.accountIds, ...added], needs, vectors.value));
  return succeed({ name: 'vectors', type: 'application/octet-stream', content });
}
