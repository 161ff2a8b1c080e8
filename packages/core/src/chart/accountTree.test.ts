import { describe, expect, it } from 'vitest';
import type { Account } from './account.ts';
import { buildAccountTree } from './accountTree.ts';

const account = (id: number, parentId: number | null, position: number): Account => ({
  id,
  number: String(id),
  name: `Account ${id}`,
  element: 'asset',
  normalSide: 'debit',
  parentId,
  position,
  active: true,
  role: null,
});

describe('the account tree', () => {
  it('stands each parent before its sub-accounts, siblings in their own order', () => {
    const tree = buildAccountTree([account(1, null, 20), account(2, 1, 5), account(3, 1, 1), account(4, null, 10)]);
    expect(tree.order.map(({ id }) => id)).toEqual([4, 1, 3, 2]);
    expect([...tree.depth]).toEqual([0, 0, 1, 1]);
    expect([...tree.isParent]).toEqual([false, true, false, false]);
  });

  it('refuses a cycle', () => {
    expect(() => buildAccountTree([account(1, 2, 1), account(2, 1, 1)])).toThrow('cycle');
  });
});
