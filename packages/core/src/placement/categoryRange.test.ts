import { describe, expect, it } from 'vitest';
import type { Element } from '../chart/element.ts';
import { readRangeText } from '../chart/rangeText.ts';
import type { Category } from './category.ts';
import { type CategoryRange, placesKept, standingOf } from './categoryRange.ts';
import { buildCategoryTree } from './categoryTree.ts';
import type { Place, PlaceSide } from './place.ts';

const category = (id: number, element: Element, parentId: number | null = null): Category => ({
  id,
  parentId,
  element,
  name: `Category ${id}`,
  position: id,
  term: null,
  step: null,
  contraOf: null,
});
const [cash, till, receivables, overdraft, equity] = [1, 2, 3, 4, 5];
const tree = buildCategoryTree([
  category(cash, 'asset'),
  category(till, 'asset', cash),
  category(receivables, 'asset'),
  category(overdraft, 'liability'),
  category(equity, 'equity'),
]);

function range(categoryId: number, text: string, side: PlaceSide = 'any'): CategoryRange {
  const read = readRangeText(text, 'by_value');
  if (!read.ok) throw new Error(read.failure.reason);
  return { categoryId, side, ranges: read.value };
}

/** Where the asset 1010 stands, and what ranges say of it. */
function standingOfOne(ranges: readonly CategoryRange[], places: readonly Omit<Place, 'accountId'>[] = [], element: Element = 'asset') {
  const accounts = [{ id: 7, number: '1010', element }];
  const { portions, byRange } = standingOf(
    accounts,
    places.map((place) => ({ ...place, accountId: 7 })),
    ranges,
    tree,
    'by_value',
  );
  return { portions: portions.get(7), byRange: byRange.get(7) };
}

