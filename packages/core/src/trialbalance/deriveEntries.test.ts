import { describe, expect, it } from 'vitest';
import { deriveEntries, type LedgerBefore } from './deriveEntries.ts';
import type { BroughtIn, FigureKind } from './figures.ts';
import { proposeFigureKind } from './proposeFigureKind.ts';

/** Bank, capital, retained earnings, sales, wages: debit positive, by dense number. */
const resets = Uint8Array.of(0, 0, 0, 1, 1);
const traits = { resets, retainedEarnings: 2 };
const day = '2026-06-30';

const before = (balance: bigint[], more: Partial<Record<'earlierIncome' | 'closing', bigint[]>> = {}): LedgerBefore => ({
  balance: BigInt64Array.from(balance),
  earlierIncome: BigInt64Array.from(more.earlierIncome ?? [0n, 0n, 0n, 0n, 0n]),
  closing: BigInt64Array.from(more.closing ?? [0n, 0n, 0n, 0n, 0n]),
  year: 2026,
});
const file = (figures: bigint[], kind: FigureKind, leftAlone: number[] = [0, 0, 0, 0, 0]): BroughtIn => ({
  day,
  figures: BigInt64Array.from(figures),
  leftAlone: Uint8Array.from(leftAlone),
  kind,
});
const nothing = before([0n, 0n, 0n, 0n, 0n]);

function derived(input: BroughtIn, ledger: LedgerBefore) {
  const outcome = deriveEntries(input, ledger, traits);
  if (!outcome.ok) return outcome.failure;
  return outcome.value.map(({ purpose, closesYear, lines }) => [purpose, closesYear, ...lines]);
}

describe('the entries of a trial balance brought in', () => {
  it('are the whole file where the ledger is empty, and nothing where it agrees', () => {
    const figures = [100n, -60n, 0n, -90n, 50n];
    expect(derived(file(figures, { kind: 'year_to_date' }), nothing)).toEqual([['differences', null, 100n, -60n, 0n, -90n, 50n]]);
    expect(derived(file(figures, { kind: 'year_to_date' }), before(figures))).toEqual([]);
  });

  it('a corrected file posts only its difference', () => {
    expect(derived(file([110n, -60n, 0n, -100n, 50n], { kind: 'year_to_date' }), before([100n, -60n, 0n, -90n, 50n]))).toEqual([
      ['differences', null, 10n, 0n, 0n, -10n, 0n],
    ]);
  });

  it('figures of the period alone are added to what the year had before', () => {
    const ledger = before([70n, -60n, 0n, -40n, 30n], { earlierIncome: [0n, 0n, 0n, -40n, 30n] });
    // In June alone: sales 50, wages 20; the file's retained earnings hold the 10 of profit that the year had before.
    expect(derived(file([100n, -60n, -10n, -50n, 20n], { kind: 'period', firstDay: '2026-06-01' }), ledger)).toEqual([
      ['differences', null, 30n, 0n, 0n, -50n, 20n],
    ]);
  });

  it('cumulative figures have the completed years taken off and put to retained earnings', () => {
    const ledger = before([70n, -60n, -10n, 0n, 0n], { earlierIncome: [0n, 0n, 0n, -40n, 30n] });
    // Two years together: sales 90, wages 50; of these 40 and 30 belong to the completed year.
    expect(derived(file([100n, -60n, 0n, -90n, 50n], { kind: 'cumulative', since: '2024-12-31' }), ledger)).toEqual([
      ['differences', null, 30n, 0n, 0n, -50n, 20n],
    ]);
  });

  it('a file taken after closing is split in an ordinary entry and one that closes the year', () => {
    const ledger = before([100n, -60n, 0n, -90n, 50n]);
    expect(derived(file([105n, -65n, -40n, 0n, 0n], { kind: 'after_closing' }), ledger)).toEqual([
      ['differences', null, 5n, -5n, 0n, 0n, 0n],
      ['closing', 2026, 0n, 0n, -40n, 90n, -50n],
    ]);
    const closed = before([105n, -65n, 0n, -90n, 50n], { closing: [0n, 0n, -40n, 90n, -50n] });
    expect(derived(file([105n, -65n, -40n, 0n, 0n], { kind: 'after_closing' }), closed)).toEqual([]);
  });

  it('accounts left alone keep their balance, which is possible only while they add to zero', () => {
    const ledger = before([100n, -60n, 0n, -90n, 50n]);
    expect(derived(file([40n, 0n, 0n, -40n, 0n], { kind: 'year_to_date' }, [0, 1, 0, 0, 1]), ledger)).toEqual({
      code: 'left_alone_out_of_balance',
      difference: -10n,
    });
    const even = before([100n, -50n, 0n, -100n, 50n]);
    expect(derived(file([40n, 0n, 0n, -40n, 0n], { kind: 'year_to_date' }, [0, 1, 0, 0, 1]), even)).toEqual([['differences', null, -60n, 0n, 0n, 60n, 0n]]);
  });

  it('are refused for a file out of balance, income after closing, and where retained earnings are needed and not named', () => {
    expect(derived(file([1n, 0n, 0n, 0n, 0n], { kind: 'year_to_date' }), nothing)).toEqual({ code: 'out_of_balance', difference: 1n });
    expect(derived(file([1n, 0n, 0n, -1n, 0n], { kind: 'after_closing' }), nothing)).toEqual({ code: 'after_closing_has_income', accounts: [3] });
    const unnamed = deriveEntries(file([0n, 0n, 0n, 0n, 0n], { kind: 'after_closing' }), nothing, { resets, retainedEarnings: -1 });
    expect(unnamed).toEqual({ ok: false, failure: { code: 'retained_earnings_needed' } });
  });

  it('add to zero, line by line of each entry, for every kind', () => {
    const ledger = before([70n, -60n, -10n, -40n, 40n], { earlierIncome: [0n, 0n, 0n, -30n, 25n], closing: [0n, 0n, 0n, 0n, 0n] });
    for (const kind of [{ kind: 'year_to_date' }, { kind: 'period', firstDay: '2026-06-01' }, { kind: 'cumulative', since: '2024-12-31' }] as const) {
      const outcome = deriveEntries(file([33n, -20n, -3n, -30n, 20n], kind), ledger, traits);
      for (const { lines } of outcome.ok ? outcome.value : []) expect(lines.reduce((sum, amount) => sum + amount, 0n)).toBe(0n);
      expect(outcome.ok && outcome.value.length, kind.kind).toBe(1);
    }
  });
});

