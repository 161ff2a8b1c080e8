import { describe, expect, it } from 'vitest';
import { accountRoles } from '../chart/accountRole.ts';
import { account } from '../statement/statementsOf.fixture.ts';
import { findAgainstNormalSide } from './findOddBalances.ts';

describe('balances against their normal side', () => {
  it('are pointed out whatever the role of the account, but for retained earnings, which losses may turn', () => {
    const found = [null, ...accountRoles].filter((role) => {
      const overdrawn = { account: { ...account(1, 'asset'), role }, index: 0, isParent: false };
      return findAgainstNormalSide([overdrawn], BigInt64Array.of(-5n), () => false).state === 'to_look_at';
    });
    expect(found).toEqual([null, 'cash', 'exchange_differences', 'suspense']);
  });

  it('are expected where the account has a place for that side, and nil is on neither', () => {
    const bank = { account: account(1, 'asset'), index: 0, isParent: false };
    expect(findAgainstNormalSide([bank], BigInt64Array.of(-5n), () => true).state).toBe('holds');
    expect(findAgainstNormalSide([bank], BigInt64Array.of(0n), () => false).state).toBe('holds');
  });
});
