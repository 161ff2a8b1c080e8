import type { Selection } from './line.ts';
import type { SourceAccount } from './source.ts';

type Roles = readonly Pick<SourceAccount, 'role'>[];

/** Places of the accounts with the role cash: every edit of a layout asks for them, over the same chart. */
const placesOfCash = new WeakMap<Roles, Int32Array>();

/** The accounts with the role cash (IAS 7.6), whole, or in debit alone where overdrafts are placed like any other account. */
export function cashPortions(accounts: Roles, overdraftsApart: boolean): Selection {
  const held = placesOfCash.get(accounts) ?? Int32Array.from(accounts.flatMap(({ role }, at) => (role === 'cash' ? [at] : [])));
  placesOfCash.set(accounts, held);
  return { accounts: held, sides: new Uint8Array(held.length).fill(overdraftsApart ? 1 : 3) };
}
