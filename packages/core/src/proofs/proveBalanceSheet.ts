import type { Day } from '../calendar/day.ts';
import type { CompiledLayout } from '../layout/compileLayout.ts';
import type { LineAmounts } from '../statement/runColumn.ts';
import type { Proof, ProofAccount } from './proof.ts';
import { worst } from './proveTrialBalance.ts';

/** Assets = liabilities + equity, made of what the lines hold. `atFault`: balance sheet accounts that stand in no line. */
export function proveBalanceSheet(compiled: CompiledLayout, columns: readonly { day: Day; amounts: LineAmounts }[], atFault: readonly ProofAccount[]): Proof {
  const amountOf = (amounts: LineAmounts, key: string): bigint => amounts[compiled.indexOf.get(key) as number] as bigint;
  const figures = columns.flatMap(({ day, amounts }) => ['asset', 'liability', 'equity'].map((key) => ({ name: key, day, net: amountOf(amounts, key) })));
  const difference = worst(columns.map((_, at) => figures.slice(3 * at, 3 * at + 3).reduce((total, figure) => total + figure.net, 0n)));
  return { name: 'assets_equal_claims', state: difference === 0n ? 'holds' : 'fails', difference, figures, accounts: difference === 0n ? [] : atFault };
}
