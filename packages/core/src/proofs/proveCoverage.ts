import type { Day } from '../calendar/day.ts';
import type { Coverage } from '../placement/coverage.ts';
import type { Proof } from './proof.ts';

/** Every account in the scope of the layouts stands in exactly one line of each; faults are named with their amounts. */
export function proveCoverage(day: Day, coverages: readonly Coverage[]): Proof {
  const accounts = coverages.flatMap((coverage) => coverage.faults.map(({ account, state, net }) => ({ account, reason: state, net })));
  const count = (name: string, value: number) => ({ name, day, net: BigInt(value) });
  const inScope = coverages.reduce((total, coverage) => total + coverage.inScope, 0);
  return {
    name: 'coverage',
    state: accounts.length === 0 ? 'holds' : 'to_look_at',
    difference: coverages.reduce((total, coverage) => total + coverage.atStake, 0n),
    figures: [count('accounts_in_scope', inScope), count('accounts_placed', inScope - accounts.length)],
    accounts,
  };
}
