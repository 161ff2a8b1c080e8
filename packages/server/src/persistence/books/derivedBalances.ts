import type { DataSource, QueryRunner } from 'typeorm';
import { inTransaction, rowsOf } from '../database/index.ts';
import { insertSearch } from './entrySearch.ts';

/** The two tables that are written with the lines, and what each has of them. */
const derived = {
  balance: { keys: ['layer', 'origin', 'account_id', 'year', 'period'], of: '', stored: 'scenario = 0' },
  facet_balance: { keys: ['facet_set_id', 'layer', 'origin', 'account_id', 'year', 'period'], of: 'AND line.facet_set_id <> 0', stored: 'TRUE' },
} as const;
type DerivedTable = keyof typeof derived;
const derivedTables = Object.keys(derived) as DerivedTable[];

export interface BalanceDifference {
  readonly table: DerivedTable;
  readonly accountId: number;
  readonly year: number;
  readonly period: number;
  /** Lines less what is kept. */
  readonly debit: bigint;
  readonly credit: bigint;
}

/** Of an entry: the ordinary lines of the ledger that trial balances posted count as the net of their account, facet set and day, so that any order of files gives the same debits and credits. */
export const broughtInEntry = "(entry.trial_balance_id IS NOT NULL AND entry.layer = 'ledger' AND entry.closes_year IS NULL)";

/** Rows of both tables that come from trial balances; one parameter, the company. */
function broughtIn(of: string, condition = ''): string {
  return `SELECT line.facet_set_id, line.layer, 'trial_balance' AS origin, line.account_id, entry.year, entry.period,
                 GREATEST(SUM(line.debit) - SUM(line.credit), 0) AS debit, GREATEST(SUM(line.credit) - SUM(line.debit), 0) AS credit
            FROM journal_entry AS entry JOIN journal_line AS line ON line.company_id = entry.company_id AND line.entry_id = entry.id
           WHERE entry.company_id = ? AND ${broughtInEntry} ${of} ${condition}
           GROUP BY line.facet_set_id, line.layer, line.account_id, entry.entry_date, entry.year, entry.period`;
}

/** What the table should hold of a company: sums of the lines, a closing entry in the last period of the year it closes. Its parameters are the company, three times. */
function fromLines(table: DerivedTable): string {
  const { keys, of } = derived[table];
  // Each part is added up by itself, since no row of one is a row of the other: the lines are never set down before.
  const sums = `SELECT ${keys.join(', ')}, SUM(debit) AS debit, SUM(credit) AS credit FROM`;
  return `${sums} (
    SELECT line.facet_set_id, line.layer, IF(entry.closes_year IS NULL, 'ordinary', 'closing') AS origin, line.account_id,
           COALESCE(entry.closes_year, entry.year) AS year, IF(entry.closes_year IS NULL, entry.period, last.number) AS period, line.debit, line.credit
      FROM journal_line AS line JOIN journal_entry AS entry ON entry.company_id = line.company_id AND entry.id = line.entry_id
      LEFT JOIN (SELECT year, MAX(number) AS number FROM fiscal_period WHERE company_id = ? GROUP BY year) AS last ON last.year = entry.closes_year
     WHERE line.company_id = ? AND NOT ${broughtInEntry} ${of}) AS posted
   GROUP BY ${keys.join(', ')}
   UNION ALL ${sums} (${broughtIn(of)}) AS brought GROUP BY ${keys.join(', ')}`;
}

/** Where the kept balances are not what the lines add up to; each table is compared in one statement, so in one snapshot. */
export async function findDifferences(database: DataSource | QueryRunner, companyId: number): Promise<BalanceDifference[]> {
  const found: BalanceDifference[] = [];
  for (const table of derivedTables) {
    const keys = derived[table].keys.join(', ');
    const rows = await rowsOf<{ accountId: number; year: number; period: number; debit: string; credit: string }>(
      database,
      `SELECT account_id AS accountId, year, period, SUM(debit) AS debit, SUM(credit) AS credit FROM (
         SELECT * FROM (${fromLines(table)}) AS lines_of_table
         UNION ALL SELECT ${keys}, -debit, -credit FROM ${table} WHERE company_id = ? AND ${derived[table].stored}) AS both_sides
        GROUP BY ${keys} HAVING SUM(debit) <> 0 OR SUM(credit) <> 0 ORDER BY ${keys}`,
      [companyId, companyId, companyId, companyId],
    );
    found.push(...rows.map(({ debit, credit, ...row }) => ({ table, ...row, debit: BigInt(debit), credit: BigInt(credit) })));
  }
  return found;
}

/** Makes both tables of a company anew from its lines, and what its entries are sought by. Copies in memory are read anew with the structure version. */
export async function rebuildBalances(database: DataSource, companyId: number): Promise<void> {
  const outcome = await inTransaction(database, async (runner) => {
    // Postings under way end first, new ones wait: each takes the company's row at its end.
    await runner.query('UPDATE company SET structure_version = structure_version + 1 WHERE id = ?', [companyId]);
    await rebuildTables(runner, companyId);
    await runner.query('DELETE FROM entry_search WHERE company_id = ?', [companyId]);
    await runner.query(insertSearch('entry.company_id = ?'), [companyId]);
  });
  if (!outcome.ok) throw new Error(`the balances of company ${companyId} could not be made anew: ${outcome.failure.code}`);
}

/** Both, in the caller's transaction. Postings under way are waited for, or add to what is made here. */
export async function rebuildTables(runner: QueryRunner, companyId: number): Promise<void> {
  for (const table of derivedTables) {
    const { keys, stored } = derived[table];
    await runner.query(`DELETE FROM ${table} WHERE company_id = ? AND ${stored}`, [companyId]);
    await runner.query(`INSERT INTO ${into(table)} SELECT ${values(table)}, ${keys.join(', ')}, debit, credit FROM (${fromLines(table)}) AS made`, [
      ...Array(4).fill(companyId),
    ]);
  }
}

/**
 * What trial balances posted into some periods, made anew from its lines in both tables: two files on one day count as their net, which
 * no adding up gives. Behind the company's row, so that of two that are posted at once the later sees both.
 */
export async function remakeBroughtIn(
  runner: QueryRunner,
  companyId: number,
  periods: readonly { readonly year: number; readonly number: number }[],
): Promise<void> {
  const distinct = new Map(periods.map(({ year, number }) => [`${year}.${number}`, [year, number] as const]));
  if (distinct.size === 0) return;
  const among = [...distinct.values()].flat();
  const marks = [...distinct].map(() => '(?, ?)').join(', ');
  for (const table of derivedTables) {
    const { keys, of, stored } = derived[table];
    await runner.query(
      `DELETE FROM ${table} WHERE company_id = ? AND ${stored} AND layer = 'ledger' AND origin = 'trial_balance' AND (year, period) IN (${marks})`,
      [companyId, ...among],
    );
    await runner.query(
      `INSERT INTO ${into(table)} SELECT ${values(table)}, ${keys.join(', ')}, SUM(debit), SUM(credit)
         FROM (${broughtIn(of, `AND (entry.year, entry.period) IN (${marks})`)}) AS made GROUP BY ${keys.join(', ')}`,
      [companyId, companyId, ...among],
    );
  }
}

function into(table: DerivedTable): string {
  return `${table} (company_id, ${table === 'balance' ? 'scenario, ' : ''}${derived[table].keys.join(', ')}, debit, credit)`;
}

/** Of the columns that `into` names before the keys. */
function values(table: DerivedTable): string {
  return table === 'balance' ? '?, 0' : '?';
}
