import { describe, expect, it } from 'vitest';
import { type AccountEntry, type NestedAccount, nestAccounts } from './nestAccounts.ts';
import { account } from './statementsOf.fixture.ts';

/** 1 over 2 and 3, 3 over 4 and 5; 6 over 7 alone; 8 by itself. */
const parents: Readonly<Record<number, number>> = { 2: 1, 3: 1, 4: 3, 5: 3, 7: 6 };
const all = [1, 2, 3, 4, 5, 6, 7, 8].map((id, index) => ({
  account: { ...account(id, 'asset'), parentId: parents[id] ?? null },
  label: `Account ${id}`,
  index,
  isParent: Object.values(parents).includes(id),
}));
const entries = (amounts: Readonly<Record<number, bigint>>): AccountEntry[] =>
  all.flatMap((presented) => (presented.account.id in amounts ? [{ presented, amounts: [amounts[presented.account.id] as bigint] }] : []));
/** `1:9[2:1 3:8[…]]`; what a parent bears itself is marked. */
const told = (nested: readonly NestedAccount[]): string =>
  nested
    .map(
      ({ presented, amounts, isOwn, children }) =>
        `${presented.account.id}${isOwn ? '*' : ''}:${amounts[0]}${children.length > 0 ? `[${told(children)}]` : ''}`,
    )
    .join(' ');

describe('accounts under those that they are sub-accounts of', () => {
  const amounts = { 2: 1n, 4: 3n, 5: 5n, 7: 7n, 8: 11n };

  it('are added up in them, and an account above only one is passed over', () => {
    expect(told(nestAccounts(entries(amounts), all, 9))).toBe('1:9[2:1 3:8[4:3 5:5]] 7:7 8:11');
  });

  it('are shown down to a depth, and below it added up', () => {
    expect(told(nestAccounts(entries(amounts), all, 2))).toBe('1:9[2:1 3:8] 7:7 8:11');
    expect(told(nestAccounts(entries(amounts), all, 1))).toBe('1:9 6:7 8:11');
    expect(told(nestAccounts(entries(amounts), all, 0))).toBe('2:1 4:3 5:5 7:7 8:11');
  });

  it('stand beside what was posted to a parent itself', () => {
    expect(told(nestAccounts(entries({ 1: 2n, 2: 1n, 3: 4n }), all, 9))).toBe('1:7[1*:2 2:1 3*:4]');
    expect(told(nestAccounts(entries({ 3: 4n, 4: 1n }), all, 2))).toBe('3:5');
  });
});
