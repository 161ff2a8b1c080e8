import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Day } from '../calendar/day.ts';
import { makeCalendar, makeMonthlyYear, periodIndexOf } from '../calendar/fiscalCalendar.ts';
import { type Element, isIncomeOrExpense } from '../chart/element.ts';
import { type BalanceRow, buildCube, type Layer, layers } from '../cube/cube.ts';
import { balanceAt, type GrossVector, movementOver, type PartialLines } from '../cube/vector.ts';
import type { ExchangeRate } from '../rates/rate.ts';
import { explainDifference } from './explainDifference.ts';
import { presentationRates, toPresentation } from './presentationRates.ts';
import { type TranslatedFrom, translateCube } from './translateCube.ts';

const calendar = makeCalendar([2024, 2025].flatMap((year) => makeMonthlyYear(year, 1).periods));
const euro = { code: 'EUR', exponent: 2 };
const kroner = { code: 'NOK', exponent: 2 };
/** Cash, receivables, a loan, capital, retained earnings, sales, wages; numbered from 1. */
const elements: readonly Element[] = ['asset', 'asset', 'liability', 'equity', 'equity', 'income', 'expense'];
const [cash, receivable, loan, capital, retained, sales, wages] = [1, 2, 3, 4, 5, 6, 7];
const traits = { resets: Uint8Array.from([...elements, 'equity' as const], (element) => (isIncomeOrExpense(element) ? 1 : 0)), retainedEarnings: 4 };

interface Posting {
  readonly day: Day;
  readonly debit: number;
  readonly credit: number;
  readonly amount: bigint;
  readonly layer?: Layer;
  readonly closes?: number;
}

function given(postings: readonly Posting[], rates: readonly ExchangeRate[], isFlow: TranslatedFrom['isFlow'] = null): TranslatedFrom {
  const rows = postings.flatMap(({ day, debit, credit, amount, layer = 'ledger', closes }): BalanceRow[] => {
    const row = {
      layer,
      origin: closes === undefined ? ('ordinary' as const) : ('closing' as const),
      periodIndex: periodIndexOf(calendar, closes === undefined ? day : `${closes}-12-31`),
    };
    return [
      { ...row, accountId: debit, debit: amount, credit: 0n },
      { ...row, accountId: credit, debit: 0n, credit: amount },
    ];
  });
  const ofEquity = (account: number): boolean => elements[account - 1] === 'equity';
  return {
    cube: buildCube(1, calendar, [cash, receivable, loan, capital, retained, sales, wages], rows),
    from: euro,
    rates: presentationRates(rates, kroner, calendar),
    elements,
    retainedEarnings: 4,
    equityLines: postings.flatMap(({ day, debit, credit, amount, layer = 'ledger', closes }) =>
      closes !== undefined
        ? []
        : [
            ...(ofEquity(debit) ? [{ account: debit - 1, day, layer, debit: amount, credit: 0n }] : []),
            ...(ofEquity(credit) ? [{ account: credit - 1, day, layer, debit: 0n, credit: amount }] : []),
          ],
    ),
    isFlow,
  };
}

/** Lines inside periods, as the ledger would give them. */
function partialOf(postings: readonly Posting[]): PartialLines {
  return ({ day: until, partialFrom }, wanted) => {
    const sums: GrossVector = { debit: new BigInt64Array(elements.length), credit: new BigInt64Array(elements.length) };
    for (const { day, debit, credit, amount, layer = 'ledger', closes } of postings) {
      if (closes !== undefined || layer !== wanted || day < (partialFrom ?? '') || day > until) continue;
      sums.debit[debit - 1] = (sums.debit[debit - 1] as bigint) + amount;
      sums.credit[credit - 1] = (sums.credit[credit - 1] as bigint) + amount;
    }
    return sums;
  };
}

function translated(from: TranslatedFrom) {
  const made = translateCube(from);
  if (!made.ok) throw new Error(made.failure.code);
  return made.value;
}

const rate = (kind: ExchangeRate['kind'], day: Day, text: string, accountId: number | null = null): ExchangeRate => ({
  currency: 'NOK',
  kind,
  day,
  accountId,
  rate: text,
});
const months = calendar.periods.map(({ firstDay }) => firstDay);
/** The same average in every period of a year. */
const averages = (year: number, text: string): ExchangeRate[] => months.filter((day) => day.startsWith(String(year))).map((day) => rate('average', day, text));

/** Own computation by IAS 21.39 and 21.41: capital 100 at 1.00; profit 50 at 1.10, closing 1.20; dividend 20 at 1.30, profit 30 at 1.40, closing 1.50. */
const rates = [
  rate('closing', '2024-01-01', '1.00'),
  rate('closing', '2024-12-31', '1.20'),
  rate('historical', '2025-05-10', '1.30', retained),
  rate('closing', '2025-12-31', '1.50'),
  ...averages(2024, '1.10'),
  ...averages(2025, '1.40'),
];
const postings: readonly Posting[] = [
  { day: '2024-01-01', debit: cash, credit: capital, amount: 100_00n },
  { day: '2024-06-30', debit: cash, credit: sales, amount: 50_00n },
  { day: '2025-05-10', debit: retained, credit: cash, amount: 20_00n },
  { day: '2025-08-31', debit: cash, credit: sales, amount: 30_00n },
];
const closings: readonly (readonly [string, readonly Posting[]])[] = [
  ['without a closing entry', []],
  ['with one', [{ day: '2024-12-31', debit: sales, credit: retained, amount: 50_00n, closes: 2024 }]],
  ['with one posted in half', [{ day: '2025-01-01', debit: sales, credit: retained, amount: 25_00n, closes: 2024 }]],
];

