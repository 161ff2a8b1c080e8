import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makeCalendar, makeMonthlyYear } from '../calendar/fiscalCalendar.ts';
import type { Account } from '../chart/account.ts';
import { type Element, elements, isIncomeOrExpense, naturalSide } from '../chart/element.ts';
import { columnsFor, comparisonSpan } from '../columns/comparisons.ts';
import { compileLayout } from '../layout/compileLayout.ts';
import { generateBalanceSheet } from '../layout/generateBalanceSheet.ts';
import { generateIncomeStatement } from '../layout/generateIncomeStatement.ts';
import { defaultLayoutOptions, type LayoutOptions } from '../layout/options.ts';
import type { Category, Step } from '../placement/category.ts';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import { type Place, portionsByAccount } from '../placement/place.ts';
import { proveBalanceSheet } from '../proofs/proveBalanceSheet.ts';
import { climb } from './climb.ts';
import { contributionsOf } from './contributions.ts';
import { presentRows, shownSign } from './presentRows.ts';
import { resultOf, runColumn } from './runColumn.ts';
import type { Detail } from './statement.ts';

const category = (id: number, element: Element, fields: Partial<Category> = {}): Category => ({
  id,
  parentId: null,
  element,
  name: `Category ${id}`,
  position: id,
  term: null,
  step: null,
  contraOf: null,
  ...fields,
});
const account = (id: number, element: Element): Account => ({
  id,
  number: String(1000 + id),
  name: `Account ${id}`,
  element,
  normalSide: naturalSide(element),
  parentId: null,
  position: id,
  active: true,
  role: null,
});
const closed: Detail = { rungs: 2, opened: new Set(), shut: new Set(), zeroLines: false };
const span = { firstDay: '2026-01-01', lastDay: '2026-09-30' };

interface Company {
  readonly categories: readonly Category[];
  readonly accounts: readonly Account[];
  readonly places: readonly Place[];
  readonly options?: LayoutOptions;
  readonly retainedEarningsId?: number | null;
}

function statementsOf({ categories, accounts, places, options = defaultLayoutOptions, retainedEarningsId = null }: Company) {
  const tree = buildCategoryTree(categories);
  const portions = portionsByAccount(places);
  const ids = accounts.map(({ id }) => id);
  const resets = Uint8Array.from(accounts, ({ element }) => (isIncomeOrExpense(element) ? 1 : 0));
  const layouts = {
    balance_sheet: compileLayout(generateBalanceSheet({ tree, portions, retainedEarningsId, options }), ids, portions),
    income_statement: compileLayout(generateIncomeStatement({ tree, portions, options }), ids, portions),
  };
  const run = (kind: keyof typeof layouts, net: readonly bigint[]) => {
    const vector = BigInt64Array.from(net);
    return { net: vector, amounts: runColumn(layouts[kind], { net: vector, result: resultOf(vector, resets), notAllotted: 0n }) };
  };
  const rows = (kind: keyof typeof layouts, columns: readonly (readonly bigint[])[], detail: Partial<Detail> = {}) =>
    presentRows({
      compiled: layouts[kind],
      columns: columnsFor(kind, span, columns.length > 1 ? span : null),
      runs: columns.map((net) => run(kind, net)),
      accounts: accounts.map((one, index) => ({ account: one, index, isParent: false })),
      detail: { ...closed, ...detail },
    });
  return { layouts, run, rows };
}

