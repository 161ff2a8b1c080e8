import type { EvidenceBody, StatementBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

/** Balances at the end of September, sales in October and November. */
async function open() {
  const shop = await openShop(server);
  const [bank, sales] = [await shop.find('1000'), await shop.find('4000')];
  for (const [date, amount] of [
    ['2026-10-09', '5000'],
    ['2026-10-31', '700'],
    ['2026-11-15', '9000'],
  ])
    await server.ok('POST', `${shop.path}/entries`, {
      date,
      description: 'Cash sale',
      lines: [
        { accountId: bank.id, debit: amount, credit: '0' },
        { accountId: sales.id, debit: '0', credit: amount },
      ],
    });
  const run = (kind: 'income-statement' | 'balance-sheet', more: string, from = '2026-08-01', to = '2026-11-20') =>
    statement(server, shop.id, kind, from, to, more);
  return { ...shop, sales, run };
}

const valuesOf = (body: StatementBody, caption: string) =>
  figures(body)
    .find(([own]) => own === caption)
    ?.slice(1);

describe('a statement part by part', () => {
  it('has the movement of each period and of the whole, each as it is when it is asked for alone', async () => {
    const shop = await open();
    const months = await shop.run('income-statement', '&plan=periods');
    expect(months.columns.map((column) => column.kind === 'amount' && [column.measure, column.firstDay, column.lastDay])).toEqual([
      ['movement', '2026-08-01', '2026-08-31'],
      ['movement', '2026-09-01', '2026-09-30'],
      ['movement', '2026-10-01', '2026-10-31'],
      ['movement', '2026-11-01', '2026-11-20'],
      ['movement', '2026-08-01', '2026-11-20'],
    ]);
    expect(valuesOf(months, 'Revenue')).toEqual([0, 60000, 5700, 9000, 74700]);
    for (const [at, column] of months.columns.entries()) {
      if (column.kind !== 'amount') throw new Error('no amounts');
      const alone = await shop.run('income-statement', '&compare=none', column.firstDay, column.lastDay);
      expect(valuesOf(months, 'Profit for the period')?.[at], column.lastDay).toBe(valuesOf(alone, 'Profit for the period')?.[0]);
    }
    expect(valuesOf(await shop.run('income-statement', '&plan=quarters'), 'Profit for the period')).toEqual([20000, 14700, 34700]);
  });

  it('has the balances at the end of each period, and they are in balance', async () => {
    const shop = await open();
    const body = await shop.run('balance-sheet', '&plan=periods');
    expect(valuesOf(body, 'Total assets')).toEqual([0, 90000, 95700, 104700]);
    expect(valuesOf(body, 'Total liabilities and equity')).toEqual(valuesOf(body, 'Total assets'));
  });

  it('opens each figure to what it is made of, and says so where there are more columns than fit', async () => {
    const shop = await open();
    const evidence = await server.ok<EvidenceBody>(
      'GET',
      `${shop.path}/statements/income-statement/evidence?from=2026-08-01&to=2026-11-20&plan=periods&column=2&line=profit`,
    );
    expect(evidence).toMatchObject({ firstDay: '2026-10-01', lastDay: '2026-10-31', amount: '5700' });
    expect(evidence.accounts.map(({ number, net }) => [number, net])).toEqual([['4000', '-5700']]);
    expect(await server.refused('GET', `${shop.path}/statements/income-statement?from=2000-01-01&to=2026-12-31&plan=periods`)).toMatchObject({
      code: 'columns_too_many',
      facts: { columns: 325, most: 60 },
    });
  });

  it('stands beside a budget of its year, over whole periods, and says why where it cannot', async () => {
    const shop = await open();
    const { id } = await server.ok<{ id: number }>('POST', `${shop.path}/budgets`, { year: 2026, name: 'Original' });
    await server.ok('PUT', `${shop.path}/budgets/${id}/cells`, {
      part: '',
      cells: [9, 10, 11].map((period) => ({ accountId: shop.sales.id, period, was: '0', amount: String(-1000 * period) })),
    });
    const beside = `&plan=budget&budget=${id}`;
    const body = await shop.run('income-statement', beside, '2026-10-01', '2026-11-30');
    expect(body.columns.map((column) => (column.kind === 'amount' ? column.budget : column.kind))).toEqual([null, 'Original', 'change', 'percent']);
    expect(valuesOf(body, 'Revenue')).toEqual([14700, 21000, -6300, -300]);
    expect(valuesOf(body, 'Profit for the period')).toEqual([14700, 21000, -6300, -300]);
    const evidence = await server.ok<EvidenceBody>(
      'GET',
      `${shop.path}/statements/income-statement/evidence?from=2026-10-01&to=2026-11-30${beside}&column=1&line=profit&account=${shop.sales.id}`,
    );
    expect(evidence).toMatchObject({ budget: 'Original', amount: '21000', entryCount: 0 });
    const refused = (kind: string, more: string) => server.refused('GET', `${shop.path}/statements/${kind}?${more}${beside}`);
    expect(await refused('income-statement', 'from=2026-10-01&to=2026-11-20')).toMatchObject({
      code: 'budget_needs_whole_periods',
      facts: { name: 'Original' },
    });
    expect(await refused('income-statement', 'from=2025-10-01&to=2026-10-31')).toMatchObject({ code: 'budget_of_other_year', facts: { year: '2026' } });
    expect(await refused('cash-flow', 'from=2026-10-01&to=2026-11-30')).toMatchObject({ code: 'budget_without_flows' });
    // Balances: what was posted before the year, nothing here, and the budget's movements of the year up to the day.
    const sheet = await shop.run('balance-sheet', beside, '2026-10-01', '2026-11-30');
    expect(sheet.columns[1]).toMatchObject({ measure: 'closing', budget: 'Original', lastDay: '2026-11-30' });
    expect([valuesOf(sheet, 'Result of the year'), valuesOf(sheet, 'Total assets')]).toEqual([
      [34700, 30000, 4700, 157],
      [104700, 0, 104700, null],
    ]);
    const next = await shop.run('balance-sheet', beside, '2026-10-01', '2026-10-31');
    expect(valuesOf(next, 'Result of the year')?.[1]).toBe(19000);
    const other = `${shop.path}/statements/income-statement?from=2026-10-01&to=2026-11-30&plan=budget&budget=99999`;
    expect(await server.refused('GET', other)).toMatchObject({ code: 'not_found', facts: { thing: 'budget' } });
    const csv = new TextDecoder().decode(await server.bytes(`${shop.path}/statements/income-statement/csv?from=2026-10-01&to=2026-11-30${beside}`));
    expect(csv).toContain('1 October 2026 to 30 November 2026 and Budget Original · EUR');
  });

  it('goes along as a file, with its dates once above the figures', async () => {
    const shop = await open();
    const csv = new TextDecoder().decode(await server.bytes(`${shop.path}/statements/income-statement/csv?from=2026-08-01&to=2026-11-20&plan=quarters`));
    expect(csv).toContain('1 August 2026 to 20 November 2026 · EUR');
    expect(csv).toMatch(/Profit for the period.*200\.00.*147\.00.*347\.00/);
  });
});
