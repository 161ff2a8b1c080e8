import { describe, expect, it } from 'vitest';
import { currencyOf } from '../money/currency.ts';
import { readBudgetSheet } from './readBudgetSheet.ts';

const euro = currencyOf('EUR');
if (!euro) throw new Error('no euro');
const account = (id: number, number: string, normalSide: 'debit' | 'credit', isParent = false) => ({
  id,
  number,
  name: `Account ${number}`,
  element: normalSide === 'debit' ? ('expense' as const) : ('income' as const),
  normalSide,
  parentId: null,
  position: id,
  active: true,
  role: null,
  isParent,
});
const accounts = [account(1, '4000', 'credit'), account(2, '5000', 'debit'), account(3, '59', 'debit', true)];
const head = [['Ferry company'], ['Budget'], [], ['Number', 'Name', 'Side', 'Jan', 'Feb', 'Year']];
const read = (...rows: (string | { number: string })[][]) => readBudgetSheet([...head, ...rows], accounts, 2, euro);

describe('a budget’s workbook read back', () => {
  it('takes amounts on the account’s normal side, empty cells as nil, and leaves what stands behind the periods alone', () => {
    const sheet = read(['4000', 'Fares', 'credit', { number: '1200.5' }, '1,300.00', 'no amount'], ['5000', 'Fuel', 'debit', '', '(40)']);
    expect(sheet).toEqual({
      rows: 2,
      faults: [],
      cells: [
        { accountId: 1, period: 1, amount: -120_050n },
        { accountId: 1, period: 2, amount: -130_000n },
        { accountId: 2, period: 1, amount: 0n },
        { accountId: 2, period: 2, amount: -4000n },
      ],
    });
  });

  it('names each row that it cannot read', () => {
    const sheet = read(
      ['4000', '', '', '1', '2'],
      ['4000', '', '', '1', '2'],
      ['9999', '', '', '1', '2'],
      ['59', '', '', '1', '2'],
      ['5000', '', '', 'much', '2'],
      ['', 'Total', '', '1'],
    );
    expect(sheet.faults).toEqual([
      { row: 6, code: 'account_twice', found: '4000' },
      { row: 7, code: 'account_unknown', found: '9999' },
      { row: 8, code: 'account_takes_no_postings', found: '59' },
      { row: 9, code: 'amount_unreadable', found: 'much' },
    ]);
    expect(sheet.rows).toBe(5);
  });
});
