import { type LinesOfSets, type PartialLines, positionAt, positionBefore, type Span } from '@ivory-ladder/core';
import type { Books, Ports } from './ports/index.ts';

/** Lines inside periods for every day that a run needs; nothing is asked where all days end a period. */
export async function partialsFor({ ledger }: Pick<Ports, 'ledger'>, books: Books, spans: readonly Span[]): Promise<PartialLines> {
  const positions = spans.flatMap((span) => [positionAt(books.cube.calendar, span.lastDay), positionBefore(books.cube.calendar, span.firstDay)]);
  const inside = positions.filter(({ partialFrom }) => partialFrom !== null);
  const { translation } = books;
  const [partial, ofSets] = await Promise.all([
    ledger.linesWithin(translation?.whole ?? translation?.of ?? books, inside),
    // Shares are of what all lines come to.
    translation?.whole ? ledger.linesOfSetsWithin(translation.whole, inside) : noSets,
  ]);
  const presented = translation?.balances.within(partial, ofSets) ?? partial;
  return books.translation && books.standIns ? widened(presented, books.cube.accountIds.length) : presented;
}

const noSets: LinesOfSets = () => [];

/** With nothing on accounts that stand in for others. */
function widened(partial: PartialLines, accounts: number): PartialLines {
  const wide = (sums: BigInt64Array): BigInt64Array => {
    const all = new BigInt64Array(accounts);
    all.set(sums);
    return all;
  };
  return (position, layer) => {
    const lines = partial(position, layer);
    return lines && { debit: wide(lines.debit), credit: wide(lines.credit) };
  };
}
