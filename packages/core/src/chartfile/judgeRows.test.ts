import { describe, expect, it } from 'vitest';
import { readChartFile } from './chartFields.ts';
import { account, facts, load, shop } from './chartFile.fixture.ts';

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
