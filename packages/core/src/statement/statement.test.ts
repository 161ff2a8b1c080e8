import { describe, expect, it } from 'vitest';
import { makeCalendar, makeMonthlyYear } from '../calendar/fiscalCalendar.ts';
import { comparisonSpan } from '../columns/comparisons.ts';
import { defaultLayoutOptions } from '../layout/options.ts';
import type { Step } from '../placement/category.ts';
import { climb } from './climb.ts';
import { account, category, span, statementsOf, type TestCompany } from './statementsOf.fixture.ts';

const shop: TestCompany = {
  categories: [
    category(1, 'asset', { term: 'non_current', name: 'Vessels' }),
    category(2, 'asset', { parentId: 1, name: 'At cost' }),
    category(3, 'asset', { parentId: 1, name: 'Depreciation so far', contraOf: 2 }),
    category(4, 'asset', { term: 'current', name: 'Cash' }),
    category(5, 'liability', { term: 'current', name: 'Overdraft' }),
    category(6, 'equity', { name: 'Capital' }),
    category(7, 'income', { step: 'revenue', name: 'Revenue' }),
    category(8, 'expense', { step: 'cost_of_sales', name: 'Cost of sailing' }),
    category(9, 'expense', { step: 'income_tax', name: 'Income tax' }),
  ],
  accounts: [
    account(1, 'asset'),
    account(2, 'asset'),
    account(3, 'asset'),
    account(4, 'equity'),
    account(5, 'income'),
    account(6, 'expense'),
    account(7, 'expense'),
  ],
  places: [
    { accountId: 1, side: 'any', categoryId: 2 },
    { accountId: 2, side: 'any', categoryId: 3 },
    { accountId: 3, side: 'debit', categoryId: 4 },
    { accountId: 3, side: 'credit', categoryId: 5 },
    { accountId: 4, side: 'any', categoryId: 6 },
    { accountId: 5, side: 'any', categoryId: 7 },
    { accountId: 6, side: 'any', categoryId: 8 },
    { accountId: 7, side: 'any', categoryId: 9 },
  ],
};
const figures = [1000n, -300n, 50n, -500n, -400n, 120n, 30n];
const caption = (rows: ReturnType<ReturnType<typeof statementsOf>['rows']>) => rows.map((row) => [row.role, row.caption, row.values[0]]);

describe('the generated balance sheet', () => {
  it('deducts a contra category with a net subtotal, and ties', () => {
    expect(caption(statementsOf(shop).rows('balance_sheet', [figures]))).toEqual([
      ['heading', 'Assets', null],
      ['heading', 'Non-current assets', null],
      ['heading', 'Vessels', null],
      ['line', 'At cost', 1000n],
      ['line', 'Less depreciation so far', -300n],
      ['total', 'Vessels, net', 700n],
      ['total', 'Total non-current assets', 700n],
      ['heading', 'Current assets', null],
      ['line', 'Cash', 50n],
      ['total', 'Total current assets', 50n],
      ['final', 'Total assets', 750n],
      ['heading', 'Equity', null],
      ['line', 'Capital', 500n],
      ['line', 'Result of the year', 250n],
      ['total', 'Total equity', 750n],
      ['final', 'Total liabilities and equity', 750n],
    ]);
  });

  it('an account with a credit balance leaves the debit-only line for its place in credit', () => {
    const rows = statementsOf(shop).rows('balance_sheet', [[1000n, -300n, -50n, -400n, -400n, 120n, 30n]]);
    expect(rows.find((row) => row.caption === 'Cash')).toBeUndefined();
    expect(rows.find((row) => row.caption === 'Overdraft')?.values[0]).toBe(50n);
  });

  it('shows the result within retained earnings where that is set, and the parts still add up', () => {
    const rows = statementsOf({ ...shop, options: { ...defaultLayoutOptions, result: 'within_retained_earnings' }, retainedEarningsId: 4 }).rows(
      'balance_sheet',
      [figures],
      { rungs: 'accounts' },
    );
    expect(rows.filter((row) => row.lineKey === 'category.6').map((row) => [row.role, row.caption, row.values[0]])).toEqual([
      ['line', 'Capital', 750n],
      ['account', '1004 Account 4', 500n],
      ['account', 'Result of the year', 250n],
    ]);
    expect(rows.find((row) => row.caption === 'Total equity')?.values[0]).toBe(750n);
  });
});

