import { addDaysUntil, type Day, type DayBalances, type GrossVector, groupDayBalances, type Layer, type Period, type Position } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Books } from '../application/ports/index.ts';
import { type BroughtInOverlap, readOverlaps } from './broughtInOverlaps.ts';
import { broughtInEntry } from './derivedBalances.ts';
import { conditionOf } from './readAccountLines.ts';
import { inSnapshot, rowsOf } from './transaction.ts';

interface Kept {
  readonly structureVersion: number;
  readonly revision: number;
  /** What was read, and what was posted into the period since, each a pass more. */
  readonly balances: readonly DayBalances[];
}

interface StoredDay {
  readonly day: Day;
  readonly accountId: number;
  readonly layer: Layer;
  readonly debit: string;
  readonly credit: string;
}

/** About 1 MB each at 2,000 accounts that are posted to every day. */
const periodsKept = 150;
/** So many postings later, or after so many lines, a period is read anew in one piece. */
const mostFollowed = 200;
const mostLinesFollowed = 20_000;

/**
 * What lines inside periods add up to. Days of a period are kept by account once one of them is asked for, and follow the
 * revision by the lines of the entries since; a period is made anew with the structure. Books with some facet values alone ask for
 * their lines each time.
 */
export class DayBooks {
  private readonly kept = new Map<string, Kept>();

  constructor(private readonly database: DataSource) {}

  /** Sums up to each position from the first day of its period, dense by the cube. */
  async linesWithin(books: Books, positions: readonly Position[]): Promise<(position: Position, layer: Layer) => GrossVector | undefined> {
    const accounts = books.cube.accountIds.length;
    const empty = (): GrossVector => ({ debit: new BigInt64Array(accounts), credit: new BigInt64Array(accounts) });
    const inside = positions.flatMap(({ day, partialFrom }) => (partialFrom === null ? [] : [{ day, partialFrom }]));
    const lastOf = new Map<Day, Day>();
    for (const { day, partialFrom } of inside) if (day > (lastOf.get(partialFrom) ?? '')) lastOf.set(partialFrom, day);
    // Each period on a connection of its own: a statement with a comparative can have four.
    const daysFrom = new Map(await Promise.all([...lastOf].map(async ([from, last]) => [from, await this.daysOf(books, from, last)] as const)));
    const found = new Map<Day, Record<Layer, GrossVector>>();
    for (const { day, partialFrom } of inside) {
      if (found.has(day)) continue;
      const sums = { ledger: empty(), adjustment: empty() };
      for (const balances of daysFrom.get(partialFrom) ?? []) addDaysUntil(sums, balances, day);
      found.set(day, sums);
    }
    return (position, layer) => found.get(position.day)?.[layer];
  }

  /** Of a whole period where that is kept, else of the days asked for. */
  private async daysOf(books: Books, from: Day, until: Day): Promise<readonly DayBalances[]> {
    const period = books.calendar.periods.find(({ firstDay }) => firstDay === from);
    if (!period || books.selected) return [await readSumsUpToRevision(this.database, books, from, until)];
    const key = `${books.company.id} ${from}`;
    const kept = this.kept.get(key);
    const isSameStructure = kept?.structureVersion === books.company.structureVersion;
    if (kept && isSameStructure && kept.revision === books.cube.revision) {
      this.keep(key, kept);
      return kept.balances;
    }
    const made = kept && isSameStructure && kept.revision < books.cube.revision ? await this.follow(books, period, kept) : null;
    const current = made ?? (await this.read(books, period));
    if (!current) return [await readSumsUpToRevision(this.database, books, from, until)];
    this.keep(key, current);
    return current.balances;
  }

  private keep(key: string, period: Kept): void {
    this.kept.delete(key);
    this.kept.set(key, period);
    const oldest = this.kept.keys().next().value;
    if (this.kept.size > periodsKept && oldest !== undefined) this.kept.delete(oldest);
  }

