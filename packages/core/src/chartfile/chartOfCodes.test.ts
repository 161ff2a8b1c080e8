import { describe, expect, it } from 'vitest';
import type { CodeList } from '../chart/codeList.ts';
import { account, facts, load, shop, written } from './chartFile.fixture.ts';

const listed = (code: string) => ({ code, caption: '', element: null, side: null, parent: null });
const lists: CodeList[] = [
  { key: 'report:7', name: 'Tax return', codes: [listed('T1'), listed('T2')] },
  { key: 'facet:8', name: 'Vessel', codes: [listed('TERN'), listed('SKUA')] },
];
const coded = [...shop, account(6, '7000', { name: 'Fuel', codes: { 'report:7': 'T1', 'facet:8': 'TERN' } })];
const given = facts(coded, { lists });

describe('a chart file with codes', () => {
  it('has a column for each list, and loaded back has nothing to do', () => {
    const lines = written(given);
    expect(lines[0]).toEqual(expect.arrayContaining(['Code: Tax return', 'Facet: Vessel']));
    expect(lines.at(-1)).toEqual(expect.arrayContaining(['T1', 'TERN']));
    expect(load(lines, given).states).toEqual(coded.map(() => 'same'));
  });

  it('gives, changes and takes codes away, in whatever case they are typed', () => {
    const { changes, accounts } = load(
      [
        ['Number', 'code: tax return', 'Facet: Vessel'],
        ['7000', 't2', ''],
        ['6100', 'T1', 'skua'],
      ],
      given,
    );
    expect(changes).toEqual([
      ['7000', 'report:7', 'T1', 'T2'],
      ['7000', 'facet:8', 'TERN', ''],
      ['6100', 'report:7', '', 'T1'],
      ['6100', 'facet:8', '', 'SKUA'],
    ]);
    expect(accounts.map(({ number, codes }) => [number, codes])).toEqual(
      expect.arrayContaining([
        ['7000', { 'report:7': 'T2' }],
        ['6100', { 'report:7': 'T1', 'facet:8': 'SKUA' }],
      ]),
    );
  });

  it('a column that is not in the file leaves the codes alone', () => {
    expect(
      load(
        [
          ['Number', 'Name'],
          ['7000', 'Diesel'],
        ],
        given,
      ).accounts,
    ).toMatchObject([{ codes: { 'report:7': 'T1', 'facet:8': 'TERN' } }]);
  });

  it('a code that the list has not is refused, and a list that is not there is an unknown column', () => {
    expect(
      load(
        [
          ['Number', 'Code: Tax return'],
          ['7000', 'T9'],
        ],
        given,
      ).faults,
    ).toEqual([[2, 'report:7', 'no_such_code', 'T9']]);
    expect(
      load(
        [
          ['Number', 'Code: Statistics'],
          ['7000', 'T9'],
        ],
        given,
      ).states,
    ).toEqual(['same']);
  });
});
