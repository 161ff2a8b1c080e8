import type { FiscalYear, LayoutOptions, Outcome, Period, RoleKey, YearForm } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type {
  Actor,
  BegunCompany,
  ChangedNumber,
  CompanyRecord,
  CompanySettings,
  CompanyStore,
  Kept,
  PeriodLock,
  Person,
} from '../../application/ports/index.ts';
import { type ChangeStructure, insertYears, rebuildTables, structureChanges } from '../books/index.ts';
import { plantChart } from '../chart/index.ts';
import {
  type AuditEvent,
  type Counters,
  changedRows,
  inTransaction,
  numberColumns,
  Refused,
  recordAudit,
  rowsOf,
  takeStructure,
  takeTurn,
  timestamp,
  updateAccounts,
} from '../database/index.ts';
import { keepLayouts } from '../layouts/index.ts';
import { insertMember, withOwnRole } from '../people/index.ts';
import { insertClassification, keepPlaces, keptEvent } from '../placement/index.ts';
import { purgeRemoved, removeCompany } from './removeCompany.ts';

const periodEvent = ({ year, number }: Period, before: object, after: object): AuditEvent => ({
  thing: 'period',
  thingId: year * 100 + number,
  action: 'changed',
  before,
  after,
});

export class CompanyRepository implements CompanyStore {
  private readonly change: ChangeStructure;

  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
  ) {
    this.change = structureChanges(database, counters);
  }

  list(personId: number): Promise<{ id: number; name: string; currency: string; role: RoleKey; roleName: string }[]> {
    return rowsOf(
      this.database,
      `SELECT company.id, company.name, company.currency, membership.role, COALESCE(own.name, '') AS roleName
         FROM company JOIN membership ON membership.company_id = company.id ${withOwnRole} WHERE membership.person_id = ? ORDER BY company.name, company.id`,
      [personId],
    );
  }

  async findByName(name: string): Promise<number | null> {
    const [row] = await rowsOf<{ id: number }>(this.database, 'SELECT id FROM company WHERE name = ? AND removed_at IS NULL ORDER BY id LIMIT 1', [name]);
    return row?.id ?? null;
  }

  async remove(companyId: number, name: string): Promise<Outcome<null, Failure>> {
    const removed = await removeCompany(this.database, companyId, name);
    // Nobody waits for it; what is left is found by the next server that starts.
    if (removed.ok) void purgeRemoved(this.database).catch(() => undefined);
    return removed;
  }

  async create(settings: CompanySettings, { chart, options, placements }: BegunCompany, person: Person): Promise<number> {
    const { name, currency, fiscalYearFirstMonth, digitOrder, numberScheme, repeatedNames, numbered, languages } = settings;
    const created = await inTransaction(this.database, async (runner) => {
      const result = (await runner.query(
        'INSERT INTO company (name, currency, fiscal_first_month, digit_order, number_scheme, repeated_names, numbered, languages, created_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
        [
          name,
          currency,
          fiscalYearFirstMonth,
          digitOrder,
          numberScheme === null ? null : JSON.stringify(numberScheme),
          repeatedNames,
          numbered ? 1 : 0,
          languages.join(),
          timestamp(),
        ],
      )) as { insertId: number };
      const id = Number(result.insertId);
      await runner.query('INSERT INTO classification (company_id, id, name) VALUES (?, 1, ?)', [id, placements.main]);
      const planted = await plantChart(runner, id, chart, digitOrder);
      for (const { name: called, draft } of placements.others) {
        const places = draft.places.map((drafted) => ({ ...drafted, accountId: planted.accountIds.get(drafted.accountId) as number }));
        planted.audit.push(await insertClassification(runner, id, called, { ...draft, places }));
      }
      if (options) await runner.query('INSERT INTO layout_options (company_id, options, version) VALUES (?, ?, 1)', [id, JSON.stringify(options)]);
      await insertMember(runner, id, person.id, 'administrator');
      await recordAudit(runner, this.counters, id, { name: person.name, personId: person.id }, [
        { thing: 'company', thingId: id, action: 'added', after: { name, currency, fiscalYearFirstMonth } },
        ...planted.audit,
      ]);
      return id;
    });
    if (!created.ok) throw new Error(`a company could not be created: ${created.failure.code}`);
    return created.value;
  }

  /** The settings the user saw must still be the company's; chart and years were checked against a structure version. */
  changeSettings(
    company: CompanyRecord,
    before: CompanySettings,
    after: CompanySettings,
    { numbers, kept }: { readonly numbers: readonly ChangedNumber[]; readonly kept: Kept },
    actor: Actor,
  ): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      await takeStructure(runner, company.id, company.structureVersion);
      const renumbered = numbers.filter((number) => number.before !== number.after);
      const reordered = numbers.filter((number) => number.before === number.after);
      for (const [changing, versioned] of [
        [renumbered, true],
        [reordered, false],
      ] as const)
        await updateAccounts(
          runner,
          company.id,
          ['number', 'number_key'],
          changing.map(({ id, after: number }) => [id, ...numberColumns(number, after.digitOrder)]),
          { versioned },
        );
      await keepPlaces(runner, company.id, kept.places);
      const followed = await keepLayouts(runner, company.id, kept.layouts, actor);
      const { name, currency, fiscalYearFirstMonth, digitOrder, numberScheme, repeatedNames, numbered, languages } = after;
      const changed = (Object.keys(after) as (keyof CompanySettings)[]).filter((key) => JSON.stringify(after[key]) !== JSON.stringify(before[key]));
      await recordAudit(runner, this.counters, company.id, actor, [
        {
          thing: 'company',
          thingId: company.id,
          action: 'changed',
          before: Object.fromEntries(changed.map((key) => [key, before[key]])),
          after: Object.fromEntries(changed.map((key) => [key, after[key]])),
        },
        ...renumbered.map(
          (number): AuditEvent => ({
            thing: 'account',
            thingId: number.id,
            action: 'changed',
            before: { number: number.before },
            after: { number: number.after },
          }),
        ),
        ...kept.places.map(keptEvent),
        ...followed,
      ]);
      const moved = await changedRows(
        runner,
        `UPDATE company SET name = ?, currency = ?, fiscal_first_month = ?, digit_order = ?, number_scheme = ?, repeated_names = ?, numbered = ?, languages = ?,
                settings_version = settings_version + 1, structure_version = structure_version + 1
          WHERE id = ? AND settings_version = ? AND structure_version = ? AND revision = ?`,
        [
          name,
          currency,
          fiscalYearFirstMonth,
          digitOrder,
          numberScheme === null ? null : JSON.stringify(numberScheme),
          repeatedNames,
          numbered ? 1 : 0,
          languages.join(),
          company.id,
          company.settingsVersion,
          company.structureVersion,
          company.revision,
        ],
      );
      if (moved === 0) throw new Refused({ code: 'ledger_moved_on' });
      return null;
    });
  }

  makeYears(companyId: number, years: readonly FiscalYear[], form: YearForm | null, expectedStructure: number, actor: Actor): Promise<Outcome<null, Failure>> {
    return this.change(companyId, expectedStructure, actor, async (runner) => {
      await insertYears(runner, companyId, years);
      if (form) await runner.query('UPDATE company SET year_form = ? WHERE id = ?', [form.kind === 'months' ? '' : JSON.stringify(form), companyId]);
      return {
        value: null,
        audit: years.map((year) => ({ thing: 'year', thingId: year.year, action: 'added', after: { firstDay: year.firstDay, lastDay: year.lastDay } })),
      };
    });
  }

  /** Closing entries count in the last period of their year, so balances of years that have some are made anew. */
  addAdjustingPeriod(companyId: number, period: Period, expectedStructure: number, actor: Actor): Promise<Outcome<null, Failure>> {
    return this.change(companyId, expectedStructure, actor, async (runner) => {
      await insertYears(runner, companyId, [{ ...period, periods: [period] }]);
      const [closed] = await rowsOf(runner, 'SELECT id FROM journal_entry WHERE company_id = ? AND closes_year = ? LIMIT 1', [companyId, period.year]);
      if (closed) await rebuildTables(runner, companyId);
      return {
        value: null,
        audit: [{ thing: 'year', thingId: period.year, action: 'changed', before: { adjustingPeriod: false }, after: { adjustingPeriod: true } }],
      };
    });
  }

  /** Exclusively, so that postings under way in them are waited for. */
  lockPeriods(companyId: number, periods: readonly Period[], reason: string, expectedStructure: number, actor: Actor): Promise<Outcome<null, Failure>> {
    return this.change(companyId, expectedStructure, actor, async (runner) => {
      for (const { year, number } of periods)
        await runner.query(
          'UPDATE fiscal_period SET locked_at = ?, locked_by = ?, locked_by_id = ?, lock_reason = ? WHERE company_id = ? AND year = ? AND number = ?',
          [timestamp(), actor.name, actor.personId, reason, companyId, year, number],
        );
      return { value: null, audit: periods.map((period) => periodEvent(period, { locked: false }, { locked: true, reason })) };
    });
  }

  unlockPeriod(companyId: number, period: Period, lock: PeriodLock, reason: string, expectedStructure: number, actor: Actor): Promise<Outcome<null, Failure>> {
    return this.change(companyId, expectedStructure, actor, async (runner) => {
      await runner.query(
        "UPDATE fiscal_period SET locked_at = NULL, locked_by = '', locked_by_id = NULL, lock_reason = '' WHERE company_id = ? AND year = ? AND number = ?",
        [companyId, period.year, period.number],
      );
      return { value: null, audit: [periodEvent(period, { locked: true, reason: lock.reason, by: lock.by }, { locked: false, reason })] };
    });
  }

  /** The new version. */
  setLayoutOptions(companyId: number, options: LayoutOptions, version: number, actor: Actor): Promise<Outcome<number, Failure>> {
    return inTransaction(this.database, async (runner) => {
      await takeTurn(runner, companyId, 'structure');
      const [before] = await rowsOf<{ options: string; version: number }>(
        runner,
        'SELECT options, version FROM layout_options WHERE company_id = ? FOR UPDATE',
        [companyId],
      );
      if ((before?.version ?? 0) !== version)
        throw new Refused({ code: 'version_conflict', thing: 'layout_options', id: companyId, current: before ? JSON.parse(before.options) : null });
      const text = JSON.stringify(options);
      if (before)
        await changedRows(runner, 'UPDATE layout_options SET options = ?, version = version + 1 WHERE company_id = ? AND version = ?', [
          text,
          companyId,
          version,
        ]);
      else await runner.query('INSERT INTO layout_options (company_id, options, version) VALUES (?, ?, 1)', [companyId, text]);
      await recordAudit(runner, this.counters, companyId, actor, [
        { thing: 'layout_options', thingId: companyId, action: 'changed', before: before ? JSON.parse(before.options) : undefined, after: options },
      ]);
      await runner.query('UPDATE company SET structure_version = structure_version + 1 WHERE id = ?', [companyId]);
      return version + 1;
    });
  }
}
