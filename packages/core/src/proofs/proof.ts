import type { Day } from '../calendar/day.ts';
import type { LayoutFault } from '../layout/layoutCoverage.ts';

export type ProofName =
  | 'trial_balance'
  | 'assets_equal_claims'
  | 'profit_in_equity'
  | 'cash_ties'
  | 'natures_said'
  | 'own_totals'
  | 'equity_ties'
  | 'coverage'
  | 'codes_complete'
  | 'layouts_complete'
  | 'parents_without_postings'
  | 'normal_sides'
  | 'profit_allotted'
  | 'balances_from_lines';

/** `holds`; `fails`: a figure is wrong; `to_look_at`: the figures tie, but something is odd; `not_provable`: there is nothing to prove it by. */
export type ProofState = 'holds' | 'fails' | 'to_look_at' | 'not_provable';

/** One figure that a proof compares, debit positive, for one column. */
export interface ProofFigure {
  readonly name: string;
  readonly day: Day;
  readonly net: bigint;
}

/** Of a span in which balances began, on this day: what moved before is not known. */
export function notProvable(name: ProofName, day: Day): Proof {
  return { name, state: 'not_provable', difference: 0n, figures: [{ name: 'no_balances_before', day, net: 0n }], accounts: [] };
}

/** An account that makes a proof fail, by dense number. */
export interface ProofAccount {
  readonly account: number;
  readonly reason: string;
  readonly net: bigint;
}

export interface Proof {
  readonly name: ProofName;
  readonly state: ProofState;
  /** The amount by which it fails, or that is to be looked at; debit positive. */
  readonly difference: bigint;
  readonly figures: readonly ProofFigure[];
  readonly accounts: readonly ProofAccount[];
  /** Of the proof over composed layouts: each that claims to be whole, with the accounts in scope and those at fault. */
  readonly layouts?: readonly { readonly id: number; readonly name: string; readonly inScope: number; readonly faults: readonly LayoutFault[] }[];
}
