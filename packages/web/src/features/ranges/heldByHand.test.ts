import { buildCategoryTree, type DescribedCategory } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import { account, category } from '../rehearsal/placementView.fixture.ts';
import { heldByHand } from './heldByHand.ts';

const described = [
  category(1, 'Stores'),
  category(2, 'Small parts', { parentId: 1 }),
  category(3, 'Bank'),
  category(4, 'Loans', { element: 'liability' }),
  category(5, 'Pay', { element: 'expense' }),
];
const tree = buildCategoryTree(described as unknown as Parameters<typeof buildCategoryTree>[0]);
const accounts = [
  account(0, '5', [{ side: 'any', categoryId: 3 }]),
  account(1, '5', [{ side: 'any', categoryId: 2 }]),
  account(2, '5', [
    { side: 'debit', categoryId: 3 },
    { side: 'credit', categoryId: 4 },
  ]),
  account(3, '5', []),
];
const ranged = (id: number, side: 'any' | 'debit' | 'credit', text: string) => {
  const categories = new Map(described.map((one) => [one.id, { ...one, ranges: one.id === id ? [{ side, text }] : [] } as unknown as DescribedCategory]));
  return (heldByHand(categories, tree, accounts, 'digit_by_digit').get(id) ?? []).map(({ number }) => number);
};

describe('accounts that a place by hand keeps from a range', () => {
  it('are those in another category, not those below it or without a place', () => {
    expect(ranged(1, 'any', '1000 to 1003')).toEqual(['1000', '1002']);
  });

  it('are those whose side of the range stands elsewhere', () => {
    expect(ranged(4, 'credit', '1000 to 1003')).toEqual(['1000', '1001']);
    expect(ranged(3, 'debit', '1000 to 1003')).toEqual(['1001']);
  });

  it('are none of an element that the range cannot take', () => {
    expect(ranged(5, 'any', '1000 to 1003')).toEqual([]);
    expect(ranged(4, 'any', '1000 to 1003')).toEqual([]);
  });

  it('are none where nothing is held', () => {
    expect(ranged(1, 'any', '')).toEqual([]);
    expect(ranged(1, 'any', '1000 to')).toEqual([]);
  });
});
