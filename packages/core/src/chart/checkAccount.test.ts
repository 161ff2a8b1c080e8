import { describe, expect, it } from 'vitest';
import type { Account } from './account.ts';
import { buildAccountTree } from './accountTree.ts';
import { type AccountDraft, checkAccount, deepestAccounts, findSameName } from './checkAccount.ts';
import { naturalSide } from './element.ts';
import { proposeNumber, proposeNumberBeside } from './proposeNumber.ts';
import { siblingsWith } from './siblingOrder.ts';

const account = (id: number, number: string, parentId: number | null = null, fields: Partial<Account> = {}): Account => ({
  id,
  number,
  name: `Account ${number}`,
  element: 'expense',
  normalSide: naturalSide(fields.element ?? 'expense'),
  parentId,
  position: id,
  active: true,
  role: null,
  ...fields,
});

const draft: AccountDraft = { number: '6300', name: 'New', element: 'expense', parentId: null, active: true };

describe('an account fits the chart', () => {
  const tree = buildAccountTree([account(1, '6200'), account(2, '6210', 1), account(3, '6211', 2), account(4, 'A.10', null, { element: 'asset' })]);
  const check = (fields: Partial<Parameters<typeof checkAccount>[0]>, ownId: number | null = null) => checkAccount({ ...draft, ...fields }, ownId, tree, true);

  it('only with a number that nobody else has, letters without regard to case', () => {
    expect(check({ number: '6210' })).toEqual({ code: 'account_number_taken', number: '6210', accountId: 2, name: 'Account 6210' });
    expect(check({ number: 'a.10' })).toMatchObject({ code: 'account_number_taken', accountId: 4 });
    expect(check({ number: '6210' }, 2)).toBeNull();
    expect(check({ number: '06210' })).toBeNull();
  });

  it('only below a parent of its element, with both named', () => {
    expect(check({ parentId: 4 })).toEqual({ code: 'account_nesting_refused', reason: 'other_element', element: 'expense', parentElement: 'asset' });
    expect(check({ parentId: 1 })).toBeNull();
    expect(check({ parentId: 99 })).toMatchObject({ reason: 'parent_unknown' });
  });

  it('only outside its own branch', () => {
    expect(check({ number: '6200', parentId: 3 }, 1)).toMatchObject({ reason: 'own_descendant' });
    expect(check({ number: '6200', parentId: 1 }, 1)).toMatchObject({ reason: 'own_descendant' });
    expect(check({ number: '6211', parentId: 1 }, 3)).toBeNull();
  });

  it('only within ten levels, its branch counted', () => {
    const chain = Array.from({ length: deepestAccounts }, (_, at) => account(at + 1, String(at), at === 0 ? null : at));
    const deep = buildAccountTree([...chain, account(50, '50'), account(51, '51', 50)]);
    const below = (parentId: number, ownId: number | null) => checkAccount({ ...draft, parentId }, ownId, deep, true);
    expect(below(deepestAccounts - 1, null)).toBeNull();
    expect(below(deepestAccounts, null)).toMatchObject({ reason: 'too_deep' });
    expect(checkAccount({ ...draft, number: '50', parentId: deepestAccounts - 1 }, 50, deep, true)).toMatchObject({ reason: 'too_deep' });
  });

  it('only with a number where accounts have numbers, and only without one where they have none', () => {
    expect(check({ number: '' })).toEqual({ code: 'account_number_missing' });
    expect(checkAccount(draft, null, tree, false)).toEqual({ code: 'account_number_unused', number: '6300' });
  });

  it('without numbers only with a name that no active account beside it has', () => {
    const named = buildAccountTree([
      account(1, '', null, { name: 'Fuel' }),
      account(2, '', 1, { name: 'Diesel' }),
      account(3, '', null, { name: 'Oil', active: false }),
    ]);
    const fits = (fields: Partial<AccountDraft>, ownId: number | null = null) => checkAccount({ ...draft, number: '', ...fields }, ownId, named, false);
    expect(fits({ name: 'fuel' })).toEqual({ code: 'account_name_beside', name: 'fuel', accountId: 1 });
    expect(fits({ name: 'Diesel', parentId: 1 })).toMatchObject({ code: 'account_name_beside', accountId: 2 });
    expect([fits({ name: 'Diesel' }), fits({ name: 'Oil' }), fits({ name: 'Fuel' }, 1), fits({ name: 'Fuel', active: false })]).toEqual([
      null,
      null,
      null,
      null,
    ]);
  });

  it('a repeated name is pointed out among active accounts', () => {
    const accounts = [account(1, '1', null, { name: 'Fuel' }), account(2, '2', null, { name: 'Oil', active: false })];
    expect([findSameName(accounts, ' fuel ', null)?.id, findSameName(accounts, 'Fuel', 1), findSameName(accounts, 'Oil', null)]).toEqual([
      1,
      undefined,
      undefined,
    ]);
  });
});

