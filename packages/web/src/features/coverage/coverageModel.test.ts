import { describe, expect, it } from 'vitest';
import { modelPlacement, placementBase } from '../rehearsal/placementModel.ts';
import { account, category, view } from '../rehearsal/placementView.fixture.ts';
import { faultsOf, layoutScopes, listScopes, placementScopes } from './coverageModel.ts';

const any = (categoryId: number) => [{ side: 'any' as const, categoryId }];
const scope = 'classification:1';

function scopesOf(...given: Parameters<typeof view>) {
  const shown = view(...given);
  const model = modelPlacement(placementBase(shown, 'digit_by_digit'));
  return { shown, model, scopes: placementScopes(shown, model, 'Statutory', scope, [], []) };
}

describe('coverage of composed layouts', () => {
  const shown = view(
    [category(1, 'Bank')],
    [account(1, '100', any(1)), account(2, '50', any(1)), account(3, '0', any(1))],
    [
      { scope: 'layout:7', accountId: 3, reason: 'clearing only', by: 'Nils Berg', at: '2026-09-30 12:00:00' },
      { scope, accountId: 1, reason: 'elsewhere', by: 'Nils Berg', at: '2026-09-30 12:00:00' },
    ],
  );
  const model = modelPlacement(placementBase(shown, 'digit_by_digit'));
  const proof = (layouts: Parameters<typeof layoutScopes>[2][number]['layouts']) =>
    layoutScopes(shown, model, [{ name: 'layouts_complete', state: 'to_look_at', difference: '0', figures: [], accounts: [], ...(layouts && { layouts }) }]);

  it('is that of each by itself: what no line of it takes, or two do, and what was left out of it', () => {
    const [ours, ...others] = proof([
      {
        layoutId: 7,
        name: 'Ours',
        inScope: 2,
        faults: [
          { accountId: 2, state: 'doubled', net: '50' },
          { accountId: 1, state: 'unplaced', net: '-20' },
          // Of an account that is gone by now nothing can be said.
          { accountId: 99, state: 'unplaced', net: '0' },
        ],
      },
    ]);
    expect(others).toEqual([]);
    expect(ours).toMatchObject({ key: 'layout:7', layoutId: 7, exclusion: 'layout:7', inScope: 2, faulty: 3, atStake: 70n, netEffect: 30n });
    expect(ours?.rows.map(({ account: { id }, finding, concern }) => [id, finding.kind === 'in_layout' ? finding.state : finding.kind, concern])).toEqual([
      [2, 'doubled', 'wrong'],
      [1, 'unplaced', 'wrong'],
      [3, 'left_out', 'out'],
    ]);
  });

  it('is of none where none claims to be whole', () => {
    expect(proof(undefined)).toEqual([]);
  });
});

describe('coverage of a placement', () => {
  const categories = [category(1, 'Bank'), category(2, 'Sales', { element: 'income', step: 'revenue' })];
  const accounts = [
    account(1, '100', any(1)),
    account(2, '50', []),
    account(3, '0', []),
    account(4, '-20', [{ side: 'debit', categoryId: 1 }]),
    account(5, '-80', [], { element: 'income' }),
    account(6, '7', [], { isParent: true }),
    account(7, '0', [], { isParent: true }),
    account(8, '0', [], { balanceBefore: '12' }),
  ];

  it('counts each statement’s own accounts, tells what is wrong today from what is not, and is one number for both', () => {
    const { shown, model, scopes } = scopesOf(categories, accounts);
    expect(scopes.map(({ key, inScope, faulty, atStake }) => [key, inScope, faulty, atStake])).toEqual([
      ['placement', 7, 6, 157n],
      ['balance_sheet', 6, 5, 77n],
      ['income_statement', 1, 1, 80n],
    ]);
    expect(scopes[0]?.rows.map(({ account: { id }, finding, concern }) => [id, finding.kind, concern])).toEqual([
      [2, 'unplaced', 'wrong'],
      [4, 'half_placed', 'wrong'],
      [6, 'unplaced', 'wrong'],
      [8, 'unplaced', 'wrong'],
      [5, 'unplaced', 'wrong'],
      [3, 'unplaced', 'idle'],
    ]);
    expect(faultsOf(shown, model)).toBe(6);
  });

  it('does not count what somebody left out, which is listed with the reason', () => {
    const { scopes, model } = scopesOf(categories, accounts, [{ scope, accountId: 3, reason: 'clearing only', by: 'Nils Berg', at: '2026-09-30 12:00:00' }]);
    expect(scopes[0]).toMatchObject({ inScope: 6, faulty: 5 });
    expect(scopes[0]?.rows.at(-1)).toMatchObject({ account: { id: 3 }, concern: 'out', finding: { kind: 'left_out', reason: 'clearing only' } });
    expect(model.unplaced.map(({ id }) => id)).not.toContain(3);
  });

  it('goes on listing what was left out once it is placed, with nothing at stake, so that it can be taken in again', () => {
    const { scopes } = scopesOf(categories, accounts, [{ scope, accountId: 1, reason: 'clearing only', by: 'Nils Berg', at: '2026-09-30 12:00:00' }]);
    expect(scopes.slice(1).map(({ inScope, rows }) => [inScope, rows.filter(({ concern }) => concern === 'out').length])).toEqual([
      [5, 1],
      [1, 0],
    ]);
    expect(scopes[0]?.rows.at(-1)).toMatchObject({ account: { id: 1 }, concern: 'out', net: 0n, before: 0n });
  });
});

describe('coverage of a code list', () => {
  it('lists what lacks a code, what is at odds and what was left out', () => {
    const key = 'report:4' as const;
    const code = { code: 'T1', caption: 'Money', element: 'income' as const, side: null, parent: null, retired: false, accounts: 1 };
    const list = { id: 4, key, kind: 'report' as const, name: 'Tax', neededFor: ['asset' as const], neededOn: '', notAllowedOn: '', version: 1, codes: [code] };
    const shown = view(
      [category(1, 'Bank')],
      [account(1, '100', any(1), { codes: { [key]: 'T1' } }), account(2, '50', any(1)), account(3, '0', any(1)), account(4, '0', any(1))],
      [{ scope: key, accountId: 4, reason: 'not asked for', by: 'Nils Berg', at: '2026-09-30 12:00:00' }],
    );
    const [tax] = listScopes(shown, modelPlacement(placementBase(shown, 'digit_by_digit')), [list], 'digit_by_digit');
    expect(tax).toMatchObject({ isClaimed: true, inScope: 3, faulty: 2, atStake: 50n });
    expect(tax?.rows.map(({ account: { id }, finding, concern }) => [id, finding.kind, concern])).toEqual([
      [2, 'no_code', 'wrong'],
      [3, 'no_code', 'idle'],
      [1, 'code_odd', 'look'],
      [4, 'left_out', 'out'],
    ]);
  });
});
