import { addDays, type Day } from '../calendar/day.ts';
import { periodIndexOf } from '../calendar/fiscalCalendar.ts';
import type { Element } from '../chart/element.ts';
import { type Cube, emptyBooks, largestSum } from '../cube/cube.ts';
import type { GrossVector } from '../cube/grossVector.ts';
import { type Layer, layers } from '../cube/layer.ts';
import type { OpeningLine } from '../cube/openings.ts';
import type { Position } from '../cube/position.ts';
import { netIn, noSums, plusSums, type SumsByLayer } from '../cube/sumsByLayer.ts';
import { sumsUpTo } from '../cube/sumsUpTo.ts';
import type { PartialLines } from '../cube/vector.ts';
import type { Currency } from '../money/currency.ts';
import type { Decimal } from '../money/decimal.ts';
import { fail, type Outcome, succeed } from '../outcome.ts';
import type { LinesOfSets } from './linesOfSets.ts';
import { mannersOf } from './manner.ts';
import { type PresentationRates, toPresentation } from './presentationRates.ts';

/** An ordinary line on an account of equity, by its dense number. */
export interface EquityLine {
  readonly account: number;
  /** 0 for lines without facet values. */
  readonly facetSetId: number;
  readonly day: Day;
  readonly layer: Layer;
  readonly debit: bigint;
  readonly credit: bigint;
  /** Of an opening entry. */
  readonly isOpening?: boolean;
}

/** A rate that translation needs and nobody gave. `day`: of an average the first of its period. */
export interface MissingRate {
  readonly kind: 'closing' | 'average';
  readonly day: Day;
}

export interface TranslatedFrom {
  readonly cube: Cube;
  readonly from: Currency;
  readonly rates: PresentationRates;
  /** By dense number. */
  readonly elements: readonly Element[];
  /** Dense number of the account with the role retained earnings, or −1. */
  readonly retainedEarnings: number;
  readonly equityLines: readonly EquityLine[];
  /** Of which the openings of the cube are made. */
  readonly openingLines: readonly OpeningLine[];
  /**
   * Of a cash flow: accounts whose lines are cash flows or what stands in their place, which are translated as they move, at average
   * rates (IAS 7.26 to 7.28), and not by what they hold. By dense number; `null`: none is.
   */
  readonly isFlow: readonly boolean[] | null;
}

export interface TranslatedCube {
  /** With one account more, behind all others: the difference of exchange that translation leaves (IAS 21.39(c)). */
  readonly cube: Cube;
  /** In the order of their days. */
  readonly missing: readonly MissingRate[];
  /**
   * Lines inside periods, from those of the company's currency; closing rates of these days are not among what is missing. Of a part of the
   * ledger: from those of all of it, and from those with facet values.
   */
  within(partial: PartialLines, ofSets?: LinesOfSets): PartialLines;
}

/**
 * The balances of a company in another currency (IAS 21.39 to 21.41): assets and liabilities at the closing rate of each day, for each
 * account; income and expenses at the average rate of each period, for each account and period; equity line for line. Closing entries
 * move what a year left by the rate of its last day, the rest of each of them on retained earnings, so that profit is carried as it was
 * translated in its own year. What is rounded is rounded once, where it is translated; of two layers the second is the rest of both.
 * Where a rate is missing the amounts stand as nil, and the rate is named. Cost: periods × accounts + lines of equity.
 */
