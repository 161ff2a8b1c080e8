import { describe, expect, it } from 'vitest';
import { roleRules } from '../chart/accountRole.ts';
import { isIncomeOrExpense } from '../chart/element.ts';
import { coverageOf } from '../placement/coverage.ts';
import { previewStatements } from './previewStatements.ts';
import { toNewChart } from './starterChart.ts';
import { starterCharts } from './starterCharts.ts';

describe.each(starterCharts.map((chart) => [chart.name, chart] as const))('the starter chart for: %s', (_, chart) => {
  const { categories, accounts, places } = toNewChart(chart);

  it('has every account once, with a number and a name of its own', () => {
    expect(new Set(accounts.map(({ number }) => number)).size).toBe(accounts.length);
    // Of all elements together: without numbers they stand beside each other at the top.
    expect(new Set(accounts.map(({ name }) => name.toLowerCase())).size).toBe(accounts.length);
    expect(accounts.map(({ number }) => number)).toEqual(accounts.map(({ number }) => number).toSorted());
    expect(accounts.length).toBeGreaterThan(50);
  });

  it('is complete by coverage: every account stands exactly once, on its statement, whatever its balance', () => {
    const statements = previewStatements({ categories, accounts, places, ranges: [], lists: [] });
    for (const kind of ['balance_sheet', 'income_statement'] as const) {
      const { lineOfDebit, lineOfCredit } = statements[kind].compiled;
      const inScope = accounts.filter(({ element }) => isIncomeOrExpense(element) === (kind === 'income_statement')).length;
      for (const amount of [1n, -1n]) {
        const covered = coverageOf(
          kind,
          accounts.map(({ element }, account) => ({ account, element, isParent: false })),
          lineOfDebit,
          lineOfCredit,
          BigInt64Array.from(accounts, () => amount),
        );
        expect([covered.inScope, covered.faults]).toEqual([inScope, []]);
      }
    }
  });

  it('leaves no category empty, and gives each top category its term or step', () => {
    const used = new Set(places.map(({ categoryKey }) => categoryKey));
    const parents = new Set(categories.map(({ parentKey }) => parentKey));
    expect(categories.filter(({ key }) => !used.has(key) && !parents.has(key)).map(({ name }) => name)).toEqual([]);
    for (const { element, parentKey, term, step } of categories) {
      expect(term !== null).toBe(parentKey === null && (element === 'asset' || element === 'liability'));
      expect(step !== null).toBe(parentKey === null && isIncomeOrExpense(element));
    }
    const contras = categories.filter(({ contraOfKey }) => contraOfKey !== null);
    for (const { contraOfKey, parentKey } of contras) expect(categories.find(({ key }) => key === contraOfKey)?.parentKey).toBe(parentKey);
  });

  it('gives the roles that statements need to accounts that may have them', () => {
    const holders = (role: string) => accounts.filter((account) => account.role === role);
    expect([holders('retained_earnings').length, holders('suspense').length, holders('exchange_differences').length <= 1]).toEqual([1, 1, true]);
    expect(holders('cash').length).toBeGreaterThan(0);
    for (const { role, element } of accounts) if (role !== null) expect(roleRules[role].elements).toContain(element);
  });

  it('has a balance sheet by current and non-current, and an income statement down to the profit', () => {
    const { balance_sheet, income_statement } = previewStatements({ categories, accounts, places, ranges: [], lists: [] });
    const captions = (rows: readonly { caption: string }[]) => rows.map(({ caption }) => caption);
    expect(captions(balance_sheet.rows)).toEqual(
      expect.arrayContaining(['Total assets', 'Total current assets', 'Total non-current assets', 'Total liabilities and equity']),
    );
    expect(captions(income_statement.rows).at(-1)).toMatch(/profit/i);
  });
});
