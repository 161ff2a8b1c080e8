import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays } from '../calendar/day.ts';
import { makeCalendar, makeMonthlyYear, periodIndexOf } from '../calendar/fiscalCalendar.ts';
import { type BalanceRow, buildCube } from './cube.ts';
import { type AccountTraits, balanceAt, movementOver } from './vector.ts';

const calendar = makeCalendar([2024, 2025, 2026].flatMap((year) => makeMonthlyYear(year, 1).periods));
const [bank, retained, sales] = [1, 2, 3];
const traits: AccountTraits = { resets: Uint8Array.of(0, 0, 1), retainedEarnings: 1 };

type Posting = { day: string; closes?: number; lines: readonly (readonly [number, bigint])[] };

function cubeOf(postings: readonly Posting[]) {
  const rows = postings.flatMap(({ day, closes, lines }): BalanceRow[] =>
    lines.map(([accountId, net]) => ({
      accountId,
      layer: 'ledger',
      origin: closes === undefined ? 'ordinary' : 'closing',
      periodIndex: periodIndexOf(calendar, closes === undefined ? day : `${closes}-12-31`),
      debit: net > 0n ? net : 0n,
      credit: net < 0n ? -net : 0n,
    })),
  );
  return buildCube(1, calendar, [bank, retained, sales], rows);
}

const profit: Posting = {
  day: '2024-06-30',
  lines: [
    [bank, 100n],
    [sales, -100n],
  ],
};
const nextYear: Posting = {
  day: '2025-03-31',
  lines: [
    [bank, 30n],
    [sales, -30n],
  ],
};
const closing = (day: string, amount: bigint): Posting => ({
  day,
  closes: 2024,
  lines: [
    [sales, amount],
    [retained, -amount],
  ],
});

describe('closing entries (own computation: profit 100 in year 1)', () => {
  it.each([
    ['with a closing entry of 31 December', [closing('2024-12-31', 100n)]],
    ['with one dated 1 January', [closing('2025-01-01', 100n)]],
    ['with one posted in half', [closing('2024-12-31', 50n)]],
    ['without any', []],
  ])('%s retained earnings and result are the same', (_name, closings) => {
    const cube = cubeOf([profit, nextYear, ...closings]);
    expect([...balanceAt(cube, traits, ['ledger'], '2024-12-31').net]).toEqual([100n, 0n, -100n]);
    expect([...balanceAt(cube, traits, ['ledger'], '2025-01-31').net]).toEqual([100n, -100n, 0n]);
    expect([...balanceAt(cube, traits, ['ledger'], '2025-12-31').net]).toEqual([130n, -100n, -30n]);
    expect([...balanceAt(cube, traits, ['ledger'], '2026-01-31').net]).toEqual([130n, -130n, 0n]);
  });

  it('shows the closed year only after closing, when asked', () => {
    const cube = cubeOf([profit, closing('2024-12-31', 100n)]);
    expect([...balanceAt(cube, traits, ['ledger'], '2024-12-31', undefined, { afterClosing: true }).net]).toEqual([100n, -100n, 0n]);
  });
});

describe('balances', () => {
  it('keep profit of completed years apart where no account is named for it', () => {
    const balance = balanceAt(cubeOf([profit]), { ...traits, retainedEarnings: -1 }, ['ledger'], '2025-06-30');
    expect([[...balance.net], balance.notAllotted]).toEqual([[100n, 0n, 0n], -100n]);
  });

  it('count a day inside a period by the lines of its beginning', () => {
    const cube = cubeOf([
      {
        day: '2025-02-10',
        lines: [
          [bank, 7n],
          [sales, -7n],
        ],
      },
    ]);
    const partial = () => ({ debit: BigInt64Array.of(7n, 0n, 0n), credit: BigInt64Array.of(0n, 0n, 7n) });
    expect([...balanceAt(cube, traits, ['ledger'], '2025-02-15', partial).net]).toEqual([7n, 0n, -7n]);
    expect([...balanceAt(cube, traits, ['ledger'], '2025-01-31').net]).toEqual([0n, 0n, 0n]);
  });

  it('are nothing before the first period and everything after the last', () => {
    const cube = cubeOf([profit, nextYear]);
    expect([...balanceAt(cube, traits, ['ledger'], '2020-01-01').net]).toEqual([0n, 0n, 0n]);
    expect([...balanceAt(cube, traits, ['ledger'], '2030-01-01').net]).toEqual([130n, -130n, 0n]);
  });

  it('refuse sums that would wrap around', () => {
    const huge: Posting = {
      day: '2024-01-31',
      lines: [
        [bank, 2n ** 62n],
        [sales, -(2n ** 62n)],
      ],
    };
    expect(() => cubeOf([huge, huge])).toThrow('64 bits');
  });

  it('opening + movement + carried over = closing, and balances add to zero, for any postings and span', () => {
    const days = fc.integer({ min: 0, max: 35 }).map((month) => (calendar.periods[month] as { lastDay: string }).lastDay);
    const posting = fc.record({
      day: days,
      amount: fc.bigInt(-1000n, 1000n),
      pair: fc.constantFrom([bank, sales], [sales, retained], [bank, retained]),
      closes: fc.option(fc.constantFrom(2024, 2025)),
    });
    fc.assert(
      fc.property(fc.array(posting, { maxLength: 12 }), days, days, (made, a, b) => {
        const [first, last] = a < b ? [a, b] : [b, a];
        const cube = cubeOf(
          made.map(({ day, amount, pair: [debit = 1, credit = 1], closes }) => ({
            day,
            ...(closes === null || debit === bank ? {} : { closes }),
            lines: [
              [debit, amount],
              [credit, -amount],
            ] as const,
          })),
        );
        const span = { firstDay: addDays(first, 1), lastDay: last };
        if (span.firstDay > span.lastDay) return;
        const opening = balanceAt(cube, traits, ['ledger'], span.firstDay, undefined, { atBeginning: true }).net;
        const closingBalance = balanceAt(cube, traits, ['ledger'], last).net;
        const movement = movementOver(cube, ['ledger'], span);
        expect(closingBalance.reduce((x, y) => x + y, 0n)).toBe(0n);
        const carried = closingBalance.map((net, at) => net - (opening[at] as bigint) - (movement[at] as bigint));
        expect(carried.reduce((x, y) => x + y, 0n)).toBe(0n);
        if (span.firstDay.slice(0, 4) === last.slice(0, 4)) expect(carried.every((net) => net === 0n)).toBe(true);
        expect(carried[0]).toBe(0n);
      }),
      { seed: 414, numRuns: 300 },
    );
  });
});
