import { mergeLayouts, type Outcome, type OwnLayout } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { Actor, JoinedDraft, KeptDraft, LayoutRecord, LayoutStore, LayoutVersion, StoredLayout } from '../../application/ports/index.ts';
import { type Counters, changeVersioned, deleteIn, findIn, insertIn, inTransaction, isDuplicateKey, Refused, recordAudit, rowsOf } from '../database/index.ts';
import { LayoutEntity, LayoutKeptDraftEntity, type LayoutRow, LayoutVersionEntity } from '../entities/layoutEntities.ts';
import { CoverageExclusionEntity } from '../entities/placementEntities.ts';
import { changedNow, madeNow } from './layoutRows.ts';

const record = `id, classification_id AS classificationId, name, kind, in_use AS inUse, draft IS NOT NULL AS hasDraft,
    changed_at AS changedAt, changed_by AS changedBy, version`;
const version = 'number, made_at AS `at`, made_by AS `by`, reason';
type Row = Omit<LayoutRecord, 'hasDraft'> & { readonly hasDraft: number };

/** Composed layouts with what is drafted and every version that was put in use. Drafts leave no record: nothing runs by them. */
export class LayoutRepository implements LayoutStore {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
  ) {}

  async list(companyId: number): Promise<LayoutRecord[]> {
    const rows = await rowsOf<Row>(this.database, `SELECT ${record} FROM layout WHERE company_id = ? ORDER BY name, id`, [companyId]);
    return rows.map(told);
  }

  async record(companyId: number, id: number): Promise<LayoutRecord | null> {
    const [row] = await rowsOf<Row>(this.database, `SELECT ${record} FROM layout WHERE company_id = ? AND id = ?`, [companyId, id]);
    return row ? told(row) : null;
  }

  async find(companyId: number, id: number): Promise<StoredLayout | null> {
    const own = [companyId, id];
    const [row] = await rowsOf<Row & { draft: string | null; used: string | null }>(
      this.database,
      `SELECT ${record}, draft,
              (SELECT definition FROM layout_version WHERE company_id = layout.company_id AND layout_id = layout.id AND number = layout.in_use) AS used
         FROM layout WHERE company_id = ? AND id = ?`,
      own,
    );
    if (!row) return null;
    const versions = await rowsOf<LayoutVersion>(
      this.database,
      `SELECT ${version} FROM layout_version WHERE company_id = ? AND layout_id = ? ORDER BY number DESC`,
      own,
    );
    const keptDrafts = await rowsOf<KeptDraft>(
      this.database,
      'SELECT number, saved_at AS `at`, saved_by AS `by` FROM layout_kept_draft WHERE company_id = ? AND layout_id = ? ORDER BY number DESC',
      own,
    );
    return { ...told(row), draft: definitionOf(row.draft), used: definitionOf(row.used), versions, keptDrafts };
  }

  async findVersion(companyId: number, id: number, number: number): Promise<(LayoutVersion & { readonly definition: OwnLayout }) | null> {
    const [found] = await rowsOf<LayoutVersion & { readonly definition: string }>(
      this.database,
      `SELECT ${version}, definition FROM layout_version WHERE company_id = ? AND layout_id = ? AND number = ?`,
      [companyId, id, number],
    );
    return found ? { ...found, definition: definitionOf(found.definition) as OwnLayout } : null;
  }

  async findKeptDraft(companyId: number, id: number, number: number): Promise<OwnLayout | null> {
    const [found] = await findIn(this.database, LayoutKeptDraftEntity, companyId, { layoutId: id, number });
    return definitionOf(found?.definition ?? null);
  }

  add(companyId: number, { name, classificationId, draft }: Parameters<LayoutStore['add']>[1], actor: Actor): Promise<Outcome<number, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const drafted = { classificationId, name, kind: draft.kind, draft: JSON.stringify(draft), ...changedNow(actor) };
      const id = await naming(name, () => insertIn(runner, LayoutEntity, companyId, drafted));
      await this.audit(runner, companyId, id, actor, 'added', undefined, { name });
      return id;
    });
  }

  rename(companyId: number, id: number, expected: number, name: string, actor: Actor): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const before = await lock(runner, companyId, id, expected);
      await naming(name, () => this.set(runner, companyId, before, actor, { name }));
      await this.audit(runner, companyId, id, actor, 'changed', { name: before.name }, { name });
      return null;
    });
  }

  saveDraft(
    companyId: number,
    id: number,
    expected: number,
    { draft, base }: Parameters<LayoutStore['saveDraft']>[3],
    actor: Actor,
  ): Promise<Outcome<JoinedDraft | null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const before = await lock(runner, companyId, id, draft === null || base === null ? expected : null);
      if (draft === null && before.inUse === null) throw new Refused({ code: 'layout_has_draft_only', name: before.name });
      const theirs = before.version === expected ? null : definitionOf(before.draft ?? (await usedBy(runner, companyId, id)));
      const merged = draft && base && theirs ? mergeLayouts(base, draft, theirs) : null;
      if (before.draft !== null && (draft === null || (merged && merged.overridden.length > 0))) await keepDraft(runner, companyId, id);
      const saved = merged?.layout ?? draft;
      await this.set(runner, companyId, before, actor, { draft: saved === null ? null : JSON.stringify(saved) });
      return merged && { by: before.changedBy, joined: merged.joined, overridden: merged.overridden };
    });
  }

  putInUse(companyId: number, id: number, expected: number, reason: string, actor: Actor): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const before = await lock(runner, companyId, id, expected);
      if (before.draft === null) throw new Refused({ code: 'layout_without_draft', name: before.name });
      const [last] = await rowsOf<{ number: number | null }>(
        runner,
        'SELECT MAX(number) AS number FROM layout_version WHERE company_id = ? AND layout_id = ?',
        [companyId, id],
      );
      const number = (last?.number ?? 0) + 1;
      await insertIn(runner, LayoutVersionEntity, companyId, { layoutId: id, number, definition: before.draft, reason, ...madeNow(actor) });
      await this.set(runner, companyId, before, actor, { inUse: number, draft: null });
      await this.audit(runner, companyId, id, actor, 'changed', { name: before.name, inUse: before.inUse }, { name: before.name, inUse: number, reason });
      return null;
    });
  }

  delete(companyId: number, id: number, version: number | null, actor: Actor): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const { name } = await lock(runner, companyId, id, version);
      await deleteIn(runner, CoverageExclusionEntity, companyId, { scope: `layout:${id}` });
      await deleteIn(runner, LayoutEntity, companyId, { id });
      await this.audit(runner, companyId, id, actor, 'deleted', { name }, undefined);
      return null;
    });
  }

  private async set(
    runner: QueryRunner,
    companyId: number,
    { id, version }: Pick<LayoutRow, 'id' | 'version'>,
    actor: Actor,
    fields: Partial<Pick<LayoutRow, 'name' | 'draft' | 'inUse'>>,
  ): Promise<void> {
    await changeVersioned(runner, LayoutEntity, companyId, { id, version }, { ...fields, ...changedNow(actor) });
  }

  private audit(runner: QueryRunner, companyId: number, id: number, actor: Actor, action: 'added' | 'changed' | 'deleted', before: unknown, after: unknown) {
    return recordAudit(runner, this.counters, companyId, actor, [{ thing: 'layout', thingId: id, action, before, after }]);
  }
}