const shop: Company = {
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

/** A company with a random tree and any placement that the element rules allow. */
const anyCompany = fc
  .record({
    tree: fc.array(
      fc.record({
        element: fc.constantFrom(...elements),
        parent: fc.nat(20),
        step: fc.constantFrom<Step>('revenue', 'cost_of_sales', 'financing'),
        nested: fc.boolean(),
      }),
      { minLength: 5, maxLength: 16 },
    ),
    accounts: fc.array(fc.record({ element: fc.constantFrom(...elements), place: fc.nat(30), net: fc.bigInt(-500n, 500n) }), { minLength: 1, maxLength: 14 }),
  })
  .map(({ tree, accounts }) => {
    const categories: Category[] = [];
    for (const [at, { element, parent, step, nested }] of tree.entries()) {
      const same = categories.filter((other) => other.element === element);
      const parentId = nested ? (same[parent % Math.max(1, same.length)]?.id ?? null) : null;
      categories.push(category(at + 1, element, { parentId, step: parentId === null && isIncomeOrExpense(element) ? step : null }));
    }
    const made = accounts.map(({ element }, at) => account(at + 1, element));
    const places = accounts.flatMap(({ element, place }, at): Place[] => {
      const fitting = categories.filter((other) => other.element === element);
      const chosen = fitting[place % Math.max(1, fitting.length)];
      return chosen ? [{ accountId: at + 1, side: 'any', categoryId: chosen.id }] : [];
    });
    return { company: { categories, accounts: made, places }, net: accounts.map((one) => one.net) };
  });

describe('the laws of a statement, for any tree and placement', () => {
  it('printed parts add up to every subtotal and total, at every detail', () => {
    fc.assert(
      fc.property(
        anyCompany,
        fc.constantFrom<Detail['rungs']>(1, 2, 3, 'accounts'),
        fc.constantFrom('balance_sheet' as const, 'income_statement' as const),
        ({ company, net }, rungs, kind) => {
          const rows = statementsOf(company).rows(kind, [net], { rungs });
          const byKey = new Map(rows.filter((row) => row.role !== 'heading').map((row) => [row.key, row]));
          for (const row of rows.filter(({ parts }) => parts.length > 0))
            expect(
              row.parts.reduce((sum, { key, sign }) => sum + BigInt(sign) * (byKey.get(key)?.values[0] ?? 0n), 0n),
              row.caption,
            ).toBe(row.values[0]);
        },
      ),
      { seed: 417, numRuns: 300 },
    );
  });

  it('the contributions of a line add up to its amount', () => {
    fc.assert(
      fc.property(anyCompany, fc.constantFrom('balance_sheet' as const, 'income_statement' as const), ({ company, net }, kind) => {
        const { layouts, run } = statementsOf(company);
        const done = run(kind, net);
        for (const [at, line] of layouts[kind].lines.entries()) {
          const parts = contributionsOf(layouts[kind], done, line.key);
          expect(
            [...parts.accounts, ...parts.results].reduce((sum, part) => sum + part.net, 0n),
            line.key,
          ).toBe(done.amounts[at]);
          expect([1n, -1n]).toContain(shownSign(line));
        }
      }),
      { seed: 418, numRuns: 200 },
    );
  });

  it('a move within an element changes no grand total, and the balance sheet ties exactly when nothing of it is unplaced', () => {
    fc.assert(
      fc.property(anyCompany, fc.nat(13), fc.nat(15), ({ company, net }, which, where) => {
        const balanced = [...net];
        balanced[0] = -net.slice(1).reduce((sum, amount) => sum + amount, 0n);
        const moved = company.accounts[which % company.accounts.length] as Account;
        const fitting = company.categories.filter((other) => other.element === moved.element);
        const target = fitting[where % Math.max(1, fitting.length)];
        const before = statementsOf(company);
        const isPlaced = company.places.some((place) => place.accountId === moved.id);
        const after = statementsOf({
          ...company,
          places:
            target && isPlaced ? company.places.map((place) => (place.accountId === moved.id ? { ...place, categoryId: target.id } : place)) : company.places,
        });
        const totals = ({ layouts, run }: typeof before) =>
          ['asset', 'liability', 'equity'].map((key) => run('balance_sheet', balanced).amounts[layouts.balance_sheet.indexOf.get(key) as number]);
        expect(totals(after)).toEqual(totals(before));
        const missed = company.accounts.reduce(
          (sum, one, at) =>
            isIncomeOrExpense(one.element) || company.places.some((place) => place.accountId === one.id) ? sum : sum + (balanced[at] as bigint),
          0n,
        );
        const proof = proveBalanceSheet(before.layouts.balance_sheet, [{ day: span.lastDay, amounts: before.run('balance_sheet', balanced).amounts }], []);
        expect(proof.difference).toBe(-missed);
      }),
      { seed: 419, numRuns: 300 },
    );
  });
});
