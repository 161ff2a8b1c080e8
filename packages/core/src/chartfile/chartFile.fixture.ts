import { buildAccountTree } from '../chart/accountTree.ts';
import { naturalSide } from '../chart/element.ts';
import { readRangeText } from '../chart/rangeText.ts';
import type { Category } from '../placement/category.ts';
import { type CategoryRange, standingOf } from '../placement/categoryRange.ts';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import type { Place, PlaceSide } from '../placement/place.ts';
import { chartCells, type KeptAccount } from './chartCells.ts';
import type { ChartFacts } from './chartFacts.ts';
import { chartColumnsOf, describeColumn, readChartFile } from './chartFields.ts';
import { compareChart } from './compareChart.ts';

/** An expense at the top level, for tests. */
export const account = (id: number, number: string, fields: Partial<KeptAccount> = {}): KeptAccount => ({
  id,
  number,
  name: `Account ${number}`,
  element: 'expense',
  normalSide: naturalSide(fields.element ?? 'expense'),
  parentId: null,
  position: id,
  active: true,
  role: null,
  purpose: '',
  externalNumber: '',
  codes: {},
  ...fields,
});
/** A category without more than its place in the tree. */
const category = (id: number, element: Category['element'], name: string, parentId: number | null = null): Category => ({
  id,
  parentId,
  element,
  name,
  position: id,
  term: null,
  step: null,
  contraOf: null,
});

export const categories = [
  category(1, 'asset', 'Cash'),
  category(2, 'liability', 'Overdrafts'),
  category(3, 'equity', 'Capital'),
  category(4, 'expense', 'Running costs'),
  category(5, 'expense', 'Premises', 4),
];

/** A small chart with its placement. */
export const shop: KeptAccount[] = [
  account(1, '1000', { name: 'Bank', element: 'asset' }),
  account(2, '3100', { name: 'Retained earnings', element: 'equity', role: 'retained_earnings' }),
  account(3, '6000', { name: 'Costs' }),
  account(4, '6100', { name: 'Rent', parentId: 3 }),
  account(5, '6200', { name: 'Power', parentId: 3 }),
];

const places: Place[] = [
  { accountId: 1, side: 'debit', categoryId: 1 },
  { accountId: 1, side: 'credit', categoryId: 2 },
  { accountId: 2, side: 'any', categoryId: 3 },
  { accountId: 4, side: 'any', categoryId: 5 },
];

/** Account numbers that a category takes. */
export function range(categoryId: number, text: string, side: PlaceSide = 'any'): CategoryRange {
  const read = readRangeText(text, 'by_value');
  if (!read.ok) throw new Error(read.failure.reason);
  return { categoryId, side, ranges: read.value };
}

/** The shop's chart, or another, with the shop's categories. */
export function facts(accounts: readonly KeptAccount[] = shop, more: Partial<ChartFacts> = {}): ChartFacts {
  const categoryTree = buildCategoryTree(categories);
  return {
    accounts,
    tree: buildAccountTree(accounts),
    categoryTree,
    places,
    byRange: standingOf(accounts, more.places ?? places, more.ranges ?? [], categoryTree, 'by_value').byRange,
    ranges: [],
    digitOrder: 'by_value',
    lists: [],
    numbered: true,
    scheme: null,
    repeatedNames: 'pointed_out',
    balanceOf: () => 0n,
    ...more,
  };
}

/** What a file of these lines would do; the first line is its headings. */
export function load(lines: readonly (readonly string[])[], given: ChartFacts = facts()) {
  const file = readChartFile(lines, given.lists);
  if (!file.ok) throw new Error(file.failure.code);
  const compared = compareChart(file.value, given);
  return {
    ...compared,
    states: compared.rows.map(({ state }) => state),
    faults: compared.rows.flatMap(({ row, faults }) => faults.map(({ field, reason, about }) => [row, field, reason, about])),
    changes: compared.rows.flatMap(({ number, changes }) => changes.map(({ field, before, after }) => [number, field, before, after])),
  };
}

const columnsOf = ({ numbered, lists }: ChartFacts) => chartColumnsOf(numbered, lists);

/** The lines of the file that the chart is exported as. */
export const written = (given: ChartFacts) => [
  columnsOf(given).map((column) => describeColumn(column, given.lists).heading),
  ...chartCells(given, true).map((cells) => columnsOf(given).map((column) => cells[column] ?? '')),
];
