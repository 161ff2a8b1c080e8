import { describe, expect, it } from 'vitest';
import { category as plain } from '../statement/statementsOf.fixture.ts';
import { buildCategoryTree } from './categoryTree.ts';
import { portionsByAccount } from './place.ts';
import { type AccountToPropose, proposePlaces } from './proposePlaces.ts';

const tree = buildCategoryTree([
  plain(1, 'expense', { name: 'Fuel and lubricants' }),
  plain(2, 'expense', { name: 'Harbour dues' }),
  plain(3, 'expense', { name: 'Insurance' }),
  plain(4, 'asset', { name: 'Fuel in stock' }),
]);
const account = (id: number, number: string, name: string, fields: Partial<AccountToPropose> = {}): AccountToPropose => ({
  id,
  number,
  name,
  element: 'expense',
  parentId: null,
  ...fields,
});
const placed = (...places: readonly (readonly [accountId: number, categoryId: number])[]) =>
  portionsByAccount(places.map(([accountId, categoryId]) => ({ accountId, side: 'any', categoryId })));
const propose = (accounts: readonly AccountToPropose[], portions: ReturnType<typeof placed>) => proposePlaces(accounts, portions, tree, 'digit_by_digit');

describe('proposals for an unplaced account', () => {
  it('come from its neighbours by number, both of them or one', () => {
    const accounts = [account(1, '5310', 'Dues, mainland'), account(2, '5340', 'Slipway'), account(3, '5350', 'Pilotage'), account(4, '5360', 'Berths')];
    expect(propose(accounts, placed([1, 2], [3, 2], [4, 3]))).toEqual([
      { accountId: 2, proposals: [{ categoryId: 2, weight: 4, reasons: [{ kind: 'beside', accountIds: [1, 3] }] }], agree: true },
    ]);
    expect(propose(accounts, placed([1, 2], [3, 3], [4, 3]))[0]).toMatchObject({ agree: false, proposals: [{ categoryId: 2 }, { categoryId: 3 }] });
  });

  it('do not come from a neighbour whose number begins otherwise: a gap between two groups tells nothing', () => {
    const accounts = [account(1, '6330', 'Wages'), account(2, '6400', 'Energy'), account(3, '6500', 'Salaries')];
    expect(propose(accounts, placed([1, 2], [3, 2]))[0]?.proposals).toEqual([]);
  });

  it('come from words that it shares with accounts or with a category, whatever their case, accents and number', () => {
    const accounts = [account(1, '9', 'Gazole, vessels'), account(2, '1', 'GAZOLÉ ashore'), account(3, '5', 'Harbours abroad')];
    const found = propose(accounts, placed([1, 1]));
    expect(found[0]?.proposals[0]?.reasons).toContainEqual({ kind: 'name', word: 'GAZOLÉ', accounts: 1 });
    expect(found[1]?.proposals[0]).toMatchObject({ categoryId: 2, reasons: [{ kind: 'category_name', word: 'Harbours' }] });
  });

  it('come from its parent and what else is below that', () => {
    const accounts = [account(1, '', 'Cover'), account(2, '', 'Hull', { parentId: 1 }), account(3, '', 'Crew', { parentId: 1 })];
    expect(propose(accounts, placed([1, 3], [2, 3]))[0]).toEqual({
      accountId: 3,
      agree: true,
      proposals: [
        {
          categoryId: 3,
          weight: 9,
          reasons: [
            { kind: 'parent', accountId: 1 },
            { kind: 'siblings', accounts: 1 },
          ],
        },
      ],
    });
  });

  it('never cross elements, and are the same each time', () => {
    const accounts = [account(1, '1400', 'Fuel', { element: 'asset' }), account(2, '5210', 'Fuel')];
    const found = propose(accounts, placed());
    expect(found.map(({ proposals }) => proposals[0]?.categoryId)).toEqual([4, 1]);
    expect(propose(accounts, placed())).toEqual(found);
    expect(propose([account(1, '5', 'Zzz')], placed())).toEqual([{ accountId: 1, proposals: [], agree: false }]);
  });

  it('know where another company has the same account', () => {
    const found = proposePlaces([account(1, '5', 'Zzz')], placed(), tree, 'digit_by_digit', [{ company: 'Boatyard', accountId: 1, categoryId: 3 }]);
    expect(found[0]).toMatchObject({ agree: true, proposals: [{ categoryId: 3, reasons: [{ kind: 'company', company: 'Boatyard' }] }] });
  });

  it('never contradict the words of the account: amortisation of software into property, energy into depreciation', () => {
    const ferry = buildCategoryTree([
      plain(1, 'asset', { name: 'Property, plant and equipment' }),
      plain(2, 'asset', { name: 'Depreciation so far', parentId: 1 }),
      plain(3, 'asset', { name: 'Intangible assets' }),
      plain(4, 'expense', { name: 'Depreciation' }),
      plain(5, 'expense', { name: 'Other operating expenses' }),
    ]);
    const accounts = [
      account(1, '0210', 'Depreciation of buildings to date', { element: 'asset' }),
      account(2, '0220', 'Amortisation of software to date', { element: 'asset' }),
      account(3, '0230', 'Depreciation of vehicles to date', { element: 'asset' }),
      account(4, '6010', 'Depreciation of buildings'),
      account(5, '6020', 'Electric energy'),
      account(6, '6030', 'Amortisation of software'),
      account(7, '6040', 'Depreciation of vehicles'),
      account(8, '6050', 'Subscriptions'),
    ];
    const found = proposePlaces(accounts, placed([1, 2], [3, 2], [4, 4], [7, 4]), ferry, 'digit_by_digit');
    const proposed = (id: number) => found.find(({ accountId }) => accountId === id)?.proposals.map(({ categoryId }) => categoryId);
    // Nothing in the words of software speaks for depreciation of property, and nothing else does.
    expect(proposed(2)).toEqual([]);
    expect(proposed(5)).toEqual([]);
    expect(proposed(6)).toEqual([4]);
    // Words that say nothing of the kind contradict nothing.
    expect(proposed(8)).toEqual([4]);
  });

  it('of a single neighbour are shown, and not among those that are accepted together', () => {
    const accounts = [account(1, '5310', 'Dues, mainland'), account(2, '5340', 'Slipway')];
    expect(propose(accounts, placed([1, 2]))[0]).toMatchObject({ proposals: [{ categoryId: 2, weight: 2 }], agree: false });
  });
});
