import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Account } from '../chart/account.ts';
import { elements, isIncomeOrExpense } from '../chart/element.ts';
import { shownSign } from '../layout/lineUnit.ts';
import type { Category, Step } from '../placement/category.ts';
import type { Place } from '../placement/place.ts';
import { proveBalanceSheet } from '../proofs/proveBalanceSheet.ts';
import { contributionsOf } from './contributions.ts';
import type { Detail } from './statement.ts';
import { account, category, span, statementsOf } from './statementsOf.fixture.ts';

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
