import type { Day } from '../calendar/day.ts';
import type { Proof } from './proof.ts';

/** Debits equal credits: the balances of all accounts add to zero in each column. */
export function proveTrialBalance(columns: readonly { day: Day; net: BigInt64Array; notAllotted: bigint }[]): Proof {
  const figures = columns.flatMap(({ day, net, notAllotted }) => {
    let debit = notAllotted > 0n ? notAllotted : 0n;
    let credit = notAllotted < 0n ? notAllotted : 0n;
    for (const amount of net) {
      if (amount > 0n) debit += amount;
      else credit += amount;
    }
    return [
      { name: 'debit_balances', day, net: debit },
      { name: 'credit_balances', day, net: credit },
    ];
  });
  const difference = worst(columns.map((_, at) => (figures[2 * at]?.net ?? 0n) + (figures[2 * at + 1]?.net ?? 0n)));
  return { name: 'trial_balance', state: difference === 0n ? 'holds' : 'fails', difference, figures, accounts: [] };
}

/** The first difference that is not zero: columns stand in the order in which they are read. */
export function worst(differences: readonly bigint[]): bigint {
  return differences.find((difference) => difference !== 0n) ?? 0n;
}
