import { type AccountRole, type Day, type EntryLine, type EquityLine, type Layer, type Span, transfersWithin } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Books, EntryOfFlows, FlowOfDay } from '../../application/ports/index.ts';
import { rowsOf } from '../database/index.ts';
import { broughtInEntry } from './derivedBalances.ts';
import { noFacets } from './facetSets.ts';
import { conditionOf } from './readAccountLines.ts';

/*
 * Lines of a few accounts are read by their index, which is said: where the statistics are those of a table that was just filled, the database
 * reads every line of the company.
 */

/** Of an entry: trial balances are netted as they are, and openings moved nothing. */
const isMovement = `NOT ${broughtInEntry} AND entry.opening = 0`;

/** Of an entry: that it stands in the period for adjustments, or does not, as the books want it. */
function adjustingCondition({ adjusting }: Books): { readonly sql: string; readonly parameters: readonly number[] } {
  if (!adjusting) return { sql: '', parameters: [] };
  return { sql: `AND ${adjusting.which === 'before' ? 'NOT ' : ''}(entry.year = ? AND entry.period = ?)`, parameters: [adjusting.year, adjusting.number] };
}

/** Ordinary lines of reversing entries within a span, by account, day and facet set, so that a part rounds as the whole does. */
export async function readReversingLines(database: DataSource, books: Books, { firstDay, lastDay }: Span): Promise<FlowOfDay[]> {
  const ofPeriod = adjustingCondition(books);
  const wanted = conditionOf(books.selected, 'line.facet_set_id');
  const rows = await rowsOf<FlowRow>(
    database,
    `SELECT line.account_id AS accountId, entry.entry_date AS day, line.layer, SUM(line.debit) AS debit, SUM(line.credit) AS credit
       FROM journal_entry AS entry JOIN journal_line AS line FORCE INDEX (PRIMARY) ON line.company_id = entry.company_id AND line.entry_id = entry.id
      WHERE entry.company_id = ? AND entry.reverses_entry_id IS NOT NULL AND entry.entry_date BETWEEN ? AND ? AND entry.revision <= ?
            AND line.closing = 0 AND ${isMovement} ${ofPeriod.sql} ${wanted.sql}
      GROUP BY line.account_id, entry.entry_date, line.layer, line.facet_set_id`,
    [books.company.id, firstDay, lastDay, books.cube.revision, ...ofPeriod.parameters, ...wanted.parameters],
  );
  return rows.map((row) => flowOf(books, row));
}

/** What entries moved between accounts of equity, by account, day and facet set, so that a part rounds as the whole does; that of reversing entries apart. */
export async function readWithinEquity(
  database: DataSource,
  books: Books,
  { firstDay, lastDay }: Span,
): Promise<(FlowOfDay & { readonly isReversing: boolean })[]> {
  const equity = books.accounts.filter(({ element }) => element === 'equity').map(({ id }) => id);
  if (equity.length < 2) return [];
  const { company, cube, selected } = books;
  const ofPeriod = adjustingCondition(books);
  const marks = placeholdersOf(equity);
  // From the few entries with both sides on equity to their lines on it.
  const rows = await rowsOf<FlowRow & { entryId: string; facetSetId: number; reversing: string | number }>(
    database,
    `SELECT STRAIGHT_JOIN line.entry_id AS entryId, line.account_id AS accountId, entry.entry_date AS day, line.layer, line.debit, line.credit,
            line.facet_set_id AS facetSetId, entry.reverses_entry_id IS NOT NULL AS reversing
       FROM (SELECT entry_id FROM journal_line FORCE INDEX (line_by_account) WHERE company_id = ? AND account_id IN (${marks}) AND entry_date BETWEEN ? AND ? AND closing = 0
              GROUP BY entry_id HAVING SUM(debit) > 0 AND SUM(credit) > 0) AS found
       JOIN journal_entry AS entry ON entry.company_id = ? AND entry.id = found.entry_id AND entry.revision <= ? AND ${isMovement} ${ofPeriod.sql}
       JOIN journal_line AS line FORCE INDEX (PRIMARY) ON line.company_id = entry.company_id AND line.entry_id = entry.id AND line.account_id IN (${marks})
      ORDER BY line.entry_id, line.line_number`,
    [company.id, ...equity, firstDay, lastDay, company.id, cube.revision, ...ofPeriod.parameters, ...equity],
  );
  const lines = rows.map((row) => ({
    ...flowOf(books, row),
    entryId: Number(row.entryId),
    facetSetId: Number(row.facetSetId),
    isReversing: Number(row.reversing) === 1,
  }));
  const isSelected = (set: number): boolean => selected === null || (set === noFacets ? selected.withoutAny : selected.ids.has(set));
  const sums = new Map<string, FlowOfDay & { readonly isReversing: boolean }>();
  for (const { account, day, layer, debit, credit, facetSetId, isReversing } of transfersWithin(lines)) {
    if (!isSelected(facetSetId)) continue;
    const key = [account, day, layer, facetSetId, isReversing].join(' ');
    const sum = sums.get(key);
    sums.set(key, { account, day, layer, isReversing, debit: debit + (sum?.debit ?? 0n), credit: credit + (sum?.credit ?? 0n) });
  }
  return [...sums.values()];
}

