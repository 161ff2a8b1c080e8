import type { LayoutDetail, OwnLayoutBody, ProofList } from '@ivory-ladder/contract';
import { newLine } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type OwnAccount, openOwnBooks } from '../support/ownBooks.ts';
import { recomputedBook } from '../support/recomputedWorkbook.ts';
import { TestServer } from '../support/server.ts';
import { statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const chart: readonly OwnAccount[] = [
  ['1000', 'Bank', 'asset', 'Cash and cash equivalents', 1000],
  ['1050', 'Deposit for the quay', 'asset', 'Cash and cash equivalents', 100],
  ['1500', 'Vessels', 'asset', 'Property, plant and equipment', 2000],
  ['2600', 'Bank loan', 'liability', 'Loans and leases', -800],
  ['3000', 'Share capital', 'equity', 'Share capital', -2300],
  ['3100', 'Retained earnings', 'equity', 'Retained earnings'],
  ['4000', 'Sales', 'income', 'Revenue'],
  ['6000', 'Wages', 'expense', 'Staff costs'],
];
const numbers = (text: string) => [{ kind: 'numbers' as const, text }];
const accounts = (key: string, caption: string, text: string) => ({ ...newLine('accounts', key, caption), sources: numbers(text) });
const over = 'from=2025-01-01&to=2025-12-31&compare=none';

async function open() {
  const books = await openOwnBooks(server, chart);
  await books.post('2025-05-01', { 1000: 500, 4000: -500 });
  await books.post('2025-06-01', { 6000: 120, 1000: -120 });
  const keep = async (name: string, from: 'balance_sheet' | 'income_statement', lines: readonly unknown[]): Promise<number> => {
    const begun = await server.ok<LayoutDetail>('POST', `${books.path}/layouts`, { name, from });
    const definition = { ...begun.definition, lines } as OwnLayoutBody;
    const saved = await server.ok<LayoutDetail>('PUT', `${books.path}/layouts/${begun.id}/draft`, { version: begun.version, definition });
    await server.ok('POST', `${books.path}/layouts/${begun.id}/use`, { version: saved.version });
    return begun.id;
  };
  const own = async (layout: number) =>
    (await server.ok<ProofList>('GET', `${books.path}/proofs?${over}&layout=${layout}`)).proofs.find(({ name }) => name === 'own_totals');
  return { ...books, keep, own };
}

const sheet = (more: { readonly moved?: boolean; readonly without?: string } = {}) => {
  const loan = accounts('loan', 'Bank loan', '2600');
  return [
    { ...newLine('group', 'assets', 'Assets'), side: 'debit', children: [accounts('held', 'All assets', more.without ?? '1000 to 1999')] },
    {
      ...newLine('group', 'claims', 'Claims'),
      side: 'credit',
      children: [...(more.moved ? [] : [loan]), accounts('owners', 'Equity', '3000 to 3999'), newLine('result', 'result', 'Result')],
    },
    ...(more.moved ? [loan] : []),
  ];
};

describe('a composed statement', () => {
  it('is proven by its own totals, and ties', async () => {
    const books = await open();
    const id = await books.keep('Ties', 'balance_sheet', sheet());
    expect(await books.own(id)).toMatchObject({ state: 'holds', difference: '0' });
    const run = await statement(server, books.id, `layout-${id}`, '2025-01-01', '2025-12-31', '&compare=none');
    expect([run.isDraft, run.notes]).toEqual([false, []]);
  });

  it('that misses an account is off by it, and says so on the page, in CSV and in the workbook', async () => {
    const books = await open();
    const id = await books.keep('Misses one', 'balance_sheet', sheet({ without: '1000 to 1999 except 1050' }));
    expect(await books.own(id)).toMatchObject({ state: 'fails', difference: '-10000' });
    const run = await statement(server, books.id, `layout-${id}`, '2025-01-01', '2025-12-31', '&compare=none');
    expect([run.isDraft, run.notes]).toEqual([true, ['Draft: does not tie by 100.00 EUR at 31 December 2025.']]);
    const csv = new TextDecoder().decode(await server.bytes(`${books.path}/statements/layout-${id}/csv?${over}`));
    expect(csv).toContain('Draft · 31 December 2025');
    expect(csv).toContain('Draft: does not tie by 100.00 EUR');
    const { sheet: page } = await recomputedBook(server, `${books.path}/statements/layout-${id}/workbook?${over}`);
    expect(page.getCell('A3').value).toBe('Draft · 31 December 2025 · EUR');
    expect(JSON.stringify(page.getSheetValues())).toContain('does not tie by 100.00 EUR');
  });

  it('with a line moved out of its group is off by that line, which is named, though every account stands in it once', async () => {
    const books = await open();
    const id = await books.keep('Moved out', 'balance_sheet', sheet({ moved: true }));
    const proof = await books.own(id);
    expect(proof).toMatchObject({ state: 'fails', difference: '80000' });
    expect(proof?.figures.filter(({ name }) => name.startsWith('in_no_total')).map(({ name, net }) => [name, net])).toEqual([
      ['in_no_total Bank loan', '-80000'],
    ]);
    const { notes } = await statement(server, books.id, `layout-${id}`, '2025-01-01', '2025-12-31', '&compare=none');
    expect(notes).toEqual(['Draft: does not tie by 800.00 EUR at 31 December 2025.', '«Bank loan» reaches no total: 800.00 EUR.']);
  });

  it('of net assets ties too: assets less debts against equity', async () => {
    const books = await open();
    const id = await books.keep('Net assets', 'balance_sheet', [
      accounts('held', 'All assets', '1000 to 1999'),
      accounts('loan', 'Bank loan', '2600'),
      {
        ...newLine('sum', 'net', 'Net assets'),
        side: 'debit',
        terms: [
          { key: 'held', sign: 1 },
          { key: 'loan', sign: -1 },
        ],
      },
      {
        ...newLine('group', 'owners', 'Equity'),
        side: 'credit',
        children: [accounts('equity', 'Equity', '3000 to 3999'), newLine('result', 'result', 'Result')],
      },
    ]);
    expect(await books.own(id)).toMatchObject({ state: 'holds', difference: '0' });
  });

  it('of income and expenses is held against the profit', async () => {
    const books = await open();
    const lines = (text: string) => [
      accounts('sales', 'Sales', '4000'),
      accounts('costs', 'Costs', text),
      {
        ...newLine('sum', 'profit', 'Profit'),
        side: 'credit',
        terms: [
          { key: 'sales', sign: 1 },
          { key: 'costs', sign: -1 },
        ],
      },
    ];
    expect(await books.own(await books.keep('All', 'income_statement', lines('6000')))).toMatchObject({ state: 'holds' });
    expect(await books.own(await books.keep('Some', 'income_statement', lines('6100')))).toMatchObject({ state: 'fails', difference: '-12000' });
  });
});

describe('the proof of cash', () => {
  it('compares the line that holds cash whole: an account in it without the role is named with its amount', async () => {
    const books = await open();
    const { cash_ties } = await books.proofs();
    expect(cash_ties).toMatchObject({ state: 'fails', difference: '10000' });
    expect(cash_ties?.accounts.map(({ number, reason, net }) => [number, reason, net])).toEqual([['1050', 'among_cash', '10000']]);
    const { id, version } = await books.find('1050');
    await server.ok('PATCH', `${books.path}/accounts/${id}`, { version, role: 'cash' });
    expect((await books.proofs()).cash_ties).toMatchObject({ state: 'holds' });
  });
});
