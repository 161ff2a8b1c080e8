import { balanceAt, type CompiledLayout, type Day, equityIn, type Layer, resultOf, type Span } from '@ivory-ladder/core';
import { accountsById } from './accountsById.ts';
import { partialsFor } from './partialLines.ts';
import type { Books, Ports } from './ports/index.ts';

/** What the lines of a balance sheet hold of equity at the beginning of a span, and at its end. */
export async function equityAtEnds(
  ports: Pick<Ports, 'ledger'>,
  books: Books,
  balanceSheet: CompiledLayout,
  { firstDay, lastDay }: Span,
  chosen: readonly Layer[],
): Promise<{ readonly opening: bigint; readonly closing: bigint }> {
  const partial = await partialsFor(ports, books, [{ firstDay, lastDay }]);
  const byId = accountsById(books);
  const equity = books.cube.accountIds.flatMap((id, at) => (byId.get(id)?.element === 'equity' ? [at] : []));
  const held = (day: Day, atBeginning: boolean): bigint => {
    const balances = balanceAt(books.cube, books.traits, chosen, day, partial, { atBeginning });
    return equityIn(balanceSheet, equity, balances, resultOf(balances.net, books.traits.resets));
  };
  return { opening: held(firstDay, true), closing: held(lastDay, false) };
}
