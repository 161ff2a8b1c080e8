import type { LayoutDetail, OwnLayoutBody, TrialBalanceCheckBody } from '@ivory-ladder/contract';
import { newLine } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type OwnAccount, openOwnBooks } from '../support/ownBooks.ts';
import { TestServer } from '../support/server.ts';
import { createCompany, handIn, rehearse, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const chart: readonly OwnAccount[] = [
  ['1000', 'Bank', 'asset', 'Cash and cash equivalents', 100],
  ['3000', 'Share capital', 'equity', 'Share capital', -100],
  ['3100', 'Retained earnings', 'equity', 'Retained earnings'],
  ['4000', 'Sales', 'income', 'Revenue'],
];

describe('rates', () => {
  it('that are older than the period they are used for are named under the statement', async () => {
    const books = await openOwnBooks(server, chart);
    await books.post('2025-03-01', { 1000: 50, 4000: -50 });
    const rate = (kind: string, day: string, value: string) => ({ currency: 'NOK', accountId: null, kind, day, rate: value });
    await server.ok('PUT', `${books.path}/rates`, {
      set: [rate('closing', '2024-12-31', '11'), rate('average', '2025-03-01', '11.5'), rate('closing', '2025-09-30', '12')],
    });
    const notes = async (more: string, to = '2025-12-31') =>
      (await statement(server, books.id, 'balance-sheet', '2025-01-01', to, `&compare=none&currency=NOK${more}`)).notes;
    const older = ['The closing rate of NOK used for 31 December 2025 is that of 30 September 2025.'];
    expect(await notes('')).toEqual(older);
    expect(await notes('&translation=closing_rate')).toEqual(older);
    expect(await notes('', '2025-09-30')).toEqual([]);
  });
});

describe('the account ledger', () => {
  it('shows after a closing line what it leaves, and other lines as they are without it', async () => {
    const books = await openOwnBooks(server, chart);
    await books.post('2025-03-01', { 1000: 50, 4000: -50 });
    await server.ok('POST', `${books.path}/years/2025/closing`, {});
    await books.post('2025-12-31', { 1000: 7, 4000: -7 });
    const { id } = await books.find('4000');
    const { accounts } = await server.ok<{ accounts: { lines: { closesYear: number | null; balance: string }[] }[] }>(
      'GET',
      `${books.path}/account-ledger?from=2025-01-01&to=2025-12-31&account=${id}`,
    );
    expect(accounts[0]?.lines.map(({ closesYear, balance }) => [closesYear, balance])).toEqual([
      [null, '-5000'],
      [null, '-5700'],
      [2025, '-700'],
    ]);
  });
});

describe('an entry that the ledger cannot hold', () => {
  it('is refused in words, and the ledger is read as before', async () => {
    const books = await openOwnBooks(server, chart);
    const [bank, sales] = [await books.find('1000'), await books.find('4000')];
    const entry = (amount: string) => ({
      date: '2025-03-01',
      lines: [
        { accountId: bank.id, debit: amount },
        { accountId: sales.id, credit: amount },
      ],
    });
    expect((await server.refused('POST', `${books.path}/entries`, entry('9223372036854775807'))).code).toBe('line_amount_too_large');
    const many = { date: '2025-03-01', lines: Array.from({ length: 1000 }, () => entry('10000000000000000').lines).flat() };
    expect((await server.refused('POST', `${books.path}/entries`, many)).code).toBe('ledger_too_large');
    expect(await books.shown('balance-sheet')).toMatchObject({ 'Total assets': 100 });
  });
});

describe('a decimal sign that could be either', () => {
  const file = 'Number;Name;Element;Balance\n1000;Bank;asset;1,234\n3000;Capital;equity;-1,234\n';
  const rehearsed = async (currency: string, draft = {}) => {
    const { id } = await createCompany(server, { currency });
    const body = await rehearse(server, id, await handIn(server, id, file), { date: '2025-12-31', ...draft });
    return { codes: body.blockers.map(({ code }) => code), amount: body.rows[0]?.amount } satisfies {
      codes: string[];
      amount: TrialBalanceCheckBody['rows'][number]['amount'] | undefined;
    };
  };

  it('is asked of a currency with three decimals, and not of one where it can only be the one', async () => {
    expect((await rehearsed('KWD')).codes).toContain('decimal_sign_unclear');
    const comma = await rehearsed('KWD', { decimalSign: ',' });
    expect([comma.codes.includes('decimal_sign_unclear'), comma.amount]).toEqual([false, '1234']);
    expect((await rehearsed('KWD', { decimalSign: '.' })).amount).toBe('1234000');
    const euro = await rehearsed('EUR');
    expect([euro.codes.includes('decimal_sign_unclear'), euro.amount]).toEqual([false, '123400']);
  });
});

describe('a mean', () => {
  it('is rounded once, at its line, and its accounts come to it', async () => {
    const books = await openOwnBooks(server, [
      ...chart,
      ['1050', 'Till', 'asset', 'Cash and cash equivalents'],
      ['1060', 'Safe', 'asset', 'Cash and cash equivalents'],
    ]);
    const [till, safe, sales] = [await books.find('1050'), await books.find('1060'), await books.find('4000')];
    await server.ok('POST', `${books.path}/entries`, {
      date: '2025-03-01',
      lines: [
        { accountId: till.id, debit: '1' },
        { accountId: safe.id, debit: '1' },
        { accountId: sales.id, credit: '2' },
      ],
    });
    const begun = await server.ok<LayoutDetail>('POST', `${books.path}/layouts`, { name: 'Mean', from: 'nothing' });
    const mean = { ...newLine('memo', 'mean', 'Held on average'), sources: [{ kind: 'numbers', text: '1050 to 1060' }], measure: 'mean', byAccount: true };
    const definition = { ...begun.definition, measure: 'movement', lines: [mean] } as OwnLayoutBody;
    const saved = await server.ok<LayoutDetail>('PUT', `${books.path}/layouts/${begun.id}/draft`, { version: begun.version, definition });
    await server.ok('POST', `${books.path}/layouts/${begun.id}/use`, { version: saved.version });
    const { rows } = await statement(server, books.id, `layout-${begun.id}`, '2025-01-01', '2025-12-31', '&compare=none&zero=1');
    // Half a cent each: one cent together.
    expect(rows.map(({ caption, values }) => [caption, values[0]])).toEqual([
      ['Held on average', '1'],
      ['1050 Till', '1'],
      ['1060 Safe', '0'],
    ]);
  });
});