function told(row: Row): LayoutRecord {
  return { ...row, hasDraft: Number(row.hasDraft) === 1 };
}

function definitionOf(text: string | null): OwnLayout | null {
  return text === null ? null : (JSON.parse(text) as OwnLayout);
}

/** `expected`: `null` whatever version it has. */
async function lock(runner: QueryRunner, companyId: number, id: number, expected: number | null) {
  const [row] = await findIn(runner, LayoutEntity, companyId, { id }, { hold: 'alone' });
  if (!row) throw new Refused({ code: 'not_found', thing: 'layout', id });
  if (expected !== null && row.version !== expected) throw new Refused({ code: 'version_conflict', thing: 'layout', id, current: { version: row.version } });
  return row;
}

async function usedBy(runner: QueryRunner, companyId: number, id: number): Promise<string | null> {
  const [used] = await rowsOf<{ definition: string }>(
    runner,
    `SELECT version.definition FROM layout_version AS version JOIN layout ON layout.company_id = version.company_id AND layout.id = version.layout_id
      WHERE layout.company_id = ? AND layout.id = ? AND version.number = layout.in_use`,
    [companyId, id],
  );
  return used?.definition ?? null;
}

const mostKeptDrafts = 20;

/** As it stands, with who saved it and when; the oldest go. The row of the layout is held. */
async function keepDraft(runner: QueryRunner, companyId: number, id: number): Promise<void> {
  await runner.query(
    `INSERT INTO layout_kept_draft (company_id, layout_id, number, definition, saved_at, saved_by, saved_by_id)
     SELECT company_id, id, (SELECT COALESCE(MAX(number), 0) + 1 FROM layout_kept_draft WHERE company_id = ? AND layout_id = ?), draft, changed_at, changed_by, changed_by_id
       FROM layout WHERE company_id = ? AND id = ?`,
    [companyId, id, companyId, id],
  );
  await runner.query(
    `DELETE FROM layout_kept_draft WHERE company_id = ? AND layout_id = ?
        AND number + ? <= (SELECT number FROM (SELECT MAX(number) AS number FROM layout_kept_draft WHERE company_id = ? AND layout_id = ?) AS latest)`,
    [companyId, id, mostKeptDrafts, companyId, id],
  );
}

async function naming<Value>(name: string, work: () => Promise<Value>): Promise<Value> {
  try {
    return await work();
  } catch (error) {
    if (isDuplicateKey(error)) throw new Refused({ code: 'layout_name_taken', name });
    throw error;
  }
}
