import type { Day } from '../calendar/day.ts';
import type { FiscalCalendar } from '../calendar/fiscalCalendar.ts';
import { accountLabel } from '../chart/accountReference.ts';
import type { AccountTree } from '../chart/accountTree.ts';
import type { ListKind } from '../chart/codeList.ts';
import type { DigitOrder } from '../chart/numberOrder.ts';
import type { FirstBalances } from '../cube/openings.ts';
import type { AccountTraits } from '../cube/vector.ts';
import type { Facet } from '../facet/checkFacets.ts';
import type { CaptionLanguage } from '../layout/captionWords.ts';
import type { LayoutOptions } from '../layout/options.ts';
import type { Currency } from '../money/currency.ts';
import { captionsIn } from '../placement/captionsIn.ts';

import { buildCategoryTree, type CategoryTree } from '../placement/categoryTree.ts';
import type { Portions } from '../placement/place.ts';
import type { DescribedCategory } from '../placement/placement.ts';
import type { PresentedAccount } from '../statement/accountsOnLines.ts';
import type { GroundAccount } from './groundAccount.ts';
import type { Money } from './need.ts';
import type { StandIns } from './standIn.ts';

/** The chart and the placement of one classification, by the dense numbers that vectors have. */
export interface Placed {
  readonly accounts: readonly GroundAccount[];
  /** By id: what tells an account from all others. */
  readonly labels: ReadonlyMap<number, string>;
  readonly tree: AccountTree;
  readonly accountIds: readonly number[];
  readonly indexOf: ReadonlyMap<number, number>;
  readonly traits: AccountTraits;
  readonly categories: readonly DescribedCategory[];
  readonly categoryTree: CategoryTree;
  /** Where accounts stand, by hand or by range. */
  readonly portions: ReadonlyMap<number, Portions>;
}

/** What statements are run over but for the amounts: chart, placement, calendar and settings at one state of the books. */
export interface Ground extends Placed {
  /** Counters that the whole of it belongs to; what is provided for a plan over it has the same. */
  readonly revision: number;
  readonly structureVersion: number;
  /** Of amounts. */
  readonly currency: Currency;
  /** The company's own. */
  readonly kept: Currency;
  readonly money: Money;
  /** Of captions, the main one first. */
  readonly languages: readonly CaptionLanguage[];
  readonly digitOrder: DigitOrder;
  readonly calendar: FiscalCalendar;
  /** Lists of report codes by name, then facets in their order. */
  readonly lists: readonly (Facet & { readonly kind: ListKind })[];
  readonly classificationId: number;
  /** Empty for the main one. */
  readonly classificationName: string;
  readonly options: LayoutOptions;
  readonly retainedEarningsId: number | null;
  /** Accounts that somebody left out of the coverage of a classification or a layout, named by their scope. */
  readonly exclusions: readonly { readonly scope: string; readonly accountId: number }[];
  /** Accounts that ranges of two unrelated categories hold. */
  readonly doubled: ReadonlySet<number>;
  readonly firstBalances: readonly FirstBalances[];
  /** Whether a fiscal year opens with entries on a day. */
  readonly opensOn: (day: Day) => boolean;
  /** Whether anything was posted in a period, by its place in the calendar. */
  readonly hasLines: (periodIndex: number) => boolean;
  /** Where some of the accounts stand for others. */
  readonly standIns: StandIns | null;
}

export function mainLanguageOf({ languages }: Pick<Ground, 'languages'>): CaptionLanguage {
  return languages[0] ?? 'en';
}

const byIdOf = new WeakMap<readonly GroundAccount[], ReadonlyMap<number, GroundAccount>>();

const creditNormal = new WeakMap<readonly GroundAccount[], Uint8Array>();

/** 1 for accounts whose normal side is credit, by dense number. */
export function creditNormalOf(ground: Pick<Ground, 'accounts' | 'accountIds'>): Uint8Array {
  const found = creditNormal.get(ground.accounts);
  if (found) return found;
  const byId = accountById(ground);
  const made = Uint8Array.from(ground.accountIds, (id) => (byId.get(id)?.normalSide === 'credit' ? 1 : 0));
  creditNormal.set(ground.accounts, made);
  return made;
}

export function accountById({ accounts }: Pick<Ground, 'accounts'>): ReadonlyMap<number, GroundAccount> {
  const byId = byIdOf.get(accounts) ?? new Map(accounts.map((account) => [account.id, account]));
  byIdOf.set(accounts, byId);
  return byId;
}

/** The same for every state of the ledger over one structure. */
const inOrderOf = new WeakMap<AccountTree, readonly PresentedAccount[]>();

/** As statements show them, in the order of the chart. */
export function presentedAccounts({ tree, labels, indexOf }: Pick<Ground, 'tree' | 'labels' | 'indexOf'>): readonly PresentedAccount[] {
  const order = inOrderOf.get(tree);
  if (order) return order;
  const made = tree.order.map((account, at) => ({
    account,
    label: labels.get(account.id) ?? accountLabel(account),
    index: indexOf.get(account.id) as number,
    isParent: tree.isParent[at] as boolean,
  }));
  inOrderOf.set(tree, made);
  return made;
}

const treesOf = new WeakMap<readonly DescribedCategory[], Map<CaptionLanguage, CategoryTree>>();

/** The categories with their captions in a language. Once for each structure. */
export function treeIn(
  { languages, categories, categoryTree }: Pick<Ground, 'languages' | 'categories' | 'categoryTree'>,
  language: CaptionLanguage,
): CategoryTree {
  if (language === mainLanguageOf({ languages })) return categoryTree;
  const trees = treesOf.get(categories) ?? new Map<CaptionLanguage, CategoryTree>();
  treesOf.set(categories, trees);
  const tree = trees.get(language) ?? buildCategoryTree(captionsIn(categories, language));
  trees.set(language, tree);
  return tree;
}
