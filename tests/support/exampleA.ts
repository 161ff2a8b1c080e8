/**
 * IAS 7 Statement of Cash Flows, Illustrative Examples, example A, as illustrated before IFRS 18's amendments to
 * IAS 7: its two balance sheets and its income statement as two trial balances before closing. Values from memory.
 * The retained earnings of 20X2 before closing are 180 (1,380 less dividends of 1,200); the published line of 3,230
 * is both they and the profit of 3,050.
 */
interface ExampleAccount {
  readonly number: string;
  readonly name: string;
  readonly element: 'asset' | 'liability' | 'equity' | 'income' | 'expense';
  readonly category: string;
  readonly x1: number;
  readonly x2: number;
}

const rows: readonly (readonly [string, string, ExampleAccount['element'], string, number, number])[] = [
  ['1000', 'Cash and cash equivalents', 'asset', 'Cash', 160, 230],
  ['1100', 'Accounts receivable', 'asset', 'Receivables', 1200, 1900],
  ['1200', 'Inventory', 'asset', 'Inventory', 1950, 1000],
  ['1300', 'Portfolio investments', 'asset', 'Portfolio investments', 2500, 2500],
  ['1400', 'Property, plant and equipment at cost', 'asset', 'Property, plant and equipment > At cost', 1910, 3730],
  ['1450', 'Accumulated depreciation', 'asset', 'Property, plant and equipment > Accumulated depreciation', -1060, -1450],
  ['2000', 'Trade payables', 'liability', 'Trade payables', -1890, -250],
  ['2100', 'Interest payable', 'liability', 'Interest payable', -100, -230],
  ['2200', 'Income taxes payable', 'liability', 'Income taxes payable', -1000, -400],
  ['2300', 'Long-term debt', 'liability', 'Long-term debt', -1040, -2300],
  ['3000', 'Share capital', 'equity', 'Share capital', -1250, -1500],
  ['3100', 'Retained earnings', 'equity', 'Retained earnings', -1380, -180],
  ['4000', 'Sales', 'income', 'Sales', 0, -30650],
  ['4500', 'Investment income', 'income', 'Investment income', 0, -500],
  ['5000', 'Cost of sales', 'expense', 'Cost of sales', 0, 26000],
  ['5100', 'Depreciation', 'expense', 'Depreciation', 0, 450],
  ['5200', 'Administrative and selling expenses', 'expense', 'Administrative and selling expenses', 0, 910],
  ['5300', 'Interest expense', 'expense', 'Interest expense', 0, 400],
  ['5400', 'Foreign exchange loss', 'expense', 'Foreign exchange loss', 0, 40],
  ['5900', 'Taxes on income', 'expense', 'Income tax', 0, 300],
];

const exampleA: readonly ExampleAccount[] = rows.map(([number, name, element, category, x1, x2]) => ({ number, name, element, category, x1, x2 }));

/** 20X1 and 20X2 as calendar years. */
export const exampleDays = { x1: '2021-12-31', x2: '2022-12-31' } as const;

/** A file with or without its placement; `plain` has neither elements nor categories, as most ledgers export it. */
export function exampleFile(year: 'x1' | 'x2', plain = false): string {
  const accounts = exampleA.filter((account) => account[year] !== 0);
  const quote = (text: string) => `"${text}"`;
  return [
    plain ? 'Number,Name,Balance' : 'Number,Name,Element,Category,Balance',
    ...accounts.map((account) =>
      [account.number, quote(account.name), ...(plain ? [] : [account.element, quote(account.category)]), `${account[year]}.00`].join(','),
    ),
  ].join('\n');
}

/** Every line and total of the published balance sheets, 20X2 then 20X1. */
export const publishedBalanceSheet: Readonly<Record<string, readonly [number, number]>> = {
  Cash: [230, 160],
  Receivables: [1900, 1200],
  Inventory: [1000, 1950],
  'Portfolio investments': [2500, 2500],
  'At cost': [3730, 1910],
  'Less accumulated depreciation': [-1450, -1060],
  'Property, plant and equipment, net': [2280, 850],
  'Total assets': [7910, 6660],
  'Trade payables': [250, 1890],
  'Interest payable': [230, 100],
  'Income taxes payable': [400, 1000],
  'Long-term debt': [2300, 1040],
  'Total liabilities': [3180, 4030],
  'Share capital': [1500, 1250],
  'Retained earnings': [3230, 1380],
  'Total equity': [4730, 2630],
  'Total liabilities and equity': [7910, 6660],
};

/** Every line and total of the published income statement of 20X2; expenses in parentheses. */
export const publishedIncomeStatement: Readonly<Record<string, number>> = {
  Sales: 30650,
  'Cost of sales': -26000,
  'Gross profit': 4650,
  Depreciation: -450,
  'Administrative and selling expenses': -910,
  'Interest expense': -400,
  'Investment income': 500,
  'Foreign exchange loss': -40,
  'Profit before tax': 3350,
  'Income tax': -300,
  'Profit for the period': 3050,
};
