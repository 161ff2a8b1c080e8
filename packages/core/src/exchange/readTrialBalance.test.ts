import { describe, expect, it } from 'vitest';
import type { Element } from '../chart/element.ts';
import type { NumberScheme } from '../chart/numberScheme.ts';
import { currencyOf } from '../money/currency.ts';
import type { Cell } from './cell.ts';
import { detectReading } from './detectReading.ts';
import { type ChartAccount, readTrialBalance } from './readTrialBalance.ts';

function readFile(text: string, options: { name?: string; currency?: string; chart?: ChartAccount[]; confirmed?: Record<string, Element>; numberScheme?: NumberScheme; leaveOut?: number[] } = {}) {
  const rows: Cell[][] = text.split('\n').map((line) => line.split('|'));
  const reading = detectReading(rows, options.name ?? 'file.csv', true);
  return {
    reading,
    ...readTrialBalance({
      rows,
      reading,
      currency: currencyOf(options.currency ?? 'EUR'),
      digitOrder: 'by_value',
      numbered: true,
      numberScheme: options.numberScheme ?? null,
      chart: options.chart ?? [],
      confirmed: new Map(Object.entries(options.confirmed ?? {})),
      leaveOut: new Set(options.leaveOut),
    }),
  };
}

const problems = (file: ReturnType<typeof readFile>) => file.problems.map(({ row, column, code, found, other }) => [row, column, code, found, other]);
const amounts = (file: ReturnType<typeof readFile>) => file.rows.map(({ number, amount }) => [number, amount]);

describe('what a file is taken for', () => {
  it.each([
    ['1,234', true],
    ['123.456', true],
    ['1234.567', false],
    ['0.567', false],
    ['1,234.567', false],
    ['1,234,567', false],
    ['12.5', false],
  ])('of a currency of three decimals, %s leaves its sign open: %s', (amount, isUnclear) => {
    const rows = [
      ['Number', 'Name', 'Balance'],
      ['1', 'Bank', amount],
    ];
    expect(detectReading(rows, 'file.csv', true, 3).isSignUnclear ?? false).toBe(isUnclear);
    expect(detectReading(rows, 'file.csv', true, 2).isSignUnclear).toBeUndefined();
  });

  it('takes the point of 1234.567 and the comma of 0,567 for the decimal sign', () => {
    const signOf = (amount: string) =>
      detectReading(
        [
          ['Number', 'Name', 'Balance'],
          ['1', 'Bank', amount],
        ],
        'file.csv',
        true,
        3,
      ).decimalSign;
    expect([signOf('1234.567'), signOf('0,567')]).toEqual(['.', ',']);
  });

  it('finds headings below title lines, in any order, and a day in the title', () => {
    const { reading } = readFile('Ferry Ltd\nTrial balance at 30 September 2026\n|\nCredit|Account name|Debit|Account no.\n|Bank|10.00|1000');
    expect(reading).toEqual({ headingRow: 3, columns: { credit: 0, name: 1, debit: 2, number: 3 }, decimalSign: '.', amounts: 'debit_and_credit', day: '2026-09-30' });
  });

  it.each([
    ['Konto|Bezeichnung|Soll|Haben\n1000|Bank|1.234,50|', ',', { number: 0, name: 1, debit: 2, credit: 3 }],
    ['Compte|Libellé|Débit|Crédit\n512|Banque|1 234,50|', ',', { number: 0, name: 1, debit: 2, credit: 3 }],
    ['Number|Name|Balance\n1|Bank|1,234.50', '.', { number: 0, name: 1, amount: 2 }],
    ['Code|Description|Amount|Dr/Cr\n1|Bank|1234.50|DR', '.', { number: 0, name: 1, amount: 2, mark: 3 }],
  ] as const)('%s', (text, sign, columns) => {
    const { reading } = readFile(text);
    expect([reading.decimalSign, reading.columns]).toEqual([sign, columns]);
  });

  it.each([
    ['No.|Account|Balance\nA.1|Bank|1.00', { number: 0, name: 1, amount: 2 }],
    ['Konto|Kontonr|Saldo\nBank|1000|1,00', { number: 1, name: 0, amount: 2 }],
    ['Account|Name|Balance\n1000|Bank|1.00', { number: 0, name: 1, amount: 2 }],
  ] as const)('«Account» heads the names where the numbers have a column of their own: %s', (text, columns) => {
    expect(readFile(text).reading.columns).toEqual(columns);
  });

  it('takes numbers and names apart that share a column, and still knows a total line', () => {
    const file = readFile('Account|Debit|Credit\n1000 Bank, current account|10.00|\n3000 – Share capital||10.00\nTotal|10.00|10.00');
    expect(file.rows.map(({ number, name, amount }) => [number, name, amount])).toEqual([
      ['1000', 'Bank, current account', 1000n],
      ['3000', 'Share capital', -1000n],
    ]);
    expect([file.problems, file.leftOut.map(({ reason }) => reason)]).toEqual([[], ['total']]);
  });

  it('tells the columns by what is in them where there are no headings', () => {
    const { reading } = readFile('1000|Bank|10,50|\n1200|Receivables|20,00|\n2000|Payables||5,25\n3000|Capital||25,25');
    expect([reading.headingRow, reading.columns, reading.amounts]).toEqual([null, { number: 0, name: 1, debit: 2, credit: 3 }, 'debit_and_credit']);
  });

  it.each([
    ['saldi-2026-09-30.csv', '2026-09-30'],
    ['TB_20260331.xlsx', '2026-03-31'],
    ['tb 30.06.2026.csv', '2026-06-30'],
    ['december_2025.csv', '2025-12-31'],
    ['export 12/31/2025.csv', '2025-12-31'],
    ['export 31/12/2025.csv', '2025-12-31'],
    ['export 03/04/2025.csv', null],
    ['file.csv', null],
  ])('the file name %s speaks of %s', (name, day) => {
    expect(readFile('Number|Name|Balance\n1|Bank|1', { name }).reading.day).toBe(day);
  });
});

