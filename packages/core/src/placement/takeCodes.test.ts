import { describe, expect, it } from 'vitest';
import type { ListedCode } from '../chart/codeList.ts';
import type { Element } from '../chart/element.ts';
import { category } from '../statement/statementsOf.fixture.ts';
import { buildCategoryTree } from './categoryTree.ts';
import { type AccountTakingCode, codeForMany, codesOfCategories, codesOfOther } from './takeCodes.ts';

const key = 'report:1' as const;
const listed = (code: string, caption = '', parent: string | null = null): ListedCode => ({ code, caption, element: null, side: null, parent });
const account = (id: number, name: string, fields: Partial<AccountTakingCode> = {}): AccountTakingCode => ({
  id,
  number: String(id),
  name,
  element: 'asset' as Element,
  codes: {},
  ...fields,
});

describe('codes taken from the categories', () => {
  const tree = buildCategoryTree([
    category(1, 'asset', { name: 'Vessels', position: 1 }),
    category(2, 'asset', { name: 'At cost', parentId: 1 }),
    category(3, 'asset', { name: 'Stores', position: 2 }),
    category(4, 'income', { name: 'Fares' }),
  ]);

  it('are numbered by the path, and go to the accounts that stand there and have none', () => {
    const places = new Map([
      [10, 2],
      [11, 3],
      [12, 4],
    ]);
    const accounts = [account(10, 'Hull'), account(11, 'Rope', { codes: { [key]: 'X' } }), account(12, 'Tickets'), account(13, 'Nowhere')];
    expect(codesOfCategories({ key, codes: [listed('X')] }, tree, accounts, (id) => places.get(id) ?? null)).toEqual({
      added: [
        { code: '1.1', caption: 'Vessels', element: 'asset', side: null, parent: null },
        { code: '1.1.1', caption: 'At cost', element: 'asset', side: null, parent: '1.1' },
        { code: '1.2', caption: 'Stores', element: 'asset', side: null, parent: null },
        { code: '4.1', caption: 'Fares', element: 'income', side: null, parent: null },
      ],
      given: [
        { accountId: 10, code: '1.1.1' },
        { accountId: 12, code: '4.1' },
      ],
      kept: 1,
      without: 1,
    });
  });

  it('are those of the list where one bears the name of the category, and never one that is taken', () => {
    const list = { key, codes: [listed('FARES', 'fares'), listed('1.1', 'Something else')] };
    const { added, given } = codesOfCategories(list, tree, [account(12, 'Tickets')], () => 4);
    expect(given).toEqual([{ accountId: 12, code: 'FARES' }]);
    expect(added.map(({ code, caption }) => [code, caption])).toEqual([
      ['1.2', 'Vessels'],
      ['1.2.1', 'At cost'],
      ['1.3', 'Stores'],
    ]);
  });
});

describe('codes taken from another company', () => {
  it('are those of its account of the same number and name, else of the same name; codes that are not here come with those above them', () => {
    const other = {
      key: 'report:9' as const,
      codes: [listed('A'), listed('A1', 'Cash', 'A'), listed('B')],
      accounts: [
        account(100, 'Bank', { codes: { 'report:9': 'A1' } }),
        account(1, 'Bank', { codes: { 'report:9': 'B' } }),
        account(2, 'Fees', { element: 'expense', codes: { 'report:9': 'B' } }),
      ],
    };
    const accounts = [account(1, 'bank'), account(7, 'Bank'), account(8, 'Fees'), account(9, 'Other')];
    expect(codesOfOther({ key, codes: [listed('b')] }, other, accounts)).toEqual({
      added: [listed('A'), listed('A1', 'Cash', 'A')],
      given: [
        { accountId: 1, code: 'B' },
        { accountId: 7, code: 'A1' },
      ],
      kept: 0,
      without: 2,
    });
  });
});

describe('one code for many accounts', () => {
  it('goes to those without and in the place of another, and tells those that have it already', () => {
    const accounts = [account(1, 'Diesel'), account(2, 'Gas oil', { codes: { [key]: 'B' } }), account(3, 'Lubricants', { codes: { [key]: 'A' } })];
    expect(codeForMany({ key }, 'A', accounts)).toEqual({
      given: [
        { accountId: 1, code: 'A' },
        { accountId: 2, code: 'A' },
      ],
      kept: 1,
      replaced: [{ accountId: 2, code: 'B' }],
    });
  });
});
