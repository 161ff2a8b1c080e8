import type { AccountLines, EvidenceBody, PlacementView, ProofList, TrialBalanceViewBody } from '@ivory-ladder/contract';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ApiClient } from '../support/apiClient.ts';
import { TestServer } from '../support/server.ts';
import { bringIn, createCompany, figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
});
afterAll(() => server.stop());

async function query<Row>(sql: string, parameters: unknown[] = []): Promise<Row[]> {
  const connection = await mysql.createConnection({ uri: server.databaseUrl, supportBigNumbers: true, bigNumberStrings: true, dateStrings: true });
  const [rows] = await connection.query(sql, parameters);
  await connection.end();
  return rows as Row[];
}

const demoId = () => server.companyId();
/** Any spans, also inside periods; the seed of a small generator is printed with a failure. */
const spans = [
  ['2024-01-01', '2024-12-31'],
  ['2025-03-15', '2025-11-02'],
  ['2026-01-01', '2026-09-30'],
  ['2026-07-14', '2026-07-14'],
  ['2024-06-10', '2026-02-20'],
] as const;

describe("MariaDB's own GROUP BY … WITH ROLLUP over raw lines", () => {
  it.each(spans)('gives the totals of the trial balance from %s to %s', async (from, to) => {
    const id = await demoId();
    const rolled = await query<{ element: string | null; account: number | null; debit: string; credit: string }>(
      `SELECT account.element, line.account_id AS account, SUM(line.debit) AS debit, SUM(line.credit) AS credit
         FROM journal_line AS line JOIN account ON account.company_id = line.company_id AND account.id = line.account_id
        WHERE line.company_id = ? AND line.entry_date BETWEEN ? AND ? GROUP BY account.element, line.account_id WITH ROLLUP`,
      [id, from, to],
    );
    const { accounts } = await server.ok<TrialBalanceViewBody>('GET', `/companies/${id}/trial-balance?from=${from}&to=${to}`);
    const sum = (key: 'debit' | 'credit', element?: string) =>
      accounts.filter((account) => element === undefined || account.element === element).reduce((total, account) => total + BigInt(account[key]), 0n);
    expect(rolled.length).toBeGreaterThan(10);
    for (const { element, account, debit, credit } of rolled) {
      const own = accounts.find((one) => one.id === account);
      const [ours, theirs] =
        account === null
          ? [
              [sum('debit', element ?? undefined), sum('credit', element ?? undefined)],
              [BigInt(debit), BigInt(credit)],
            ]
          : [
              [BigInt(own?.debit ?? 0), BigInt(own?.credit ?? 0)],
              [BigInt(debit), BigInt(credit)],
            ];
      expect(ours, `${element} ${account}`).toEqual(theirs);
    }
    expect(
      accounts.every(({ opening, debit, credit, carried, closing }) => BigInt(opening) + BigInt(debit) - BigInt(credit) + BigInt(carried) === BigInt(closing)),
    ).toBe(true);
  });

  it('gives the balances table, rebuilt from the lines', async () => {
    const lines =
      'SELECT line.company_id, line.layer, IF(line.closing = 1, "closing", IF(entry.trial_balance_id IS NULL, "ordinary", "trial_balance")) AS origin, line.account_id, entry.year, IF(line.closing = 1, 12, entry.period) AS period, SUM(line.debit) AS debit, SUM(line.credit) AS credit FROM journal_line AS line JOIN journal_entry AS entry ON entry.company_id = line.company_id AND entry.id = line.entry_id GROUP BY 1, 2, 3, 4, 5, 6';
    const balances = 'SELECT company_id, layer, origin, account_id, year, period, debit, credit FROM balance';
    expect(await query(`(${lines}) EXCEPT (${balances})`)).toEqual([]);
    expect(await query(`(${balances}) EXCEPT (${lines})`)).toEqual([]);
  });

  it('gives the profit of each span that the income statement ends in, but for the two unplaced accounts', async () => {
    const id = await demoId();
    for (const [from, to] of spans) {
      const [row] = await query<{ profit: string }>(
        `SELECT SUM(line.credit - line.debit) AS profit FROM journal_line AS line JOIN account ON account.company_id = line.company_id AND account.id = line.account_id
          WHERE line.company_id = ? AND line.entry_date BETWEEN ? AND ? AND account.element IN ('income', 'expense') AND account.number NOT IN ('4460', '5340')`,
        [id, from, to],
      );
      expect(figures(await statement(server, id, 'income-statement', from, to, '&compare=none')).at(-1)?.[1], from).toBe(Number(row?.profit));
    }
  });
});

