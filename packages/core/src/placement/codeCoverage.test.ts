import { describe, expect, it } from 'vitest';
import type { ListedCode } from '../chart/codeList.ts';
import type { Element } from '../chart/element.ts';
import { type CodedAccount, codeCoverage, codesAtOdds, isDeclaredComplete } from './codeCoverage.ts';

const key = 'report:1' as const;
const account = (id: number, element: Element, code: string | null, fields: Partial<CodedAccount> = {}): CodedAccount => ({
  id,
  number: String(id),
  element,
  normalSide: element === 'asset' || element === 'expense' ? 'debit' : 'credit',
  active: true,
  isParent: false,
  hasAmount: false,
  codes: code === null ? {} : { [key]: code },
  ...fields,
});
const nobody = new Set<number>();
const idsOf = (accounts: readonly CodedAccount[]) => accounts.map(({ id }) => id);

describe('a list that is declared complete', () => {
  const list = { key, neededFor: ['income'] as const, neededOn: '6000 to 6099' };

  it('asks a code of accounts of its elements and of its numbers, and of no others', () => {
    const accounts = [account(4000, 'income', null), account(6050, 'expense', null), account(6100, 'expense', null), account(4100, 'income', 'A')];
    const { inScope, missing } = codeCoverage(list, accounts, nobody, 'by_value');
    expect([inScope, idsOf(missing)]).toEqual([3, [4000, 6050]]);
    expect([isDeclaredComplete(list), isDeclaredComplete({ neededFor: [], neededOn: '' })]).toEqual([true, false]);
  });

  it('asks it of inactive accounts and of parents only while they have an amount, and of none that is left out', () => {
    const accounts = [
      account(4000, 'income', null, { active: false }),
      account(4001, 'income', null, { active: false, hasAmount: true }),
      account(4002, 'income', null, { isParent: true }),
      account(4003, 'income', null, { isParent: true, hasAmount: true }),
      account(4004, 'income', null),
    ];
    const { inScope, missing } = codeCoverage(list, accounts, new Set([4004]), 'by_value');
    expect([inScope, idsOf(missing)]).toEqual([2, [4001, 4003]]);
  });
});

describe('codes at odds', () => {
  const listed = (code: string, element: Element | null = null): ListedCode => ({ code, caption: '', element, side: null, parent: null });
  const list = { key, codes: [listed('A', 'expense'), listed('B')] };
  /** Accounts of code B under top categories, by id; those of one ten are in one part of the statement. */
  const found = (tops: readonly (number | null)[]) => {
    const accounts = tops.map((_, at) => account(at + 1, 'expense', 'B'));
    return codesAtOdds(list, accounts, (id) => {
      const top = tops[id - 1] ?? null;
      return top === null ? null : { section: String(Math.floor(top / 10)), categoryId: top };
    }).map(({ account: { id }, reason, said }) => [id, reason, said]);
  };

  it('are told by the element that the code is meant for', () => {
    expect(codesAtOdds(list, [account(1, 'income', 'A'), account(2, 'expense', 'A')], () => null)).toMatchObject([{ account: { id: 1 }, reason: 'element' }]);
  });

  it('are told by the part of the statement that most of the code’s accounts stand in', () => {
    expect(found([71, 71, 72, 91])).toEqual([[4, 'category', { categoryId: 71, accounts: 3 }]]);
    expect(found([71, 71, 91])).toEqual([]);
    expect(found([71, 71, 71, 91, 91])).toEqual([]);
    expect(found([71, 71, 72, null])).toEqual([]);
  });
});
