import { addDays, type Day } from '../calendar/day.ts';
import { type FiscalCalendar, yearOf } from '../calendar/fiscalCalendar.ts';
import type { AccountTraits } from '../cube/vector.ts';
import { type FigureKind, isNil, type ProposedEntry } from './figures.ts';

/** A trial balance that was applied at a later day; of several at one day the one applied last. */
export interface LaterTrialBalance {
  readonly day: Day;
  readonly kind: FigureKind;
}

/**
 * Entries on the days of later trial balances that bring every account there back to what it was, carry-over
 * included, so that the same files in any order give the same statements. Where a later file gave its income as
 * cumulative or for a period alone, what it fixed depends on the earlier income, and follows it.
 * `later` ascending by day; every day stands in a year of the calendar. Cost: later files × entries × accounts.
 */
export function keepLaterBalances(
  entries: readonly ProposedEntry[],
  later: readonly LaterTrialBalance[],
  calendar: FiscalCalendar,
  traits: AccountTraits,
): ProposedEntry[] {
  const effects = new Effects(entries, calendar, traits);
  const added: ProposedEntry[] = [];
  for (const { day, kind } of later) {
    const effect = effects.balanceAt(day);
    const wanted = new BigInt64Array(effect.length);
    const closing = new BigInt64Array(effect.length);
    const earlier = effects.earlierIncome(day, kind);
    let toRetained = 0n;
    for (let account = 0; account < wanted.length; account++) {
      if (traits.resets[account] !== 1) continue;
      if (kind.kind === 'period') wanted[account] = earlier[account] as bigint;
      else if (kind.kind === 'cumulative') wanted[account] = -(earlier[account] as bigint);
      else if (kind.kind === 'after_closing') {
        wanted[account] = effect[account] as bigint;
        closing[account] = -(effect[account] as bigint);
      }
      toRetained -= wanted[account] as bigint;
    }
    if (traits.retainedEarnings >= 0) {
      wanted[traits.retainedEarnings] = toRetained;
      if (kind.kind === 'after_closing') closing[traits.retainedEarnings] = -toRetained;
    }
    const back: ProposedEntry = {
      day,
      closesYear: null,
      purpose: 'keeps_later_balance',
      lines: wanted.map((amount, account) => amount - (effect[account] as bigint)),
    };
    const closes: ProposedEntry = { day, closesYear: effects.yearAt(day), purpose: 'keeps_later_closing', lines: closing };
    for (const entry of [back, closes])
      if (!isNil(entry.lines)) {
        added.push(entry);
        effects.add(entry);
      }
  }
  return added;
}

/** What a few entries change in the balances of any day. */
class Effects {
  private readonly entries: ProposedEntry[];

  constructor(
    entries: readonly ProposedEntry[],
    private readonly calendar: FiscalCalendar,
    private readonly traits: AccountTraits,
  ) {
    this.entries = [...entries];
  }

  add(entry: ProposedEntry): void {
    this.entries.push(entry);
  }

  yearAt(day: Day): number {
    const year = yearOf(this.calendar, day);
    if (!year) throw new Error(`no fiscal year holds ${day}`);
    return year.year;
  }

  balanceAt(day: Day): BigInt64Array {
    const { resets, retainedEarnings } = this.traits;
    const year = this.yearAt(day);
    const net = new BigInt64Array(resets.length);
    for (const { day: entryDay, closesYear, lines } of this.entries) {
      if (closesYear === null ? entryDay > day : closesYear >= year) continue;
      const completed = closesYear !== null || this.yearAt(entryDay) < year;
      for (let account = 0; account < net.length; account++) {
        const at = completed && resets[account] === 1 ? retainedEarnings : account;
        if (at >= 0) net[at] = (net[at] as bigint) + (lines[account] as bigint);
      }
    }
    return net;
  }

  /** Change of the income and expense that a file of this kind was reckoned from. */
  earlierIncome(day: Day, kind: FigureKind): BigInt64Array {
    const none = new BigInt64Array(this.traits.resets.length);
    const year = this.yearAt(day);
    if (kind.kind === 'period') {
      const before = addDays(kind.firstDay, -1);
      return yearOf(this.calendar, before)?.year === year ? this.balanceAt(before) : none;
    }
    if (kind.kind !== 'cumulative') return none;
    for (const { day: entryDay, closesYear, lines } of this.entries)
      if (closesYear === null && entryDay > kind.since && this.yearAt(entryDay) < year)
        for (let account = 0; account < none.length; account++) none[account] = (none[account] as bigint) + (lines[account] as bigint);
    return none;
  }
}
