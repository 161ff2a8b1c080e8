import { describe, expect, it } from 'vitest';
import type { ListedCode } from '../chart/codeList.ts';
import { type Facet, facetCheck, type PairingRule } from './checkFacets.ts';
import { defaultFacets, selectSets, valuesBelow } from './facetFilter.ts';

const value = (code: string, parent: string | null = null, retired = false): ListedCode => ({
  code,
  caption: code,
  element: null,
  side: null,
  parent,
  retired,
});
const vessel: Facet = {
  key: 'facet:1',
  name: 'Vessel',
  neededOn: '4000 to 4999 except 4900',
  neededFor: [],
  notAllowedOn: '1*',
  codes: [value('FLEET'), value('TERN', 'FLEET'), value('GULL', 'FLEET'), value('OLD', null, true)],
};
const route: Facet = { key: 'facet:2', name: 'Route', neededFor: [], neededOn: '', notAllowedOn: '', codes: [value('NORTH'), value('SOUTH')] };
const pairing: PairingRule = { id: 1, first: 'facet:1', firstValue: 'FLEET', second: 'facet:2', secondValue: 'SOUTH', reason: 'too shallow' };

describe('the facets of a line', () => {
  const check = facetCheck([vessel, route], [pairing], 'by_value');
  const on = (accountNumber: string, facets: Record<string, string>) => check({ accountNumber, facets });

  it('are needed on some accounts and not allowed on others, as their ranges say', () => {
    expect(on('4010', {})).toEqual({ code: 'facet_needed', facet: 'Vessel' });
    expect([on('4010', { 'facet:1': 'TERN' }), on('4900', {}), on('6000', {})]).toEqual([null, null, null]);
    expect(on('1000', { 'facet:1': 'TERN' })).toEqual({ code: 'facet_not_allowed', facet: 'Vessel' });
    expect(on('1000', { 'facet:2': 'NORTH' })).toBeNull();
  });

  it('are values that the facet has and has not retired', () => {
    expect(on('6000', { 'facet:1': 'SWAN' })).toEqual({ code: 'facet_value_unknown', facet: 'Vessel', value: 'SWAN' });
    expect(on('6000', { 'facet:1': 'OLD' })).toEqual({ code: 'facet_value_retired', facet: 'Vessel', value: 'OLD' });
    expect(on('6000', { 'facet:9': 'X' })).toEqual({ code: 'facet_unknown', facet: 'facet:9' });
  });

  it('do not go together where a pairing rule forbids it, nested values among them; the rule is named', () => {
    expect(on('6000', { 'facet:1': 'TERN', 'facet:2': 'SOUTH' })).toEqual({
      code: 'facets_do_not_pair',
      facet: 'Vessel',
      value: 'TERN',
      otherFacet: 'Route',
      otherValue: 'SOUTH',
      reason: 'too shallow',
    });
    expect(on('6000', { 'facet:1': 'TERN', 'facet:2': 'NORTH' })).toBeNull();
  });

  it('come from the account where nothing is said: its facet values, not its report codes', () => {
    expect(defaultFacets({ 'facet:1': 'TERN', 'report:3': 'G100' })).toEqual({ 'facet:1': 'TERN' });
  });
});

describe('a filter by facets', () => {
  const sets = [
    { id: 1, facets: { 'facet:1': 'TERN' } },
    { id: 2, facets: { 'facet:1': 'GULL', 'facet:2': 'NORTH' } },
    { id: 3, facets: { 'facet:2': 'NORTH' } },
  ] as const;
  const select = (filter: Parameters<typeof selectSets>[1]) => {
    const { ids, withoutAny } = selectSets(sets, filter, [vessel, route]);
    return [[...ids], withoutAny];
  };

  it('takes a value with all nested below it', () => {
    expect(valuesBelow(vessel, 'FLEET')).toEqual(['FLEET', 'TERN', 'GULL']);
    expect(select({ 'facet:1': ['FLEET'] })).toEqual([[1, 2], false]);
    expect(select({ 'facet:1': ['GULL'] })).toEqual([[2], false]);
  });

  it('asks all facets that it names at once', () => {
    expect(select({ 'facet:1': ['FLEET'], 'facet:2': ['NORTH'] })).toEqual([[2], false]);
  });

  it('takes lines without a value where that is asked for', () => {
    expect(select({ 'facet:1': [''] })).toEqual([[3], true]);
    expect(select({ 'facet:1': ['', 'TERN'] })).toEqual([[1, 3], true]);
    expect(select({ 'facet:1': [''], 'facet:2': ['NORTH'] })).toEqual([[3], false]);
  });
});