/** Ordinary entries of a span that have a line on one of the accounts and none on one of `but` (dense numbers), whole; lines that the books are not of are told apart. */
export async function readEntriesOn(
  database: DataSource,
  books: Books,
  { firstDay, lastDay }: Span,
  accounts: readonly number[],
  but: readonly number[],
): Promise<EntryOfFlows[]> {
  const { company, cube, selected } = books;
  const idsOf = (places: readonly number[]): number[] => places.map((at) => cube.accountIds[at] as number);
  const [seeds, left] = [idsOf(accounts), idsOf(but)];
  if (seeds.length === 0) return [];
  const ofPeriod = adjustingCondition(books);
  const notOn =
    left.length === 0
      ? ''
      : ` AND NOT EXISTS (SELECT 1 FROM journal_line AS other WHERE other.company_id = entry.company_id AND other.entry_id = entry.id AND other.account_id IN (${placeholdersOf(left)}))`;
  const rows = await rowsOf<FlowRow & { entryId: string; facetSetId: number; reversing: string | number; documentNumber: string; description: string }>(
    database,
    `SELECT STRAIGHT_JOIN line.entry_id AS entryId, line.account_id AS accountId, entry.entry_date AS day, line.layer, line.debit, line.credit,
            line.facet_set_id AS facetSetId, entry.reverses_entry_id IS NOT NULL AS reversing, entry.document_number AS documentNumber, entry.description
       FROM (SELECT DISTINCT entry_id FROM journal_line FORCE INDEX (line_by_account)
              WHERE company_id = ? AND account_id IN (${placeholdersOf(seeds)}) AND entry_date BETWEEN ? AND ? AND closing = 0) AS found
       JOIN journal_entry AS entry ON entry.company_id = ? AND entry.id = found.entry_id AND entry.revision <= ? AND ${isMovement} ${ofPeriod.sql}${notOn}
       JOIN journal_line AS line FORCE INDEX (PRIMARY) ON line.company_id = entry.company_id AND line.entry_id = entry.id
      ORDER BY line.entry_id, line.line_number`,
    [company.id, ...seeds, firstDay, lastDay, company.id, cube.revision, ...ofPeriod.parameters, ...left],
  );
  const entries: (EntryOfFlows & { readonly lines: EntryLine[] })[] = [];
  for (const row of rows) {
    const { account, day, layer, debit, credit } = flowOf(books, row);
    const id = Number(row.entryId);
    const facetSetId = Number(row.facetSetId);
    const isCounted = selected === null || (facetSetId === noFacets ? selected.withoutAny : selected.ids.has(facetSetId));
    let entry = entries.at(-1);
    if (entry?.id !== id) {
      const { documentNumber, description } = row;
      entry = { id, day, layer, isReversing: Number(row.reversing) === 1, documentNumber, description, lines: [] };
      entries.push(entry);
    }
    entry.lines.push({ account, debit, credit, partner: facetSetId, isCounted });
  }
  return entries;
}

