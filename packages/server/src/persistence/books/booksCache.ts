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
    const load = this.brought(company).finally(() => this.loading.delete(companyId));
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

  /** A copy that follows by one question, which beside many who post is what nearly every reader asks; else all anew. */
  private async brought(company: CompanyRecord): Promise<Books | null> {
    const before = this.keptOf(company.id);
    const isBehind = before?.company.structureVersion === company.structureVersion && before.cube.revision < company.revision;
    const followed = before && isBehind ? await follow(this.database, before, company) : null;
    return followed ? this.keep(followed) : this.load(company.id);
  }

  private async load(companyId: number): Promise<Books | null> {
    return inSnapshot(this.database, async (runner) => {
      const company = await readCompany(runner, companyId);
      if (!company) return null;
      const before = this.keptOf(companyId);
      const structure = before?.company.structureVersion === company.structureVersion ? { ...before, company } : await readStructure(runner, company);
      return this.keep({ ...structure, ...(await readBalances(runner, structure)), selected: null });
    });
  }

  private keep(books: Books): Books {
    this.memory.keep('books', String(books.company.id), books, bytesOfBooks(books));
    return books;
  }
}

/** A chart takes about 2 kB an account with its places, names and trees (measured at 2,000). */
const bytesOfAccount = 2000;

function bytesOfBooks({ cube, accounts, openingLines }: Books): number {
  return bytesOfArrays(cube.books, cube.openings, openingLines) + accounts.length * bytesOfAccount;
}

/**
 * The books with the lines of entries since, up to the revision that the company has as they are read: one statement sees one state of the database.
 * `null` where there are too many of them, or a trial balance among them, or the structure has changed meanwhile.
 */
async function follow(database: DataSource, before: Books, company: CompanyRecord): Promise<Books | null> {
  const rows = await rowsOf<PostedBalance & { accountId: number | null; revision: string; structureVersion: string }>(
    database,
    `SELECT company.revision, company.structure_version AS structureVersion, ${postedColumns}
       FROM company LEFT JOIN (journal_entry AS entry JOIN journal_line AS line ON line.company_id = entry.company_id AND line.entry_id = entry.id)
         ON entry.company_id = company.id AND entry.revision > ?
      WHERE company.id = ? LIMIT ${mostLinesFollowed + 1}`,
    [before.cube.revision, company.id],
  );
  const [state] = rows;
  if (!state || Number(state.structureVersion) !== company.structureVersion || rows.length > mostLinesFollowed) return null;
  const lines = state.accountId === null ? [] : rows;
  if (mustBeReadAnew(lines)) return null;
  const revision = Number(state.revision);
  const posted = postedIn(before.calendar, lines);
  // What is posted before the first trial balance makes it one of several.
  const began = before.firstBalances.find(({ isOpening }) => !isOpening);
  const first = began ? periodIndexOf(before.calendar, began.day) : -1;
  if (posted.some(({ periodIndex }) => periodIndex <= first)) return null;
  return { ...before, company: { ...company, revision }, cube: followCube(before.cube, revision, posted), selected: null };
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
