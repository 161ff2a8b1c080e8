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
      ['Fuel', 'new category', [], [-1]],
      ['Fuel', 'goes', [], [2]],
      ['account 1', 'no place by hand, from category 2', [1], []],
    ]);
  });
});