describe('the demo company', () => {
  it('has its deliberate flaws and no others, and the product catches each', async () => {
    const id = await demoId();
    const found = async () => {
      const { proofs } = await server.ok<ProofList>('GET', `/companies/${id}/proofs?from=2026-01-01&to=2026-09-30`);
      return Object.fromEntries(proofs.map(({ name, state, difference, accounts }) => [name, [state, difference, accounts.map(({ number }) => number)]]));
    };
    // The pass over all lines is told once it is through.
    await expect.poll(found).toEqual({
      trial_balance: ['holds', '0', []],
      cash_ties: ['holds', '0', []],
      equity_ties: ['holds', '0', []],
      assets_equal_claims: ['holds', '0', []],
      profit_in_equity: ['fails', '72000', ['4460', '5340']],
      coverage: ['to_look_at', '124000', ['4460', '5340']],
      codes_complete: ['to_look_at', '124000', ['4460', '5340']],
      layouts_complete: ['holds', '0', []],
      natures_said: ['holds', '0', []],
      parents_without_postings: ['to_look_at', '41200', ['6200']],
      normal_sides: ['to_look_at', '3187705', ['1020']],
      profit_allotted: ['holds', '0', []],
      balances_from_lines: ['holds', '0', []],
    });
  });

  it('marks the balance that is against its normal side in the trial balance too, and no other', async () => {
    const { accounts } = await server.ok<TrialBalanceViewBody>('GET', `/companies/${await demoId()}/trial-balance?from=2026-01-01&to=2026-09-30`);
    expect(accounts.filter(({ isAgainst }) => isAgainst).map(({ number }) => number)).toEqual(['1020']);
  });

  it('has a season: July is about six times February', async () => {
    const id = await demoId();
    const fares = async (from: string, to: string) =>
      Number(figures(await statement(server, id, 'income-statement', from, to, '&compare=none')).find(([caption]) => caption === 'Vehicles')?.[1]);
    const ratio = (await fares('2025-07-01', '2025-07-31')) / (await fares('2025-02-01', '2025-02-28'));
    expect(ratio).toBeGreaterThan(5);
    expect(ratio).toBeLessThan(7);
  });

  it('proves at every month end of its three years but for the flaws of its last months', async () => {
    const id = await demoId();
    for (const day of ['2024-02-29', '2024-12-31', '2025-06-30', '2025-12-31', '2026-05-31']) {
      const { proofs } = await server.ok<ProofList>('GET', `/companies/${id}/proofs?from=${day.slice(0, 4)}-01-01&to=${day}`);
      expect(
        proofs.filter(({ state }) => state === 'fails'),
        day,
      ).toEqual([]);
    }
  });
});

