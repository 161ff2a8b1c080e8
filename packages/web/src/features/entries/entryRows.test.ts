import { describe, expect, it } from 'vitest';
import { amountIn, linesOf, pastedRows } from './entryRows.ts';

const euro = { code: 'EUR', exponent: 2 };
const accounts = [
  { id: 1, number: '1000', name: 'Bank' },
  { id: 2, number: '6200', name: 'Insurance' },
];
const shown = (text: string) => pastedRows(text, accounts, euro)?.map(({ accountId, debit, credit, text: words }) => [accountId, debit, credit, words]);

describe('rows of an entry', () => {
  it('take amounts with a dot or a comma, and none below zero', () => {
    expect(['1,250.50', '1.250,50', '12', '', '-5', 'x'].map((typed) => amountIn(typed, euro))).toEqual([125050n, 125050n, 1200n, 0n, null, null]);
  });

  it('are pasted from a spreadsheet by number or name, with amounts on two sides', () => {
    expect(shown('1000\t\t500,00\tPremium\nInsurance\t500,00\t\t')).toEqual([
      [1, '', '500,00', 'Premium'],
      [2, '500,00', '', ''],
    ]);
  });

  it('or with signed amounts in one column, debit positive', () => {
    expect(shown('6200 Insurance\t12.5\n1000\t(12.5)\n9999\t0')).toEqual([
      [2, '12.50', '', ''],
      [1, '', '12.50', ''],
      [null, '', '', ''],
    ]);
  });

  it('are none of a text without columns', () => {
    expect(pastedRows('just words', accounts, euro)).toBeNull();
  });

  it('count an amount that cannot be read as nil', () => {
    expect(linesOf([{ key: 'a', accountId: 1, debit: 'x', credit: '', text: '' }], euro)).toEqual([{ accountId: 1, debit: 0n, credit: 0n }]);
  });
});
