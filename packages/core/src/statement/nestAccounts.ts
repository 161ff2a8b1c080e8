import type { PresentedAccount } from './accountsOnLines.ts';

/** An account on a line, with what the line holds of it in each column. */
export interface AccountEntry {
  readonly presented: PresentedAccount;
  readonly amounts: readonly bigint[];
}

export interface NestedAccount {
  readonly presented: PresentedAccount;
  readonly amounts: readonly bigint[];
  /** Amounts of its own beside those below it. */
  readonly isOwn: boolean;
  /** What it is the sum of; empty where it is shown as one. */
  readonly children: readonly NestedAccount[];
}

const none: readonly NestedAccount[] = [];

interface Node {
  readonly presented: PresentedAccount;
  readonly below: Map<number, Node>;
  own: readonly bigint[] | null;
  /** Of accounts below that are deeper than is shown. */
  deeper: readonly bigint[] | null;
}

/**
 * The accounts of a line under those that they are sub-accounts of, in the order of the chart, down to a depth: what is deeper is
 * added up in the account above it; 0: one beside the other. An account above only one other is passed over. Cost: entries × their depth.
 */
export function nestAccounts(entries: readonly AccountEntry[], all: readonly PresentedAccount[], depth: number): NestedAccount[] {
  if (depth === 0) return entries.map(({ presented, amounts }) => ({ presented, amounts, isOwn: presented.isParent, children: none }));
  const byId = new Map(all.map((presented) => [presented.account.id, presented]));
  const tops = new Map<number, Node>();
  for (const { presented: entry, amounts } of entries) {
    const chain = chainOf(entry, byId);
    let nodes = tops;
    let at: Node | undefined;
    for (const presented of chain.slice(0, depth)) {
      at = nodes.get(presented.account.id) ?? { presented, below: new Map(), own: null, deeper: null };
      nodes.set(presented.account.id, at);
      nodes = at.below;
    }
    if (!at) continue;
    if (chain.length > depth) at.deeper = plus(at.deeper, amounts);
    else at.own = amounts;
  }
  return [...tops.values()].map(nested);
}

/** From the topmost account above it down to itself. */
function chainOf(entry: PresentedAccount, byId: ReadonlyMap<number, PresentedAccount>): PresentedAccount[] {
  const chain = [entry];
  for (let above = entry.account.parentId; above !== null; ) {
    const parent = byId.get(above);
    if (!parent) break;
    chain.unshift(parent);
    above = parent.account.parentId;
  }
  return chain;
}

function nested(node: Node): NestedAccount {
  const { presented, below, own, deeper } = node;
  const [only] = below.values();
  if (below.size === 0) return { presented, amounts: plus(own, deeper ?? []), isOwn: deeper === null && presented.isParent, children: [] };
  if (below.size === 1 && own === null && only) return nested(only);
  const inside = [...below.values()].map(nested);
  const children = own === null ? inside : [{ presented, amounts: own, isOwn: true, children: [] }, ...inside];
  return { presented, amounts: children.reduce<readonly bigint[]>((sum, { amounts }) => plus(sum, amounts), []), isOwn: false, children };
}

function plus(sum: readonly bigint[] | null, amounts: readonly bigint[]): readonly bigint[] {
  if (!sum || sum.length === 0) return amounts;
  return sum.map((amount, at) => amount + (amounts[at] ?? 0n));
}
