import { addDays, type Day } from '../calendar/day.ts';
import { type FiscalCalendar, yearOf } from '../calendar/fiscalCalendar.ts';
import type { Cube } from '../cube/cube.ts';
import { balanceAt, movementOver, type PartialLines } from '../cube/vector.ts';
import type { LedgerBefore } from './deriveEntries.ts';
import type { FigureKind } from './figures.ts';

/** The ledger that a trial balance meets. Accounts of the file that are not in the chart yet follow the cube's. */
export interface MetLedger {
  readonly cube: Cube;
  /** Years that are made with the trial balance among them. */
  readonly calendar: FiscalCalendar;
  /** 1 for income and expense, by dense number, accounts still to be made included. */
  readonly resets: Uint8Array;
  readonly retainedEarnings: number;
  readonly partial: PartialLines;
}

/** What the ledger layer holds where a trial balance of this kind is brought in. The day stands in a year of the calendar. */
export function ledgerBefore(met: MetLedger, day: Day, kind: FigureKind): LedgerBefore {
  const { cube, calendar, partial } = met;
  const year = yearOf(calendar, day);
  if (!year) throw new Error(`no fiscal year holds ${day}`);
  const traits = { resets: met.resets.subarray(0, cube.accountIds.length), retainedEarnings: -1 };
  const balances = (at: Day, afterClosing: boolean): BigInt64Array => {
    const { net, notAllotted } = balanceAt(cube, traits, ['ledger'], at, partial, { afterClosing });
    const all = extend(net, met.resets.length);
    if (met.retainedEarnings >= 0) all[met.retainedEarnings] = (all[met.retainedEarnings] as bigint) + notAllotted;
    return all;
  };
  const earlierIncome = (): BigInt64Array => {
    const before = kind.kind === 'period' ? addDays(kind.firstDay, -1) : null;
    if (before !== null && yearOf(calendar, before)?.year === year.year) return balances(before, false);
    const lastCompleted = addDays(year.firstDay, -1);
    if (kind.kind === 'cumulative' && kind.since < lastCompleted)
      return extend(movementOver(cube, ['ledger'], { firstDay: addDays(kind.since, 1), lastDay: lastCompleted }, partial), met.resets.length);
    return new BigInt64Array(met.resets.length);
  };
  const balance = balances(day, false);
  const closed = balances(day, true);
  return { balance, closing: closed.map((amount, at) => amount - (balance[at] as bigint)), earlierIncome: earlierIncome(), year: year.year };
}

function extend(amounts: BigInt64Array, size: number): BigInt64Array {
  const all = new BigInt64Array(size);
  all.set(amounts);
  return all;
}
