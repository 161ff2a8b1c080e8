import {
  type AccountReading,
  balanceAt,
  divideHalfAwayFromZero,
  type FacetFilter,
  fail,
  type ListKey,
  layers,
  movementOver,
  type Outcome,
  type Span,
  succeed,
  valuesBelow,
} from '@ivory-ladder/core';
import type { Failure } from './failure.ts';
import { openBooksOf } from './openBooks.ts';
import { partialsFor } from './partialLines.ts';
import type { Books, Ports } from './ports/index.ts';

export interface AccountAmounts {
  readonly opening: BigInt64Array;
  readonly movement: BigInt64Array;
  readonly closing: BigInt64Array;
  readonly notAllotted: bigint;
}

/** What every account has at the beginning and the end of a span, and what moved between. */
export async function amountsOver(ports: Pick<Ports, 'ledger'>, books: Books, span: Span): Promise<AccountAmounts> {
  const partial = await partialsFor(ports, books, [span]);
  const closing = balanceAt(books.cube, books.traits, layers, span.lastDay, partial);
  return {
    opening: balanceAt(books.cube, books.traits, layers, span.firstDay, partial, { atBeginning: true }).net,
    movement: movementOver(books.cube, layers, span, partial),
    closing: closing.net,
    notAllotted: closing.notAllotted,
  };
}

/** One amount per account for what a line takes instead of the column's own. A mean is rounded account by account, so that accounts add up to their line. */
export function amountOfReading(
  measure: AccountReading['measure'],
  own: 'closing' | 'movement',
  { opening, movement, closing }: AccountAmounts,
): BigInt64Array {
  switch (measure) {
    case 'column':
      return own === 'closing' ? closing : movement;
    case 'opening':
      return opening;
    case 'closing':
      return closing;
    case 'movement':
      return movement;
    case 'mean':
      return opening.map((amount, at) => divideHalfAwayFromZero(amount + (closing[at] as bigint), 2n));
  }
}

/** The books with the lines alone that both filters want; `null` where the ledger has moved on. */
export async function narrowFurther(ports: Pick<Ports, 'ledger'>, books: Books, asked: FacetFilter, reading: FacetFilter): Promise<Outcome<Books, Failure>> {
  const both: Record<ListKey, readonly string[]> = { ...asked };
  for (const [key, values] of Object.entries(reading) as [ListKey, readonly string[]][]) {
    const list = books.lists.find((one) => one.key === key);
    const whole = (wanted: readonly string[]) => (list ? wanted.flatMap((value) => (value === '' ? [value] : valuesBelow(list, value))) : wanted);
    const other = asked[key];
    const within = new Set(other ? whole(other) : []);
    const common = other ? whole(values).filter((value) => within.has(value)) : values;
    both[key] = common;
  }
  if (Object.keys(both).length === 0) return succeed(books);
  const whole = await openBooksOf(ports, books.company.id, {});
  if (!whole.ok) return whole;
  const narrowed = await ports.ledger.narrow(whole.value, both);
  return narrowed && narrowed.cube.revision === books.cube.revision ? succeed(narrowed) : fail({ code: 'ledger_moved_on' });
}
