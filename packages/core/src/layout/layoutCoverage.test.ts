import { describe, expect, it } from 'vitest';
import type { CodeList } from '../chart/codeList.ts';
import { account, category, type TestCompany } from '../statement/statementsOf.fixture.ts';
import { layoutCoverage } from './layoutCoverage.ts';
import { newLine } from './newLine.ts';
import { composed, free, numbers, remaining, taking } from './ownLayout.fixture.ts';
import type { OwnLine } from './ownLayout.ts';

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

  it('has at stake what is doubled or missing, not all that the lines take; an account without any of it is at no fault', () => {
    const three: TestCompany = { categories: [category(1, 'expense')], accounts: [1, 2, 3].map((id) => account(id, 'expense')), places: [] };
    const range = [numbers('1001 to 1003')];
    const covered = (lines: Parameters<typeof free>[0], readings?: readonly (readonly bigint[])[]) => {
      const { compiled, facts } = composed(three, free(lines, { scope: ['expense'] }));
      const accounts = [0, 1, 2].map((at) => ({ account: at, element: 'expense' as const, isParent: false }));
      const vectors = readings?.map((vector) => BigInt64Array.from(vector));
      const { faults, atStake, netEffect } = layoutCoverage(compiled, facts.scope, accounts, BigInt64Array.of(100n, -40n, 70n), [vessels], vectors);
      return [faults.map(({ account: at, state, net }) => [at, state, net]), atStake, netEffect];
    };
    const tern = taking('tern', range, { facets: { 'facet:1': ['TERN'] } });
    const doubled = [taking('all', range), tern];
    expect(covered(doubled, [[30n, 0n, 0n]])).toEqual([[[0, 'doubled', 30n]], 30n, -30n]);
    // Not known, all of it may be.
    expect(covered(doubled)).toEqual([
      [
        [0, 'doubled', 100n],
        [1, 'doubled', -40n],
        [2, 'doubled', 70n],
      ],
      210n,
      -130n,
    ]);
    expect(covered([tern], [[100n, -10n, 0n]])).toEqual([
      [
        [1, 'half_placed', -30n],
        [2, 'half_placed', 70n],
      ],
      100n,
      40n,
    ]);
    const rest = taking('rest', range, { facets: { 'facet:1': ['GULL', 'FLEET', ''] } });
    expect(
      covered(
        [tern, rest],
        [
          [30n, 0n, 0n],
          [70n, -40n, 70n],
        ],
      ),
    ).toEqual([[], 0n, 0n]);
  });

  it('leaves to a remainder what the values do not take', () => {
    const layout = free([cut('tern', ['TERN']), remaining('rest')], { scope: ['expense'] });
    expect(stateOf(layout.lines)).toBe('whole');
    const { compiled, run } = composed(company, layout);
    expect(compiled.readings).toEqual([{ measure: 'column', facets: { 'facet:1': ['TERN'] } }]);
    expect([...run([100n], { readings: [BigInt64Array.of(30n)] }).amounts]).toEqual([30n, 70n]);
  });
});

describe('a remainder in a cash flow', () => {
  const held: TestCompany = {
    categories: [category(1, 'asset', { term: 'current' })],
    accounts: [{ ...account(1, 'asset'), role: 'cash' }, account(2, 'asset')],
    places: [],
  };
  const cashFlow = (overdraftsApart: boolean) =>
    free([{ ...newLine('remainder', 'rest', 'Rest'), elements: ['asset', 'liability', 'equity', 'income', 'expense'] } as OwnLine], {
      kind: 'cash_flow',
      overdraftsApart,
    });

  it('leaves cash out: it is what the lines explain, and stands in none of them', () => {
    const { compiled, coverage, run } = composed(held, cashFlow(false));
    expect([...compiled.lineOfDebit]).toEqual([-1, 0]);
    expect(coverage([80n, -80n])).toMatchObject({ inScope: 1, faults: [] });
    expect([...run([80n, -80n]).amounts]).toEqual([-80n]);
    // Overdrafts that stand apart are placed like any other account.
    expect([...composed(held, cashFlow(true)).compiled.lineOfCredit]).toEqual([0, 0]);
    expect([...composed(held, cashFlow(true)).compiled.lineOfDebit]).toEqual([-1, 0]);
  });
});
