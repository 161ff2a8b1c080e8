import { type PartialLines, positionAt, positionBefore, type Span } from '@ivory-ladder/core';
import type { Books, Ports } from './ports/index.ts';

/** Lines inside periods for every day that a run needs; nothing is asked where all days end a period. */
export async function partialsFor({ ledger }: Pick<Ports, 'ledger'>, books: Books, spans: readonly Span[]): Promise<PartialLines> {
  const positions = spans.flatMap((span) => [positionAt(books.cube.calendar, span.lastDay), positionBefore(books.cube.calendar, span.firstDay)]);
  const partial = await ledger.linesWithin(
    books.translation?.of ?? books,
    positions.filter((position) => position.partialFrom !== null),
  );
  return books.translation?.balances.within(partial) ?? partial;
}
