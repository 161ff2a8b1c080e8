import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makeCalendar, makeMonthlyYear } from '../calendar/fiscalCalendar.ts';
import { buildCube } from './cube.ts';
import { type FacetBalanceRow, groupFacetBalances, narrowCube } from './facetBalances.ts';
import { layers } from './layer.ts';

const calendar = makeCalendar(makeMonthlyYear(2026, 1).periods);
const accountIds = [1, 2, 3];
const noSet = 0;

const row = fc.record({
  facetSetId: fc.integer({ min: noSet, max: 4 }),
  accountId: fc.constantFrom(...accountIds),
  layer: fc.constantFrom(...layers),
  origin: fc.constantFrom('ordinary' as const, 'closing' as const),
  periodIndex: fc.integer({ min: 0, max: 11 }),
  debit: fc.bigInt(0n, 1000n),
  credit: fc.bigInt(0n, 1000n),
});

/** The same by the definition: a cube of the wanted rows alone. */
const cubeOf = (rows: readonly FacetBalanceRow[]) => buildCube(7, calendar, accountIds, rows);

describe('a cube of the lines with some facet values', () => {
  it('is the cube of those lines alone, whichever sets are wanted, lines without any or not', () => {
    fc.assert(
      fc.property(fc.array(row, { maxLength: 40 }), fc.uniqueArray(fc.integer({ min: 1, max: 4 })), fc.boolean(), (rows, wanted, withoutAny) => {
        const all = cubeOf(rows);
        const balances = groupFacetBalances(
          all,
          rows.filter(({ facetSetId }) => facetSetId !== noSet),
        );
        const ids = new Set(wanted);
        const narrowed = narrowCube(all, balances, { ids, withoutAny });
        const expected = cubeOf(rows.filter(({ facetSetId }) => (facetSetId === noSet ? withoutAny : ids.has(facetSetId))));
        expect(narrowed).toEqual(expected);
      }),
      { seed: 2611, numRuns: 200 },
    );
  });
});
