import { addDays } from '../calendar/day.ts';
import { yearOf } from '../calendar/fiscalCalendar.ts';
import type { Cube } from '../cube/cube.ts';
import { type AccountTraits, balanceAt, movementOver, type PartialLines } from '../cube/vector.ts';
import type { LedgerBefore } from './deriveEntries.ts';
import type { FigureKind } from './figures.ts';
import type { Day } from '../calendar/day.ts';

/** What the ledger layer holds where a trial balance of this kind is brought in. The day stands in a year of the calendar. */
export function ledgerBefore(cube: Cube, traits: AccountTraits, day: Day, kind: FigureKind, partial: PartialLines): LedgerBefore {
  const year = yearOf(cube.calendar, day);
  if (!year) throw new Error(`no fiscal year holds ${day}`);
  const balance = balanceAt(cube, traits, ['ledger'], day, partial).net;
  const closed = balanceAt(cube, traits, ['ledger'], day, partial, { afterClosing: true }).net;
  return { balance, closing: closed.map((amount, at) => amount - (balance[at] as bigint)), earlierIncome: earlierIncome(), year: year.year };

  function earlierIncome(): BigInt64Array {
    const before = kind.kind === 'period' ? addDays(kind.firstDay, -1) : null;
    if (before !== null && yearOf(cube.calendar, before)?.year === year?.year) return balanceAt(cube, traits, ['ledger'], before, partial).net;
    if (kind.kind === 'cumulative' && year && kind.since < addDays(year.firstDay, -1))
      return movementOver(cube, ['ledger'], { firstDay: addDays(kind.since, 1), lastDay: addDays(year.firstDay, -1) }, partial);
    return new BigInt64Array(traits.resets.length);
  }
}

/**
 * The kind that needs no unexplained movement of retained earnings, tried in this order: after closing where the
 * file's income and expense are nil and the ledger's are not; the year to date; cumulative; the period alone.
 */
export function proposeFigureKind(
  figures: BigInt64Array,
  traits: AccountTraits,
  candidates: readonly { readonly kind: FigureKind; readonly before: LedgerBefore }[],
): FigureKind {
  const yearToDate: FigureKind = { kind: 'year_to_date' };
  const isIncomeNil = figures.every((amount, account) => traits.resets[account] !== 1 || amount === 0n);
  const retained = traits.retainedEarnings;
  for (const { kind, before } of candidates) {
    const hasIncome = before.balance.some((amount, account) => traits.resets[account] === 1 && amount !== 0n);
    if (isIncomeNil) {
      if (kind.kind === 'after_closing' && hasIncome) return kind;
      continue;
    }
    if (kind.kind === 'after_closing' || retained < 0) continue;
    const earlier = before.earlierIncome.reduce((total, amount, account) => (traits.resets[account] === 1 ? total + amount : total), 0n);
    if (kind.kind !== 'year_to_date' && earlier === 0n) continue;
    const target = (figures[retained] as bigint) + (kind.kind === 'period' ? -earlier : kind.kind === 'cumulative' ? earlier : 0n);
    if (target === before.balance[retained]) return kind;
  }
  return yearToDate;
}
