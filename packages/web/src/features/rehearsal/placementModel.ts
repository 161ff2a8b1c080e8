import type { PlacementView } from '@ivory-ladder/contract';
import {
  type CategoryNode,
  type CategoryTree,
  type DescribedCategory,
  type DigitOrder,
  type Element,
  elements,
  mayDiffer,
  naturalSide,
  OverlaidMap,
  type Place,
  type PlacedByRange,
  type Placement,
  type PlacementDraft,
  placementOf,
  type SoundDraft,
  soundDraft,
  standingFollower,
  walkCategories,
} from '@ivory-ladder/core';
import { leftOutOf } from '../../shared/api/leftOutOf.ts';
import { standsIn } from '../../shared/api/standsIn.ts';

export type PlacedAccount = PlacementView['accounts'][number];

/** Amounts on the side of the category's element. */
export interface CategorySums {
  readonly accounts: number;
  readonly amount: bigint;
  readonly comparative: bigint;
}

/** Sums of a category and all below it. */
interface CategoryTotals extends CategorySums {
  /** Of the accounts that stand directly in it. */
  readonly own: CategorySums;
}

export interface StandingAccount {
  readonly account: PlacedAccount;
  readonly side: 'any' | 'debit' | 'credit';
  /** Rather than by hand. */
  readonly isByRange: boolean;
}

/** The placement as it is kept, with what is worked out once for all that is proposed on it. */
export interface PlacementBase {
  readonly view: PlacementView;
  readonly placement: Placement;
  readonly elementOf: ReadonlyMap<number, Element>;
  readonly stand: ReturnType<typeof standingFollower>;
  readonly amounts: ReadonlyMap<number, { readonly amount: bigint; readonly comparative: bigint }>;
  readonly placeInChart: ReadonlyMap<number, number>;
  /** Accounts that somebody left out of the coverage. */
  readonly leftOut: ReadonlySet<number>;
  /** Drafts that were looked at, with what of each can be applied. */
  readonly sound: WeakMap<PlacementDraft, SoundDraft>;
  /** The placement that was shown last: what a change leaves as it is, is taken from it. */
  last: PlacementModel | null;
}

/** A placement as the screen shows it. */
export interface PlacementModel {
  readonly placement: Placement;
  readonly tree: CategoryTree;
  /** In chart order, with their places in this placement. */
  readonly byId: ReadonlyMap<number, PlacedAccount>;
  readonly unplaced: readonly PlacedAccount[];
  /** Accounts that stand directly in a category, with the side of their place. */
  readonly standing: ReadonlyMap<number, readonly StandingAccount[]>;
  readonly totals: ReadonlyMap<number, CategoryTotals>;
  /** What ranges make of the accounts that they hold. */
  readonly byRange: ReadonlyMap<number, PlacedByRange>;
}

const elementNames: Readonly<Record<Element, string>> = { asset: 'Assets', liability: 'Liabilities', equity: 'Equity', income: 'Income', expense: 'Expense' };

export function elementName(element: Element): string {
  return elementNames[element];
}

/** Shown with a plus on the side that is natural for the element. */
export function onNaturalSide(net: bigint, element: Element): bigint {
  return naturalSide(element) === 'debit' ? net : -net;
}

/** A balance counts in the place for its side; zero in either. */
function takes(side: 'any' | 'debit' | 'credit', net: bigint): boolean {
  return side === 'any' || net === 0n || net > 0n === (side === 'debit');
}

function describedOf({ version: _, ...category }: PlacementView['categories'][number]): DescribedCategory {
  return category;
}

export function placementBase(view: PlacementView, order: DigitOrder): PlacementBase {
  const places = view.accounts.flatMap(({ id, places: own }): Place[] => own.map((place) => ({ ...place, accountId: id })));
  return {
    view,
    placement: placementOf(view.categories.map(describedOf), places),
    elementOf: new Map(view.accounts.map(({ id, element }) => [id, element])),
    stand: standingFollower(view.accounts, order),
    amounts: new Map(view.accounts.map(({ id, amount, comparative }) => [id, { amount: BigInt(amount), comparative: BigInt(comparative) }])),
    placeInChart: new Map(view.accounts.map(({ id }, at) => [id, at])),
    leftOut: leftOutOf(view),
    sound: new WeakMap(),
    last: null,
  };
}

/** What of a draft can be applied to the placement as it is kept. */
export function soundOf(base: PlacementBase, draft: PlacementDraft, order: DigitOrder): SoundDraft {
  const sounded = base.sound.get(draft) ?? soundDraft(base.placement, draft, base.elementOf, order);
  base.sound.set(draft, sounded);
  return sounded;
}

/**
 * Everything the screen shows that follows from a placement. Cost: accounts; where the tree is that of the placement shown last, little
 * for those that stand as they did.
 */
