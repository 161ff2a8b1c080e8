import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makeCalendar, makeMonthlyYear } from '../calendar/fiscalCalendar.ts';
import { type BalanceRow, buildCube } from './cube.ts';
import { followCube } from './followCube.ts';
import { layers } from './layer.ts';

const calendar = makeCalendar(makeMonthlyYear(2026, 1).periods);
const accountIds = [1, 2, 3];
const row: fc.Arbitrary<BalanceRow> = fc.record({
  accountId: fc.constantFrom(...accountIds),
  layer: fc.constantFrom(...layers),
  origin: fc.constantFrom('ordinary' as const, 'closing' as const),
  periodIndex: fc.integer({ min: 0, max: 11 }),
  debit: fc.bigInt(0n, 10n ** 12n),
  credit: fc.bigInt(0n, 10n ** 12n),
});

describe('a cube that follows the postings', () => {
  it('is the cube of all of them, and leaves the one it was made from as it was', () => {
    fc.assert(
      fc.property(fc.array(row, { maxLength: 30 }), fc.array(row, { maxLength: 10 }), (before, since) => {
        const cube = buildCube(1, calendar, accountIds, before);
        expect(followCube(cube, 2, since)).toEqual(buildCube(2, calendar, accountIds, [...before, ...since]));
        expect(cube).toEqual(buildCube(1, calendar, accountIds, before));
      }),
      { seed: 2611, numRuns: 200 },
    );
  });

  it('shares what nothing was added to', () => {
    const cube = buildCube(1, calendar, accountIds, []);
    const next = followCube(cube, 2, [{ accountId: 1, layer: 'ledger', origin: 'ordinary', periodIndex: 3, debit: 5n, credit: 0n }]);
    expect(next.books.adjustment.ordinary).toBe(cube.books.adjustment.ordinary);
    expect(next.books.ledger.closing).toBe(cube.books.ledger.closing);
  });

  it('refuses sums that its arrays could not hold, and lines of no account', () => {
    const huge = { accountId: 1, layer: 'ledger', origin: 'ordinary', periodIndex: 0, debit: 2n ** 62n, credit: 0n } as const;
    const cube = buildCube(1, calendar, accountIds, [huge]);
    expect(() => followCube(cube, 2, [{ ...huge, accountId: 2 }])).toThrow('64 bits');
    expect(() => followCube(cube, 2, [{ ...huge, accountId: 9 }])).toThrow('account 9');
  });
});
