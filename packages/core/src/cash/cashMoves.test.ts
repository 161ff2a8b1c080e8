import * as check from 'fast-check';
import { describe, expect, it } from 'vitest';
import { accountNames, entryOf, isSmallResult, lineNames, movesOf, type SmallEntry, smallAccounts, smallLines, smallPlaces } from './cashMoves.fixture.ts';
import type { CashMove } from './cashMoves.ts';
import { type Activity, activities } from './cashPlaces.ts';

/** Inflows by activity: of a stand-in by its line, else by the line that the movement of the account has. */
function byActivity(moves: readonly CashMove[]): Record<Activity, bigint> {
  const sums = { operating: 0n, investing: 0n, financing: 0n };
  for (const { account, line, isReversing, debit, credit } of moves) {
    const own = (isDebit: boolean) => smallPlaces.lineOf(account, isDebit === (smallPlaces.isCreditNormal(account) === isReversing));
    sums[smallPlaces.activityOf[line === -1 ? own(true) : line] as Activity] -= debit;
    sums[smallPlaces.activityOf[line === -1 ? own(false) : line] as Activity] += credit;
  }
  return sums;
}

/** Whole movements off cash, by activity: what the second way and the indirect method begin with. */
function whole(entries: readonly SmallEntry[]): CashMove[] {
  return entries.flatMap(({ day, layer, isReversing, lines }) =>
    lines.flatMap(({ account, debit, credit }) => (smallPlaces.isCashOn(account, day) ? [] : [{ account, line: -1, day, layer, isReversing, debit, credit }])),
  );
}

function cashOf(entries: readonly SmallEntry[]): bigint {
  return entries
    .flatMap(({ day, lines }) => lines.filter(({ account }) => smallPlaces.isCashOn(account, day)))
    .reduce((sum, { debit, credit }) => sum + debit - credit, 0n);
}

function less(a: Record<Activity, bigint>, b: Record<Activity, bigint>): Record<Activity, bigint> {
  return { operating: a.operating - b.operating, investing: a.investing - b.investing, financing: a.financing - b.financing };
}

const sumOf = (moves: readonly CashMove[]): bigint => moves.reduce((sum, { debit, credit }) => sum + debit - credit, 0n);

const lineAmounts = (moves: readonly CashMove[]): Record<string, number> => {
  const sums: Record<string, number> = {};
  for (const { account, line, debit, credit } of moves) {
    const name = line === -1 ? (smallAccounts[accountNames[account] as string]?.line as string) : (lineNames[line] as string);
    sums[name] = (sums[name] ?? 0) + Number(credit - debit);
  }
  return Object.fromEntries(Object.entries(sums).filter(([, amount]) => amount !== 0));
};

// Computed by hand: cash −210.
const year: SmallEntry[] = [
  entryOf(1, { receivables: 1190, sales: -1000, tax: -190 }),
  entryOf(2, { bank: 980, sales: 20, receivables: -1000 }),
  entryOf(3, { goods: 500, tax: 95, bank: -595 }),
  entryOf(4, { vessel: 1000, bank: -300, loan: -700 }),
  entryOf(5, { wear: 50, worn: -50 }),
  entryOf(6, { vessel: 200, tax: 38, payables: -238 }),
  entryOf(7, { payables: 238, bank: -238 }),
  entryOf(8, { tax: 57, bank: -57 }),
];

describe('a year of a company that buys a vessel on a loan', () => {
  const moves = movesOf(year);

  it('has 290 from operating activities, 500 for investing and nothing from financing, by both ways', () => {
    expect(cashOf(year)).toBe(-210n);
    const expected = { operating: 290n, investing: -500n, financing: 0n };
    expect(byActivity(moves.paid)).toEqual(expected);
    expect(less(byActivity(whole(year)), byActivity(moves.beyond))).toEqual(expected);
  });

  it('has the tax in what customers paid and suppliers got on its own line, and the second vessel on that of vessels', () => {
    // 1,000 received less 20 allowed: of 980 + 190 invoiced in all, 20 off the sales; 1,000 × 190 ÷ 1,170 = 162.39 are tax.
    expect(lineAmounts(moves.paid)).toEqual({ customers: 818, suppliers: -500, value_added_tax: 162 - 95 - 38 - 57, vessels: -500 });
  });

  it('lists the part of the first vessel that the loan paid, and what of the second was owed at first', () => {
    expect(moves.without.map(({ entry, touchesCash, amount }) => [entry.id, touchesCash, amount])).toEqual([
      [4, true, 700n],
      [6, false, 238n],
    ]);
    expect(moves.without.map(({ byActivity: by }) => by)).toEqual([
      { operating: 0n, investing: -700n, financing: 700n },
      { operating: 200n, investing: -200n, financing: 0n },
    ]);
    expect(moves.between.map(({ moved }) => moved)).toEqual([{ operating: 200n, investing: -200n, financing: 0n }]);
  });
});

