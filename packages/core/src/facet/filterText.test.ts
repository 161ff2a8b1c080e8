import { describe, expect, it } from 'vitest';
import { facetsText, filterText } from './filterText.ts';

const value = (code: string, caption: string) => ({ code, caption, element: null, side: null, parent: null });
const vessel = { key: 'facet:1' as const, name: 'Vessel', codes: [value('TERN', 'MV Tern'), value('QUAY', '')] };
const route = { key: 'facet:2' as const, name: 'Route', codes: [value('NORTH', 'To the north')] };

describe('facets in words', () => {
  it('name what a filter asks for, by caption where there is one', () => {
    expect(filterText({ 'facet:2': ['NORTH', ''], 'facet:1': ['QUAY'] }, [vessel, route])).toBe('Only Vessel: QUAY; Route: To the north or none');
    expect(filterText({}, [vessel, route])).toBe('');
  });

  it('name what a line has, in the order of the facets', () => {
    expect(facetsText({ 'facet:2': 'NORTH', 'facet:1': 'TERN' }, [vessel, route])).toBe('MV Tern · To the north');
    expect(facetsText({}, [vessel, route])).toBe('');
  });
});
