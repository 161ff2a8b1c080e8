import { buildCube, bytesOfArrays, followCube, openingsOf, periodIndexOf, traitsOf } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Books, CompanyRecord, KeptInMemory, Structure } from '../../application/ports/index.ts';
import { inSnapshot, rowsOf } from '../database/index.ts';
import { balancesIn, mustBeReadAnew, type PostedBalance, postedColumns, postedIn, type StoredBalance } from './balanceRows.ts';
import { readFirstBalances, readOpeningLines } from './readOpenings.ts';
import { readCompany, readStructure } from './readStructure.ts';

/** After more lines than these the balances are read anew. */
const mostLinesFollowed = 20_000;

/**
 * Copies of chart and balances per company. A copy is used only while its revision and structure version are those
 * of the company row, so it is never stale. It follows the revision by the lines of the entries since, and is made anew with
 * the structure and after a bulk import.
 */
export class BooksCache {
  private readonly loading = new Map<number, Promise<Books | null>>();

  constructor(
    private readonly database: DataSource,
    private readonly memory: KeptInMemory,
  ) {}

  async books(companyId: number): Promise<Books | null> {
    const runner = this.database.createQueryRunner();
    let company: CompanyRecord | null;
    try {
      company = await readCompany(runner, companyId);
    } finally {
      await runner.release();
    }
    if (!company) return null;
    const kept = this.keptOf(companyId);
    if (kept && kept.cube.revision === company.revision && kept.company.structureVersion === company.structureVersion)
      return kept.company.ratesVersion === company.ratesVersion ? kept : { ...kept, company };
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
      const kept = this.keptOf(companyId);
      if (company && kept?.company.structureVersion === company.structureVersion) return { ...kept, company };
    } finally {
      await runner.release();
    }
    return this.books(companyId);
  }

  private keptOf(companyId: number): Books | undefined {
    return this.memory.get<Books>('books', String(companyId));
  }

  private async load(companyId: number): Promise<Books | null> {
    return inSnapshot(this.database, async (runner) => {
      const company = await readCompany(runner, companyId);
      if (!company) return null;
      const before = this.keptOf(companyId);
      const isSameStructure = before?.company.structureVersion === company.structureVersion;
      const followed = before && isSameStructure && before.cube.revision <= company.revision ? await follow(runner, before, company) : null;
      const structure = before && isSameStructure ? { ...before, company } : await readStructure(runner, company);
      const books: Books = followed ?? { ...structure, ...(await readBalances(runner, structure)), selected: null };
      this.memory.keep('books', String(companyId), books, bytesOfBooks(books));
      return books;
    });
  }
}

/** A chart takes about 2 kB an account with its places, names and trees (measured at 2,000). */
const bytesOfAccount = 2000;

function bytesOfBooks({ cube, accounts, openingLines }: Books): number {
  return bytesOfArrays(cube.books, cube.openings, openingLines) + accounts.length * bytesOfAccount;
}

/** The books with the lines of entries since; `null` where there are too many of them, or a trial balance among them. */
async function follow(runner: QueryRunner, before: Books, company: CompanyRecord): Promise<Books | null> {
  const rows = await rowsOf<PostedBalance>(
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
