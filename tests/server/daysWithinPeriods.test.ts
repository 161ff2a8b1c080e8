import type { TrialBalanceViewBody } from '@ivory-ladder/contract';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { seeded } from '../support/seeded.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
let second: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
  second = await TestServer.start({ databaseUrl: server.databaseUrl });
  second.cookie = server.cookie;
});
afterAll(async () => {
  await second.serving.stop();
  await server.stop();
});

describe('a span that begins and ends inside periods', () => {
  it('is what MariaDB sums up from the lines, on two servers that post in turn, also into days that were asked for before', async () => {
    const shop = await openShop(server);
    const database = await mysql.createConnection({ uri: server.databaseUrl, supportBigNumbers: true, bigNumberStrings: true });
    const accounts = await Promise.all(['1000', '6200', '6300'].map(async (number) => (await shop.find(number)).id));
    const random = seeded(7);
    const day = (from: number, days: number) => `2026-0${from}-${String(1 + random(days)).padStart(2, '0')}`;
    for (let round = 0; round < 30; round++) {
      const [from, to] = [day(7, 27), day(9, 29)];
      for (const asked of [server, second]) {
        const { accounts: rows } = await asked.ok<TrialBalanceViewBody>('GET', `${shop.path}/trial-balance?from=${from}&to=${to}`);
        const [sums] = await database.query(
          `SELECT account_id AS accountId, CAST(SUM(debit) AS CHAR) AS debit, CAST(SUM(credit) AS CHAR) AS credit FROM journal_line
            WHERE company_id = ? AND entry_date BETWEEN ? AND ? AND closing = 0 GROUP BY account_id ORDER BY account_id`,
          [shop.id, from, to],
        );
        const moved = rows.filter(({ debit, credit }) => debit !== '0' || credit !== '0').sort((a, b) => a.id - b.id);
        expect(moved.map(({ id, debit, credit }) => ({ accountId: id, debit, credit }))).toEqual(sums);
      }
      const amount = String(1 + random(9999));
      await (round % 2 === 0 ? server : second).ok('POST', `${shop.path}/entries`, {
        date: day(7 + random(3), 30),
        layer: random(3) === 0 ? 'adjustment' : 'ledger',
        lines: [
          { accountId: accounts[random(3)], debit: amount },
          { accountId: accounts[random(3)], credit: amount },
        ],
      });
    }
    await database.end();
  });
});
