import type { Account } from '../chart/account.ts';
import { otherSide, type Side } from '../chart/element.ts';
import type { Proof, ProofAccount } from './proof.ts';

interface Balance {
  readonly account: Account;
  /** Dense number. */
  readonly index: number;
  readonly isParent: boolean;
}

/** A parent takes no postings; where history has some they stand on a line of their own and are pointed out. */
export function findPostingsOnParents(balances: readonly Balance[], net: BigInt64Array): Proof {
  const found = balances.filter(({ isParent, index }) => isParent && net[index] !== 0n);
  return findings(
    'parents_without_postings',
    found.map(({ index }) => ({ account: index, reason: 'posted_to_parent', net: net[index] as bigint })),
  );
}

/**
 * The side on which a balance of an account is not expected: the other one than its normal. `null` for accounts with a place for that
 * side, and for the one with retained earnings, which losses may turn.
 */
export function sideAgainst({ normalSide, role }: Pick<Account, 'normalSide' | 'role'>, hasOtherPlace: boolean): Side | null {
  return role === 'retained_earnings' || hasOtherPlace ? null : otherSide(normalSide);
}

/** Whether a balance, debit positive, stands on a side; nil stands on none. */
export function isOnSide(net: bigint, side: Side | null): boolean {
  return side !== null && net !== 0n && net > 0n === (side === 'debit');
}

export function findAgainstNormalSide(balances: readonly Balance[], net: BigInt64Array, hasOtherPlace: (accountId: number) => boolean): Proof {
  const found = balances.filter(({ account, index }) => isOnSide(net[index] as bigint, sideAgainst(account, hasOtherPlace(account.id))));
  return findings(
    'normal_sides',
    found.map(({ index }) => ({ account: index, reason: 'against_normal_side', net: net[index] as bigint })),
  );
}

function findings(name: Proof['name'], accounts: readonly ProofAccount[]): Proof {
  const difference = accounts.reduce((total, { net }) => total + (net < 0n ? -net : net), 0n);
  return { name, state: accounts.length === 0 ? 'holds' : 'to_look_at', difference, figures: [], accounts };
}
