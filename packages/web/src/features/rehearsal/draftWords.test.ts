import type { DescribedCategory, PlacementDraft } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import { draftList, draftSummary } from './draftWords.ts';

const category = (id: number, fields: Partial<DescribedCategory> = {}): DescribedCategory => ({
  id,
  parentId: null,
  element: 'expense',
  name: 'Fuel',
  position: 1000,
  term: null,
  step: 'other_operating',
  contraOf: null,
  nature: null,
  note: '',
  description: '',
  ranges: [],
  captions: [],
  ...fields,
});
const names = { account: (id: number) => `account ${id}`, category: (id: number) => `category ${id}` };
const move: PlacementDraft['places'][number] = { accountId: 1, before: [{ side: 'any', categoryId: 2 }], after: [{ side: 'debit', categoryId: 3 }] };
const said = (draft: PlacementDraft) => {
  const { before, strong, after } = draftSummary(draft, names);
  return `${before}${strong}${after}`;
};

describe('a draft in words', () => {
  it('names one change, and counts several', () => {
    expect(said({ places: [move], categories: [] })).toBe('1 move: account 1 to category 3 while in debit, from category 2');
    expect(said({ places: [], categories: [{ id: 2, before: category(2), after: category(2, { name: 'Oil', note: '7' }) }] })).toBe(
      '1 category: Oil, renamed from Fuel, in another note',
    );
    expect(said({ places: [move, move], categories: [{ id: -1, before: null, after: category(-1) }] })).toBe('2 moves and 1 category');
  });

  it('lists each change with what takes it out', () => {
    const draft: PlacementDraft = {
      places: [{ ...move, after: [] }],
      categories: [
        { id: -1, before: null, after: category(-1) },
        { id: 2, before: category(2), after: null },
      ],
    };
    expect(draftList(draft, names).map(({ name, text, accountIds, categoryIds }) => [name, text, accountIds, categoryIds])).toEqual([
      ['Fuel', 'goes, 1 account out of it', [1], [2]],
      ['Fuel', 'new category', [], [-1]],
    ]);
  });

  it('has a merge as one change: the accounts, what was below, and the account numbers go with the category', () => {
    const range = (text: string) => [{ side: 'any' as const, text }];
    const to = (accountId: number): PlacementDraft['places'][number] => ({ ...move, accountId, after: [{ side: 'any', categoryId: 3 }] });
    const draft: PlacementDraft = {
      places: [to(1), to(2), { accountId: 9, before: [], after: [{ side: 'any', categoryId: 3 }] }],
      categories: [
        { id: 2, before: category(2, { ranges: range('62*') }), after: null },
        { id: 3, before: category(3), after: category(3, { ranges: range('61*, 62*') }) },
        { id: 4, before: category(4, { parentId: 2 }), after: category(4, { parentId: 3 }) },
        { id: 5, before: category(5), after: category(5, { name: 'Oil' }) },
      ],
    };
    expect(draftList(draft, names).map(({ name, text, accountIds, categoryIds }) => [name, text, accountIds, categoryIds])).toEqual([
      ['Fuel', 'merged into category 3 with 2 accounts', [1, 2], [2, 3, 4]],
      ['Oil', 'renamed from Fuel', [], [5]],
      ['account 9', 'to category 3', [9], []],
    ]);
  });
});
