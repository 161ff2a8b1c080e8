import type { AccountRole, Span } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Books } from '../application/ports/index.ts';
import { conditionOf } from './readAccountLines.ts';
import { rowsOf } from './transaction.ts';

/** Of reversing entries within a span, what each account has on both sides together; dense by the cube. */
export async function readReversingLines(database: DataSource, books: Books, { firstDay, lastDay }: Span): Promise<BigInt64Array> {
  const wanted = conditionOf(books.selected, 'line.facet_set_id');
  const rows = await rowsOf<{ accountId: number; amount: string }>(
    database,
    `SELECT line.account_id AS accountId, SUM(line.debit + line.credit) AS amount
       FROM journal_entry AS entry JOIN journal_line AS line FORCE INDEX (PRIMARY) ON line.company_id = entry.company_id AND line.entry_id = entry.id
      WHERE entry.company_id = ? AND entry.reverses_entry_id IS NOT NULL AND entry.entry_date BETWEEN ? AND ? AND entry.revision <= ?
            AND line.closing = 0 ${wanted.sql}
      GROUP BY line.account_id`,
    [books.company.id, firstDay, lastDay, books.cube.revision, ...wanted.parameters],
  );
  const amounts = new BigInt64Array(books.cube.accountIds.length);
  for (const { accountId, amount } of rows) amounts[books.cube.indexOf.get(accountId) as number] = BigInt(amount);
  return amounts;
}

/** What entries on accounts of equity alone have on both sides of each, and of reversing ones on both together; dense by the cube. */
export async function readWithinEquity(
  database: DataSource,
  books: Books,
  span: Span,
): Promise<{ debit: BigInt64Array; credit: BigInt64Array; reversing: BigInt64Array }> {
  const length = books.cube.accountIds.length;
  const sums = { debit: new BigInt64Array(length), credit: new BigInt64Array(length), reversing: new BigInt64Array(length) };
  const equity = books.accounts.filter(({ element }) => element === 'equity').map(({ id }) => id);
  if (equity.length < 2) return sums;
  const wanted = conditionOf(books.selected, 'line.facet_set_id');
  const alone = entriesAlone(books, span, equity, equity);
  const rows = await rowsOf<{ accountId: number; debit: string; credit: string; reversing: string }>(
    database,
    `SELECT STRAIGHT_JOIN line.account_id AS accountId, SUM(line.debit) AS debit, SUM(line.credit) AS credit,
            SUM(IF(entry.reverses_entry_id IS NULL, 0, line.debit + line.credit)) AS reversing
       FROM ${alone.sql} JOIN journal_line AS line FORCE INDEX (PRIMARY) ON line.company_id = entry.company_id AND line.entry_id = entry.id ${wanted.sql}
      GROUP BY line.account_id`,
    [...alone.parameters, ...wanted.parameters],
  );
  for (const { accountId, ...row } of rows) {
    const at = books.cube.indexOf.get(accountId) as number;
    for (const sum of ['debit', 'credit', 'reversing'] as const) sums[sum][at] = BigInt(row[sum]);
  }
  return sums;
}

/**
 * What exchange rates alone changed on accounts of cash: their lines, debit positive, in entries that have none but cash and
 * exchange differences on them, and some of both; dense by the cube. It begins with the lines of exchange differences, which are few.
 */
export async function readExchangeOnCash(database: DataSource, books: Books, span: Span): Promise<BigInt64Array> {
  const withRole = (role: AccountRole): number[] => books.accounts.filter((account) => account.role === role).map(({ id }) => id);
  const [differences, cash] = [withRole('exchange_differences'), withRole('cash')];
  const amounts = new BigInt64Array(books.cube.accountIds.length);
  if (differences.length === 0 || cash.length === 0) return amounts;
  const wanted = conditionOf(books.selected, 'line.facet_set_id');
  const alone = entriesAlone(books, span, differences, [...cash, ...differences]);
  const rows = await rowsOf<{ accountId: number; amount: string }>(
    database,
    `SELECT STRAIGHT_JOIN line.account_id AS accountId, SUM(line.debit) - SUM(line.credit) AS amount
       FROM ${alone.sql} JOIN journal_line AS line FORCE INDEX (PRIMARY) ON line.company_id = entry.company_id AND line.entry_id = entry.id
        AND line.account_id IN (${placeholdersOf(cash)}) ${wanted.sql}
      GROUP BY line.account_id`,
    [...alone.parameters, ...cash, ...wanted.parameters],
  );
  for (const { accountId, amount } of rows) amounts[books.cube.indexOf.get(accountId) as number] = BigInt(amount);
  return amounts;
}

/**
 * Entries of a span, as `entry`, that have a line on one of the accounts `seeds` and none on others than `among`. The order of joins
 * is given (the query names STRAIGHT_JOIN): from the few lines of the seeds to the lines of their entries. Left to itself,
 * the database reads every line of the company where its statistics are those of a table that was just filled.
 */
function entriesAlone({ company, cube }: Books, { firstDay, lastDay }: Span, seeds: readonly number[], among: readonly number[]) {
  return {
    sql: `(SELECT STRAIGHT_JOIN found.entry_id
             FROM (SELECT DISTINCT entry_id FROM journal_line
                    WHERE company_id = ? AND account_id IN (${placeholdersOf(seeds)}) AND entry_date BETWEEN ? AND ? AND closing = 0) AS found
             JOIN journal_line AS each_line FORCE INDEX (PRIMARY) ON each_line.company_id = ? AND each_line.entry_id = found.entry_id
            GROUP BY found.entry_id HAVING SUM(each_line.account_id NOT IN (${placeholdersOf(among)})) = 0) AS alone
       JOIN journal_entry AS entry ON entry.company_id = ? AND entry.id = alone.entry_id AND entry.revision <= ?`,
    parameters: [...[company.id, ...seeds, firstDay, lastDay], ...[company.id, ...among], ...[company.id, cube.revision]],
  };
}

function placeholdersOf(ids: readonly number[]): string {
  return ids.map(() => '?').join(', ');
}
