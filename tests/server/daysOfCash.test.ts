import type { AccountBody, ChartView, MergeCheckBody, ProofList } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { recomputeStatement } from '../support/recomputedWorkbook.ts';
import { TestServer } from '../support/server.ts';
import { bringIn, createCompany, figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const chart = [
  '1000,Bank,asset,Cash and cash equivalents',
  '1010,Savings,asset,Cash and cash equivalents',
  '1020,Deposit,asset,Other current assets',
  '2100,Loan,liability,Loans',
  '3000,Share capital,equity,Share capital',
  '3100,Retained earnings,equity,Retained earnings',
  '4000,Sales,income,Revenue',
  '6200,Insurance,expense,Other operating expenses',
];
const balances = {
  '2024-12-31': [300, 100, 40, -240, -200, 0, 0, 0],
  '2025-12-31': [420, 130, 40, -250, -200, 0, -190, 50],
  '2026-09-30': [500, 160, 40, -250, -200, -140, -200, 90],
};

/** Three balances; bank and savings are cash. */
async function open() {
  const { id } = await createCompany(server);
  const path = `/companies/${id}`;
  for (const [date, amounts] of Object.entries(balances))
    await bringIn(server, id, ['Number,Name,Element,Category,Balance', ...chart.map((row, at) => `${row},${amounts[at]}`)].join('\n'), {
      date,
      retainedEarnings: '3100',
    });
  const account = async (number: string) => {
    const { accounts } = await server.ok<ChartView>('GET', `${path}/chart?from=2026-01-01&to=2026-09-30`);
    return accounts.find((one) => one.number === number) as ChartView['accounts'][number];
  };
  const change = async (number: string, fields: object) => {
    const { id: accountId, version } = await account(number);
    return server.ok<AccountBody>('PATCH', `${path}/accounts/${accountId}`, { version, ...fields });
  };
  for (const number of ['1000', '1010']) await change(number, { role: 'cash' });
  const cash = async (from: string, to: string, more = '') => {
    const shown = Object.fromEntries(
      figures(await statement(server, id, 'cash-flow', from, to, `&compare=none${more}`), 100n).map(([caption, value]) => [caption, value]),
    );
    return Object.fromEntries(Object.entries(shown).filter(([, value]) => value !== 0));
  };
  const ends = async (from: string, to: string, more = '') => {
    const shown = await cash(from, to, more);
    return [shown['Cash and cash equivalents at the beginning'] ?? 0, shown['Cash and cash equivalents at the end'] ?? 0];
  };
  const merge = async (from: string, into: string, day: string) => {
    const body = { into: (await account(into)).id, day };
    const own = `${path}/accounts/${(await account(from)).id}`;
    const { structureVersion, revision } = await server.ok<MergeCheckBody>('POST', `${own}/merge-rehearsal`, {
      ...body,
      from: '2026-01-01',
      to: '2026-09-30',
    });
    await server.ok('POST', `${own}/merge`, { ...body, structureVersion, revision }, { 'Idempotency-Key': `${from} ${into}` });
  };
  const ties = async (from: string, to: string) =>
    (await server.ok<ProofList>('GET', `${path}/proofs?from=${from}&to=${to}`)).proofs.find(({ name }) => name === 'cash_ties');
  return { id, path, account, change, cash, ends, merge, ties };
}

const [of2025, of2026] = [
  ['2025-01-01', '2025-12-31'],
  ['2026-01-01', '2026-09-30'],
] as const;

describe('cash that is so from a day or until a day', () => {
  it('was cash before it was merged into another account of cash, or retired: no earlier cash moves', async () => {
    const books = await open();
    const [before, wholeBefore] = [[await books.ends(...of2025), await books.ends(...of2026)], await books.cash(...of2025)];
    expect(before).toEqual([
      [400, 550],
      [550, 660],
    ]);
    await books.merge('1010', '1000', '2026-09-30');
    expect([await books.ends(...of2025), await books.ends(...of2026)]).toEqual(before);
    expect(await books.cash(...of2025)).toEqual(wholeBefore);
    expect(await books.account('1010')).toMatchObject({ active: false, role: 'cash', cashUntil: '2026-09-30' });
    expect(await books.ties(...of2026)).toMatchObject({ state: 'holds' });
    // Retired with the role, once it is nil; opened again it still has it.
    await books.change('1010', { active: true, cashUntil: null });
    await books.change('1010', { active: false });
    expect(await books.ends(...of2025)).toEqual(before[0]);
  });

  it('merged into an account that was not cash: that one is from the day on, and what it held then comes to cash on that day', async () => {
    const books = await open();
    await books.merge('1010', '1020', '2026-09-30');
    expect(await books.account('1020')).toMatchObject({ role: 'cash', cashFrom: '2026-09-30', amount: '20000' });
    expect([await books.ends(...of2025), await books.ends(...of2026)]).toEqual([
      [400, 550],
      [550, 700],
    ]);
    // The lines explain what moved; that its line of the balance sheet held what was not cash before is for the proof to say.
    const figures = (await books.ties(...of2026))?.figures.filter(({ day }) => day === '2026-09-30') ?? [];
    expect(figures.map(({ name, net }) => [name, net])).toEqual([
      ['cash_by_lines', '15000'],
      ['cash_moved', '15000'],
      ['cash_in_balance_sheet', '11000'],
    ]);
  });

  it('with a balance at its last day goes out of cash as a flow, and each end is the next beginning', async () => {
    const books = await open();
    const bare = await books.cash(...of2026);
    await books.change('1010', { cashUntil: '2025-12-31' });
    expect([await books.ends(...of2025), await books.ends(...of2026)]).toEqual([
      [400, 550],
      [550, 500],
    ]);
    const { 'Cash and cash equivalents at the end': end, ...flows } = await books.cash(...of2026);
    expect(end).toBe(500);
    // What it holds at the end has left cash: 160 less, on the line of its category.
    const changed = Object.entries(flows).filter(([caption, value]) => bare[caption] !== value);
    expect(changed.map(([, value]) => value)).toContain(-160);
    // The balance sheet goes on to show it among cash, and the proof names it with its amount.
    expect(await books.ties(...of2026)).toMatchObject({ state: 'fails', accounts: [{ number: '1010', reason: 'among_cash', net: '16000' }] });
    expect(await books.ties(...of2025)).toMatchObject({ state: 'holds' });
    // Over both years at once, in thousands, and as a workbook, it foots too.
    for (const more of ['', '&detail=accounts']) await recomputeStatement(server, books.id, 'cash-flow', `from=2025-01-01&to=2026-09-30&compare=none${more}`);
    expect(await books.ends('2025-01-01', '2026-09-30')).toEqual([400, 500]);
  });

  it('from a day comes in on that day; days the wrong way round are refused, and go with the role', async () => {
    const books = await open();
    await books.change('1020', { role: 'cash', cashFrom: '2026-01-01' });
    expect([await books.ends(...of2025), await books.ends(...of2026)]).toEqual([
      [400, 550],
      [550, 700],
    ]);
    const { id, version } = await books.account('1020');
    expect(await server.refused('PATCH', `${books.path}/accounts/${id}`, { version, cashUntil: '2025-06-30' })).toMatchObject({ code: 'span_reversed' });
    expect(await books.change('1020', { role: null })).toMatchObject({ role: null, cashFrom: null, cashUntil: null });
    expect(await books.ends(...of2026)).toEqual([550, 660]);
  });
});
