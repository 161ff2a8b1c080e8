import type { PlacementView } from '@ivory-ladder/contract';
import { describe, expect, it } from 'vitest';
import { chartAccount } from '../chart/chartAccount.fixture.ts';
import { rangeEffects } from './rangePlacing.ts';

const category = (id: number, name: string, text: string): PlacementView['categories'][number] => ({
  id,
  parentId: null,
  element: 'expense',
  name,
  position: id,
  term: null,
  step: 'other_operating',
  contraOf: null,
  nature: null,
  note: '',
  description: '',
  ranges: text === '' ? [] : [{ side: 'any', text }],
  captions: [],
  version: 1,
});
const categories = [category(1, 'Fuel', '6000 to 6099'), category(2, 'Crew', '6100 to 6199'), category(3, 'Premises', '')];
const byRange = chartAccount(7, '6010', { placesByRange: [{ side: 'any', categoryId: 1 }] });
const byHand = chartAccount(8, '6020', { places: [{ side: 'any', categoryId: 3 }] });
const nowhere = chartAccount(9, '7000');

const told = (changes: readonly { id: number; to: string }[]) =>
  rangeEffects(changes, [byRange, byHand, nowhere], categories, 'by_value').map(({ account, kind, stands, heldBy }) => [account.number, kind, stands, heldBy]);

describe('new numbers under ranges', () => {
  it('an account that leaves its range is kept where it stands, and who would take it is named', () => {
    expect(told([{ id: 7, to: '6110' }])).toEqual([['6010', 'kept', 'Fuel', 'Crew']]);
    expect(told([{ id: 7, to: '8000' }])).toEqual([['6010', 'kept', 'Fuel', '']]);
  });

  it('one that stood nowhere is taken by a range', () => {
    expect(told([{ id: 9, to: '6110' }])).toEqual([['7000', 'taken', 'Crew', 'Crew']]);
  });

  it('one that stays in its range, or stands by hand, is not spoken of', () => {
    expect(
      told([
        { id: 7, to: '6090' },
        { id: 8, to: '6110' },
      ]),
    ).toEqual([]);
  });
});
