import { once } from 'node:events';
import { createReadStream, createWriteStream, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Company } from '@ivory-ladder/contract';
import { addDays, type Day, shiftMonths } from '@ivory-ladder/core';
import mysql from 'mysql2/promise';
import type { ApiClient } from '../tests/support/apiClient.ts';
import { seeded } from '../tests/support/seeded.ts';

const accounts = 2000;
export const months = 36;
const categories = 280;
const vessels = 10;
const routes = 20;
const linesOfEntry = 10;
const firstYear = 2024;

/** Accounts 0 to 1,009 are of the balance sheet, the others income and expense. */
const elementAt = (at: number) => (at < 700 ? 'asset' : at < 1000 ? 'liability' : at < 1010 ? 'equity' : at < 1300 ? 'income' : 'expense');

export interface LargeLedger {
  readonly company: Company;
  readonly lines: number;
  readonly accountIds: readonly number[];
  /** Keys of the facets vessel and route. */
  readonly facets: readonly [vessel: string, route: string];
  /** Sets of each vessel, by its code. */
  readonly setsOfVessel: ReadonlyMap<string, readonly number[]>;
  /** The lines as CSV: entry, line, account, date, debit, credit, set. */
  readonly linesFile: string;
}

/** What of the distribution a reader of the figures has to know. */
export const distribution = `${vessels * routes} facet sets (${vessels} vessels × ${routes} routes); every line on income and expense accounts has one, all sets alike; of balance sheet accounts none has`;

/**
 * A company of 2,000 accounts in 280 categories and 36 months with so many lines in entries of ten, always the same. Chart,
 * facets and years come through the API; the lines are loaded into the tables as they are, and what is derived from them is
 * made by the database from its own sums.
 */
export async function loadLargeLedger(client: ApiClient, databaseUrl: string, lines: number, folder: string): Promise<LargeLedger> {
  const company = await client.ok<Company>('POST', '/companies', {
    name: `Benchmark, ${lines.toLocaleString('en')} lines`,
    currency: 'EUR',
    fiscalYearFirstMonth: 1,
  });
  const path = `/companies/${company.id}`;
  const rows = Array.from({ length: accounts }, (_, at) => {
    const category = Math.floor((at * categories) / accounts);
    return `${1000 + at},Account ${at},${elementAt(at)},Group ${elementAt(at)} ${category % 7} > Category ${category},${at === 0 ? 1 : at === 1000 ? -1 : 0}`;
  });
  const { fileId } = await client.ok<{ fileId: number }>(
    'POST',
    `${path}/trial-balance-files?name=chart.csv`,
    Buffer.from(`Number,Name,Element,Category,Balance\n${rows.join('\n')}`),
  );
  await client.ok('POST', `${path}/trial-balance-files/${fileId}/posting`, {
    date: `${firstYear}-01-31`,
    retainedEarnings: '2001',
    figures: { kind: 'year_to_date' },
  });
  for (const year of [firstYear + 1, firstYear + 2]) await client.ok('POST', `${path}/years`, { day: `${year}-01-01` }).catch(() => undefined);
  const facet = async (name: string, prefix: string, count: number) =>
    (
      await client.ok<{ key: string }>('POST', `${path}/code-lists`, {
        kind: 'facet',
        name,
        codes: Array.from({ length: count }, (_, at) => ({ code: `${prefix}${at}`, caption: `${name} ${at}` })),
      })
    ).key;
  const facets = [await facet('Vessel', 'V', vessels), await facet('Route', 'R', routes)] as const;
  const connection = await mysql.createConnection({ uri: databaseUrl, supportBigNumbers: true, bigNumberStrings: true, flags: ['+LOCAL_FILES'] });
  const numbered = await query<{ id: number }>(connection, 'SELECT id FROM account WHERE company_id = ? ORDER BY number', [company.id]);
  const accountIds = numbered.map(({ id }) => Number(id));
  const sets = await makeSets(client, connection, company.id, accountIds, facets);
  mkdirSync(folder, { recursive: true });
  const [entriesFile, linesFile] = [join(folder, `entries-${lines}.csv`), join(folder, `lines-${lines}.csv`)];
  const firstEntry = Number((await query<{ next: string }>(connection, 'SELECT COALESCE(MAX(id), 0) + 1000 AS next FROM journal_entry', []))[0]?.next);
  await writeLines(lines, firstEntry, accountIds, sets.all, entriesFile, linesFile);
  await load(
    connection,
    entriesFile,
    `journal_entry FIELDS TERMINATED BY ',' (id, entry_date, year, period, document_number) SET company_id = ${company.id}, description = '', layer = 'ledger', source = 'import', revision = 1, posted_at = '2026-01-01', posted_by = 'bench', origin_document = ''`,
  );
  await load(
    connection,
    linesFile,
    `journal_line FIELDS TERMINATED BY ',' (entry_id, line_number, account_id, entry_date, debit, credit, facet_set_id) SET company_id = ${company.id}, layer = 'ledger', closing = 0, text = ''`,
  );
  await derive(connection, company.id);
  await connection.query('ANALYZE TABLE journal_line, journal_entry, balance, facet_balance');
  await connection.end();
  return { company, lines, accountIds, facets, setsOfVessel: sets.ofVessel, linesFile };
}

