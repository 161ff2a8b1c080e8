import type { Outcome } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { Actor, ChosenColumn, SavedView, ViewFields, ViewStore } from '../../application/ports/index.ts';
import { type AuditEvent, type Counters, changeVersioned, deleteIn, findIn, insertIn, inTransaction, Refused, recordAudit, rowsOf } from '../database/index.ts';
import { ChosenColumnsEntity, SavedViewEntity } from '../entities/recordEntities.ts';

/** Only what is for all is on record; what people keep for themselves is their own. */
export class ViewRepository implements ViewStore {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
  ) {}

  async list(companyId: number, personId: number): Promise<SavedView[]> {
    const rows = await rowsOf<{ id: string; name: string; shared: number; personId: number; content: string; version: number }>(
      this.database,
      `SELECT id, name, shared, person_id AS personId, content, version FROM saved_view
        WHERE company_id = ? AND (person_id = ? OR shared = 1) ORDER BY name, id`,
      [companyId, personId],
    );
    return rows.map(({ shared, content, ...row }) => ({ ...row, id: Number(row.id), isShared: shared === 1, content: JSON.parse(content) }));
  }

  async columns(companyId: number, personId: number): Promise<readonly ChosenColumn[]> {
    const [row] = await findIn(this.database, ChosenColumnsEntity, companyId, { personId });
    return row ? JSON.parse(row.columnsShown) : [];
  }

  async setColumns(companyId: number, personId: number, columns: readonly ChosenColumn[]): Promise<void> {
    await this.database.query(
      'INSERT INTO chosen_columns (company_id, person_id, columns_shown) VALUES (?, ?, ?) ON DUPLICATE KEY UPDATE columns_shown = VALUES(columns_shown)',
      [companyId, personId, JSON.stringify(columns)],
    );
  }

  async add(companyId: number, personId: number, fields: ViewFields, actor: Actor): Promise<number> {
    const id = await this.counters.next('view');
    const added = await inTransaction(this.database, async (runner) => {
      await insertIn(runner, SavedViewEntity, companyId, { id, personId, version: 1, ...columnsOf(fields) });
      await recordAudit(runner, this.counters, companyId, actor, ofAll({ thing: 'view', thingId: id, action: 'added', after: recorded(fields) }, fields));
    });
    if (!added.ok) throw new Error(`a view could not be saved: ${added.failure.code}`);
    return id;
  }

  change(companyId: number, view: SavedView, fields: ViewFields, actor: Actor): Promise<Outcome<void, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const isChanged = await changeVersioned(runner, SavedViewEntity, companyId, { id: view.id, version: view.version }, columnsOf(fields));
      if (!isChanged) throw new Refused({ code: 'version_conflict', thing: 'view', id: view.id, current: null });
      const event: AuditEvent = { thing: 'view', thingId: view.id, action: 'changed', before: recorded(view), after: recorded(fields) };
      await recordAudit(runner, this.counters, companyId, actor, ofAll(event, view, fields));
    });
  }

  remove(companyId: number, view: SavedView, actor: Actor): Promise<Outcome<void, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const removed = await deleteIn(runner, SavedViewEntity, companyId, { id: view.id });
      const event: AuditEvent = { thing: 'view', thingId: view.id, action: 'deleted', before: recorded(view) };
      if (removed > 0) await recordAudit(runner, this.counters, companyId, actor, ofAll(event, view));
    });
  }
}

const columnsOf = ({ name, isShared, content }: ViewFields) => ({ name, shared: isShared ? 1 : 0, content: JSON.stringify(content) });

function recorded({ name, isShared, content: { columns, order, ...sought } }: ViewFields) {
  return { name, shared: isShared, columns: columns.map(({ id }) => id).join(', '), sortedBy: order, sought: Object.values(sought).filter(Boolean).join(', ') };
}

function ofAll(event: AuditEvent, ...states: readonly ViewFields[]): AuditEvent[] {
  return states.some(({ isShared }) => isShared) ? [event] : [];
}