describe('the generated income statement', () => {
  it('runs through the steps with expenses in parentheses, and leaves out a subtotal equal to the one before it', () => {
    expect(caption(statementsOf(shop).rows('income_statement', [figures]))).toEqual([
      ['line', 'Revenue', 400n],
      ['line', 'Cost of sailing', -120n],
      ['total', 'Gross profit', 280n],
      ['line', 'Income tax', -30n],
      ['final', 'Profit for the period', 250n],
    ]);
  });

  it('leaves a subtotal out that has nothing but nil before it, in every column, and shows it where one column has something', () => {
    const { rows } = statementsOf(shop);
    const without = figures.map((net, at) => (at === 6 ? 0n : net));
    expect(caption(rows('income_statement', [without])).map(([role, name]) => [role, name])).toEqual([
      ['line', 'Revenue'],
      ['line', 'Cost of sailing'],
      ['final', 'Profit for the period'],
    ]);
    expect(rows('income_statement', [without, figures]).map((row) => row.caption)).toContain('Gross profit');
  });

  it('switches a subtotal off', () => {
    const rows = statementsOf({ ...shop, options: { ...defaultLayoutOptions, subtotalsOff: ['gross_profit'] } }).rows('income_statement', [figures]);
    expect(rows.map((row) => row.caption)).not.toContain('Gross profit');
    expect(rows.at(-1)?.values[0]).toBe(250n);
  });

  it('has a subtotal after each step that has lines, in the order of the steps', () => {
    const steps: Step[] = ['revenue', 'cost_of_sales', 'other_operating', 'investing', 'financing', 'income_tax', 'discontinued'];
    const rows = statementsOf({
      categories: steps.map((step, at) => category(at + 1, 'expense', { step, name: step })),
      accounts: steps.map((_, at) => account(at + 1, 'expense')),
      places: steps.map((_, at) => ({ accountId: at + 1, side: 'any' as const, categoryId: at + 1 })),
    }).rows('income_statement', [steps.map(() => 1n)]);
    expect(rows.filter((row) => row.role !== 'line').map((row) => [row.caption, row.values[0]])).toEqual([
      ['Gross profit', -2n],
      ['Operating profit', -3n],
      ['Profit before financing and income tax', -4n],
      ['Profit before tax', -5n],
      ['Profit from continuing operations', -6n],
      ['Profit for the period', -7n],
    ]);
  });

  it('makes change and percent on shown signs, so more expense is a negative change', () => {
    const rows = statementsOf(shop).rows('income_statement', [figures, [0n, 0n, 0n, 0n, -300n, 100n, 0n]]);
    expect(rows.find((row) => row.caption === 'Cost of sailing')?.values).toEqual([-120n, -100n, -20n, -200n]);
    expect(rows.find((row) => row.caption === 'Income tax')?.values).toEqual([-30n, 0n, -30n, null]);
  });
});

describe('what is shown', () => {
  it('hides lines without amounts unless asked, and headings with nothing left', () => {
    const { rows } = statementsOf(shop);
    const nothing = figures.map(() => 0n);
    expect(rows('balance_sheet', [nothing]).map((row) => row.role)).not.toContain('line');
    expect(rows('balance_sheet', [nothing], { zeroLines: true }).map((row) => row.caption)).toContain('Cash');
  });

  it('opens and shuts single lines on top of the chosen detail', () => {
    const { rows } = statementsOf(shop);
    expect(rows('balance_sheet', [figures], { rungs: 1 }).map((row) => row.caption)).not.toContain('At cost');
    expect(rows('balance_sheet', [figures], { rungs: 1, opened: new Set(['category.1']) }).map((row) => row.caption)).toContain('At cost');
    expect(rows('balance_sheet', [figures], { rungs: 'accounts', shut: new Set(['category.4']) }).map((row) => row.caption)).not.toContain('1003 Account 3');
  });

  it('climbs from a line through its groups and every sum that counts it', () => {
    const { layouts } = statementsOf(shop);
    const path = (kind: keyof typeof layouts, key: string) => climb(layouts[kind], key).map((at) => layouts[kind].lines[at]?.key);
    expect(path('balance_sheet', 'category.2')).toEqual(['category.2', 'category.1', 'asset.non_current', 'asset']);
    expect(path('income_statement', 'category.8')).toEqual(['category.8', 'gross_profit', 'profit']);
    expect(path('income_statement', 'gross_profit')).toEqual(['gross_profit', 'profit']);
  });
});

describe('the comparative', () => {
  const calendar = makeCalendar([...makeMonthlyYear(2025, 1).periods, ...makeMonthlyYear(2026, 1).periods]);
  it('of a balance sheet is the last fiscal year end, of an income statement the same span a year earlier (IAS 34.20)', () => {
    expect(comparisonSpan({ kind: 'usual' }, 'balance_sheet', span, calendar)?.lastDay).toBe('2025-12-31');
    expect(comparisonSpan({ kind: 'usual' }, 'income_statement', span, calendar)).toEqual({ firstDay: '2025-01-01', lastDay: '2025-09-30' });
  });
  it('before a span of whole months is as many whole months, before days as many days', () => {
    expect(comparisonSpan({ kind: 'span_before' }, 'income_statement', { firstDay: '2026-03-01', lastDay: '2026-03-31' }, calendar)).toEqual({
      firstDay: '2026-02-01',
      lastDay: '2026-02-28',
    });
    expect(comparisonSpan({ kind: 'span_before' }, 'income_statement', { firstDay: '2026-03-10', lastDay: '2026-03-19' }, calendar)).toEqual({
      firstDay: '2026-02-28',
      lastDay: '2026-03-09',
    });
  });
});
