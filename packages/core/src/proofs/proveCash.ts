import type { Day } from '../calendar/day.ts';
import type { CompiledLayout } from '../layout/compileLayout.ts';
import { netByLines } from '../statement/netByLines.ts';
import { movedBySide, type RunColumn } from '../statement/runColumn.ts';
import { heldIn } from './heldIn.ts';
import type { Proof, ProofAccount, ProofFigure } from './proof.ts';
import { worst } from './proveTrialBalance.ts';

/** A cash flow that runs, over one column; all amounts debit positive, so that more cash is positive. */
export interface CashColumn {
  /** Of a composed layout; `null` for the generated one. */
  readonly layout: string | null;
  readonly day: Day;
  /** What its lines come to. */
  readonly byLines: bigint;
  /** What was posted to cash. */
  readonly moved: bigint;
  /** What cash adds to the balance sheet at the end less what it added at the beginning. */
  readonly inBalanceSheet: bigint;
  /** Accounts that do not stand in it exactly once. */
  readonly atFault: readonly ProofAccount[];
}

/** The change in cash that the lines of a cash flow come to: what all others moved, and the effect of exchange rates that was taken out of it. */
export function changeByLines(compiled: CompiledLayout, run: Pick<RunColumn, 'amounts'>): bigint {
  const takenOut = compiled.lines.reduce(
    (sum, line, index) => (line.kind === 'accounts' && line.addedBackOn !== undefined ? sum + (run.amounts[index] as bigint) : sum),
    0n,
  );
  return takenOut - netByLines(compiled, run);
}

/** What was posted to the portions that are cash. `opening`: balances at the beginning. */
export function cashMoved({ layout }: CompiledLayout, opening: BigInt64Array, movement: BigInt64Array): bigint {
  let moved = 0n;
  for (const [place, account] of (layout.cash?.accounts ?? []).entries()) {
    const amount = movement[account] as bigint;
    moved += layout.cash?.sides[place] === 3 ? amount : movedBySide(opening[account] as bigint, amount)[0];
  }
  return moved;
}

/** What the balance sheet's lines hold of the portions that are cash. */
export function cashIn(balanceSheet: CompiledLayout, { layout }: CompiledLayout, net: BigInt64Array): bigint {
  const isHeld = heldIn(balanceSheet);
  let held = 0n;
  for (const [place, account] of (layout.cash?.accounts ?? []).entries()) {
    const amount = net[account] as bigint;
    if (isHeld(account, amount) && (amount >= 0n || layout.cash?.sides[place] === 3)) held += amount;
  }
  return held;
}

/** The change in cash by the lines of each cash flow = what was posted to cash = the difference of what cash adds to the balance sheets. */
export function proveCash(columns: readonly CashColumn[]): Proof {
  const figures = columns.flatMap(({ layout, day, byLines, moved, inBalanceSheet }): ProofFigure[] => [
    { name: layout === null ? 'cash_by_lines' : `cash_by_lines ${layout}`, day, net: byLines },
    { name: 'cash_moved', day, net: moved },
    { name: 'cash_in_balance_sheet', day, net: inBalanceSheet },
  ]);
  const failing = columns.find(({ byLines, moved, inBalanceSheet }) => byLines !== moved || inBalanceSheet !== moved);
  const difference = worst(columns.flatMap(({ byLines, moved, inBalanceSheet }) => [byLines - moved, inBalanceSheet - moved]));
  return { name: 'cash_ties', state: failing ? 'fails' : 'holds', difference, figures, accounts: failing?.atFault ?? [] };
}
