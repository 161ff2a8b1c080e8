import type { Account } from './account.ts';

/** Accounts in the chart's own order, each parent before its sub-accounts. */
export interface AccountTree {
  readonly order: readonly Account[];
  /** Nesting from 0, by place in `order`. */
  readonly depth: readonly number[];
  /** Index in `order` of the parent, or −1, by place in `order`. */
  readonly parentAt: readonly number[];
  readonly isParent: readonly boolean[];
  readonly indexOf: ReadonlyMap<number, number>;
}

/** A parent that is not among the accounts, or a cycle, is a bug of whoever stored them. Cost: n log n. */
export function buildAccountTree(accounts: readonly Account[]): AccountTree {
  const children = new Map<number | null, Account[]>();
  for (const account of accounts) {
    const siblings = children.get(account.parentId);
    if (siblings) siblings.push(account);
    else children.set(account.parentId, [account]);
  }
  for (const siblings of children.values()) siblings.sort((a, b) => a.position - b.position || a.id - b.id);
  const order: Account[] = [];
  const depth: number[] = [];
  const parentAt: number[] = [];
  const indexOf = new Map<number, number>();
  const visit = (parentId: number | null, parentIndex: number, level: number): void => {
    for (const account of children.get(parentId) ?? []) {
      const index = order.length;
      order.push(account);
      depth.push(level);
      parentAt.push(parentIndex);
      indexOf.set(account.id, index);
      visit(account.id, index, level + 1);
    }
  };
  visit(null, -1, 0);
  if (order.length !== accounts.length) throw new Error('the chart has a cycle or a parent that is not in it');
  return { order, depth, parentAt, isParent: order.map((account) => children.has(account.id)), indexOf };
}