export function translateCube(source: TranslatedFrom): Outcome<TranslatedCube, { readonly code: 'amounts_too_large' }> {
  const { cube, rates, from, elements, isFlow } = source;
  const { periods } = cube.calendar;
  const accounts = cube.accountIds.length;
  const wide = accounts + 1;
  const missing = new Map<string, MissingRate>();
  const lacks = (kind: MissingRate['kind'], day: Day): null => {
    missing.set(`${day} ${kind}`, { kind, day });
    return null;
  };
  const at = (amount: bigint, rate: Decimal | null): bigint => (rate === null ? 0n : toPresentation(amount, from, rates.to, rate));
  const manners = mannersOf(elements, isFlow);
  const averageOf = (periodIndex: number): Decimal | null => rates.averageOf(periodIndex) ?? lacks('average', periods[periodIndex]?.firstDay ?? '');
  checkWhole(source);
  const byPeriod = equityLinesByPeriod(cube, source.equityLines);
  const books = emptyBooks(wide * periods.length);
  let most = 0n;
  const put = (into: GrossVector, index: number, debit: bigint, credit: bigint): void => {
    for (const amount of [debit, credit, debit - credit]) if (amount > most || -amount > most) most = amount < 0n ? -amount : amount;
    into.debit[index] = debit;
    into.credit[index] = credit;
  };

  /** Translates what both layers have of an account; the adjustments are what all has beyond the ledger. What is held is told net: its sides are no amounts of one rate. */
  const both = (own: SumsByLayer, account: number, rate: Decimal | null, isHeld: boolean): Record<Layer, readonly [debit: bigint, credit: bigint]> => {
    const net = at(netIn(own, account, ['ledger']), rate);
    const credit = isHeld ? 0n : at(own.ledger.credit[account] as bigint, rate);
    const restNet = at(netIn(own, account), rate) - net;
    const restCredit = isHeld ? 0n : at((own.ledger.credit[account] as bigint) + (own.adjustment.credit[account] as bigint), rate) - credit;
    return { ledger: [net + credit, credit], adjustment: [restNet + restCredit, restCredit] };
  };

  for (const [periodIndex, period] of periods.entries()) {
    const held = sumsUpTo(cube, 'ordinary', periodIndex);
    const moved = plusSums(held, sumsUpTo(cube, 'ordinary', periodIndex - 1), -1n);
    const closed = plusSums(sumsUpTo(cube, 'closing', periodIndex), sumsUpTo(cube, 'closing', periodIndex - 1), -1n);
    const closing = rates.closingOn(period.lastDay);
    const base = periodIndex * wide;
    for (const layer of layers) carryOn(books[layer].ordinary, base, wide);
    for (const layer of layers) carryOn(books[layer].closing, base, wide);
    for (let account = 0; account < accounts; account++) {
      const manner = manners[account];
      if (manner === 'line') continue;
      const own = manner === 'balance' ? held : moved;
      if (isNil(own, account)) continue;
      const translated = both(own, account, manner === 'balance' ? closing : averageOf(periodIndex), manner === 'balance');
      for (const layer of layers) {
        const into = books[layer].ordinary;
        const [debit, credit] = translated[layer];
        const before = manner === 'balance' ? [0n, 0n] : [into.debit[base + account] as bigint, into.credit[base + account] as bigint];
        put(into, base + account, (before[0] as bigint) + debit, (before[1] as bigint) + credit);
      }
    }
    for (const { account, day, layer, debit, credit } of byPeriod.get(periodIndex) ?? []) {
      const rate = rates.ofEquity(cube.accountIds[account] as number, day) ?? lacks('closing', day);
      const into = books[layer].ordinary;
      put(into, base + account, (into.debit[base + account] as bigint) + at(debit, rate), (into.credit[base + account] as bigint) + at(credit, rate));
    }
    for (const layer of layers) {
      let rest = 0n;
      for (let account = 0; account < accounts; account++) {
        const net = netIn(closed, account, [layer]);
        if (net === 0n || account === source.retainedEarnings) continue;
        const translated = at(net, closing ?? lacks('closing', period.lastDay));
        rest -= translated;
        put(books[layer].closing, base + account, netOf(books[layer].closing, base + account) + translated, 0n);
      }
      const { retainedEarnings } = source;
      if (rest !== 0n && retainedEarnings >= 0)
        put(books[layer].closing, base + retainedEarnings, netOf(books[layer].closing, base + retainedEarnings) + rest, 0n);
      for (const origin of ['ordinary', 'closing'] as const) put(books[layer][origin], base + accounts, -netOfRow(books[layer][origin], base, accounts), 0n);
    }
  }
  const openings = new Map<Day, SumsByLayer>();
  for (const [day, sums] of cube.openings) {
    const made = noSums(wide);
    const average = rates.averageOf(periodIndexOf(cube.calendar, day));
    const held = openingRate(rates, day);
    for (let account = 0; account < accounts; account++) {
      const manner = manners[account];
      if (manner === 'line' || isNil(sums, account)) continue;
      const translated = both(sums, account, manner === 'balance' ? held : average, manner === 'balance');
      for (const layer of layers) put(made[layer], account, ...translated[layer]);
    }
    for (const line of source.equityLines) {
      if (!line.isOpening || line.day !== day) continue;
      const [into, rate] = [made[line.layer], rates.ofEquity(cube.accountIds[line.account] as number, day)];
      put(into, line.account, (into.debit[line.account] as bigint) + at(line.debit, rate), (into.credit[line.account] as bigint) + at(line.credit, rate));
    }
    for (const layer of layers) put(made[layer], accounts, -netOfRow(made[layer], 0, accounts), 0n);
    openings.set(day, made);
  }
  if (most >= largestSum) return fail({ code: 'amounts_too_large' });

  const within = (partial: PartialLines): PartialLines => {
    const found = new Map<Day, SumsByLayer>();
    const translated = (position: Position): SumsByLayer => {
      const atPosition = found.get(position.day);
      if (atPosition) return atPosition;
      const nothing = noSums(accounts);
      const lines: SumsByLayer = { ledger: partial(position, 'ledger') ?? nothing.ledger, adjustment: partial(position, 'adjustment') ?? nothing.adjustment };
      const made = noSums(wide);
      const held = plusSums(sumsUpTo(cube, 'ordinary', position.periodIndex), lines);
      const [closing, average] = [rates.closingOn(position.day), rates.averageOf(position.periodIndex + 1)];
      const base = position.periodIndex * wide;
      for (let account = 0; account < accounts; account++) {
        const manner = manners[account];
        if (manner === 'line') continue;
        const sums = both(manner === 'balance' ? held : lines, account, manner === 'balance' ? closing : average, manner === 'balance');
        for (const layer of layers) {
          const [debit, credit] = sums[layer];
          // What is held is told whole: of it stands already what was held when the period began.
          const before = manner === 'balance' && base >= 0 ? (books[layer].ordinary.debit[base + account] as bigint) : 0n;
          made[layer].debit[account] = debit - before;
          made[layer].credit[account] = credit;
        }
      }
      for (const { account, day, layer, debit, credit } of byPeriod.get(position.periodIndex + 1) ?? []) {
        if (day > position.day) continue;
        const rate = rates.ofEquity(cube.accountIds[account] as number, day);
        made[layer].debit[account] = (made[layer].debit[account] as bigint) + at(debit, rate);
        made[layer].credit[account] = (made[layer].credit[account] as bigint) + at(credit, rate);
      }
      for (const layer of layers) made[layer].debit[accounts] = -netOfRow(made[layer], 0, accounts);
      found.set(position.day, made);
      return made;
    };
    return (position, layer) => translated(position)[layer];
  };
  const accountIds = [...cube.accountIds, translationAccountId];
  return succeed({
    cube: { ...cube, accountIds, indexOf: new Map(accountIds.map((id, index) => [id, index])), books, openings },
    missing: [...missing.values()].sort((a, b) => (a.day === b.day ? 0 : a.day < b.day ? -1 : 1)),
    within,
  });
}

