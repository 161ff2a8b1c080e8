import { request } from 'node:http';
import type { JournalImport, JournalLook, Problem } from '@ivory-ladder/contract';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ApiClient } from '../support/apiClient.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { handIn } from '../support/trialBalance.ts';

const [ofCompany, ofPerson] = [60, 40];
let server: TestServer;
let database: mysql.Connection;
beforeAll(async () => {
  server = await TestServer.start({ shareLimits: { ofCompany, ofPerson } });
  database = await mysql.createConnection(server.databaseUrl);
});
afterAll(async () => {
  await database.end();
  await server.stop();
});

const bytesOf = (text: string) => new TextEncoder().encode(text);
const linesOf = (count: number) =>
  ['Date,Document,Account,Debit,Credit', ...Array.from({ length: count }, (_, at) => [`2026-09-30,N${at},1000,1,`, `2026-09-30,N${at},4000,,1`]).flat()].join(
    '\n',
  );

async function open() {
  const shop = await openShop(server);
  const { reading, separator, encoding } = await server.ok<JournalLook>('POST', `${shop.path}/journal-looks`, bytesOf(linesOf(2)));
  const begin = (bytes: number) =>
    server.call<{ id: number } & Problem>('POST', `${shop.path}/journal-imports`, { name: 'lines.csv', bytes, separator, encoding, reading });
  const contentOf = (id: number) => `${shop.path}/journal-imports/${id}/content`;
  const find = (id: number) => server.ok<JournalImport>('GET', `${shop.path}/journal-imports/${id}`);
  const bankId = (await shop.find('1000')).id;
  return { ...shop, bankId, begin, contentOf, find };
}

/** Sends a body as slowly as it is told to. */
function slowly(path: string, length: number) {
  const headers = {
    Origin: server.url,
    'X-Ivory-Ladder': '1',
    Cookie: server.cookie,
    'Content-Type': 'application/octet-stream',
    'Content-Length': String(length),
  };
  const sending = request(`${server.url}/api${path}`, { method: 'POST', headers });
  const answered = new Promise<{ status: number; body: JournalImport & Problem }>((resolve, reject) => {
    sending.on('error', reject);
    sending.on('response', (response) => {
      let text = '';
      response.on('data', (chunk) => {
        text += chunk.toString();
      });
      response.on('end', () => resolve({ status: response.statusCode ?? 0, body: JSON.parse(text) as JournalImport & Problem }));
    });
  });
  return { sending, answered };
}

const count = async (sql: string, ...values: unknown[]) => Number(((await database.query(sql, values))[0] as { n: string }[])[0]?.n);
/** Transactions that somebody has open. */
const underWay = () =>
  count(
    'SELECT COUNT(*) AS n FROM information_schema.INNODB_TRX AS trx JOIN information_schema.processlist AS list ON list.id = trx.trx_mysql_thread_id WHERE list.db = DATABASE()',
  );
const connections = () => count('SELECT COUNT(*) AS n FROM information_schema.processlist WHERE db = DATABASE()');

describe('a file of journal lines', () => {
  it('that comes slowly, with pauses, holds no connection to the database and keeps nobody from theirs', async () => {
    const books = await open();
    const content = bytesOf(linesOf(50));
    const before = await connections();
    const slow: (ReturnType<typeof slowly> & { id: number })[] = [];
    for (let at = 0; at < 4; at++) {
      const { body } = await books.begin(content.length);
      const sender = slowly(books.contentOf(body.id), content.length);
      sender.sending.write(content.subarray(0, 100));
      slow.push({ ...sender, id: body.id });
    }
    await expect.poll(async () => (await books.find(slow[3]?.id ?? 0)).bytesReceived).toBe(100);
    // One for each would be four more; what the server does by itself beside them takes one or two at times.
    expect(await connections()).toBeLessThan(before + slow.length);
    expect(await underWay()).toBe(0);
    // Four of one person are under way: somebody else is not kept waiting by them.
    const { client } = await joinCompany(server, books.id, { email: 'quick@example.org', role: 'preparer' });
    expect((await client.call('POST', `${books.path}/journal-looks`, content)).status).toBe(200);
    for (const { sending } of slow) sending.end(content.subarray(100));
    for (const { answered } of slow) expect(await answered).toMatchObject({ status: 200, body: { state: 'ready', bytesReceived: content.length } });
  });

  it('longer or shorter than was said is refused, and nothing of it stays', async () => {
    const books = await open();
    const content = bytesOf(linesOf(2000));
    for (const said of [content.length - 1, content.length + 1]) {
      const { body } = await books.begin(said);
      expect(await server.refused('POST', books.contentOf(body.id), content)).toMatchObject({ status: 422, code: 'file_incomplete' });
      expect((await books.find(body.id)).state).toBe('cancelled');
      expect(await count('SELECT COUNT(*) AS n FROM staged_line WHERE import_id = ?', body.id)).toBe(0);
      expect(await server.refused('POST', books.contentOf(body.id), content)).toMatchObject({ status: 409, code: 'journal_not_ready' });
    }
  });

  it('is one of eight at once that are read in turn', async () => {
    const books = await open();
    const content = bytesOf(linesOf(3000));
    const begun = await Promise.all(Array.from({ length: 8 }, () => books.begin(content.length)));
    const read = await Promise.all(begun.map(({ body }) => server.ok<JournalImport>('POST', books.contentOf(body.id), content)));
    expect(read.map(({ state, rows }) => [state, rows])).toEqual(read.map(() => ['ready', 6001]));
  });
});

