import { type AccountTraits, isIncomeOrExpense, type TrialBalanceRow } from '@ivory-ladder/core';
import type { Books } from '../ports/index.ts';

/** All accounts the posting may touch: those of the cube, then those the file brings, by one dense numbering. */
export interface AccountField {
  readonly numbers: readonly string[];
  readonly names: readonly string[];
  readonly at: ReadonlyMap<string, number>;
  readonly traits: AccountTraits;
}

export interface NamedAmount {
  readonly number: string;
  readonly name: string;
  readonly amount: bigint;
}

export function layField(books: Books, rows: readonly TrialBalanceRow[], retainedEarnings: string | null): AccountField {
  const byId = new Map(books.accounts.map((account) => [account.id, account]));
  const charted = books.cube.accountIds.map((id) => byId.get(id) as (typeof books.accounts)[number]);
  const numbers = new Set(charted.map((account) => account.number));
  const brought = [...new Map(rows.filter(({ number }) => number !== '' && !numbers.has(number)).map((row) => [row.number, row])).values()];
  const all = [...charted, ...brought];
  const at = new Map(all.map(({ number }, index) => [number, index]));
  return {
    numbers: all.map(({ number }) => number),
    names: all.map(({ name }) => name),
    at,
    traits: {
      resets: Uint8Array.from(all, ({ element }) => (element !== null && isIncomeOrExpense(element) ? 1 : 0)),
      retainedEarnings: retainedEarnings === null ? -1 : (at.get(retainedEarnings) ?? -1),
    },
  };
}

export function namedLines(field: AccountField, lines: BigInt64Array): NamedAmount[] {
  return field.numbers.flatMap((number, at) => (lines[at] === 0n ? [] : [{ number, name: field.names[at] as string, amount: lines[at] as bigint }]));
}
