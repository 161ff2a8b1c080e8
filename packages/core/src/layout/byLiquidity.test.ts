import { describe, expect, it } from 'vitest';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import { account, category, statementsOf, type TestCompany } from '../statement/statementsOf.fixture.ts';
import { beginLayout } from './beginLayout.ts';
import { type BalanceSheetOrder, balanceSheetOrders, defaultLayoutOptions } from './options.ts';
import { composed } from './ownLayout.fixture.ts';

const company: TestCompany = {
  categories: [
    category(1, 'asset', { term: 'non_current', name: 'Vessels' }),
    category(2, 'asset', { term: 'non_current', name: 'Software' }),
    category(3, 'asset', { term: 'current', name: 'Receivables' }),
    category(4, 'asset', { term: 'current', name: 'Cash' }),
    category(5, 'liability', { term: 'current', name: 'Payables' }),
    category(6, 'liability', { term: 'current', name: 'Tax' }),
    category(7, 'liability', { term: 'non_current', name: 'Loans' }),
    category(8, 'equity', { name: 'Capital' }),
  ],
  accounts: (['asset', 'asset', 'asset', 'asset', 'liability', 'liability', 'liability', 'equity'] as const).map((element, at) => account(at + 1, element)),
  places: [1, 2, 3, 4, 5, 6, 7, 8].map((id) => ({ accountId: id, side: 'any' as const, categoryId: id })),
};
const figures = [800n, 100n, 40n, 60n, -150n, -50n, -300n, -500n];
const generated = (order: BalanceSheetOrder) =>
  statementsOf({ ...company, options: { ...defaultLayoutOptions, order } })
    .rows('balance_sheet', [figures])
    .map(({ role, caption, values }) => [role, caption, values[0]]);

describe('a balance sheet by liquidity (IAS 1.60, from memory)', () => {
  it('has all assets and liabilities in its order, cash first where the placement has it last, without current and non-current apart', () => {
    expect(generated('most_liquid_first')).toEqual([
      ['heading', 'Assets', null],
      ['line', 'Cash', 60n],
      ['line', 'Receivables', 40n],
      ['line', 'Software', 100n],
      ['line', 'Vessels', 800n],
      ['final', 'Total assets', 1000n],
      ['heading', 'Liabilities', null],
      ['line', 'Payables', 150n],
      ['line', 'Tax', 50n],
      ['line', 'Loans', 300n],
      ['total', 'Total liabilities', 500n],
      ['heading', 'Equity', null],
      ['line', 'Capital', 500n],
      ['total', 'Total equity', 500n],
      ['final', 'Total liabilities and equity', 1000n],
    ]);
    const lines = generated('least_liquid_first').flatMap(([role, caption]) => (role === 'line' ? [caption] : []));
    expect(lines).toEqual(['Vessels', 'Software', 'Receivables', 'Cash', 'Loans', 'Tax', 'Payables', 'Capital']);
  });

  it('is the start of an own layout that shows the same, in each order', () => {
    for (const order of balanceSheetOrders) {
      const own = beginLayout('balance_sheet', {
        tree: buildCategoryTree(company.categories),
        options: { ...defaultLayoutOptions, order },
        language: 'en',
      });
      const rows = composed(company, own).rows([figures]);
      expect(rows.filter(({ values }) => values[0] !== 0n).map(({ caption, values }) => [caption, values[0]])).toEqual(
        generated(order).map(([, caption, value]) => [caption, value]),
      );
    }
  });
});
