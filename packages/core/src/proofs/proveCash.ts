import type { Day } from '../calendar/day.ts';
import type { CompiledLayout } from '../layout/compileLayout.ts';
import { netByLines } from '../statement/netByLines.ts';
import type { RunColumn } from '../statement/runColumn.ts';
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
  /** What the balance sheet shows as cash at the end less what it showed at the beginning. */
  readonly inBalanceSheet: bigint;
  /** Accounts that stand among cash in the balance sheet at its end without being cash: what they hold there. */
  readonly strangers: readonly Pick<ProofAccount, 'account' | 'net'>[];
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
    moved += layout.cash?.sides[place] === 3 ? amount : inDebit((opening[account] as bigint) + amount) - inDebit(opening[account] as bigint);
  }
  return moved;
}

const inDebit = (balance: bigint): bigint => (balance > 0n ? balance : 0n);

/** What a balance sheet shows as cash: its lines that hold cash accounts, whole, and what cash has on others. */
interface CashShown {
  readonly net: bigint;
  /** Accounts that stand in such a line without being cash, by dense number. */
  readonly strangers: readonly { readonly account: number; readonly net: bigint }[];
}

/**
 * The lines of a balance sheet that hold cash accounts while in debit, whole; an overdraft that is cash counts with what it has, whatever
 * stands beside it. `net`: balances, debit positive.
 */
export function cashIn(balanceSheet: CompiledLayout, { layout }: CompiledLayout, net: BigInt64Array): CashShown {
  const isHeld = heldIn(balanceSheet);
  const { lineOfDebit, lineOfCredit } = balanceSheet;
  const cash = new Map(Array.from(layout.cash?.accounts ?? [], (account, place) => [account, layout.cash?.sides[place] ?? 3]));
  const lines = new Set([...cash.keys()].map((account) => lineOfDebit[account] as number).filter((line) => line >= 0));
  let shown = 0n;
  const strangers: CashShown['strangers'][number][] = [];
  for (const [account, amount] of net.entries()) {
    const sides = cash.get(account);
    if (sides !== undefined) {
      if (isHeld(account, amount) && (amount >= 0n || sides === 3)) shown += amount;
      continue;
    }
    if (amount === 0n || !lines.has((amount > 0n ? lineOfDebit : lineOfCredit)[account] as number)) continue;
    shown += amount;
    strangers.push({ account, net: amount });
  }
  return { net: shown, strangers };
}

/**
 * The change in cash by the lines of each cash flow = what was posted to cash = the difference of what the balance sheets show as cash, whose
 * lines hold nothing else at the end.
 */
export function proveCash(columns: readonly CashColumn[]): Proof {
  const figures = columns.flatMap(({ layout, day, byLines, moved, inBalanceSheet }): ProofFigure[] => [
    { name: layout === null ? 'cash_by_lines' : `cash_by_lines ${layout}`, day, net: byLines },
    { name: 'cash_moved', day, net: moved },
    { name: 'cash_in_balance_sheet', day, net: inBalanceSheet },
  ]);
  const strange = ({ strangers }: CashColumn): bigint => strangers.reduce((sum, { net }) => sum + net, 0n);
  const isFailing = (column: CashColumn): boolean =>
    column.byLines !== column.moved || column.inBalanceSheet !== column.moved || column.strangers.some(({ net }) => net !== 0n);
  const failing = columns.find(isFailing);
  const difference = worst(columns.flatMap((column) => [column.byLines - column.moved, column.inBalanceSheet - column.moved, strange(column)]));
  const accounts = failing ? [...failing.atFault, ...failing.strangers.map((one): ProofAccount => ({ ...one, reason: 'among_cash' }))] : [];
  return { name: 'cash_ties', state: failing ? 'fails' : 'holds', difference, figures, accounts };
}
