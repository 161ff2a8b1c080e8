import type { CompiledLayout } from '../layout/compileLayout.ts';
import { childrenOf, countsInGroup } from '../layout/line.ts';
import { amountTaken, fixedIn, type RunColumn } from './runColumn.ts';
import { partsBySide } from './sides.ts';

/** What one account gives to a cell, debit positive; `net` may be part of its balance by side only. */
export interface Contribution {
  /** Dense number of the account in the cube. */
  readonly account: number;
  readonly net: bigint;
}

interface LineContribution {
  readonly key: string;
  readonly net: bigint;
}

export interface Contributions {
  readonly accounts: readonly Contribution[];
  /** Amounts of result lines in the cell, which the income and expense accounts make up as a whole. */
  readonly results: readonly LineContribution[];
  /** Amounts of calculations that a sum counts. */
  readonly calculations: readonly LineContribution[];
  /** Of fixed transfers between lines. */
  readonly transfers: readonly { readonly text: string; readonly net: bigint }[];
}

/** The parts of a line's amount in one column; their sum is the amount. Asked for when a cell is opened. Cost: accounts + lines. */
export function contributionsOf(compiled: CompiledLayout, run: RunColumn, key: string): Contributions {
  const counted = linesCountedBy(compiled, key);
  const factorOf = (line: number): bigint => counted.get(line) ?? 0n;
  const byAccount = new Map<number, bigint>();
  const give = (account: number, net: bigint): void => {
    if (net !== 0n) byAccount.set(account, (byAccount.get(account) ?? 0n) + net);
  };
  for (let account = 0; account < run.net.length; account++) {
    const [debit, credit] = partsBySide(run, account);
    give(account, debit * factorOf(compiled.lineOfDebit[account] as number) + credit * factorOf(compiled.lineOfCredit[account] as number));
  }
  for (const take of compiled.takes) {
    const factor = factorOf(take.line);
    if (factor !== 0n) give(take.account, factor * amountTaken(compiled, take, run));
  }
  const ofLines = (kind: 'result' | 'calculation'): LineContribution[] =>
    compiled.lines.flatMap((line, index) => {
      const net = factorOf(index) * (run.amounts[index] as bigint);
      return line.kind === kind && net !== 0n ? [{ key: line.key, net }] : [];
    });
  const accounts = [...byAccount].flatMap(([account, net]) => (net === 0n ? [] : [{ account, net }])).sort((a, b) => a.account - b.account);
  const transfers = fixedIn(compiled, run).flatMap(({ line, text, net }) => (factorOf(line) === 0n ? [] : [{ text, net: factorOf(line) * net }]));
  return { accounts, results: ofLines('result'), calculations: ofLines('calculation'), transfers };
}

/** Leaf lines under a line with how often they count, through groups and sums, with lines shown in one of them. */
function linesCountedBy(compiled: CompiledLayout, key: string): ReadonlyMap<number, bigint> {
  const counted = new Map<number, bigint>();
  const add = (index: number, factor: bigint, depth: number): void => {
    const line = compiled.lines[index];
    // Sums of a cycle have no amount.
    if (!line || depth > compiled.lines.length) return;
    if (line.kind === 'group' || line.kind === 'heading') {
      for (const child of childrenOf(line)) if (countsInGroup(child)) add(compiled.indexOf.get(child.key) as number, factor, depth + 1);
      return;
    }
    if (line.kind === 'sum') {
      if (!compiled.derived.includes(index)) return;
      for (const term of line.terms) withHidden(compiled.indexOf.get(term.key) as number, factor * BigInt(term.sign), depth + 1);
      return;
    }
    counted.set(index, (counted.get(index) ?? 0n) + factor);
  };
  /** A line named by itself, in the figure that it is shown with. */
  const withHidden = (index: number, factor: bigint, depth: number): void => {
    add(index, factor, depth);
    for (const hidden of compiled.shownWithin.get(index) ?? []) add(hidden, factor, depth);
  };
  const start = compiled.indexOf.get(key);
  if (start !== undefined) withHidden(start, 1n, 0);
  return counted;
}