describe('evidence', () => {
  it('opens an amount to accounts that add up to it, down to an entry', async () => {
    const id = await demoId();
    const shown = await statement(server, id, 'balance-sheet', '2026-01-01', '2026-09-30');
    for (const row of shown.rows.filter(({ role }) => role !== 'heading')) {
      const evidence = await server.ok<EvidenceBody>(
        'GET',
        `/companies/${id}/statements/balance-sheet/evidence?from=2026-01-01&to=2026-09-30&line=${row.lineKey}`,
      );
      const sum = [...evidence.accounts, ...evidence.carried].reduce((total, { net }) => total + BigInt(net), 0n);
      const amount = BigInt(evidence.amount ?? '');
      expect([evidence.amount, sum === amount || -sum === amount], row.caption).toEqual([row.values[0], true]);
      expect(evidence.climb.at(-1)?.key).toBe(row.lineKey);
    }
  });

  it("an account's lines page through without loss, by date and by size", async () => {
    const id = await demoId();
    const { accounts } = await server.ok<PlacementView>('GET', `/companies/${id}/placement?from=2026-01-01&to=2026-09-30`);
    const bank = accounts.find(({ number }) => number === '1000')?.id;
    for (const sort of ['date', 'size']) {
      const seen: string[] = [];
      let after = '';
      let total = 0;
      do {
        const page: AccountLines = await server.ok('GET', `/companies/${id}/lines?account=${bank}&sort=${sort}&limit=37${after && `&after=${after}`}`);
        seen.push(...page.lines.map(({ entryId }) => String(entryId)));
        total = page.total;
        after = page.next ?? '';
      } while (after !== '');
      expect([seen.length, new Set(seen).size]).toEqual([total, total]);
    }
  });

  it.each([
    ['1000', ''],
    ['4010', 'PARTITION BY YEAR(entry_date)'],
  ])('the running balance of %s is that of the database’s own window function, page by page', async (number, partition) => {
    const id = await demoId();
    const { accounts } = await server.ok<PlacementView>('GET', `/companies/${id}/placement?from=2026-01-01&to=2026-09-30`);
    const account = accounts.find((one) => one.number === number)?.id;
    const expected = (await server.serving.database.query(
      `SELECT entry_id AS entryId, SUM(debit - credit) OVER (${partition} ORDER BY entry_date, entry_id, line_number) AS balance
         FROM journal_line WHERE company_id = ? AND account_id = ? AND closing = 0 ORDER BY entry_date DESC, entry_id DESC, line_number DESC`,
      [id, account],
    )) as { entryId: string; balance: string }[];
    const seen: [number, string | null][] = [];
    for (let after: string | null = ''; after !== null; ) {
      const page: AccountLines = await server.ok('GET', `/companies/${id}/lines?account=${account}&limit=7${after && `&after=${after}`}`);
      seen.push(...page.lines.filter(({ closesYear }) => closesYear === null).map(({ entryId, balance }): [number, string | null] => [entryId, balance]));
      after = page.next;
    }
    expect(seen).toEqual(expected.map(({ entryId, balance }) => [Number(entryId), balance]));
    expect(seen.length).toBeGreaterThan(20);
  });
});

