import { type BalanceRow, buildCube, type Cube, type Layer, type Origin, traitsOf } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Books, CompanyRecord, Structure } from '../application/ports/index.ts';
import { readCompany, readStructure } from './readStructure.ts';
import { rowsOf } from './transaction.ts';

const companiesKept = 50;

/**
 * Copies of chart and balances per company. A copy is used only while its revision and structure version are those
 * of the company row, so it is never stale; the least recently used company goes first.
 */
export class BooksCache {
  private readonly kept = new Map<number, Books>();
  private readonly loading = new Map<number, Promise<Books | null>>();

  constructor(private readonly database: DataSource) {}

  async books(companyId: number): Promise<Books | null> {
    const runner = this.database.createQueryRunner();
    let company: CompanyRecord | null;
    try {
      company = await readCompany(runner, companyId);
    } finally {
      await runner.release();
    }
    if (!company) return null;
    const kept = this.kept.get(companyId);
    if (kept && kept.cube.revision === company.revision && kept.company.structureVersion === company.structureVersion) {
      this.keep(kept);
      return kept;
    }
    const under = this.loading.get(companyId);
    if (under) {
      const books = await under;
      if (books && books.cube.revision >= company.revision && books.company.structureVersion >= company.structureVersion) return books;
    }
    const load = this.load(companyId).finally(() => this.loading.delete(companyId));
    this.loading.set(companyId, load);
    return load;
  }

  private keep(books: Books): void {
    this.kept.delete(books.company.id);
    this.kept.set(books.company.id, books);
    const oldest = this.kept.keys().next().value;
    if (this.kept.size > companiesKept && oldest !== undefined) this.kept.delete(oldest);
  }

  private async load(companyId: number): Promise<Books | null> {
    const runner = this.database.createQueryRunner();
    try {
      // Company row and balances in one snapshot; READ COMMITTED alone would give each statement its own.
      await runner.query('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');
      await runner.query('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
      const company = await readCompany(runner, companyId);
      if (!company) return null;
      const before = this.kept.get(companyId);
      const structure = before && before.company.structureVersion === company.structureVersion ? { ...before, company } : await readStructure(runner, company);
      const books: Books = { ...structure, ...(await readBalances(runner, structure)), selected: null };
      this.keep(books);
      return books;
    } finally {
      await runner.query('ROLLBACK');
      await runner.release();
    }
  }
}

async function readBalances(runner: QueryRunner, structure: Structure): Promise<Pick<Books, 'cube' | 'traits'>> {
  const { company, calendar, accounts } = structure;
  const rows = await rowsOf<{ accountId: number; layer: Layer; origin: Origin; year: number; period: number; debit: string; credit: string }>(
    runner,
    'SELECT account_id AS accountId, layer, origin, year, period, debit, credit FROM balance WHERE company_id = ? AND scenario = 0',
    [company.id],
  );
  const periodIndex = new Map(calendar.periods.map((period, index) => [period.year * 100 + period.number, index]));
  const sorted = [...accounts].sort((a, b) => a.id - b.id);
  const balances = rows.map(
    (row): BalanceRow => ({
      accountId: row.accountId,
      layer: row.layer,
      origin: row.origin,
      periodIndex: periodIndex.get(row.year * 100 + row.period) ?? -1,
      debit: BigInt(row.debit),
      credit: BigInt(row.credit),
    }),
  );
  const cube: Cube = buildCube(
    company.revision,
    calendar,
    sorted.map((account) => account.id),
    balances,
  );
  return { cube, traits: traitsOf(sorted, structure.retainedEarningsId) };
}
