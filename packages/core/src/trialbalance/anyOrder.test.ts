import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makeCalendar, makeMonthlyYear, periodIndexOf } from '../calendar/fiscalCalendar.ts';
import { type BalanceRow, buildCube } from '../cube/cube.ts';
import { type AccountTraits, balanceAt } from '../cube/vector.ts';
import { deriveEntries } from './deriveEntries.ts';
import type { BroughtIn, FigureKind, ProposedEntry } from './figures.ts';
import { keepLaterBalances } from './keepLaterBalances.ts';
import { ledgerBefore } from './ledgerBefore.ts';
import { proposeFigureKind } from './proposeFigureKind.ts';

const calendar = makeCalendar([2024, 2025].flatMap((year) => makeMonthlyYear(year, 1).periods));
/** Bank, retained earnings, sales, wages. */
const traits: AccountTraits = { resets: Uint8Array.of(0, 0, 1, 1), retainedEarnings: 1 };
const ids = [1, 2, 3, 4];
const partial = () => undefined;

/** A ledger that is nothing but the entries that trial balances posted. */
class Ledger {
  readonly entries: ProposedEntry[] = [];
  private readonly applied: { day: string; kind: FigureKind }[] = [];

  cube() {
    const rows = this.entries.flatMap(({ day, closesYear, lines }): BalanceRow[] =>
      [...lines].map((net, at) => ({
        accountId: ids[at] as number,
        layer: 'ledger',
        origin: closesYear === null ? 'ordinary' : 'closing',
        periodIndex: periodIndexOf(calendar, closesYear === null ? day : `${closesYear}-12-31`),
        debit: net > 0n ? net : 0n,
        credit: net < 0n ? -net : 0n,
      })),
    );
    return buildCube(1, calendar, ids, rows);
  }

  bringIn(day: string, figures: readonly bigint[], kind: FigureKind): void {
    const file: BroughtIn = { day, figures: BigInt64Array.from(figures), leftAlone: new Uint8Array(4), kind };
    const before = ledgerBefore({ cube: this.cube(), calendar, resets: traits.resets, retainedEarnings: 1, partial }, day, kind);
    const derived = deriveEntries(file, before, traits);
    if (!derived.ok) throw new Error(derived.failure.code);
    const later = [...new Map(this.applied.filter((other) => other.day > day).map((other) => [other.day, other])).values()].sort((a, b) =>
      a.day < b.day ? -1 : 1,
    );
    this.entries.push(...derived.value, ...keepLaterBalances(derived.value, later, calendar, traits));
    this.applied.push({ day, kind });
  }

  at(day: string, afterClosing = false): bigint[] {
    return [...balanceAt(this.cube(), traits, ['ledger'], day, partial, { afterClosing }).net];
  }
}

const monthEnds = calendar.periods.map(({ lastDay }) => lastDay);
const balances = (ledger: Ledger) => monthEnds.map((day) => ledger.at(day));

