import type { ChartView, CodeListBody, PlacementView } from '@ivory-ladder/contract';
import { type AccountsOwnLine, type Direction, newLine, type OwnLayout, type OwnLine, type OwnTransfer, plainLook, type Source } from '@ivory-ladder/core';
import type { ApiClient } from './apiClient.ts';
import { exampleDays } from './exampleA.ts';
import { bringIn, createCompany } from './trialBalance.ts';

/**
 * IAS 7, Illustrative Examples, example A: the ledger behind its cash flow statement. The balances of 20X1, and the year's events
 * as entries, since two trial balances show property only net. Values from memory; what is received from customers (30,150) and
 * paid to suppliers (26,690, with 910 of other expenses 27,600) is what its direct method publishes. Interest receivable, and
 * interest and dividends within investment income, have accounts of their own.
 */
const accounts: readonly (readonly [number: string, name: string, element: string, category: string, x1: number])[] = [
  ['1000', 'Cash and cash equivalents', 'asset', 'Cash', 160],
  ['1100', 'Accounts receivable', 'asset', 'Receivables', 1200],
  ['1150', 'Interest receivable', 'asset', 'Receivables', 0],
  ['1200', 'Inventory', 'asset', 'Inventory', 1950],
  ['1300', 'Portfolio investments', 'asset', 'Portfolio investments', 2500],
  ['1400', 'Property, plant and equipment at cost', 'asset', 'Property, plant and equipment > At cost', 1910],
  ['1450', 'Accumulated depreciation', 'asset', 'Property, plant and equipment > Accumulated depreciation', -1060],
  ['2000', 'Trade payables', 'liability', 'Trade payables', -1890],
  ['2100', 'Interest payable', 'liability', 'Interest payable', -100],
  ['2200', 'Income taxes payable', 'liability', 'Income taxes payable', -1000],
  ['2300', 'Long-term debt', 'liability', 'Long-term debt', -1040],
  ['3000', 'Share capital', 'equity', 'Share capital', -1250],
  ['3100', 'Retained earnings', 'equity', 'Retained earnings', -1380],
  ['4000', 'Sales', 'income', 'Sales', 0],
  ['4510', 'Interest income', 'income', 'Investment income', 0],
  ['4520', 'Dividend income', 'income', 'Investment income', 0],
  ['5000', 'Cost of sales', 'expense', 'Cost of sales', 0],
  ['5100', 'Depreciation', 'expense', 'Depreciation', 0],
  ['5200', 'Administrative and selling expenses', 'expense', 'Administrative and selling expenses', 0],
  ['5300', 'Interest expense', 'expense', 'Interest expense', 0],
  ['5400', 'Foreign exchange loss', 'expense', 'Foreign exchange loss', 0],
  ['5900', 'Taxes on income', 'expense', 'Income tax', 0],
];

/** Debit positive; `acquired` where the lines bear that movement. */
const events: readonly { readonly text: string; readonly lines: Readonly<Record<string, number>>; readonly acquired?: true }[] = [
  { text: 'Sales', lines: { 1100: 30_650, 4000: -30_650 } },
  { text: 'Received from customers', lines: { 1000: 30_150, 1100: -30_150 } },
  { text: 'Purchases', lines: { 1200: 24_950, 2000: -24_950 } },
  { text: 'Cost of sales', lines: { 5000: 26_000, 1200: -26_000 } },
  { text: 'Paid to suppliers', lines: { 2000: 26_690, 1000: -26_690 } },
  { text: 'Administrative and selling expenses', lines: { 5200: 910, 1000: -910 } },
  { text: 'Depreciation', lines: { 5100: 450, 1450: -450 } },
  { text: 'Interest expense', lines: { 5300: 400, 2100: -400 } },
  { text: 'Interest paid', lines: { 2100: 270, 1000: -270 } },
  { text: 'Interest income', lines: { 1000: 200, 1150: 100, 4510: -300 } },
  { text: 'Dividends received, gross', lines: { 1000: 200, 4520: -200 } },
  { text: 'Tax withheld from dividends', lines: { 5900: 100, 1000: -100 } },
  { text: 'Income tax provided for', lines: { 5900: 200, 2200: -200 } },
  { text: 'Income tax paid', lines: { 2200: 800, 1000: -800 } },
  { text: 'Foreign exchange loss on cash', lines: { 5400: 40, 1000: -40 } },
  { text: 'Subsidiary acquired', lines: { 1200: 100, 1100: 100, 1000: -550, 1400: 650, 2000: -100, 2300: -200 }, acquired: true },
  { text: 'Shares issued', lines: { 1000: 250, 3000: -250 } },
  { text: 'Long-term borrowings', lines: { 1000: 250, 2300: -250 } },
  { text: 'Equipment under lease', lines: { 1400: 900, 2300: -900 } },
  { text: 'Equipment bought', lines: { 1400: 350, 1000: -350 } },
  { text: 'Lease liabilities paid', lines: { 2300: 90, 1000: -90 } },
  { text: 'Plant sold', lines: { 1000: 20, 1450: 60, 1400: -80 } },
  { text: 'Dividends paid', lines: { 3100: 1200, 1000: -1200 } },
];

