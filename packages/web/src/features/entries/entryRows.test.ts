import { describe, expect, it } from 'vitest';
import { amountIn, linesOf, pastedRows } from './entryRows.ts';

const euro = { code: 'EUR', exponent: 2 };
const accounts = [
  { id: 1, number: '1000', name: 'Bank', codes: {} },
  { id: 2, number: '6200', name: 'Insurance', codes: { 'facet:1': 'TERN', 'report:2': 'G1' } },
];
const value = (code: string) => ({ code, caption: '', element: null, side: null, parent: null });
const facets = [
  { key: 'facet:1', name: 'Vessel', codes: [value('TERN'), value('GULL')] },
  { key: 'facet:3', name: 'Route', codes: [value('NORTH')] },
] as const;
const shown = (text: string) => pastedRows(text, accounts, facets, euro)?.map(({ accountId, debit, credit, text: words }) => [accountId, debit, credit, words]);

describe('rows of an entry', () => {
  it('take amounts with a dot or a comma, and none below zero', () => {
    expect(['1,250.50', '1.250,50', '12', '', '-5', 'x'].map((typed) => amountIn(typed, euro))).toEqual([125050n, 125050n, 1200n, 0n, null, null]);
  });

  it('are pasted from a spreadsheet by number or name, with amounts on two sides', () => {
    expect(shown('1000\t\t500,00\tPremium\nInsurance\t500,00\t\t')).toEqual([
      [1, '', '500,00', 'Premium'],
      [2, '500,00', '', ''],
    ]);
  });

  it('or with signed amounts in one column, debit positive', () => {
    expect(shown('6200 Insurance\t12.5\n1000\t(12.5)\n9999\t0')).toEqual([
      [2, '12.50', '', ''],
      [1, '', '12.50', ''],
      [null, '', '', ''],
    ]);
  });

  it('take the facet values that their account names, and those that are pasted behind the text', () => {
    const pasted = pastedRows('6200\t5\t\tHull\n6200\t5\t\tHull\tgull\tNorth\n1000\t\t10\t\t\tnowhere', accounts, facets, euro);
    expect(pasted?.map((row) => row.facets)).toEqual([{ 'facet:1': 'TERN' }, { 'facet:1': 'GULL', 'facet:3': 'NORTH' }, {}]);
  });

  it('are none of a text without columns', () => {
    expect(pastedRows('just words', accounts, facets, euro)).toBeNull();
  });

  it('count an amount that cannot be read as nil', () => {
    expect(linesOf([{ key: 'a', accountId: 1, debit: 'x', credit: '', text: '', facets: {}, foreign: null }], euro)).toEqual([
      { accountId: 1, debit: 0n, credit: 0n },
    ]);
  });
});
