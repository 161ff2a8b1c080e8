import { randomBytes } from 'node:crypto';
import type { Company, JournalImport, JournalLook, PostedEntryBody, TrialBalanceViewBody } from '@ivory-ladder/contract';
import mysql from 'mysql2/promise';
import { ServerProcess } from '../support/serverProcess.ts';

/** A database of the trial’s own, which can be killed and started again on the same port and data. */
export interface KillableDatabase {
  readonly url: string;
  kill(): Promise<void>;
  start(): Promise<void>;
}

export interface KillReport {
  readonly kills: number;
  /** How many hit a transaction that had written rows and was not committed. */
  readonly inside: number;
  /** By what was killed. */
  readonly of: Readonly<Record<'server' | 'database' | 'both', number>>;
  readonly duringImports: number;
  readonly entriesPosted: number;
  readonly importsPosted: number;
  /** What was wrong afterwards; empty where all is well. */
  readonly faults: readonly string[];
}

const accounts = 40;
const clients = 4;
const linesOfEntry = 12;
const linesOfImport = 30_000;
const longestReading = 20_000;

/**
 * Kills server, database or both at some moment of postings and of an import, starts them again, and looks whether each
 * entry is there whole or not at all, balances are what their lines add up to, and whoever asks again posts nothing twice.
 */
export async function runKillTrial(database: KillableDatabase, kills: number, say: (text: string) => void): Promise<KillReport> {
  const server = await ServerProcess.prepare(database.url, { IVORY_LADDER_DEMO: '0', LOG_LEVEL: 'silent' });
  await server.start();
  const company = await server.ok<Company>('POST', '/companies', { name: 'Killed', currency: 'EUR', fiscalYearFirstMonth: 1 });
  const path = `/companies/${company.id}`;
  const chart = Array.from({ length: accounts }, (_, at) => `${100 + at},Account ${at},asset,${at === 0 ? 1 : 0}`).join('\n');
  const { fileId } = await server.ok<{ fileId: number }>(
    'POST',
    `${path}/trial-balance-files?name=tb.csv`,
    `Number,Name,Element,Balance\n${chart}\n900,Capital,equity,-1`,
  );
  await server.ok('POST', `${path}/trial-balance-files/${fileId}/posting`, { date: '2026-01-31' });
  const { accounts: charted } = await server.ok<TrialBalanceViewBody>('GET', `${path}/trial-balance?from=2026-01-01&to=2026-01-31`);
  const ids = charted.map(({ id }) => id);

  const entry = (number: number) => ({
    date: `2026-0${1 + (number % 9)}-10`,
    description: `Trial ${number}`,
    lines: Array.from({ length: linesOfEntry }, (_, at) => {
      const accountId = ids[(number * 7 + at * 3) % ids.length];
      return at % 2 === 0 ? { accountId, debit: String(number + at + 1) } : { accountId, credit: String(number + at) };
    }),
  });
  const sent = new Set<number>();
  const answered = new Map<number, string>();
  const post = async (number: number) => {
    sent.add(number);
    const answer = await server.call<PostedEntryBody>('POST', `${path}/entries`, entry(number), { 'Idempotency-Key': `kill-${number}` });
    if (answer?.status === 201) answered.set(number, answer.body.documentNumber);
    return answer;
  };
  const faults: string[] = [];
  const report = { inside: 0, of: { server: 0, database: 0, both: 0 }, duringImports: 0 };
  const imports: { id: number; key: string }[] = [];
  let number = 0;
  for (let kill = 0; kill < kills; kill++) {
    const target = (['server', 'database', 'both'] as const)[kill % 3] as 'server' | 'database' | 'both';
    const isImporting = kill % 2 === 1;
    let isRunning = true;
    let onPosting: () => void = () => undefined;
    const isPosted = new Promise<void>((resolve) => {
      onPosting = resolve;
    });
    const work = isImporting
      ? [importOnce(server, path, kill, imports, onPosting)]
      : Array.from({ length: clients }, async () => {
          while (isRunning) {
            const answer = await post(number++);
            if (!answer || answer.status >= 500) await pause(20);
          }
        });
    const settled = Promise.all(work.map((one) => one.catch(() => undefined)));
    // Some way into the postings, into the reading of a file or into its posting, another way each time.
    if (isImporting && kill % 4 === 3) await Promise.race([isPosted, pause(longestReading)]);
    await pause(isImporting && kill % 4 === 1 ? 200 + 250 * (kill % 5) : 20 + 17 * (kill % 7));
    if (await hasWritten(database.url)) report.inside++;
    await Promise.all([...(target === 'database' ? [] : [server.end('SIGKILL')]), ...(target === 'server' ? [] : [database.kill()])]);
    isRunning = false;
    if (target !== 'server') await database.start();
    await settled;
    if (target === 'database') await untilHealthy(server);
    else await server.start();
    report.of[target]++;
    if (isImporting) report.duringImports++;
    const found = await findFaults(database.url, company.id);
    faults.push(...found.map((fault) => `after kill ${kill + 1} of ${target}: ${fault}`));
    say(`kill ${kill + 1} of ${kills}: ${target}, ${isImporting ? 'during an import' : 'during postings'}${found.length > 0 ? `: ${found.join('; ')}` : ''}`);
  }
  // Whoever had no answer asks again with the same key.
  for (const own of [...sent]) {
    const before = answered.get(own);
    const again = await post(own);
    if (again?.status !== 201) faults.push(`entry ${own} asked for again: ${JSON.stringify(again)}`);
    else if (before !== undefined && before !== again.body.documentNumber) faults.push(`entry ${own} has another document than it was answered`);
  }
  for (const { id, key } of imports) {
    const [first, second] = [await postImport(server, path, id, key), await postImport(server, path, id, key)];
    if (JSON.stringify(first?.body) !== JSON.stringify(second?.body)) faults.push(`import ${id} answers its second posting otherwise`);
  }
  const { entries, imported, numbers } = await countEntries(database.url, company.id);
  if (entries !== sent.size) faults.push(`${entries} entries of ${sent.size} asked for`);
  if (imported % (linesOfImport / linesOfEntry) !== 0) faults.push(`${imported} imported entries, which is no whole number of imports`);
  if (numbers.some((value, at) => value !== at + 1)) faults.push('document numbers have a gap');
  faults.push(...(await findFaults(database.url, company.id)));
  await server.end('SIGTERM');
  return { kills, ...report, entriesPosted: entries, importsPosted: imported / (linesOfImport / linesOfEntry), faults };
}