describe('a place by range', () => {
  it('is the category with a range that holds the number, for an account without a place by hand', () => {
    expect(standingOfOne([range(cash, '1000 to 1099'), range(receivables, '1100 to 1199')])).toEqual({
      portions: { debit: cash, credit: cash },
      byRange: { places: [{ side: 'any', categoryId: cash }], doubledIn: [], oddIn: [], keptFrom: [] },
    });
  });

  it('gives way to a place by hand', () => {
    expect(standingOfOne([range(cash, '10*')], [{ side: 'any', categoryId: receivables }])).toMatchObject({
      portions: { debit: receivables, credit: receivables },
      byRange: { places: [] },
    });
  });

  it('names the categories that a place by hand keeps from it, but not one that the place stands below, nor one that could not take it', () => {
    const keptFrom = (ranges: Parameters<typeof standingOfOne>[0], places: Parameters<typeof standingOfOne>[1]) =>
      standingOfOne(ranges, places).byRange?.keptFrom;
    expect(keptFrom([range(cash, '10*')], [{ side: 'any', categoryId: receivables }])).toEqual([cash]);
    expect(keptFrom([range(cash, '10*')], [{ side: 'any', categoryId: till }])).toEqual([]);
    expect(keptFrom([range(cash, '10*')], [{ side: 'any', categoryId: cash }])).toEqual([]);
    expect(keptFrom([range(till, '10*')], [{ side: 'any', categoryId: cash }])).toEqual([till]);
    expect(keptFrom([range(overdraft, '10*', 'credit')], [{ side: 'any', categoryId: cash }])).toEqual([overdraft]);
    expect(keptFrom([range(overdraft, '10*')], [{ side: 'any', categoryId: cash }])).toEqual([]);
    expect(keptFrom([range(equity, '10*', 'credit')], [{ side: 'any', categoryId: cash }])).toEqual([]);
    expect(keptFrom([range(cash, '10*', 'debit')], [{ side: 'credit', categoryId: overdraft }])).toEqual([]);
    expect(keptFrom([range(cash, '10*'), range(cash, '1010', 'debit')], [{ side: 'debit', categoryId: receivables }])).toEqual([cash]);
    expect(keptFrom([range(cash, '10*')], [])).toEqual([]);
  });

  it('fills the portion that a place by hand leaves', () => {
    expect(standingOfOne([range(cash, '10*')], [{ side: 'credit', categoryId: overdraft }]).portions).toEqual({ debit: cash, credit: overdraft });
  });

  it('is the deepest of those on one path', () => {
    expect(standingOfOne([range(cash, '1000 to 1999'), range(till, '1010')]).portions).toEqual({ debit: till, credit: till });
  });

  it('is none where two unrelated categories hold the number: both are named', () => {
    expect(standingOfOne([range(cash, '10*'), range(receivables, '1010 to 1020')])).toEqual({
      portions: undefined,
      byRange: { places: [], doubledIn: [cash, receivables], oddIn: [], keptFrom: [] },
    });
    expect(standingOfOne([range(cash, '10*'), range(till, '10*'), range(receivables, '10*')]).byRange?.doubledIn).toEqual([till, receivables]);
  });

  it('may be for one side; there it comes before a range for any balance', () => {
    expect(standingOfOne([range(cash, '10*'), range(receivables, '10*', 'credit')]).portions).toEqual({ debit: cash, credit: receivables });
    expect(standingOfOne([range(cash, '10*', 'debit')]).portions).toEqual({ debit: cash, credit: null });
  });

  it('may be under the counter-element for the other side only while the account stands under its own', () => {
    expect(standingOfOne([range(cash, '10*'), range(overdraft, '10*', 'credit')])).toMatchObject({
      portions: { debit: cash, credit: overdraft },
      byRange: { oddIn: [] },
    });
    expect(standingOfOne([range(overdraft, '10*', 'credit')])).toEqual({
      portions: undefined,
      byRange: { places: [], doubledIn: [], oddIn: [overdraft], keptFrom: [] },
    });
    expect(standingOfOne([range(overdraft, '10*', 'credit'), range(overdraft, '10*', 'debit')]).portions).toBeUndefined();
  });

  it('is never under another element; such an account is at odds with the range', () => {
    expect(standingOfOne([range(equity, '10*')])).toEqual({ portions: undefined, byRange: { places: [], doubledIn: [], oddIn: [equity], keptFrom: [] } });
    expect(standingOfOne([range(overdraft, '10*')]).byRange?.oddIn).toEqual([overdraft]);
    // Rightly placed by another range, it is at odds with none; on one side alone it still is.
    expect(standingOfOne([range(equity, '10*'), range(cash, '1010')])).toMatchObject({ portions: { debit: cash, credit: cash }, byRange: { oddIn: [] } });
    expect(standingOfOne([range(equity, '10*'), range(cash, '1010', 'debit')]).byRange?.oddIn).toEqual([equity]);
    expect(standingOfOne([range(equity, '10*')], [], 'equity').portions).toEqual({ debit: equity, credit: equity });
  });

  it('says nothing of an account that no range holds, nor of one without a number', () => {
    expect(standingOfOne([range(cash, '20*')])).toEqual({ portions: undefined, byRange: undefined });
    expect(standingOf([{ id: 7, number: '', element: 'asset' }], [], [range(cash, '*')], tree, 'by_value').byRange.size).toBe(0);
  });
});

describe('an account that gets another number', () => {
  const inCash = [{ side: 'any' as const, categoryId: cash }];
  it('is placed by hand where it stood, if a range would have it elsewhere', () => {
    expect(placesKept(inCash, [{ side: 'any', categoryId: receivables }])).toEqual(inCash);
    expect(placesKept(inCash, [])).toEqual(inCash);
  });

  it('is left alone where it stands on, or where it stood nowhere', () => {
    expect(
      placesKept(inCash, [
        { side: 'debit', categoryId: cash },
        { side: 'credit', categoryId: cash },
      ]),
    ).toBeNull();
    expect(placesKept([], inCash)).toBeNull();
  });
});
