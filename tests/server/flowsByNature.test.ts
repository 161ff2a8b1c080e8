import type { LayoutDetail, OwnLayoutBody } from '@ivory-ladder/contract';
import { newLine } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type OwnAccount, openOwnBooks } from '../support/ownBooks.ts';
import { seeded } from '../support/seeded.ts';
import { TestServer } from '../support/server.ts';
import { createCompany, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const chart: readonly OwnAccount[] = [
  ['1000', 'Bank', 'asset', 'Cash and cash equivalents', 1000],
  ['1500', 'Vessels', 'asset', 'Property, plant and equipment', 2000],
  ['2300', 'Income tax payable', 'liability', 'Income tax payable', -40],
  ['2310', 'Interest payable', 'liability', 'Interest payable', -10],
  ['2320', 'Dividends payable', 'liability', 'Dividends payable'],
  ['2400', 'Loan due within a year', 'liability', 'Short-term borrowings', -300],
  ['2600', 'Provision for guarantees', 'liability', 'Provisions', -50],
  ['2650', 'Deferred tax', 'liability', 'Deferred tax', -20],
  ['3000', 'Share capital', 'equity', 'Share capital', -1000],
  ['3050', 'Own shares', 'equity', 'Share capital'],
  ['3100', 'Retained earnings', 'equity', 'Retained earnings', -1580],
  ['3150', 'Dividends of the year', 'equity', 'Retained earnings'],
  ['3200', 'Revaluation surplus', 'equity', 'Revaluation surplus'],
  ['4000', 'Sales', 'income', 'Revenue'],
  ['6000', 'Wages', 'expense', 'Staff costs'],
  ['7000', 'Interest', 'expense', 'Finance costs'],
  ['7090', 'Exchange differences', 'expense', 'Finance costs'],
  ['8000', 'Income tax', 'expense', 'Income tax'],
];

describe('changes in equity with contra accounts', () => {
  it('what raises equity is an increase: own shares bought and dividends on a debit account are distributions', async () => {
    const books = await openOwnBooks(server, chart);
    await books.post('2025-02-01', { 3050: 120, 1000: -120 });
    await books.post('2025-03-01', { 3150: 200, 1000: -200 });
    await books.post('2025-04-01', { 1000: 70, 3050: -70 });
    await books.post('2025-05-01', { 1000: 500, 3000: -500 });
    const all = await books.shown('changes-in-equity', '', -1);
    expect(all).toEqual({
      'Balance at the beginning': 2580,
      'Contributions and other increases': 570,
      'Distributions and other decreases': -320,
      'Balance at the end': 2830,
    });
    expect(await books.shown('cash-flow')).toMatchObject({ 'Share capital, proceeds': 570, 'Share capital, payments': -120, 'Dividends paid': -200 });
    expect(await books.proofs()).toMatchObject({ cash_ties: { state: 'holds' }, equity_ties: { state: 'holds' } });
  });

  it('what an entry moves within equity is neither cash nor contribution, also where the rest of it went out', async () => {
    const books = await openOwnBooks(server, chart);
    // A bonus issue of 50 and a dividend of 100 in one entry, and the year's dividends closed against what was kept.
    await books.post('2025-02-01', { 3100: 150, 3000: -50, 1000: -100 });
    await books.post('2025-03-01', { 3150: 80, 1000: -80 });
    const moved = await books.post('2025-12-30', { 3100: 80, 3150: -80 });
    expect(await books.shown('changes-in-equity', '', -1)).toEqual({
      'Balance at the beginning': 2580,
      'Distributions and other decreases': -180,
      'Balance at the end': 2400,
    });
    const cash = await books.shown('cash-flow');
    expect(cash).toMatchObject({ 'Dividends paid': -180, 'Net cash from financing activities': -180, 'Net change in cash and cash equivalents': -180 });
    expect(Object.keys(cash)).not.toContain('Share capital, proceeds');
    expect(await books.proofs()).toMatchObject({ cash_ties: { state: 'holds' }, equity_ties: { state: 'holds' } });
    // By category: out of what was kept, into capital.
    const byColumn = await Promise.all([0, 1, 2, 3, 4].map((column) => books.shown('changes-in-equity', '', column)));
    const beginningWith = (units: number) => byColumn.find((column) => column['Balance at the beginning'] === units);
    expect([beginningWith(1000)?.['Transfers within equity'], beginningWith(1580)?.['Transfers within equity']]).toEqual([50, -50]);
    await server.ok('POST', `${books.path}/entries/${moved.entryId}/reversal`, { date: '2025-12-30' });
    expect(await books.shown('changes-in-equity', '', -1)).toEqual({
      'Balance at the beginning': 2580,
      'Distributions and other decreases': -180,
      'Balance at the end': 2400,
    });
  });
});

describe('the cash flow of a new company', () => {
  it('has natures for what it begins with: accruals of tax, interest and dividends, a provision and a revaluation are no payments, a loan due within a year is financing', async () => {
    const books = await openOwnBooks(server, chart);
    await books.post('2025-02-01', { 8000: 90, 2300: -60, 2650: -30 });
    await books.post('2025-02-01', { 7000: 25, 2310: -25 });
    await books.post('2025-03-01', { 3100: 200, 2320: -200 });
    await books.post('2025-04-01', { 6000: 15, 2600: -15 });
    await books.post('2025-06-01', { 1000: 100, 2400: -100 });
    await books.post('2025-07-01', { 2300: 40, 1000: -40 });
    const cash = await books.shown('cash-flow');
    expect(cash).toMatchObject({
      Provisions: 15,
      'Short-term borrowings, proceeds': 100,
      'Income taxes paid': -70,
      'Deferred tax': 30,
      'Net cash from operating activities': -40,
      'Net cash from financing activities': 100,
      'Net change in cash and cash equivalents': 60,
    });
    for (const caption of ['Interest paid', 'Dividends paid', 'Loans and leases, proceeds']) expect(Object.keys(cash)).not.toContain(caption);
    expect(await books.proofs()).toMatchObject({ natures_said: { state: 'holds' }, cash_ties: { state: 'holds' } });
  });

  it('what moves in a category that says no nature is a finding with its amount', async () => {
    const books = await openOwnBooks(server, [...chart, ['2900', 'Sundry', 'liability', 'Odds and ends'], ['1900', 'Things', 'asset', 'Things and matters']]);
    await books.post('2025-02-01', { 1000: 33, 2900: -33 });
    await books.post('2025-02-01', { 1900: 5, 1000: -5 });
    const { natures_said } = await books.proofs();
    expect(natures_said).toMatchObject({ state: 'to_look_at', difference: '3800' });
    expect(natures_said?.accounts.map(({ number, reason, net }) => [number, reason, net])).toEqual([
      ['1900', 'without_nature', '500'],
      ['2900', 'without_nature', '-3300'],
    ]);
  });

  it('an account of exchange differences is no interest, wherever it stands', async () => {
    const books = await openOwnBooks(server, chart, { 1000: 'cash', 7090: 'exchange_differences' });
    await books.post('2025-02-01', { 7000: 25, 1000: -25 });
    // On trade and cash alike; the effect on cash stands behind the net change.
    await books.post('2025-03-01', { 7090: 8, 1000: -8 });
    const cash = await books.shown('cash-flow');
    expect(cash).toMatchObject({
      'Interest paid': -25,
      'Interest expense': 25,
      'Effect of exchange rates': -8,
      'Net change in cash and cash equivalents': -25,
    });
    expect(await books.proofs()).toMatchObject({ cash_ties: { state: 'holds' } });
  });

  it.each(['passenger_transport', 'trading', 'professional_practice', 'manufacture', 'association'])(
    'and so has the starter chart %s: no category of a balance sheet is without one',
    async (key) => {
      const { id } = await createCompany(server);
      const begun = await server.ok<{ id: number }>('POST', '/companies', {
        name: key,
        currency: 'EUR',
        fiscalYearFirstMonth: 1,
        beginWith: { kind: 'starter', key },
      });
      const { categories } = await server.ok<{ categories: { id: number; element: string; parentId: number | null; nature: string | null }[] }>(
        'GET',
        `/companies/${begun.id}/placement?from=2026-01-01&to=2026-12-31`,
      );
      expect(categories.filter(({ element, parentId, nature }) => parentId === null && nature === null && !['income', 'expense'].includes(element))).toEqual(
        [],
      );
      expect(id).not.toBe(begun.id);
    },
  );
});

describe('a cash flow in another currency', () => {
  const rate = (kind: string, day: string, value: string) => ({ currency: 'NOK', accountId: null, kind, day, rate: value });
  const rates = (seed: number) => [
    rate('closing', '2024-12-31', `11.${117 + seed * 7}`),
    ...Array.from({ length: 12 }, (_, month) => rate('average', `2025-${String(month + 1).padStart(2, '0')}-01`, `11.${431 + month * 29 + seed * 13}`)),
    ...Array.from({ length: 12 }, (_, month) =>
      rate('closing', new Date(Date.UTC(2025, month + 1, 0)).toISOString().slice(0, 10), `11.${389 + month * 31 + seed * 17}`),
    ),
  ];

  it('has what was moved between lines at the average of its period, and so has its list', async () => {
    const books = await openOwnBooks(server, chart);
    await books.post('2025-02-10', { 1500: 900, 2400: -900 });
    await books.post('2025-06-01', { 1000: 100, 4000: -100 });
    await server.ok('PUT', `${books.path}/rates`, { set: rates(0) });
    const begun = await server.ok<LayoutDetail>('POST', `${books.path}/layouts`, { name: 'Cash', from: 'cash_flow' });
    const numbers = (text: string) => [{ kind: 'numbers' as const, text }];
    const definition = {
      ...begun.definition,
      withoutCash: 'counts',
      lines: [
        { ...newLine('result', 'profit', 'Profit'), shown: 'always' },
        { ...newLine('accounts', 'bought', 'Vessels bought'), sources: numbers('1500'), side: 'credit' },
        { ...newLine('accounts', 'loans', 'Loans'), sources: numbers('2400'), side: 'credit' },
        { ...newLine('accounts', 'rest', 'All else'), sources: numbers('2300 to 3999'), except: numbers('2400'), side: 'credit' },
        { ...newLine('cash', 'opening', 'Opening'), of: 'opening' },
        { ...newLine('cash', 'exchange', 'Exchange'), of: 'exchange' },
        { ...newLine('cash', 'closing', 'Closing'), of: 'closing' },
      ],
      transfers: [{ key: 'lease', text: 'A vessel on credit', on: 'bought', from: 'loans', amount: { kind: 'fixed', day: '2025-02-10', inflow: '90000' } }],
    } as OwnLayoutBody;
    const saved = await server.ok<LayoutDetail>('PUT', `${books.path}/layouts/${begun.id}/draft`, { version: begun.version, definition });
    await server.ok('POST', `${books.path}/layouts/${begun.id}/use`, { version: saved.version });
    const run = await statement(server, books.id, `layout-${begun.id}`, '2025-01-01', '2025-12-31', '&compare=none&currency=NOK');
    // 900 at 11.460, the average of February, on both sides of the transfer.
    expect(run.transfers.map(({ values }) => values)).toEqual([['1031400']]);
    const value = (key: string) => run.rows.find((row) => row.key === key)?.values[0];
    expect([value('bought') ?? '0', value('loans') ?? '0', value('profit')]).toEqual(['0', '0', '115760']);
    // The same without the transfer, once what moved without cash is taken out.
    const { version } = await server.ok<LayoutDetail>('GET', `${books.path}/layouts/${begun.id}`);
    const other = { ...definition, withoutCash: 'taken_out' as const, transfers: [] };
    const again = await server.ok<LayoutDetail>('PUT', `${books.path}/layouts/${begun.id}/draft`, { version, definition: other });
    await server.ok('POST', `${books.path}/layouts/${begun.id}/use`, { version: again.version });
    const taken = await statement(server, books.id, `layout-${begun.id}`, '2025-01-01', '2025-12-31', '&compare=none&currency=NOK');
    expect(['bought', 'loans', 'profit'].map((key) => taken.rows.find((row) => row.key === key)?.values[0] ?? '0')).toEqual(['0', '0', '115760']);
    expect(taken.notes.filter((note) => note.startsWith('Without cash')).length).toBe(1);
  });

  it('foots to closing cash in units and thousands, with what translation leaves', async () => {
    const books = await openOwnBooks(server, chart);
    const below = seeded(55);
    for (let entry = 0; entry < 40; entry++) {
      const day = `2025-${String(1 + below(12)).padStart(2, '0')}-${String(1 + below(28)).padStart(2, '0')}`;
      const other = ['1500', '2300', '2400', '2600', '3000', '3050', '4000', '6000', '7000', '8000'][below(10)] as string;
      const units = below(90_000) - 45_000 || 1;
      await books.post(day, { [other]: units, 1000: -units });
    }
    for (let seed = 0; seed < 6; seed++) {
      await server.ok('PUT', `${books.path}/rates`, {
        set: rates(seed).map((rate, at) => ({ ...rate, before: seed === 0 ? null : (rates(seed - 1)[at]?.rate ?? null) })),
      });
      for (const more of ['&scale=units', '&scale=thousands', '&scale=exact'])
        for (const [from, to] of [
          ['2025-01-01', '2025-12-31'],
          ['2025-04-01', '2025-09-30'],
        ] as const) {
          const { rows } = await statement(server, books.id, 'cash-flow', from, to, `&compare=none&zero=1&currency=NOK${more}`);
          const value = (key: string) => Number(rows.find((row) => row.key === key && row.role !== 'heading')?.values[0] ?? 0);
          const activities = value('operating') + value('investing') + value('financing');
          expect([activities, value('cash_opening') + activities + value('cash_exchange') + value('exchange_differences')], `${more} ${from} ${seed}`).toEqual([
            value('net_change'),
            value('cash_closing'),
          ]);
        }
    }
  });
});