async function importOnce(server: ServerProcess, path: string, kill: number, imports: { id: number; key: string }[], onPosting: () => void): Promise<void> {
  let content = 'Date,Document,Account,Debit,Credit\n';
  for (let entry = 0; entry < linesOfImport / linesOfEntry; entry++)
    for (let line = 0; line < linesOfEntry; line++)
      content += `2026-0${1 + (entry % 9)}-20,K${kill}-${entry},${100 + ((entry + line) % accounts)},${line % 2 === 0 ? '1.00' : ''},${line % 2 === 0 ? '' : '1.00'}\n`;
  const look = await server.call<JournalLook>('POST', `${path}/journal-looks`, content.slice(0, content.indexOf('\n', 4000) + 1));
  if (look?.status !== 200) return;
  const { separator, encoding, reading } = look.body;
  const begun = await server.call<{ id: number }>('POST', `${path}/journal-imports`, {
    name: `k${kill}.csv`,
    bytes: content.length,
    separator,
    encoding,
    reading,
  });
  if (begun?.status !== 201) return;
  const read = await server.call<JournalImport>('POST', `${path}/journal-imports/${begun.body.id}/content`, content);
  if (read?.status !== 200 || read.body.state !== 'ready') return;
  const key = randomBytes(8).toString('hex');
  imports.push({ id: begun.body.id, key });
  onPosting();
  await postImport(server, path, begun.body.id, key);
}

function postImport(server: ServerProcess, path: string, id: number, key: string) {
  return server.call<unknown>('POST', `${path}/journal-imports/${id}/posting`, undefined, { 'Idempotency-Key': key });
}

