import type { Day } from '../calendar/day.ts';
import type { GroundAccount } from './groundAccount.ts';

/** Pairs of dense numbers: an account, and the one that bears what it has where it stands elsewhere. */
export interface StandIn {
  readonly of: number;
  readonly by: number;
}

/** Of an account that is cash on some days only. */
export interface BesideCash extends StandIn {
  readonly account: GroundAccount;
}

/** Accounts behind the others, which nothing was posted on. */
export interface StandIns {
  /** By the day at whose end accounts stood elsewhere. */
  readonly onDay: ReadonlyMap<Day, readonly StandIn[]>;
  /** By their ids, those of the accounts that they stand for. */
  readonly standFor: ReadonlyMap<number, number>;
  /** They bear what accounts hold and move while they are not cash. */
  readonly besideCash: readonly BesideCash[];
}
