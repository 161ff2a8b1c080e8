import { type Account, type Side, sideAgainst } from '@ivory-ladder/core';
import { hasOtherPlace } from './hasOtherPlace.ts';
import type { Structure } from './ports/index.ts';

/** The side on which a balance of an account is not expected, where it stands; `null` where either is. */
export function sideAgainstIn(structure: Pick<Structure, 'portions'>, account: Account): Side | null {
  return sideAgainst(account, hasOtherPlace(structure, account.id));
}
