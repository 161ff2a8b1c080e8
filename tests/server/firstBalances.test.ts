import type { ChartView, CodeListBody, EntryBody, PostedEntryBody, ProofList, StatementBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { recomputeStatement } from '../support/recomputedWorkbook.ts';
import { TestServer } from '../support/server.ts';
import { bringIn, createCompany, figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const chart = (amounts: readonly number[]) =>
  [
    'Number;Name;Element;Category;Balance',
    ...['1000;Bank;asset;Cash and cash equivalents', '1500;Vessels;asset;Property, plant and equipment', '2500;Bank loan;liability;Loans and leases'],
    ...['3000;Share capital;equity;Share capital', '3100;Retained earnings;equity;Retained earnings'],
    ...['4000;Sales;income;Revenue', '6000;Wages;expense;Staff costs'],
  ]
    .map((line, at) => (at === 0 ? line : `${line};${amounts[at - 1]}`))
    .join('\n');

async function company(amounts: readonly number[] | null, day = '2024-12-31') {
  const { id } = await createCompany(server);
  await bringIn(server, id, chart(amounts ?? [0, 0, 0, 0, 0, 0, 0]), { date: day, retainedEarnings: '3100', figures: { kind: 'year_to_date' } }, 'tb.csv');
  await server.ok('POST', `/companies/${id}/years`, { day: '2025-06-30' });
  const { accounts } = await server.ok<ChartView>('GET', `/companies/${id}/chart?from=${day}&to=${day}`);
  const account = (number: string) => accounts.find((one) => one.number === number) as (typeof accounts)[number];
  await server.ok('PATCH', `/companies/${id}/accounts/${account('1000').id}`, { version: account('1000').version, role: 'cash' });
  const post = (date: string, lines: Readonly<Record<string, number>>, more: object = {}) =>
    server.ok<PostedEntryBody>('POST', `/companies/${id}/entries`, {
      date,
      ...more,
      lines: Object.entries(lines).map(([number, units]) => ({
        accountId: account(number).id,
        ...(units < 0 ? { credit: String(-units * 100) } : { debit: String(units * 100) }),
      })),
    });
  const flows = async (kind: 'cash-flow' | 'changes-in-equity' | 'balance-sheet', from: string, to: string, more = '&compare=none') =>
    statement(server, id, kind, from, to, more);
  const proofs = async (from: string, to: string) =>
    Object.fromEntries(
      (await server.ok<ProofList>('GET', `/companies/${id}/proofs?from=${from}&to=${to}&compare=none`)).proofs.map(({ name, state }) => [name, state]),
    );
  return { id, path: `/companies/${id}`, account, post, flows, proofs };
}

const told = ({ rows }: StatementBody, column = 0) =>
  rows
    .filter(({ role }) => role !== 'heading')
    .map(({ caption, values, faults }) => [caption, values[column] === null ? (faults?.[column]?.code ?? null) : Number(values[column]) / 100]);

describe('before the first balances there are no flows', () => {
  it('a first trial balance is no loan that came in: its year shows dashes and says why, its income and expenses are good', async () => {
    const { flows, proofs, id, path } = await company([400, 2000, -1522, -500, 0, -900, 522]);
    const cashFlow = await flows('cash-flow', '2024-01-01', '2024-12-31');
    expect(told(cashFlow)).toEqual([
      ['Profit before tax', 378],
      ['Net cash from operating activities', 'no_balances_before'],
      ['Net cash from investing activities', 'no_balances_before'],
      ['Net cash from financing activities', 'no_balances_before'],
      ['Net change in cash and cash equivalents', 'no_balances_before'],
      ['Cash and cash equivalents at the beginning', 'no_balances_before'],
      ['Cash and cash equivalents at the end', 400],
    ]);
    expect(cashFlow.notes).toEqual(['– No balances before 31 December 2024: what balance sheet accounts moved up to then is not known.']);
    const equity = await flows('changes-in-equity', '2024-01-01', '2024-12-31');
    const all = equity.columns.length - 1;
    expect(told(equity, all).filter(([, value]) => value !== 'no_balances_before')).toEqual([['Profit for the period', 378]]);
    expect(figures(await statement(server, id, 'income-statement', '2024-01-01', '2024-12-31', '&compare=none'), 100n).at(-1)?.[1]).toBe(378);
    expect(await proofs('2024-01-01', '2024-12-31')).toMatchObject({ cash_ties: 'not_provable', equity_ties: 'not_provable', assets_equal_claims: 'holds' });
    // In thousands too, and in a workbook that computes.
    for (const more of ['', '&scale=units']) {
      const { rows } = await flows('cash-flow', '2024-01-01', '2024-12-31', `&compare=none${more}`);
      expect(rows.find(({ key, role }) => key === 'operating' && role === 'total')?.values).toEqual([null]);
      await recomputeStatement(server, id, 'cash-flow', `from=2024-01-01&to=2024-12-31&compare=none${more}`);
    }
    const csv = await server.bytes(`${path}/statements/cash-flow/csv?from=2024-01-01&to=2024-12-31&compare=none`);
    expect(new TextDecoder().decode(csv)).toContain('No balances before 31 December 2024');
  });

  it('the year after it is whole, and beside it the first year is dashes', async () => {
    const { post, flows, proofs } = await company([400, 2000, -1522, -500, 0, -900, 522]);
    await post('2025-04-01', { 2500: 122, 1000: -122 });
    const cashFlow = await flows('cash-flow', '2025-01-01', '2025-12-31', '');
    const of = (caption: string) => told(cashFlow).find(([name]) => name === caption)?.[1];
    expect([of('Loans and leases, payments'), of('Cash and cash equivalents at the beginning'), of('Cash and cash equivalents at the end')]).toEqual([
      -122, 400, 278,
    ]);
    expect(told(cashFlow, 1).find(([name]) => name === 'Loans and leases, payments')?.[1]).toBe('no_balances_before');
    expect(cashFlow.columns[1]).toMatchObject({ began: '2024-12-31' });
    expect(await proofs('2025-01-01', '2025-12-31')).toMatchObject({ cash_ties: 'holds', equity_ties: 'holds' });
  });

  it('once something is posted before it, the trial balance is one of several', async () => {
    const { post, flows } = await company([400, 2000, -1522, -500, 0, -900, 522]);
    await post('2024-03-01', { 1000: 500, 3000: -500 });
    // Posted before it, so that its entry meets them; the file's balances are as they were.
    const cashFlow = await flows('cash-flow', '2024-01-01', '2024-12-31');
    expect(told(cashFlow).find(([name]) => name === 'Loans and leases, proceeds')?.[1]).toBe(1522);
  });

  it('opening balances of a year’s first day belong to its opening, and that year’s flows are whole, reversals and corrections with them', async () => {
    const { post, flows, proofs, path, id } = await company(null);
    const first = await post('2025-01-01', { 1000: 999, 3000: -999 }, { opening: true });
    await server.ok('POST', `${path}/entries/${first.entryId}/reversal`, { date: '2025-01-01' });
    await post('2025-01-01', { 1000: 400, 1500: 2000, 2500: -1522, 3000: -500, 3100: -378 }, { opening: true });
    await post('2025-01-01', { 1500: 300, 1000: -300 });
    await post('2025-06-01', { 1000: 1000, 4000: -1000 });
    expect((await server.ok<EntryBody>('GET', `${path}/entries/${first.entryId}`)).isOpening).toBe(true);
    const cashFlow = await flows('cash-flow', '2025-01-01', '2025-12-31');
    expect(told(cashFlow).filter(([, value]) => value !== 0)).toEqual([
      ['Profit before tax', 1000],
      ['Net cash from operating activities', 1000],
      ['Property, plant and equipment, additions', -300],
      ['Net cash from investing activities', -300],
      ['Net change in cash and cash equivalents', 700],
      ['Cash and cash equivalents at the beginning', 400],
      ['Cash and cash equivalents at the end', 1100],
    ]);
    const equity = await flows('changes-in-equity', '2025-01-01', '2025-12-31');
    const all = equity.columns.length - 1;
    expect(told(equity, all)).toEqual([
      ['Balance at the beginning', 878],
      ['Profit for the period', 1000],
      ['Balance at the end', 1878],
    ]);
    expect(await proofs('2025-01-01', '2025-12-31')).toMatchObject({ cash_ties: 'holds', equity_ties: 'holds', balances_from_lines: 'holds' });
    const inThousands = await flows('cash-flow', '2025-01-01', '2025-12-31', '&compare=none&scale=units');
    expect(inThousands.rows.find(({ key }) => key === 'cash_opening')?.values).toEqual(['400']);
    // A span that begins before has them within it.
    expect(told(await flows('cash-flow', '2024-07-01', '2025-06-30')).find(([name]) => name === 'Net cash from investing activities')?.[1]).toBe(
      'no_balances_before',
    );
    expect(told(await flows('cash-flow', '2025-02-01', '2025-12-31')).find(([name]) => name === 'Cash and cash equivalents at the beginning')?.[1]).toBe(100);
    // The trial balance and the account ledger open with them too.
    const { accounts } = await server.ok<{ accounts: { number: string; opening: string; debit: string; credit: string; closing: string }[] }>(
      'GET',
      `/companies/${id}/trial-balance?from=2025-01-01&to=2025-12-31`,
    );
    expect(accounts.find(({ number }) => number === '1000')).toMatchObject({ opening: '40000', debit: '100000', credit: '30000', closing: '110000' });
  });

  it('opening balances in another currency and by facet value are opening too, and parts add up to the whole', async () => {
    const { post, path, id, account } = await company(null);
    const { key } = await server.ok<CodeListBody>('POST', `${path}/code-lists`, {
      kind: 'facet',
      name: 'Vessel',
      codes: [
        { code: 'TERN', caption: '' },
        { code: 'GULL', caption: '' },
      ],
    });
    const line = (number: string, units: number, vessel: string | null) => ({
      accountId: account(number).id,
      ...(units < 0 ? { credit: String(-units * 100) } : { debit: String(units * 100) }),
      ...(vessel ? { facets: { [key]: vessel } } : {}),
    });
    await server.ok('POST', `${path}/entries`, {
      date: '2025-01-01',
      opening: true,
      lines: [
        line('1000', 401, 'TERN'),
        line('1500', 2000, 'GULL'),
        line('1500', 101, 'TERN'),
        line('2500', -1522, 'GULL'),
        line('3000', -602, null),
        line('3100', -378, 'TERN'),
      ],
    });
    await server.ok('POST', `${path}/entries`, { date: '2025-05-05', lines: [line('1000', 77, 'GULL'), line('2500', -77, 'TERN')] });
    await post('2025-06-01', { 1000: 1000, 4000: -1000 });
    const rate = (kind: string, day: string, value: string) => ({ currency: 'NOK', accountId: null, kind, day, rate: value });
    await server.ok('PUT', `${path}/rates`, {
      set: [
        rate('closing', '2024-12-31', '11.117'),
        rate('closing', '2025-12-31', '11.739'),
        ...Array.from({ length: 12 }, (_, month) => rate('average', `2025-${String(month + 1).padStart(2, '0')}-01`, '11.433')),
      ],
    });
    for (const kind of ['cash-flow', 'changes-in-equity', 'balance-sheet'] as const) {
      const whole = await statement(server, id, kind, '2025-01-01', '2025-12-31', '&compare=none&currency=NOK&zero=1&detail=accounts');
      const parts = await Promise.all(
        ['TERN', 'GULL', ''].map((vessel) =>
          statement(
            server,
            id,
            kind,
            '2025-01-01',
            '2025-12-31',
            `&compare=none&currency=NOK&zero=1&detail=accounts&facets=${encodeURIComponent(JSON.stringify({ [key]: [vessel] }))}`,
          ),
        ),
      );
      for (const [at, row] of whole.rows.entries()) {
        if (row.role === 'heading') continue;
        for (const [column, value] of row.values.entries())
          expect(
            parts.reduce((sum, part) => sum + BigInt(part.rows[at]?.values[column] ?? 0), 0n),
            `${kind} ${row.caption} ${column}`,
          ).toBe(BigInt(value ?? 0));
      }
      // Opening cash at the rate of the day before the year.
      if (kind === 'cash-flow') expect(told(whole).find(([name]) => name === 'Cash and cash equivalents at the beginning')?.[1]).toBe(4457.92);
      if (kind === 'cash-flow') expect(told(whole).find(([name]) => name === 'Loans and leases, proceeds')?.[1]).toBe(880.34);
    }
  });

  it('an opening balance of income is refused, since it begins each year at nil', async () => {
    const { path, account } = await company(null);
    const { code, facts } = await server.refused('POST', `${path}/entries`, {
      date: '2025-01-01',
      opening: true,
      lines: [
        { accountId: account('1000').id, debit: '100' },
        { accountId: account('4000').id, credit: '100' },
      ],
    });
    expect([code, facts.line]).toEqual(['opening_of_income', 2]);
  });
});
