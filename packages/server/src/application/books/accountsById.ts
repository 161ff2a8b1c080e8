import type { ChartAccount, Structure } from '../ports/index.ts';

const known = new WeakMap<Structure['accounts'], ReadonlyMap<number, ChartAccount>>();

/** The accounts of a structure by id, made once for it. */
export function accountsById({ accounts }: Structure): ReadonlyMap<number, ChartAccount> {
  const before = known.get(accounts);
  if (before) return before;
  const made = new Map(accounts.map((account) => [account.id, account]));
  known.set(accounts, made);
  return made;
}
