import type { CompiledLayout } from '../layout/compileLayout.ts';
import { childrenOf, countsInGroup, type Line } from '../layout/line.ts';
import { shownSign, unitOf } from '../layout/lineUnit.ts';

/** A line whose figure is that of the lines in it, with the sign that they count with in shown amounts; a leaf has a figure of its own. */
export interface FootingNode {
  /** Index of the line. */
  readonly line: number;
  readonly parts: readonly { readonly node: FootingNode; readonly sign: 1 | -1 }[];
}

/** How the figures of a layout add up: trees of lines, and sums over them that fit in none. */
export interface LineTree {
  readonly roots: readonly FootingNode[];
  /** Totals that cut through others: each is what its terms show. */
  readonly others: readonly { readonly line: number; readonly terms: readonly Term[] }[];
}

interface Term {
  readonly line: number;
  readonly sign: 1 | -1;
}

interface Total {
  readonly line: number;
  readonly terms: readonly Term[];
  /** Leaves with their signs; of one that takes a leaf twice, or takes one away from itself, there is none. */
  readonly leaves: ReadonlyMap<number, number>;
}

const treeOf = new WeakMap<CompiledLayout['lines'], LineTree>();

/**
 * All lines of amounts, whether they are shown or not, so that no figure depends on what is open. Totals are taken widest first; one is taken where its
 * leaves stand in one that was taken before, by one sign, or in none. Cost: lines × depth.
 */
export function lineTreeOf(compiled: CompiledLayout): LineTree {
  const tree = treeOf.get(compiled.lines) ?? makeTree(compiled);
  treeOf.set(compiled.lines, tree);
  return tree;
}

function makeTree(compiled: CompiledLayout): LineTree {
  const { lines } = compiled;
  const hidden = new Set([...compiled.shownWithin.values()].flat());
  const ordered = lines.flatMap((line, index) => (isTotal(compiled, line, index) ? [totalOf(compiled, index, hidden)] : []));
  const totals = ordered.filter(({ leaves }) => leaves.size > 0).sort((a, b) => b.leaves.size - a.leaves.size || a.line - b.line);
  const owner = new Map<number, number>();
  const signIn = new Map<number, ReadonlyMap<number, number>>();
  const parentOf = new Map<number, Term>();
  const others: { line: number; terms: readonly Term[] }[] = [];
  for (const { line, terms, leaves } of totals) {
    const [first] = leaves.keys();
    const around = owner.get(first as number);
    const by = around === undefined ? undefined : signIn.get(around);
    const relative = (leaf: number, sign: number): number => sign * (by?.get(leaf) ?? 1);
    const sign = by ? relative(first as number, leaves.get(first as number) as number) : 1;
    const isNested = [...leaves].every(([leaf, own]) => owner.get(leaf) === around && Math.abs(own) === 1 && (!by || relative(leaf, own) === sign));
    if (!isNested) {
      others.push({ line, terms });
      continue;
    }
    if (around !== undefined) parentOf.set(line, { line: around, sign: sign as 1 | -1 });
    signIn.set(line, leaves);
    for (const leaf of leaves.keys()) owner.set(leaf, line);
  }
  const nodes = new Map<number, { line: number; parts: { node: FootingNode; sign: 1 | -1 }[] }>();
  const roots: FootingNode[] = [];
  for (const [index, line] of lines.entries()) {
    const isTaken = signIn.has(index);
    if (!isTaken && (!isLeaf(compiled, line, index) || hidden.has(index))) continue;
    nodes.set(index, { line: index, parts: [] });
  }
  for (const [index, node] of nodes) {
    const around = owner.get(index);
    const stands = signIn.has(index)
      ? parentOf.get(index)
      : around === undefined
        ? undefined
        : { line: around, sign: (signIn.get(around)?.get(index) ?? 1) as 1 | -1 };
    if (stands === undefined) roots.push(node);
    else nodes.get(stands.line)?.parts.push({ node, sign: stands.sign });
  }
  // What cuts through others is made of what they show: those that it names first.
  return { roots, others: others.sort((a, b) => a.terms.length - b.terms.length || a.line - b.line) };
}

/** Whether its figure is made of those of other lines. */
function isTotal(compiled: CompiledLayout, line: Line, index: number): boolean {
  if (line.kind === 'group') return line.bare !== true;
  return line.kind === 'sum' && compiled.derived.includes(index);
}

function isLeaf(compiled: CompiledLayout, line: Line, index: number): boolean {
  if (line.kind === 'heading' || line.kind === 'text' || line.kind === 'space' || line.kind === 'group') return false;
  return unitOf(line) === 'amount' && !isTotal(compiled, line, index);
}

function totalOf(compiled: CompiledLayout, index: number, hidden: ReadonlySet<number>): Total {
  const line = compiled.lines[index] as Line;
  const terms = termsOf(compiled, line, hidden);
  const leaves = new Map<number, number>();
  const add = (at: number, sign: number, depth: number): void => {
    const named = compiled.lines[at] as Line;
    // Sums of a cycle have no amount.
    if (depth > compiled.lines.length) return;
    if (isTotal(compiled, named, at)) for (const term of termsOf(compiled, named, hidden)) add(term.line, sign * term.sign, depth + 1);
    else leaves.set(at, (leaves.get(at) ?? 0) + sign);
  };
  for (const term of terms) add(term.line, term.sign, 0);
  return { line: index, terms, leaves };
}

/** The lines that a total adds up, with what they count as shown: of a group without those that are shown in the figure of another. */
function termsOf(compiled: CompiledLayout, line: Line, hidden: ReadonlySet<number>): Term[] {
  const signed = (at: number, sign: 1 | -1): Term => ({
    line: at,
    sign: (shownSign(compiled.lines[at] as Line) === shownSign(line) ? sign : -sign) as 1 | -1,
  });
  if (line.kind === 'sum')
    return line.terms.flatMap(({ key, sign }) => counted(compiled, compiled.indexOf.get(key) as number, hidden, true).map((at) => signed(at, sign)));
  return childrenOf(line).flatMap((child) =>
    countsInGroup(child) ? counted(compiled, compiled.indexOf.get(child.key) as number, hidden, false).map((at) => signed(at, 1)) : [],
  );
}

/** A line itself; of a heading, and of a group without a figure, what stands in it. */
function counted(compiled: CompiledLayout, index: number, hidden: ReadonlySet<number>, isNamed: boolean): number[] {
  const line = compiled.lines[index] as Line;
  if (line.kind === 'heading' || (line.kind === 'group' && line.bare))
    return childrenOf(line).flatMap((child) => (countsInGroup(child) ? counted(compiled, compiled.indexOf.get(child.key) as number, hidden, false) : []));
  return hidden.has(index) && !isNamed ? [] : [index];
}
