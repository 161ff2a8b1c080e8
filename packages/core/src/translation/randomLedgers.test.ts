import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Day } from '../calendar/day.ts';
import { periodIndexOf } from '../calendar/fiscalCalendar.ts';
import { layers } from '../cube/layer.ts';
import { balanceAt, grossOver, movementOver } from '../cube/vector.ts';
import type { ExchangeRate } from '../rates/rate.ts';
import { explainDifference } from './explainDifference.ts';
import { toPresentation } from './presentationRates.ts';
import {
  calendar,
  cash,
  euro,
  given,
  kroner,
  loan,
  months,
  type Posting,
  partialOf,
  partsOf,
  rate,
  receivable,
  traits,
  translated,
} from './translatedLedger.fixture.ts';

/** A day by its month of the two years. */
const dayIn = (month: number, day: number): Day => `${months[month]?.slice(0, 8)}${String(day).padStart(2, '0')}`;
const someDay = fc.tuple(fc.integer({ min: 0, max: 23 }), fc.integer({ min: 1, max: 28 })).map(([month, day]) => dayIn(month, day));

const someAccount = fc.integer({ min: 1, max: 7 });
const someRates = fc
  .record({
    closing: fc.array(fc.integer({ min: 5_000, max: 150_000 }), { minLength: 25, maxLength: 25 }),
    average: fc.array(fc.integer({ min: 5_000, max: 150_000 }), { minLength: 24, maxLength: 24 }),
  })
  .map(({ closing, average }): ExchangeRate[] => {
    const inFour = (value: number): string => `${Math.floor(value / 10_000)}.${String(value % 10_000).padStart(4, '0')}`;
    return [
      ...months.map((first, at) => rate('average', first, inFour(average[at] as number))),
      ...['2023-12-31', ...months.map((first) => `${first.slice(0, 8)}15`)].map((on, at) => rate('closing', on, inFour(closing[at] as number))),
    ];
  });

/** `set`: of the lines of a posting. */
function somePostings(set: fc.Arbitrary<readonly [number, number]>): fc.Arbitrary<Posting[]> {
  const amount = fc.bigInt(1n, 99_999n);
  const one = fc.record({ day: someDay, debit: someAccount, credit: someAccount, amount, layer: fc.constantFrom(...layers), sets: set });
  return fc.array(one, { minLength: 1, maxLength: 25 });
}

const sumOf = (amounts: BigInt64Array): bigint => amounts.reduce((sum, amount) => sum + amount, 0n);

describe('random ledgers at random rates', () => {
  it('balance on every day, hold what assets and liabilities hold at its rate, and have a difference that is explained', () => {
    fc.assert(
      fc.property(somePostings(fc.constant([0, 0])), someRates, someDay, (posted, random, until) => {
        const from = given(posted, random);
        const { cube, within, missing } = translated(from);
        const partial = partialOf(posted);
        const span = { firstDay: months[Math.max(0, periodIndexOf(calendar, until) - 3)] as Day, lastDay: until };
        const { net } = balanceAt(cube, traits, layers, until, within(partial));
        const own = balanceAt(from.cube, traits, layers, until, partial).net;
        expect(missing).toEqual([]);
        expect(net.reduce((sum, amount) => sum + amount, 0n)).toBe(0n);
        for (const account of [cash, receivable, loan])
          expect(net[account - 1]).toBe(toPresentation(own[account - 1] as bigint, euro, kroner, from.rates.closingOn(until) ?? { units: 0n, scale: 0 }));
        const before = balanceAt(cube, traits, layers, span.firstDay, within(partial), { atBeginning: true }).net;
        const explained = explainDifference(from, span, partial);
        const miss = (net[7] as bigint) - (before[7] as bigint) + (explained?.total ?? 10n ** 18n);
        expect(miss < 0n ? -miss : miss).toBeLessThanOrEqual(BigInt(explained?.rounded ?? 0) + 1n);
        // What moved is what is there less what was there, whatever was carried over.
        const moved = movementOver(cube, layers, span, within(partial));
        if (span.firstDay.slice(0, 4) === until.slice(0, 4)) for (const [at, amount] of moved.entries()) expect((before[at] as bigint) + amount).toBe(net[at]);
      }),
      { numRuns: 200 },
    );
  });
});

