import {
  draftWithIds,
  emptyDraft,
  fail,
  isEmptyDraft,
  leftOfDraft,
  type MergedDrafts,
  mergeDrafts,
  type Outcome,
  type PlacementDraft,
} from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { RehearsalKept, RehearsalSaved, RehearsalStore } from '../../application/ports/index.ts';
import { changeVersioned, deleteIn, exactTimestamp, inTransaction, isDuplicateKey, Refused, rowsOf } from '../database/index.ts';
import { RehearsalEntity } from '../entities/placementEntities.ts';

const kept = `SELECT rehearsal.id, rehearsal.classification_id AS classificationId, rehearsal.person_id AS personId, person.name AS \`by\`, rehearsal.name, rehearsal.state, rehearsal.word, rehearsal.word_by AS wordBy, rehearsal.word_by_id AS wordById,
    rehearsal.draft, rehearsal.changed_at AS changedAt, rehearsal.version FROM rehearsal JOIN person ON person.id = rehearsal.person_id`;
type Row = Omit<RehearsalKept, 'draft'> & { readonly draft: string };

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

  async save(
    { companyId, classificationId, personId, name }: Parameters<RehearsalStore['save']>[0],
    draft: PlacementDraft,
    base: PlacementDraft | null,
  ): Promise<Outcome<RehearsalSaved, Failure>> {
    const own = [companyId, classificationId, personId, name];
    const found = `${kept} WHERE company_id = ? AND classification_id = ? AND person_id = ? AND rehearsal.name = ?`;
    // In one transaction, since applying it beside this may delete it before it is read.
    return await inTransaction(this.database, async (runner) => {
      // There from now on, and held, so that two windows that save at once come one after the other.
      await runner.query(
        `INSERT INTO rehearsal (company_id, classification_id, person_id, name, state, draft, changed_at) VALUES (?, ?, ?, ?, 'drafted', ?, ?)
         ON DUPLICATE KEY UPDATE changed_at = VALUES(changed_at), version = version + 1`,
        [...own, JSON.stringify(emptyDraft), exactTimestamp()],
      );
      const [before] = await rowsOf<Row>(runner, found, own);
      const merged = joining(base, draft, withDraft(before as Row).draft);
      await runner.query('UPDATE rehearsal SET draft = ? WHERE company_id = ? AND id = ?', [JSON.stringify(merged.draft), companyId, (before as Row).id]);
      return { rehearsal: { ...withDraft(before as Row), draft: merged.draft }, merged };
    });
  }

  async change(
    companyId: number,
    id: number,
    version: number,
    { name, state, word, wordBy, wordById, draft }: Parameters<RehearsalStore['change']>[3],
    base: PlacementDraft | null,
  ): Promise<Outcome<RehearsalSaved, Failure>> {
    try {
      return await inTransaction(this.database, async (runner) => {
        const [before] = await rowsOf<Row>(runner, `${kept} WHERE company_id = ? AND rehearsal.id = ? FOR UPDATE`, [companyId, id]);
        if (!before || (base === null && before.version !== version)) throw new Refused({ code: 'version_conflict', thing: 'rehearsal', id, current: null });
        const merged = joining(base, draft, withDraft(before).draft);
        const set = { name, state, word, wordBy, wordById, draft: JSON.stringify(merged.draft), changedAt: exactTimestamp() };
        await changeVersioned(runner, RehearsalEntity, companyId, { id, version: before.version }, set);
        const [after] = await rowsOf<Row>(runner, `${kept} WHERE company_id = ? AND rehearsal.id = ?`, [companyId, id]);
        return { rehearsal: withDraft(after as Row), merged };
      });
    } catch (error) {
      if (isDuplicateKey(error)) return fail({ code: 'rehearsal_name_taken', name });
      throw error;
    }
  }

  async end(companyId: number, id: number, { draft, ids }: Parameters<RehearsalStore['end']>[2]): Promise<Outcome<null, Failure>> {
    return await inTransaction(this.database, async (runner) => {
      const [row] = await rowsOf<Row>(runner, `${kept} WHERE company_id = ? AND rehearsal.id = ? FOR UPDATE`, [companyId, id]);
      const left = row ? draftWithIds(leftOfDraft(withDraft(row).draft, draft), ids) : emptyDraft;
      if (!row || isEmptyDraft(left)) await deleteIn(runner, RehearsalEntity, companyId, { id });
      else await changeVersioned(runner, RehearsalEntity, companyId, { id, version: row.version }, { draft: JSON.stringify(left) });
      return null;
    });
  }

  async delete(companyId: number, id: number): Promise<Outcome<null, Failure>> {
    return await inTransaction(this.database, async (runner) => {
      await deleteIn(runner, RehearsalEntity, companyId, { id });
      return null;
    });
  }
}

function withDraft(row: Row): RehearsalKept {
  return { ...row, draft: JSON.parse(row.draft) as PlacementDraft };
}

function joining(base: PlacementDraft | null, draft: PlacementDraft, theirs: PlacementDraft): MergedDrafts {
  return mergeDrafts(base ?? theirs, draft, theirs);
}
