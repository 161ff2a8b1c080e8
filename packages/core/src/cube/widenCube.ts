import type { Cube, Origin } from './cube.ts';
import { noSums, plusSums } from './sumsByLayer.ts';
import type { GrossVector } from './vector.ts';

/** The cube with more accounts behind its own, on which nothing was posted. Cost: periods × accounts. */
export function widenCube(cube: Cube, ids: readonly number[]): Cube {
  const accounts = cube.accountIds.length;
  const accountIds = [...cube.accountIds, ...ids];
  const widen = (sums: BigInt64Array): BigInt64Array => {
    const wide = new BigInt64Array(accountIds.length * cube.calendar.periods.length);
    for (let period = 0; period < cube.calendar.periods.length; period++)
      wide.set(sums.subarray(period * accounts, (period + 1) * accounts), period * accountIds.length);
    return wide;
  };
  const book = ({ debit, credit }: GrossVector): GrossVector => ({ debit: widen(debit), credit: widen(credit) });
  const layer = (books: Readonly<Record<Origin, GrossVector>>) => ({ ordinary: book(books.ordinary), closing: book(books.closing) });
  return {
    ...cube,
    accountIds,
    indexOf: new Map(accountIds.map((id, index) => [id, index])),
    books: { ledger: layer(cube.books.ledger), adjustment: layer(cube.books.adjustment) },
    openings: new Map([...cube.openings].map(([day, sums]) => [day, plusSums(noSums(accountIds.length), sums)])),
  };
}
