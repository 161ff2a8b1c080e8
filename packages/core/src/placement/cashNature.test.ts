import { describe, expect, it } from 'vitest';
import { category } from '../statement/statementsOf.fixture.ts';
import { naturesOf, stepOf } from './cashNature.ts';
import { buildCategoryTree } from './categoryTree.ts';

const tree = buildCategoryTree([
  category(1, 'asset', { term: 'non_current' }),
  category(2, 'asset', { parentId: 1 }),
  category(3, 'asset', { parentId: 1, contraOf: 2 }),
  category(4, 'asset', { term: 'current' }),
  category(5, 'liability', { term: 'non_current' }),
  category(6, 'liability', { term: 'current' }),
  category(7, 'equity'),
  category(8, 'income', { step: 'investing' }),
  category(9, 'expense', { step: 'financing' }),
  category(10, 'expense', { step: 'income_tax' }),
  category(11, 'expense', { parentId: 9 }),
]);

describe('the nature of the cash flows of a category', () => {
  it('is by itself what term and step say (IAS 7.13 to 7.17; interest and taxes stand apart by 7.31 and 7.35)', () => {
    expect([...naturesOf(tree, [])].sort(([a], [b]) => a - b).map(([, nature]) => nature)).toEqual([
      ...['investing', 'investing', 'investing', 'operating'],
      ...['financing', 'operating', 'financing'],
      ...['investing', 'interest', 'income_tax', 'interest'],
    ]);
  });

  it('is what the category says, and with it those below and what is deducted from it', () => {
    const said = naturesOf(tree, [
      { id: 2, nature: 'none' },
      { id: 9, nature: 'financing' },
      { id: 4, nature: null },
    ]);
    expect([2, 3, 1, 9, 11, 4].map((id) => said.get(id))).toEqual(['none', 'none', 'investing', 'financing', 'financing', 'operating']);
    const both = naturesOf(tree, [
      { id: 2, nature: 'none' },
      { id: 3, nature: 'operating' },
    ]);
    expect(both.get(3)).toBe('operating');
  });

  it('follows a step of the top category, and the balance sheet has none', () => {
    expect([11, 9, 8, 4].map((id) => stepOf(tree.nodes.get(id) as NonNullable<ReturnType<typeof tree.nodes.get>>))).toEqual([
      'financing',
      'financing',
      'investing',
      null,
    ]);
  });
});
