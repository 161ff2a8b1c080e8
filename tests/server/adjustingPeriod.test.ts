import type { StatementBody, TrialBalanceViewBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openOwnBooks, toldOf } from '../support/ownBooks.ts';
import { recomputeStatement } from '../support/recomputedWorkbook.ts';
import { TestServer } from '../support/server.ts';
import { statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

async function open() {
  const books = await openOwnBooks(server, [
    ['1000', 'Bank', 'asset', 'Cash and cash equivalents', 500],
    ['2600', 'Provision', 'liability', 'Provisions'],
    ['3000', 'Share capital', 'equity', 'Share capital', -500],
    ['3050', 'Reserve', 'equity', 'Reserves'],
    ['3100', 'Retained earnings', 'equity', 'Retained earnings'],
    ['4000', 'Sales', 'income', 'Revenue'],
    ['6000', 'Repairs', 'expense', 'Other operating expenses'],
  ]);
  await server.ok('POST', `${books.path}/years/2025/adjusting-period`, {});
  await books.post('2025-12-10', { 1000: 300, 4000: -300 });
  await books.post('2025-12-31', { 6000: 20, 1000: -20 });
  const late = await books.post('2025-12-31', { 6000: 70, 2600: -70 }, { adjusting: true });
  await books.post('2025-12-31', { 6000: 5, 2600: -5 }, { adjusting: true });
  await server.ok('POST', `${books.path}/entries/${late.entryId}/reversal`, { date: '2025-12-31' });
  await books.post('2025-12-31', { 6000: 50, 2600: -50, 3000: 40, 3050: -40 }, { adjusting: true });
  const run = (kind: Parameters<typeof statement>[2], from: string, more: string) =>
    statement(server, books.id, kind, from, '2025-12-31', `&compare=none${more}`);
  return { ...books, run };
}

const of = ({ rows }: StatementBody, caption: string) =>
  rows.find((row) => row.caption === caption && row.role !== 'heading')?.values.map((value) => Number(value) / 100);

describe('a period for adjustments', () => {
  it('stands as a column of its own where periods repeat, behind a last period without it', async () => {
    const books = await open();
    const income = await books.run('income-statement', '2025-11-01', '&plan=periods');
    expect(income.columns.map((column) => (column.kind === 'amount' ? [column.firstDay, column.lastDay, column.adjusting] : []))).toEqual([
      ['2025-11-01', '2025-11-30', undefined],
      ['2025-12-01', '2025-12-31', 'before'],
      ['2025-12-01', '2025-12-31', 'only'],
      ['2025-11-01', '2025-12-31', undefined],
    ]);
    expect(of(income, 'Profit for the period')).toEqual([0, 280, -55, 225]);
    const sheet = await books.run('balance-sheet', '2025-11-01', '&plan=periods');
    expect(of(sheet, 'Provisions')).toEqual([0, 0, 55]);
    expect(of(sheet, 'Total liabilities and equity')).toEqual([500, 780, 780]);
    await recomputeStatement(server, books.id, 'income-statement', 'from=2025-11-01&to=2025-12-31&compare=none&plan=periods');
    // By direction too: the reversal counts against what it reverses, in its own column; what moved within equity stands there.
    const cash = await books.run('cash-flow', '2025-11-01', '&plan=periods');
    expect([of(cash, 'Provisions'), of(cash, 'Net change in cash and cash equivalents')]).toEqual([
      [0, 0, 55, 55],
      [0, 280, 0, 280],
    ]);
    expect([of(cash, 'Cash and cash equivalents at the beginning'), of(cash, 'Cash and cash equivalents at the end')]).toEqual([
      [500, 500, 780, 500],
      [500, 780, 780, 780],
    ]);
  });

  it('has no column where nothing stands in it', async () => {
    const books = await openOwnBooks(server, [
      ['1000', 'Bank', 'asset', 'Cash and cash equivalents', 5],
      ['3100', 'Retained earnings', 'equity', 'Retained earnings', -5],
    ]);
    await server.ok('POST', `${books.path}/years/2025/adjusting-period`, {});
    const { columns } = await statement(server, books.id, 'balance-sheet', '2025-11-01', '2025-12-31', '&plan=periods');
    expect(columns).toHaveLength(2);
  });

  it('is left out of what ends with the year where that is chosen, on statements, trial balance and proofs', async () => {
    const books = await open();
    const before = '&adjusting=before';
    expect(toldOf(await books.run('income-statement', '2025-01-01', before))).toMatchObject({ 'Profit for the period': 280 });
    expect(toldOf(await books.run('balance-sheet', '2025-01-01', before))).not.toHaveProperty('Provisions');
    expect(toldOf(await books.run('changes-in-equity', '2025-01-01', before), -1)).toEqual({
      'Balance at the beginning': 500,
      'Profit for the period': 280,
      'Balance at the end': 780,
    });
    expect(of(await books.run('changes-in-equity', '2025-01-01', ''), 'Transfers within equity')).toContain(-40);
    expect(of(await books.run('changes-in-equity', '2025-01-01', before), 'Transfers within equity')).toBeUndefined();
    const { accounts } = await server.ok<TrialBalanceViewBody>('GET', `${books.path}/trial-balance?from=2025-01-01&to=2025-12-31${before}`);
    expect(accounts.find(({ number }) => number === '2600')?.closing ?? '0').toBe('0');
    const { proofs } = await server.ok<{ proofs: { name: string; state: string }[] }>('GET', `${books.path}/proofs?from=2025-01-01&to=2025-12-31${before}`);
    expect(proofs.filter(({ state }) => state === 'fails')).toEqual([]);
    // Of a span that ends elsewhere there is nothing to leave out.
    expect(toldOf(await statement(server, books.id, 'income-statement', '2025-01-01', '2025-12-30', `&compare=none${before}`))).toMatchObject({
      'Profit for the period': 300,
    });
  });

  it('is left out of a column that says so', async () => {
    const books = await open();
    const amounts = {
      kind: 'amounts',
      key: 'a',
      heading: '',
      group: '',
      budgetId: null,
      measure: 'own',
      period: { base: 'run', periods: 12, moved: { by: 0, unit: 'years' }, firstDay: '', lastDay: '' },
      facets: {},
      withoutAdjustments: false,
      repeat: null,
    };
    const definition = {
      columns: [
        { ...amounts, beforeAdjusting: true },
        { ...amounts, key: 'b' },
      ],
    };
    const run = await books.run('income-statement', '2025-01-01', `&plan=composed&definition=${encodeURIComponent(JSON.stringify(definition))}`);
    expect(of(run, 'Profit for the period')).toEqual([280, 225]);
  });
});
