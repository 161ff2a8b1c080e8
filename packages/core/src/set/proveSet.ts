import type { Day } from '../calendar/day.ts';
import type { ProofAccount } from '../proofs/proof.ts';
import { type EquityChange, equityMissed } from '../proofs/proveEquity.ts';
import { worst } from '../proofs/proveTrialBalance.ts';
import type { DifferenceExplained } from '../translation/explainDifference.ts';

/** Why nothing can be claimed of a column: a budget has no balances, a part of the ledger and what was placed otherwise need not balance. */
export type Unprovable = 'budget' | 'facets' | 'placement' | 'first_balances';

/** One figure that a tie compares, debit positive. `part`: key of the statement that it stands in; `null`: of the ledger. */
export interface SetFigure {
  readonly name:
    | 'equity_opening'
    | 'equity_changes'
    | 'equity_closing'
    | 'equity_by_columns'
    | 'debit_side'
    | 'credit_side'
    | 'profit'
    | 'result'
    | 'change_by_lines'
    | 'cash_moved'
    | 'cash_in_balance_sheet'
    | 'difference_moved'
    | 'difference_of_net_assets'
    | 'difference_of_profit'
    | 'difference_of_equity';
  readonly part: string | null;
  readonly net: bigint;
}

/** One comparison of a proof, in one column. `unprovable`: then it claims nothing. */
export interface SetTie {
  readonly part: string;
  readonly day: Day;
  readonly figures: readonly SetFigure[];
  readonly unprovable: Unprovable | null;
}

export type SetProofName = 'balances' | 'profit' | 'cash' | 'equity' | 'translation' | 'coverage';

/** Accounts of a statement that do not stand in it exactly once. */
export interface SetFaults {
  readonly part: string;
  readonly accounts: readonly ProofAccount[];
}

/** `not_provable`: of no column can anything be claimed. */
export interface SetProof {
  readonly name: SetProofName;
  readonly state: 'holds' | 'fails' | 'to_look_at' | 'not_provable';
  /** The amount by which it fails, debit positive; of coverage: the sum of absolute amounts at fault. */
  readonly difference: bigint;
  readonly ties: readonly SetTie[];
  readonly faults: readonly SetFaults[];
}

/** Both sides of the figures add up to nothing. */
export function proveBothSides(ties: readonly SetTie[]): SetProof {
  return proofOf('balances', ties, ({ figures }) => [figures.reduce((sum, { net }) => sum + net, 0n)]);
}

/** Every figure is the same as the first: the result of the balance sheet, the change in cash by lines. */
export function proveSame(name: 'profit' | 'cash', ties: readonly SetTie[]): SetProof {
  return proofOf(name, ties, ({ figures: [first, ...others] }) => others.map(({ net }) => net - (first?.net ?? 0n)));
}

/** `part`: the changes in equity; `sheet`: the balance sheet of the set, `null` where it has none. */
export type SetEquityChange = EquityChange & Pick<SetTie, 'part' | 'unprovable'> & { readonly sheet: string | null };

/** Opening and changes are the closing, as the balance sheet has them, and columns add up to all equity. */
export function proveEquityChanges(changes: readonly SetEquityChange[]): SetProof {
  const ties = changes.map(({ part, day, unprovable, sheet, opening, changes: changed, closing, byColumns }): SetTie => {
    const figures: SetFigure[] = [
      { name: 'equity_opening', part: sheet, net: opening },
      { name: 'equity_changes', part, net: changed },
      { name: 'equity_closing', part: sheet, net: closing },
    ];
    return { part, day, unprovable, figures: byColumns === null ? figures : [...figures, { name: 'equity_by_columns', part, net: byColumns }] };
  });
  const missed = new Map(ties.map((tie, at) => [tie, equityMissed(changes[at] as EquityChange)]));
  return proofOf('equity', ties, (tie) => missed.get(tie) ?? []);
}

/** What the difference of translation moved by over the fiscal year to date, beside what explains it; a gain is positive. */
export interface SetTranslation extends Pick<SetTie, 'part' | 'day'> {
  readonly moved: bigint;
  readonly explained: DifferenceExplained;
}

/** The movement is what the rates explain (IAS 21.41), within one minor unit for each amount that was rounded. */
export function proveTranslation(translations: readonly SetTranslation[]): SetProof {
  const ties = translations.map(({ part, day, moved, explained }): SetTie => {
    const figure = (name: SetFigure['name'], gain: bigint): SetFigure => ({ name, part: name === 'difference_moved' ? part : null, net: -gain });
    return {
      part,
      day,
      figures: [
        figure('difference_moved', moved),
        figure('difference_of_net_assets', explained.ofNetAssets),
        figure('difference_of_profit', explained.ofProfit),
        figure('difference_of_equity', explained.ofEquity),
      ],
      unprovable: null,
    };
  });
  const missed = new Map(
    ties.map((tie, at) => {
      const { moved, explained } = translations[at] as SetTranslation;
      const off = moved - explained.total;
      return [tie, off <= BigInt(explained.rounded) && -off <= BigInt(explained.rounded) ? 0n : off];
    }),
  );
  return proofOf('translation', ties, (tie) => [missed.get(tie) ?? 0n]);
}

/** Every account in the scope of each statement stands in it exactly once. */
export function proveSetCoverage(faults: readonly SetFaults[]): SetProof {
  const found = faults.filter(({ accounts }) => accounts.length > 0);
  const difference = found.flatMap(({ accounts }) => accounts).reduce((sum, { net }) => sum + (net < 0n ? -net : net), 0n);
  return { name: 'coverage', state: found.length === 0 ? 'holds' : 'to_look_at', difference, ties: [], faults: found };
}

function proofOf(name: SetProofName, ties: readonly SetTie[], differencesOf: (tie: SetTie) => readonly bigint[]): SetProof {
  const claimed = ties.filter(({ unprovable }) => unprovable === null);
  const difference = worst(claimed.flatMap(differencesOf));
  const state = claimed.length === 0 ? 'not_provable' : difference === 0n ? 'holds' : 'fails';
  return { name, state, difference, ties, faults: [] };
}
