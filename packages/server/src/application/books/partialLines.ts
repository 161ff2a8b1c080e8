import { type LinesOfSets, type PartialLines, type Position, positionAt, positionBefore, type Span } from '@ivory-ladder/core';
import type { Books, Ports } from '../ports/index.ts';

/** Lines inside periods for every day that a run needs; nothing is asked where all days end a period. */
export function partialsFor(ports: Pick<Ports, 'ledger'>, books: Books, spans: readonly Span[]): Promise<PartialLines> {
  const { calendar } = books.cube;
  return partialsAt(
    ports,
    books,
    spans.flatMap((span) => [positionAt(calendar, span.lastDay), positionBefore(calendar, span.firstDay)]),
  );
}

export async function partialsAt({ ledger }: Pick<Ports, 'ledger'>, books: Books, positions: readonly Position[]): Promise<PartialLines> {
  const inside = positions.filter(({ partialFrom }) => partialFrom !== null);
  const { translation } = books;
  const [partial, ofSets] = await Promise.all([
    ledger.linesWithin(translation?.whole ?? translation?.of ?? books, inside),
    // Shares are of what all lines come to.
    translation?.whole ? ledger.linesOfSetsWithin(translation.whole, inside) : noSets,
  ]);
  return translation?.balances.within(partial, ofSets) ?? partial;
}

const noSets: LinesOfSets = () => [];
