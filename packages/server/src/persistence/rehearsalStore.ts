import { fail, type Outcome, type PlacementDraft, succeed } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Failure } from '../application/failure.ts';
import type { RehearsalKept, RehearsalStore } from '../application/ports/index.ts';
import { isDuplicateKey } from './idempotency.ts';
import { inTransaction, rowsOf } from './transaction.ts';

const kept = `SELECT rehearsal.id, rehearsal.classification_id AS classificationId, rehearsal.person_id AS personId, person.name AS \`by\`, rehearsal.name, rehearsal.state, rehearsal.word, rehearsal.word_by AS wordBy,
    rehearsal.draft, rehearsal.changed_at AS changedAt, rehearsal.version FROM rehearsal JOIN person ON person.id = rehearsal.person_id`;
type Row = Omit<RehearsalKept, 'draft'> & { readonly draft: string };
const now = (): string => new Date().toISOString().replace('T', ' ').replace('Z', '');

/** Drafts of the placement. Nothing stands otherwise because of them, so they leave no record until they are applied. */
export class RehearsalRepository implements RehearsalStore {
  constructor(private readonly database: DataSource) {}

  async list(companyId: number, classificationId: number, personId: number): Promise<RehearsalKept[]> {
    const rows = await rowsOf<Row>(
      this.database,
      `${kept} WHERE company_id = ? AND classification_id = ? AND (person_id = ? OR state = 'offered') ORDER BY rehearsal.name, rehearsal.id`,
      [companyId, classificationId, personId],
    );
    return rows.map(withDraft);
  }

  async find(companyId: number, id: number): Promise<RehearsalKept | null> {
    const [row] = await rowsOf<Row>(this.database, `${kept} WHERE company_id = ? AND rehearsal.id = ?`, [companyId, id]);
    return row ? withDraft(row) : null;
  }

  async save(companyId: number, classificationId: number, personId: number, name: string, draft: PlacementDraft): Promise<Outcome<RehearsalKept, Failure>> {
    // In one transaction, since applying it beside this may delete it before it is read.
    return await inTransaction(this.database, async (runner) => {
      await runner.query(
        `INSERT INTO rehearsal (company_id, classification_id, person_id, name, state, draft, changed_at) VALUES (?, ?, ?, ?, 'drafted', ?, ?)
         ON DUPLICATE KEY UPDATE draft = VALUES(draft), changed_at = VALUES(changed_at), version = version + 1`,
        [companyId, classificationId, personId, name, JSON.stringify(draft), now()],
      );
      const [row] = await rowsOf<Row>(runner, `${kept} WHERE company_id = ? AND classification_id = ? AND person_id = ? AND rehearsal.name = ?`, [
        companyId,
        classificationId,
        personId,
        name,
      ]);
      return withDraft(row as Row);
    });
  }

  async change(
    companyId: number,
    id: number,
    version: number,
    { name, state, word, wordBy, draft }: Parameters<RehearsalStore['change']>[3],
  ): Promise<Outcome<null, Failure>> {
    try {
      const { affectedRows } = (await this.database.query(
        `UPDATE rehearsal SET name = ?, state = ?, word = ?, word_by = ?, draft = ?, changed_at = ?, version = version + 1
          WHERE company_id = ? AND id = ? AND version = ?`,
        [name, state, word, wordBy, JSON.stringify(draft), now(), companyId, id, version],
      )) as { affectedRows: number };
      return affectedRows === 1 ? succeed(null) : fail({ code: 'version_conflict', thing: 'rehearsal', id, current: null });
    } catch (error) {
      if (isDuplicateKey(error)) return fail({ code: 'rehearsal_name_taken', name });
      throw error;
    }
  }

  async delete(companyId: number, id: number): Promise<Outcome<null, Failure>> {
    return await inTransaction(this.database, async (runner) => {
      await runner.query('DELETE FROM rehearsal WHERE company_id = ? AND id = ?', [companyId, id]);
      return null;
    });
  }
}

function withDraft(row: Row): RehearsalKept {
  return { ...row, draft: JSON.parse(row.draft) as PlacementDraft };
}
