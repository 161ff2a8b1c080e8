import {
  type AccountAmounts,
  type AccountFlows,
  type AccountReading,
  amountOfReading,
  balanceAt,
  type Day,
  type FacetFilter,
  facetKey,
  fail,
  type GrossVector,
  grossOver,
  increasesOf,
  type Layer,
  layers,
  movementOver,
  needsFlows,
  type Outcome,
  periodIndexOf,
  type Span,
  succeed,
  toPresentation,
} from '@ivory-ladder/core';
import { accountsById } from './accountsById.ts';
import { splitByDaysOfCash } from './besideCash.ts';
import { commonFilter } from './commonFilter.ts';
import type { Failure } from './failure.ts';
import { openBooksOf } from './openBooks.ts';
import { partialsFor } from './partialLines.ts';
import type { Books, FlowOfDay, Ports } from './ports/index.ts';
import { asFlows, movingBooks, translatedBooks } from './translatedBooks.ts';

/** What every account has at the beginning and the end of a span, and what moved between; `withFlows`: by direction too, and with exchange rates. */
export async function amountsOver(
  ports: Pick<Ports, 'ledger'>,
  books: Books,
  span: Span,
  withFlows: boolean,
  chosen: readonly Layer[] = layers,
): Promise<AccountAmounts> {
  const partial = await partialsFor(ports, books, [span]);
  const closing = balanceAt(books.cube, books.traits, chosen, span.lastDay, partial);
  const moving = movingBooks(books);
  const within = moving === books ? partial : await partialsFor(ports, moving, [span]);
  return splitByDaysOfCash(books, span, {
    opening: balanceAt(books.cube, books.traits, chosen, span.firstDay, partial, { atBeginning: true }).net,
    movement: movementOver(moving.cube, chosen, span, within),
    closing: closing.net,
    notAllotted: closing.notAllotted,
    ...(withFlows ? { flows: await flowsOver(ports, books, span, chosen, grossOver(moving.cube, chosen, span, within)) } : {}),
  });
}

async function flowsOver({ ledger }: Pick<Ports, 'ledger'>, books: Books, span: Span, chosen: readonly Layer[], gross: GrossVector): Promise<AccountFlows> {
  const [reversing, exchange, within] = await Promise.all([
    ledger.reversingLines(books, span),
    ledger.exchangeOnCash(books, span),
    ledger.withinEquity(books, span),
  ]);
  const byId = accountsById(books);
  const length = books.cube.accountIds.length;
  const presented = presenting(books);
  const sum = (flows: readonly FlowOfDay[], amountOf: (flow: FlowOfDay) => bigint): BigInt64Array => {
    const sums = new BigInt64Array(length);
    for (const flow of flows) if (chosen.includes(flow.layer)) sums[flow.account] = (sums[flow.account] as bigint) + amountOf(presented(flow));
    return sums;
  };
  const debitOf = ({ debit }: FlowOfDay): bigint => debit;
  const creditOf = ({ credit }: FlowOfDay): bigint => credit;
  const bothOf = ({ debit, credit }: FlowOfDay): bigint => debit + credit;
  const accounts = books.cube.accountIds.map((id) => byId.get(id));
  const isCreditNormal = accounts.map((account) => account?.normalSide === 'credit');
  const isRaisedByCredit = accounts.map((account) => (account?.element === 'equity' ? true : account?.normalSide === 'credit'));
  const reversed = sum(reversing, bothOf);
  const transfers = { debit: sum(within, debitOf), credit: sum(within, creditOf) };
  const transfersReversed = sum(
    within.filter(({ isReversing }) => isReversing),
    bothOf,
  );
  const raised = increasesOf(transfers, transfersReversed, (account) => isRaisedByCredit[account] === true);
  const lowered = raised.map((amount, at) => (transfers.debit[at] as bigint) - (transfers.credit[at] as bigint) - amount);
  return {
    increases: increasesOf(gross, reversed, (account) => isCreditNormal[account] === true),
    raised: increasesOf(gross, reversed, (account) => isRaisedByCredit[account] === true),
    exchange: sum(exchange, ({ debit, credit }) => debit - credit),
    transfers: { raised, lowered },
  };
}

