import type { Day } from '../calendar/day.ts';
import type { Proof } from './proof.ts';

/** Of one code list that is declared complete. */
export interface CodesOfList {
  readonly list: string;
  readonly inScope: number;
  /** Dense numbers of the accounts that have no code of it, with their balances. */
  readonly missing: readonly { readonly account: number; readonly net: bigint }[];
}

/** Every account that needs a code of a list has one; an account is named once for each list. `null` where no list is declared complete. */
export function proveCodes(day: Day, lists: readonly CodesOfList[]): Proof | null {
  if (lists.length === 0) return null;
  const accounts = lists.flatMap(({ list, missing }) => missing.map(({ account, net }) => ({ account, reason: `without_code ${list}`, net })));
  const inScope = lists.reduce((sum, one) => sum + one.inScope, 0);
  const count = (name: string, value: number) => ({ name, day, net: BigInt(value) });
  return {
    name: 'codes_complete',
    state: accounts.length === 0 ? 'holds' : 'to_look_at',
    difference: accounts.reduce((sum, { net }) => sum + (net < 0n ? -net : net), 0n),
    figures: [count('codes_needed', inScope), count('codes_given', inScope - accounts.length)],
    accounts,
  };
}
