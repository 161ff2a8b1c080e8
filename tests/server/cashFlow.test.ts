import type { CodeListBody, EvidenceBody, LayoutDetail, OwnLayoutBody, PostedEntryBody, ProofList } from '@ivory-ladder/contract';
import { newLine } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bringInCashExample, cashExampleLayout, publishedCashFlow } from '../support/exampleACash.ts';
import { line, openLayoutShop } from '../support/layoutShop.ts';
import { openOwnBooks } from '../support/ownBooks.ts';
import { recomputeStatement } from '../support/recomputedWorkbook.ts';
import { TestServer } from '../support/server.ts';
import { bringIn, figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const year = ['2022-01-01', '2022-12-31'] as const;
const over = `from=${year[0]}&to=${year[1]}`;

async function open() {
  const { id, facet } = await bringInCashExample(server);
  const path = `/companies/${id}`;
  const keep = async (name: string, definition: OwnLayoutBody): Promise<LayoutDetail> => {
    const begun = await server.ok<LayoutDetail>('POST', `${path}/layouts`, { name, from: 'nothing' });
    const saved = await server.ok<LayoutDetail>('PUT', `${path}/layouts/${begun.id}/draft`, { version: begun.version, definition });
    return server.ok<LayoutDetail>('POST', `${path}/layouts/${begun.id}/use`, { version: saved.version });
  };
  const layout = await keep('Statement of cash flows', cashExampleLayout(facet.key) as OwnLayoutBody);
  const shown = async (kind: 'cash-flow' | `layout-${number}` = `layout-${layout.id}`, more = '') =>
    Object.fromEntries(figures(await statement(server, id, kind, ...year, more), 100n).map(([caption, first]) => [caption, first]));
  const proof = async (name: string) => (await server.ok<ProofList>('GET', `${path}/proofs?${over}`)).proofs.find((one) => one.name === name);
  return { id, path, facet, layout, keep, shown, proof };
}

/** IAS 7, Illustrative Examples, example A; values from memory (see support/exampleACash.ts). */
describe('the cash flow of example A of IAS 7', () => {
  it('comes out as published, line by line, and explains the change in cash', async () => {
    const example = await open();
    const shown = await example.shown();
    for (const [caption, amount] of Object.entries(publishedCashFlow)) expect(shown[caption], caption).toBe(amount);
    expect(await example.proof('layouts_complete')).toMatchObject({ state: 'holds' });
    const cash = await example.proof('cash_ties');
    expect(cash).toMatchObject({ state: 'holds', difference: '0' });
    // The generated cash flow and the composed one, for the year and for the one before, each with what was posted and the balance sheets.
    const of20X2 = cash?.figures.filter(({ day }) => day === year[1]);
    expect(of20X2?.map(({ name, net }) => [name, net])).toEqual([
      ['cash_by_lines', '7000'],
      ['cash_moved', '7000'],
      ['cash_in_balance_sheet', '7000'],
      ['cash_by_lines Statement of cash flows', '7000'],
      ['cash_moved', '7000'],
      ['cash_in_balance_sheet', '7000'],
    ]);
  });

  it('restates the opening cash by what rates did, as the example does, in a line over two that are not shown', async () => {
    const example = await open();
    const own = cashExampleLayout(example.facet.key);
    const unseen = own.lines.map((line) => (line.key === 'cash_opening' || line.key === 'cash_exchange' ? { ...line, shown: 'never' as const } : line));
    const restated = { ...newLine('calculation', 'restated', 'Cash at the beginning, restated'), formula: 'cash_opening + cash_exchange', result: 'amount' };
    const layout = await example.keep('Restated', { ...own, lines: [...unseen, restated] } as OwnLayoutBody);
    const shown = await example.shown(`layout-${layout.id}`);
    expect([
      shown['Cash at the beginning, restated'],
      shown['Net increase in cash and cash equivalents'],
      shown['Cash and cash equivalents at the end'],
      shown['Effect of exchange rates'],
    ]).toEqual([120, 110, 230, undefined]);
    expect(await example.proof('cash_ties')).toMatchObject({ state: 'holds', difference: '0' });
  });

  it('lists what is moved between lines, and moves it with their accounts', async () => {
    const example = await open();
    const { transfers } = await statement(server, example.id, `layout-${example.layout.id}`, ...year);
    expect(transfers.map(({ text, from, on, values }) => [text, from, on, values[0]])).toEqual([
      ['Interest expense', 'Interest paid', 'Interest expense', '40000'],
      ['Interest income', 'Interest received', 'Investment income', '-30000'],
      ['Dividend income', 'Dividends received', 'Investment income', '-20000'],
      ['Equipment acquired under a lease, without cash', 'Proceeds from long-term borrowings', 'Purchase of property, plant and equipment', '90000'],
    ]);
    const evidence = async (key: string) =>
      server.ok<EvidenceBody>('GET', `${example.path}/statements/layout-${example.layout.id}/evidence?${over}&line=${key}&column=0`);
    expect(await evidence('interest_paid')).toMatchObject({
      amount: '-27000',
      accounts: [
        { number: '5300', net: '40000' },
        { number: '2100', net: '-13000' },
      ],
    });
    expect(await evidence('property_bought')).toMatchObject({
      amount: '-35000',
      accounts: [{ number: '1400', net: '125000' }],
      carried: [{ caption: 'Equipment acquired under a lease, without cash', net: '-90000' }],
    });
    const opened = await statement(server, example.id, `layout-${example.layout.id}`, ...year, '&open=property_bought');
    expect(opened.rows.filter(({ lineKey }) => lineKey === 'property_bought').map(({ caption, values }) => [caption, values[0]])).toEqual([
      ['Purchase of property, plant and equipment', '-35000'],
      ['1400 Property, plant and equipment at cost', '-125000'],
      ['Equipment acquired under a lease, without cash', '90000'],
    ]);
    const half = await statement(server, example.id, `layout-${example.layout.id}`, '2022-07-01', '2022-12-31');
    expect(half.transfers).toEqual([]);
  });

  it('has the same totals in a workbook whose formulas are computed anew', async () => {
    const example = await open();
    const { formulas } = await recomputeStatement(server, example.id, `layout-${example.layout.id}`, `${over}&open=property_bought,interest_paid`);
    // Five totals and two opened lines, in the columns of amounts and of changes.
    expect(formulas).toBeGreaterThan(7);
  });

  it('names the account that stands in no line, or in two, and says by how much cash is not explained', async () => {
    const example = await open();
    const definition = cashExampleLayout(example.facet.key);
    const without = (dropped: string) => ({
      ...definition,
      lines: definition.lines.map((one) => (one.kind === 'group' ? { ...one, children: one.children.filter(({ key }) => key !== dropped) } : one)),
    });
    await example.keep('Without dividends', without('dividends_paid') as OwnLayoutBody);
    expect(await example.proof('cash_ties')).toMatchObject({
      state: 'fails',
      difference: '120000',
      accounts: [{ number: '3100', reason: 'unplaced', net: '120000' }],
    });
  });
});

describe('the generated cash flow', () => {
  it('of example A comes to the same cash by its activities, whatever it begins with', async () => {
    const example = await open();
    const options = () => server.ok<{ version: number; cashFlow: object }>('GET', `${example.path}/layout-options`);
    const net = ['Net change in cash and cash equivalents', 'Effect of exchange rates', 'Cash and cash equivalents at the end'];
    for (const start of ['profit', 'profit_before_tax', 'operating_profit'] as const)
      for (const interestPaid of ['operating', 'financing'] as const) {
        const before = await options();
        await server.ok('PUT', `${example.path}/layout-options`, { ...before, cashFlow: { ...before.cashFlow, start, interestPaid } });
        const shown = await example.shown('cash-flow');
        expect(
          net.map((caption) => shown[caption]),
          `${start}, interest in ${interestPaid}`,
        ).toEqual([110, -40, 230]);
        expect(await example.proof('cash_ties'), `${start}, interest in ${interestPaid}`).toMatchObject({ state: 'holds' });
      }
  });

  it('shows additions and disposals, and depreciation as an item without cash', async () => {
    const example = await open();
    const shown = await example.shown('cash-flow');
    expect(shown).toMatchObject({
      'Profit before tax': 3350,
      'Property, plant and equipment, depreciation': 450,
      // 350 in cash, none of the 900 under lease; 650 acquired, whole, since what the subsidiary owed is paid later. 80 less 60 sold.
      'Property, plant and equipment, additions': -1000,
      'Property, plant and equipment, disposals': 20,
      'Share capital, proceeds': 250,
      'Dividends paid': -1200,
    });
  });

  it('lists what of example A moved without cash: the leases of its note B', async () => {
    const example = await open();
    const { notes } = await statement(server, example.id, 'cash-flow', '2022-01-01', '2022-12-31', '&compare=none');
    expect(notes.filter((note) => note.startsWith('Without cash')).map((note) => note.replace(/, \d+, /, ', … '))).toEqual([
      'Without cash, in no line above: 30 June 2022, … Equipment under lease, 900.00 EUR: Investing activities (900.00), Financing activities 900.00.',
    ]);
  });
});

describe('movements by direction', () => {
  it('count a reversing line against what it reverses, whichever line it stands in', async () => {
    const shop = await openLayoutShop(server);
    const post = async (amount: number) =>
      server.ok<PostedEntryBody>('POST', `${shop.path}/entries`, {
        date: '2026-09-15',
        lines: [
          { accountId: (await shop.find('1000')).id, debit: String(amount) },
          { accountId: (await shop.find('3200')).id, credit: String(amount) },
        ],
      });
    await post(700);
    const wrong = await post(300);
    await server.ok('POST', `${shop.path}/entries/${wrong.entryId}/reversal`, { date: '2026-09-20' });
    const begun = await shop.begin('By direction', 'nothing');
    const taking = (key: string, direction: 'increase' | 'decrease') =>
      line({ ...newLine('accounts', key, key), shown: 'always', sources: [{ kind: 'numbers', text: '1000' }], direction });
    await shop.use(await shop.save(begun, { ...begun.definition, lines: [taking('up', 'increase'), taking('down', 'decrease')] }));
    const shown = async (span: string) => Object.fromEntries(figures(await shop.run(begun.id, '', span)).map(([caption, first]) => [caption, first]));
    expect(await shown('from=2026-09-15&to=2026-09-29')).toEqual({ up: 700, down: 0 });
    // The reversal alone takes back an increase of before.
    expect(await shown('from=2026-09-20&to=2026-09-20')).toEqual({ up: -300, down: 0 });
  });

  it('are told apart for facet values too, and both together are the movement', async () => {
    const shop = await openLayoutShop(server);
    const vessel = await server.ok<CodeListBody>('POST', `${shop.path}/code-lists`, {
      kind: 'facet',
      name: 'Vessel',
      codes: [{ code: 'TERN', caption: 'Tern' }],
    });
    const post = async (debit: string, credit: string, amount: number, facets: object) =>
      server.ok('POST', `${shop.path}/entries`, {
        date: '2026-09-15',
        lines: [
          { accountId: (await shop.find(debit)).id, debit: String(amount), facets },
          { accountId: (await shop.find(credit)).id, credit: String(amount), facets },
        ],
      });
    await post('6200', '1000', 70, { [vessel.key]: 'TERN' });
    await post('6200', '1000', 5, {});
    await post('1000', '6200', 20, { [vessel.key]: 'TERN' });
    const begun = await shop.begin('By direction and vessel', 'nothing');
    const taking = (key: string, more: object) =>
      line({ ...newLine('accounts', key, key), shown: 'always', sources: [{ kind: 'numbers', text: '6200' }], ...more });
    const tern = { facets: { [vessel.key]: ['TERN'] } };
    const none = { facets: { [vessel.key]: [''] } };
    const lines = [
      taking('tern_up', { ...tern, direction: 'increase' }),
      taking('tern_down', { ...tern, direction: 'decrease' }),
      taking('other', none),
      line({ ...newLine('remainder', 'rest', 'rest'), elements: ['expense'] }),
    ];
    await shop.use(await shop.save(begun, { ...begun.definition, scope: ['expense'], lines }));
    const shown = Object.fromEntries(figures(await shop.run(begun.id, '', 'from=2026-09-15&to=2026-09-29')).map(([caption, first]) => [caption, first]));
    expect(shown).toEqual({ tern_up: 70, tern_down: -20, other: 5 });
    const { proofs } = await server.ok<ProofList>('GET', `${shop.path}/proofs?from=2026-09-15&to=2026-09-29`);
    expect(proofs.find(({ name }) => name === 'layouts_complete')).toMatchObject({ state: 'holds' });
  });
});

describe('what moved without cash', () => {
  const chart = [
    ['1000', 'Bank', 'asset', 'Cash and cash equivalents', 900],
    ['1500', 'Plant', 'asset', 'Property, plant and equipment', 300],
    ['2000', 'Suppliers', 'liability', 'Trade and other payables'],
    ['2600', 'Bank loan', 'liability', 'Loans and leases', -800],
    ['3000', 'Share capital', 'equity', 'Share capital', -300],
    ['3100', 'Retained earnings', 'equity', 'Retained earnings', -100],
    ['6000', 'Rent', 'expense', 'Other operating expenses'],
  ] as const;
  const listed = async (books: Awaited<ReturnType<typeof openOwnBooks>>, more = '') =>
    (await statement(server, books.id, 'cash-flow', '2025-01-01', '2025-12-31', `&compare=none${more}`)).notes.filter((note) =>
      note.startsWith('Without cash'),
    );

  it('follows each entry and its reversal, in the year and in its months', async () => {
    const books = await openOwnBooks(server, chart);
    const added = 'Property, plant and equipment, additions';
    expect([await listed(books), (await books.shown('cash-flow'))[added]]).toEqual([[], undefined]);
    const loan = await books.post('2025-05-31', { 1500: 1000, 1000: -300, 2600: -700 }, { description: 'Plant, part on a loan' });
    expect((await books.shown('cash-flow'))[added]).toBe(-300);
    expect(await listed(books)).toHaveLength(1);
    // Owed to a supplier: counts whole, and is not listed.
    await books.post('2025-06-30', { 1500: 50, 2000: -50 });
    expect((await books.shown('cash-flow'))[added]).toBe(-350);
    expect(await listed(books)).toHaveLength(1);
    // Parts of a year are read by themselves, by month and together.
    const { rows } = await statement(server, books.id, 'cash-flow', '2025-01-01', '2025-12-31', '&plan=periods');
    const months = rows.find(({ caption }) => caption === added)?.values ?? [];
    expect([months[4], months[5], months[12], months.filter((value) => Number(value ?? 0) !== 0).length]).toEqual(['-30000', '-5000', '-35000', 3]);
    await server.ok('POST', `${books.path}/entries/${loan.entryId}/reversal`, { date: '2025-06-30' });
    expect((await books.shown('cash-flow'))[added]).toBe(-50);
    expect(await listed(books)).toHaveLength(2);
  });

  it('of a trial balance that was brought in is not known, and that is said', async () => {
    const books = await openOwnBooks(server, chart);
    const rows = [
      '1000;Bank;asset;600',
      '1500;Plant;asset;600',
      '2600;Bank loan;liability;-800',
      '3000;Share capital;equity;-300',
      '3100;Retained earnings;equity;-100',
    ];
    await bringIn(
      server,
      books.id,
      ['Number;Name;Element;Balance', ...rows].join('\n'),
      { date: '2025-09-30', figures: { kind: 'year_to_date' } },
      'september.csv',
    );
    const { notes } = await statement(server, books.id, 'cash-flow', '2025-01-01', '2025-12-31', '&compare=none');
    expect(notes).toEqual(['A trial balance was brought in at 30 September 2025: what of its movements was without cash is not known.']);
    expect((await statement(server, books.id, 'cash-flow', '2025-10-01', '2025-12-31', '&compare=none')).notes).toEqual([]);
  });
});
