import { describe, expect, it } from 'vitest';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import { category } from '../statement/statementsOf.fixture.ts';
import { withFreshKeys } from './freshKeys.ts';
import { newLine } from './newLine.ts';
import { calculating, grouping, summing, taking } from './ownLayout.fixture.ts';
import type { OwnTransfer } from './ownLayout.ts';
import { carryOver, namesCarried } from './portableLayout.ts';

const codes = ['G1', 'G12'].map((code) => ({ code, caption: code, element: null, side: null, parent: null }));
const here = {
  tree: buildCategoryTree([category(1, 'asset', { name: 'Cash' }), category(2, 'asset', { name: 'At sea', parentId: 1 })]),
  accounts: [{ id: 5, number: '1000', name: 'Bank' }],
  lists: [{ key: 'report:3' as const, name: 'Group', codes }],
};
const there = {
  tree: buildCategoryTree([category(71, 'asset', { name: 'cash' }), category(72, 'asset', { name: 'At sea', parentId: 71 })]),
  accounts: [{ id: 95, number: '1000', name: 'Current account' }],
  lists: [{ key: 'report:8' as const, name: 'GROUP', codes }],
};

describe('a layout that goes to another chart', () => {
  it('names the same categories by path, accounts by number and lists by name, in adjustments, sums and formulas too', () => {
    const follows = {
      ...newLine('follows', 'assets', 'Assets'),
      followed: { of: 'category', categoryId: 1 } as const,
      adjustments: [{ key: 'category.2', caption: 'On board', after: null }],
      inserted: [{ within: 'category.1', after: 'category.2', line: newLine('text', 'words', 'Words') }],
    };
    const line = taking('cash', [
      { kind: 'category', categoryId: 2 },
      { kind: 'account', accountId: 5 },
      { kind: 'code', list: 'report:3', code: 'G1', begins: true },
    ]);
    const lines = [
      follows,
      line,
      { ...summing('both', { 'category.2': 1, cash: -1 }), hiddenIn: 'net.1' },
      calculating('half', '"category.2" / 2 + cash + sum("own.1" to "category.2")'),
    ];
    const carried = carryOver(lines, [], namesCarried(lines, [], here), there);
    expect(carried.missing).toEqual([]);
    expect(carried.lines).toMatchObject([
      {
        followed: { categoryId: 71 },
        adjustments: [{ key: 'category.72', caption: 'On board', after: null }],
        inserted: [{ within: 'category.71', after: 'category.72' }],
      },
      { sources: [{ categoryId: 72 }, { accountId: 95 }, { list: 'report:8', code: 'G1', begins: true }] },
      { terms: [{ key: 'category.72' }, { key: 'cash' }], hiddenIn: 'net.71' },
      { formula: 'category.72 / 2 + cash + sum(own.71 to category.72)' },
    ]);
  });

  it('tells what is not there, and keeps the line without it', () => {
    const lines = [
      taking(
        'cash',
        [
          { kind: 'category', categoryId: 2 },
          { kind: 'numbers', text: '10*' },
        ],
        { except: [{ kind: 'account', accountId: 5 }] },
      ),
    ];
    const { lines: carried, missing } = carryOver(lines, [], namesCarried(lines, [], here), { tree: buildCategoryTree([]), accounts: [], lists: [] });
    expect(missing).toEqual([
      { line: 'cash', thing: 'category', name: 'Cash > At sea' },
      { line: 'cash', thing: 'account', name: '1000 Bank' },
    ]);
    expect(carried).toMatchObject([{ sources: [{ kind: 'numbers', text: '10*' }], except: [] }]);
  });
});

describe('codes of a layout that goes to another chart', () => {
  it('stay in their lines, and those that the list there does not have are told once for each line', () => {
    const code = (named: string, begins: boolean) => ({ kind: 'code', list: 'report:3', code: named, begins }) as const;
    const line = taking('group', [code('g1', false), code('G1', true), code('G2', false), code('H', true)], { facets: { 'report:3': ['', 'G12', 'G9'] } });
    const { lines, missing } = carryOver([line], [], namesCarried([line], [], here), there);
    expect(missing).toEqual([
      { line: 'group', thing: 'code', name: 'GROUP: G9' },
      { line: 'group', thing: 'code', name: 'GROUP: G2' },
      { line: 'group', thing: 'code', name: 'GROUP: H*' },
    ]);
    expect(lines).toMatchObject([{ sources: [{ code: 'g1' }, { code: 'G1' }, { code: 'G2' }, { code: 'H' }], facets: { 'report:8': ['', 'G12', 'G9'] } }]);
  });

  it('keep the side of an account that they take alone', () => {
    const line = taking('overdraft', [{ kind: 'account', accountId: 5, side: 'credit' }]);
    expect(carryOver([line], [], namesCarried([line], [], here), there).lines).toMatchObject([
      { sources: [{ kind: 'account', accountId: 95, side: 'credit' }] },
    ]);
  });
});

describe('transfers between lines on their way to another chart', () => {
  it('go along where they are living, by what the other chart has; fixed amounts stay behind, and are told', () => {
    const living: OwnTransfer = {
      key: 'moved',
      text: 'Interest',
      on: 'own_added.2',
      from: 'cash',
      amount: {
        kind: 'living',
        sources: [
          { kind: 'account', accountId: 5 },
          { kind: 'step', step: 'financing' },
        ],
        except: [],
      },
    };
    const fixed: OwnTransfer = { key: 'lease', text: 'Lease', on: 'cash', from: 'cash', amount: { kind: 'fixed', day: '2026-01-31', inflow: '100' } };
    const { transfers, missing } = carryOver([], [living, fixed], namesCarried([], [living, fixed], here), there);
    expect(transfers).toEqual([
      {
        ...living,
        on: 'own_added.72',
        amount: {
          ...living.amount,
          sources: [
            { kind: 'account', accountId: 95 },
            { kind: 'step', step: 'financing' },
          ],
        },
      },
    ]);
    expect(missing).toEqual([{ line: 'lease', thing: 'transfer', name: 'Lease' }]);
  });
});

describe('copies of lines', () => {
  it('have keys of their own, and what they say of each other goes along', () => {
    const lines = [grouping('assets', 'debit', [taking('cash', [])]), summing('all', { assets: 1, cash: -1 }), calculating('half', 'assets / 2 + "cash"')];
    const copies = withFreshKeys(lines, new Set(['assets', 'cash', 'half']));
    expect(copies).toMatchObject([
      { key: 'assets_2', children: [{ key: 'cash_2' }] },
      { key: 'all', terms: [{ key: 'assets_2' }, { key: 'cash_2' }] },
      { key: 'half_2', formula: 'assets_2 / 2 + cash_2' },
    ]);
  });
});