/** The facet of movements; lines of the acquisition bear its one value. */
const movementFacet = 'Movement';
const acquisition = 'ACQUIRED';

/** A company with the ledger; steps of its categories as the income statement needs them. */
export async function bringInCashExample(server: ApiClient, name = 'Example A, cash flow'): Promise<{ readonly id: number; readonly facet: CodeListBody }> {
  const { id } = await createCompany(server, { name });
  const rows = accounts.map(([number, caption, element, category, x1]) => [number, `"${caption}"`, element, `"${category}"`, x1].join(','));
  await bringIn(server, id, ['Number,Name,Element,Category,Balance', ...rows].join('\n'), { date: exampleDays.x1, retainedEarnings: '3100' });
  const path = `/companies/${id}`;
  await server.ok('POST', `${path}/years`, { day: exampleDays.x2 });
  const facet = await server.ok<CodeListBody>('POST', `${path}/code-lists`, {
    kind: 'facet',
    name: movementFacet,
    codes: [{ code: acquisition, caption: 'Acquired with a subsidiary' }],
  });
  const chart = await server.ok<ChartView>('GET', `${path}/chart?from=2022-01-01&to=2022-12-31`);
  const account = (number: string) => {
    const found = chart.accounts.find((one) => one.number === number);
    if (!found) throw new Error(`no account ${number}`);
    return found;
  };
  for (const [number, role] of [
    ['1000', 'cash'],
    ['5400', 'exchange_differences'],
  ] as const)
    await server.ok('PATCH', `${path}/accounts/${account(number).id}`, { version: account(number).version, role });
  const steps: Readonly<Record<string, string>> = {
    Sales: 'revenue',
    'Cost of sales': 'cost_of_sales',
    'Investment income': 'investing',
    'Interest expense': 'financing',
    'Foreign exchange loss': 'financing',
    'Income tax': 'income_tax',
  };
  const view = await server.ok<PlacementView>('GET', `${path}/placement?from=2022-01-01&to=2022-12-31`);
  for (const { id: categoryId, name: category, version } of view.categories)
    if (steps[category]) await server.ok('PATCH', `${path}/categories/${categoryId}`, { version, step: steps[category] });
  for (const { text, lines, acquired } of events) {
    const amounts = Object.entries(lines).map(([number, amount]) => ({
      accountId: account(number).id,
      ...(amount > 0 ? { debit: String(amount * 100) } : { credit: String(-amount * 100) }),
      facets: acquired ? { [facet.key]: acquisition } : {},
    }));
    await server.ok('POST', `${path}/entries`, { date: '2022-06-30', description: text, lines: amounts });
  }
  return { id, facet };
}

const numbers = (text: string): readonly Source[] => [{ kind: 'numbers', text }];

