import type { Account } from '../chart/account.ts';
import type { Side } from '../chart/element.ts';
import { hasOtherPlace } from '../placement/hasOtherPlace.ts';
import type { Portions } from '../placement/place.ts';
import { sideAgainst } from './findOddBalances.ts';

/** The side on which a balance of an account is not expected, where it stands; `null` where either is. */
export function sideAgainstIn(placed: { readonly portions: ReadonlyMap<number, Portions> }, account: Pick<Account, 'id' | 'normalSide' | 'role'>): Side | null {
  return sideAgainst(account, hasOtherPlace(placed, account.id));
}
