import { type ListKey, listKey, type Outcome } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { Actor, Budget, BudgetAmount, BudgetCellChange, BudgetStore } from '../../application/ports/index.ts';
import { type Counters, changedRows, deleteIn, insertRows, inTransaction, Refused, recordAudit, rowsOf, timestamp } from '../database/index.ts';
import { BudgetAmountEntity, type BudgetRow } from '../entities/budgetEntities.ts';

const duplicateKey = 1062;
/** Code of amounts that stand under no value of the facet. */
const noCode = 0;
/** More cells than these are told by their count in the record of changes. */
const mostCellsTold = 500;

/** Budgets and their amounts; a truth of their own, which nothing is derived from. */
export class BudgetRepository implements BudgetStore {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
  ) {}

  async list(companyId: number): Promise<Budget[]> {
    const rows = await rowsOf<Omit<BudgetRow, 'companyId'>>(
      this.database,
      `SELECT id, year, name, list_id AS listId, version, locked_at AS lockedAt, locked_by AS lockedBy, lock_reason AS lockReason
         FROM budget WHERE company_id = ? ORDER BY year DESC, id`,
      [companyId],
    );
    return rows.map(({ id, year, name, listId, version, lockedAt, lockedBy, lockReason }) => ({
      id,
      year,
      name,
      facet: listId === null ? null : listKey('facet', listId),
      version,
      lock: lockedAt === null ? null : { at: lockedAt, by: lockedBy ?? '', reason: lockReason },
    }));
  }

  async totals(companyId: number): ReturnType<BudgetStore['totals']> {
    const rows = await rowsOf<{ budgetId: number; accountId: number; net: string }>(
      this.database,
      'SELECT budget_id AS budgetId, account_id AS accountId, SUM(net) AS net FROM budget_amount WHERE company_id = ? GROUP BY budget_id, account_id',
      [companyId],
    );
    const found = new Map<number, { accountId: number; net: bigint }[]>();
    for (const { budgetId, accountId, net } of rows) found.set(budgetId, [...(found.get(budgetId) ?? []), { accountId, net: BigInt(net) }]);
    return found;
  }

  async amounts(companyId: number, budget: Budget, part: string | null): Promise<BudgetAmount[]> {
    const codeId = part === null ? null : await codeIdOf(this.database, companyId, budget, part);
    const rows = await rowsOf<{ accountId: number; period: number; net: string }>(
      this.database,
      `SELECT account_id AS accountId, period, SUM(net) AS net FROM budget_amount
        WHERE company_id = ? AND budget_id = ? ${codeId === null ? '' : 'AND code_id = ?'} GROUP BY account_id, period`,
      [companyId, budget.id, ...(codeId === null ? [] : [codeId])],
    );
    return rows.map(({ accountId, period, net }) => ({ accountId, period, net: BigInt(net) }));
  }

  async add(
    companyId: number,
    { year, name, facet }: Pick<Budget, 'year' | 'name' | 'facet'>,
    copyOf: Budget | null,
    actor: Actor,
  ): Promise<Outcome<number, Failure>> {
    return this.named(name, year, async (runner) => {
      const inserted = (await runner.query('INSERT INTO budget (company_id, year, name, list_id) VALUES (?, ?, ?, ?)', [
        companyId,
        year,
        name,
        facet === null ? null : listIdOf(facet),
      ])) as { insertId: number };
      const id = Number(inserted.insertId);
      if (copyOf)
        await runner.query(
          `INSERT INTO budget_amount (company_id, budget_id, code_id, account_id, period, net)
             SELECT company_id, ?, code_id, account_id, period, net FROM budget_amount WHERE company_id = ? AND budget_id = ?`,
          [id, companyId, copyOf.id],
        );
      await recordAudit(runner, this.counters, companyId, actor, [
        { thing: 'budget', thingId: id, action: 'added', after: { year, name, ...(copyOf ? { copyOf: `${copyOf.name} ${copyOf.year}` } : {}) } },
      ]);
      return id;
    });
  }

  rename(companyId: number, { id, year, version, name: before }: Budget, name: string, actor: Actor): Promise<Outcome<null, Failure>> {
    return this.named(name, year, async (runner) => {
      await this.move(runner, companyId, id, version, 'name = ?', [name]);
      await recordAudit(runner, this.counters, companyId, actor, [
        { thing: 'budget', thingId: id, action: 'changed', before: { year, name: before }, after: { year, name } },
      ]);
      return null;
    });
  }

  delete(companyId: number, { id, year, name, version }: Budget, actor: Actor): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const deleted = await changedRows(runner, 'DELETE FROM budget WHERE company_id = ? AND id = ? AND version = ? AND locked_at IS NULL', [
        companyId,
        id,
        version,
      ]);
      if (deleted === 0) throw new Refused({ code: 'version_conflict', thing: 'budget', id, current: null });
      await recordAudit(runner, this.counters, companyId, actor, [{ thing: 'budget', thingId: id, action: 'deleted', before: { year, name } }]);
      return null;
    });
  }

  setLock(companyId: number, { id, year, name, version }: Budget, isLocked: boolean, reason: string, actor: Actor): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      await this.move(
        runner,
        companyId,
        id,
        version,
        'locked_at = ?, locked_by = ?, locked_by_id = ?, lock_reason = ?',
        isLocked ? [timestamp(), actor.name, actor.personId, reason] : [null, null, null, ''],
      );
      await recordAudit(runner, this.counters, companyId, actor, [
        { thing: 'budget', thingId: id, action: 'changed', before: { year, name, locked: !isLocked }, after: { year, name, locked: isLocked, reason } },
      ]);
      return null;
    });
  }

  async setCells(companyId: number, budget: Budget, part: string, cells: readonly BudgetCellChange[], actor: Actor): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      // Whoever changes cells waits here for who changes them now, and for who locks the budget.
      const [held] = await rowsOf<{ lockedAt: string | null }>(runner, 'SELECT locked_at AS lockedAt FROM budget WHERE company_id = ? AND id = ? FOR UPDATE', [
        companyId,
        budget.id,
      ]);
      if (!held) throw new Refused({ code: 'not_found', thing: 'budget', id: budget.id });
      if (held.lockedAt !== null) throw new Refused({ code: 'budget_locked', name: budget.name });
      const codeId = await codeIdOf(runner, companyId, budget, part);
      const rows = await rowsOf<{ accountId: number; period: number; net: string }>(
        runner,
        'SELECT account_id AS accountId, period, net FROM budget_amount WHERE company_id = ? AND budget_id = ? AND code_id = ?',
        [companyId, budget.id, codeId],
      );
      const current = new Map(rows.map(({ accountId, period, net }) => [`${accountId} ${period}`, BigInt(net)]));
      const stands = ({ accountId, period }: BudgetCellChange) => current.get(`${accountId} ${period}`) ?? 0n;
      const moved = cells.filter((cell) => stands(cell) !== cell.was);
      if (moved.length > 0)
        throw new Refused({
          code: 'budget_cells_moved_on',
          cells: moved.map((cell) => ({ accountId: cell.accountId, period: cell.period, current: stands(cell) })),
        });
      await insertRows(
        runner,
        'budget_amount (company_id, budget_id, code_id, account_id, period, net)',
        cells.map(({ accountId, period, amount }) => [companyId, budget.id, codeId, accountId, period, amount.toString()]),
        'ON DUPLICATE KEY UPDATE net = VALUES(net)',
      );
      await deleteIn(runner, BudgetAmountEntity, companyId, { budgetId: budget.id, net: 0 });
      await runner.query('UPDATE budget SET version = version + 1 WHERE company_id = ? AND id = ?', [companyId, budget.id]);
      const { year, name, id } = budget;
      const told = cells.length <= mostCellsTold ? cells : [];
      await recordAudit(runner, this.counters, companyId, actor, [
        {
          thing: 'budget',
          thingId: id,
          action: 'changed',
          before: { year, name, cells: told.map(({ accountId, period, was }) => ({ accountId, period, amount: was })) },
          after: { year, name, part, count: cells.length, cells: told.map(({ accountId, period, amount }) => ({ accountId, period, amount })) },
        },
      ]);
      return null;
    });
  }

  async budgetsOf(companyId: number, accountId: number): Promise<number> {
    const [row] = await rowsOf<{ total: string }>(
      this.database,
      'SELECT COUNT(DISTINCT budget_id) AS total FROM budget_amount WHERE company_id = ? AND account_id = ?',
      [companyId, accountId],
    );
    return Number(row?.total ?? 0);
  }

  async budgetsHaving(companyId: number, listId: number): Promise<ReadonlyMap<string, number>> {
    const rows = await rowsOf<{ code: string; total: string }>(
      this.database,
      `SELECT value.code, COUNT(DISTINCT amount.budget_id) AS total FROM listed_code AS value
         JOIN budget_amount AS amount ON amount.company_id = value.company_id AND amount.code_id = value.id
        WHERE value.company_id = ? AND value.list_id = ? GROUP BY value.code`,
      [companyId, listId],
    );
    return new Map(rows.map(({ code, total }) => [code, Number(total)]));
  }

  /** One version on, with the changes; refused where somebody has changed it meanwhile. */
  private async move(runner: QueryRunner, companyId: number, id: number, version: number, changes: string, values: readonly unknown[]): Promise<void> {
    const changed = await changedRows(runner, `UPDATE budget SET ${changes}, version = version + 1 WHERE company_id = ? AND id = ? AND version = ?`, [
      ...values,
      companyId,
      id,
      version,
    ]);
    if (changed === 0) throw new Refused({ code: 'version_conflict', thing: 'budget', id, current: null });
  }

  /** Of two that give one name at once, the database lets one. */
  private named<Value>(name: string, year: number, work: (runner: QueryRunner) => Promise<Value>): Promise<Outcome<Value, Failure>> {
    return inTransaction(this.database, async (runner) => {
      try {
        return await work(runner);
      } catch (error) {
        if ((error as { errno?: number }).errno === duplicateKey) throw new Refused({ code: 'budget_name_taken', name, year });
        throw error;
      }
    });
  }
}

