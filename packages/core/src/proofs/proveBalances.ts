import type { Proof } from './proof.ts';

/** By how much the lines of an account add up to more than its kept balances, debit positive; nil where debits and credits differ alike. */
export interface LineDifference {
  /** Dense number. */
  readonly account: number;
  readonly net: bigint;
}

/** Balances that are kept beside the lines, by period and by facet set, are what the lines add up to. */
export function proveBalances(differences: readonly LineDifference[]): Proof {
  return {
    name: 'balances_from_lines',
    state: differences.length === 0 ? 'holds' : 'fails',
    difference: differences.reduce((sum, { net }) => sum + (net < 0n ? -net : net), 0n),
    figures: [],
    accounts: differences.map(({ account, net }) => ({ account, reason: 'not_from_lines', net })),
  };
}
