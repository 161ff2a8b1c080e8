import type { Outcome, PlanDefinition } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../application/failure.ts';
import type { ColumnPlanRecord, ColumnPlanStore } from '../application/ports/index.ts';
import { type AuditEvent, recordAudit } from './audit.ts';
import type { Counters } from './counters.ts';
import { isDuplicateKey } from './idempotency.ts';
import { changedRows, inTransaction, Refused, rowsOf } from './transaction.ts';

type Plan = Parameters<ColumnPlanStore['add']>[1];

const columns = 'id, name, definition, changed_at AS changedAt, changed_by AS changedBy, version';

/** Column plans; each change names the version that it was made from. */
export class ColumnPlanRepository implements ColumnPlanStore {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
  ) {}

  async list(companyId: number): Promise<ColumnPlanRecord[]> {
    return (await rowsOf<Row>(this.database, `SELECT ${columns} FROM column_plan WHERE company_id = ? ORDER BY name`, [companyId])).map(told);
  }

  async find(companyId: number, id: number): Promise<ColumnPlanRecord | null> {
    const [row] = await rowsOf<Row>(this.database, `SELECT ${columns} FROM column_plan WHERE company_id = ? AND id = ?`, [companyId, id]);
    return row ? told(row) : null;
  }

  add(companyId: number, { name, definition }: Plan, actor: string): Promise<Outcome<number, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const { insertId } = (await naming(name, () =>
        runner.query('INSERT INTO column_plan (company_id, name, definition, changed_at, changed_by) VALUES (?, ?, ?, UTC_TIMESTAMP(6), ?)', [
          companyId,
          name,
          JSON.stringify(definition),
          actor,
        ]),
      )) as { insertId: number };
      await this.audit(runner, companyId, actor, { thingId: Number(insertId), action: 'added', before: undefined, after: { name } });
      return Number(insertId);
    });
  }

  change(companyId: number, id: number, expected: number, { name, definition }: Plan, actor: string): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const before = await lock(runner, companyId, id);
      if (before.version !== expected)
        throw new Refused({ code: 'version_conflict', thing: 'column_plan', id, current: { version: before.version, name: before.name } });
      await naming(name, () =>
        changedRows(
          runner,
          'UPDATE column_plan SET name = ?, definition = ?, changed_at = UTC_TIMESTAMP(6), changed_by = ?, version = version + 1 WHERE company_id = ? AND id = ?',
          [name, JSON.stringify(definition), actor, companyId, id],
        ),
      );
      await this.audit(runner, companyId, actor, {
        thingId: id,
        action: 'changed',
        before: { name: before.name, columns: before.definition.columns.length },
        after: { name, columns: definition.columns.length },
      });
      return null;
    });
  }

  delete(companyId: number, id: number, actor: string): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const { name } = await lock(runner, companyId, id);
      await changedRows(runner, 'DELETE FROM column_plan WHERE company_id = ? AND id = ?', [companyId, id]);
      await this.audit(runner, companyId, actor, { thingId: id, action: 'deleted', before: { name }, after: undefined });
      return null;
    });
  }

  private audit(runner: QueryRunner, companyId: number, actor: string, event: Omit<AuditEvent, 'thing'>) {
    return recordAudit(runner, this.counters, companyId, actor, [{ thing: 'column_plan', ...event }]);
  }
}

type Row = Omit<ColumnPlanRecord, 'definition'> & { readonly definition: string };

function told({ definition, ...facts }: Row): ColumnPlanRecord {
  return { ...facts, definition: JSON.parse(definition) as PlanDefinition };
}

async function lock(runner: QueryRunner, companyId: number, id: number): Promise<ColumnPlanRecord> {
  const [row] = await rowsOf<Row>(runner, `SELECT ${columns} FROM column_plan WHERE company_id = ? AND id = ? FOR UPDATE`, [companyId, id]);
  if (!row) throw new Refused({ code: 'not_found', thing: 'column_plan', id });
  return told(row);
}

async function naming<Value>(name: string, work: () => Promise<Value>): Promise<Value> {
  try {
    return await work();
  } catch (error) {
    if (isDuplicateKey(error)) throw new Refused({ code: 'column_plan_name_taken', name });
    throw error;
  }
}