describe('posting entries', () => {
  it('refuses what does not balance, an empty line, a parent, a day without a year; the year can be made', async () => {
    const { id } = await createCompany(server);
    await bringIn(server, id, 'Number,Name,Element,Parent,Balance\n1,Bank,asset,,0\n11,Till,asset,1,5\n3,Capital,equity,,-5', { date: '2026-01-31' });
    const { accounts } = await server.ok<PlacementView>('GET', `/companies/${id}/placement?from=2026-01-01&to=2026-01-31`);
    const [bank, till, capital] = ['1', '11', '3'].map((number) => accounts.find((account) => account.number === number)?.id);
    const post = (date: string, lines: object[]) => server.refused('POST', `/companies/${id}/entries`, { date, lines });
    expect(
      await post('2026-02-01', [
        { accountId: till, debit: '5' },
        { accountId: capital, credit: '4' },
      ]),
    ).toMatchObject({ code: 'entry_out_of_balance', facts: { difference: '1' } });
    expect(await post('2026-02-01', [{ accountId: till, debit: '5' }, { accountId: capital }])).toMatchObject({
      code: 'line_amount_invalid',
      facts: { line: 2 },
    });
    expect(
      await post('2026-02-01', [
        { accountId: bank, debit: '5' },
        { accountId: capital, credit: '5' },
      ]),
    ).toMatchObject({ code: 'account_takes_no_postings', facts: { number: '1', reason: 'parent' } });
    expect(
      await post('2027-02-01', [
        { accountId: till, debit: '5' },
        { accountId: capital, credit: '5' },
      ]),
    ).toMatchObject({ code: 'day_outside_calendar', facts: { year: '2027' } });
    expect(
      await post('2199-02-01', [
        { accountId: till, debit: '5' },
        { accountId: capital, credit: '5' },
      ]),
    ).toMatchObject({ code: 'day_out_of_reach' });
    await server.ok('POST', `/companies/${id}/years`, { day: '2027-02-01' });
    await server.ok('POST', `/companies/${id}/entries`, {
      date: '2027-02-01',
      lines: [
        { accountId: till, debit: '5' },
        { accountId: capital, credit: '5' },
      ],
    });
    expect(await server.ok('GET', `/companies/${id}`)).toMatchObject({ revision: 2, lastEntryDay: '2027-02-01' });
  });

  it('a locked period takes none', async () => {
    const { id } = await createCompany(server);
    await bringIn(server, id, 'Number,Name,Element,Balance\n1,Bank,asset,5\n3,Capital,equity,-5', { date: '2026-01-31' });
    await query('UPDATE fiscal_period SET locked_at = UTC_TIMESTAMP() WHERE company_id = ? AND number = 1', [id]);
    const { accounts } = await server.ok<PlacementView>('GET', `/companies/${id}/placement?from=2026-01-01&to=2026-01-31`);
    const lines = [
      { accountId: accounts[0]?.id, debit: '5' },
      { accountId: accounts[1]?.id, credit: '5' },
    ];
    expect(await server.refused('POST', `/companies/${id}/entries`, { date: '2026-01-15', lines })).toMatchObject({ status: 409, code: 'period_locked' });
  });

  it('eight clients on the same accounts lose nothing, number without gaps and see no deadlock', async () => {
    const { id } = await createCompany(server);
    const accountLines = Array.from({ length: 10 }, (_, at) => `${10 + at},Account ${at},asset,0`);
    await bringIn(server, id, `Number,Name,Element,Balance\n${accountLines.join('\n')}\n3,Capital,equity,0`, { date: '2026-01-31' });
    const { accounts } = await server.ok<PlacementView>('GET', `/companies/${id}/placement?from=2026-01-01&to=2026-01-31`);
    const ids = accounts.map((account) => account.id);
    const shuffled = (client: number, round: number) =>
      ids.map((accountId, at) => ({ accountId, order: (at * 7 + client * 3 + round * 5) % 11 })).sort((a, b) => a.order - b.order);
    const clients = Array.from({ length: 8 }, async (_, client) => {
      for (let round = 0; round < 12; round++) {
        const lines = shuffled(client, round)
          .slice(0, 10)
          .map(({ accountId }, at) => (at < 5 ? { accountId, debit: String(at + 1) } : { accountId, credit: String(at - 4) }));
        await server.ok('POST', `/companies/${id}/entries`, { date: `2026-0${1 + (round % 9)}-15`, lines });
      }
    });
    await Promise.all(clients);
    const numbers = await query<{ number: string }>(
      'SELECT CAST(document_number AS UNSIGNED) AS number FROM journal_entry WHERE company_id = ? ORDER BY number',
      [id],
    );
    expect(numbers.map(({ number }) => Number(number))).toEqual(Array.from({ length: 96 }, (_, at) => at + 1));
    const view = await server.ok<TrialBalanceViewBody>('GET', `/companies/${id}/trial-balance?from=2026-01-01&to=2026-12-31`);
    expect(view.revision).toBe(1 + 96);
    expect(view.accounts.reduce((sum, { debit }) => sum + BigInt(debit), 0n)).toBe(96n * 15n);
  });
});

describe('two servers on one database', () => {
  it('a second one starts beside the first and sees a posting in its next answer', async () => {
    const other = await TestServer.start({ databaseUrl: server.databaseUrl });
    try {
      const { id } = await createCompany(server);
      await bringIn(server, id, 'Number,Name,Element,Category,Balance\n1,Bank,asset,Cash,5\n3,Capital,equity,Capital,-5', { date: '2026-01-31' });
      // A session is known to both: it stands in the database.
      const there = new ApiClient(other.url, server.cookie);
      const total = async (which: ApiClient) =>
        figures(await statement(which, id, 'balance-sheet', '2026-01-01', '2026-01-31', '&compare=none')).find(([caption]) => caption === 'Total assets')?.[1];
      expect([await total(server), await total(there)]).toEqual([500, 500]);
      await bringIn(there, id, 'Number,Name,Element,Category,Balance\n1,Bank,asset,Cash,8\n3,Capital,equity,Capital,-8', { date: '2026-01-31' });
      expect([await total(server), await total(there)]).toEqual([800, 800]);
    } finally {
      await other.stop();
    }
  });
});
