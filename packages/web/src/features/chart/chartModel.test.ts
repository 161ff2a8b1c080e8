import type { ChartAccountBody, ChartView } from '@ivory-ladder/contract';
import { describe, expect, it } from 'vitest';
import { chartAccount as account } from './chartAccount.fixture.ts';
import { branchOf, branchTotals, elementText, placeText, startBelow, startBeside, stepOf, withAdded } from './chartModel.ts';

const view = (accounts: ChartAccountBody[]): ChartView => ({
  accounts,
  paths: { '7': ['Running costs', 'Insurance'], '8': ['Overdrafts'] },
  span: { firstDay: '2026-01-01', lastDay: '2026-09-30' },
  comparative: { firstDay: '2025-01-01', lastDay: '2025-09-30' },
  balanceComparative: '2025-12-31',
  revision: 1,
});
const chart = [
  account(1, '6100', { places: [{ side: 'any', categoryId: 7 }] }),
  account(2, '6200', { isParent: true }),
  account(3, '6210', { parentId: 2, depth: 1, places: [{ side: 'any', categoryId: 7 }] }),
  account(4, '6220', { parentId: 2, depth: 1 }),
  account(5, '6300'),
];
const of = (id: number) => chart.find((one) => one.id === id) as ChartAccountBody;

describe('a new account begins', () => {
  it('beside another with its surroundings and a number that leaves room', () => {
    expect(startBeside(chart, of(1))).toEqual({ number: '6150', element: 'expense', parentId: null, after: 1, categoryId: 7 });
    expect(startBeside(chart, of(3))).toMatchObject({ number: '6215', parentId: 2, after: 3 });
  });

  it('below another behind its sub-accounts', () => {
    expect(startBelow(chart, of(2))).toMatchObject({ number: '6230', parentId: 2, after: 4 });
    expect(startBelow(chart, of(5))).toMatchObject({ number: '6310', parentId: 5, after: null });
  });

  it('beside one just added, which the chart read last does not have yet, with the gap that is kept', () => {
    const added = [
      { account: account(6, '6400'), after: 5 },
      { account: account(7, '6500'), after: 6 },
    ];
    expect(withAdded(chart, added).map(({ number }) => number)).toEqual(['6100', '6200', '6210', '6220', '6300', '6400', '6500']);
    expect(startBeside(withAdded(chart, added), added[1]?.account ?? null)).toMatchObject({ number: '6600', after: 7 });
    expect(
      withAdded([...chart, account(6, '6400')], added)
        .map(({ number }) => number)
        .slice(-2),
    ).toEqual(['6400', '6500']);
  });

  it('at the end of the chart, or of nothing in an empty one', () => {
    expect(startBeside(chart, null)).toMatchObject({ after: 5, number: '6400' });
    expect(startBeside([], null)).toEqual({ number: '', element: 'asset', parentId: null, after: null, categoryId: null });
  });
});

describe('the balance of a parent', () => {
  it('is its own plus its children’s, at every level (common practice)', () => {
    const tree = [
      account(1, '6', { amount: '5', comparative: '1' }),
      account(2, '61', { parentId: 1, depth: 1, amount: '10' }),
      account(3, '611', { parentId: 2, depth: 2, amount: '100', comparative: '7' }),
      account(4, '62', { parentId: 1, depth: 1, amount: '-3' }),
    ];
    expect([...branchTotals(tree)].sort(([a], [b]) => a - b)).toEqual([
      [1, { amount: 112n, comparative: 8n }],
      [2, { amount: 110n, comparative: 7n }],
    ]);
  });
});

describe('a branch', () => {
  it('is an account and all below it', () => {
    expect([branchOf(chart, of(2)), branchOf(chart, of(5)), branchOf(chart, null)].map((branch) => branch.map(({ number }) => number))).toEqual([
      ['6200', '6210', '6220'],
      ['6300'],
      [],
    ]);
  });
});

describe('a step by the keyboard', () => {
  it('goes up and down among siblings, and no further', () => {
    expect([stepOf(chart, of(2), 'up'), stepOf(chart, of(2), 'down')]).toEqual([
      { parentId: null, after: null },
      { parentId: null, after: 5 },
    ]);
    expect([stepOf(chart, of(1), 'up'), stepOf(chart, of(5), 'down'), stepOf(chart, of(5), 'up')]).toEqual([null, null, { parentId: null, after: 1 }]);
  });

  it('goes in below the sibling above, behind its sub-accounts, and out behind the parent', () => {
    expect([stepOf(chart, of(5), 'in'), stepOf(chart, of(4), 'out')]).toEqual([
      { parentId: 2, after: 4 },
      { parentId: null, after: 2 },
    ]);
    expect([stepOf(chart, of(1), 'in'), stepOf(chart, of(1), 'out')]).toEqual([null, null]);
  });
});

describe('an account in words', () => {
  it('names both places where each side has one, and a contra account’s side', () => {
    const swinging = account(1, '1', {
      places: [
        { side: 'debit', categoryId: 7 },
        { side: 'credit', categoryId: 8 },
      ],
    });
    expect(placeText(swinging, view([]).paths)).toBe('Running costs › Insurance (in debit); Overdrafts (in credit)');
    expect([elementText(account(1, '1')), elementText({ element: 'asset', normalSide: 'credit' })]).toEqual(['expense', 'asset, credit']);
  });
});
