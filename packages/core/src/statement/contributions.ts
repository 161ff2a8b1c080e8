import type { CompiledLayout } from '../layout/compileLayout.ts';
import type { RunColumn } from './presentRows.ts';

/** What one account gives to a cell, debit positive; `net` may be part of its balance by side only. */
export interface Contribution {
  /** Dense number of the account in the cube. */
  readonly account: number;
  readonly net: bigint;
}

export interface Contributions {
  readonly accounts: readonly Contribution[];
  /** Amounts of result lines in the cell, which the income and expense accounts make up as a whole. */
  readonly results: readonly { readonly key: string; readonly net: bigint }[];
}

/** The parts of a line's amount in one column; their sum is the amount. Asked for when a cell is opened. Cost: accounts + lines. */
export function contributionsOf(compiled: CompiledLayout, run: RunColumn, key: string): Contributions {
  const counted = linesCountedBy(compiled, key);
  const accounts: Contribution[] = [];
  for (let account = 0; account < run.net.length; account++) {
    const net = run.net[account] as bigint;
    const line = (net > 0n ? compiled.lineOfDebit[account] : compiled.lineOfCredit[account]) as number;
    if (net !== 0n && line >= 0 && counted.has(line)) accounts.push({ account, net });
  }
  const results = compiled.lines.flatMap((line, index) =>
    line.kind === 'result' && counted.has(index) && run.amounts[index] !== 0n ? [{ key: line.key, net: run.amounts[index] as bigint }] : [],
  );
  return { accounts, results };
}

/** Leaf lines under a line, through groups and sums, with result lines shown in one of them. */
function linesCountedBy(compiled: CompiledLayout, key: string): Set<number> {
  const counted = new Set<number>();
  const add = (lineKey: string): void => {
    const index = compiled.indexOf.get(lineKey);
    const line = index === undefined ? undefined : compiled.lines[index];
    if (index === undefined || !line) return;
    if (line.kind === 'group') for (const child of line.children) add(child.key);
    else if (line.kind === 'sum') for (const term of line.terms) add(term);
    else counted.add(index);
  };
  add(key);
  for (const [host, within] of compiled.shownWithin) if (counted.has(host)) for (const index of within) counted.add(index);
  return counted;
}
