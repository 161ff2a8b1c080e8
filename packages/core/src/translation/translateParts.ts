import { addDays, type Day } from '../calendar/day.ts';
import { periodIndexOf } from '../calendar/fiscalCalendar.ts';
import { type Cube, emptyBooks } from '../cube/cube.ts';
import { type Layer, layers } from '../cube/layer.ts';
import { type PairCube, type Pairs, selectPairs } from '../cube/pairCube.ts';
import type { Position } from '../cube/position.ts';
import { netIn, noSums, plusSums, type SumsByLayer } from '../cube/sumsByLayer.ts';
import { sumsUpTo } from '../cube/sumsUpTo.ts';
import type { PartialLines } from '../cube/vector.ts';
import type { SelectedSets } from '../facet/facetFilter.ts';
import { allotRounded } from '../money/allotRounded.ts';
import { type Decimal, tenTo } from '../money/decimal.ts';
import type { LinesOfSets } from './linesOfSets.ts';
import { type Manner, mannersOf } from './manner.ts';
import { toPresentation } from './presentationRates.ts';
import { type EquityLine, equityLinesByPeriod, type TranslatedCube, type TranslatedFrom } from './translateCube.ts';

/** What lines with facet values have of what a translated ledger has. */
export interface TranslatedParts {
  /** The cube of the selected lines, with the same accounts. */
  cubeOf(selected: SelectedSets): Cube;
  /** Selected lines inside periods. `all`: those of the whole, in the company's currency. */
  within(selected: SelectedSets, all: PartialLines, ofSets: LinesOfSets): PartialLines;
}

/** What was there up to some moment: of all lines by account, of those with values by pair, and of all in the other currency. */
interface Moment {
  readonly all: SumsByLayer;
  readonly pairs: SumsByLayer;
  readonly translated: SumsByLayer;
}

interface Step {
  readonly before: Moment;
  readonly now: Moment;
  readonly day: Day;
  readonly average: Decimal | null;
  /** Since the moment before, those with facet values. */
  readonly equityLines: readonly EquityLine[];
}

/**
 * Assets and liabilities of each moment, income and expenses of each period are allotted over the facet sets of the lines and what has none,
 * by largest remainder, so that the parts of any division add up to the whole; lines of equity stand with their own sets. The
 * difference of a set is what its lines are out of balance by, at the closing rate, less what they come to at their own: lines that balance in the
 * company's currency balance here. `whole`: all lines, translated from `given`. Cost: periods × pairs, sorted within each account.
 */