/** Amounts of the account that goes are added to those of the one that stays, in budgets that are locked too. */
export async function mergeBudgets(runner: QueryRunner, companyId: number, fromId: number, intoId: number): Promise<void> {
  await runner.query(
    `INSERT INTO budget_amount (company_id, budget_id, code_id, account_id, period, net)
       SELECT company_id, budget_id, code_id, ?, period, net FROM budget_amount AS gone WHERE company_id = ? AND account_id = ?
       ON DUPLICATE KEY UPDATE net = budget_amount.net + VALUES(net)`,
    [intoId, companyId, fromId],
  );
  await deleteIn(runner, BudgetAmountEntity, companyId, { accountId: fromId });
}

function listIdOf(key: ListKey): number {
  return Number(key.slice(key.indexOf(':') + 1));
}

async function codeIdOf(runner: QueryRunner | DataSource, companyId: number, { facet }: Budget, part: string): Promise<number> {
  if (part === '' || facet === null) return noCode;
  const [row] = await rowsOf<{ id: number }>(runner, 'SELECT id FROM listed_code WHERE company_id = ? AND list_id = ? AND code = ?', [
    companyId,
    listIdOf(facet),
    part,
  ]);
  if (!row) throw new Refused({ code: 'facet_value_unknown', facet, value: part });
  return row.id;
}