/** Every pair of a vessel and a route once, by an entry of the API, so that the sets are made as they always are. */
async function makeSets(
  client: ApiClient,
  connection: mysql.Connection,
  companyId: number,
  accountIds: readonly number[],
  [vessel, route]: readonly [string, string],
) {
  for (let at = 0; at < vessels; at++)
    await client.ok('POST', `/companies/${companyId}/entries`, {
      date: `${firstYear}-01-31`,
      lines: Array.from({ length: routes }, (_, of) => ({
        accountId: accountIds[1500],
        [of % 2 === 0 ? 'debit' : 'credit']: '100',
        facets: { [vessel]: `V${at}`, [route]: `R${of}` },
      })),
    });
  const rows = await query<{ id: string; vessel: string }>(
    connection,
    `SELECT held.facet_set_id AS id, value.code AS vessel FROM facet_set_value AS held
       JOIN listed_code AS value ON value.company_id = held.company_id AND value.id = held.code_id
      WHERE held.company_id = ? AND value.code LIKE 'V%' ORDER BY held.facet_set_id`,
    [companyId],
  );
  const ofVessel = new Map<string, number[]>();
  for (const row of rows) ofVessel.set(row.vessel, [...(ofVessel.get(row.vessel) ?? []), Number(row.id)]);
  return { all: rows.map(({ id }) => Number(id)), ofVessel };
}

/** Entries of ten lines that balance, spread over all days of three years. */
async function writeLines(
  lines: number,
  firstEntry: number,
  accountIds: readonly number[],
  sets: readonly number[],
  entriesFile: string,
  linesFile: string,
): Promise<void> {
  const random = seeded(20_260_930);
  const days: { day: Day; year: number; period: number }[] = [];
  for (let month = 0; month < months; month++) {
    const first = shiftMonths(`${firstYear}-01-01`, month);
    for (let day = first; day < shiftMonths(first, 1); day = addDays(day, 1))
      days.push({ day, year: firstYear + Math.floor(month / 12), period: (month % 12) + 1 });
  }
  const [entriesOut, linesOut] = [createWriteStream(entriesFile), createWriteStream(linesFile)];
  const entries = Math.floor(lines / linesOfEntry);
  let text = '';
  let heads = '';
  for (let entry = 0; entry < entries; entry++) {
    const { day, year, period } = days[Math.floor((entry * days.length) / entries)] as (typeof days)[number];
    const id = firstEntry + entry;
    heads += `${id},${day},${year},${period},B${entry}\n`;
    let sum = 0;
    for (let line = 1; line <= linesOfEntry; line++) {
      const at = random(accounts);
      // The last line balances; the others never come to nothing.
      const net = line === linesOfEntry ? -sum : (random(2) === 0 ? 1 : -1) * (1 + random(2_000_000));
      sum += net;
      text += `${id},${line},${accountIds[at]},${day},${Math.max(net, 0)},${Math.max(-net, 0)},${at < 1010 ? 0 : sets[random(sets.length)]}\n`;
    }
    if (text.length > 1 << 20) {
      if (!linesOut.write(text)) await once(linesOut, 'drain');
      if (!entriesOut.write(heads)) await once(entriesOut, 'drain');
      text = heads = '';
    }
  }
  linesOut.end(text);
  entriesOut.end(heads);
  await Promise.all([once(linesOut, 'finish'), once(entriesOut, 'finish')]);
}

/** Both tables from the lines, by the database's own sums, in the order of their keys. */
async function derive(connection: mysql.Connection, companyId: number): Promise<void> {
  await connection.query('DELETE FROM balance WHERE company_id = ?', [companyId]);
  await connection.query('DELETE FROM facet_balance WHERE company_id = ?', [companyId]);
  const from =
    'FROM journal_line AS line JOIN journal_entry AS entry ON entry.company_id = line.company_id AND entry.id = line.entry_id WHERE line.company_id = ?';
  await connection.query(
    `INSERT INTO balance (company_id, scenario, layer, origin, account_id, year, period, debit, credit)
       SELECT line.company_id, 0, line.layer, 'ordinary', line.account_id, entry.year, entry.period, SUM(line.debit), SUM(line.credit) ${from} GROUP BY line.layer, line.account_id, entry.year, entry.period`,
    [companyId],
  );
  await connection.query(
    `INSERT INTO facet_balance (company_id, facet_set_id, layer, origin, account_id, year, period, debit, credit)
       SELECT line.company_id, line.facet_set_id, line.layer, 'ordinary', line.account_id, entry.year, entry.period, SUM(line.debit), SUM(line.credit) ${from} AND line.facet_set_id <> 0
        GROUP BY line.facet_set_id, line.layer, line.account_id, entry.year, entry.period`,
    [companyId],
  );
  await connection.query(
    'UPDATE company SET revision = revision + 1, structure_version = structure_version + 1, next_document = next_document + 10000000 WHERE id = ?',
    [companyId],
  );
  // Entries of the API go on behind those that were loaded.
  await connection.query("UPDATE counter SET next_value = GREATEST(next_value, (SELECT MAX(id) + 1000 FROM journal_entry)) WHERE name = 'entry'");
}

/** LOAD DATA from a file of ours, streamed by the client. */
export async function load(connection: mysql.Connection, file: string, into: string): Promise<void> {
  await connection.query({ sql: `LOAD DATA LOCAL INFILE 'rows' INTO TABLE ${into}`, infileStreamFactory: () => createReadStream(file) });
}

export async function query<Row>(connection: mysql.Connection, sql: string, parameters: readonly unknown[]): Promise<Row[]> {
  const [rows] = await connection.query(sql, parameters as unknown[]);
  return rows as Row[];
}
