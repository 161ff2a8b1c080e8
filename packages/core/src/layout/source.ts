import type { CodesOfAccount, ListKey } from '../chart/codeList.ts';
import type { Element } from '../chart/element.ts';
import type { DigitOrder } from '../chart/numberOrder.ts';
import { numberKey, rangeTest } from '../chart/numberRange.ts';
import { readRangeText } from '../chart/rangeText.ts';
import { type CategoryTree, walkCategories } from '../placement/categoryTree.ts';
import type { PlaceSide, Portions } from '../placement/place.ts';
import type { Selection } from './line.ts';

/** Where a line takes accounts from. What a text or a code holds is found anew each time, so that it grows with the chart. */
export type Source =
  /** All that stands in the category or below it, side by side as it stands there. */
  | { readonly kind: 'category'; readonly categoryId: number }
  /** `1000 to 1999 except 1500`. */
  | { readonly kind: 'numbers'; readonly text: string }
  /** Accounts with the report code, or with one that begins so. */
  | { readonly kind: 'code'; readonly list: ListKey; readonly code: string; readonly begins: boolean }
  /** The account, and all below it. */
  | { readonly kind: 'account'; readonly accountId: number };

/** What sources are looked up in. */
export interface SourceAccount {
  readonly id: number;
  readonly number: string;
  readonly element: Element;
  readonly parentId: number | null;
  readonly codes: CodesOfAccount;
}

export interface SourceFacts {
  /** In the order of the cube's dense numbering. */
  readonly accounts: readonly SourceAccount[];
  readonly tree: CategoryTree;
  readonly portions: ReadonlyMap<number, Portions>;
  readonly order: DigitOrder;
}

/** Of each account (by dense number) the sides that a source holds: bit 1 debit, bit 2 credit. A text that cannot be read holds nothing. */
type Holds = (account: SourceAccount) => number;

const bothSides = 3;
const sideBits: Readonly<Record<PlaceSide, number>> = { any: bothSides, debit: 1, credit: 2 };

/** The portions that any of `sources` holds and none of `except` does, of one side where `side` says so. Cost: accounts × sources. */
export function selectPortions(sources: readonly Source[], except: readonly Source[], side: PlaceSide, facts: SourceFacts): Selection {
  const [within, without] = [sources.map((source) => holdsOf(source, facts)), except.map((source) => holdsOf(source, facts))];
  const accounts: number[] = [];
  const sides: number[] = [];
  const wanted = sideBits[side];
  for (const [at, account] of facts.accounts.entries()) {
    let held = 0;
    for (const holds of within) held |= holds(account);
    if (held === 0) continue;
    for (const holds of without) held &= ~holds(account);
    held &= wanted;
    if (held === 0) continue;
    accounts.push(at);
    sides.push(held);
  }
  return { accounts: Int32Array.from(accounts), sides: Uint8Array.from(sides) };
}

function holdsOf(source: Source, { tree, portions, order, accounts }: SourceFacts): Holds {
  switch (source.kind) {
    case 'category': {
      const node = tree.nodes.get(source.categoryId);
      const ids = new Set<number>();
      if (node) walkCategories([node], ({ category }) => ids.add(category.id));
      return ({ id }) => {
        const own = portions.get(id);
        if (!own) return 0;
        return (own.debit !== null && ids.has(own.debit) ? 1 : 0) | (own.credit !== null && ids.has(own.credit) ? 2 : 0);
      };
    }
    case 'numbers': {
      const ranges = readRangeText(source.text, null);
      if (!ranges.ok) return () => 0;
      const holds = rangeTest(ranges.value, order);
      return ({ number }) => (holds(numberKey(number, order)) ? bothSides : 0);
    }
    case 'code': {
      const wanted = source.code.toLowerCase();
      return ({ codes }) => {
        const own = codes[source.list]?.toLowerCase();
        return own !== undefined && (source.begins ? own.startsWith(wanted) : own === wanted) ? bothSides : 0;
      };
    }
    case 'account': {
      const below = idsBelow(source.accountId, accounts);
      return ({ id }) => (below.has(id) ? bothSides : 0);
    }
  }
}

/** An account and all below it, to any depth. */
function idsBelow(accountId: number, accounts: readonly SourceAccount[]): ReadonlySet<number> {
  const found = new Set([accountId]);
  for (let grown = 0; grown !== found.size; ) {
    grown = found.size;
    for (const { id, parentId } of accounts) if (parentId !== null && found.has(parentId)) found.add(id);
  }
  return found;
}
