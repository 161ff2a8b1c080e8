import type { BudgetGridBody } from '@ivory-ladder/contract';
import { describe, expect, it } from 'vitest';
import { typedAmount } from '../../shared/components/typedAmount.ts';
import { budgetRows, cellsToSave, hasMinorUnits, resultByPeriod, shownAmount, withCells } from './budgetModel.ts';

const euro = { code: 'EUR', exponent: 2 };
const account = (id: number, element: 'income' | 'expense' | 'asset', depth: number, amounts: string[], isParent = false) =>
  ({
    id,
    number: String(id),
    name: `Account ${id}`,
    label: `${id} Account`,
    element,
    normalSide: element === 'income' ? 'credit' : 'debit',
    depth,
    isParent,
    active: true,
    amounts,
    yearBefore: [],
    against: [],
  }) satisfies BudgetGridBody['accounts'][number];

const accounts = [
  account(40, 'income', 0, ['0', '-100'], true),
  account(401, 'income', 1, ['-5000', '-7000']),
  account(402, 'income', 1, ['0', '-300']),
  account(60, 'expense', 0, ['2000', '2500']),
  account(10, 'asset', 0, ['900', '900']),
];
const none = new Map<string, bigint>();

describe('the rows of a budget', () => {
  it('stand on the normal side, a parent as its own amounts and those below it (common practice)', () => {
    expect(budgetRows(accounts, none).map(({ amounts, year }) => [...amounts, year])).toEqual([
      [5000n, 7400n, 12_400n],
      [5000n, 7000n, 12_000n],
      [0n, 300n, 300n],
      [2000n, 2500n, 4500n],
      [900n, 900n, 1800n],
    ]);
  });

  it('show what was typed, marked up to the parent, and its profit', () => {
    const draft = withCells(none, accounts, [[402, 0, -250n]]);
    const rows = budgetRows(accounts, draft);
    expect([rows[0]?.amounts[0], [...(rows[0]?.changed ?? [])], [...(rows[1]?.changed ?? [])]]).toEqual([5250n, [0], []]);
    expect([resultByPeriod(accounts, none), resultByPeriod(accounts, draft)]).toEqual([
      [3000n, 4900n],
      [3250n, 4900n],
    ]);
  });

  it('are saved with what stood there; what is typed as it was is no change', () => {
    const draft = withCells(withCells(none, accounts, [[402, 1, -400n]]), accounts, [
      [402, 1, -300n],
      [60, 0, 2100n],
    ]);
    const periods = [1, 2].map((number) => ({ number, firstDay: '2026-01-01', lastDay: '2026-01-31' }));
    expect(cellsToSave({ accounts, periods }, draft)).toEqual([{ accountId: 60, period: 1, was: '2000', amount: '2100' }]);
  });

  it('are shown in whole units until one of them has a part of one', () => {
    const [rows, odd] = [budgetRows([account(1, 'expense', 0, ['120000'])], none), budgetRows([account(1, 'expense', 0, ['120050'])], none)];
    expect([hasMinorUnits(rows, euro), hasMinorUnits(odd, euro)]).toEqual([false, true]);
    expect([shownAmount(120_000n, euro, false), shownAmount(-120_050n, euro, true), shownAmount(0n, euro, false)]).toEqual(['1,200', '(1,200.50)', '–']);
    expect([typedAmount('1.200,50', euro), typedAmount('(12)', euro), typedAmount('', euro), typedAmount('many', euro)]).toEqual([120_050n, -1200n, 0n, null]);
  });
});
