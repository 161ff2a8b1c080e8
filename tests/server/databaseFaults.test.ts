import type { ChartView, Company, JournalImport, JournalLook, TrialBalanceViewBody } from '@ivory-ladder/contract';
import mysql from 'mysql2/promise';
import { afterAll, describe, expect, it } from 'vitest';
import { withoutSync } from '../../scripts/parts/mariadb.mjs';
import { createSchema } from '../support/server.ts';
import { ServerProcess } from '../support/serverProcess.ts';
import { runKillTrial } from '../trials/killTrial.ts';
import { startOwnDatabase } from '../trials/ownDatabase.ts';

const ends: (() => Promise<unknown>)[] = [];
afterAll(async () => {
  for (const end of ends.reverse()) await end();
});

const heading = 'Date,Document,Account,Debit,Credit\n';

/** So many entries of two lines as journal lines. */
function journal(name: string, entries: number): string {
  let content = heading;
  for (let entry = 0; entry < entries; entry++)
    content += `2026-0${2 + (entry % 8)}-20,${name}${entry},101,1.00,\n2026-0${2 + (entry % 8)}-20,${name}${entry},102,,1.00\n`;
  return content;
}

async function openCompany(server: ServerProcess) {
  const company = await server.ok<Company>('POST', '/companies', { name: 'Faults', currency: 'EUR', fiscalYearFirstMonth: 1 });
  const path = `/companies/${company.id}`;
  const { fileId } = await server.ok<{ fileId: number }>(
    'POST',
    `${path}/trial-balance-files?name=tb.csv`,
    'Number,Name,Element,Balance\n101,Bank,asset,1\n102,Stock,asset,0\n900,Capital,equity,-1',
  );
  await server.ok('POST', `${path}/trial-balance-files/${fileId}/posting`, { date: '2026-01-31' });
  const begin = async (content: string) => {
    const head = content.slice(0, content.indexOf('\n', 2000) + 1) || content;
    const { separator, encoding, reading } = await server.ok<JournalLook>('POST', `${path}/journal-looks`, head);
    const { id } = await server.ok<{ id: number }>('POST', `${path}/journal-imports`, { name: 'j.csv', bytes: content.length, separator, encoding, reading });
    return `${path}/journal-imports/${id}`;
  };
  return { id: company.id, path, begin };
}

describe('server and database killed while they post and import', () => {
  it('leave nothing half, and whoever asks again posts nothing twice; a short run of npm run trials', async () => {
    const database = await startOwnDatabase(withoutSync);
    ends.push(() => database.stop());
    const report = await runKillTrial(database, 6, () => undefined);
    expect(report.faults).toEqual([]);
    expect([report.kills, report.of.server, report.of.database, report.of.both, report.duringImports]).toEqual([6, 2, 2, 2, 3]);
    expect(report.inside).toBeGreaterThanOrEqual(3);
    expect(report.entriesPosted).toBeGreaterThan(10);
  });
});

describe('a database without room', () => {
  it('is said while lines are imported; nothing half stays, and what fits is posted afterwards', async () => {
    // All tables in one file that does not grow.
    const database = await startOwnDatabase([...withoutSync, '--innodb-file-per-table=0', '--innodb-data-file-path=ibdata1:12M;ibdata2:30M']);
    ends.push(() => database.stop());
    const server = await ServerProcess.prepare(database.url, { IVORY_LADDER_DEMO: '0', LOG_LEVEL: 'silent' });
    await server.start();
    ends.push(() => server.end('SIGTERM'));
    const { id, path, begin } = await openCompany(server);
    const large = journal('L', 150_000);
    const address = await begin(large);
    const read = await server.call<{ code: string }>('POST', `${address}/content`, large);
    expect([read?.status, read?.body.code]).toEqual([507, 'storage_full']);
    expect((await server.ok<JournalImport>('GET', address)).state).toBe('cancelled');
    const connection = await mysql.createConnection(database.url);
    const count = async (table: string, where: string) => {
      const [found] = await connection.query(`SELECT COUNT(*) AS count FROM ${table} WHERE ${where}`);
      return Number((found as { count: number }[])[0]?.count);
    };
    expect([await count('staged_line', 'TRUE'), await count('journal_entry', `company_id = ${id}`)]).toEqual([0, 1]);
    const small = journal('S', 5);
    const second = await begin(small);
    expect((await server.ok<JournalImport>('POST', `${second}/content`, small)).state).toBe('ready');
    await server.ok('POST', `${second}/posting`);
    const { accounts } = await server.ok<TrialBalanceViewBody>('GET', `${path}/trial-balance?from=2026-01-01&to=2026-12-31`);
    expect(accounts.map(({ number, closing }) => [number, closing])).toEqual([
      ['101', '600'],
      ['102', '-500'],
      ['900', '-100'],
    ]);
    await connection.end();
  });
});