describe('a number is proposed', () => {
  const propose = (siblings: string[], parent: string | null = null, taken: string[] = []) =>
    proposeNumber(siblings, parent, new Set([...siblings, ...taken]), 'by_value');

  it.each([
    [['6210', '6220', '6230'], '6240'],
    [['6211', '6212', '6220'], '6221'],
    [['0910', '0920'], '0930'],
    [['40-210-01', '40-210-03', '40-210-05'], '40-210-07'],
    [['A.10.100', 'A.10.200'], 'A.10.300'],
    [['9990', '10000'], '11000'],
  ])('behind %s comes %s', (siblings, number) => {
    expect(propose(siblings)).toBe(number);
  });

  it('a free one, where the next is taken elsewhere', () => {
    expect(propose(['6210', '6220'], null, ['6230', '6240'])).toBe('6250');
  });

  it('below a parent without sub-accounts, with the room that its zeros leave', () => {
    expect([propose([], '6200'), propose([], '6210'), propose([], '6211'), propose([], 'A.10.100')]).toEqual(['6210', '6211', '6212', 'A.10.110']);
  });

  it('in the room that the parent leaves while any is free there, then behind it', () => {
    const tens = Array.from({ length: 9 }, (_, at) => `62${at + 1}0`);
    expect(propose(tens, '6200')).toBe('6291');
    expect(propose([...tens, '6299'], '6200', ['6300'])).toBe('6298');
    const all = Array.from({ length: 99 }, (_, at) => `62${String(at + 1).padStart(2, '0')}`);
    expect(propose(all, '6200', ['6300'])).toBe('6301');
  });

  it('before them where the digits behind are used up; none where all are taken or there are no digits', () => {
    expect([propose(['98', '99']), propose(['9998', '9999'])]).toEqual(['97', '9900']);
    expect([propose(['A.1', 'A.2', 'A.3', 'A.4', 'A.5', 'A.6', 'A.7', 'A.8', 'A.9']), propose(['CASH']), propose([], null)]).toEqual([null, null, null]);
  });

  it('also where the number has more digits than can be counted with', () => {
    expect(propose(['12345678901234567890', '12345678901234567892'])).toBe('12345678901234567894');
  });
});

describe('a number beside another', () => {
  const beside = (number: string, next: string | null, taken: string[] = [], previous: string | null = null) =>
    proposeNumberBeside(number, { previous, next }, new Set([number, ...(next ? [next] : []), ...taken]));

  it('leaves room on both sides, and takes what is free where there is little', () => {
    expect([beside('6210', '6220'), beside('6210', '6212'), beside('6210', '6220', ['6215'])]).toEqual(['6215', '6211', '6211']);
  });

  it('comes in smaller steps where the digits are nearly used up', () => {
    expect([beside('9900', null, [], '9800'), beside('9990', null, [], '9980'), beside('4999', null, ['4998'], '4998')]).toEqual(['9910', '9991', '4900']);
  });

  it('stays within the first digit, so that accounts of other classes keep their numbers, as long as any is free there', () => {
    const taken = new Set(['4000']);
    let falls = 0;
    for (let [before, last] = ['', '4000']; taken.size < 1000; taken.add(last)) {
      [before, last] = [last, proposeNumberBeside(last, { previous: before || null, next: null }, taken) ?? 'none'];
      expect(last).toMatch(/^4\d{3}$/);
      if (last < before) falls++;
    }
    // Runs of ten behind one another, not one number below the other.
    expect(falls).toBeLessThan(110);
    expect(proposeNumberBeside('4000', { previous: null, next: null }, taken)).toBe('5000');
  });

  it('goes behind where nothing is free between, or nothing follows', () => {
    expect([beside('4100', null, [], '4000'), beside('4110', null, [], '4105')]).toEqual(['4200', '4115']);
    expect([beside('6210', '6211'), beside('6200', null), beside('A.10.100', 'B.10.100'), beside('CASH', null)]).toEqual(['6212', '6210', 'A.10.110', null]);
  });
});

describe('the order among siblings', () => {
  it('puts an account first, last, or behind another, and leaves the others as they were', () => {
    expect(siblingsWith([1, 2, 3], 3, 'first')).toEqual([3, 1, 2]);
    expect(siblingsWith([1, 2, 3], 1, { after: 2 })).toEqual([2, 1, 3]);
    expect(siblingsWith([1, 2, 3], 9, 'last')).toEqual([1, 2, 3, 9]);
    expect(siblingsWith([1, 2], 9, { after: 77 })).toEqual([1, 2, 9]);
  });
});
