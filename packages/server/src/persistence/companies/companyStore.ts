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
  changeIn,
  changeRows,
  changeVersioned,
  findIn,
  insertIn,
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
import { CompanyEntity, LayoutOptionsEntity, PeriodEntity } from '../entities/companyEntities.ts';
import { ClassificationEntity } from '../entities/placementEntities.ts';
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
      await insertIn(runner, ClassificationEntity, id, { id: 1, name: placements.main });
      const planted = await plantChart(runner, id, chart, digitOrder);
      for (const { name: called, draft } of placements.others) {
        const places = draft.places.map((drafted) => ({ ...drafted, accountId: planted.accountIds.get(drafted.accountId) as number }));
        planted.audit.push(await insertClassification(runner, id, called, { ...draft, places }));
      }
      if (options) await insertIn(runner, LayoutOptionsEntity, id, { options: JSON.stringify(options), version: 1 });
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
      if (form) await changeRows(runner, CompanyEntity, { id: companyId }, { yearForm: form.kind === 'months' ? '' : JSON.stringify(form) });
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
        await changeIn(
          runner,
          PeriodEntity,
          companyId,
          { year, number },
          { lockedAt: timestamp(), lockedBy: actor.name, lockedById: actor.personId, lockReason: reason },
        );
      return { value: null, audit: periods.map((period) => periodEvent(period, { locked: false }, { locked: true, reason })) };
    });
  }

  unlockPeriod(companyId: number, period: Period, lock: PeriodLock, reason: string, expectedStructure: number, actor: Actor): Promise<Outcome<null, Failure>> {
    return this.change(companyId, expectedStructure, actor, async (runner) => {
      const unlocked = { lockedAt: null, lockedBy: '', lockedById: null, lockReason: '' };
      await changeIn(runner, PeriodEntity, companyId, { year: period.year, number: period.number }, unlocked);
      return { value: null, audit: [periodEvent(period, { locked: true, reason: lock.reason, by: lock.by }, { locked: false, reason })] };
    });
  }

  /** The new version. */
  setLayoutOptions(companyId: number, options: LayoutOptions, version: number, actor: Actor): Promise<Outcome<number, Failure>> {
    return inTransaction(this.database, async (runner) => {
      await takeTurn(runner, companyId, 'structure');
      const [before] = await findIn(runner, LayoutOptionsEntity, companyId, {}, { hold: 'alone' });
      if ((before?.version ?? 0) !== version)
        throw new Refused({ code: 'version_conflict', thing: 'layout_options', id: companyId, current: before ? JSON.parse(before.options) : null });
      const text = JSON.stringify(options);
      if (before) await changeVersioned(runner, LayoutOptionsEntity, companyId, { version }, { options: text });
      else await insertIn(runner, LayoutOptionsEntity, companyId, { options: text, version: 1 });
      await recordAudit(runner, this.counters, companyId, actor, [
        { thing: 'layout_options', thingId: companyId, action: 'changed', before: before ? JSON.parse(before.options) : undefined, after: options },
      ]);
      await runner.query('UPDATE company SET structure_version = structure_version + 1 WHERE id = ?', [companyId]);
      return version + 1;
    });
  }
}
