import { describe, expect, it } from 'vitest';
import type { Account } from '../chart/account.ts';
import { type Element, naturalSide } from '../chart/element.ts';
import { account, category, statementsOf } from '../statement/statementsOf.fixture.ts';
import { findAgainstNormalSide, findPostingsOnParents } from './findOddBalances.ts';
import { proveAllotted } from './proveAllotted.ts';
import { proveBalanceSheet } from './proveBalanceSheet.ts';
import { proveCoverage } from './proveCoverage.ts';
import { proveProfit } from './proveProfit.ts';
import { proveTrialBalance } from './proveTrialBalance.ts';

const day = '2026-09-30';
const earlier = '2025-12-31';

describe('the trial balance', () => {
  it('holds where debits are credits, and says both', () => {
    const proof = proveTrialBalance([{ day, net: BigInt64Array.of(70n, -50n, -20n), notAllotted: 0n }]);
    expect([proof.state, proof.difference, proof.figures.map(({ net }) => net)]).toEqual(['holds', 0n, [70n, -70n]]);
  });

  it('counts what completed years left and no account holds', () => {
    expect(proveTrialBalance([{ day, net: BigInt64Array.of(70n, -50n), notAllotted: -20n }]).state).toBe('holds');
    expect(proveTrialBalance([{ day, net: BigInt64Array.of(70n, -50n), notAllotted: 0n }])).toMatchObject({ state: 'fails', difference: 20n });
  });

  it('fails where only the comparative is out, with its difference', () => {
    const columns = [
      { day, net: BigInt64Array.of(5n, -5n), notAllotted: 0n },
      { day: earlier, net: BigInt64Array.of(5n, -8n), notAllotted: 0n },
    ];
    expect(proveTrialBalance(columns)).toMatchObject({ state: 'fails', difference: -3n });
  });
});

describe('assets = liabilities + equity', () => {
  const company = {
    categories: [category(1, 'asset', { term: 'current' }), category(2, 'liability', { term: 'current' }), category(3, 'equity')],
    accounts: [account(1, 'asset'), account(2, 'liability'), account(3, 'equity')],
  };
  const prove = (places: { accountId: number; side: 'any'; categoryId: number }[]) => {
    const { layouts, run } = statementsOf({ ...company, places });
    return proveBalanceSheet(
      layouts.balance_sheet,
      [{ day, amounts: run('balance_sheet', [70n, -50n, -20n]).amounts }],
      [{ account: 1, reason: 'unplaced', net: -50n }],
    );
  };

  it('is made of what the lines hold: an unplaced liability makes it fail by its balance, and is named', () => {
    const all = company.accounts.map(({ id }) => ({ accountId: id, side: 'any' as const, categoryId: id }));
    expect(prove(all)).toMatchObject({ state: 'holds', difference: 0n, accounts: [] });
    expect(prove(all.filter(({ accountId }) => accountId !== 2))).toMatchObject({ state: 'fails', difference: 50n, accounts: [{ account: 1 }] });
  });
});

describe('profit and what completed years left', () => {
  it('fails by what the income statement does not hold of the result, and names who is at fault only then', () => {
    const atFault = [{ account: 4, reason: 'unplaced', net: -260n }];
    expect(proveProfit([{ day, profit: -1000n, result: -1260n }], atFault)).toMatchObject({ state: 'fails', difference: -260n, accounts: atFault });
    expect(proveProfit([{ day, profit: -1000n, result: -1000n }], atFault)).toMatchObject({ state: 'holds', accounts: [] });
  });

  it('is to be looked at while no account is named for profit of completed years', () => {
    expect(proveAllotted([{ day, notAllotted: -40n }])).toMatchObject({ state: 'to_look_at', difference: -40n });
    expect(proveAllotted([{ day, notAllotted: 0n }]).state).toBe('holds');
  });
});

describe('coverage as a proof', () => {
  it('adds up the statements and keeps each account at fault with its reason', () => {
    const proof = proveCoverage(day, [
      { inScope: 10, faults: [{ account: 3, state: 'unplaced', net: -50n }], leftOut: [], atStake: 50n, netEffect: -50n },
      { inScope: 5, faults: [{ account: 8, state: 'half_placed', net: 0n }], leftOut: [], atStake: 0n, netEffect: 0n },
    ]);
    expect(proof).toMatchObject({ state: 'to_look_at', difference: 50n, accounts: [{ reason: 'unplaced' }, { reason: 'half_placed' }] });
    expect(proof.figures.map(({ net }) => net)).toEqual([15n, 13n]);
  });
});

describe('odd balances', () => {
  const one = (element: Element, fields: Partial<Account> = {}, isParent = false) => ({
    account: { ...account(1, element), ...fields },
    index: 0,
    isParent,
  });
  const against = (balance: ReturnType<typeof one>, net: bigint, hasOtherPlace = false) =>
    findAgainstNormalSide([balance], BigInt64Array.of(net), () => hasOtherPlace);

  it('common practice: assets and expenses are debit by nature, liabilities, equity and income credit', () => {
    for (const element of ['asset', 'expense', 'liability', 'equity', 'income'] as const) {
      const natural = naturalSide(element) === 'debit' ? 1n : -1n;
      expect([against(one(element), natural).state, against(one(element), -natural).state], element).toEqual(['holds', 'to_look_at']);
      expect(naturalSide(element) === 'debit', element).toBe(element === 'asset' || element === 'expense');
    }
  });

  it('a contra account is normal on its own side', () => {
    expect(against(one('asset', { normalSide: 'credit' }), -20n).state).toBe('holds');
    expect(against(one('asset', { normalSide: 'credit' }), 20n)).toMatchObject({ state: 'to_look_at', difference: 20n });
  });

  it('a balance on the other side is expected where the account has a place for it', () => {
    expect(against(one('asset'), -30n, true).state).toBe('holds');
    expect(against(one('asset'), -30n).accounts).toEqual([{ account: 0, reason: 'against_normal_side', net: -30n }]);
  });

  it('an amount on a parent is pointed out, its sub-accounts are not', () => {
    const balances = [one('expense', {}, true), { ...one('expense'), index: 1 }];
    expect(findPostingsOnParents(balances, BigInt64Array.of(412n, 900n))).toMatchObject({ state: 'to_look_at', difference: 412n, accounts: [{ account: 0 }] });
    expect(findPostingsOnParents(balances, BigInt64Array.of(0n, 900n)).state).toBe('holds');
  });
});
