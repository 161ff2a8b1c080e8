import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildAccountTree } from '../chart/accountTree.ts';
import { elements, naturalSide } from '../chart/element.ts';
import type { Category } from '../placement/category.ts';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import type { Place } from '../placement/place.ts';
import { chartCells, type KeptAccount } from './chartCells.ts';
import { chartColumns, chartFields, readChartFile } from './chartFields.ts';
import { type ChartFacts, compareChart } from './compareChart.ts';

const account = (id: number, number: string, fields: Partial<KeptAccount> = {}): KeptAccount => ({
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
  ...fields,
});
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

const categories = [
  category(1, 'asset', 'Cash'),
  category(2, 'liability', 'Overdrafts'),
  category(3, 'equity', 'Capital'),
  category(4, 'expense', 'Running costs'),
  category(5, 'expense', 'Premises', 4),
];
const shop: KeptAccount[] = [
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

function facts(accounts: readonly KeptAccount[] = shop, more: Partial<ChartFacts> = {}): ChartFacts {
  return {
    accounts,
    tree: buildAccountTree(accounts),
    categoryTree: buildCategoryTree(categories),
    places,
    numbered: true,
    scheme: null,
    repeatedNames: 'pointed_out',
    balanceOf: () => 0n,
    ...more,
  };
}

/** What a file of these lines would do; the first line is its headings. */
function load(lines: readonly (readonly string[])[], given: ChartFacts = facts()) {
  const file = readChartFile(lines);
  if (!file.ok) throw new Error(file.failure.code);
  const compared = compareChart(file.value, given);
  return {
    ...compared,
    states: compared.rows.map(({ state }) => state),
    faults: compared.rows.flatMap(({ row, faults }) => faults.map(({ field, reason, about }) => [row, field, reason, about])),
    changes: compared.rows.flatMap(({ number, changes }) => changes.map(({ field, before, after }) => [number, field, before, after])),
  };
}

const written = (given: ChartFacts) => [
  chartFields.map((field) => chartColumns[field].heading),
  ...chartCells(given, true).map((cells) => chartFields.map((field) => cells[field])),
];

describe('a chart file loaded back', () => {
  it('unchanged has nothing to do, whatever the chart', () => {
    const text = fc.string({ minLength: 1, maxLength: 12, unit: 'grapheme' }).map((value) => value.trim() || 'x');
    const charts = fc.array(
      fc.record({
        name: text,
        purpose: fc.oneof(fc.constant(''), text),
        element: fc.constantFrom(...elements),
        below: fc.nat(5),
        place: fc.constantFrom('none', 'any', 'sides'),
        active: fc.boolean(),
      }),
      { maxLength: 25 },
    );
    fc.assert(
      fc.property(charts, (seeds) => {
        const accounts: KeptAccount[] = [];
        const placed: Place[] = [];
        for (const [at, { name, purpose, element, below, place, active }] of seeds.entries()) {
          const parent = accounts[at - 1 - below];
          const isBelow = parent?.element === element && (parent.active || !active) && parent.parentId === null;
          accounts.push(
            account(at + 1, `${1000 + at}`, {
              name,
              purpose,
              element,
              normalSide: at % 3 === 0 ? 'credit' : 'debit',
              active,
              parentId: isBelow ? parent.id : null,
            }),
          );
          const own = categories.find((candidate) => candidate.element === element);
          if (own && place === 'any') placed.push({ accountId: at + 1, side: 'any', categoryId: own.id });
          if (element === 'asset' && place === 'sides')
            placed.push({ accountId: at + 1, side: 'debit', categoryId: 1 }, { accountId: at + 1, side: 'credit', categoryId: 2 });
        }
        const given = facts(accounts, { places: placed });
        const { states, missing, accounts: touched, faults } = load(written(given), given);
        expect([faults, states.filter((state) => state !== 'same'), missing, touched]).toEqual([[], [], [], []]);
      }),
      { seed: 5, numRuns: 300 },
    );
  });

  it('offers exactly what was changed, each field before and after', () => {
    const lines = written(facts());
    const [headings = []] = lines;
    const set = (row: number, heading: string, text: string) => {
      (lines[row] as string[])[headings.indexOf(heading)] = text;
    };
    set(5, 'Name', 'Electricity');
    set(4, 'Category', 'Running costs');
    set(1, 'Purpose', 'All money');
    const { states, changes } = load(lines);
    expect(states).toEqual(['changed', 'same', 'same', 'changed', 'changed']);
    expect(changes).toEqual([
      ['1000', 'purpose', '', 'All money'],
      ['6100', 'category', 'Running costs > Premises', 'Running costs'],
      ['6200', 'name', 'Power', 'Electricity'],
    ]);
  });

  it('leaves alone what it has no column or no row for', () => {
    const { states, missing, accounts } = load([
      ['Number', 'External number', 'Colour'],
      ['6100', 'R-1', 'blue'],
    ]);
    expect([states, missing.map(({ number }) => number)]).toEqual([['changed'], ['1000', '3100', '6000', '6200']]);
    expect(accounts[0]).toMatchObject({ name: 'Rent', parentId: 3, externalNumber: 'R-1', places: null });
  });

  it('a column of places that is not in the file keeps what stands there, unless the file leaves no room for it', () => {
    const placesOf = (headings: string[], row: string[]) =>
      load([
        ['Number', ...headings],
        ['1000', ...row],
      ]).accounts[0]?.places;
    expect(
      load([
        ['Number', 'Category'],
        ['1000', ''],
      ]).states,
    ).toEqual(['same']);
    expect(placesOf(['Category'], ['Cash'])).toEqual([{ side: 'any', target: { categoryId: 1 } }]);
    expect(placesOf(['Category while in credit'], ['Overdrafts > Bank'])).toEqual([
      { side: 'debit', target: { categoryId: 1 } },
      { side: 'credit', target: { element: 'asset', path: ['Overdrafts', 'Bank'] } },
    ]);
    expect(
      load([
        ['Number', 'Category while in debit'],
        ['3100', 'Capital'],
      ]).changes,
    ).toEqual([
      ['3100', 'category', 'Capital', ''],
      ['3100', 'categoryDebit', '', 'Capital'],
    ]);
  });

  it('renumbers by key, or by a column of new numbers, and two may swap theirs; what is below stays there', () => {
    const { states, accounts } = load([
      ['Number', 'New number'],
      ['6100', '6200'],
      ['6200', '6100'],
      ['6000', '7000'],
    ]);
    expect(states).toEqual(['changed', 'changed', 'changed']);
    expect(accounts.map(({ id, number, parentId }) => [id, number, parentId])).toEqual([
      [3, '7000', null],
      [4, '6200', 3],
      [5, '6100', 3],
    ]);
    expect(
      load([
        ['Number', 'Name', 'Key'],
        ['7100', 'Rent', '4'],
      ]).changes,
    ).toEqual([['6100', 'number', '6100', '7100']]);
  });

  it('adds accounts below each other, in an element that follows from above, in categories yet to be made', () => {
    const { states, accounts, newCategories } = load([
      ['Number', 'Name', 'Element', 'Nested below', 'Category'],
      ['6310', 'Paper', '', '6300', ''],
      ['6300', 'Office', '', '6000', 'Running costs > Office'],
      ['1000', 'Bank', 'asset', '', ''],
    ]);
    expect(states).toEqual(['new', 'new', 'same']);
    expect(accounts.map(({ number, element, parentId }) => [number, element, parentId])).toEqual([
      ['6300', 'expense', 3],
      ['6310', 'expense', -2],
    ]);
    expect(newCategories).toEqual([{ element: 'expense', path: ['Running costs', 'Office'] }]);
  });
});

describe('rows that cannot be applied', () => {
  const headings = ['Number', 'Name', 'Element', 'Nested below', 'Category', 'Category while in credit', 'Active', 'Role'];
  const row = (number: string, fields: Partial<Record<string, string>> = {}) =>
    headings.map((heading) => (heading === 'Number' ? number : (fields[heading] ?? (heading === 'Name' ? 'New' : ''))));
  it.each<[string, string[][], unknown[]]>([
    ['a number twice', [row('8000', { Element: 'asset' }), row('8000', { Element: 'asset', Name: 'Other' })], [[3, 'number', 'repeated_in_file', '2']]],
    ['no number', [row('', { Element: 'asset' })], [[2, 'number', 'missing', null]]],
    ['no name', [row('8000', { Element: 'asset', Name: '' })], [[2, 'name', 'missing', null]]],
    ['no element', [row('8000')], [[2, 'element', 'missing', null]]],
    [
      'a word that is no element',
      [row('8000', { Element: 'boat' })],
      [
        [2, 'element', 'unknown_word', 'boat'],
        [2, 'element', 'missing', null],
      ],
    ],
    ['a parent that is not there', [row('8000', { Element: 'asset', 'Nested below': '9999' })], [[2, 'parent', 'parent_unknown', '9999']]],
    ['a parent of another element', [row('8000', { Element: 'asset', 'Nested below': '6000' })], [[2, 'parent', 'parent_of_other_element', 'expense']]],
    [
      'accounts below each other',
      [row('6000', { Name: 'Costs', 'Nested below': '6100' }), row('6100', { Name: 'Rent', 'Nested below': '6000' })],
      [
        [2, 'parent', 'nested_in_itself', null],
        [3, 'parent', 'nested_in_itself', null],
      ],
    ],
    ['a category of another element', [row('8000', { Element: 'asset', Category: 'Capital' })], [[2, 'category', 'category_of_other_element', 'equity']]],
    ['a path of nothing', [row('8000', { Element: 'asset', Category: '>' })], [[2, 'category', 'unknown_word', '>']]],
    ['a path of nine', [row('8000', { Element: 'asset', Category: 'a>b>c>d>e>f>g>h>i' })], [[2, 'category', 'nested_too_deep', '8']]],
    [
      'a place beside both sides',
      [row('8000', { Element: 'asset', Category: 'Cash', 'Category while in credit': 'Overdrafts' })],
      [[2, 'category', 'category_beside_sides', null]],
    ],
    [
      'an element changed under sub-accounts',
      [row('6000', { Name: 'Costs', Element: 'income' })],
      [
        [2, 'element', 'sub_accounts_of_other_element', '6100'],
        [2, 'element', 'sub_accounts_of_other_element', '6200'],
      ],
    ],
    ['retained earnings taken away', [row('3100', { Name: 'Retained earnings', Category: 'Capital' })], [[2, 'role', 'role_needed', null]]],
    ['a role for another element', [row('8000', { Element: 'asset', Role: 'retained earnings' })], [[2, 'role', 'role_not_for_element', null]]],
    [
      'one role for two',
      [row('8000', { Element: 'asset', Role: 'suspense' }), row('8010', { Element: 'asset', Role: 'suspense' })],
      [[3, 'role', 'role_twice', '2']],
    ],
    ['a parent retired above active ones', [row('6000', { Name: 'Costs', Active: 'no' })], [[2, 'active', 'sub_accounts_active', null]]],
  ])('%s', (_, rows, faults) => {
    const loaded = load([headings, ...rows]);
    expect(loaded.faults).toEqual(faults);
    expect(loaded.accounts).toEqual([]);
  });

  it('a balance keeps an account active, a scheme its form, a number its holder', () => {
    expect(
      load(
        [
          ['Number', 'Active'],
          ['6100', 'no'],
        ],
        facts(shop, { balanceOf: () => 5n }),
      ).faults,
    ).toEqual([[2, 'active', 'balance_not_zero', null]]);
    const scheme = { parts: [{ kind: 'digits' as const, shortest: 5, longest: 5 }], separator: '' as const, leastParts: 1 };
    expect(
      load(
        [
          ['Number', 'New number'],
          ['6100', '61x'],
        ],
        facts(shop, { scheme }),
      ).faults,
    ).toEqual([[2, 'newNumber', 'malformed_number', '61x']]);
    expect(
      load([
        ['Number', 'New number'],
        ['6100', '6200'],
      ]).faults,
    ).toEqual([[2, 'newNumber', 'number_taken', 'Power']]);
    expect(
      load(
        [
          ['Number', 'Name'],
          ['6100', 'Power'],
        ],
        facts(shop, { repeatedNames: 'forbidden' }),
      ).faults,
    ).toEqual([[2, 'name', 'name_taken', '6200']]);
  });

  it('nesting deeper than ten levels is refused, also for those below that the file does not name', () => {
    const deep = Array.from({ length: 10 }, (_, at) => account(at + 1, `${1000 + at}`, { parentId: at === 0 ? null : at }));
    const more = [...deep, account(20, '2000')];
    expect(
      load(
        [
          ['Number', 'Nested below'],
          ['2000', '1009'],
        ],
        facts(more),
      ).faults,
    ).toEqual([[2, 'parent', 'nested_too_deep', '10']]);
    expect(
      load(
        [
          ['Number', 'Nested below'],
          ['1000', '2000'],
        ],
        facts(more),
      ).faults,
    ).toEqual([[2, 'parent', 'nested_too_deep', '10']]);
  });

  it('a table without a column of numbers is no chart', () => {
    expect(
      readChartFile([
        ['Konto', 'Name'],
        ['1', 'x'],
      ]),
    ).toEqual({ ok: false, failure: { code: 'chart_headings_missing', looked: 20 } });
  });
});
