import { describe, expect, it } from 'vitest';
import { composed, free, numbers, taking } from '../layout/ownLayout.fixture.ts';
import { account, type TestCompany } from './statementsOf.fixture.ts';

/** 1001 over 1002 and 1003, 1003 over 1004 and 1005; 1006 by itself. */
const parents: Readonly<Record<number, number>> = { 2: 1, 3: 1, 4: 3, 5: 3 };
const company: TestCompany = {
  categories: [],
  accounts: [1, 2, 3, 4, 5, 6].map((id) => ({ ...account(id, 'asset'), parentId: parents[id] ?? null })),
  places: [],
};
const rowsOf = (net: readonly bigint[], byTree: number) =>
  composed(company, free([taking('all', [numbers('1001 to 1006')], { byAccount: true, byTree })])).rows([net]);
const told = (rows: ReturnType<typeof rowsOf>) => rows.map(({ depth, caption, values }) => [depth, caption, values[0]]);

describe('the rows below an opened line', () => {
  it('step in with the tree of accounts, and each adds up those right below it', () => {
    const rows = rowsOf([8n, 1n, 0n, 3n, 5n, 7n], 9);
    expect(told(rows)).toEqual([
      [0, 'all', 24n],
      [1, '1001 Account 1', 17n],
      [2, 'Posted directly to 1001 Account 1', 8n],
      [2, '1002 Account 2', 1n],
      [2, '1003 Account 3', 8n],
      [3, '1004 Account 4', 3n],
      [3, '1005 Account 5', 5n],
      [1, '1006 Account 6', 7n],
    ]);
    const partsOf = (key: string) => rows.find((row) => row.key === key)?.parts.map((part) => part.key);
    expect(['all', 'all/1', 'all/3'].map(partsOf)).toEqual([
      ['all/1', 'all/6'],
      ['all/1.own', 'all/2', 'all/3'],
      ['all/4', 'all/5'],
    ]);
  });

  it('keep a sum that comes to nothing above the accounts in it', () => {
    const rows = rowsOf([0n, 1n, 0n, 3n, -3n, 0n], 9);
    expect(told(rows)).toEqual([
      [0, 'all', 1n],
      [1, '1001 Account 1', 1n],
      [2, '1002 Account 2', 1n],
      [2, '1003 Account 3', 0n],
      [3, '1004 Account 4', 3n],
      [3, '1005 Account 5', -3n],
    ]);
  });
});
