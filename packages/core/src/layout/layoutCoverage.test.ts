import { describe, expect, it } from 'vitest';
import type { CodeList } from '../chart/codeList.ts';
import { account, category, type TestCompany } from '../statement/statementsOf.fixture.ts';
import { layoutCoverage } from './layoutCoverage.ts';
import { composed, free, numbers, remaining, taking } from './ownLayout.fixture.ts';

const vessels: CodeList = {
  key: 'facet:1',
  name: 'Vessel',
  codes: [
    { code: 'FLEET', caption: 'The fleet', element: null, side: null, parent: null },
    { code: 'TERN', caption: 'MV Tern', element: null, side: null, parent: 'FLEET' },
    { code: 'GULL', caption: 'MV Gull', element: null, side: null, parent: 'FLEET' },
  ],
};
const company: TestCompany = { categories: [category(1, 'expense')], accounts: [account(1, 'expense')], places: [] };
const cut = (key: string, values: readonly string[]) => taking(key, [numbers('1001')], { facets: { 'facet:1': values } });

function stateOf(lines: Parameters<typeof free>[0]): string {
  const { compiled, facts } = composed(company, free(lines, { scope: ['expense'] }));
  const { faults } = layoutCoverage(compiled, facts.scope, [{ account: 0, element: 'expense', isParent: false }], BigInt64Array.of(100n), [vessels]);
  return faults[0]?.state ?? 'whole';
}

describe('coverage of lines that take some facet values', () => {
  it('is whole where every value and none is taken once, with values nested below them', () => {
    expect(stateOf([cut('fleet', ['FLEET']), cut('none', [''])])).toBe('whole');
    expect(stateOf([cut('tern', ['TERN']), cut('gull', ['GULL', 'FLEET', '']), taking('other', [numbers('9*')])])).toBe('doubled');
    expect(stateOf([cut('tern', ['TERN']), cut('gull', ['GULL'])])).toBe('half_placed');
    expect(stateOf([taking('all', [numbers('1001')]), cut('tern', ['TERN'])])).toBe('doubled');
    expect(stateOf([])).toBe('unplaced');
  });

  it('leaves to a remainder what the values do not take', () => {
    const layout = free([cut('tern', ['TERN']), remaining('rest')], { scope: ['expense'] });
    expect(stateOf(layout.lines)).toBe('whole');
    const { compiled, run } = composed(company, layout);
    expect(compiled.readings).toEqual([{ measure: 'column', facets: { 'facet:1': ['TERN'] } }]);
    expect([...run([100n], { readings: [BigInt64Array.of(30n)] }).amounts]).toEqual([30n, 70n]);
  });
});