function pause(milliseconds: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, milliseconds));
}

async function untilHealthy(server: ServerProcess): Promise<void> {
  for (let tries = 0; tries < 300; tries++) {
    if ((await server.call('GET', '/health'))?.status === 200) return;
    await pause(100);
  }
  throw new Error('the server does not find its database again');
}

async function rows<Row>(url: string, sql: string, parameters: readonly unknown[] = []): Promise<Row[]> {
  const connection = await mysql.createConnection({ uri: url, supportBigNumbers: true, bigNumberStrings: true });
  try {
    const [found] = await connection.query(sql, parameters as unknown[]);
    return found as Row[];
  } finally {
    await connection.end();
  }
}

/** Waits a moment for a transaction that has written rows and is not committed. */
async function hasWritten(url: string): Promise<boolean> {
  for (let tries = 0; tries < 25; tries++) {
    const open = await rows(url, 'SELECT trx_id FROM information_schema.INNODB_TRX WHERE trx_rows_modified > 0');
    if (open.length > 0) return true;
    // The table is made anew only when nobody has read it for a tenth of a second.
    await pause(110);
  }
  return false;
}

/** Entries that are not whole, and balances of either table that are not what their lines add up to. */
async function findFaults(url: string, companyId: number): Promise<string[]> {
  const broken = await rows<{ id: string }>(
    url,
    `SELECT entry.id FROM journal_entry AS entry LEFT JOIN journal_line AS line ON line.company_id = entry.company_id AND line.entry_id = entry.id
      WHERE entry.company_id = ? GROUP BY entry.id, entry.source HAVING COALESCE(SUM(line.debit - line.credit), 1) <> 0 OR (entry.source IN ('manual', 'import') AND COUNT(*) <> ${linesOfEntry})`,
    [companyId],
  );
  const unnumbered = await rows<{ id: string }>(url, "SELECT id FROM journal_entry WHERE company_id = ? AND (revision = 0 OR document_number = '')", [
    companyId,
  ]);
  const orphans = await rows(
    url,
    'SELECT line.entry_id FROM journal_line AS line LEFT JOIN journal_entry AS entry ON entry.company_id = line.company_id AND entry.id = line.entry_id WHERE line.company_id = ? AND entry.id IS NULL LIMIT 1',
    [companyId],
  );
  const differing = await rows(
    url,
    `SELECT account_id FROM (
       SELECT account_id, year, period, layer, origin, debit, credit FROM balance WHERE company_id = ?
       UNION ALL
       SELECT line.account_id, entry.year, entry.period, line.layer, IF(entry.trial_balance_id IS NULL, 'ordinary', 'trial_balance'), -line.debit, -line.credit
         FROM journal_line AS line JOIN journal_entry AS entry ON entry.company_id = line.company_id AND entry.id = line.entry_id WHERE line.company_id = ?
     ) AS both_sides GROUP BY account_id, year, period, layer, origin HAVING SUM(debit) <> 0 OR SUM(credit) <> 0`,
    [companyId, companyId],
  );
  return [
    ...(broken.length > 0 ? [`${broken.length} entries are not whole`] : []),
    ...(unnumbered.length > 0 ? [`${unnumbered.length} entries have no number`] : []),
    ...(orphans.length > 0 ? ['there are lines without their entry'] : []),
    ...(differing.length > 0 ? [`${differing.length} balances are not their lines`] : []),
  ];
}

async function countEntries(url: string, companyId: number): Promise<{ entries: number; imported: number; numbers: number[] }> {
  const [counts] = await rows<{ entries: string; imported: string }>(
    url,
    "SELECT SUM(source = 'manual') AS entries, SUM(source = 'import') AS imported FROM journal_entry WHERE company_id = ?",
    [companyId],
  );
  const numbers = await rows<{ number: string }>(
    url,
    'SELECT CAST(document_number AS UNSIGNED) AS number FROM journal_entry WHERE company_id = ? ORDER BY number',
    [companyId],
  );
  return { entries: Number(counts?.entries), imported: Number(counts?.imported), numbers: numbers.map(({ number }) => Number(number)) };
}
