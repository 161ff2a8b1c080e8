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

  it('is the same when it is asked for first and once its days are kept, for one day of a period and for many', async () => {
    const shop = await openShop(server);
    const [bank, cost] = [(await shop.find('1000')).id, (await shop.find('6200')).id];
    const post = (date: string, amount: string) =>
      server.ok('POST', `${shop.path}/entries`, {
        date,
        lines: [
          { accountId: cost, debit: amount },
          { accountId: bank, credit: amount },
        ],
      });
    for (let at = 1; at <= 28; at++) await post(`2026-08-${String(at).padStart(2, '0')}`, String(at));
    const until = async (day: number) => {
      const to = `2026-08-${String(day).padStart(2, '0')}`;
      const { accounts: rows } = await server.ok<TrialBalanceViewBody>('GET', `${shop.path}/trial-balance?from=2026-08-01&to=${to}`);
      return rows.find(({ id }) => id === cost)?.debit;
    };
    const expected = Array.from({ length: 28 }, (_, at) => String(((at + 1) * (at + 2)) / 2));
    const asked = async () => {
      const found = [];
      for (let day = 1; day <= 28; day++) found.push(await until(day));
      return found;
    };
    expect(await asked()).toEqual(expected);
    await new Promise((resolve) => setTimeout(resolve, 600));
    expect(await asked()).toEqual(expected);
    await post('2026-08-10', '1000');
    expect(await asked()).toEqual(expected.map((sum, at) => (at < 9 ? sum : String(Number(sum) + 1000))));
    // Another structure: nothing that was kept counts any more.
    await shop.add({ number: '6400', name: 'Fees' });
    expect(await until(28)).toBe(String(Number(expected[27]) + 1000));
  });
});
