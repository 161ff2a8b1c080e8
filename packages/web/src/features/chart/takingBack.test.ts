import { describe, expect, it } from 'vitest';
import { chartAccount as account } from './chartAccount.fixture.ts';
import { fieldsBefore, isAsLeft } from './takingBack.ts';

const [first, parent, child] = [account(1, '10'), account(2, '20', { normalSide: 'credit' }), account(3, '21', { parentId: 2, name: 'Old' })] as const;
const chart = [first, parent, child];

describe('what takes a change of an account back', () => {
  it('is what its fields were', () => {
    expect(fieldsBefore(chart, child, { version: 4, name: 'New', active: false })).toEqual({ name: 'Old', active: true });
  });

  it('is its parent and the sibling before it where it was moved', () => {
    expect(fieldsBefore(chart, parent, { version: 1, parentId: 1 })).toEqual({ parentId: null, after: 1 });
    expect(fieldsBefore(chart, child, { version: 1, parentId: null, after: 2 })).toEqual({ parentId: 2, after: null });
    expect(fieldsBefore(chart, first, { version: 1, after: 2 })).toEqual({ parentId: null, after: null });
  });

  it('is its own side too, where another element would bring another', () => {
    expect(fieldsBefore(chart, parent, { version: 1, element: 'income' })).toEqual({ element: 'expense', normalSide: 'credit' });
  });

  it('is the code that it had of a list, or none', () => {
    const coded = account(4, '30', { codes: { 'report:1': 'A' } });
    expect(fieldsBefore(chart, coded, { version: 1, codes: { 'report:1': 'B', 'report:2': 'C' } })).toEqual({ codes: { 'report:1': 'A', 'report:2': '' } });
    expect([isAsLeft(coded, { codes: { 'report:1': 'A', 'report:2': '' } }), isAsLeft(coded, { codes: { 'report:1': 'B' } })]).toEqual([true, false]);
  });

  it('is refused where the account is not any more what the change made of it', () => {
    expect([isAsLeft(child, { name: 'Old', parentId: 2, after: 1 }), isAsLeft(child, { name: 'Newer' })]).toEqual([true, false]);
  });
});
