import { addDays, type Day, type Span } from '../calendar/day.ts';
import { ordinaryPeriods } from '../calendar/fiscalCalendar.ts';
import { isIncomeOrExpense } from '../chart/element.ts';
import { type Layer, layers } from '../cube/layer.ts';
import { netIn } from '../cube/sumsByLayer.ts';
import { balanceAt, movementOver, type PartialLines, postedUpTo } from '../cube/vector.ts';
import { type Decimal, tenTo } from '../money/decimal.ts';
import { divideHalfAwayFromZero } from '../money/round.ts';
import { openingRate, type TranslatedFrom } from './translateCube.ts';

/** What the difference of exchange moved by over a span is made of; a gain is positive, in minor units of the presentation currency. */
export interface DifferenceExplained {
  /** Net assets at the beginning, which are what was posted to equity, income and expenses, by what the closing rate changed (IAS 21.41(b)). */
  readonly ofNetAssets: bigint;
  /** Income and expenses, by what the closing rate differs from the rates that they have (IAS 21.41(a)). */
  readonly ofProfit: bigint;
  /** What was posted to equity, likewise. */
  readonly ofEquity: bigint;
  /** All three, rounded once. */
  readonly total: bigint;
  /** How many amounts were rounded on both sides: so many minor units may lie between the total and what the line shows. */
  readonly rounded: number;
}

/** Decimals that every rate has at most. */
const places = 12;

/**
 * From amounts of the company's currency and rates alone, without what was translated. `partial`: for both ends of the span.
 * `null` where a rate is missing.
 */
export function explainDifference(
  { cube, from, rates, elements, equityLines }: Pick<TranslatedFrom, 'cube' | 'from' | 'rates' | 'elements' | 'equityLines'>,
  { firstDay, lastDay }: Span,
  partial: PartialLines,
  chosen: readonly Layer[] = layers,
): DifferenceExplained | null {
  const before = addDays(firstDay, -1);
  const resets = Uint8Array.from(elements, (element) => (isIncomeOrExpense(element) ? 1 : 0));
  const traits = { resets, retainedEarnings: -1 };
  const opening = balanceAt(cube, traits, chosen, firstDay, partial, { atBeginning: true }).net;
  const closing = balanceAt(cube, traits, chosen, lastDay, partial).net;
  // Closing entries move nothing in or out of net assets, but a part of the ledger can hold one side of them alone.
  const posted = postedUpTo(cube, chosen, before, partial);
  const opened = cube.openings.get(firstDay);
  if (opened) for (const account of posted.keys()) posted[account] = (posted[account] as bigint) + netIn(opened, account, chosen);
  let rounded = 0;
  let netAssets = 0n;
  for (const [account, element] of elements.entries()) {
    if (element === 'asset' || element === 'liability') rounded += (opening[account] === 0n ? 0 : 1) + (closing[account] === 0n ? 0 : 1);
    else netAssets -= posted[account] as bigint;
  }
  const atEnd = exactly(rates.closingOn(lastDay));
  // With nothing at the beginning no rate of that day is needed.
  const atBeginning = netAssets === 0n ? atEnd : exactly(opened ? openingRate(rates, firstDay) : rates.closingOn(before));
  if (atEnd === null || atBeginning === null) return null;
  const ofNetAssets = netAssets * (atEnd - atBeginning);
  let ofProfit = 0n;
  for (const period of ordinaryPeriods(cube.calendar.periods)) {
    const within = { firstDay: later(period.firstDay, firstDay), lastDay: earlier(period.lastDay, lastDay) };
    if (within.firstDay > within.lastDay) continue;
    const moved = movementOver(cube, chosen, within, partial);
    const average = exactly(rates.averageOf(cube.calendar.periods.indexOf(period)));
    for (const [account, net] of moved.entries()) {
      if (resets[account] !== 1 || net === 0n) continue;
      if (average === null) return null;
      rounded += 1;
      ofProfit -= net * (atEnd - average);
    }
  }
  let ofEquity = 0n;
  for (const { account, day, layer, debit, credit, isOpening } of equityLines) {
    if (day < firstDay || day > lastDay || !chosen.includes(layer) || (opened && isOpening && day === firstDay)) continue;
    const rate = exactly(rates.ofEquity(cube.accountIds[account] as number, day));
    if (rate === null) return null;
    rounded += 1;
    ofEquity += (credit - debit) * (atEnd - rate);
  }
  const inMinorUnits = (exact: bigint): bigint => divideHalfAwayFromZero(exact * tenTo(rates.to.exponent), tenTo(places + from.exponent));
  return {
    ofNetAssets: inMinorUnits(ofNetAssets),
    ofProfit: inMinorUnits(ofProfit),
    ofEquity: inMinorUnits(ofEquity),
    total: inMinorUnits(ofNetAssets + ofProfit + ofEquity),
    rounded,
  };
}

function exactly(rate: Decimal | null): bigint | null {
  return rate === null ? null : rate.units * tenTo(places - rate.scale);
}

function later(a: Day, b: Day): Day {
  return a > b ? a : b;
}

function earlier(a: Day, b: Day): Day {
  return a < b ? a : b;
}
