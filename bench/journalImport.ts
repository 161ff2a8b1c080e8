import { once } from 'node:events';
import { createReadStream, createWriteStream, mkdirSync, openSync, readFileSync, readSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import type { Company, JournalImport, JournalLook } from '@ivory-ladder/contract';
import mysql from 'mysql2/promise';
import type { ApiClient } from '../tests/support/apiClient.ts';
import { seeded } from '../tests/support/seeded.ts';
import { load } from './largeLedger.ts';
import { type Result, timesAsFast } from './measure.ts';
import { measureSearch } from './search.ts';

const accounts = 400;
const linesOfEntry = 10;
const seriesOfMemory = 250;
const outfile = (table: string) => `bench_${table}`;
const largestMegabytes = 300;

/** So many lines from a CSV file, checked, balanced, with balances kept; against LOAD DATA of the same rows of every table into empty ones. */
export async function measureImport(client: ApiClient, databaseUrl: string, lines: number, folder: string): Promise<Result[]> {
  mkdirSync(folder, { recursive: true });
  const company = await client.ok<Company>('POST', '/companies', { name: 'Import benchmark', currency: 'EUR', fiscalYearFirstMonth: 1 });
  const path = `/companies/${company.id}`;
  const chart = Array.from(
    { length: accounts },
    (_, at) => `${1000 + at},Account ${at},${at < 200 ? 'asset' : 'expense'},Group ${at < 200 ? 'A' : 'E'} ${at % 20},${at === 0 ? 1 : at === 1 ? -1 : 0}`,
  );
  const { fileId } = await client.ok<{ fileId: number }>(
    'POST',
    `${path}/trial-balance-files?name=chart.csv`,
    Buffer.from(`Number,Name,Element,Category,Balance\n${chart.join('\n')}`),
  );
  await client.ok('POST', `${path}/trial-balance-files/${fileId}/posting`, { date: '2026-01-31', retainedEarnings: '1199', figures: { kind: 'year_to_date' } });
  const file = join(folder, `journal-${lines}.csv`);
  await writeJournal(file, lines);
  const bytes = statSync(file).size;
  const head = Buffer.alloc(1 << 16);
  readSync(openSync(file, 'r'), head);
  const look = await client.ok<JournalLook>('POST', `${path}/journal-looks`, head.subarray(0, head.lastIndexOf(10) + 1));
  const memory = watchMemory();
  const began = performance.now();
  const { id } = await client.ok<{ id: number }>('POST', `${path}/journal-imports`, {
    name: 'journal.csv',
    bytes,
    separator: look.separator,
    encoding: look.encoding,
    reading: look.reading,
  });
  const read = await send<JournalImport>(client, `${path}/journal-imports/${id}/content`, file);
  if (read.state !== 'ready' || read.summary?.lines !== lines) throw new Error(`the file was not read as it is: ${JSON.stringify(read.summary)}`);
  const wasRead = performance.now();
  await client.ok('POST', `${path}/journal-imports/${id}/posting`, undefined, { 'Idempotency-Key': `bench-${id}` });
  const seconds = (performance.now() - began) / 1000;
  const megabytes = memory.stop();
  process.stdout.write(
    `import of ${lines.toLocaleString('en')} lines: read in ${((wasRead - began) / 1000).toFixed(1)} s, posted in ${(seconds - (wasRead - began) / 1000).toFixed(1)} s\n`,
  );
  const searched = await measureSearch(client, company.id, lines);
  const yardstick = await loadTheSame(databaseUrl, company.id, folder);
  const size = `${(lines / 1e6).toLocaleString('en')} million journal lines`;
  return [
    {
      ...timesAsFast(`import of ${size} from CSV; against LOAD DATA of the same rows`, { product: [seconds], yardstick: [yardstick] }, 1 / 3),
      unit: 's',
      bar: 'at most 3 times as long',
    },
    {
      name: `memory of the server at most while it imports ${size}`,
      product: megabytes,
      productMin: megabytes,
      productMax: megabytes,
      yardstick: null,
      yardstickMin: null,
      yardstickMax: null,
      unit: 'MB',
      ratio: null,
      bar: `under ${largestMegabytes} MB`,
      holds: megabytes < largestMegabytes,
    },
    ...searched,
  ];
}

async function writeJournal(file: string, lines: number): Promise<void> {
  const random = seeded(17);
  const out = createWriteStream(file);
  let text = 'Date,Document,Account,Debit,Credit,Text\n';
  for (let entry = 0; entry < lines / linesOfEntry; entry++) {
    const day = `2026-${String(1 + (entry % 12)).padStart(2, '0')}-${String(1 + (entry % 28)).padStart(2, '0')}`;
    let sum = 0;
    for (let line = 0; line < linesOfEntry; line++) {
      const cents = line === linesOfEntry - 1 ? -sum : (random(2) === 0 ? 1 : -1) * (1 + random(1_000_000));
      sum += cents;
      const amount = (Math.abs(cents) / 100).toFixed(2);
      text += `${day},J${entry},${1000 + random(accounts)},${cents >= 0 ? amount : ''},${cents < 0 ? amount : ''},Line ${line}\n`;
    }
    if (text.length > 1 << 20) {
      if (!out.write(text)) await once(out, 'drain');
      text = '';
    }
  }
  out.end(text);
  await once(out, 'finish');
}

/** As a browser sends a file: as a stream, never whole. */
async function send<Body>(client: ApiClient, path: string, file: string): Promise<Body> {
  const answer = await fetch(`${client.url}/api${path}`, {
    method: 'POST',
    headers: { Origin: client.url, 'X-Ivory-Ladder': '1', Cookie: client.cookie, 'Content-Type': 'application/octet-stream' },
    body: createReadStream(file),
    duplex: 'half',
  } as unknown as RequestInit);
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
  return (await answer.json()) as Body;
}

/** The resident set of the server's process, in MB, looked at again and again. */
function watchMemory(): { stop: () => number } {
  const pid = process.env.IVORY_LADDER_SERVER_PID;
  let most = 0;
  const look = () => {
    const kilobytes = Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0);
    most = Math.max(most, kilobytes / 1024);
  };
  look();
  const timer = setInterval(look, seriesOfMemory);
  return {
    stop: () => {
      clearInterval(timer);
      return most;
    },
  };
}

