import type { DataSource } from 'typeorm';
import type { AccountNote, Actor, NoteStore } from '../../application/ports/index.ts';
import { type Counters, inTransaction, recordAudit, rowsOf, timestamp } from '../database/index.ts';

/** What people write about accounts, each with its day; nothing is changed afterwards. */
export class NoteRepository implements NoteStore {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
  ) {}

  async add(companyId: number, accountId: number, content: string, actor: Actor): Promise<void> {
    const id = await this.counters.next('note');
    const added = await inTransaction(this.database, async (runner) => {
      await runner.query('INSERT INTO account_note (company_id, id, account_id, content, written_at, written_by, written_by_id) VALUES (?, ?, ?, ?, ?, ?, ?)', [
        companyId,
        id,
        accountId,
        content,
        timestamp(),
        actor.name,
        actor.personId,
      ]);
      await recordAudit(runner, this.counters, companyId, actor, [{ thing: 'account', thingId: accountId, action: 'noted', after: { note: content } }]);
    });
    if (!added.ok) throw new Error(`a note could not be written: ${added.failure.code}`);
  }

  async list(companyId: number, accountId: number | null): Promise<AccountNote[]> {
    const rows = await rowsOf<Omit<AccountNote, 'id'> & { id: string }>(
      this.database,
      `SELECT id, account_id AS accountId, content, written_at AS writtenAt, written_by AS writtenBy FROM account_note
        WHERE company_id = ? ${accountId === null ? '' : 'AND account_id = ?'} ORDER BY id DESC`,
      accountId === null ? [companyId] : [companyId, accountId],
    );
    return rows.map((row) => ({ ...row, id: Number(row.id) }));
  }
}
