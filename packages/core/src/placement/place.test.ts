import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Element, elements } from '../chart/element.ts';
import type { Category } from './category.ts';
import { findCategoryPath, readCategoryPath } from './categoryPath.ts';
import { buildCategoryTree, pathOf } from './categoryTree.ts';
import { coverageOf } from './coverage.ts';
import { checkPlaces, portionsByAccount } from './place.ts';

const category = (id: number, element: Element, parentId: number | null = null, name = `Category ${id}`): Category => ({
  id,
  parentId,
  element,
  name,
  position: id,
  term: null,
  step: null,
  contraOf: null,
});
const tree = buildCategoryTree([
  category(1, 'asset'),
  category(2, 'liability'),
  category(3, 'equity'),
  category(4, 'income'),
  category(5, 'expense'),
  category(6, 'asset', 1, 'Cash'),
]);

describe('places', () => {
  it('stand under the element of the account', () => {
    for (const [at, element] of elements.entries())
      for (const [categoryAt, categoryElement] of elements.entries()) {
        const outcome = checkPlaces({ id: 9, element }, [{ side: 'any', categoryId: categoryAt + 1 }], tree);
        expect(outcome.ok, `${element} under ${categoryElement}`).toBe(at === categoryAt);
        if (!outcome.ok) expect(outcome.failure).toMatchObject({ code: 'element_clash', accountElement: element, categoryElement });
      }
  });

  it('only the place for the other side may stand under the counter-element', () => {
    const bank = { id: 1, element: 'asset' as const };
    expect(
      checkPlaces(
        bank,
        [
          { side: 'debit', categoryId: 1 },
          { side: 'credit', categoryId: 2 },
        ],
        tree,
      ).ok,
    ).toBe(true);
    expect(checkPlaces(bank, [{ side: 'credit', categoryId: 2 }], tree)).toMatchObject({ failure: { code: 'element_clash' } });
    expect(
      checkPlaces(
        bank,
        [
          { side: 'debit', categoryId: 1 },
          { side: 'credit', categoryId: 3 },
        ],
        tree,
      ),
    ).toMatchObject({ failure: { code: 'element_clash' } });
    expect(
      checkPlaces(
        { id: 2, element: 'equity' },
        [
          { side: 'credit', categoryId: 3 },
          { side: 'debit', categoryId: 1 },
        ],
        tree,
      ),
    ).toMatchObject({ failure: { code: 'element_clash' } });
  });

  it('do not overlap', () => {
    expect(
      checkPlaces(
        { id: 1, element: 'asset' },
        [
          { side: 'any', categoryId: 1 },
          { side: 'credit', categoryId: 6 },
        ],
        tree,
      ),
    ).toMatchObject({ failure: { code: 'places_overlap' } });
    expect(checkPlaces({ id: 1, element: 'asset' }, [{ side: 'any', categoryId: 77 }], tree)).toMatchObject({ failure: { code: 'category_unknown' } });
  });

  it('give each portion of an account its category', () => {
    const portions = portionsByAccount([
      { accountId: 1, side: 'debit', categoryId: 1 },
      { accountId: 1, side: 'credit', categoryId: 2 },
      { accountId: 2, side: 'any', categoryId: 3 },
    ]);
    expect([portions.get(1), portions.get(2)]).toEqual([
      { debit: 1, credit: 2 },
      { debit: 3, credit: 3 },
    ]);
  });
});

describe('category paths', () => {
  it('part names at > and ›, and find as much of a path as there is, without regard to case', () => {
    expect(readCategoryPath('Assets > Category 1 › cash', 'asset')).toEqual(['Category 1', 'cash']);
    const { node, found } = findCategoryPath(tree, 'asset', ['category 1', 'CASH', 'Till']);
    expect([node && pathOf(node), found]).toEqual([['Category 1', 'Cash'], 2]);
  });
});

describe('coverage', () => {
  it('is complete, or names each account that is missing and what is at stake', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            element: fc.constantFrom(...elements),
            debit: fc.integer({ min: -1, max: 1 }),
            credit: fc.integer({ min: -1, max: 1 }),
            net: fc.bigInt(-50n, 50n),
            isParent: fc.boolean(),
          }),
          { maxLength: 15 },
        ),
        (made) => {
          const [accounts, net] = [
            made.map(({ element, isParent }, account) => ({ account, element, isParent })),
            BigInt64Array.from(made, ({ net: amount }) => amount),
          ];
          const coverage = coverageOf(
            'balance_sheet',
            accounts,
            Int32Array.from(made, ({ debit }) => debit),
            Int32Array.from(made, ({ credit }) => credit),
            net,
          );
          const expected = made.flatMap(({ element, debit, credit, net: amount, isParent }, account) => {
            const inScope = !['income', 'expense'].includes(element) && (!isParent || amount !== 0n);
            return inScope && (debit < 0 || credit < 0) ? [{ account, state: debit < 0 && credit < 0 ? 'unplaced' : 'half_placed' }] : [];
          });
          expect(coverage.faults.map(({ account, state }) => ({ account, state }))).toEqual(expected);
          expect(coverage.atStake >= (coverage.netEffect < 0n ? -coverage.netEffect : coverage.netEffect)).toBe(true);
        },
      ),
      { seed: 415 },
    );
  });
});