describe('a connection that is lost', () => {
  it('while lines are imported is said, leaves nothing staged, and the file can be read again', async () => {
    const schema = await createSchema();
    const server = await ServerProcess.prepare(schema.url, { IVORY_LADDER_DEMO: '0', LOG_LEVEL: 'silent' });
    await server.start();
    ends.push(
      () => schema.drop(),
      () => server.end('SIGTERM'),
    );
    const { begin } = await openCompany(server);
    // Long enough for the connection that takes the lines to be found and ended.
    const content = journal('C', 150_000);
    const address = await begin(content);
    const connection = await mysql.createConnection(schema.url);
    const reading = server.call<{ code: string }>('POST', `${address}/content`, content);
    let killed = 0;
    for (let tries = 0; tries < 200 && killed === 0; tries++) {
      const [found] = await connection.query("SELECT id FROM information_schema.PROCESSLIST WHERE DB = DATABASE() AND INFO LIKE 'LOAD DATA LOCAL%'");
      for (const { id } of found as { id: number }[]) {
        await connection.query(`KILL ${id}`);
        killed++;
      }
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    const answer = await reading;
    expect(killed).toBe(1);
    expect([answer?.status, answer?.body.code]).toEqual([503, 'database_lost']);
    expect((await server.ok<JournalImport>('GET', address)).state).toBe('cancelled');
    const [staged] = await connection.query('SELECT COUNT(*) AS count FROM staged_line');
    expect(Number((staged as { count: number }[])[0]?.count)).toBe(0);
    const again = await begin(content);
    expect((await server.ok<JournalImport>('POST', `${again}/content`, content)).state).toBe('ready');
    await connection.end();
  });
});

describe('eight clients over two servers, with an import, a locked period and a renumbering under way', () => {
  it('are all answered, number without gaps, and balances are their lines', async () => {
    const schema = await createSchema();
    const servers = [
      await ServerProcess.prepare(schema.url, { IVORY_LADDER_DEMO: '0', LOG_LEVEL: 'silent' }),
      await ServerProcess.prepare(schema.url, { IVORY_LADDER_DEMO: '0', LOG_LEVEL: 'silent' }),
    ] as const;
    await servers[0].start();
    servers[1].enterAs(servers[0]);
    await servers[1].start();
    ends.push(
      () => schema.drop(),
      () => servers[0].end('SIGTERM'),
      () => servers[1].end('SIGTERM'),
    );
    const company = await servers[0].ok<Company>('POST', '/companies', { name: 'Busy', currency: 'EUR', fiscalYearFirstMonth: 1 });
    const path = `/companies/${company.id}`;
    const chart = Array.from({ length: 42 }, (_, at) => `${100 + at},Account ${at},asset,${at === 0 ? 1 : 0}`).join('\n');
    const { fileId } = await servers[0].ok<{ fileId: number }>(
      'POST',
      `${path}/trial-balance-files?name=tb.csv`,
      `Number,Name,Element,Balance\n${chart}\n900,Capital,equity,-1`,
    );
    await servers[0].ok('POST', `${path}/trial-balance-files/${fileId}/posting`, { date: '2026-01-31' });
    const { accounts } = await servers[0].ok<TrialBalanceViewBody>('GET', `${path}/trial-balance?from=2026-01-01&to=2026-01-31`);
    const ids = accounts.slice(0, 40).map(({ id }) => id);
    const { accounts: charted } = await servers[0].ok<ChartView>('GET', `${path}/chart?from=2026-01-01&to=2026-01-31`);
    const renumbered = charted.find(({ number }) => number === '141');
    const content = journal('D', 5000);
    const { separator, encoding, reading } = await servers[0].ok<JournalLook>(
      'POST',
      `${path}/journal-looks`,
      content.slice(0, content.indexOf('\n', 2000) + 1),
    );
    const { id } = await servers[0].ok<{ id: number }>('POST', `${path}/journal-imports`, {
      name: 'd.csv',
      bytes: content.length,
      separator,
      encoding,
      reading,
    });
    await servers[0].ok('POST', `${path}/journal-imports/${id}/content`, content);

    const statuses = new Map<string, number>();
    const note = (what: string, answer: { status: number } | null) =>
      statuses.set(`${what} ${answer?.status}`, (statuses.get(`${what} ${answer?.status}`) ?? 0) + 1);
    let number = 0;
    const clients = Array.from({ length: 8 }, async (_, client) => {
      for (let round = 0; round < 40; round++) {
        const own = number++;
        // Each in another order of the accounts, which is where deadlocks come from.
        const lines = Array.from({ length: 10 }, (__, at) => {
          const accountId = ids[(own * 13 + at * (client % 2 === 0 ? 7 : 33)) % ids.length];
          return at % 2 === 0 ? { accountId, debit: '100' } : { accountId, credit: '100' };
        });
        const server = servers[client % 2] as ServerProcess;
        note('entry', await server.call('POST', `${path}/entries`, { date: `2026-0${2 + (own % 8)}-10`, lines }, { 'Idempotency-Key': `busy-${own}` }));
      }
    });
    const beside = [
      servers[1]
        .call('POST', `${path}/journal-imports/${id}/posting`, undefined, { 'Idempotency-Key': 'busy-import' })
        .then((answer) => note('import', answer)),
      servers[0].call('POST', `${path}/period-locks`, { year: 2026, number: 1, reason: 'closed' }).then((answer) => note('lock', answer)),
      servers[1]
        .call('POST', `${path}/renumbering`, { changes: [{ accountId: renumbered?.id, version: renumbered?.version, number: '199' }] })
        .then((answer) => note('renumbering', answer)),
    ];
    await Promise.all([...clients, ...beside]);
    const connection = await mysql.createConnection({ uri: schema.url, supportBigNumbers: true, bigNumberStrings: true });
    const rows = async (sql: string) => (await connection.query(sql, [company.id, company.id]))[0] as Record<string, string>[];
    expect(Object.fromEntries(statuses)).toMatchObject({ 'entry 201': 320, 'import 200': 1 });
    expect([...statuses.keys()].filter((status) => / (5|null)/.test(status))).toEqual([]);
    expect(
      await rows(`SELECT account_id FROM (
        SELECT account_id, year, period, debit, credit FROM balance WHERE company_id = ?
        UNION ALL SELECT line.account_id, entry.year, entry.period, -line.debit, -line.credit FROM journal_line AS line
          JOIN journal_entry AS entry ON entry.company_id = line.company_id AND entry.id = line.entry_id WHERE line.company_id = ?) AS both_sides
        GROUP BY account_id, year, period HAVING SUM(debit) <> 0 OR SUM(credit) <> 0`),
    ).toEqual([]);
    const numbers = await rows('SELECT CAST(document_number AS UNSIGNED) AS number FROM journal_entry WHERE company_id = ? AND company_id = ? ORDER BY number');
    expect(numbers.map((row) => Number(row.number))).toEqual(numbers.map((_, at) => at + 1));
    await connection.end();
  });
});
