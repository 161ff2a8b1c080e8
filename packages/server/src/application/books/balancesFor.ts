import { type BalanceVector, balanceAt, type Day, layers, type PartialLines } from '@ivory-ladder/core';
import type { Books } from '../ports/index.ts';

/** All lines at the end of a day. */
export function balancesFor(books: Pick<Books, 'cube' | 'traits'>, day: Day, partial: PartialLines): BalanceVector {
  return balanceAt(books.cube, books.traits, layers, day, partial);
}