/** Of what a year opens with: that of the day before, as all that is held has it there, or of the day itself where there was none before. */
export function openingRate(rates: PresentationRates, day: Day): Decimal | null {
  return rates.closingOn(addDays(day, -1)) ?? rates.closingOn(day);
}

/** Of the account that bears the difference: no account of the ledger has it. */
export const translationAccountId = -1;

/** By the period that holds their day. */
export function equityLinesByPeriod({ calendar }: Pick<Cube, 'calendar'>, lines: readonly EquityLine[]): ReadonlyMap<number, EquityLine[]> {
  const byPeriod = new Map<number, EquityLine[]>();
  for (const line of lines) {
    const periodIndex = periodIndexOf(calendar, line.day);
    const there = byPeriod.get(periodIndex);
    if (there) there.push(line);
    else byPeriod.set(periodIndex, [line]);
  }
  return byPeriod;
}

/** That they are all lines there are on these accounts, since what is left out would hide in the difference. */
function checkWhole({ cube, equityLines, elements }: TranslatedFrom): void {
  const left = sumsUpTo(cube, 'ordinary', cube.calendar.periods.length - 1);
  for (const line of equityLines) {
    const { debit, credit } = left[line.layer];
    debit[line.account] = (debit[line.account] as bigint) - line.debit;
    credit[line.account] = (credit[line.account] as bigint) - line.credit;
  }
  for (const [account, element] of elements.entries())
    if (element === 'equity' && layers.some((layer) => netIn(left, account, [layer]) !== 0n)) throw new Error('lines of equity are not those of the balances');
}

function isNil({ ledger, adjustment }: SumsByLayer, account: number): boolean {
  return ledger.debit[account] === 0n && ledger.credit[account] === 0n && adjustment.debit[account] === 0n && adjustment.credit[account] === 0n;
}

function netOf({ debit, credit }: GrossVector, index: number): bigint {
  return (debit[index] as bigint) - (credit[index] as bigint);
}

function netOfRow(sums: GrossVector, base: number, accounts: number): bigint {
  let sum = 0n;
  for (let account = 0; account < accounts; account++) sum += netOf(sums, base + account);
  return sum;
}

/** The row of a period begins as the one before it ended. */
function carryOn({ debit, credit }: GrossVector, base: number, wide: number): void {
  if (base === 0) return;
  for (const side of [debit, credit]) side.copyWithin(base, base - wide, base);
}
