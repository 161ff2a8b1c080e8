import fc from 'fast-check';
import { expect, it } from 'vitest';
import { elements, isIncomeOrExpense } from '../chart/element.ts';
import { figuresOver } from '../rehearsal/placementFigures.ts';
import { rehearsedLedger } from '../rehearsal/rehearsedLedger.fixture.ts';
import { account, category } from '../statement/statementsOf.fixture.ts';
import { coverageOf } from './coverage.ts';
import type { Place } from './place.ts';
import { type DescribedCategory, placementOf } from './placement.ts';
import { standingFollower } from './standingFollower.ts';

/** Numbered 1001 to 1020, four of each element in turn. */
const accounts = Array.from({ length: 20 }, (_, at) => account(at + 1, elements[at % 5] as (typeof elements)[number]));
const text = fc.constantFrom('', '1001 to 1010', '1005', '1015 to 1020', 'from 1018', '101*', '1003 to 1012 except 1007');
const side = fc.constantFrom('any' as const, 'debit' as const, 'credit' as const);
/** Three of each element; the second of each may stand below the first. */
const anyCategories = fc.array(fc.record({ below: fc.boolean(), side, text }), { minLength: 15, maxLength: 15 }).map((drawn) =>
  drawn.map(({ below, side: of, text: range }, at): DescribedCategory => {
    const element = elements[Math.floor(at / 3)] as (typeof elements)[number];
    const parentId = below && at % 3 === 1 ? at : null;
    const isTop = parentId === null;
    const term = isTop && (element === 'asset' || element === 'liability') ? ('current' as const) : null;
    const step = isTop && isIncomeOrExpense(element) ? ('other_operating' as const) : null;
    const made = category(at + 1, element, { parentId, term, step, name: `Category ${at + 1}` });
    return { ...made, nature: null, note: '', description: '', captions: [], ranges: range === '' ? [] : [{ side: of, text: range }] };
  }),
);
/** By hand: nowhere, or in one of the three categories of its element, with any balance or on one side. */
const anyPlaces = fc
  .array(fc.record({ choice: fc.integer({ min: -3, max: 2 }), side }), { minLength: 20, maxLength: 20 })
  .map((drawn) =>
    drawn.flatMap(({ choice, side: of }, at): Place[] => (choice < 0 ? [] : [{ accountId: at + 1, side: of, categoryId: 3 * (at % 5) + choice + 1 }])),
  );
const anyNets = fc
  .array(fc.bigInt({ min: -1000n, max: 1000n }), { minLength: 19, maxLength: 19 })
  .map((net) => [...net, -net.reduce((sum, one) => sum + one, 0n)]);

it('whatever the tree, the ranges and the sides: each account is exactly one of placed, unplaced, doubled and half-placed, and what lines hold and what none holds is the ledger', () => {
  fc.assert(
    fc.property(anyCategories, anyPlaces, anyNets, (categories, places, drawn) => {
      const net = BigInt64Array.from(drawn);
      const standing = standingFollower(accounts, 'digit_by_digit')(placementOf(categories, places));
      const { portions, byRange } = standing;
      const covered = accounts.map(({ id, element }, index) => ({
        account: index,
        element,
        isParent: false,
        isDoubled: (byRange.get(id)?.doubledIn.length ?? 0) > 0,
      }));
      const lineOf = (of: 'debit' | 'credit') => Int32Array.from(accounts, ({ id }) => portions.get(id)?.[of] ?? -1);
      const found = (['balance_sheet', 'income_statement'] as const).map((kind) => coverageOf(kind, covered, lineOf('debit'), lineOf('credit'), net));
      const faults = found.flatMap((one) => one.faults);
      expect(new Set(faults.map((fault) => fault.account)).size).toBe(faults.length);
      expect(found.reduce((sum, { inScope }) => sum + inScope, 0)).toBe(accounts.length);
      for (const { id } of accounts) {
        const stands = portions.get(id);
        const fault = faults.find((one) => one.account === id - 1)?.state ?? 'placed';
        const sides = [stands?.debit, stands?.credit].filter((one) => one != null).length;
        if (sides === 2) expect(fault).toBe('placed');
        else expect(fault).toBe(covered[id - 1]?.isDoubled ? 'doubled' : sides === 1 ? 'half_placed' : 'unplaced');
      }
      // The ledger adds up to nothing, so what both statements are out by is what no line holds.
      const { outOfBalance, profitMissed, atFault } = figuresOver(rehearsedLedger(accounts, [...net]))(standing);
      expect(profitMissed - outOfBalance).toBe(found.reduce((sum, { netEffect }) => sum + netEffect, 0n));
      expect(atFault).toBe(faults.length);
    }),
    { numRuns: 150, seed: 512 },
  );
});
