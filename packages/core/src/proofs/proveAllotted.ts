import type { Day } from '../calendar/day.ts';
import type { Proof } from './proof.ts';
import { worst } from './proveTrialBalance.ts';

/** Profit of completed years stands on an account with the role retained earnings. */
export function proveAllotted(columns: readonly { day: Day; notAllotted: bigint }[]): Proof {
  const difference = worst(columns.map(({ notAllotted }) => notAllotted));
  const figures = columns.map(({ day, notAllotted }) => ({ name: 'profit_not_allotted', day, net: notAllotted }));
  return { name: 'profit_allotted', state: difference === 0n ? 'holds' : 'to_look_at', difference, figures, accounts: [] };
}
