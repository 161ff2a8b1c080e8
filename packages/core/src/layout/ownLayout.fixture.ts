import type { Account } from '../chart/account.ts';
import { accountLabel } from '../chart/accountReference.ts';
import type { CodesOfAccount } from '../chart/codeList.ts';
import { isIncomeOrExpense } from '../chart/element.ts';
import { columnsFor } from '../columns/comparisons.ts';
import { succeed } from '../outcome.ts';
import { naturesOf } from '../placement/cashNature.ts';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import { portionsByAccount } from '../placement/place.ts';
import { presentRows } from '../statement/presentRows.ts';
import { resultOf, runColumn } from '../statement/runColumn.ts';
import type { Detail } from '../statement/statement.ts';
import { span, type TestCompany } from '../statement/statementsOf.fixture.ts';
import { compileLayout } from './compileLayout.ts';
import { editLayout, type LayoutEdit } from './editLayout.ts';
import { expandLayout } from './expandLayout.ts';
import { withSidesOfFirstLines } from './groupSides.ts';
import { layoutCoverage } from './layoutCoverage.ts';
import type { LayoutFacts } from './layoutFacts.ts';
import { newLine } from './newLine.ts';
import { type AccountsOwnLine, type OwnLayout, type OwnLine, scopeOf } from './ownLayout.ts';
import type { Source } from './source.ts';

/** The facts of a small company for a composed layout. */
export function factsOf(
  company: TestCompany,
  layout: Pick<OwnLayout, 'kind' | 'scope'>,
  codes: ReadonlyMap<number, CodesOfAccount> = new Map(),
  natures: Parameters<typeof naturesOf>[1] = [],
): LayoutFacts {
  const tree = buildCategoryTree(company.categories);
  return {
    accounts: company.accounts.map((account) => ({ ...account, codes: codes.get(account.id) ?? {} })),
    tree,
    natures: naturesOf(tree, natures),
    portions: portionsByAccount(company.places),
    order: 'by_value',
    retainedEarningsId: company.retainedEarningsId ?? null,
    language: 'en',
    scope: scopeOf(layout),
    lists: [{ key: 'report:1', codes: ['R10', 'R20'].map((code) => ({ code, caption: code, element: null, side: null, parent: null })) }],
  };
}

/** A composed layout over a small company: expanded, compiled, run over net amounts, covered, and as rows. */
export function composed(company: TestCompany, layout: OwnLayout, facts = factsOf(company, layout)) {
  const expanded = expandLayout(layout, facts);
  const ids = company.accounts.map(({ id }) => id);
  const compiled = compileLayout(expanded.layout, ids, facts.portions);
  const resets = Uint8Array.from(company.accounts, ({ element }) => (isIncomeOrExpense(element) ? 1 : 0));
  const run = (net: readonly bigint[], more: Partial<Parameters<typeof runColumn>[1]> = {}) => {
    const vector = BigInt64Array.from(net);
    return runColumn(compiled, { net: vector, result: resultOf(vector, resets), notAllotted: 0n, exponent: 2, span, ...more });
  };
  const rows = (columns: readonly (readonly bigint[])[], detail: Partial<Detail> = {}) =>
    presentRows({
      compiled,
      columns: columnsFor(layout.kind === 'balance_sheet' ? 'balance_sheet' : 'income_statement', span, columns.length > 1 ? span : null),
      runs: columns.map((net) => run(net)),
      accounts: company.accounts.map((account: Account, index) => {
        const isParent = company.accounts.some(({ parentId }) => parentId === account.id);
        return { account, label: accountLabel(account), index, isParent };
      }),
      detail: { rungs: 9, opened: new Set(), shut: new Set(), zeroLines: false, ...detail },
    });
  const coverage = (net: readonly bigint[]) =>
    layoutCoverage(
      compiled,
      facts.scope,
      company.accounts.map(({ element }, account) => ({ account, element, isParent: false })),
      BigInt64Array.from(net),
      [],
    );
  // As in the composer.
  const edit = (change: LayoutEdit) => {
    const edited = editLayout(layout, change, expanded);
    return edited.ok ? succeed(withSidesOfFirstLines(edited.value, expanded, () => expandLayout(edited.value, facts))) : edited;
  };
  return { layout, facts, expanded, compiled, run, rows, coverage, edit };
}

/** A line that takes accounts. */
export function taking(key: string, sources: readonly Source[], more: Partial<AccountsOwnLine> = {}): AccountsOwnLine {
  return { ...newLine('accounts', key, key), sources, ...more };
}

export const numbers = (text: string): Source => ({ kind: 'numbers', text });

export function calculating(key: string, formula: string, result: 'amount' | 'ratio' | 'percent' | 'days' = 'amount'): OwnLine {
  return { ...newLine('calculation', key, key), formula, result };
}

export function grouping(key: string, side: 'debit' | 'credit', children: readonly OwnLine[]): OwnLine {
  return { ...newLine('group', key, key), side, children };
}

export function summing(key: string, terms: Readonly<Record<string, 1 | -1>>): OwnLine {
  return { ...newLine('sum', key, key), terms: Object.entries(terms).map(([term, sign]) => ({ key: term, sign })) };
}

export function remaining(key: string): OwnLine {
  return newLine('remainder', key, key);
}

export function free(lines: readonly OwnLine[], more: Partial<OwnLayout> = {}): OwnLayout {
  return { kind: 'free', title: 'Free', titles: [], measure: 'closing', scope: [], lines, ...more };
}