export function translateParts(source: TranslatedFrom, whole: TranslatedCube, base: PairCube): TranslatedParts {
  const { calendar } = source.cube;
  const pairs = withDifferences(base, source.cube.accountIds.length);
  const byPeriod = equityLinesByPeriod(
    source.cube,
    source.equityLines.filter(({ facetSetId }) => facetSetId !== 0),
  );
  const moment = (origin: 'ordinary' | 'closing', periodIndex: number): Moment => ({
    all: sumsUpTo(source.cube, origin, periodIndex),
    pairs: sumsUpTo(base.cube, origin, periodIndex),
    translated: sumsUpTo(whole.cube, origin, periodIndex),
  });
  const manners = mannersOf(source.elements, source.isFlow);
  const asMoved = manners.map((): Manner => 'movement');
  const borneBy = (origin: 'ordinary' | 'closing'): SumsByLayer[] => {
    let borne = noSums(pairs.account.length);
    let before = moment(origin, -1);
    return calendar.periods.map(({ lastDay }, periodIndex) => {
      const now = moment(origin, periodIndex);
      borne =
        origin === 'ordinary'
          ? borneAt(source, pairs, manners, borne, {
              before,
              now,
              day: lastDay,
              average: source.rates.averageOf(periodIndex),
              equityLines: byPeriod.get(periodIndex) ?? [],
            })
          : // Closing entries move what a year left by the rate of its last day.
            borneAt(source, pairs, asMoved, borne, { before, now, day: lastDay, average: source.rates.closingOn(lastDay), equityLines: [] });
      before = now;
      return borne;
    });
  };
  const borne = { ordinary: borneBy('ordinary'), closing: borneBy('closing') };

  /** What pairs bear of what a year opens with. */
  const borneOfOpening = (day: Day, translated: SumsByLayer): SumsByLayer => {
    const ofPairs = noSums(base.account.length);
    for (const line of source.openingLines)
      if (line.day === day && line.facetSetId !== 0) add(ofPairs[line.layer], base.pairOf(line.account, line.facetSetId), line.debit, line.credit);
    const all = source.cube.openings.get(day) ?? noSums(source.cube.accountIds.length);
    const nothing = { all: noSums(source.cube.accountIds.length), pairs: noSums(base.account.length), translated: noSums(whole.cube.accountIds.length) };
    const before = addDays(day, -1);
    return borneAt(source, pairs, manners, noSums(pairs.account.length), {
      before: nothing,
      now: { all, pairs: ofPairs, translated },
      day: source.rates.closingOn(before) === null ? day : before,
      average: source.rates.averageOf(periodIndexOf(calendar, day)),
      equityLines: source.equityLines.filter((line) => line.isOpening === true && line.day === day && line.facetSetId !== 0),
    });
  };

  const addedUntil = new Map<Day, SumsByLayer>();
  /** What pairs bear of the lines from the first day of a period to a day within it. */
  const addedWithin = (position: Position, all: SumsByLayer, translated: SumsByLayer, ofSets: LinesOfSets): SumsByLayer => {
    const { day, periodIndex } = position;
    const addedThen = addedUntil.get(day);
    if (addedThen) return addedThen;
    const before = moment('ordinary', periodIndex);
    const ofPairs = noSums(base.account.length);
    for (const { account, facetSetId, layer, debit, credit } of ofSets(position)) add(ofPairs[layer], base.pairOf(account, facetSetId), debit, credit);
    const now = { all: plusSums(before.all, all), pairs: plusSums(before.pairs, ofPairs), translated: plusSums(before.translated, translated) };
    const borneBefore = borne.ordinary[periodIndex] ?? noSums(pairs.account.length);
    const average = source.rates.averageOf(periodIndex + 1);
    const equityLines = (byPeriod.get(periodIndex + 1) ?? []).filter((line) => line.day <= day);
    const added = plusSums(borneAt(source, pairs, manners, borneBefore, { before, now, day, average, equityLines }), borneBefore, -1n);
    const oldest = addedUntil.keys().next().value;
    if (addedUntil.size >= daysKept && oldest !== undefined) addedUntil.delete(oldest);
    addedUntil.set(day, added);
    return added;
  };
  return {
    cubeOf: (selected) => {
      const size = whole.cube.accountIds.length;
      const books = emptyBooks(size * calendar.periods.length);
      for (const origin of ['ordinary', 'closing'] as const)
        for (const periodIndex of calendar.periods.keys()) {
          const row = selectPairs(pairs, borne[origin][periodIndex] as SumsByLayer, sumsUpTo(whole.cube, origin, periodIndex), selected);
          for (const layer of layers) for (const side of ['debit', 'credit'] as const) books[layer][origin][side].set(row[layer][side], periodIndex * size);
        }
      const openings = new Map(
        [...whole.cube.openings].map(([day, translated]) => [day, selectPairs(pairs, borneOfOpening(day, translated), translated, selected)]),
      );
      return { ...whole.cube, books, openings };
    },
    within: (selected, all, ofSets) => {
      const translatedLines = whole.within(all);
      const found = new Map<Day, SumsByLayer>();
      return (position, layer) => {
        const borne = found.get(position.day);
        if (borne) return borne[layer];
        const translated = sumsWithin(translatedLines, position, whole.cube.accountIds.length);
        const added = addedWithin(position, sumsWithin(all, position, source.cube.accountIds.length), translated, ofSets);
        const own = selectPairs(pairs, added, translated, selected);
        found.set(position.day, own);
        return own[layer];
      };
    },
  };
}

