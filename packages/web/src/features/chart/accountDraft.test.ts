import { describe, expect, it } from 'vitest';
import { type AccountDraft, changedMeanwhile, changesToSend } from './accountDraft.ts';

const base: AccountDraft = {
  number: '6200',
  name: 'Insurance',
  element: 'expense',
  normalSide: 'debit',
  parentId: null,
  role: null,
  cashFrom: null,
  cashUntil: null,
  purpose: '',
  codes: {},
  externalNumber: '',
};

describe('two people editing one account', () => {
  it('only what was changed here is saved; what the other changed and this one left alone stays theirs', () => {
    const theirs = { ...base, purpose: 'Hull', name: 'Insurance, vessels' };
    expect(changesToSend(base, theirs, { ...base, number: '6290' })).toEqual({ number: '6290' });
    expect(changedMeanwhile(base, theirs, { ...base, number: '6290' })).toEqual([
      { field: 'name', isContested: false },
      { field: 'purpose', isContested: false },
    ]);
  });

  it('a field that both changed is contested until one is taken', () => {
    const theirs = { ...base, name: 'Insurance, theirs' };
    const own = { ...base, name: 'Insurance, mine' };
    expect(changedMeanwhile(base, theirs, own)).toEqual([{ field: 'name', isContested: true }]);
    expect(changesToSend(base, theirs, own)).toEqual({ name: 'Insurance, mine' });
    expect(changesToSend(base, theirs, theirs)).toEqual({});
    expect(changedMeanwhile(base, theirs, theirs)).toEqual([{ field: 'name', isContested: false }]);
  });

  it('codes are told apart list by list', () => {
    const [mine, theirs] = [
      { ...base, codes: { 'report:1': 'A', 'report:2': 'B' } },
      { ...base, codes: { 'report:1': 'C', 'report:3': 'D' } },
    ];
    expect(changesToSend(base, theirs, mine)).toEqual({ codes: { 'report:1': 'A', 'report:2': 'B' } });
    expect(changesToSend(mine, mine, { ...mine, codes: { 'report:1': 'A' } })).toEqual({ codes: { 'report:2': '' } });
    expect(changedMeanwhile(base, theirs, mine)).toEqual([
      { field: 'report:1', isContested: true },
      { field: 'report:3', isContested: false },
    ]);
  });

  it('the same change made by both is nothing to choose and nothing to save', () => {
    const same = { ...base, name: 'Insurance of vessels' };
    expect([changesToSend(base, same, same), changedMeanwhile(base, same, same)]).toEqual([{}, [{ field: 'name', isContested: false }]]);
  });
});
