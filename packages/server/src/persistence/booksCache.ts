import { buildCube, followCube, openingsOf, periodIndexOf, traitsOf } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Books, CompanyRecord, Structure } from '../application/ports/index.ts';
import { balancesIn, mustBeReadAnew, type PostedBalance, postedColumns, postedIn, type StoredBalance } from './balanceRows.ts';
import { readFirstBalances, readOpeningLines } from './readOpenings.ts';
import { readCompany, readStructure } from './readStructure.ts';
import { inSnapshot, rowsOf } from './transaction.ts';

const companiesKept = 50;
/** After more lines than these the balances are read anew. */
const mostLinesFollowed = 20_000;

/**
 * Copies of chart and balances per company. A copy is used only while its revision and structure version are those
 * of the company row, so it is never stale. It follows the revision by the lines of the entries since, and is made anew with
 * the structure and after a bulk import; the least recently used company goes first.
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

  /** Chart, placement and calendar as they are; balances may be older, so none are given. */
  async structure(companyId: number): Promise<Structure | null> {
    const runner = this.database.createQueryRunner();
    try {
      const company = await readCompany(runner, companyId);
      const kept = this.kept.get(companyId);
      if (company && kept?.company.structureVersion === company.structureVersion) return { ...kept, company };
    } finally {
      await runner.release();
    }
    return this.books(companyId);
  }

  private keep(books: Books): void {
    this.kept.delete(books.company.id);
    this.kept.set(books.company.id, books);
    const oldest = this.kept.keys().next().value;
    if (this.kept.size > companiesKept && oldest !== undefined) this.kept.delete(oldest);
  }

  private async load(companyId: number): Promise<Books | null> {
    return inSnapshot(this.database, async (runner) => {
      const company = await readCompany(runner, companyId);
      if (!company) return null;
      const before = this.kept.get(companyId);
      const isSameStructure = before?.company.structureVersion === company.structureVersion;
      const followed = before && isSameStructure && before.cube.revision <= company.revision ? await follow(runner, before, company) : null;
      const structure = before && isSameStructure ? { ...before, company } : await readStructure(runner, company);
      const books: Books = followed ?? { ...structure, ...(await readBalances(runner, structure)), selected: null };
      this.keep(books);
      return books;
    });
  }
}

/** The books with the lines of entries since; `null` where there are too many of them, or a trial balance among them. */
async function follow(runner: QueryRunner, before: Books, company: CompanyRecord): Promise<Books | null> {
  const rows = await rowsOf<PostedBalance<StoredBalance>>(
    runner,
    `SELECT ${postedColumns}
       FROM journal_entry AS entry JOIN journal_line AS line ON line.company_id = entry.company_id AND line.entry_id = entry.id
      WHERE entry.company_id = ? AND entry.revision > ? LIMIT ${mostLinesFollowed + 1}`,
    [company.id, before.cube.revision],
  );
  if (rows.length > mostLinesFollowed || mustBeReadAnew(rows)) return null;
  const posted = postedIn(before.calendar, rows);
  // What is posted before the first trial balance makes it one of several.
  const began = before.firstBalances.find(({ isOpening }) => !isOpening);
  const first = began ? periodIndexOf(before.calendar, began.day) : -1;
  if (posted.some(({ periodIndex }) => periodIndex <= first)) return null;
  return { ...before, company, cube: followCube(before.cube, company.revision, posted), selected: null };
}

async function readBalances(runner: QueryRunner, structure: Structure): Promise<Pick<Books, 'cube' | 'traits' | 'openingLines' | 'firstBalances'>> {
  const { company, calendar, accounts } = structure;
  const rows = await rowsOf<StoredBalance>(
    runner,
    'SELECT account_id AS accountId, layer, origin, year, period, debit, credit FROM balance WHERE company_id = ? AND scenario = 0',
    [company.id],
  );
  const sorted = [...accounts].sort((a, b) => a.id - b.id);
  const ids = sorted.map((account) => account.id);
  const openingLines = await readOpeningLines(runner, company.id, ids);
  const cube = buildCube(company.revision, calendar, ids, balancesIn(calendar, rows), openingsOf(calendar, ids.length, openingLines));
  const firstBalances = await readFirstBalances(runner, structure, cube, openingLines);
  return { cube, traits: traitsOf(sorted, structure.retainedEarningsId), openingLines, firstBalances };
}
