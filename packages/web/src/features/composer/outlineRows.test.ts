import { beginLayout, buildCategoryTree, defaultLayoutOptions, expandLayout, type LayoutFacts, scopeOf } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import { outlineRows } from './outlineRows.ts';

const tree = buildCategoryTree([
  { id: 1, parentId: null, element: 'asset', name: 'Vessels', position: 1, term: 'non_current', step: null, contraOf: null },
  { id: 2, parentId: null, element: 'asset', name: 'Stores', position: 2, term: 'current', step: null, contraOf: null },
]);
const account = (id: number, role: 'cash' | null = null) =>
  ({ id, number: String(1000 + id), element: 'asset', normalSide: 'debit', role, parentId: null, codes: {} }) as const;
const rowsOf = (kind: 'balance_sheet' | 'cash_flow', isShut: Parameters<typeof outlineRows>[1] = (_, byItself) => byItself) => {
  const layout = beginLayout(kind, { tree, options: defaultLayoutOptions, language: 'en' });
  const facts: LayoutFacts = {
    accounts: [account(1), account(2), account(3, 'cash')],
    tree,
    natures: new Map([
      [1, 'investing'],
      [2, 'operating'],
    ]),
    portions: new Map([1, 2].map((id) => [id, { debit: id, credit: id }])),
    order: 'by_value',
    retainedEarningsId: 9,
    language: 'en',
    scope: scopeOf(layout),
    lists: [],
  };
  return outlineRows(expandLayout(layout, facts), isShut);
};

describe('the rows of an outline', () => {
  it('say what a line is, how deep it stands, and what it takes', () => {
    const rows = rowsOf('balance_sheet').map(({ mark, caption, depth, info, opens }) => [mark, caption, depth, info, opens]);
    expect(rows.slice(0, 5)).toEqual([
      ['group', 'Assets', 0, 'Total assets', 'open'],
      ['follows', 'Non-current assets', 1, '1 line', 'open'],
      ['follows', 'Vessels', 2, '', null],
      ['follows', 'Current assets', 1, '1 line', 'open'],
      ['follows', 'Stores', 2, '', null],
    ]);
    expect(rows.at(-1)).toEqual(['sum', 'Total liabilities and equity', 0, 'Liabilities + Equity', null]);
  });

  it('leave out what stands in a group that is shut', () => {
    const rows = rowsOf('balance_sheet', (key) => key === 'asset');
    expect(rows.map(({ key }) => key)).not.toContain('category.1');
    expect(rows[0]).toMatchObject({ key: 'asset', opens: 'shut' });
  });

  it('tell lines of a cash flow that only transfers reach from lines that hold nothing', () => {
    const infos = new Map(rowsOf('cash_flow').map(({ key, info }) => [key, info]));
    expect([
      infos.get('interest_expense'),
      infos.get('exchange_in_profit'),
      infos.get('interest_paid'),
      infos.get('cash_closing'),
      infos.get('added.1'),
    ]).toEqual(['moved from other lines', 'moved from other lines', '0 accounts', '1 account', '1 account']);
  });
});
