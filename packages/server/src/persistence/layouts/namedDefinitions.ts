import type { Outcome } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { Actor, NameAndDefinition, NamedDefinition, NamedDefinitionStore } from '../../application/ports/index.ts';
import { type AuditEvent, type Counters, changedRows, deleteIn, findIn, inTransaction, isDuplicateKey, Refused, recordAudit } from '../database/index.ts';
import { ColumnPlanEntity, type NamedDefinitionRow } from '../entities/layoutEntities.ts';
import { StatementSetEntity } from '../entities/setEntities.ts';

const entityOf = { column_plan: ColumnPlanEntity, statement_set: StatementSetEntity };

/** What is kept, in which table. */
export interface KindOfDefinition<Definition> {
  readonly table: 'column_plan' | 'statement_set';
  readonly nameTaken: (name: string) => Failure;
  /** What the record of changes says of it. */
  readonly told: (definition: Definition) => Record<string, unknown>;
}

/** Column plans, and sets of statements. */
export class NamedDefinitionRepository<Definition> implements NamedDefinitionStore<Definition> {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
    private readonly kind: KindOfDefinition<Definition>,
  ) {}

  async list(companyId: number): Promise<NamedDefinition<Definition>[]> {
    const rows = await findIn(this.database, entityOf[this.kind.table], companyId, {}, { order: { name: 'ASC' } });
    return rows.map((row) => read(row));
  }

  async find(companyId: number, id: number): Promise<NamedDefinition<Definition> | null> {
    const [row] = await findIn(this.database, entityOf[this.kind.table], companyId, { id });
    return row ? read(row) : null;
  }

  add(companyId: number, { name, definition }: NameAndDefinition<Definition>, actor: Actor): Promise<Outcome<number, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const { insertId } = (await this.naming(name, () =>
        runner.query(
          `INSERT INTO ${this.kind.table} (company_id, name, definition, changed_at, changed_by, changed_by_id) VALUES (?, ?, ?, UTC_TIMESTAMP(6), ?, ?)`,
          [companyId, name, JSON.stringify(definition), actor.name, actor.personId],
        ),
      )) as { insertId: number };
      await this.audit(runner, companyId, actor, { thingId: Number(insertId), action: 'added', before: undefined, after: { name } });
      return Number(insertId);
    });
  }

  change(companyId: number, id: number, expected: number, named: NameAndDefinition<Definition>, actor: Actor): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const before = await this.lock(runner, companyId, id, expected);
      await this.naming(named.name, () =>
        changedRows(
          runner,
          `UPDATE ${this.kind.table} SET name = ?, definition = ?, changed_at = UTC_TIMESTAMP(6), changed_by = ?, changed_by_id = ?, version = version + 1 WHERE company_id = ? AND id = ?`,
          [named.name, JSON.stringify(named.definition), actor.name, actor.personId, companyId, id],
        ),
      );
      await this.audit(runner, companyId, actor, { thingId: id, action: 'changed', before: this.told(before), after: this.told(named) });
      return null;
    });
  }

  delete(companyId: number, id: number, version: number | null, actor: Actor): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const { name } = await this.lock(runner, companyId, id, version);
      await deleteIn(runner, entityOf[this.kind.table], companyId, { id });
      await this.audit(runner, companyId, actor, { thingId: id, action: 'deleted', before: { name }, after: undefined });
      return null;
    });
  }

  private told({ name, definition }: NameAndDefinition<Definition>): Record<string, unknown> {
    return { name, ...this.kind.told(definition) };
  }

  private audit(runner: QueryRunner, companyId: number, actor: Actor, event: Omit<AuditEvent, 'thing'>) {
    return recordAudit(runner, this.counters, companyId, actor, [{ thing: this.kind.table, ...event }]);
  }

  /** `expected`: `null` whatever version it has. */
  private async lock(runner: QueryRunner, companyId: number, id: number, expected: number | null): Promise<NamedDefinition<Definition>> {
    const [row] = await findIn(runner, entityOf[this.kind.table], companyId, { id }, { hold: 'alone' });
    if (!row) throw new Refused({ code: 'not_found', thing: this.kind.table, id });
    const { version, name } = row;
    if (expected !== null && version !== expected) throw new Refused({ code: 'version_conflict', thing: this.kind.table, id, current: { version, name } });
    return read(row);
  }

  private async naming<Value>(name: string, work: () => Promise<Value>): Promise<Value> {
    try {
      return await work();
    } catch (error) {
      if (isDuplicateKey(error)) throw new Refused(this.kind.nameTaken(name));
      throw error;
    }
  }
}

function read<Definition>({ id, name, definition, changedAt, changedBy, version }: NamedDefinitionRow): NamedDefinition<Definition> {
  return { id, name, changedAt, changedBy, version, definition: JSON.parse(definition) as Definition };
}