describe('entries without cash', () => {
  it('leave nothing in any activity, whatever they are', () => {
    const entries = [
      entryOf(1, { vessel: 900, loan: -900 }),
      entryOf(2, { incomeTax: 30, owedTax: -30 }),
      entryOf(3, { interest: 12, accrued: -12 }),
      entryOf(4, { reserves: 40, dividends: -40 }),
      entryOf(5, { vessel: 70, reserves: -70 }),
      entryOf(6, { loan: 100, capital: -100 }),
      entryOf(7, { goods: 9, loan: -9 }),
      entryOf(8, { reserves: 25, capital: -25 }),
      entryOf(9, { wear: 50, worn: -50 }),
      entryOf(10, { worn: 50, vessel: -60, loan: 10 }),
      entryOf(11, { staff: 5, reserves: -5 }),
      entryOf(12, { wear: -50, worn: 50 }, { isReversing: true }),
    ];
    const { paid, beyond, without } = movesOf(entries);
    expect(paid).toEqual([]);
    expect(less(byActivity(whole(entries)), byActivity(beyond))).toEqual({ operating: 0n, investing: 0n, financing: 0n });
    // Taxes and depreciation are of operating activities, and the transfer within equity is no flow at all.
    expect(without.map(({ entry, activities: of }) => [entry.id, of])).toEqual([
      [1, ['investing', 'financing']],
      [3, ['financing']],
      [4, ['financing']],
      [5, ['investing', 'financing']],
      [6, ['financing']],
      [7, ['operating', 'financing']],
      [10, ['investing', 'financing']],
      [11, ['operating', 'financing']],
    ]);
  });
});

const amount = check.oneof(check.integer({ min: -500, max: 500 }), check.integer({ min: -3, max: 3 }));
const anyEntry = check
  .tuple(
    check.array(check.tuple(check.nat({ max: accountNames.length - 1 }), amount), { minLength: 1, maxLength: 6 }),
    check.nat({ max: accountNames.length - 1 }),
    check.nat({ max: 2 }),
    check.boolean(),
  )
  .map(([lines, last, partner, isReversing]): SmallEntry => {
    const rest = -lines.reduce((sum, [, of]) => sum + of, 0);
    return {
      id: 1,
      documentNumber: '1',
      description: '',
      day: '2026-03-31',
      layer: 'ledger',
      isReversing,
      lines: [...lines, [last, rest] as const].map(([account, of]) => ({
        account,
        partner,
        isCounted: true,
        debit: BigInt(Math.max(of, 0)),
        credit: BigInt(Math.max(-of, 0)),
      })),
    };
  });

describe('any ledger', () => {
  it('has in all lines of the direct cash flow what its cash changed by, entry for entry', () => {
    check.assert(
      check.property(check.array(anyEntry, { maxLength: 12 }), (entries) => {
        const all = movesOf(entries);
        expect(sumOf(all.paid)).toBe(-cashOf(entries));
        for (const entry of entries) expect(sumOf(movesOf([entry]).paid)).toBe(-cashOf([entry]));
      }),
    );
  });

  it('has the same by both ways in every activity, once what moved without cash and what accounts between moved is taken out', () => {
    check.assert(
      check.property(check.array(anyEntry, { maxLength: 12 }), (entries) => {
        const { paid, beyond, without, between } = movesOf(entries);
        expect(less(byActivity(whole(entries)), byActivity(beyond))).toEqual(byActivity(paid));
        expect(sumOf(beyond)).toBe(0n);
        for (const activity of activities) {
          // Way 1 − way 2 = what accounts between moved − entries without cash; the second way leaves out the parts without cash of those that touch it.
          const moved = between.reduce((sum, { moved: by }) => sum + by[activity], 0n);
          const apart = without.reduce((sum, { byActivity: by }) => sum + by[activity], 0n);
          expect(-byActivity(beyond)[activity]).toBe(moved - apart);
        }
      }),
    );
  });

  it('never gives up more of a line than it has, nor on the other side', () => {
    check.assert(
      check.property(check.array(anyEntry, { maxLength: 8 }), (entries) => {
        for (const one of entries) {
          const { without } = movesOf([one]);
          const off = one.lines.filter(({ account }) => !smallPlaces.isCashOn(account, one.day));
          const debits = off.reduce((sum, { debit }) => sum + debit, 0n);
          for (const { amount: given, byActivity: by } of without) {
            expect(given > 0n && given <= debits).toBe(true);
            expect(activities.reduce((sum, activity) => sum + by[activity], 0n)).toBe(0n);
          }
        }
      }),
    );
  });

  it('moves income and expenses on stand-ins alone, so that profit stays what it is', () => {
    check.assert(
      check.property(check.array(anyEntry, { maxLength: 12 }), (entries) => {
        expect(movesOf(entries).beyond.filter(({ account, line }) => isSmallResult(account) && line === -1)).toEqual([]);
      }),
    );
  });
});

describe('lines of the direct cash flow', () => {
  it('are in one activity each', () => {
    expect(new Set(Object.values(smallLines))).toEqual(new Set(activities));
  });
});