describe('a company with one asset (own computation by IAS 21.39 and 21.41)', () => {
  it.each(closings)('has its difference in equity, %s', (_, closing) => {
    const { cube, missing } = translated(given([...postings, ...closing], rates));
    expect(missing).toEqual([]);
    const first = balanceAt(cube, traits, layers, '2024-12-31').net;
    // Net assets 150 × 1.20; capital 100, profit 55, so a difference of 25.
    expect([...first]).toEqual([180_00n, 0n, 0n, -100_00n, 0n, -55_00n, 0n, -25_00n]);
    const second = balanceAt(cube, traits, layers, '2025-12-31').net;
    expect([...second]).toEqual([240_00n, 0n, 0n, -100_00n, -29_00n, -42_00n, 0n, -69_00n]);
  });

  it('explains what the difference moved by', () => {
    const explained = explainDifference(given(postings, rates), { firstDay: '2025-01-01', lastDay: '2025-12-31' }, () => undefined);
    expect(explained).toMatchObject({ ofNetAssets: 45_00n, ofProfit: 3_00n, ofEquity: -4_00n, total: 44_00n });
    const from = explainDifference(given(postings, rates), { firstDay: '2024-01-01', lastDay: '2024-12-31' }, () => undefined);
    expect(from).toMatchObject({ ofNetAssets: 0n, ofProfit: 5_00n, ofEquity: 20_00n, total: 25_00n });
  });

  it('names what is missing and leaves it nil', () => {
    const { cube, missing } = translated(given(postings, [rate('closing', '2024-12-31', '1.20'), ...averages(2024, '1.10')]));
    expect(missing).toEqual([
      { kind: 'closing', day: '2024-01-01' },
      { kind: 'average', day: '2025-08-01' },
    ]);
    expect(balanceAt(cube, traits, layers, '2024-12-31').net[3]).toBe(0n);
  });

  it('moves a flow at average rates, cash at closing ones, and leaves the rest to the exchange rates (IAS 7.28)', () => {
    const isFlow = [false, true, true, false, false, false, false];
    const lent: Posting = { day: '2025-08-31', debit: receivable, credit: cash, amount: 10_00n };
    const { cube } = translated(given([...postings, lent], rates, isFlow));
    const moved = movementOver(cube, layers, { firstDay: '2025-01-01', lastDay: '2025-12-31' });
    // Cash 150 × 1.20 to 150 × 1.50; lent 10 × 1.40; dividend 26; sales 42.
    expect([...moved]).toEqual([45_00n, 14_00n, 0n, 0n, 26_00n, -42_00n, 0n, -43_00n]);
  });
});

const chance = fc.record({
  postings: fc.array(
    fc.record({
      day: fc
        .tuple(fc.integer({ min: 0, max: 23 }), fc.integer({ min: 1, max: 28 }))
        .map(([month, day]) => `${months[month]?.slice(0, 8)}${String(day).padStart(2, '0')}`),
      debit: fc.integer({ min: 1, max: 7 }),
      credit: fc.integer({ min: 1, max: 7 }),
      amount: fc.bigInt(1n, 99_999n),
      layer: fc.constantFrom(...layers),
    }),
    { minLength: 1, maxLength: 25 },
  ),
  closing: fc.array(fc.integer({ min: 5_000, max: 150_000 }), { minLength: 25, maxLength: 25 }),
  average: fc.array(fc.integer({ min: 5_000, max: 150_000 }), { minLength: 24, maxLength: 24 }),
  until: fc.tuple(fc.integer({ min: 0, max: 23 }), fc.integer({ min: 1, max: 28 })),
});

describe('random ledgers at random rates', () => {
  it('balance on every day, hold what assets and liabilities hold at its rate, and have a difference that is explained', () => {
    fc.assert(
      fc.property(chance, ({ postings: posted, closing, average, until: [month, day] }) => {
        const inFour = (value: number): string => `${Math.floor(value / 10_000)}.${String(value % 10_000).padStart(4, '0')}`;
        const random = [
          ...months.map((first, at) => rate('average', first, inFour(average[at] as number))),
          ...['2023-12-31', ...months.map((first) => `${first.slice(0, 8)}15`)].map((on, at) => rate('closing', on, inFour(closing[at] as number))),
        ];
        const from = given(posted, random);
        const { cube, within, missing } = translated(from);
        const partial = partialOf(posted);
        const until = `${months[month]?.slice(0, 8)}${String(day).padStart(2, '0')}`;
        const span = { firstDay: months[Math.max(0, month - 3)] as Day, lastDay: until };
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