describe('what the figures are proposed to be', () => {
  const period = { kind: 'period', firstDay: '2026-06-01' } as const;
  const cumulative = { kind: 'cumulative', since: '2024-12-31' } as const;
  const yearToDate = { kind: 'year_to_date' } as const;
  const afterClosing = { kind: 'after_closing' } as const;
  const ledger = before([70n, -60n, -10n, -40n, 40n]);

  it('after closing, where the file has no income and the ledger has', () => {
    expect(proposeFigureKind(BigInt64Array.of(70n, -60n, -10n, 0n, 0n), traits, [{ kind: afterClosing, before: ledger }])).toEqual(afterClosing);
  });

  it('the year to date where retained earnings stay as they are', () => {
    const candidates = [
      { kind: yearToDate, before: ledger },
      { kind: cumulative, before: before([70n, -60n, -10n, -40n, 40n], { earlierIncome: [0n, 0n, 0n, -10n, 0n] }) },
    ];
    expect(proposeFigureKind(BigInt64Array.of(80n, -60n, -10n, -50n, 40n), traits, candidates)).toEqual(yearToDate);
  });

  it('the kind with which retained earnings need no unexplained movement', () => {
    const earlier = { earlierIncome: [0n, 0n, 0n, -10n, 0n] };
    const candidates = [
      { kind: yearToDate, before: ledger },
      { kind: cumulative, before: before([70n, -60n, -10n, -40n, 40n], earlier) },
      { kind: period, before: before([70n, -60n, -10n, -40n, 40n], earlier) },
    ];
    expect(proposeFigureKind(BigInt64Array.of(80n, -60n, 0n, -60n, 40n), traits, candidates)).toEqual(cumulative);
    expect(proposeFigureKind(BigInt64Array.of(80n, -60n, -20n, -40n, 40n), traits, candidates)).toEqual(period);
  });

  it('the year to date where nothing fits', () => {
    expect(proposeFigureKind(BigInt64Array.of(80n, -60n, 5n, -65n, 40n), traits, [{ kind: yearToDate, before: ledger }])).toEqual(yearToDate);
  });
});