/** Every ordinary line on an account of equity, up to the revision of the books; of trial balances the net of each day. */
export async function readEquityLines(database: DataSource, books: Books): Promise<EquityLine[]> {
  const equity = books.accounts.filter(({ element }) => element === 'equity').map(({ id }) => id);
  if (equity.length === 0) return [];
  const wanted = conditionOf(books.selected, 'line.facet_set_id');
  const rows = await rowsOf<FlowRow & Pick<EquityLine, 'facetSetId'> & { isBroughtIn: string | number; opening: number }>(
    database,
    `SELECT line.account_id AS accountId, line.facet_set_id AS facetSetId, line.entry_date AS day, line.layer, line.debit, line.credit, ${broughtInEntry} AS isBroughtIn, entry.opening
       FROM journal_line AS line FORCE INDEX (line_by_account) JOIN journal_entry AS entry ON entry.company_id = line.company_id AND entry.id = line.entry_id
      WHERE line.company_id = ? AND line.account_id IN (${placeholdersOf(equity)}) AND line.closing = 0 AND entry.revision <= ? ${wanted.sql}`,
    [books.company.id, ...equity, books.cube.revision, ...wanted.parameters],
  );
  const lines: EquityLine[] = [];
  const broughtIn = new Map<string, EquityLine & { readonly net: bigint }>();
  for (const row of rows) {
    const line = { ...flowOf(books, row), facetSetId: Number(row.facetSetId), ...(row.opening === 1 ? { isOpening: true } : {}) };
    if (Number(row.isBroughtIn) === 0) lines.push(line);
    else {
      const key = `${line.account} ${line.facetSetId} ${line.day}`;
      broughtIn.set(key, { ...line, net: (broughtIn.get(key)?.net ?? 0n) + line.debit - line.credit });
    }
  }
  for (const { net, ...line } of broughtIn.values()) if (net !== 0n) lines.push({ ...line, debit: net > 0n ? net : 0n, credit: net < 0n ? -net : 0n });
  return lines;
}

/**
 * What exchange rates alone changed on accounts of cash: their lines, debit positive, in entries that have none but cash and
 * exchange differences on them, and some of both, by account, day and facet set. It begins with the lines of exchange differences, which are few.
 */
export async function readExchangeOnCash(database: DataSource, books: Books, span: Span): Promise<FlowOfDay[]> {
  const withRole = (role: AccountRole): number[] => books.accounts.filter((account) => account.role === role).map(({ id }) => id);
  const [differences, cash] = [withRole('exchange_differences'), withRole('cash')];
  if (differences.length === 0 || cash.length === 0) return [];
  const wanted = conditionOf(books.selected, 'line.facet_set_id');
  const alone = entriesAlone(books, span, differences, [...cash, ...differences]);
  const rows = await rowsOf<FlowRow>(
    database,
    `SELECT STRAIGHT_JOIN line.account_id AS accountId, entry.entry_date AS day, line.layer, SUM(line.debit) AS debit, SUM(line.credit) AS credit
       FROM ${alone.sql} JOIN journal_line AS line FORCE INDEX (PRIMARY) ON line.company_id = entry.company_id AND line.entry_id = entry.id
        AND line.account_id IN (${placeholdersOf(cash)}) ${wanted.sql}
      GROUP BY line.account_id, entry.entry_date, line.layer, line.facet_set_id`,
    [...alone.parameters, ...cash, ...wanted.parameters],
  );
  return rows.map((row) => flowOf(books, row));
}

/**
 * Entries of a span, as `entry`, that have a line on one of the accounts `seeds` and none on others than `among`. The order of joins
 * is given (the query names STRAIGHT_JOIN): from the few lines of the seeds to the lines of their entries. Left to itself,
 * the database reads every line of the company where its statistics are those of a table that was just filled.
 */
function entriesAlone(books: Books, { firstDay, lastDay }: Span, seeds: readonly number[], among: readonly number[]) {
  const { company, cube } = books;
  const ofPeriod = adjustingCondition(books);
  return {
    sql: `(SELECT STRAIGHT_JOIN found.entry_id
             FROM (SELECT DISTINCT entry_id FROM journal_line FORCE INDEX (line_by_account)
                    WHERE company_id = ? AND account_id IN (${placeholdersOf(seeds)}) AND entry_date BETWEEN ? AND ? AND closing = 0) AS found
             JOIN journal_line AS each_line FORCE INDEX (PRIMARY) ON each_line.company_id = ? AND each_line.entry_id = found.entry_id
            GROUP BY found.entry_id HAVING SUM(each_line.account_id NOT IN (${placeholdersOf(among)})) = 0) AS alone
       JOIN journal_entry AS entry ON entry.company_id = ? AND entry.id = alone.entry_id AND entry.revision <= ? AND ${isMovement} ${ofPeriod.sql}`,
    parameters: [...[company.id, ...seeds, firstDay, lastDay], ...[company.id, ...among], ...[company.id, cube.revision], ...ofPeriod.parameters],
  };
}

interface FlowRow {
  readonly accountId: number;
  readonly day: Day;
  readonly layer: Layer;
  readonly debit: string;
  readonly credit: string;
}

function flowOf({ cube }: Books, { accountId, day, layer, debit, credit }: FlowRow): FlowOfDay {
  return { account: cube.indexOf.get(accountId) as number, day, layer, debit: BigInt(debit), credit: BigInt(credit) };
}

function placeholdersOf(ids: readonly number[]): string {
  return ids.map(() => '?').join(', ');
}
