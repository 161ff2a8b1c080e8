import type { FiscalCalendar } from '../calendar/fiscalCalendar.ts';
import type { Layer, Origin } from './layer.ts';
import type { Openings } from './openings.ts';

/** One row of the balance table: what was posted in one period, not cumulated. Amounts in minor units, not negative. */
export interface BalanceRow {
  readonly accountId: number;
  readonly layer: Layer;
  readonly origin: Origin;
  /** Index into the calendar's periods. A closing entry stands in the last period of the year it closes. */
  readonly periodIndex: number;
  readonly debit: bigint;
  readonly credit: bigint;
}

/** Cumulative sums, index `period × accounts + account`. */
interface Book {
  readonly debit: BigInt64Array;
  readonly credit: BigInt64Array;
}

/**
 * The balances of one company at one revision. Opening, movement and closing of any span are differences of two
 * positions. Accounts are numbered densely by ascending id.
 */
export interface Cube {
  readonly revision: number;
  readonly calendar: FiscalCalendar;
  readonly accountIds: readonly number[];
  readonly indexOf: ReadonlyMap<number, number>;
  /** Ordinary lines, those of openings among them, and closing entries. */
  readonly books: Readonly<Record<Layer, Readonly<Record<Origin, Book>>>>;
  readonly openings: Openings;
}

const noOpenings: Openings = new Map();

/** What the arrays hold at most. */
export const largestSum = 2n ** 63n;

/**
 * `openings` are of lines that are among the rows. `accountIds` ascending, all accounts that a row may name. The sums of all debits and of all credits are checked
 * to be under 2⁶³, since the arrays wrap in silence; more is a bug of the limits on posting.
 * Cost: rows + periods × accounts.
 */
export function buildCube(
  revision: number,
  calendar: FiscalCalendar,
  accountIds: readonly number[],
  rows: Iterable<BalanceRow>,
  openings: Openings = noOpenings,
): Cube {
  const accounts = accountIds.length;
  const size = accounts * calendar.periods.length;
  const indexOf = new Map(accountIds.map((id, index) => [id, index]));
  const books = emptyBooks(size);
  let debits = 0n;
  let credits = 0n;
  for (const row of rows) {
    const account = indexOf.get(row.accountId);
    if (account === undefined || row.periodIndex < 0) throw new Error(`a balance of account ${row.accountId} has no account or period`);
    const { debit, credit } = books[row.layer][row.origin];
    const at = row.periodIndex * accounts + account;
    debit[at] = (debit[at] as bigint) + row.debit;
    credit[at] = (credit[at] as bigint) + row.credit;
    debits += row.debit;
    credits += row.credit;
  }
  if (debits >= largestSum || credits >= largestSum) throw new Error('the sums of the ledger do not fit 64 bits');
  for (const layer of Object.values(books))
    for (const { debit, credit } of Object.values(layer)) for (const array of [debit, credit]) cumulate(array, accounts);
  return { revision, calendar, accountIds, indexOf, books, openings };
}

/** With nothing in them. `size`: accounts × periods. */
export function emptyBooks(size: number): Record<Layer, Record<Origin, Book>> {
  const book = (): Book => ({ debit: new BigInt64Array(size), credit: new BigInt64Array(size) });
  return { ledger: { ordinary: book(), closing: book() }, adjustment: { ordinary: book(), closing: book() } };
}

/** Sums of one period into sums up to each. */
export function cumulate(array: BigInt64Array, accounts: number): void {
  for (let at = accounts; at < array.length; at++) array[at] = (array[at] as bigint) + (array[at - accounts] as bigint);
}

/** All debits that were posted, or all credits where they are more; minor units. */
export function sumPosted({ books, accountIds }: Pick<Cube, 'books' | 'accountIds'>): bigint {
  const sum = (side: 'debit' | 'credit'): bigint =>
    Object.values(books).reduce(
      (total, { ordinary, closing }) =>
        total +
        [ordinary[side], closing[side]].reduce((all, sums) => sums.subarray(sums.length - accountIds.length).reduce((one, amount) => one + amount, all), 0n),
      0n,
    );
  const [debits, credits] = [sum('debit'), sum('credit')];
  if (debits > credits) return debits;
  return credits;
}
