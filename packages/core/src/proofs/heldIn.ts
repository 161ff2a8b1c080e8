import type { BalanceVector } from '../cube/vector.ts';
import { type CompiledLayout, isMemoLine } from '../layout/compileLayout.ts';
import { countsInGroup } from '../layout/line.ts';
import { resultOn } from '../statement/runColumn.ts';

/** Whether a balance of an account (dense number, debit positive) stands in a line of the layout. Cost: the portions taken in part, once. */
export function heldIn({ lines, takes, lineOfDebit, lineOfCredit }: CompiledLayout): (account: number, amount: bigint) => boolean {
  const inPart = new Map<number, number>();
  for (const { account, sides, line, isTransfer } of takes)
    if (!isTransfer && !isMemoLine(lines[line])) inPart.set(account, (inPart.get(account) ?? 0) | sides);
  return (account, amount) => {
    const [line, side] = amount < 0n ? [lineOfCredit[account], 2] : [lineOfDebit[account], 1];
    return (line !== undefined && line >= 0) || ((inPart.get(account) ?? 0) & side) !== 0;
  };
}

/** What the lines of a balance sheet hold of equity, the result among it; debit positive. `equity`: dense numbers of its accounts. */
export function equityIn(balanceSheet: CompiledLayout, equity: readonly number[], { net, notAllotted }: BalanceVector, result: bigint): bigint {
  const isHeld = heldIn(balanceSheet);
  const ofAccounts = equity.reduce((sum, account) => (isHeld(account, net[account] as bigint) ? sum + (net[account] as bigint) : sum), 0n);
  return balanceSheet.lines.reduce(
    (sum, line) => (line.kind === 'result' && countsInGroup(line) ? sum + resultOn(line, { result, notAllotted }) : sum),
    ofAccounts,
  );
}
