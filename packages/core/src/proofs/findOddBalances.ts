import type { Account } from '../chart/account.ts';
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
 * Whether a balance is on the other side than the account's normal one. Left out are accounts with a place for that side, and
 * the one with retained earnings, which losses may turn: there it is expected.
 */
export function isAgainstNormalSide({ normalSide, role }: Account, net: bigint, hasOtherPlace: boolean): boolean {
  return net !== 0n && net > 0n !== (normalSide === 'debit') && role !== 'retained_earnings' && !hasOtherPlace;
}

export function findAgainstNormalSide(balances: readonly Balance[], net: BigInt64Array, hasOtherPlace: (accountId: number) => boolean): Proof {
  const found = balances.filter(({ account, index }) => isAgainstNormalSide(account, net[index] as bigint, hasOtherPlace(account.id)));
  return findings(
    'normal_sides',
    found.map(({ index }) => ({ account: index, reason: 'against_normal_side', net: net[index] as bigint })),
  );
}

function findings(name: Proof['name'], accounts: readonly ProofAccount[]): Proof {
  const difference = accounts.reduce((total, { net }) => total + (net < 0n ? -net : net), 0n);
  return { name, state: accounts.length === 0 ? 'holds' : 'to_look_at', difference, figures: [], accounts };
}
