import type { PostedEntryBody, TrialBalanceViewBody } from '@ivory-ladder/contract';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it, onTestFinished } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

describe('a posting that the database ends for a deadlock', () => {
  it('is repeated whole, and whoever posted hears nothing of it', async () => {
    const shop = await openShop(server);
    const [insurance, bank] = [(await shop.find('6200')).id, (await shop.find('1000')).id];
    const other = await mysql.createConnection(server.databaseUrl);
    const watch = await mysql.createConnection(server.databaseUrl);
    onTestFinished(() => {
      other.destroy();
      watch.destroy();
    });
    // It has changed more rows, so the database ends the posting and not this one. Its locks come in the wrong order: the company's row first.
    await other.beginTransaction();
    await other.query('INSERT INTO idempotency (company_id, request_key, request_hash, outcome, created_at) VALUES ?', [
      Array.from({ length: 300 }, (_, at) => [shop.id, `other ${at}`, Buffer.alloc(32), null, '2026-01-01']),
    ]);
    await other.query('SELECT revision FROM company WHERE id = ? FOR UPDATE', [shop.id]);
    const posting = server.ok<PostedEntryBody>('POST', `${shop.path}/entries`, {
      date: '2026-09-15',
      lines: [
        { accountId: insurance, debit: '700' },
        { accountId: bank, credit: '700' },
      ],
    });
    const [[{ id: otherId }]] = (await other.query('SELECT CONNECTION_ID() AS id')) as unknown as [[{ id: number }]];
    // What it reads is renewed only where nobody has read it for a tenth of a second. Who takes old keys away may wait as well, for those above.
    const waiting = async () => {
      const [rows] = await watch.query(
        "SELECT 1 FROM information_schema.INNODB_TRX AS trx JOIN information_schema.PROCESSLIST AS process ON process.id = trx.trx_mysql_thread_id WHERE trx.trx_state = 'LOCK WAIT' AND trx.trx_query LIKE 'UPDATE company%' AND process.db = DATABASE() AND process.id <> ?",
        [otherId],
      );
      return (rows as unknown[]).length;
    };
    await expect.poll(waiting, { interval: 200 }).toBe(1);
    // The posting holds this account and waits for the company: only without it can this go on.
    await other.query('UPDATE account SET version = version + 1 WHERE company_id = ? AND id = ?', [shop.id, insurance]);
    await other.query('DELETE FROM idempotency WHERE request_key LIKE ?', ['other %']);
    await other.commit();
    const { entryId } = await posting;
    expect(entryId).toBeGreaterThan(0);
    const { accounts } = await server.ok<TrialBalanceViewBody>('GET', `${shop.path}/trial-balance?from=2026-09-15&to=2026-09-15`);
    expect(accounts.filter(({ debit, credit }) => debit !== credit).map(({ number, debit, credit }) => [number, debit, credit])).toEqual([
      ['1000', '0', '700'],
      ['6200', '700', '0'],
    ]);
  });
});
