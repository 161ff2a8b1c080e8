import { describe, expect, it } from 'vitest';
import type { Element } from '../chart/element.ts';
import { currencyOf } from '../money/currency.ts';
import { detectReading } from './detectReading.ts';
import { readTrialBalance } from './readTrialBalance.ts';

const known = (number: string, element: Element, active = true) => ({ number, name: number.split(' > ').at(-1) ?? '', element, active });
const chart = [
  known('Cash', 'asset'),
  known('Cash > Till', 'asset'),
  known('Shop', 'expense'),
  known('Shop > Sundries', 'expense'),
  known('Staff', 'expense'),
  known('Staff > Sundries', 'expense'),
  known('Old > Sundries', 'expense', false),
  known('Till', 'expense', false),
  known('Retired', 'asset', false),
];

/** Rows as number (the path), name, the path above and element; problems as row, column, code and what is named beside. */
function read(text: string) {
  const rows = text.split('\n').map((line) => line.split('|'));
  const reading = detectReading(rows, 'file.csv', false);
  const currency = currencyOf('EUR');
  const file = readTrialBalance({ rows, reading, currency, digitOrder: 'by_value', numbered: false, numberScheme: null, chart, confirmed: new Map(), leaveOut: new Set() });
  return {
    rows: file.rows.map(({ number, name, parentNumber, element }) => [number, name, parentNumber, element]),
    problems: file.problems.map(({ row, column, code, other }) => [row, column, code, other]),
  };
}

describe('a trial balance of a company of names only', () => {
  it('knows an account by its name where one active account alone has it, letters without regard to case', () => {
    expect(read('Account name|Balance\ntill|5\nCASH|-5')).toEqual({
      rows: [
        ['Cash > Till', 'Till', null, 'asset'],
        ['Cash', 'Cash', null, 'asset'],
      ],
      problems: [],
    });
  });

  it('takes a retired account only where no active one has its name', () => {
    expect(read('Account name|Balance\nTill|5\nRetired|0').rows).toEqual([
      ['Cash > Till', 'Till', null, 'asset'],
      ['Retired', 'Retired', null, 'asset'],
    ]);
  });

  it('asks for the path where several have the name, and takes it, or the account above in a column of its own', () => {
    expect(read('Account name|Balance\nSundries|5').problems).toEqual([
      [2, 'name', 'name_ambiguous', 'Shop > Sundries; Staff > Sundries'],
      [2, 'element', 'element_needed', 'asset, liability, equity, income, expense'],
    ]);
    expect(read('Account name|Balance\nstaff > sundries|5').rows).toEqual([['Staff > Sundries', 'Sundries', null, 'expense']]);
    expect(read('Account name|Parent|Balance\nSundries|Shop|5').rows).toEqual([['Shop > Sundries', 'Sundries', 'Shop', 'expense']]);
  });

  it('takes an unknown name for a new account, below the account its path names', () => {
    expect(read('Account name|Element|Balance\nCash > Coins > small|asset|5\nBank|asset|-5').rows).toEqual([
      ['Cash > Coins > small', 'Coins > small', 'Cash', 'asset'],
      ['Bank', 'Bank', null, 'asset'],
    ]);
  });

  it('takes an account of the file itself for the one above, and names a path that leads nowhere', () => {
    const { rows, problems } = read('Account name|Element|Balance\nPlant|asset|0\nPlant > Kiln|asset|5\nYard > Crane|asset|-5');
    expect(rows).toEqual([
      ['Plant', 'Plant', null, 'asset'],
      ['Plant > Kiln', 'Kiln', 'Plant', 'asset'],
      ['Yard > Crane', 'Crane', 'Yard', 'asset'],
    ]);
    expect(problems).toEqual([[4, 'parent', 'parent_unknown', 'Yard > Crane']]);
  });

  it('finds names and amounts without headings, and under headings that ledgers use for numbers', () => {
    const till = [['Cash > Till', 'Till', null, 'asset']];
    expect(read('Till|5\nCash|-5').rows).toHaveLength(2);
    expect(read('Account|Balance at 30 September 2026\nTill|5').rows).toEqual(till);
    expect(read('Konto|Saldo per 30.09.2026\nTill|5').rows).toEqual(till);
  });

  it('names a row that repeats another', () => {
    expect(read('Account name|Balance\nTill|5\nCash > till|1').problems).toEqual([[3, 'name', 'name_repeated', '2']]);
  });
});
