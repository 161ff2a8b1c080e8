import type { Portions } from './place.ts';

/** Whether an account stands elsewhere while its balance is on the other side. */
export function hasOtherPlace({ portions }: { readonly portions: ReadonlyMap<number, Portions> }, accountId: number): boolean {
  const own = portions.get(accountId);
  return own !== undefined && own.debit !== own.credit;
}