const someSets = fc.tuple(fc.integer({ min: 0, max: 4 }), fc.integer({ min: 0, max: 4 }));

describe('parts of random ledgers', () => {
  it('add up to the whole in any division, to the unit: balances, movements, both sides, with and without adjustments, on any day', () => {
    fc.assert(
      fc.property(
        somePostings(someSets),
        someRates,
        someDay,
        fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 5, maxLength: 5 }),
        fc.boolean(),
        (posted, rates, until, groupOf, asFlows) => {
          const closes = posted.map((one, at): Posting => (at % 7 === 3 ? { ...one, day: '2024-12-31', closes: 2024 } : one));
          const isFlow = asFlows ? [false, true, true, false, false, false, false] : null;
          const { whole, of } = partsOf(given(closes, rates, { isFlow }), closes);
          const groups = [0, 1, 2].map((group) => of(...[0, 1, 2, 3, 4].filter((set) => groupOf[set] === group)));
          const span = { firstDay: `${until.slice(0, 4)}-02-10`, lastDay: until };
          for (const chosen of [layers, ['ledger'] as const]) {
            const balances = ({ cube, within }: (typeof groups)[number]) => balanceAt(cube, traits, chosen, until, within).net;
            const moved = ({ cube, within }: (typeof groups)[number]) => movementOver(cube, chosen, span, within);
            const credits = ({ cube, within }: (typeof groups)[number]) => grossOver(cube, chosen, span, within).credit;
            for (const amounts of [balances, moved, credits]) {
              const parts = groups.map(amounts);
              expect([...amounts(whole)]).toEqual(whole.cube.accountIds.map((_, at) => parts.reduce((sum, part) => sum + (part[at] as bigint), 0n)));
            }
          }
        },
      ),
      { numRuns: 200 },
    );
  });

  it('balance where each entry has one set, have shares within one unit of their exact amounts', () => {
    const oneSet = fc.integer({ min: 0, max: 3 }).map((set) => [set, set] as const);
    fc.assert(
      fc.property(somePostings(oneSet), someRates, someDay, fc.integer({ min: 1, max: 3 }), (posted, rates, until, set) => {
        const isWanted = (one: number): boolean => one === set;
        const { of } = partsOf(given(posted, rates), posted);
        const own = given(posted, rates, { isWanted });
        const partial = partialOf(posted, isWanted);
        const { cube, within } = of(set);
        const { net } = balanceAt(cube, traits, layers, until, within);
        expect(sumOf(net)).toBe(0n);
        const held = balanceAt(own.cube, traits, layers, until, partial).net;
        const closing = own.rates.closingOn(until) ?? { units: 0n, scale: 0 };
        for (const account of [cash, receivable, loan]) {
          const off = (net[account - 1] as bigint) * 10n ** BigInt(closing.scale) - (held[account - 1] as bigint) * closing.units;
          expect((off < 0n ? -off : off) < 10n ** BigInt(closing.scale)).toBe(true);
        }
      }),
      { numRuns: 200 },
    );
  });

  it('have a difference that is explained, whether their lines balance or not, closing entries of one side among them', () => {
    fc.assert(
      fc.property(somePostings(someSets), someRates, someDay, fc.integer({ min: 1, max: 3 }), (posted, rates, until, set) => {
        const closes = posted.map((one, at): Posting => (at % 5 === 3 ? { ...one, day: '2024-12-31', closes: 2024 } : one));
        const isWanted = (one: number): boolean => one === set;
        const { cube, within } = partsOf(given(closes, rates), closes).of(set);
        const { net } = balanceAt(cube, traits, layers, until, within);
        const own = given(closes, rates, { isWanted });
        const partial = partialOf(closes, isWanted);
        const span = { firstDay: months[Math.max(0, periodIndexOf(calendar, until) - 3)] as Day, lastDay: until };
        const before = balanceAt(cube, traits, layers, span.firstDay, within, { atBeginning: true }).net;
        const explained = explainDifference(own, span, partial);
        const miss = (net[7] as bigint) - (before[7] as bigint) + (explained?.total ?? 10n ** 18n);
        expect(miss < 0n ? -miss : miss).toBeLessThanOrEqual(BigInt(explained?.rounded ?? 0) + 1n);
      }),
      { numRuns: 200 },
    );
  });
});
