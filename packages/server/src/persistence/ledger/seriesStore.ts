import type { Outcome } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { Actor, DocumentSeries, SeriesStore } from '../../application/ports/index.ts';
import { type Counters, changeVersioned, deleteIn, insertIn, inTransaction, isDuplicateKey, Refused, recordAudit, rowsOf } from '../database/index.ts';
import { DocumentSeriesEntity, type DocumentSeriesRow } from '../entities/ledgerEntities.ts';

export class SeriesRepository implements SeriesStore {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
  ) {}

  async list(companyId: number): Promise<DocumentSeries[]> {
    const rows = await rowsOf<Omit<DocumentSeriesRow, 'companyId'>>(
      this.database,
      'SELECT id, code, name, first_number AS firstNumber, next_number AS nextNumber, active, version FROM document_series WHERE company_id = ? ORDER BY code',
      [companyId],
    );
    return rows.map(({ firstNumber, ...row }) => ({
      ...row,
      nextNumber: Number(row.nextNumber),
      active: row.active === 1,
      // Numbers have no gaps.
      documents: Number(row.nextNumber) - Number(firstNumber),
    }));
  }

  async find(companyId: number, id: number): Promise<Pick<DocumentSeries, 'id' | 'active'> | null> {
    const [row] = await rowsOf<{ id: number; active: number }>(this.database, 'SELECT id, active FROM document_series WHERE company_id = ? AND id = ?', [
      companyId,
      id,
    ]);
    return row ? { id: row.id, active: row.active === 1 } : null;
  }

  async nextPlain(companyId: number): Promise<number> {
    const [row] = await rowsOf<{ next: string }>(this.database, 'SELECT next_document AS next FROM company WHERE id = ?', [companyId]);
    return Number(row?.next ?? 1);
  }

  async add(companyId: number, series: Pick<DocumentSeries, 'code' | 'name' | 'nextNumber'>, actor: Actor): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const id = await insert(runner, companyId, series);
      await recordAudit(runner, this.counters, companyId, actor, [{ thing: 'document_series', thingId: id, action: 'added', after: series }]);
      return null;
    });
  }

  change(
    companyId: number,
    id: number,
    version: number,
    change: { readonly name?: string | undefined; readonly active?: boolean | undefined },
    actor: Actor,
  ): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const before = await lockSeries(runner, companyId, id);
      if (before.version !== version) throw new Refused({ code: 'version_conflict', thing: 'document_series', id, current: before });
      const after = { name: change.name ?? before.name, active: change.active ?? before.active };
      await changeVersioned(runner, DocumentSeriesEntity, companyId, { id, version }, { name: after.name, active: after.active });
      const told = { code: before.code };
      await recordAudit(runner, this.counters, companyId, actor, [
        {
          thing: 'document_series',
          thingId: id,
          action: 'changed',
          before: { ...told, name: before.name, active: before.active },
          after: { ...told, ...after },
        },
      ]);
      return null;
    });
  }

  delete(companyId: number, id: number, actor: Actor): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      // A posting in it that is under way has its row, and is waited for.
      const { code, name, documents } = await lockSeries(runner, companyId, id);
      if (documents > 0) throw new Refused({ code: 'series_held', series: code, documents });
      await deleteIn(runner, DocumentSeriesEntity, companyId, { id });
      await recordAudit(runner, this.counters, companyId, actor, [{ thing: 'document_series', thingId: id, action: 'deleted', before: { code, name } }]);
      return null;
    });
  }
}

async function insert(runner: QueryRunner, companyId: number, { code, name, nextNumber }: Pick<DocumentSeries, 'code' | 'name' | 'nextNumber'>) {
  try {
    return await insertIn(runner, DocumentSeriesEntity, companyId, { code, name, firstNumber: nextNumber, nextNumber });
  } catch (error) {
    if (isDuplicateKey(error)) throw new Refused({ code: 'series_code_taken', series: code });
    throw error;
  }
}

interface Locked {
  readonly code: string;
  readonly name: string;
  readonly active: boolean;
  readonly version: number;
  readonly documents: number;
}

async function lockSeries(runner: QueryRunner, companyId: number, id: number): Promise<Locked> {
  const [row] = await rowsOf<Pick<Locked, 'code' | 'name' | 'version'> & { active: number; documents: string }>(
    runner,
    'SELECT code, name, active, version, next_number - first_number AS documents FROM document_series WHERE company_id = ? AND id = ? FOR UPDATE',
    [companyId, id],
  );
  if (!row) throw new Refused({ code: 'not_found', thing: 'document_series', id });
  return { ...row, active: row.active === 1, documents: Number(row.documents) };
}