/** Days within periods whose shares are kept. */
const daysKept = 24;

interface BearingPairs extends Pairs {
  /** Of each run of pairs with one account the first, and behind all of them the first of those with the difference. */
  readonly firsts: readonly number[];
  /** For each pair the place of its set among all sets; the pairs with the difference stand in that order. */
  readonly placeOfSet: Uint32Array;
  pairOf(account: number, set: number): number;
}

/** The pairs and, behind them, each set with the difference. `difference`: its dense number. */
function withDifferences({ account, set, pairOf }: PairCube, difference: number): BearingPairs {
  const sets = [...new Set(set)].sort((a, b) => a - b);
  const places = new Map(sets.map((one, place) => [one, place]));
  const firsts = [...account.keys()].filter((pair) => account[pair] !== account[pair - 1]);
  return {
    account: Uint32Array.from([...account, ...sets.map(() => difference)]),
    set: Uint32Array.from([...set, ...sets]),
    firsts: [...firsts, account.length],
    placeOfSet: Uint32Array.from([...set, ...sets], (one) => places.get(one) as number),
    pairOf,
  };
}

/** What pairs bear after a step, from what they bore before it. */
function borneAt(books: TranslatedFrom, pairs: BearingPairs, manners: readonly Manner[], borne: SumsByLayer, step: Step): SumsByLayer {
  const { rates, from, cube } = books;
  const next = plusSums(borne, noSums(0));
  const closing = rates.closingOn(step.day);
  const [atClosing, atAverage] = [exactly(books, closing), exactly(books, step.average)];
  const atRate = (amount: bigint, rate: Decimal | null): bigint => (rate === null ? 0n : toPresentation(amount, from, rates.to, rate));
  for (const [run, first] of pairs.firsts.slice(0, -1).entries()) {
    const manner = manners[pairs.account[first] as number] as Manner;
    if (manner === 'line') continue;
    const range = { first, end: pairs.firsts[run + 1] as number, isHeld: manner === 'balance' };
    allot(next, pairs, range, manner === 'balance' ? atClosing : atAverage, step);
  }
  for (const { account, facetSetId, day, layer, debit, credit } of step.equityLines) {
    const rate = rates.ofEquity(cube.accountIds[account] as number, day);
    add(next[layer], pairs.pairOf(account, facetSetId), atRate(debit, rate), atRate(credit, rate));
  }
  // What a set is out of balance by, at the closing rate, less what it comes to at the rates of its accounts.
  const outOfBalance = sumsOfSets(pairs, step.now.pairs);
  const comesTo = sumsOfSets(pairs, next);
  for (const [place, ledger] of outOfBalance.ledger.entries()) {
    const pair = (pairs.firsts.at(-1) as number) + place;
    const ofLedger = atRate(ledger, closing) - (comesTo.ledger[place] as bigint);
    next.ledger.debit[pair] = ofLedger;
    next.adjustment.debit[pair] = atRate(outOfBalance.all[place] as bigint, closing) - (comesTo.all[place] as bigint) - ofLedger;
  }
  return next;
}

/** Pairs of one account, and whether what they hold is allotted, or what they moved by. */
interface Range {
  readonly first: number;
  readonly end: number;
  readonly isHeld: boolean;
}

/** A translated amount is the amount × `times` / `per`. */
interface ExactRate {
  readonly times: bigint;
  readonly per: bigint;
}

function exactly({ rates, from }: TranslatedFrom, rate: Decimal | null): ExactRate {
  return rate === null ? { times: 0n, per: 1n } : { times: rate.units * tenTo(rates.to.exponent), per: tenTo(rate.scale + from.exponent) };
}

