import type { CompiledLayout } from '../layout/compileLayout.ts';
import { amountTaken, fixedIn, type RunColumn } from './runColumn.ts';
import type { StatementColumn } from './statement.ts';
import { withChanges } from './withChanges.ts';

/** An amount that a statement shows on one line instead of another, as it is listed under it. */
export interface PresentedTransfer {
  readonly text: string;
  /** Captions of both lines. */
  readonly from: string;
  readonly on: string;
  /** One a column: what was added on the one line, as it is signed there; `null` where there is no figure. */
  readonly values: readonly (bigint | null)[];
}

/** The transfers that move an amount in any column, in their order. Cost: transfers × portions taken. */
export function presentTransfers(compiled: CompiledLayout, columns: readonly StatementColumn[], runs: readonly RunColumn[]): PresentedTransfer[] {
  const captionOf = (key: string): string => compiled.lines[compiled.indexOf.get(key) ?? -1]?.caption ?? key;
  return (compiled.layout.transfers ?? []).flatMap(({ text, on, from, amount }): PresentedTransfer[] => {
    const [added, taken] = [compiled.indexOf.get(on) as number, compiled.indexOf.get(from) as number];
    const amounts = runs.map((run): bigint => {
      if (amount.kind === 'fixed') return -(fixedIn(compiled, run).find((one) => one.line === added && one.day === amount.day && one.text === text)?.net ?? 0n);
      const { accounts, sides } = amount.selection;
      let net = 0n;
      for (const [place, account] of accounts.entries())
        net += amountTaken(compiled, { line: taken, account, sides: sides[place] as number, reading: -1, factor: 1n, isTransfer: true }, run);
      return net;
    });
    return amounts.every((one) => one === 0n)
      ? []
      : [{ text, from: captionOf(from), on: captionOf(on), values: withChanges(columns, amounts, true, () => null, runs[0]?.exponent ?? 0) }];
  });
}
