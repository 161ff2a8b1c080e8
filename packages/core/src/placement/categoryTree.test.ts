import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Category } from './category.ts';
import { findCategoryPath, readCategoryPath, writeCategoryPath } from './categoryPath.ts';
import { buildCategoryTree, pathOf, walkCategories } from './categoryTree.ts';
import { starterCategories } from './starterCategories.ts';

const category = (id: number, name: string, parentId: number | null = null, position = id): Category => ({
  id,
  parentId,
  element: 'asset',
  name,
  position,
  term: null,
  step: null,
  contraOf: null,
});

describe('the category tree', () => {
  const tree = buildCategoryTree([
    category(1, 'Current assets', null, 20),
    category(2, 'Cash', 1, 9),
    category(3, 'Bank', 1, 3),
    category(4, 'Vessels', null, 10),
  ]);

  it('shows siblings in their explicit order, whatever their names and ids', () => {
    const names: string[] = [];
    walkCategories(tree.tops.get('asset') ?? [], ({ category: { name } }) => names.push(name));
    expect(names).toEqual(['Vessels', 'Current assets', 'Bank', 'Cash']);
  });

  it('gives the path of a node from the top, and finds a node by its path without regard to case', () => {
    const cash = tree.nodes.get(2);
    expect(cash && pathOf(cash)).toEqual(['Current assets', 'Cash']);
    expect(findCategoryPath(tree, 'asset', ['current ASSETS', 'cash'])).toEqual({ node: cash, found: 2 });
    expect(findCategoryPath(tree, 'asset', ['Current assets', 'Petty cash'])).toMatchObject({ node: { category: { id: 1 } }, found: 1 });
    expect(findCategoryPath(tree, 'liability', ['Current assets'])).toEqual({ node: null, found: 0 });
  });

  it('is not built of a cycle or of an orphan', () => {
    expect(() => buildCategoryTree([category(1, 'A', 2), category(2, 'B', 1)])).toThrow(/cycle/);
    expect(() => buildCategoryTree([category(1, 'A', 9)])).toThrow(/parent/);
  });
});

describe('a category path in a file', () => {
  it.each([
    ['Current assets > Cash at bank', ['Current assets', 'Cash at bank']],
    ['Current assets › Cash at bank', ['Current assets', 'Cash at bank']],
    [' Assets > Current assets >  > Cash ', ['Current assets', 'Cash']],
    ['Assets', ['Assets']],
    ['', []],
    ['"Older > 90 days" > Disputed', ['Older > 90 days', 'Disputed']],
    ['"Old" hulls > Sold', ['"Old" hulls', 'Sold']],
    ['"Left open > Sold', ['"Left open', 'Sold']],
  ])('%s', (text, names) => {
    expect(readCategoryPath(text, 'asset')).toEqual(names);
  });

  it('reads back to any names that were written', () => {
    const name = fc.stringMatching(/^[ab">›]{1,6}$/);
    fc.assert(
      fc.property(fc.array(name, { minLength: 1, maxLength: 4 }), (names) => {
        expect(readCategoryPath(writeCategoryPath(names), null)).toEqual(names);
      }),
    );
  });
});

describe('the tree that a company begins with', () => {
  it('says current or non-current of every top of assets and liabilities, and a step of every top of income and expense', () => {
    for (const element of ['asset', 'liability'] as const) for (const { name, term } of starterCategories[element]) expect(term, name).toMatch(/current/);
    for (const element of ['income', 'expense'] as const) for (const { name, step } of starterCategories[element]) expect(step, name).toBeDefined();
  });

  it('names beside each contra category the one that it is deducted from', () => {
    for (const tops of Object.values(starterCategories))
      for (const { children = [] } of tops)
        for (const { contraOf } of children) if (contraOf !== undefined) expect(children.map(({ name }) => name)).toContain(contraOf);
  });
});
