import type { FiscalYear, LayoutOptions, Outcome, Role } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Failure } from '../application/failure.ts';
import type { CompanyStore, Person } from '../application/ports/index.ts';
import { recordAudit, timestamp } from './audit.ts';
import { insertYears } from './calendarRows.ts';
import { insertStarterCategories } from './categoryRows.ts';
import type { Counters } from './counters.ts';
import { insertMember } from './peopleStore.ts';
import { changedRows, inTransaction, Refused, rowsOf } from './transaction.ts';

export class CompanyRepository implements CompanyStore {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
  ) {}

  list(personId: number): Promise<{ id: number; name: string; currency: string; role: Role }[]> {
    return rowsOf(
      this.database,
      'SELECT c.id, c.name, c.currency, m.role FROM company c JOIN membership m ON m.company_id = c.id WHERE m.person_id = ? ORDER BY c.name, c.id',
      [personId],
    );
  }

  async findByName(name: string): Promise<number | null> {
    const [row] = await rowsOf<{ id: number }>(this.database, 'SELECT id FROM company WHERE name = ? ORDER BY id LIMIT 1', [name]);
    return row?.id ?? null;
  }

  async create(input: { name: string; currency: string; fiscalYearFirstMonth: number }, person: Person): Promise<number> {
    const created = await inTransaction(this.database, async (runner) => {
      const result = (await runner.query('INSERT INTO company (name, currency, fiscal_first_month, digit_order, created_at) VALUES (?, ?, ?, ?, ?)', [
        input.name,
        input.currency,
        input.fiscalYearFirstMonth,
        'by_value',
        timestamp(),
      ])) as { insertId: number };
      const id = Number(result.insertId);
      await insertStarterCategories(runner, id);
      await insertMember(runner, id, person.id, 'administrator');
      await recordAudit(runner, this.counters, id, person.name, [{ thing: 'company', thingId: id, action: 'added', after: input }]);
      return id;
    });
    if (!created.ok) throw new Error(`a company could not be created: ${created.failure.code}`);
    return created.value;
  }

  makeYears(companyId: number, years: readonly FiscalYear[], expectedStructure: number, actor: string): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      await insertYears(runner, companyId, years);
      await recordAudit(
        runner,
        this.counters,
        companyId,
        actor,
        years.map((year) => ({ thing: 'year', thingId: year.year, action: 'added', after: { firstDay: year.firstDay, lastDay: year.lastDay } })),
      );
      const moved = await changedRows(runner, 'UPDATE company SET structure_version = structure_version + 1 WHERE id = ? AND structure_version = ?', [
        companyId,
        expectedStructure,
      ]);
      if (moved === 0) throw new Refused({ code: 'ledger_moved_on' });
      return null;
    });
  }

  /** The new version. */
  setLayoutOptions(companyId: number, options: LayoutOptions, version: number, actor: string): Promise<Outcome<number, Failure>> {
    return inTransaction(this.database, async (runner) => {
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
