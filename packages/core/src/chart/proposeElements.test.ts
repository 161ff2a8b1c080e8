import { describe, expect, it } from 'vitest';
import { elements, naturalSide } from './element.ts';
import { evidenceOfName } from './elementWords.ts';
import { proposeElements, type WaitingAccount } from './proposeElements.ts';
import { proposeRetainedEarnings } from './proposeRole.ts';

const waiting = (number: string, name: string, more: Partial<WaitingAccount> = {}): WaitingAccount => ({
  number,
  name,
  parentNumber: null,
  side: null,
  section: null,
  ...more,
});
const byNumber = { by: 'number', digitOrder: 'digit_by_digit' } as const;

describe('proposing an element', () => {
  it.each([
    ['Bank, current account', 'asset'],
    ['Accumulated depreciation, vessels', 'asset'],
    ['Trade payables', 'liability'],
    ['Interest payable', 'liability'],
    ['Season passes not yet sailed', 'liability'],
    ['Share capital', 'equity'],
    ['Sales', 'income'],
    ['Interest received', 'income'],
    ['Bad debts', 'expense'],
    ['Depreciation', 'expense'],
    ['Marine gas oil in stock', 'asset'],
    ['Taxes on income', 'expense'],
    ['Slipway and hall, at cost', 'asset'],
    ['Repairs in progress', 'asset'],
    ['Cost of goods sold', 'expense'],
    ['Interest on bank loan', 'expense'],
    ['Provision for doubtful debts', 'asset'],
    ['Provision for claims', 'liability'],
    ['Interest on lease liability', 'expense'],
  ] as const)('«%s» is %s by its words (common practice)', (name, element) => {
    expect(evidenceOfName(name, null)?.element).toBe(element);
  });

  it('goes by the side of the balance where a word stands for one thing in debit and another in credit', () => {
    expect(['debit', 'credit'].map((side) => evidenceOfName('Depreciation, vans', side as 'debit' | 'credit')?.element)).toEqual(['expense', 'asset']);
    expect(['debit', 'credit'].map((side) => evidenceOfName('Loan, Harbour Bank', side as 'debit' | 'credit')?.element)).toEqual(['asset', 'liability']);
  });

  it('follows the parent before anything else', () => {
    const found = proposeElements([waiting('4010', 'Bank', { parentNumber: '4000' })], [{ number: '4000', element: 'income' }], byNumber);
    expect(found.get('4010')).toEqual({ element: 'income', reason: { from: 'parent', number: '4000' } });
  });

  it('follows the parent of its parent, in whatever order they are told, and is not caught in a circle', () => {
    const accounts = [
      waiting('4011', 'Bank', { parentNumber: '4010' }),
      waiting('4010', 'Bank', { parentNumber: '4000' }),
      waiting('4012', 'Bank', { parentNumber: '4012' }),
    ];
    const found = proposeElements(accounts, [{ number: '4000', element: 'income' }], byNumber);
    expect(['4010', '4011'].map((number) => found.get(number)?.element)).toEqual(['income', 'income']);
    expect(found.get('4011')?.reason).toEqual({ from: 'parent', number: '4010' });
    expect(found.get('4012')?.element).toBe('asset');
  });

  it('follows the title above it against its words', () => {
    const section = { title: 'ASSETS', elements: ['asset'] } as const;
    const found = proposeElements([waiting('1', 'Loan, Harbour Bank', { section, side: 'credit' })], [], byNumber);
    expect(found.get('1')).toEqual({ element: 'asset', reason: { from: 'title', title: 'ASSETS' } });
  });

  it('chooses among the elements of a title that names several', () => {
    const section = { title: 'Profit and loss', elements: ['income', 'expense'] } as const;
    const found = proposeElements([waiting('1', 'Bank charges', { section, side: 'debit' })], [], byNumber);
    expect(found.get('1')?.element).toBe('expense');
  });

  it('follows what stands beside it where its name says nothing', () => {
    const known = [
      { number: '4450', element: 'income' },
      { number: '4470', element: 'income' },
    ] as const;
    expect(proposeElements([waiting('4460', 'Zzz')], known, byNumber).get('4460')).toEqual({
      element: 'income',
      reason: { from: 'neighbours', numbers: ['4450', '4470'] },
    });
  });

  it('is not led away from a clear word by what stands beside it', () => {
    const known = [
      { number: '4450', element: 'income' },
      { number: '4470', element: 'income' },
    ] as const;
    expect(proposeElements([waiting('4460', 'Cost of goods sold')], known, byNumber).get('4460')?.element).toBe('expense');
  });

  it('says nothing where nothing speaks for an element, and of names by the alphabet only what they say themselves', () => {
    expect(proposeElements([waiting('900', 'Zzz')], [], byNumber).size).toBe(0);
    const known = [{ number: 'Bank', element: 'asset' }] as const;
    expect(proposeElements([waiting('Berths', 'Berths')], known, { by: 'none' }).size).toBe(0);
  });

  it('gives the same whatever order accounts are told in', () => {
    const accounts = [waiting('1000', 'Bank'), waiting('1100', 'Zzz'), waiting('4000', 'Sales'), waiting('4100', 'Yyy'), waiting('5000', 'Wages')];
    const one = proposeElements(accounts, [], byNumber);
    const other = proposeElements(accounts.toReversed(), [], byNumber);
    expect(new Map([...other].sort())).toEqual(new Map([...one].sort()));
    // The one behind the bank could as well be a liability.
    expect([...one.keys()].sort()).toEqual(['1000', '4000', '4100', '5000']);
  });

  it('asset and expense are debit by nature, the others credit (common practice)', () => {
    expect(elements.map(naturalSide)).toEqual(['debit', 'credit', 'credit', 'credit', 'debit']);
  });

  it('proposes the equity account whose name says retained earnings', () => {
    const accounts = [
      { name: 'Retained earnings', element: 'liability' as const },
      { name: 'Profit brought forward', element: 'equity' as const },
      { name: 'Retained earnings', element: 'equity' as const },
    ];
    expect(proposeRetainedEarnings(accounts)).toBe(accounts[2]);
    expect(proposeRetainedEarnings([{ name: 'Share capital', element: 'equity' }])).toBeUndefined();
  });
});
