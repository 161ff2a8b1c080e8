import type { DataSource } from 'typeorm';
import type { AccountNote, Actor, NoteStore } from '../../application/ports/index.ts';
import { type Counters, findIn, insertIn, inTransaction, recordAudit, timestamp } from '../database/index.ts';
import { AccountNoteEntity } from '../entities/recordEntities.ts';

/** What people write about accounts, each with its day; nothing is changed afterwards. */
export class NoteRepository implements NoteStore {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
  ) {}

  async add(companyId: number, accountId: number, content: string, actor: Actor): Promise<void> {
    const id = await this.counters.next('note');
    const added = await inTransaction(this.database, async (runner) => {
      const written = { writtenAt: timestamp(), writtenBy: actor.name, writtenById: actor.personId };
      await insertIn(runner, AccountNoteEntity, companyId, { id, accountId, content, ...written });
      await recordAudit(runner, this.counters, companyId, actor, [{ thing: 'account', thingId: accountId, action: 'noted', after: { note: content } }]);
    });
    if (!added.ok) throw new Error(`a note could not be written: ${added.failure.code}`);
  }

  async list(companyId: number, accountId: number | null): Promise<AccountNote[]> {
    const rows = await findIn(this.database, AccountNoteEntity, companyId, accountId === null ? {} : { accountId }, { order: { id: 'DESC' } });
    return rows.map(({ id, accountId: of, content, writtenAt, writtenBy }) => ({ id: Number(id), accountId: of, content, writtenAt, writtenBy }));
  }
}
