import type { StatementBody } from '@ivory-ladder/contract';
import { transferText } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bringInCashExample } from '../support/exampleACash.ts';
import { firstRow, recomputedBook, recomputeStatement } from '../support/recomputedWorkbook.ts';
import { TestServer } from '../support/server.ts';
import { bringIn, createCompany, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
});
afterAll(() => server.stop());

const year = ['2026-01-01', '2026-09-30'] as const;
type Kind = Parameters<typeof statement>[2];

const firstOf = ({ rows }: StatementBody, key: string): number | undefined => {
  const row = rows.find((one) => one.key === key && one.role !== 'heading');
  return row === undefined ? undefined : Number(row.values[0]);
};

describe('statements in thousands, footed', () => {
  it('of the demo company agree with each other: profit with the result, cash with both balance sheets', async () => {
    const carried: [company: string, whole: boolean][] = [];
    for (const company of ['Eiderholm Ferry Company', 'Eiderholm Boatyard', 'Nordskerry Freight']) {
      const id = await server.companyId(company);
      const run = (kind: Kind, from: string, to: string, more = '') => statement(server, id, kind, from, to, `&compare=none&scale=thousands${more}`);
      const sheet = await run('balance-sheet', ...year, '&detail=accounts');
      const earlier = await run('balance-sheet', '2025-01-01', '2025-12-31', '&detail=accounts');
      const [assets, claims] = ['asset', 'liability_and_equity'].map((key) => firstOf(sheet, key));
      expect(assets, company).toBe(claims);
      const exactOf = async (kind: Kind, key: string) => firstOf(await statement(server, id, kind, ...year, '&compare=none'), key);
      const [profit, result] = [await exactOf('income-statement', 'profit'), await exactOf('balance-sheet', 'result')];
      const shownProfit = firstOf(await run('income-statement', ...year), 'profit');
      // Income that is not placed yet is in the result, and in no line of the income statement: what they differ by is no rounding.
      carried.push([company, profit === result]);
      expect(shownProfit, company).toBe(profit === result ? firstOf(sheet, 'result') : Math.round((profit ?? Number.NaN) / 100_000));
      const cashFlow = await run('cash-flow', ...year);
      const { accounts } = await server.ok<{ accounts: { id: number; role: string | null }[] }>('GET', `/companies/${id}/chart?from=${year[0]}&to=${year[1]}`);
      const cashIds = new Set(accounts.filter(({ role }) => role === 'cash').map((account) => account.id));
      const cashOn = ({ rows }: StatementBody) =>
        rows.reduce((sum, row) => (row.accountId !== null && cashIds.has(row.accountId) ? sum + Number(row.values[0]) : sum), 0);
      expect(firstOf(cashFlow, 'cash_closing'), company).toBe(cashOn(sheet));
      expect(firstOf(cashFlow, 'cash_opening'), company).toBe(cashOn(earlier));
      const activities = ['operating', 'investing', 'financing'].reduce((sum, key) => sum + (firstOf(cashFlow, key) ?? 0), 0);
      expect([firstOf(cashFlow, 'net_change'), (firstOf(cashFlow, 'cash_opening') ?? 0) + activities], company).toEqual([
        activities,
        firstOf(cashFlow, 'cash_closing'),
      ]);
    }
    expect(carried.map(([, whole]) => whole)).toContain(true);
    expect(carried.map(([, whole]) => whole)).toContain(false);
  });

  it('begin the cash flow with the profit of the income statement, and changes in equity with the equity of the balance sheet before', async () => {
    for (const company of ['Eiderholm Boatyard', 'Nordskerry Freight']) {
      const id = await server.companyId(company);
      const run = (kind: Kind, from: string, to: string) => statement(server, id, kind, from, to, '&compare=none&scale=thousands');
      for (const [from, to, before] of [
        ['2026-01-01', '2026-03-31', '2025-12-31'],
        ['2026-02-01', '2026-05-31', '2026-01-31'],
        ['2025-10-01', '2026-04-30', '2025-09-30'],
        ['2026-05-01', '2026-05-31', '2026-04-30'],
      ] as const) {
        const [income, cashFlow, sheet, earlier] = [
          await run('income-statement', from, to),
          await run('cash-flow', from, to),
          await run('balance-sheet', from, to),
          await run('balance-sheet', before, before),
        ];
        expect(firstOf(cashFlow, 'profit'), `${company} ${from}`).toBe(firstOf(income, 'profit_before_tax') ?? firstOf(income, 'profit'));
        const equity = await run('changes-in-equity', from, to);
        const [opening, closing] = ['opening', 'closing'].map((key) => Number(equity.rows.find((row) => row.key === key)?.values.at(-1)));
        expect([opening, closing], `${company} ${from}`).toEqual([firstOf(earlier, 'equity'), firstOf(sheet, 'equity')]);
      }
    }
  });

  it('put no amount that another statement holds beyond theirs on a line: in whole units each is within one of what it is', async () => {
    const id = await server.companyId();
    for (const kind of ['income-statement', 'cash-flow'] as const) {
      const [exact, shown] = await Promise.all(['exact', 'units'].map((scale) => statement(server, id, kind, ...year, `&compare=none&scale=${scale}`)));
      const amounts = exact?.rows.flatMap(({ role, values }, at) =>
        role === 'heading' ? [] : [[Number(values[0]) / 100, Number(shown?.rows[at]?.values[0])]],
      );
      expect(amounts?.length).toBeGreaterThan(20);
      for (const [held, figure] of amounts ?? []) expect(Math.abs((held as number) - (figure as number)), `${kind}, ${held}`).toBeLessThan(2);
    }
  });

  it('show the same figure for a line at every detail', async () => {
    const id = await server.companyId();
    const [less, more] = await Promise.all(
      ['1', 'accounts'].map((detail) => statement(server, id, 'balance-sheet', ...year, `&scale=thousands&detail=${detail}`)),
    );
    const figures = new Map(more?.rows.filter(({ role }) => role !== 'heading').map(({ key, values }) => [key, values]));
    for (const { key, role, values } of less?.rows ?? []) if (role !== 'heading') expect(figures.get(key), key).toEqual(values);
  });

  it('take notes and what is moved between lines along, in the workbook and as CSV', async () => {
    const id = await server.companyId();
    const { layouts } = await server.ok<{ layouts: { id: number; name: string }[] }>('GET', `/companies/${id}/layouts`);
    const sheet = layouts.find(({ name }) => name === 'Balance sheet for the bank');
    const over = `from=${year[0]}&to=${year[1]}&scale=thousands`;
    const { cells } = await recomputedBook(server, `/companies/${id}/statements/layout-${sheet?.id}/workbook?${over}`);
    expect(cells[firstRow - 2]?.[1]).toBe('Note');
    expect(cells.find(([caption]) => caption === 'Cash at bank and on board')?.[1]).toBe('7');
    const text = async (kind: string) => new TextDecoder().decode(await server.bytes(`/companies/${id}/statements/${kind}/csv?${over}`));
    expect(await text(`layout-${sheet?.id}`)).toMatch(/^Cash at bank and on board,7,\d+,/m);
    const { transfers } = await statement(server, id, 'cash-flow', ...year, '&scale=thousands');
    const [first] = transfers;
    const listedText = first ? transferText(first, 'en') : '';
    const book = await recomputedBook(server, `/companies/${id}/statements/cash-flow/workbook?${over}`);
    const listed = book.cells.find(([caption]) => caption === listedText);
    expect(listed?.slice(1, 3)).toEqual(first?.values.slice(0, 2).map(Number));
    expect(await text('cash-flow')).toContain(`"${listedText}",${first?.values[0]},${first?.values[1]},`);
  });

  it('are recomputed from their workbooks, for every kind of line of composed layouts too', async () => {
    const id = await server.companyId();
    const { layouts } = await server.ok<{ layouts: { id: number; name: string }[] }>('GET', `/companies/${id}/layouts`);
    expect(layouts.length).toBeGreaterThan(2);
    for (const kind of ['cash-flow', ...layouts.map((layout) => `layout-${layout.id}`)])
      for (const rounding of ['footed', 'independent'])
        await recomputeStatement(server, id, kind, `from=${year[0]}&to=${year[1]}&scale=thousands&rounding=${rounding}`);
    const { id: exampleId } = await bringInCashExample(server);
    await recomputeStatement(server, exampleId, 'cash-flow', 'from=2022-01-01&to=2022-12-31&scale=units&detail=accounts');
  });

  it('say in what unit they are', async () => {
    const id = await server.companyId();
    const csv = new TextDecoder().decode(await server.bytes(`/companies/${id}/statements/balance-sheet/csv?from=${year[0]}&to=${year[1]}&scale=thousands`));
    expect(csv).toContain('30 September 2026 and 31 December 2025 · EUR thousands');
    const german = await statement(server, id, 'balance-sheet', ...year, '&scale=millions');
    expect([german.scale, german.exponent]).toEqual(['millions', 0]);
  });
});

describe('a workbook of an amount beyond fifteen digits', () => {
  it('is refused by the line that bears it; one digit less is held to the minor unit', async () => {
    const { id } = await createCompany(server, { name: 'Great amounts' });
    const file = (amount: string) =>
      ['Number,Name,Element,Category,Balance', `1000,Bank,asset,Cash,${amount}`, `3000,Share capital,equity,Share capital,-${amount}`].join('\n');
    await bringIn(server, id, file('9999999999999.99'), { date: '2026-09-30' });
    const query = 'from=2026-01-01&to=2026-09-30';
    await recomputeStatement(server, id, 'balance-sheet', query);
    await bringIn(server, id, file('10000000000000.00'), { date: '2026-10-31' });
    const refused = await server.refused('GET', `/companies/${id}/statements/balance-sheet/workbook?from=2026-01-01&to=2026-10-31`);
    expect([refused.code, refused.facts]).toEqual(['amount_beyond_workbook', { line: 'Cash' }]);
  });
});
