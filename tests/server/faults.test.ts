import type { Company, PostingBody, TrialBalanceViewBody } from '@ivory-ladder/contract';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createSchema, TestServer } from '../support/server.ts';
import { ServerProcess } from '../support/serverProcess.ts';

let schema: Awaited<ReturnType<typeof createSchema>>;
let connection: mysql.Connection;
const servers: ServerProcess[] = [];

async function prepare(databaseUrl: string, environment: Record<string, string>): Promise<ServerProcess> {
  const server = await ServerProcess.prepare(databaseUrl, environment);
  servers.push(server);
  return server;
}

beforeAll(async () => {
  schema = await createSchema();
  connection = await mysql.createConnection({ uri: schema.url, supportBigNumbers: true, bigNumberStrings: true });
});
afterAll(async () => {
  await Promise.all(servers.map((server) => server.end('SIGTERM')));
  await connection.end();
  await schema.drop();
});

async function rows<Row>(sql: string, parameters: unknown[] = []): Promise<Row[]> {
  const [found] = await connection.query(sql, parameters);
  return found as Row[];
}

/** Balances that differ from the sums of their lines, in either direction. */
const differingBalances = `
  SELECT account_id, period, SUM(debit) AS debit, SUM(credit) AS credit FROM (
    SELECT account_id, year, period, layer, origin, debit, credit FROM balance WHERE company_id = ?
    UNION ALL
    SELECT line.account_id, entry.year, entry.period, line.layer, IF(line.closing = 1, 'closing', IF(entry.trial_balance_id IS NULL, 'ordinary', 'trial_balance')), -line.debit, -line.credit
      FROM journal_line AS line JOIN journal_entry AS entry ON entry.company_id = line.company_id AND entry.id = line.entry_id WHERE line.company_id = ?
  ) AS both_sides GROUP BY account_id, year, period, layer, origin HAVING SUM(debit) <> 0 OR SUM(credit) <> 0`;

/** Waits until a posting has written rows and not committed them, or is answered. The table is made anew only when nobody has read it for 0.1 seconds. */
async function untilWritten(answered: Promise<unknown>): Promise<boolean> {
  let isAnswered = false;
  void answered.then(() => {
    isAnswered = true;
  });
  while (!isAnswered) {
    const open = await rows(
      `SELECT trx.trx_id FROM information_schema.INNODB_TRX AS trx JOIN information_schema.PROCESSLIST AS list ON list.ID = trx.trx_mysql_thread_id
        WHERE list.DB = DATABASE() AND trx.trx_rows_modified > 0`,
    );
    if (open.length > 0) return true;
    await new Promise((resolve) => setTimeout(resolve, 110));
  }
  return false;
}

describe('a server killed while it brings in a trial balance', () => {
  it('leaves nothing of it, or all; the same request then posts it, and once only', async () => {
    const server = await prepare(schema.url, { IVORY_LADDER_DEMO: '0' });
    await server.start();
    const company = await server.ok<Company>('POST', '/companies', { name: 'Killed importing', currency: 'EUR', fiscalYearFirstMonth: 1 });
    const files = `/companies/${company.id}/trial-balance-files`;
    const count = async (table: string) => {
      const [found] = await rows<{ count: string }>(`SELECT COUNT(*) AS count FROM ${table} WHERE company_id = ?`, [company.id]);
      return Number(found?.count);
    };
    let killedInside = 0;
    for (const month of [1, 2, 3]) {
      const list = Array.from({ length: 3000 }, (_, at) => `${month}${10_000 + at},Account ${at},asset,Group ${at % 50},${at % 2 === 0 ? month : -month}`);
      const { fileId } = await server.ok<{ fileId: number }>(
        'POST',
        `${files}?name=tb-${month}.csv`,
        `Number,Name,Element,Category,Balance\n${list.join('\n')}`,
      );
      const before = [await count('account'), await count('journal_entry'), await count('journal_line')];
      const post = () =>
        server.call<PostingBody>(
          'POST',
          `${files}/${fileId}/posting`,
          { date: `2026-0${month}-28`, missing: 'left_alone' },
          { 'Idempotency-Key': `import-${month}` },
        );
      const unanswered = post();
      if (await untilWritten(unanswered)) killedInside++;
      await server.end('SIGKILL');
      await unanswered;
      await server.start();
      const after = [await count('account'), await count('journal_entry'), await count('journal_line')];
      expect([before, before.map((value, at) => value + ([3000, 1, 3000][at] ?? 0))]).toContainEqual(after);
      const [again, onceMore] = [await post(), await post()];
      expect([again?.status, again?.body.entries.length, again?.body.newAccounts]).toEqual([200, 1, 3000]);
      expect(onceMore?.body).toEqual(again?.body);
      expect([await count('account'), await count('journal_entry'), await count('journal_line')]).toEqual([month * 3000, month, month * 3000]);
    }
    expect(killedInside).toBeGreaterThanOrEqual(2);
    expect(await rows(differingBalances, [company.id, company.id])).toEqual([]);
  });
});

describe('a demo whose loading is broken off', () => {
  it('goes on where it stopped, and is the same as one loaded at once', async () => {
    const broken = await createSchema();
    const whole = await TestServer.start({ demo: true });
    const watch = await mysql.createConnection(broken.url);
    const entriesSoFar = async (): Promise<number> => {
      const [found] = await watch.query('SELECT COUNT(*) AS count FROM journal_entry').catch(() => [[{ count: 0 }]]);
      return Number((found as { count: number }[])[0]?.count);
    };
    const first = await prepare(broken.url, { IVORY_LADDER_DEMO: '1' });
    // In the ferry company, then in the boatyard.
    for (const entries of [1, 400, 3_100]) {
      first.launch();
      while ((await entriesSoFar()) < entries) await new Promise((resolve) => setTimeout(resolve, 5));
      await first.end('SIGKILL');
    }
    expect(await entriesSoFar()).toBeLessThan(4_000);
    await first.start();
    const ledger = async (server: ServerProcess | TestServer) => {
      const { companies } = await server.ok<{ companies: { id: number; name: string }[] }>('GET', '/companies');
      const told = [];
      for (const { id, name } of companies) {
        const { revision, accounts } = await server.ok<TrialBalanceViewBody>('GET', `/companies/${id}/trial-balance?from=2026-01-01&to=2026-09-30`);
        told.push({ name, revision, accounts: accounts.map(({ number, closing }) => `${number} ${closing}`) });
      }
      return told;
    };
    const [resumed, loaded] = [await ledger(first), await ledger(whole)];
    expect(resumed).toEqual(loaded);
    // The opening, and 33 months of each.
    expect(resumed.map(({ name, revision }) => [name, revision])).toEqual([
      ['Eiderholm Boatyard', 34],
      ['Eiderholm Ferry Company', 34],
      ['Nordskerry Freight', 34],
    ]);
    await Promise.all([first.end('SIGTERM'), whole.stop(), watch.end()]);
    await broken.drop();
  });
});