export function modelPlacement(base: PlacementBase, placement: Placement = base.placement): PlacementModel {
  const { tree, byRange } = base.stand(placement);
  const last = base.last?.tree === tree ? base.last : null;
  // In the same tree ranges are the same, so that only who was given another place stands elsewhere.
  const moved = last ? movedBetween(base, last.placement, placement) : base.view.accounts;
  const shown: [number, PlacedAccount][] = [];
  const standing = new Map(last?.standing);
  const touched = new Set<number>();
  for (const asKept of moved) {
    const { id } = asKept;
    const [own, ranged] = [placement.places.get(id), byRange.get(id)];
    const was = last?.byId.get(id);
    const account: PlacedAccount = {
      ...asKept,
      places: [...(own ?? [])],
      placesByRange: [...(ranged?.places ?? [])],
      doubledIn: [...(ranged?.doubledIn ?? [])],
      oddIn: [...(ranged?.oddIn ?? [])],
    };
    shown.push([id, account]);
    for (const { categoryId } of was ? placesShown(was) : []) {
      standing.set(
        categoryId,
        (standing.get(categoryId) ?? []).filter((stands) => stands.account.id !== id),
      );
      touched.add(categoryId);
    }
    for (const place of placesShown(account)) {
      const stands = { account, side: place.side, isByRange: account.placesByRange.includes(place) };
      standing.set(place.categoryId, last ? [...(standing.get(place.categoryId) ?? []), stands] : pushed(standing.get(place.categoryId), stands));
      touched.add(place.categoryId);
    }
  }
  const byId = last ? OverlaidMap.of(last.byId, shown) : new Map(shown);
  const model: PlacementModel =
    last && moved.length === 0
      ? { ...last, placement, byRange }
      : {
          placement,
          tree,
          byRange,
          byId,
          unplaced: unplacedOf(base, byId, moved, last),
          standing: last ? inChartOrder(standing, touched, base) : standing,
          totals: totalsOf(base, tree, standing, last ? { totals: last.totals, touched } : null),
        };
  base.last = model;
  return model;
}

/** In chart order. */
function movedBetween({ view, placeInChart }: PlacementBase, before: Placement, now: Placement): readonly PlacedAccount[] {
  const differing = mayDiffer(before, now);
  const places = differing && [...differing].flatMap((id) => placeInChart.get(id) ?? []).sort((a, b) => a - b);
  const among = places ? places.map((at) => view.accounts[at] as PlacedAccount) : view.accounts;
  return among.filter(({ id }) => before.places.get(id) !== now.places.get(id));
}

/** In chart order: those of before, without who was moved, and who was moved and stands nowhere now. */
function unplacedOf(
  { leftOut, placeInChart }: PlacementBase,
  byId: PlacementModel['byId'],
  moved: readonly PlacedAccount[],
  last: PlacementModel | null,
): readonly PlacedAccount[] {
  const isUnplaced = (account: PlacedAccount): boolean =>
    placesShown(account).length === 0 && (!account.isParent || account.balance !== '0') && !leftOut.has(account.id);
  const now = moved.map(({ id }) => byId.get(id) as PlacedAccount);
  const among = now.filter(isUnplaced);
  if (!last) return among;
  const gone = new Set(moved.map(({ id }) => id));
  const others = last.unplaced.filter(({ id }) => !gone.has(id));
  const place = ({ id }: PlacedAccount) => placeInChart.get(id) ?? 0;
  return among.length === 0 ? others : [...others, ...among].sort((a, b) => place(a) - place(b));
}

/** A range that holds the number of a parent without amounts of its own has nothing to take. */
function placesShown(account: PlacedAccount): PlacedAccount['places'] {
  return account.isParent && account.amount === '0' && account.comparative === '0' && account.balance === '0' ? account.places : standsIn(account);
}

function pushed(list: readonly StandingAccount[] | undefined, one: StandingAccount): StandingAccount[] {
  const own = (list ?? []) as StandingAccount[];
  own.push(one);
  return own;
}

function inChartOrder(
  standing: Map<number, readonly StandingAccount[]>,
  touched: ReadonlySet<number>,
  { placeInChart }: PlacementBase,
): Map<number, readonly StandingAccount[]> {
  const place = (one: StandingAccount) => placeInChart.get(one.account.id) ?? 0;
  for (const id of touched) {
    const own = [...(standing.get(id) ?? [])].sort((a, b) => place(a) - place(b));
    if (own.length === 0) standing.delete(id);
    else standing.set(id, own);
  }
  return standing;
}

/** Of all categories, or of those that were touched and what is above them. */
function totalsOf(
  { amounts }: PlacementBase,
  tree: CategoryTree,
  standing: ReadonlyMap<number, readonly StandingAccount[]>,
  known: { readonly totals: ReadonlyMap<number, CategoryTotals>; readonly touched: ReadonlySet<number> } | null,
): ReadonlyMap<number, CategoryTotals> {
  const totals = new Map(known?.totals);
  const anew = new Set<number>();
  for (const id of known?.touched ?? []) for (let at = tree.nodes.get(id) ?? null; at; at = at.parent) anew.add(at.category.id);
  const sum = (node: CategoryNode): CategoryTotals => {
    const { id, element } = node.category;
    const before = totals.get(id);
    if (known && before && !anew.has(id)) return before;
    let accounts = 0;
    let amount = 0n;
    let comparative = 0n;
    for (const { account, side } of standing.get(id) ?? []) {
      const held = amounts.get(account.id);
      accounts++;
      if (held && takes(side, held.amount)) amount += held.amount;
      if (held && takes(side, held.comparative)) comparative += held.comparative;
    }
    amount = onNaturalSide(amount, element);
    comparative = onNaturalSide(comparative, element);
    const own = { accounts, amount, comparative };
    for (const child of node.children) {
      const below = sum(child);
      accounts += below.accounts;
      amount += below.amount;
      comparative += below.comparative;
    }
    const total = { accounts, amount, comparative, own };
    totals.set(id, total);
    return total;
  };
  for (const element of elements) for (const top of tree.tops.get(element) ?? []) sum(top);
  return totals;
}

/** Categories from top to bottom, leaving out what is below a shut one. */
export function visibleNodes(tree: CategoryTree, element: Element, shut: ReadonlySet<number>): CategoryNode[] {
  const visible: CategoryNode[] = [];
  walkCategories(tree.tops.get(element) ?? [], (node) => {
    for (let above = node.parent; above; above = above.parent) if (shut.has(above.category.id)) return;
    visible.push(node);
  });
  return visible;
}