  /** Entries get their revisions in the order they are committed, so those up to that of the books are all there. */
  private async follow(books: Books, { firstDay, lastDay }: Period, kept: Kept): Promise<Kept | null> {
    if (kept.balances.length > mostFollowed) return null;
    const rows = await rowsOf<StoredDay & { readonly isBroughtIn: string | number }>(
      this.database,
      `SELECT line.entry_date AS day, line.account_id AS accountId, line.layer, line.debit, line.credit, ${broughtInEntry} AS isBroughtIn
         FROM journal_entry AS entry JOIN journal_line AS line ON line.company_id = entry.company_id AND line.entry_id = entry.id
        WHERE entry.company_id = ? AND entry.revision > ? AND entry.revision <= ? AND line.entry_date BETWEEN ? AND ? AND line.closing = 0
        LIMIT ${mostLinesFollowed + 1}`,
      [books.company.id, kept.revision, books.cube.revision, firstDay, lastDay],
    );
    // What a trial balance posted is netted with what others did on its day.
    if (rows.length > mostLinesFollowed || rows.some(({ isBroughtIn }) => Number(isBroughtIn) === 1)) return null;
    const { revision } = books.cube;
    return { ...kept, revision, balances: rows.length === 0 ? kept.balances : [...kept.balances, grouped(books, rows)] };
  }

  /** `null` where the ledger has moved on from the books. */
  private async read(books: Books, { firstDay, lastDay }: Period): Promise<Kept | null> {
    return inSnapshot(this.database, async (runner) => {
      const [row] = await rowsOf<{ revision: string; structureVersion: string }>(
        runner,
        'SELECT revision, structure_version AS structureVersion FROM company WHERE id = ?',
        [books.company.id],
      );
      const { revision } = books.cube;
      const { structureVersion } = books.company;
      if (Number(row?.revision) !== revision || Number(row?.structureVersion) !== structureVersion) return null;
      return { structureVersion, revision, balances: [await readSums(runner, books, firstDay, lastDay)] };
    });
  }
}

async function readSums(runner: QueryRunner, books: Books, from: Day, until: Day): Promise<DayBalances> {
  // Grouped as the index by day has them, so that nothing is sorted.
  const rows = await rowsOf<StoredDay>(
    runner,
    `SELECT entry_date AS day, account_id AS accountId, layer, SUM(debit) AS debit, SUM(credit) AS credit FROM journal_line
      WHERE company_id = ? AND entry_date BETWEEN ? AND ? AND closing = 0 GROUP BY entry_date, closing, layer, account_id`,
    [books.company.id, from, until],
  );
  return grouped(books, rows, await readOverlaps(runner, books, from, until, null));
}

/** Where the ledger may have moved on from the books: without what was posted since, as the rest of their statement is. */
async function readSumsUpToRevision(database: DataSource, books: Books, from: Day, until: Day): Promise<DayBalances> {
  const wanted = conditionOf(books.selected, 'line.facet_set_id');
  const rows = await rowsOf<StoredDay>(
    database,
    `SELECT line.entry_date AS day, line.account_id AS accountId, line.layer, SUM(line.debit) AS debit, SUM(line.credit) AS credit
       FROM journal_line AS line JOIN journal_entry AS entry ON entry.company_id = line.company_id AND entry.id = line.entry_id
      WHERE line.company_id = ? AND line.entry_date BETWEEN ? AND ? AND line.closing = 0 AND entry.revision <= ? ${wanted.sql}
      GROUP BY line.entry_date, line.closing, line.layer, line.account_id`,
    [books.company.id, from, until, books.cube.revision, ...wanted.parameters],
  );
  return grouped(books, rows, await readOverlaps(database, books, from, until, books.cube.revision));
}

function grouped(books: Books, rows: readonly StoredDay[], overlaps: readonly BroughtInOverlap[] = []): DayBalances {
  return groupDayBalances(books.cube.indexOf, [
    ...rows.map((row) => ({ ...row, debit: BigInt(row.debit), credit: BigInt(row.credit) })),
    ...overlaps.map((overlap) => ({ ...overlap, debit: -overlap.amount, credit: -overlap.amount })),
  ]);
}