/** What was moved between lines, like the flow that it moves, at the average rate of its period; a rate that is missing keeps a statement from being run. */
export function atAverageOf({ translation, calendar }: Books): (net: bigint, day: Day) => bigint {
  return (net, day) => {
    if (!translation) return net;
    const { from, rates } = translation.given;
    const rate = rates.averageOf(periodIndexOf(calendar, day));
    return rate === null ? 0n : toPresentation(net, from, rates.to, rate);
  };
}

/** A flow in the currency of the books: on equity at the rate of its day, else at the average of its period. */
function presenting({ translation, calendar }: Books): (flow: FlowOfDay) => FlowOfDay {
  if (!translation) return (flow) => flow;
  const { cube, elements, from, rates } = translation.given;
  return (flow) => {
    const rate =
      elements[flow.account] === 'equity'
        ? rates.ofEquity(cube.accountIds[flow.account] as number, flow.day)
        : rates.averageOf(periodIndexOf(calendar, flow.day));
    // A rate that is missing keeps a statement from being run.
    const presented = (amount: bigint): bigint => (rate === null ? 0n : toPresentation(amount, from, rates.to, rate));
    return { ...flow, debit: presented(flow.debit), credit: presented(flow.credit) };
  };
}

/** The books that each reading is of, by the filter of the reading. */
export async function booksOfReadings(
  ports: Pick<Ports, 'ledger' | 'rates'>,
  books: Books,
  asked: FacetFilter,
  readings: readonly AccountReading[],
): Promise<Outcome<ReadonlyMap<string, Books>, Failure>> {
  const parts = new Map<string, Books>();
  for (const { facets } of readings) {
    const key = facetKey(facets);
    if (parts.has(key)) continue;
    const narrowed = await narrowFurther(ports, books, asked, facets);
    if (!narrowed.ok) return narrowed;
    parts.set(key, narrowed.value);
  }
  return succeed(parts);
}

/** What lines take instead of the column's own amounts, in the order of the readings. */
export async function vectorsOfReadings(
  ports: Pick<Ports, 'ledger'>,
  readings: readonly AccountReading[],
  parts: ReadonlyMap<string, Books>,
  own: 'opening' | 'closing' | 'movement',
  span: Span,
  chosen: readonly Layer[] = layers,
): Promise<BigInt64Array[]> {
  const amounts = new Map<string, AccountAmounts>();
  for (const [key, books] of parts) {
    const withFlows = readings.some((reading) => needsFlows(reading) && facetKey(reading.facets) === key);
    amounts.set(key, await amountsOver(ports, books, span, withFlows, chosen));
  }
  return readings.map((reading) => amountOfReading(reading, own, amounts.get(facetKey(reading.facets)) as AccountAmounts));
}

/** The books with the lines alone that both filters want; `null` where the ledger has moved on. */
export async function narrowFurther(
  ports: Pick<Ports, 'ledger' | 'rates'>,
  books: Books,
  asked: FacetFilter,
  reading: FacetFilter,
): Promise<Outcome<Books, Failure>> {
  const both = commonFilter(books.lists, asked, reading);
  if (Object.keys(both).length === 0) return succeed(books);
  const whole = await openBooksOf(ports, books.company.id, {});
  if (!whole.ok) return whole;
  const narrowed = await ports.ledger.narrow(whole.value, both);
  if (!narrowed || narrowed.cube.revision !== books.cube.revision) return fail({ code: 'ledger_moved_on' });
  if (!books.translation) return succeed(narrowed);
  const translated = await translatedBooks(ports, narrowed, books.company.currency.code);
  return translated.ok && books.translation.isOfFlows ? succeed(asFlows(translated.value)) : translated;
}