describe('the rows of a trial balance', () => {
  it('leaves out titles, blank lines, repeated headings and totals, and says so', () => {
    const file = readFile('Ferry Ltd\nNo.|Name|Debit|Credit\n1000|Bank|10.00|\n|||\nNo.|Name|Debit|Credit\n3000|Capital||10.00\n|||\n|Total|10.00|10.00\n||10.00|10.00\nPrinted by Anna');
    expect(file.leftOut.map(({ row, reason }) => [row, reason])).toEqual([
      [1, 'title'],
      [4, 'blank'],
      [5, 'heading_repeated'],
      [7, 'blank'],
      [8, 'total'],
      [9, 'total'],
      [10, 'total'],
    ]);
    expect(amounts(file)).toEqual([
      ['1000', 1000n],
      ['3000', -1000n],
    ]);
    expect([file.debits, file.credits]).toEqual([1000n, 1000n]);
  });

  it('reads a mark column, marks in the cell, and a signed column alike', () => {
    expect(amounts(readFile('No|Name|Amount|DC\n1|Bank|5.00|D\n2|Capital|5.00|C'.replace('DC', 'D/C')))).toEqual([
      ['1', 500n],
      ['2', -500n],
    ]);
    expect(amounts(readFile('No|Name|Amount\n1|Bank|5.00 DR\n2|Capital|5.00 CR'))).toEqual([
      ['1', 500n],
      ['2', -500n],
    ]);
    expect(amounts(readFile('No|Name|Amount\n1|Bank|5.00\n2|Capital|(5.00)'))).toEqual([
      ['1', 500n],
      ['2', -500n],
    ]);
  });

  it('names the row, the column, what was found and what was expected', () => {
    const file = readFile('No|Name|Element|Debit|Credit\n1000|Bank|asset|1.204.88,5|\n|Cash|asset|3|\n1000|Bank again|asset|4|\n1300||asset|5|\n1400|Stock|thing|6|');
    expect(problems(file)).toEqual([
      [2, 'debit', 'amount_unreadable', '1.204.88,5', ','],
      [3, 'number', 'number_missing', '', 'Cash'],
      [4, 'number', 'number_repeated', '1000', '2'],
      [5, 'name', 'name_missing', '', '1300'],
      [6, 'element', 'element_unknown', 'thing', 'asset, liability, equity, income, expense'],
    ]);
  });

  it('says with which amount the file would balance when one cannot be read', () => {
    expect(readFile('No|Name|Balance\n1|Bank|x1\n2|Capital|-120488.50').wouldBalance).toBe(12048850n);
  });

  it('takes an amount without number or name for a total only where it is the sum', () => {
    const codes = readFile('No|Name|Debit|Credit\n1|Bank|5|\n2|Capital||5\n||7|').problems.map(({ row, code }) => [row, code]);
    expect(codes).toEqual([
      [4, 'number_missing'],
      [4, 'name_missing'],
      [4, 'element_needed'],
    ]);
    expect(readFile('No|Name|Debit|Credit\n1|Bank|5|\n2|Capital||5\n||5|5').leftOut).toEqual([{ row: 4, reason: 'total', text: '5' }]);
  });

  it("leaves out a parent's amount that is its children's sum and names any other", () => {
    const file = readFile('No|Name|Parent|Balance\n10|Cash||30\n11|Bank|10|20\n12|Till|10|10\n20|Stock||7\n21|Fuel|20|5\n30|Capital||-37');
    expect(file.leftOut.filter(({ reason }) => reason === 'parent_total')).toEqual([{ row: 2, reason: 'parent_total', text: '10 Cash' }]);
    expect(amounts(file)).toContainEqual(['10', 0n]);
    expect(file.problems.filter(({ code }) => code === 'parent_amount').map(({ row, warning }) => [row, warning])).toEqual([[5, true]]);
  });

  it('names a parent that is nowhere and a parent of itself', () => {
    const file = readFile('No|Name|Parent|Balance\n1|Bank|9|0\n2|Till|3|0\n3|Cash|2|0');
    expect(file.problems.filter(({ column }) => column === 'parent').map(({ row, code }) => [row, code])).toEqual([
      [2, 'parent_unknown'],
      [3, 'parent_of_itself'],
      [4, 'parent_of_itself'],
    ]);
  });

  it('checks opening + turnover against the closing balance', () => {
    const file = readFile('No|Name|Opening|Turnover debit|Turnover credit|Balance\n1|Bank|10|5|3|12\n2|Capital|-10|0|2|-13');
    expect(file.problems.map(({ row, code, found, other, warning }) => [row, code, found, other, warning])).toEqual([[3, 'closing_not_opening_plus_turnover', '-13.00', '-12.00', true]]);
  });

  it('leaves out what whoever brings it in says is no account, and its problems and amounts with it', () => {
    const text = 'Number|Name|Balance\n1000|Bank|70\nPage|2|x\n4000|Sales|-70\n9999|Profit for the year|70';
    const file = readFile(text, { leaveOut: [3, 5] });
    expect(amounts(file)).toEqual([
      ['1000', 7000n],
      ['4000', -7000n],
    ]);
    expect(problems(file)).toEqual([]);
    expect([file.debits, file.credits]).toEqual([7000n, 7000n]);
    expect(file.leftOut.map(({ row, reason }) => [row, reason])).toEqual([
      [3, 'chosen'],
      [5, 'chosen'],
    ]);
  });

  it('marks a proposed element with its reason, and a confirmed one as confirmed', () => {
    const text = 'No|Name|Balance\n1000|Bank|5\n4460|Charters|-5';
    const chart = [
      { number: '4450', name: 'Day trips', active: true, element: 'income' as const },
      { number: '4470', name: 'Hire', active: true, element: 'income' as const },
    ];
    const row = (file: ReturnType<typeof readFile>) => file.rows.find(({ number }) => number === '4460');
    expect(row(readFile(text, { chart }))).toMatchObject({ element: 'income', elementFrom: { from: 'neighbours', numbers: ['4450', '4470'] } });
    expect(row(readFile(text, { chart, confirmed: { 4460: 'liability' } }))).toMatchObject({ element: 'liability', elementFrom: 'confirmed' });
  });

  it("keeps the chart's element and points out that the file has another", () => {
    const file = readFile('No|Name|Element|Balance\n1000|Bank|expense|0', { chart: [{ number: '1000', name: 'Bank', active: true, element: 'asset' }] });
    expect(file.rows[0]).toMatchObject({ element: 'asset', elementFrom: 'chart' });
    expect(problems(file)).toEqual([[2, 'element', 'element_differs', 'expense', 'asset']]);
  });

  it('reads a category path and drops a leading element', () => {
    expect(readFile('No|Name|Element|Category|Balance\n1|Bank|asset|Assets > Current assets › Cash|0').rows[0]?.categoryPath).toEqual(['Current assets', 'Cash']);
  });

  it('keeps to whole yen', () => {
    expect(readFile('No|Name|Balance\n1|Bank|1,234.5', { currency: 'JPY' }).problems[0]).toMatchObject({ code: 'amount_too_precise', other: '0' });
  });
});

