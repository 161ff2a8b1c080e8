import type { Selection } from './line.ts';
import type { SourceAccount } from './source.ts';

/** The accounts with the role cash (IAS 7.6), whole, or in debit alone where overdrafts are placed like any other account. */
export function cashPortions(accounts: readonly Pick<SourceAccount, 'role'>[], overdraftsApart: boolean): Selection {
  const held = accounts.flatMap(({ role }, at) => (role === 'cash' ? [at] : []));
  return { accounts: Int32Array.from(held), sides: new Uint8Array(held.length).fill(overdraftsApart ? 1 : 3) };
}
