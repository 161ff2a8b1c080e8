import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildAccountTree } from '../chart/accountTree.ts';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import { chartCells, type KeptAccount } from './chartCells.ts';
import { chartColumnsOf, describeColumn, readChartFile } from './chartFields.ts';
import { compareChart } from './compareChart.ts';

const account = (id: number, name: string, parentId: number | null = null, active = true): KeptAccount => ({
  id,
  number: '',
  name,
  element: 'expense',
  normalSide: 'debit',
  parentId,
  position: id,
  active,
  role: null,
  purpose: '',
  externalNumber: '',
  codes: {},
});
const shop = [account(1, 'Fuel'), account(2, 'Other', 1), account(3, 'Staff'), account(4, 'Other', 3), account(5, 'Other', 3, false)];

function facts(accounts: readonly KeptAccount[]) {
  return {
    accounts,
    tree: buildAccountTree(accounts),
    categoryTree: buildCategoryTree([]),
    places: [],
    byRange: new Map(),
    ranges: [],
    digitOrder: 'by_value',
    lists: [],
    numbered: false,
    scheme: null,
    repeatedNames: 'pointed_out',
    balanceOf: () => 0n,
  } as const;
}

function load(lines: readonly (readonly string[])[], accounts: readonly KeptAccount[] = shop) {
  const file = readChartFile(lines);
  if (!file.ok) throw new Error(file.failure.code);
  const compared = compareChart(file.value, facts(accounts));
  return {
    ...compared,
    told: compared.rows.map(({ state, changes, faults }) => [
      state,
      ...changes.map(({ field, after }) => `${field}: ${after}`),
      ...faults.map(({ reason }) => reason),
    ]),
  };
}

const fields = chartColumnsOf(false, []);
const headings = fields.map((field) => describeColumn(field, []).heading);
const written = (accounts: readonly KeptAccount[]) => [
  headings,
  ...chartCells(facts(accounts), false).map((cells) => fields.map((field) => cells[field] ?? '')),
];

describe('a chart file of names only', () => {
  it('has no column of numbers, names those above by their path, and loaded back has nothing to do', () => {
    expect(headings).not.toContain('Number');
    expect(written(shop).map((row) => row[headings.indexOf('Nested below')])).toEqual(['Nested below', '', 'Fuel', '', 'Staff', 'Staff']);
    const name = fc.constantFrom('a', 'b', 'a > b', 'c ');
    const charts = fc.array(fc.record({ name, below: fc.nat(3) }), { maxLength: 12 }).map((seeds) => {
      const accounts: KeptAccount[] = [];
      for (const [at, seed] of seeds.entries()) {
        const parentId = accounts[at - 1 - seed.below]?.id ?? null;
        const isRepeated = accounts.some((other) => other.parentId === parentId && other.name === seed.name);
        accounts.push(account(at + 1, seed.name, parentId, !isRepeated && (accounts.find(({ id }) => id === parentId)?.active ?? true)));
      }
      return accounts;
    });
    fc.assert(
      fc.property(charts, (accounts) => {
        const { told, missing, accounts: touched } = load(written(accounts), accounts);
        expect([told.filter(([state]) => state !== 'same'), missing, touched]).toEqual([[], [], []]);
      }),
      { seed: 11, numRuns: 200 },
    );
  });

  it('knows a row by its key, else by the path above and the name', () => {
    const { told, accounts } = load([
      ['Name', 'Nested below', 'Purpose', 'Key'],
      ['Sundries', 'Fuel', '', '2'],
      ['other', 'staff', 'For all the rest', ''],
      ['Rent', 'Staff', '', ''],
    ]);
    expect(told).toEqual([
      ['changed', 'name: Sundries'],
      ['changed', 'name: other', 'purpose: For all the rest'],
      ['new', 'name: Rent', 'element: expense', 'side: debit', 'parent: Staff', 'active: yes'],
    ]);
    expect(accounts.map(({ number }) => number)).toEqual(['', '', '']);
    expect(accounts.map(({ account: kept }) => kept?.number ?? null)).toEqual(['', '', null]);
  });

  it('takes a path in the column of names where there is none for those above', () => {
    const { told } = load([
      ['Name', 'Purpose'],
      ['Fuel > Other', 'Odd litres'],
    ]);
    expect(told).toEqual([['changed', 'purpose: Odd litres']]);
  });

  it('refuses one name twice among active accounts beside each other', () => {
    const lines = (name: string) => [
      ['Name', 'Nested below', 'Key'],
      [name, 'Staff', '4'],
      ['Pay', 'Staff', ''],
    ];
    expect(load(lines('Pay')).told[1]).toEqual(['wrong', 'name: Pay', 'element: expense', 'side: debit', 'parent: Staff', 'active: yes', 'repeated_in_file']);
    expect(
      load([
        ['Name', 'Key'],
        ['Staff', '1'],
      ]).told,
    ).toEqual([['wrong', 'name: Staff', 'name_taken']]);
    expect(load(lines('Other')).told.map(([state]) => state)).toEqual(['same', 'new']);
  });

  it('needs a heading for the names and one more, or for the keys', () => {
    expect(readChartFile([['Name'], ['Fuel']]).ok).toBe(false);
    expect(
      readChartFile([
        ['Purpose', 'Key'],
        ['x', '1'],
      ]).ok,
    ).toBe(true);
  });
});
