import { describe, expect, it } from 'vitest';
import { placerOf } from '../placement/index.ts';
import { category } from '../rehearsal/placementView.fixture.ts';
import { chartAccount } from './chartAccount.fixture.ts';
import { proposeAccount } from './proposedAccount.ts';

const any = (categoryId: number) => [{ side: 'any' as const, categoryId }];
const accounts = [
  chartAccount(1, '1000', { element: 'asset', places: any(1) }),
  chartAccount(2, '1010', { element: 'asset', places: any(1) }),
  chartAccount(3, '1500', { element: 'asset', places: any(2) }),
  chartAccount(4, '4000', { element: 'income', places: any(3), normalSide: 'credit' }),
  chartAccount(5, '4100', { element: 'income', places: any(3), normalSide: 'credit' }),
  chartAccount(6, '6000', { element: 'expense', places: any(4) }),
];
const noRanges = placerOf([], 'digit_by_digit');
const propose = (number: string, name = '', parentId: number | null = null, placer = noRanges) =>
  proposeAccount({ number, name, parentId }, accounts, placer, 'digit_by_digit');

describe('a new account is proposed', () => {
  it('the element and the category of those beside it, anew for another number', () => {
    expect(propose('1005')).toEqual({ element: 'asset', normalSide: 'debit', categoryId: 1, isByRange: false });
    expect(propose('4050')).toEqual({ element: 'income', normalSide: 'credit', categoryId: 3, isByRange: false });
  });

  it('the side of a contra account by its name', () => {
    expect(propose('1510', 'Vans, accumulated depreciation')).toMatchObject({ element: 'asset', normalSide: 'credit', categoryId: 2 });
    expect(propose('4060', 'Sales returns')).toMatchObject({ element: 'income', normalSide: 'debit' });
  });

  it('another element than those beside it where its name is clear', () => {
    expect(propose('4050', 'Cost of goods sold').element).toBe('expense');
  });

  it('what its parent has', () => {
    expect(propose('9999', 'Bank charges', 4)).toMatchObject({ element: 'income', categoryId: 3 });
  });

  it('what the range says that holds its number, before its name', () => {
    const placer = placerOf([category(7, 'Stores', { element: 'asset', ranges: [{ side: 'any', text: '6000 to 6999' }] })], 'digit_by_digit');
    expect(propose('6500', 'Fuel', null, placer)).toEqual({ element: 'asset', normalSide: 'debit', categoryId: null, isByRange: true });
  });

  it('nothing where nothing speaks for it', () => {
    expect(proposeAccount({ number: '', name: 'Zzz', parentId: null }, accounts, noRanges, 'digit_by_digit').element).toBeNull();
  });
});
