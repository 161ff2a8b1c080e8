import {
  addDaysUntil,
  bytesOfArrays,
  type Day,
  type DayBalances,
  type GrossVector,
  groupDayBalances,
  type Layer,
  type Period,
  type Position,
} from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Books, KeptInMemory } from '../../application/ports/index.ts';
import { inSnapshot, rowsOf } from '../database/index.ts';
import { type BroughtInOverlap, readOverlaps } from './broughtInOverlaps.ts';
import { broughtInEntry } from './derivedBalances.ts';
import { conditionOf } from './readAccountLines.ts';

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

/** So many postings later, or after so many lines, a period is read anew in one piece. */
const mostFollowed = 200;
const mostLinesFollowed = 20_000;

/** Days of one period that are asked for at once and summed up by themselves; for more of them all its days are read. */
const mostCuts = 2;
const millisecondsBeforeKept = 250;

type Sums = Readonly<Record<Layer, GrossVector>>;

/**
 * What lines inside periods add up to. Who asks for a period first waits for the sums up to their day alone; its days are then kept by account, behind
 * the answer, and follow the revision by the lines of the entries since. A period is made anew with the structure. Books with some facet values alone
 * ask for their lines each time.
 */
export class DayBooks {
  private readonly beingKept = new Set<string>();

  constructor(
    private readonly database: DataSource,
    private readonly memory: KeptInMemory,
  ) {}

  /** Sums up to each position from the first day of its period, dense by the cube. */
  async linesWithin(books: Books, positions: readonly Position[]): Promise<(position: Position, layer: Layer) => GrossVector | undefined> {
    const asked = new Map<Day, Day[]>();
    for (const { day, partialFrom } of positions) {
      if (partialFrom === null) continue;
      const days = asked.get(partialFrom) ?? [];
      if (!days.includes(day)) days.push(day);
      asked.set(partialFrom, days);
    }
    // Each period on a connection of its own: a statement with a comparative can have four.
    const found = new Map((await Promise.all([...asked].map(([from, days]) => this.sumsOf(books, from, days.sort())))).flat());
    return (position, layer) => found.get(position.day)?.[layer];
  }

  /** `days`: ascending, of the period that begins on `from`. */
  private async sumsOf(books: Books, from: Day, days: readonly Day[]): Promise<(readonly [Day, Sums])[]> {
    const last = days.at(-1) as Day;
    const period = books.calendar.periods.find(({ firstDay }) => firstDay === from);
    if (!period || books.selected) return sumsUntil(books, [await readSumsUpToRevision(this.database, books, from, last)], days);
    const key = `${books.company.id} ${from}`;
    const current = await this.current(books, period, key);
    if (current) return sumsUntil(books, current.balances, days);
    const cut = days.length > mostCuts ? null : await readUpTo(this.database, books, period, days);
    if (cut) {
      this.keepLater(books, period, key);
      return cut;
    }
    const read = await this.read(books, period);
    if (!read || read.revision !== books.cube.revision) return sumsUntil(books, [await readSumsUpToRevision(this.database, books, from, last)], days);
    this.keep(key, read);
    return sumsUntil(books, read.balances, days);
  }

  /** What is kept of a period, as far as the books are; `null` where nothing is, or it is not to be brought so far. */
  private async current(books: Books, period: Period, key: string): Promise<Kept | null> {
    const kept = this.memory.get<Kept>('days', key);
    if (!kept || kept.structureVersion !== books.company.structureVersion || kept.revision > books.cube.revision) return null;
    if (kept.revision === books.cube.revision) return kept;
    const followed = await this.follow(books, period, kept);
    if (followed) this.keep(key, followed);
    return followed;
  }

  private keepLater(books: Books, period: Period, key: string): void {
    if (this.beingKept.has(key)) return;
    this.beingKept.add(key);
    const read = async (): Promise<void> => {
      try {
        const made = await this.read(books, period);
        if (made) this.keep(key, made);
      } catch {
        // Whoever asks next asks as the first did.
      } finally {
        this.beingKept.delete(key);
      }
    };
    setTimeout(() => void read(), millisecondsBeforeKept).unref();
  }

  private keep(key: string, period: Kept): void {
    this.memory.keep('days', key, period, bytesOfArrays(period.balances));
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

  /** As the ledger is at this moment; `null` where the structure is another than that of the books. */
  private async read(books: Books, { firstDay, lastDay }: Period): Promise<Kept | null> {
    return inSnapshot(this.database, async (runner) => {
      const state = await stateOf(runner, books);
      return state && { ...state, balances: [await readSums(runner, books, firstDay, lastDay)] };
    });
  }
}

/** `null` where the structure is another than that of the books. */
async function stateOf(runner: QueryRunner, { company: { id, structureVersion } }: Books): Promise<Omit<Kept, 'balances'> | null> {
  const [row] = await rowsOf<{ revision: string; structureVersion: string }>(
    runner,
    'SELECT revision, structure_version AS structureVersion FROM company WHERE id = ?',
    [id],
  );
  return row && Number(row.structureVersion) === structureVersion ? { structureVersion, revision: Number(row.revision) } : null;
}

/** By one read of the index for each day, grouped by account; `null` where the ledger has moved on from the books. */
async function readUpTo(database: DataSource, books: Books, { firstDay }: Period, days: readonly Day[]): Promise<(readonly [Day, Sums])[] | null> {
  return inSnapshot(database, async (runner) => {
    if ((await stateOf(runner, books))?.revision !== books.cube.revision) return null;
    const overlaps = await readOverlaps(runner, books, firstDay, days.at(-1) as Day, null);
    const found: (readonly [Day, Sums])[] = [];
    for (const day of days) {
      const rows = await rowsOf<Omit<StoredDay, 'day'>>(
        runner,
        `SELECT account_id AS accountId, layer, SUM(debit) AS debit, SUM(credit) AS credit FROM journal_line
          WHERE company_id = ? AND entry_date BETWEEN ? AND ? AND closing = 0 GROUP BY layer, account_id`,
        [books.company.id, firstDay, day],
      );
      const balances = grouped(
        books,
        rows.map((row) => ({ ...row, day })),
        overlaps.filter((overlap) => overlap.day <= day).map((overlap) => ({ ...overlap, day })),
      );
      found.push(...sumsUntil(books, [balances], [day]));
    }
    return found;
  });
}

function sumsUntil(books: Books, parts: readonly DayBalances[], days: readonly Day[]): (readonly [Day, Sums])[] {
  const accounts = books.cube.accountIds.length;
  const empty = (): GrossVector => ({ debit: new BigInt64Array(accounts), credit: new BigInt64Array(accounts) });
  return days.map((day) => {
    const sums = { ledger: empty(), adjustment: empty() };
    for (const balances of parts) addDaysUntil(sums, balances, day);
    return [day, sums] as const;
  });
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
