import { type Outcome, sameCodes } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { AccountFields, AccountUse, Actor, Books, ChartAccount, ChartPlan, ChartStore, HistoryWanted, Kept } from '../../application/ports/index.ts';
import { type ChangeStructure, readCompany, structureChanges } from '../books/index.ts';
import { type AuditEvent, type Counters, changedRows, isDuplicateKey, numberColumns, Refused, rowsOf, updateAccounts } from '../database/index.ts';
import { readHistory } from '../history/index.ts';
import { keepLayouts } from '../layouts/index.ts';
import { keepPlaces, keptEvent } from '../placement/index.ts';
import { takeRole } from './accountRoles.ts';
import { applyChart } from './applyChart.ts';
import { replaceCodes } from './codeRows.ts';

/** Accounts and the record of what was changed. */
export class ChartRepository implements ChartStore {
  private readonly change: ChangeStructure;

  constructor(
    private readonly database: DataSource,
    counters: Counters,
  ) {
    this.change = structureChanges(database, counters);
  }

  addAccount(
    companyId: number,
    fields: AccountFields,
    order: readonly (number | null)[],
    categoryId: number | null,
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<number, Failure>> {
    return this.change(companyId, expectedStructure, actor, async (runner) => {
      const result = (await writing(async () =>
        runner.query(
          `INSERT INTO account (company_id, number, number_key, name, element, normal_side, parent_id, position, active, role, purpose, external_number, cash_from, cash_until, version)
           VALUES (?, ?, ?, ?, ?, ?, ?, 0, ?, ?, ?, ?, ?, ?, 1)`,
          [companyId, ...(await columnsOf(runner, companyId, fields))],
        ),
      )) as { insertId: number };
      const id = Number(result.insertId);
      await setOrder(
        runner,
        companyId,
        order.map((other) => other ?? id),
      );
      await replaceCodes(runner, companyId, [{ accountId: id, codes: fields.codes }]);
      if (categoryId !== null)
        await runner.query(
          "INSERT INTO place (company_id, account_id, classification_id, side, category_id) SELECT company_id, ?, classification_id, 'any', id FROM category WHERE company_id = ? AND id = ?",
          [id, companyId, categoryId],
        );
      return { value: id, audit: [{ thing: 'account', thingId: id, action: 'added', after: { ...fields, categoryId } }] };
    });
  }

  changeAccount(
    companyId: number,
    account: ChartAccount,
    fields: AccountFields,
    order: readonly number[],
    kept: Kept,
    expected: { readonly structure: number; readonly revision: number },
    actor: Actor,
  ): Promise<Outcome<null, Failure>> {
    return this.change(companyId, expected.structure, actor, async (runner) => {
      if (account.active && !fields.active) await keepPostingsAway(runner, companyId, account.id, expected.revision);
      const former = fields.role !== null && fields.role !== account.role ? await takeRole(runner, companyId, fields.role) : [];
      const changed = await writing(async () =>
        changedRows(
          runner,
          `UPDATE account SET number = ?, number_key = ?, name = ?, element = ?, normal_side = ?, parent_id = ?, active = ?, role = ?, purpose = ?, external_number = ?, cash_from = ?, cash_until = ?,
                  version = version + 1 WHERE company_id = ? AND id = ? AND version = ?`,
          [...(await columnsOf(runner, companyId, fields)), companyId, account.id, account.version],
        ),
      );
      if (changed === 0) throw new Refused({ code: 'version_conflict', thing: 'account', id: account.id, current: null });
      await setOrder(runner, companyId, order);
      if (!sameCodes(fields.codes, account.codes)) await replaceCodes(runner, companyId, [{ accountId: account.id, codes: fields.codes }]);
      await keepPlaces(runner, companyId, kept.places);
      const followed = await keepLayouts(runner, companyId, kept.layouts, actor);
      const { before, after } = differing(account, fields);
      return {
        value: null,
        audit: [
          { thing: 'account', thingId: account.id, action: 'changed', before, after: order.length > 0 ? { ...after, order } : after },
          ...former.map((id): AuditEvent => ({ thing: 'account', thingId: id, action: 'changed', before: { role: fields.role }, after: { role: null } })),
          ...kept.places.map(keptEvent),
          ...followed,
        ],
      };
    });
  }

  renumber(
    companyId: number,
    changes: readonly { readonly account: ChartAccount; readonly number: string }[],
    kept: Kept,
    expectedStructure: number,
    actor: Actor,
  ): Promise<Outcome<number, Failure>> {
    return this.change(companyId, expectedStructure, actor, async (runner) => {
      const company = await readCompany(runner, companyId);
      if (!company) throw new Refused({ code: 'not_found', thing: 'company', id: companyId });
      // Through numbers that nobody can have, so that two accounts may swap theirs.
      await updateAccounts(
        runner,
        companyId,
        ['number'],
        changes.map(({ account: { id } }) => [id, `\u0001${id}`]),
        { versioned: true },
      );
      await writing(() =>
        updateAccounts(
          runner,
          companyId,
          ['number', 'number_key'],
          changes.map(({ account: { id }, number }) => [id, ...numberColumns(number, company.digitOrder)]),
        ),
      );
      await keepPlaces(runner, companyId, kept.places);
      const followed = await keepLayouts(runner, companyId, kept.layouts, actor);
      return {
        value: changes.length,
        audit: [
          ...changes.map(
            ({ account, number }): AuditEvent => ({
              thing: 'account',
              thingId: account.id,
              action: 'changed',
              before: { number: account.number },
              after: { number },
            }),
          ),
          ...kept.places.map(keptEvent),
          ...followed,
        ],
      };
    });
  }

  applyChart(
    books: Books,
    plan: ChartPlan,
    expected: { readonly structure: number; readonly revision: number },
    actor: Actor,
  ): Promise<Outcome<null, Failure>> {
    return this.change(books.company.id, expected.structure, actor, async (runner) => ({
      value: null,
      audit: await writing(() => applyChart(runner, books, plan, expected.revision, actor)),
    }));
  }

  deleteAccount(
    companyId: number,
    account: ChartAccount,
    expected: { readonly structure: number; readonly revision: number },
    actor: Actor,
  ): Promise<Outcome<null, Failure>> {
    return this.change(companyId, expected.structure, actor, async (runner) => {
      await keepPostingsAway(runner, companyId, account.id, expected.revision);
      await runner.query('DELETE FROM place WHERE company_id = ? AND account_id = ?', [companyId, account.id]);
      await replaceCodes(runner, companyId, [{ accountId: account.id, codes: {} }]);
      await runner.query('DELETE FROM exchange_rate WHERE company_id = ? AND account_id = ?', [companyId, account.id]);
      await runner.query('DELETE FROM balance WHERE company_id = ? AND account_id = ? AND debit = 0 AND credit = 0', [companyId, account.id]);
      const deleted = await changedRows(runner, 'DELETE FROM account WHERE company_id = ? AND id = ? AND version = ?', [
        companyId,
        account.id,
        account.version,
      ]);
      if (deleted === 0) throw new Refused({ code: 'version_conflict', thing: 'account', id: account.id, current: null });
      return { value: null, audit: [{ thing: 'account', thingId: account.id, action: 'deleted', before: account }] };
    });
  }

  async useOf(companyId: number, accountId: number): Promise<AccountUse> {
    const [row] = await rowsOf<{ lines: string; lastDay: string | null }>(
      this.database,
      'SELECT COUNT(*) AS `lines`, MAX(entry_date) AS lastDay FROM journal_line WHERE company_id = ? AND account_id = ?',
      [companyId, accountId],
    );
    return { lines: Number(row?.lines), lastDay: row?.lastDay ?? null };
  }

  async lastUsed(companyId: number): Promise<ReadonlyMap<number, string>> {
    const rows = await rowsOf<{ accountId: number; lastDay: string }>(
      this.database,
      'SELECT account_id AS accountId, MAX(entry_date) AS lastDay FROM journal_line WHERE company_id = ? GROUP BY account_id',
      [companyId],
    );
    return new Map(rows.map(({ accountId, lastDay }) => [accountId, lastDay]));
  }

  history(companyId: number, wanted: HistoryWanted): ReturnType<ChartStore['history']> {
    return readHistory(this.database, companyId, wanted);
  }
}

async function columnsOf(runner: QueryRunner, companyId: number, fields: AccountFields): Promise<unknown[]> {
  const company = await readCompany(runner, companyId);
  if (!company) throw new Refused({ code: 'not_found', thing: 'company', id: companyId });
  const { number, name, element, normalSide, parentId, active, role, purpose, externalNumber, cashFrom, cashUntil } = fields;
  return [
    ...numberColumns(number, company.digitOrder),
    name,
    element,
    normalSide,
    parentId,
    active ? 1 : 0,
    role,
    purpose,
    externalNumber,
    cashFrom,
    cashUntil,
  ];
}

/** Waits for postings under way on the account, and holds off new ones; one that came meanwhile makes the check stale. */
async function keepPostingsAway(runner: QueryRunner, companyId: number, accountId: number, expectedRevision: number): Promise<void> {
  await runner.query('SELECT id FROM account WHERE company_id = ? AND id = ? FOR UPDATE', [companyId, accountId]);
  const company = await readCompany(runner, companyId);
  if (company?.revision !== expectedRevision) throw new Refused({ code: 'ledger_moved_on' });
}

/** One number twice, taken by somebody at this moment: read anew, and found taken then. */
async function writing<Value>(work: () => Promise<Value>): Promise<Value> {
  try {
    return await work();
  } catch (error) {
    if (isDuplicateKey(error)) throw new Refused({ code: 'ledger_moved_on' });
    throw error;
  }
}

/** Positions in steps of 1000, for siblings whose order is given. */
async function setOrder(runner: QueryRunner, companyId: number, order: readonly number[]): Promise<void> {
  await updateAccounts(
    runner,
    companyId,
    ['position'],
    order.map((id, at) => [id, (at + 1) * 1000]),
  );
}

/** The fields that are not the same, before and after, for the record. */
function differing(account: ChartAccount, fields: AccountFields): { before: Record<string, unknown>; after: Record<string, unknown> } {
  const keys = (Object.keys(fields) as (keyof AccountFields)[]).filter((key) =>
    key === 'codes' ? !sameCodes(fields.codes, account.codes) : fields[key] !== account[key],
  );
  return { before: Object.fromEntries(keys.map((key) => [key, account[key]])), after: Object.fromEntries(keys.map((key) => [key, fields[key]])) };
}
