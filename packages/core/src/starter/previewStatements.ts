import type { Account } from '../chart/account.ts';
import { accountLabel } from '../chart/accountReference.ts';
import { columnsFor } from '../columns/comparisons.ts';
import { type CompiledLayout, compileLayout } from '../layout/compileLayout.ts';
import { generateBalanceSheet } from '../layout/generateBalanceSheet.ts';
import { generateIncomeStatement } from '../layout/generateIncomeStatement.ts';
import type { LayoutKind } from '../layout/line.ts';
import { defaultLayoutOptions } from '../layout/options.ts';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import { portionsByAccount } from '../placement/place.ts';
import { presentRows } from '../statement/presentRows.ts';
import { runColumn } from '../statement/runColumn.ts';
import type { StatementRow } from '../statement/statement.ts';
import type { NewChart } from './starterChart.ts';

export interface StatementPreview {
  readonly compiled: CompiledLayout;
  /** Every line, since none has an amount yet. */
  readonly rows: readonly StatementRow[];
}

/** The statements that a chart will have, before there is a company: made as those of a company are, with nothing in them. */
export function previewStatements(chart: NewChart): Readonly<Record<LayoutKind, StatementPreview>> {
  const accounts = chart.accounts.map(({ key, parentKey, ...account }): Account => ({ ...account, id: key, parentId: parentKey, position: key }));
  const tree = buildCategoryTree(
    chart.categories.map(({ key, parentKey, contraOfKey, ...category }) => ({
      ...category,
      id: key,
      parentId: parentKey,
      contraOf: contraOfKey,
      position: key,
    })),
  );
  const portions = portionsByAccount(chart.places.map(({ accountKey, side, categoryKey }) => ({ accountId: accountKey, side, categoryId: categoryKey })));
  const retainedEarningsId = accounts.find(({ role }) => role === 'retained_earnings')?.id ?? null;
  const preview = (kind: LayoutKind): StatementPreview => {
    const layout =
      kind === 'balance_sheet'
        ? generateBalanceSheet({ tree, portions, retainedEarningsId, options: defaultLayoutOptions, language: 'en' })
        : generateIncomeStatement({ tree, portions, options: defaultLayoutOptions, language: 'en' });
    const compiled = compileLayout(
      layout,
      accounts.map(({ id }) => id),
      portions,
    );
    const net = new BigInt64Array(accounts.length);
    const rows = presentRows({
      compiled,
      columns: columnsFor(kind, { firstDay: '2000-01-01', lastDay: '2000-12-31' }, null),
      runs: [runColumn(compiled, { net, result: 0n, notAllotted: 0n })],
      accounts: accounts.map((account, index) => ({
        account,
        label: accountLabel(account),
        index,
        isParent: accounts.some(({ parentId }) => parentId === account.id),
      })),
      detail: { rungs: 2, opened: new Set(), shut: new Set(), zeroLines: true },
    });
    return { compiled, rows };
  };
  return { balance_sheet: preview('balance_sheet'), income_statement: preview('income_statement') };
}