/** Its statement by the indirect method, composed: splits by direction and by movement, transfers for interest, dividends and the lease. */
export function cashExampleLayout(facet: string): OwnLayout {
  const ordinary = { [facet]: [''] };
  const taking = (key: string, caption: string, text: string, more: Partial<AccountsOwnLine> = {}): OwnLine => ({
    ...newLine('accounts', key, caption),
    side: 'credit',
    sources: text === '' ? [] : numbers(text),
    ...more,
  });
  const directed = (key: string, caption: string, text: string, direction: Direction): OwnLine => taking(key, caption, text, { facets: ordinary, direction });
  const group = (key: string, caption: string, totalCaption: string, children: readonly OwnLine[]): OwnLine => ({
    ...newLine('group', key, caption),
    side: 'credit',
    totalCaption,
    children,
  });
  const sum = (key: string, caption: string, terms: readonly string[]): OwnLine => ({
    ...newLine('sum', key, caption),
    side: 'credit',
    shown: 'always',
    terms: terms.map((term) => ({ key: term, sign: 1 })),
  });
  const cash = (of: 'opening' | 'closing' | 'exchange', caption: string): OwnLine => ({
    ...newLine('cash', `cash_${of}`, caption),
    of,
    addedBackOn: of === 'exchange' ? 'exchange_loss' : null,
    look: of === 'closing' ? { ...plainLook, weight: 'final' } : plainLook,
  });
  const adjusted = ['profit', 'depreciation', 'exchange_loss', 'investment_income', 'interest_expense'];
  const living = (key: string, text: string, from: string, on: string, account: string): OwnTransfer => ({
    key,
    text,
    from,
    on,
    amount: { kind: 'living', sources: numbers(account), except: [] },
  });
  return {
    kind: 'cash_flow',
    title: 'Statement of cash flows',
    titles: [],
    measure: 'movement',
    scope: [],
    lines: [
      group('operating', 'Operating activities', 'Net cash from operating activities', [
        { ...newLine('result', 'profit', 'Profit before taxation'), except: [{ kind: 'step', step: 'income_tax' }] },
        directed('depreciation', 'Depreciation', '1450', 'increase'),
        taking('exchange_loss', 'Foreign exchange loss', ''),
        taking('investment_income', 'Investment income', ''),
        taking('interest_expense', 'Interest expense', ''),
        sum('before_working_capital', 'Before working capital', adjusted),
        taking('receivables', 'Increase in trade and other receivables', '1100', { facets: ordinary }),
        taking('inventories', 'Decrease in inventories', '1200', { facets: ordinary }),
        taking('payables', 'Decrease in trade payables', '2000', { facets: ordinary }),
        sum('generated', 'Cash generated from operations', [...adjusted, 'receivables', 'inventories', 'payables']),
        taking('interest_paid', 'Interest paid', '2100'),
        taking('taxes_paid', 'Income taxes paid', '2200', { sources: [...numbers('2200'), { kind: 'step', step: 'income_tax' }] }),
      ]),
      group('investing', 'Investing activities', 'Net cash used in investing activities', [
        taking('subsidiary', 'Acquisition of the subsidiary, net of cash acquired', '1100, 1200, 1400, 1450, 2000, 2300', {
          facets: { [facet]: [acquisition] },
        }),
        directed('property_bought', 'Purchase of property, plant and equipment', '1400', 'increase'),
        directed('property_sold', 'Proceeds from sale of equipment', '1400, 1450', 'decrease'),
        taking('investments', 'Portfolio investments', '1300'),
        taking('interest_received', 'Interest received', '1150'),
        taking('dividends_received', 'Dividends received', ''),
      ]),
      group('financing', 'Financing activities', 'Net cash used in financing activities', [
        taking('shares', 'Proceeds from issue of share capital', '3000'),
        directed('borrowed', 'Proceeds from long-term borrowings', '2300', 'increase'),
        directed('lease_paid', 'Payment of lease liabilities', '2300', 'decrease'),
        taking('dividends_paid', 'Dividends paid', '3100'),
      ]),
      cash('opening', 'Cash and cash equivalents at the beginning'),
      sum('net_change', 'Net increase in cash and cash equivalents', ['operating', 'investing', 'financing']),
      cash('exchange', 'Effect of exchange rates'),
      cash('closing', 'Cash and cash equivalents at the end'),
    ],
    transfers: [
      living('interest', 'Interest expense', 'interest_paid', 'interest_expense', '5300'),
      living('interest_in', 'Interest income', 'interest_received', 'investment_income', '4510'),
      living('dividends_in', 'Dividend income', 'dividends_received', 'investment_income', '4520'),
      {
        key: 'lease',
        text: 'Equipment acquired under a lease, without cash',
        on: 'property_bought',
        from: 'borrowed',
        amount: { kind: 'fixed', day: '2022-06-30', inflow: '90000' },
      },
    ],
  };
}

/** The same as a file that names its facet by a key of another installation. */
export function cashExampleFile(): object {
  const facet = 'facet:4711';
  const names = { categories: [], accounts: [], lists: [{ key: facet, name: movementFacet }] };
  return { format: 'ivory-ladder-layout', version: 1, name: 'Statement of cash flows', layout: cashExampleLayout(facet), names };
}

/** Every line and total as published; opening cash before the exchange effect, which the example restates into it. */
export const publishedCashFlow: Readonly<Record<string, number>> = {
  'Profit before taxation': 3350,
  Depreciation: 450,
  'Foreign exchange loss': 40,
  'Investment income': -500,
  'Interest expense': 400,
  'Before working capital': 3740,
  'Increase in trade and other receivables': -500,
  'Decrease in inventories': 1050,
  'Decrease in trade payables': -1740,
  'Cash generated from operations': 2550,
  'Interest paid': -270,
  'Income taxes paid': -900,
  'Net cash from operating activities': 1380,
  'Acquisition of the subsidiary, net of cash acquired': -550,
  'Purchase of property, plant and equipment': -350,
  'Proceeds from sale of equipment': 20,
  'Interest received': 200,
  'Dividends received': 200,
  'Net cash used in investing activities': -480,
  'Proceeds from issue of share capital': 250,
  'Proceeds from long-term borrowings': 250,
  'Payment of lease liabilities': -90,
  'Dividends paid': -1200,
  'Net cash used in financing activities': -790,
  'Cash and cash equivalents at the beginning': 160,
  'Net increase in cash and cash equivalents': 110,
  'Effect of exchange rates': -40,
  'Cash and cash equivalents at the end': 230,
};