describe('what is handed in', () => {
  const mega = 1 << 20;
  const attach = (path: string, client: ApiClient = server) =>
    client.call<{ code: string; facts?: { of: string } }>('POST', `${path}?name=scan.txt`, new Uint8Array(10 * mega).fill(65));

  it('takes no more of the disk than a person’s share of a day, and a company’s in all', async () => {
    const books = await open();
    const account = `${books.path}/accounts/${books.bankId}/attachments`;
    const answers = [];
    for (let at = 0; at < 4; at++) answers.push(await attach(account));
    // The largest that one may be is counted until all of it is there: 10 + 10 + 25 of 40.
    expect(answers.map(({ status, body }) => [status, body.code, body.facts?.of])).toEqual([
      [201, undefined, undefined],
      [201, undefined, undefined],
      [507, 'share_of_disk_full', 'person'],
      [507, 'share_of_disk_full', 'person'],
    ]);
    expect((await books.begin(30 * mega)).body).toMatchObject({ code: 'share_of_disk_full', facts: { of: 'person', megabytes: ofPerson } });
    const { client } = await joinCompany(server, books.id, { email: 'scanning@example.org', role: 'preparer' });
    const others = [await attach(account, client), await attach(account, client)];
    expect(others.map(({ status }) => status)).toEqual([201, 201]);
    const third = await joinCompany(server, books.id, { email: 'third@example.org', role: 'preparer' });
    expect(await attach(account, third.client)).toMatchObject({ status: 507, body: { facts: { of: 'company', megabytes: ofCompany } } });
    // A day later a person has a share again; the company keeps what it keeps.
    await database.query('UPDATE attachment SET added_at = added_at - INTERVAL 2 DAY');
    expect(await attach(account, client)).toMatchObject({ status: 507, body: { facts: { of: 'company' } } });
    expect((await books.begin(10 * mega)).status).toBe(201);
  });

  it('and never posted is gone after a day, while the server runs; what was posted from stays', async () => {
    const books = await open();
    await database.query('UPDATE attachment SET added_at = added_at - INTERVAL 2 DAY');
    await database.query("UPDATE journal_import SET begun_at = begun_at - INTERVAL 2 DAY, state = 'cancelled' WHERE state = 'begun'");
    const content = bytesOf(linesOf(10));
    const begun = (await books.begin(content.length)).body.id;
    expect((await server.ok<JournalImport>('POST', books.contentOf(begun), content)).state).toBe('ready');
    const unposted = await handIn(server, books.id, 'Number,Name,Balance\n1000,Bank,0');
    const files = () => count('SELECT COUNT(*) AS n FROM imported_file WHERE company_id = ?', books.id);
    const parts = () => count('SELECT COUNT(*) AS n FROM imported_file_part WHERE company_id = ?', books.id);
    const staged = () => count('SELECT COUNT(*) AS n FROM staged_line WHERE import_id = ?', begun);
    expect([await files(), await staged()]).toEqual([2, 20]);
    const tidy = (occurrence: string) =>
      database.query(
        "INSERT INTO job (kind, occurrence, payload, state, due, made_at) VALUES ('tidy', ?, 'null', 'waits', UTC_TIMESTAMP(6), UTC_TIMESTAMP(6))",
        [occurrence],
      );
    const isDone = (occurrence: string) => count("SELECT COUNT(*) AS n FROM job WHERE occurrence = ? AND state = 'done'", occurrence);
    await tidy('today');
    await expect.poll(() => isDone('today')).toBe(1);
    expect([await files(), await staged()]).toEqual([2, 20]);
    await database.query('UPDATE imported_file SET uploaded_at = uploaded_at - INTERVAL 2 DAY');
    await database.query('UPDATE journal_import SET begun_at = begun_at - INTERVAL 2 DAY');
    await tidy('tomorrow');
    await expect.poll(() => isDone('tomorrow')).toBe(1);
    expect([await files(), await parts(), await staged()]).toEqual([1, 1, 0]);
    expect(await server.refused('POST', `${books.path}/trial-balance-files/${unposted}/rehearsal`, { date: '2026-09-30' })).toMatchObject({ status: 404 });
  });
});
