import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { elements } from '../chart/element.ts';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import { isEmptyDraft } from '../placement/draft.ts';
import type { Place } from '../placement/place.ts';
import { type DescribedCategory, placementOf } from '../placement/placement.ts';
import { standingFollower } from '../placement/standingFollower.ts';
import { account, category } from '../statement/statementsOf.fixture.ts';
import { type PlacementColumn, placementColumns } from './placementColumns.ts';
import { placementRows } from './placementRows.ts';
import { readPlacementRows } from './readPlacementRows.ts';

const described = (...args: Parameters<typeof category>): DescribedCategory => ({
  ...category(...args),
  nature: null,
  note: '',
  description: '',
  ranges: [],
  captions: [],
});
const accounts = Array.from({ length: 10 }, (_, at) => account(at + 1, elements[at % 5] as (typeof elements)[number]));
const categories = [
  { ...described(1, 'asset', { name: 'Bank', term: 'current' }), ranges: [{ side: 'any' as const, text: '1001 to 1005' }] },
  described(2, 'asset', { name: 'Current account', parentId: 1 }),
  described(3, 'liability', { name: 'Loans', term: 'current' }),
  described(4, 'expense', { name: 'Costs', step: 'other_operating' }),
];
const base = placementOf(categories, [
  { accountId: 1, side: 'debit', categoryId: 2 },
  { accountId: 1, side: 'credit', categoryId: 3 },
  { accountId: 5, side: 'any', categoryId: 4 },
]);
const headings = placementColumns.map(({ heading }) => heading);
const rowsOf = (placement: typeof base) => {
  const tree = buildCategoryTree([...placement.categories.values()]);
  const { byRange } = standingFollower(accounts, 'by_value')(placement);
  return [headings, ...placementRows(placement, tree, accounts, byRange, true).map((row) => placementColumns.map(({ key }) => row[key]))];
};
const read = (rows: readonly (readonly string[])[]) => readPlacementRows(rows, base, accounts, true);
const row = (cells: Partial<Record<PlacementColumn, string>>) => placementColumns.map(({ key }) => cells[key] ?? '');
const faults = (...rows: readonly Partial<Record<PlacementColumn, string>>[]) =>
  read([headings, ...rows.map(row)]).faults.map(({ row: at, column, code }) => `${at} ${column} ${code}`);

describe('a placement file', () => {
  it('says of each account where it stands by hand, and of each category which numbers it takes', () => {
    const text = rowsOf(base).map((cells) => cells.join('|'));
    expect(text).toContain('||asset|Bank|||1001 to 1005|||');
    expect(text).toContain('||asset|Bank > Current account||||||');
    expect(text).toContain(`${accounts[0]?.number}|${accounts[0]?.name}|asset||Bank > Current account|Loans||||`);
  });

  it('that is loaded back as it was written changes nothing, whatever stands where', () => {
    const text = fc.constantFrom('', '1001 to 1010', '24* except 2450', '1005');
    fc.assert(
      fc.property(
        fc.array(text, { minLength: 4, maxLength: 4 }),
        fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 10, maxLength: 10 }),
        (ranges, drawn) => {
          const own = categories.map((one, at) => ({ ...one, ranges: ranges[at] === '' ? [] : [{ side: 'any' as const, text: ranges[at] as string }] }));
          const places = accounts.flatMap(({ id, element }, at): Place[] => {
            const fitting = own.filter((one) => one.element === element)[drawn[at] as number];
            return fitting ? [{ accountId: id, side: 'any', categoryId: fitting.id }] : [];
          });
          const placement = placementOf(own, places);
          const { draft, faults: found } = readPlacementRows(rowsOf(placement), placement, accounts, true);
          expect(found).toEqual([]);
          expect(isEmptyDraft(draft)).toBe(true);
        },
      ),
      { numRuns: 100, seed: 61 },
    );
  });

  it('places, unplaces, makes categories that are not there, and gives them numbers; what it does not name stays', () => {
    const { draft, faults: found } = read([
      headings,
      row({ element: 'expense', category: 'Costs > Travel', numbers: '6300 to 6399' }),
      row({ number: '1005', category: 'Costs > Travel' }),
      row({ number: '1001' }),
    ]);
    expect(found).toEqual([]);
    expect(draft.categories).toMatchObject([{ id: -1, before: null, after: { name: 'Travel', parentId: 4, ranges: [{ side: 'any', text: '6300 to 6399' }] } }]);
    expect(draft.places).toEqual([
      { accountId: 5, before: [{ side: 'any', categoryId: 4 }], after: [{ side: 'any', categoryId: -1 }] },
      { accountId: 1, before: expect.anything(), after: [] },
    ]);
  });

  it('keeps ranges of columns that are not in it', () => {
    const { draft } = read([
      ['Account', 'Element', 'Category'],
      ['', 'asset', 'Bank'],
    ]);
    expect(isEmptyDraft(draft)).toBe(true);
  });

  it('is told row by row what is wrong with it, and then makes nothing of it', () => {
    expect(
      faults(
        { number: '9999', category: 'Costs' },
        { number: '1005', category: 'Bank' },
        { number: '1005', category: 'Costs' },
        { number: '1001', category: 'Bank', credit: 'Loans' },
        { element: 'thing', category: 'Bank' },
        { element: 'asset' },
        { element: 'asset', category: 'Bank', numbers: '1000 to' },
        { element: 'asset', category: 'bank' },
        { number: '1002', category: '>' },
        { number: '1003', debit: 'Bank > '.concat('x'.repeat(201)) },
      ),
    ).toEqual([
      '2 number account_unknown',
      '3 category category_of_other_element',
      '4 number account_twice',
      '5 category category_beside_sides',
      '6 element element_unknown',
      '7 category category_missing',
      '8 numbers range_malformed',
      '9 category category_twice',
      '10 category category_missing',
      '11 debit category_too_long',
    ]);
    expect(isEmptyDraft(read([headings, row({ number: '1005' }), row({ number: '9999' })]).draft)).toBe(true);
    expect(read([['What', 'Ever']]).faults).toEqual([{ row: 1, column: 'number', code: 'heading_missing', found: 'What' }]);
  });
});
