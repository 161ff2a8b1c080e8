import type { Account } from '../chart/account.ts';
import { accountLabel } from '../chart/accountReference.ts';
import { type Element, isIncomeOrExpense, naturalSide } from '../chart/element.ts';
import { columnsFor } from '../columns/comparisons.ts';
import { compileLayout } from '../layout/compileLayout.ts';
import { generateBalanceSheet } from '../layout/generateBalanceSheet.ts';
import { generateIncomeStatement } from '../layout/generateIncomeStatement.ts';
import { defaultLayoutOptions, type LayoutOptions } from '../layout/options.ts';
import type { Category } from '../placement/category.ts';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import { type Place, portionsByAccount } from '../placement/place.ts';
import { presentRows } from './presentRows.ts';
import { resultOf, runColumn } from './runColumn.ts';
import type { Detail } from './statement.ts';

export const category = (id: number, element: Element, fields: Partial<Category> = {}): Category => ({
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
export const account = (id: number, element: Element): Account => ({
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
export const span = { firstDay: '2026-01-01', lastDay: '2026-09-30' };

export interface TestCompany {
  readonly categories: readonly Category[];
  readonly accounts: readonly Account[];
  readonly places: readonly Place[];
  readonly options?: LayoutOptions;
  readonly retainedEarningsId?: number | null;
}

/** Both generated statements of a small company, for tests: compiled, run over net amounts, and as rows. */
export function statementsOf({ categories, accounts, places, options = defaultLayoutOptions, retainedEarningsId = null }: TestCompany) {
  const tree = buildCategoryTree(categories);
  const portions = portionsByAccount(places);
  const ids = accounts.map(({ id }) => id);
  const resets = Uint8Array.from(accounts, ({ element }) => (isIncomeOrExpense(element) ? 1 : 0));
  const layouts = {
    balance_sheet: compileLayout(generateBalanceSheet({ tree, portions, retainedEarningsId, options, language: 'en' }), ids, portions),
    income_statement: compileLayout(generateIncomeStatement({ tree, portions, options, language: 'en' }), ids, portions),
  };
  const run = (kind: keyof typeof layouts, net: readonly bigint[]) => {
    const vector = BigInt64Array.from(net);
    const compiled = layouts[kind];
    return runColumn(compiled, { net: vector, result: resultOf(vector, resets), notAllotted: 0n });
  };
  const rows = (kind: keyof typeof layouts, columns: readonly (readonly bigint[])[], detail: Partial<Detail> = {}) =>
    presentRows({
      compiled: layouts[kind],
      columns: columnsFor(kind, span, columns.length > 1 ? span : null),
      runs: columns.map((net) => run(kind, net)),
      accounts: accounts.map((one, index) => ({ account: one, label: accountLabel(one), index, isParent: false })),
      detail: { ...closed, ...detail },
    });
  return { layouts, run, rows };
}