/** Seconds for the rows that the import wrote, loaded in key order into empty tables with the same indexes. */
async function loadTheSame(databaseUrl: string, companyId: number, folder: string): Promise<number> {
  const connection = await mysql.createConnection({
    uri: databaseUrl,
    supportBigNumbers: true,
    bigNumberStrings: true,
    dateStrings: true,
    flags: ['+LOCAL_FILES'],
  });
  let seconds = 0;
  for (const table of ['journal_entry', 'journal_line', 'entry_search', 'balance', 'facet_balance']) {
    const file = join(folder, `${table}.csv`);
    await writeTable(connection, table, companyId, file);
    await connection.query(`DROP TABLE IF EXISTS ${outfile(table)}`);
    await connection.query(`CREATE TABLE ${outfile(table)} LIKE ${table}`);
    const began = performance.now();
    await load(connection, file, `${outfile(table)} FIELDS TERMINATED BY ','`);
    seconds += (performance.now() - began) / 1000;
    await connection.query(`DROP TABLE ${outfile(table)}`);
  }
  await connection.end();
  return seconds;
}

async function writeTable(connection: mysql.Connection, table: string, companyId: number, file: string): Promise<void> {
  const out = createWriteStream(file);
  // The driver below the promises gives rows as they come.
  const rows = (
    connection as unknown as { connection: { query(sql: string, values: unknown[]): { stream(): AsyncIterable<Record<string, unknown>> } } }
  ).connection
    .query(`SELECT * FROM ${table} WHERE company_id = ?`, [companyId])
    .stream();
  let text = '';
  for await (const row of rows) {
    text += `${Object.values(row)
      .map((value) => (value === null ? '\\N' : String(value)))
      .join(',')}\n`;
    if (text.length < 1 << 20) continue;
    if (!out.write(text)) await once(out, 'drain');
    text = '';
  }
  out.end(text);
  await once(out, 'finish');
}