/** The account's shares into `borne`; of two layers the second is the rest of both, as in the whole. What is held has its shares net. */
function allot(borne: SumsByLayer, pairs: Pairs, { first, end, isHeld }: Range, { times, per }: ExactRate, { before, now }: Step): void {
  const account = pairs.account[first] as number;
  const hasMoved = (layer: Layer): boolean =>
    now.all[layer].debit[account] !== before.all[layer].debit[account] || now.all[layer].credit[account] !== before.all[layer].credit[account];
  const isThere = (layer: Layer): boolean => (isHeld ? now.all[layer].debit[account] !== 0n || now.all[layer].credit[account] !== 0n : hasMoved(layer));
  const hasAdjustments = isThere('adjustment');
  if (!hasAdjustments && !isThere('ledger')) return;
  const shares = (of: (sums: SumsByLayer, index: number) => bigint): bigint[] => {
    const between = (kind: keyof Moment, index: number): bigint => (isHeld ? of(now[kind], index) : of(now[kind], index) - of(before[kind], index));
    let rest = between('all', account);
    const exact: bigint[] = [];
    for (let pair = first; pair < end; pair++) {
      const amount = between('pairs', pair);
      rest -= amount;
      exact.push(amount * times);
    }
    // Lines without any value have the last share.
    exact.push(rest * times);
    return allotRounded(between('translated', account), exact, per);
  };
  const nothing: readonly bigint[] = [];
  const sharesOf = (chosen: readonly Layer[]) => ({
    net: shares((sums, index) => netIn(sums, index, chosen)),
    credit: isHeld ? nothing : shares((sums, index) => creditIn(sums, index, chosen)),
  });
  const ledger = sharesOf(['ledger']);
  const all = hasAdjustments ? sharesOf(layers) : ledger;
  for (let pair = first; pair < end; pair++) {
    const at = pair - first;
    const [net, credit] = [ledger.net[at] as bigint, ledger.credit[at] ?? 0n];
    const [restNet, restCredit] = [(all.net[at] as bigint) - net, (all.credit[at] ?? 0n) - credit];
    if (isHeld) for (const layer of layers) borne[layer].debit[pair] = 0n;
    add(borne.ledger, pair, net + credit, credit);
    add(borne.adjustment, pair, restNet + restCredit, restCredit);
  }
}

function creditIn(sums: SumsByLayer, index: number, chosen: readonly Layer[]): bigint {
  return chosen.reduce((sum, layer) => sum + (sums[layer].credit[index] as bigint), 0n);
}

/** What the accounts of each set come to, without the difference, in the order of the sets. */
function sumsOfSets(
  { firsts, placeOfSet }: BearingPairs,
  { ledger, adjustment }: SumsByLayer,
): { readonly ledger: BigInt64Array; readonly all: BigInt64Array } {
  const behind = firsts.at(-1) as number;
  const sums = { ledger: new BigInt64Array(placeOfSet.length - behind), all: new BigInt64Array(placeOfSet.length - behind) };
  for (let pair = 0; pair < behind; pair++) {
    const place = placeOfSet[pair] as number;
    const inLedger = (ledger.debit[pair] as bigint) - (ledger.credit[pair] as bigint);
    sums.ledger[place] = (sums.ledger[place] as bigint) + inLedger;
    sums.all[place] = (sums.all[place] as bigint) + inLedger + (adjustment.debit[pair] as bigint) - (adjustment.credit[pair] as bigint);
  }
  return sums;
}

function sumsWithin(lines: PartialLines, position: Position, length: number): SumsByLayer {
  const none = noSums(length);
  return { ledger: lines(position, 'ledger') ?? none.ledger, adjustment: lines(position, 'adjustment') ?? none.adjustment };
}

function add({ debit, credit }: SumsByLayer[Layer], index: number, debits: bigint, credits: bigint): void {
  debit[index] = (debit[index] as bigint) + debits;
  credit[index] = (credit[index] as bigint) + credits;
}
