import type { ChartAccount, Structure } from '../ports/index.ts';

const byIdOf = new WeakMap<Structure['accounts'], ReadonlyMap<number, ChartAccount>>();

/** The accounts of a structure by id, made once for it. */
export function accountsById({ accounts }: Structure): ReadonlyMap<number, ChartAccount> {
  const before = byIdOf.get(accounts);
  if (before) return before;
  const made = new Map(accounts.map((account) => [account.id, account]));
  byIdOf.set(accounts, made);
  return made;
}
