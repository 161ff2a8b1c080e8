import type { DraftLine } from './entryDraft.ts';

/** What an account holds on a day, and what it shall hold; debit positive. */
export interface BalanceToSet {
  readonly accountId: number;
  readonly held: bigint;
  readonly wanted: bigint;
}

/**
 * The lines that bring accounts from what they hold to what they shall hold, in the order given: what was typed before is
 * changed by the difference alone. Accounts that hold it already have no line. The lines are in balance where both sets of
 * balances add up to the same, as two trial balances do.
 */
export function linesToSet(balances: readonly BalanceToSet[]): (DraftLine & { readonly accountId: number })[] {
  return balances.flatMap(({ accountId, held, wanted }) => {
    const net = wanted - held;
    if (net === 0n) return [];
    return [net > 0n ? { accountId, debit: net, credit: 0n } : { accountId, debit: 0n, credit: -net }];
  });
}
