import type { AccountRole } from '../chart/accountRole.ts';
import type { CodesOfAccount, ListKey } from '../chart/codeList.ts';
import type { Element, Side } from '../chart/element.ts';
import type { DigitOrder } from '../chart/numberOrder.ts';
import { numberKey, rangeTest } from '../chart/numberRange.ts';
import { readRangeText } from '../chart/rangeText.ts';
import { stepOf } from '../placement/cashNature.ts';
import type { Nature, Step } from '../placement/category.ts';
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
  /** The account, and all below it; of their balances those of one side alone where it says so. */
  | { readonly kind: 'account'; readonly accountId: number; readonly side?: Side }
  /** All that stands in categories of the step. */
  | { readonly kind: 'step'; readonly step: Step }
  /** All that stands in categories of these elements whose cash flows are of the nature. */
  | { readonly kind: 'nature'; readonly nature: Nature; readonly elements: readonly Element[] }
  /** Accounts of these elements, placed or not. */
  | { readonly kind: 'elements'; readonly elements: readonly Element[] }
  /** Accounts with the role. */
  | { readonly kind: 'role'; readonly role: AccountRole };

/** What sources are looked up in. */
export interface SourceAccount {
  readonly id: number;
  readonly number: string;
  readonly element: Element;
  readonly normalSide: Side;
  readonly role: AccountRole | null;
  readonly parentId: number | null;
  readonly codes: CodesOfAccount;
}

export interface SourceFacts {
  /** In the order of the cube's dense numbering. */
  readonly accounts: readonly SourceAccount[];
  readonly tree: CategoryTree;
  /** Of every category, whether it says so itself or not. */
  readonly natures: ReadonlyMap<number, Nature>;
  readonly portions: ReadonlyMap<number, Portions>;
  readonly order: DigitOrder;
}

/** Of each account (by dense number) the sides that a source holds: bit 1 debit, bit 2 credit. A text that cannot be read holds nothing. */
type Holds = (account: SourceAccount) => number;

const bothSides = 3;
const sideBits: Readonly<Record<PlaceSide, number>> = { any: bothSides, debit: 1, credit: 2 };

/**
 * The portions that any of `sources` holds and none of `except` does, of one side where `side` says so. Cost: accounts × sources; of sources that are categories the
 * accounts that stand in them.
 */
export function selectPortions(sources: readonly Source[], except: readonly Source[], side: PlaceSide, facts: SourceFacts): Selection {
  const [within, without] = [sources.map((source) => holdsOf(source, facts)), except.map((source) => holdsOf(source, facts))];
  const accounts: number[] = [];
  const sides: number[] = [];
  const wanted = sideBits[side];
  for (const at of candidates(sources, facts)) {
    const account = facts.accounts[at] as SourceAccount;
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

/** Accounts that a source may hold, in their order: those of its categories, or all where it is none of categories. */
function candidates(sources: readonly Source[], facts: SourceFacts): Iterable<number> {
  const categories = sources.map((source) => categoriesOf(source, facts));
  if (categories.includes(null)) return facts.accounts.keys();
  const standing = standingOn(facts);
  const found = new Set<number>();
  for (const ids of categories) for (const id of ids ?? []) for (const at of standing.get(id) ?? []) found.add(at);
  return [...found].sort((a, b) => a - b);
}

type Standing = ReadonlyMap<number, readonly number[]>;
const standingOf = new WeakMap<SourceFacts['portions'], WeakMap<SourceFacts['accounts'], Standing>>();

/** By category the accounts of which a side stands in it itself. */
function standingOn({ portions, accounts }: SourceFacts): Standing {
  const before = standingOf.get(portions) ?? new WeakMap();
  standingOf.set(portions, before);
  const known = before.get(accounts);
  if (known) return known;
  const made = new Map<number, number[]>();
  for (const [at, { id }] of accounts.entries()) {
    const { debit = null, credit = null } = portions.get(id) ?? {};
    for (const categoryId of new Set([debit, credit])) {
      if (categoryId === null) continue;
      const here = made.get(categoryId);
      if (here) here.push(at);
      else made.set(categoryId, [at]);
    }
  }
  before.set(accounts, made);
  return made;
}

/** What a source of categories takes them from; `null` for one of accounts, numbers or codes. */
function categoriesOf(source: Source, { tree, natures }: SourceFacts): ReadonlySet<number> | null {
  const ids = new Set<number>();
  switch (source.kind) {
    case 'category': {
      const node = tree.nodes.get(source.categoryId);
      if (node) walkCategories([node], ({ category }) => ids.add(category.id));
      return ids;
    }
    case 'step':
      for (const [id, node] of tree.nodes) if (stepOf(node) === source.step) ids.add(id);
      return ids;
    case 'nature':
      for (const [id, { category }] of tree.nodes) if (source.elements.includes(category.element) && natures.get(id) === source.nature) ids.add(id);
      return ids;
    default:
      return null;
  }
}

function holdsOf(source: Source, facts: SourceFacts): Holds {
  const { portions, order, accounts } = facts;
  const ids = categoriesOf(source, facts);
  const inCategories: Holds = ({ id }) => (ids ? sidesIn(ids, portions.get(id)) : 0);
  switch (source.kind) {
    case 'category':
    case 'step':
      return inCategories;
    case 'nature':
      // What exchange rates do is no interest, though it mostly stands beside it (IAS 7.28).
      return source.nature === 'interest' ? (account) => (account.role === 'exchange_differences' ? 0 : inCategories(account)) : inCategories;
    case 'elements':
      return ({ element }) => (source.elements.includes(element) ? bothSides : 0);
    case 'role':
      return ({ role }) => (role === source.role ? bothSides : 0);
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
      const held = sideBits[source.side ?? 'any'];
      return ({ id }) => (below.has(id) ? held : 0);
    }
  }
}

/** Bits of the sides that stand in one of the categories. */
export function sidesIn(categoryIds: ReadonlySet<number>, portions: Portions | undefined): number {
  if (!portions) return 0;
  return (portions.debit !== null && categoryIds.has(portions.debit) ? 1 : 0) | (portions.credit !== null && categoryIds.has(portions.credit) ? 2 : 0);
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
