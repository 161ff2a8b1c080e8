import type { Day, Span } from '../calendar/day.ts';
import { type FiscalCalendar, yearOf } from '../calendar/fiscalCalendar.ts';
import type { Layer } from './layer.ts';
import { noSums, type SumsByLayer } from './sumsByLayer.ts';

/** A line of an opening entry, by its account's dense number; amounts in minor units, not negative. */
export interface OpeningLine {
  readonly day: Day;
  readonly account: number;
  /** 0 for lines without facet values. */
  readonly facetSetId: number;
  readonly layer: Layer;
  readonly debit: bigint;
  readonly credit: bigint;
}

/** What opening entries of fiscal years' first days hold, by that day: it stands before the year's other lines and belongs to the opening. */
export type Openings = ReadonlyMap<Day, SumsByLayer>;

/** Of lines on other days than a year's first there is nothing: they move like any line. Cost: lines + accounts for each year. */
export function openingsOf(calendar: FiscalCalendar, accounts: number, lines: readonly OpeningLine[]): Openings {
  const openings = new Map<Day, SumsByLayer>();
  for (const { day, account, layer, debit, credit } of lines) {
    if (!isFirstDay(calendar, day)) continue;
    const sums = openings.get(day) ?? noSums(accounts);
    openings.set(day, sums);
    const of = sums[layer];
    of.debit[account] = (of.debit[account] as bigint) + debit;
    of.credit[account] = (of.credit[account] as bigint) + credit;
  }
  return openings;
}

/** A day on which balances began: before it nothing is known of them. */
export interface FirstBalances {
  readonly day: Day;
  /** Of an opening entry; else of the first trial balance that was brought in. */
  readonly isOpening: boolean;
}

/**
 * The day within the span on which balances began, so that what balance sheet accounts moved over it cannot be told; `null` where they
 * moved from balances that were there. Opening entries of a fiscal year's first day belong to the opening of a span that begins with it.
 */
export function beganWithin(calendar: FiscalCalendar, first: readonly FirstBalances[], { firstDay, lastDay }: Span): Day | null {
  const found = first.find(({ day, isOpening }) => firstDay <= day && day <= lastDay && !(isOpening && day === firstDay && isFirstDay(calendar, day)));
  return found?.day ?? null;
}

function isFirstDay(calendar: FiscalCalendar, day: Day): boolean {
  return yearOf(calendar, day)?.firstDay === day;
}
