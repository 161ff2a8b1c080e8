import { describe, expect, it } from 'vitest';
import { facetsText, filterText, nestedValues } from './facetWords.ts';

const value = (code: string, caption: string, parent: string | null = null) => ({
  code,
  caption,
  element: null,
  side: null,
  parent,
  retired: false,
  accounts: 0,
});
const vessel = { key: 'facet:1' as const, name: 'Vessel', codes: [value('TERN', 'MV Tern', 'FLEET'), value('FLEET', 'Fleet'), value('QUAY', '')] };
const route = { key: 'facet:2' as const, name: 'Route', codes: [value('NORTH', 'To the north')] };

describe('facets in words', () => {
  it('name what a filter asks for, by caption where there is one', () => {
    expect(filterText({ 'facet:2': ['NORTH', ''], 'facet:1': ['QUAY'] }, [vessel, route])).toBe('Only Vessel: QUAY; Route: To the north or none.');
  });

  it('name what a line has, in the order of the facets', () => {
    expect(facetsText({ 'facet:2': 'NORTH', 'facet:1': 'TERN' }, [vessel, route])).toBe('MV Tern · To the north');
    expect(facetsText({}, [vessel, route])).toBe('');
  });

  it('stand with each value before those nested below it', () => {
    expect(nestedValues(vessel).map(({ code, depth }) => [code, depth])).toEqual([
      ['FLEET', 0],
      ['TERN', 1],
      ['QUAY', 0],
    ]);
  });
});
