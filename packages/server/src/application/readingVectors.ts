import {
  type AccountAmounts,
  type AccountFlows,
  type AccountReading,
  amountOfReading,
  balanceAt,
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
  type Span,
  succeed,
} from '@ivory-ladder/core';
import { accountsById } from './accountsById.ts';
import { commonFilter } from './commonFilter.ts';
import type { Failure } from './failure.ts';
import { openBooksOf } from './openBooks.ts';
import { partialsFor } from './partialLines.ts';
import type { Books, Ports } from './ports/index.ts';

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
  return {
    opening: balanceAt(books.cube, books.traits, chosen, span.firstDay, partial, { atBeginning: true }).net,
    movement: movementOver(books.cube, chosen, span, partial),
    closing: closing.net,
    notAllotted: closing.notAllotted,
    ...(withFlows ? { flows: await flowsOver(ports, books, span, grossOver(books.cube, chosen, span, partial)) } : {}),
  };
}

async function flowsOver({ ledger }: Pick<Ports, 'ledger'>, books: Books, span: Span, gross: GrossVector): Promise<AccountFlows> {
  const [reversing, exchange, within] = await Promise.all([
    ledger.reversingLines(books, span),
    ledger.exchangeOnCash(books, span),
    ledger.withinEquity(books, span),
  ]);
  const byId = accountsById(books);
  const isCreditNormal = books.cube.accountIds.map((id) => byId.get(id)?.normalSide === 'credit');
  const increasing = (sums: GrossVector, reversed: BigInt64Array): BigInt64Array => increasesOf(sums, reversed, (account) => isCreditNormal[account] === true);
  const transferred = increasing(within, within.reversing);
  const decreases = transferred.map((amount, at) => (within.debit[at] as bigint) - (within.credit[at] as bigint) - amount);
  return { increases: increasing(gross, reversing), exchange, transfers: { increases: transferred, decreases } };
}

/** The books that each reading is of, by the filter of the reading. */
export async function booksOfReadings(
  ports: Pick<Ports, 'ledger'>,
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
export async function narrowFurther(ports: Pick<Ports, 'ledger'>, books: Books, asked: FacetFilter, reading: FacetFilter): Promise<Outcome<Books, Failure>> {
  const both = commonFilter(books.lists, asked, reading);
  if (Object.keys(both).length === 0) return succeed(books);
  const whole = await openBooksOf(ports, books.company.id, {});
  if (!whole.ok) return whole;
  const narrowed = await ports.ledger.narrow(whole.value, both);
  return narrowed && narrowed.cube.revision === books.cube.revision ? succeed(narrowed) : fail({ code: 'ledger_moved_on' });
}