describe('numbers where the company has a scheme', () => {
  const digits = (shortest: number, longest: number) => ({ kind: 'digits', shortest, longest }) as const;
  const numberScheme: NumberScheme = { parts: [digits(2, 2), digits(3, 3), digits(2, 2)], separator: '-', leastParts: 2 };

  it('are brought to it, parents too, and told apart as it writes them', () => {
    const file = readFile('Number|Name|Element|Parent|Balance\n40 210|Sales|income||0\n40.210.3|Tickets|income|40210|-5\n40-210-03|Again|income||0', { numberScheme });
    expect(file.rows.map(({ number, parentNumber }) => [number, parentNumber])).toEqual([
      ['40-210', null],
      ['40-210-03', '40-210'],
      ['40-210-03', null],
    ]);
    expect(problems(file)).toEqual([[4, 'number', 'number_repeated', '40-210-03', '3']]);
  });

  it('that cannot be say what one looks like, but for those the chart has already', () => {
    const file = readFile('Number|Name|Element|Balance\nBANK|Bank|asset|5\nX|Till|asset|1', { numberScheme, chart: [{ number: 'BANK', name: 'Bank', active: true, element: 'asset' }] });
    expect(problems(file)).toEqual([[3, 'number', 'number_malformed', 'X', '12-345(-67)']]);
  });
});