describe('trial balances brought in', () => {
  it('fix the balances at their day, and a corrected file posts only its difference', () => {
    const ledger = new Ledger();
    ledger.bringIn('2024-06-30', [100n, 0n, -150n, 50n], { kind: 'year_to_date' });
    expect(ledger.at('2024-06-30')).toEqual([100n, 0n, -150n, 50n]);
    ledger.bringIn('2024-06-30', [110n, 0n, -160n, 50n], { kind: 'year_to_date' });
    expect([...(ledger.entries.at(-1)?.lines ?? [])]).toEqual([10n, 0n, -10n, 0n]);
    const count = ledger.entries.length;
    ledger.bringIn('2024-06-30', [110n, 0n, -160n, 50n], { kind: 'year_to_date' });
    expect(ledger.entries.length).toBe(count);
  });

  it('carry the profit of a completed year to retained earnings without a posting', () => {
    const ledger = new Ledger();
    ledger.bringIn('2024-12-31', [100n, 0n, -150n, 50n], { kind: 'year_to_date' });
    expect(ledger.at('2025-01-31')).toEqual([100n, -100n, 0n, 0n]);
  });

  it('an older file brought in later changes no later balance', () => {
    const ledger = new Ledger();
    ledger.bringIn('2025-03-31', [130n, -100n, -60n, 30n], { kind: 'year_to_date' });
    ledger.bringIn('2024-12-31', [90n, 0n, -150n, 60n], { kind: 'year_to_date' });
    expect(ledger.at('2025-03-31')).toEqual([130n, -100n, -60n, 30n]);
    expect(ledger.at('2024-12-31')).toEqual([90n, 0n, -150n, 60n]);
  });

  it('taken after closing is split into an ordinary and a closing entry, and the profit of the year stays', () => {
    const ledger = new Ledger();
    ledger.bringIn('2024-11-30', [80n, 0n, -120n, 40n], { kind: 'year_to_date' });
    ledger.bringIn('2024-12-31', [100n, -100n, 0n, 0n], { kind: 'after_closing' });
    expect(ledger.at('2024-12-31')).toEqual([100n, -20n, -120n, 40n]);
    expect(ledger.at('2024-12-31', true)).toEqual([100n, -100n, 0n, 0n]);
    expect(ledger.at('2025-01-31')).toEqual([100n, -100n, 0n, 0n]);
    expect(ledger.entries.filter(({ closesYear }) => closesYear === 2024).length).toBe(1);
  });

  it('cumulative since a closing: completed years are taken off and put to retained earnings', () => {
    const ledger = new Ledger();
    ledger.bringIn('2024-12-31', [100n, 0n, -150n, 50n], { kind: 'year_to_date' });
    ledger.bringIn('2025-03-31', [130n, 0n, -210n, 80n], { kind: 'cumulative', since: '2023-12-31' });
    expect(ledger.at('2025-03-31')).toEqual([130n, -100n, -60n, 30n]);
  });

  it('the period alone is added to the year to date', () => {
    const ledger = new Ledger();
    ledger.bringIn('2024-01-31', [20n, 0n, -30n, 10n], { kind: 'year_to_date' });
    ledger.bringIn('2024-02-29', [45n, -20n, -40n, 15n], { kind: 'period', firstDay: '2024-02-01' });
    expect(ledger.at('2024-02-29')).toEqual([45n, 0n, -70n, 25n]);
  });

  it('refuses what is out of balance, and left alone accounts that do not add to zero', () => {
    const before = { balance: BigInt64Array.of(5n, -5n, 0n, 0n), earlierIncome: new BigInt64Array(4), closing: new BigInt64Array(4), year: 2024 };
    const file = (figures: bigint[], leftAlone: number[]): BroughtIn => ({
      day: '2024-01-31',
      figures: BigInt64Array.from(figures),
      leftAlone: Uint8Array.from(leftAlone),
      kind: { kind: 'year_to_date' },
    });
    expect(deriveEntries(file([5n, 0n, 0n, 0n], [0, 0, 0, 0]), before, traits)).toEqual({ ok: false, failure: { code: 'out_of_balance', difference: 5n } });
    expect(deriveEntries(file([0n, 0n, 0n, 0n], [1, 0, 0, 0]), before, traits)).toEqual({
      ok: false,
      failure: { code: 'left_alone_out_of_balance', difference: 5n },
    });
    expect(deriveEntries(file([0n, 0n, 0n, 0n], [1, 1, 0, 0]), before, traits)).toEqual({ ok: true, value: [] });
  });

  it('proposes the kind of figures with which retained earnings stay as they are', () => {
    const ledger = new Ledger();
    ledger.bringIn('2024-12-31', [100n, 0n, -150n, 50n], { kind: 'year_to_date' });
    ledger.bringIn('2025-01-31', [110n, -100n, -15n, 5n], { kind: 'year_to_date' });
    const met = { cube: ledger.cube(), calendar, resets: traits.resets, retainedEarnings: 1, partial };
    const kinds: FigureKind[] = [
      { kind: 'after_closing' },
      { kind: 'year_to_date' },
      { kind: 'cumulative', since: '2023-12-31' },
      { kind: 'period', firstDay: '2025-02-01' },
    ];
    const propose = (figures: bigint[]) =>
      proposeFigureKind(
        BigInt64Array.from(figures),
        traits,
        kinds.map((kind) => ({ kind, before: ledgerBefore(met, '2025-02-28', kind) })),
      ).kind;
    expect(propose([130n, -100n, -40n, 10n])).toBe('year_to_date');
    expect(propose([130n, 0n, -190n, 60n])).toBe('cumulative');
    expect(propose([130n, -110n, -25n, 5n])).toBe('period');
    expect(propose([130n, -130n, 0n, 0n])).toBe('after_closing');
  });

  it('the same files in any order give the same balances at every month end', () => {
    const file = fc.record({
      period: fc.integer({ min: 0, max: 23 }),
      kind: fc.constantFrom('year_to_date', 'cumulative', 'period', 'after_closing'),
      amounts: fc.tuple(fc.bigInt(-99n, 99n), fc.bigInt(-99n, 99n), fc.bigInt(-99n, 99n)),
    });
    const files = fc.uniqueArray(file, { minLength: 2, maxLength: 5, selector: ({ period }) => period });
    fc.assert(
      fc.property(
        files.chain((made) => fc.tuple(fc.constant(made), fc.shuffledSubarray(made, { minLength: made.length }))),
        ([made, shuffled]) => {
          const ordered = [...made].sort((a, b) => a.period - b.period);
          const bringAll = (list: typeof made) => {
            const ledger = new Ledger();
            for (const {
              period,
              kind,
              amounts: [bank, sales, wages],
            } of list) {
              const { firstDay, lastDay } = calendar.periods[period] as { firstDay: string; lastDay: string };
              const [s, w] = kind === 'after_closing' ? [0n, 0n] : [sales, wages];
              const figures: FigureKind = kind === 'period' ? { kind, firstDay } : kind === 'cumulative' ? { kind, since: '2023-12-31' } : { kind };
              ledger.bringIn(lastDay, [bank, -(bank + s + w), s, w], figures);
            }
            return balances(ledger);
          };
          expect(bringAll(shuffled)).toEqual(bringAll(ordered));
        },
      ),
      { seed: 416, numRuns: 400 },
    );
  });
});
