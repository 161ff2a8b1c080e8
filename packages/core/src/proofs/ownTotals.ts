import type { Side } from '../chart/element.ts';
import { neededBy } from '../formula/checkFormula.ts';
import { type CompiledLayout, shownAmount } from '../layout/compileLayout.ts';
import { countsInGroup } from '../layout/line.ts';
import type { RunColumn } from '../statement/runColumn.ts';

/** What the totals of a statement, as its reader sees them, come to; debit positive. */
export interface OwnTotals {
  /** Of a balance sheet: totals of the one side and of the other; of an income statement its final total and the result of all income and expenses. */
  readonly figures: readonly [bigint, bigint];
  /** By what they do not tie: nil in a statement that does. */
  readonly difference: bigint;
  /** Lines with an amount that no total counts, from top to bottom. */
  readonly outside: readonly { readonly key: string; readonly caption: string; readonly net: bigint }[];
}

interface Total {
  readonly index: number;
  readonly side: Side;
  readonly leaves: ReadonlySet<number>;
}

const totalsOfLayout = new WeakMap<CompiledLayout, { readonly totals: readonly Total[]; readonly leaves: readonly number[] }>();

/**
 * A statement by its own totals: of a balance sheet those of its debit side and of its credit side, of an income statement the widest, the
 * last of equals. A total is a group, a sum, or a calculation of an amount; one that another counts is a part of that. `null` for other
 * kinds, and where there is no total to hold anything against. Cost: lines × totals, once for each layout.
 */
export function ownTotals(compiled: CompiledLayout, run: Pick<RunColumn, 'amounts' | 'result' | 'reckoned'>): OwnTotals | null {
  const { kind } = compiled.layout;
  if (kind !== 'balance_sheet' && kind !== 'income_statement') return null;
  const { totals, leaves } = totalsOfLayout.get(compiled) ?? totalsOf(compiled);
  totalsOfLayout.set(compiled, { totals, leaves });
  const amountOf = ({ index }: Total): bigint => shownAmount(compiled, run.amounts, index);
  const widest = totals.toSorted((a, b) => b.leaves.size - a.leaves.size || b.index - a.index);
  const [final] = widest;
  if (!final || widest.some(({ index }) => run.reckoned.get(index)?.ok === false)) return null;
  const chosen = kind === 'income_statement' ? [final] : disjoint(widest);
  const counted = new Set(chosen.flatMap((total) => [...total.leaves]));
  const outside = leaves.flatMap((index) => {
    const net = run.amounts[index] as bigint;
    const line = compiled.lines[index];
    return counted.has(index) || net === 0n || !line ? [] : [{ key: line.key, caption: line.caption, net }];
  });
  if (kind === 'income_statement') {
    const net = amountOf(final);
    return { figures: [net, run.result], difference: net - run.result, outside };
  }
  const ofSide = (side: Side): bigint => chosen.reduce((sum, total) => (total.side === side ? sum + amountOf(total) : sum), 0n);
  const figures: [bigint, bigint] = [ofSide('debit'), ofSide('credit')];
  return { figures, difference: figures[0] + figures[1], outside };
}

/** The widest, and others beside them that share no line. */
function disjoint(widest: readonly Total[]): Total[] {
  const chosen: Total[] = [];
  for (const total of widest) if (chosen.every(({ leaves }) => [...total.leaves].every((leaf) => !leaves.has(leaf)))) chosen.push(total);
  return chosen;
}

function totalsOf({ lines, parentAt, indexOf, between }: CompiledLayout): { readonly totals: readonly Total[]; readonly leaves: readonly number[] } {
  const childrenAt = new Map<number, number[]>();
  for (const [index, parent] of parentAt.entries()) childrenAt.set(parent, [...(childrenAt.get(parent) ?? []), index]);
  const found = new Map<number, ReadonlySet<number>>();
  const under = new Set<number>();
  const leavesOf = (index: number): ReadonlySet<number> => {
    const line = lines[index];
    const before = found.get(index);
    if (before || !line || under.has(index)) return before ?? new Set();
    under.add(index);
    const named = (keys: readonly string[]): number[] => keys.flatMap((key) => indexOf.get(key) ?? []);
    const below =
      line.kind === 'sum'
        ? named(line.terms.map(({ key }) => key))
        : line.kind === 'calculation'
          ? 'kind' in line.formula && line.result === 'amount'
            ? named(neededBy(line.formula, { between }))
            : []
          : line.kind === 'group' || line.kind === 'heading'
            ? (childrenAt.get(index) ?? []).filter((child) => countsInGroup(lines[child] as (typeof lines)[number]))
            : null;
    const leaves = below === null ? new Set(countsInGroup(line) ? [index] : []) : new Set(below.flatMap((child) => [...leavesOf(child)]));
    under.delete(index);
    found.set(index, leaves);
    return leaves;
  };
  const totals = lines.flatMap((line, index): Total[] => {
    const isTotal = (line.kind === 'group' && !line.bare) || line.kind === 'sum' || line.kind === 'calculation';
    const leaves = isTotal ? leavesOf(index) : new Set<number>();
    return leaves.size === 0 || line.shown === 'never' ? [] : [{ index, side: line.side, leaves }];
  });
  const leaves = lines.flatMap((line, index) => ((line.kind === 'accounts' || line.kind === 'result') && countsInGroup(line) ? [index] : []));
  return { totals, leaves };
}
