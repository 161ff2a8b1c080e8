import type { ChartView } from '@ivory-ladder/contract';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { createCompany, handIn } from '../support/trialBalance.ts';

let server: TestServer;
let killer: mysql.Connection;
beforeAll(async () => {
  server = await TestServer.start();
  killer = await mysql.createConnection(server.databaseUrl);
});
afterAll(async () => {
  await killer.end();
  await server.stop();
});

/** Every connection that the server has at this moment is ended by the database. */
async function cutAll(): Promise<number> {
  const [rows] = await killer.query('SELECT id FROM information_schema.processlist WHERE db = DATABASE() AND id <> CONNECTION_ID()');
  const ids = (rows as { id: number }[]).map(({ id }) => id);
  for (const id of ids) await killer.query(`KILL ${Number(id)}`).catch(() => undefined);
  return ids.length;
}

const wait = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

describe('connections that the database ends', () => {
  it('under a trial balance are said (503), leave nothing half, and the same request posts it once afterwards', async () => {
    const { id } = await createCompany(server);
    const path = `/companies/${id}`;
    const accounts = Array.from({ length: 1500 }, (_, at) => `${5000 + at},Cost ${at},expense,1`);
    const file = await handIn(server, id, ['Number,Name,Element,Balance', '1000,Bank,asset,-1500', ...accounts].join('\n'));
    const post = (key: string) =>
      server.call<{ code?: string }>(
        'POST',
        `${path}/trial-balance-files/${file}/posting`,
        { confirmElements: true, date: '2026-09-30' },
        { 'Idempotency-Key': key },
      );
    const seen = new Set<number>();
    // Some are cut while they read, some while they write.
    for (const delay of [0, 30, 80, 150, 250, 400, 600, 900]) {
      const answering = post('one');
      let isAnswered = false;
      void answering.then(() => {
        isAnswered = true;
      });
      // Again and again: whichever thread answers, and however long it takes to begin.
      do {
        await wait(delay);
        await cutAll();
      } while (!isAnswered);
      await wait(100);
      const { status, body } = await answering;
      seen.add(status);
      if (status >= 300) expect([status, ['database_lost', 'busy'].includes(body.code ?? '')]).toEqual([503, true]);
      const { accounts: there } = await server.ok<ChartView>('GET', `${path}/chart?from=2026-01-01&to=2026-09-30`);
      expect([0, 1501]).toContain(there.length);
    }
    expect(seen.has(503)).toBe(true);
    // Whoever is told 503 asks again: what was cut last may still be taken back.
    const again = async (): Promise<string> => {
      const { status, body } = await post('one');
      return status < 300 ? 'posted' : `${status} ${body.code}`;
    };
    await expect.poll(again, { timeout: 60_000, interval: 500 }).toBe('posted');
    const [rows] = await killer.query('SELECT COUNT(*) AS entries FROM journal_entry WHERE company_id = ?', [id]);
    expect((rows as { entries: number }[])[0]?.entries).toBe(1);
  });

  it('while ids are fetched end that request alone: the next one fetches them', async () => {
    const { id } = await createCompany(server);
    const file = await handIn(server, id, ['Number,Name,Element,Balance', '1000,Bank,asset,100', '3000,Capital,equity,-100'].join('\n'));
    await server.ok('POST', `/companies/${id}/trial-balance-files/${file}/posting`, { confirmElements: true, date: '2026-09-30' });
    const [account] = (await server.ok<ChartView>('GET', `/companies/${id}/chart?from=2026-01-01&to=2026-09-30`)).accounts;
    const note = () => server.call('POST', `/companies/${id}/accounts/${account?.id}/notes`, { content: 'Reconciled to the bank.' });
    // Nobody has noted anything at this server, so it has no ids of notes yet, and waits for the row that gives them.
    await killer.query('BEGIN');
    await killer.query("INSERT INTO counter (name, next_value) VALUES ('note', 1) ON DUPLICATE KEY UPDATE next_value = next_value");
    const answering = note();
    await expect
      .poll(
        async () =>
          (await killer.query<mysql.RowDataPacket[]>("SELECT id FROM information_schema.processlist WHERE info LIKE 'INSERT INTO counter%'"))[0].length,
      )
      .toBe(1);
    await cutAll();
    expect((await answering).status).toBe(503);
    await killer.query('ROLLBACK');
    expect((await note()).status).toBe(201);
  });

  it('sign nobody out', async () => {
    const { cookie } = server;
    for (let round = 0; round < 12; round++) {
      const answering = server.call('GET', '/companies');
      await cutAll();
      expect([200, 503]).toContain((await answering).status);
    }
    expect(server.cookie).toBe(cookie);
    expect((await server.call('GET', '/companies')).status).toBe(200);
  });
});
