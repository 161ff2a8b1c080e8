import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { differenceOf } from './entryDraft.ts';
import { linesToSet } from './setBalances.ts';

describe('balances that are set', () => {
  it('are posted as the difference to what is held', () => {
    expect(
      linesToSet([
        { accountId: 1, held: 0n, wanted: 900n },
        { accountId: 2, held: -500n, wanted: -500n },
        { accountId: 3, held: -100n, wanted: -400n },
        { accountId: 4, held: 600n, wanted: 0n },
      ]),
    ).toEqual([
      { accountId: 1, debit: 900n, credit: 0n },
      { accountId: 3, debit: 0n, credit: 300n },
      { accountId: 4, debit: 0n, credit: 600n },
    ]);
  });

  it('are held once their lines are posted, whatever they were, and the lines are out of balance by as much as the two sets are', () => {
    const amounts = fc.array(fc.record({ held: fc.bigInt(-1000n, 1000n), wanted: fc.bigInt(-1000n, 1000n) }), { maxLength: 20 });
    fc.assert(
      fc.property(amounts, (given) => {
        const balances = given.map((amount, at) => ({ accountId: at, ...amount }));
        const lines = linesToSet(balances);
        const moved = new Map(lines.map(({ accountId, debit, credit }) => [accountId, debit - credit]));
        for (const { accountId, held, wanted } of balances) expect(held + (moved.get(accountId) ?? 0n)).toBe(wanted);
        expect(differenceOf(lines)).toBe(balances.reduce((sum, { held, wanted }) => sum + wanted - held, 0n));
      }),
      { seed: 30, numRuns: 200 },
    );
  });
});
