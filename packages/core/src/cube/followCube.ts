import { type BalanceRow, type Cube, largestSum } from './cube.ts';
import { layers, type Origin } from './layer.ts';

const origins: readonly Origin[] = ['ordinary', 'closing'];
const sides = ['debit', 'credit'] as const;

/**
 * The cube at a later revision: `rows` are what was posted since, on its own accounts and periods. The cube that it was made
 * from stays as it is; arrays that nothing was added to are shared with it. Sums are kept under 2⁶³, as on loading.
 * Cost: the arrays that change, and rows × periods behind each.
 */
export function followCube(cube: Cube, revision: number, rows: readonly BalanceRow[]): Cube {
  const accounts = cube.accountIds.length;
  const books = { ledger: { ...cube.books.ledger }, adjustment: { ...cube.books.adjustment } };
  const copied = new Set<string>();
  for (const { accountId, layer, origin, periodIndex, debit, credit } of rows) {
    const account = cube.indexOf.get(accountId);
    if (account === undefined || periodIndex < 0 || periodIndex >= cube.calendar.periods.length)
      throw new Error(`a line of account ${accountId} has no account or period`);
    if (!copied.has(`${layer} ${origin}`)) {
      const { debit: debits, credit: credits } = books[layer][origin];
      books[layer][origin] = { debit: debits.slice(), credit: credits.slice() };
      copied.add(`${layer} ${origin}`);
    }
    const book = books[layer][origin];
    for (let at = periodIndex * accounts + account; at < book.debit.length; at += accounts) {
      book.debit[at] = (book.debit[at] as bigint) + debit;
      book.credit[at] = (book.credit[at] as bigint) + credit;
    }
  }
  for (const side of sides) {
    let sum = 0n;
    for (const layer of layers)
      for (const origin of origins) {
        const array = books[layer][origin][side];
        for (let at = Math.max(0, array.length - accounts); at < array.length; at++) sum += array[at] as bigint;
      }
    if (sum >= largestSum) throw new Error('the sums of the ledger do not fit 64 bits');
  }
  return { ...cube, revision, books };
}
