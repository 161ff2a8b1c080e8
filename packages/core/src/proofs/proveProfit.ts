import type { Day } from '../calendar/day.ts';
import type { Proof, ProofAccount } from './proof.ts';
import { worst } from './proveTrialBalance.ts';

/**
 * The income statement's layout, run over each balance sheet column's fiscal year to date, ends in the result line
 * of the balance sheet (which takes all income and expense accounts, placed or not).
 */
export function proveProfit(columns: readonly { day: Day; profit: bigint; result: bigint }[], atFault: readonly ProofAccount[]): Proof {
  const figures = columns.flatMap(({ day, profit, result }) => [
    { name: 'income_statement', day, net: profit },
    { name: 'result_in_equity', day, net: result },
  ]);
  const difference = worst(columns.map(({ profit, result }) => result - profit));
  return { name: 'profit_in_equity', state: difference === 0n ? 'holds' : 'fails', difference, figures, accounts: difference === 0n ? [] : atFault };
}
