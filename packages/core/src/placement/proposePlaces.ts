import type { Element } from '../chart/element.ts';
import { type DigitOrder, sortByNumber } from '../chart/numberOrder.ts';
import { type CategoryTree, walkCategories } from './categoryTree.ts';
import type { Portions } from './place.ts';
import { areAtOdds, subjectsOf, subjectsOfCategory } from './subjects.ts';

/** Why an account may stand in a category; accounts by id. */
export type ProposalReason =
  /** Nearest by number, on one side or on both, and beginning alike. */
  | { readonly kind: 'beside'; readonly accountIds: readonly number[] }
  | { readonly kind: 'parent'; readonly accountId: number }
  /** Sub-accounts of the same account. */
  | { readonly kind: 'siblings'; readonly accounts: number }
  /** Accounts in the category have the word, or its plural, in their names; `word` as the account's own name writes it. */
  | { readonly kind: 'name'; readonly word: string; readonly accounts: number }
  | { readonly kind: 'category_name'; readonly word: string }
  /** The same account stands at the same path in another company. */
  | { readonly kind: 'company'; readonly company: string };

export interface Proposal {
  readonly categoryId: number;
  readonly reasons: readonly ProposalReason[];
  readonly weight: number;
}

export interface AccountProposals {
  readonly accountId: number;
  /** Strongest first, so many at most. */
  readonly proposals: readonly Proposal[];
  /** Whether nothing speaks for another category, and more than a hint for this one. */
  readonly agree: boolean;
}

export interface AccountToPropose {
  readonly id: number;
  readonly number: string;
  readonly name: string;
  readonly element: Element;
  readonly parentId: number | null;
}

/** Where another company has an account of a number or a name; `categoryId` is the category at the same path here. */
export interface PlacedElsewhere {
  readonly company: string;
  readonly accountId: number;
  readonly categoryId: number;
}

const most = 3;
const weights = { parent: 5, company: 5, siblings: 4, besideBoth: 4, besideOne: 2, name: 3, categoryName: 3 } as const;
/** A single neighbour, or a word that several categories share, is a hint and no more. */
const leastToAgree = 3;
/** A word in the names of accounts of more categories than these says nothing. */
const mostCategoriesOfWord = 4;
const shortestWord = 3;
const emptyWords: ReadonlySet<string> = new Set([
  'and',
  'the',
  'for',
  'from',
  'with',
  'other',
  'others',
  'sundry',
  'various',
  'account',
  'general',
  'misc',
  'und',
  'les',
  'des',
  'van',
]);

/**
 * For each account that stands nowhere the categories that it may belong to, with the reasons, learnt from the accounts that stand somewhere.
 * A category that is about something else than the account's own words is none of them, unless its parent stands there, or it does so itself
 * in another company. The same placement gives the same proposals. Cost: accounts × words.
 */
export function proposePlaces(
  accounts: readonly AccountToPropose[],
  portions: ReadonlyMap<number, Portions>,
  tree: CategoryTree,
  order: DigitOrder,
  elsewhere: readonly PlacedElsewhere[] = [],
): AccountProposals[] {
  const byId = new Map(accounts.map((account) => [account.id, account]));
  const placeOf = ({ id, element }: AccountToPropose): number | null => {
    const stands = portions.get(id);
    const own = stands?.debit ?? stands?.credit ?? null;
    return own !== null && tree.nodes.get(own)?.category.element === element ? own : null;
  };
  const treeOrder = new Map<number, number>();
  for (const tops of tree.tops.values()) walkCategories(tops, ({ category }) => treeOrder.set(category.id, treeOrder.size));
  const words = wordsOfPlaced(accounts, placeOf);
  const categoriesNamed = wordsOfCategories(tree);
  const neighbours = neighboursOf(sortByNumber(accounts, order), placeOf);
  const children = new Map<number, AccountToPropose[]>();
  for (const account of accounts) if (account.parentId !== null) children.set(account.parentId, [...(children.get(account.parentId) ?? []), account]);
  const unplaced = accounts.filter(({ id }) => !portions.has(id));
  return unplaced.map((account) => {
    const found = new Map<number, { weight: number; reasons: ProposalReason[] }>();
    const own = subjectsOf(account.element, account.name);
    const add = (categoryId: number, weight: number, reason: ProposalReason): void => {
      const node = tree.nodes.get(categoryId);
      if (node?.category.element !== account.element) return;
      if (reason.kind !== 'company' && reason.kind !== 'parent' && own.size > 0 && areAtOdds(own, subjectsOfCategory(node))) return;
      const proposal = found.get(categoryId) ?? { weight: 0, reasons: [] };
      proposal.weight += weight;
      proposal.reasons.push(reason);
      found.set(categoryId, proposal);
    };
    for (const { company, accountId, categoryId } of elsewhere) if (accountId === account.id) add(categoryId, weights.company, { kind: 'company', company });
    const parent = account.parentId === null ? undefined : byId.get(account.parentId);
    const above = parent ? placeOf(parent) : null;
    if (parent && above !== null) add(above, weights.parent, { kind: 'parent', accountId: parent.id });
    for (const [categoryId, count] of countByCategory(parent ? (children.get(parent.id) ?? []) : [], placeOf))
      add(categoryId, weights.siblings, { kind: 'siblings', accounts: count });
    for (const { categoryId, accountIds } of neighbours.get(account.id) ?? [])
      add(categoryId, accountIds.length > 1 ? weights.besideBoth : weights.besideOne, { kind: 'beside', accountIds });
    for (const [compared, word] of writtenWords(account.name)) {
      const categories = words.get(account.element)?.get(compared);
      if (categories && categories.size <= mostCategoriesOfWord)
        for (const [categoryId, count] of categories) add(categoryId, weights.name / categories.size, { kind: 'name', word, accounts: count });
      const named = categoriesNamed.get(account.element)?.get(compared) ?? [];
      if (named.length <= mostCategoriesOfWord)
        for (const categoryId of named) add(categoryId, weights.categoryName / named.length, { kind: 'category_name', word });
    }
    const proposals = [...found]
      .map(([categoryId, proposal]): Proposal => ({ categoryId, ...proposal }))
      .sort((a, b) => b.weight - a.weight || (treeOrder.get(a.categoryId) ?? 0) - (treeOrder.get(b.categoryId) ?? 0));
    return { accountId: account.id, proposals: proposals.slice(0, most), agree: proposals.length === 1 && (proposals[0]?.weight ?? 0) >= leastToAgree };
  });
}

/** Words of a name that tell something, as it writes them, by what they are compared by: lower case, without accents, and of a plural without its last letter. */
function writtenWords(name: string): ReadonlyMap<string, string> {
  const words = new Map<string, string>();
  for (const written of name.normalize('NFC').split(/[^\p{L}\p{M}]+/u)) {
    const plain = written.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
    if (plain.length < shortestWord || emptyWords.has(plain)) continue;
    const compared = plain.length > shortestWord && plain.endsWith('s') && !plain.endsWith('ss') ? plain.slice(0, -1) : plain;
    if (!words.has(compared)) words.set(compared, written);
  }
  return words;
}

function wordsOf(name: string): Iterable<string> {
  return writtenWords(name).keys();
}

type PlaceOf = (account: AccountToPropose) => number | null;

function wordsOfPlaced(accounts: readonly AccountToPropose[], placeOf: PlaceOf): Map<Element, Map<string, Map<number, number>>> {
  const words = new Map<Element, Map<string, Map<number, number>>>();
  for (const account of accounts) {
    const categoryId = placeOf(account);
    if (categoryId === null) continue;
    const ofElement = words.get(account.element) ?? new Map<string, Map<number, number>>();
    words.set(account.element, ofElement);
    for (const word of wordsOf(account.name)) {
      const categories = ofElement.get(word) ?? new Map<number, number>();
      ofElement.set(word, categories.set(categoryId, (categories.get(categoryId) ?? 0) + 1));
    }
  }
  return words;
}

function wordsOfCategories({ tops }: CategoryTree): Map<Element, Map<string, number[]>> {
  const words = new Map<Element, Map<string, number[]>>();
  for (const [element, nodes] of tops) {
    const ofElement = new Map<string, number[]>();
    words.set(element, ofElement);
    walkCategories(nodes, ({ category }) => {
      for (const word of wordsOf(category.name)) ofElement.set(word, [...(ofElement.get(word) ?? []), category.id]);
    });
  }
  return words;
}

function countByCategory(accounts: readonly AccountToPropose[], placeOf: PlaceOf): Map<number, number> {
  const counts = new Map<number, number>();
  for (const account of accounts) {
    const categoryId = placeOf(account);
    if (categoryId !== null) counts.set(categoryId, (counts.get(categoryId) ?? 0) + 1);
  }
  return counts;
}

/** Numbers that begin alike for half of their length; 6400 is beside 6330 in a list, but tells nothing about it. */
function isNear(number: string, other: string): boolean {
  const half = Math.floor(number.length / 2);
  return number.slice(0, half) === other.slice(0, half);
}

/** Of each account that stands nowhere, the categories of the nearest accounts of its element before and behind it that stand somewhere. */
function neighboursOf(inOrder: readonly AccountToPropose[], placeOf: PlaceOf): Map<number, { categoryId: number; accountIds: number[] }[]> {
  const neighbours = new Map<number, { categoryId: number; accountIds: number[] }[]>();
  const look = (accounts: readonly AccountToPropose[], isBefore: boolean): void => {
    const last = new Map<Element, AccountToPropose>();
    for (const account of accounts) {
      if (account.number === '') continue;
      if (placeOf(account) !== null) {
        last.set(account.element, account);
        continue;
      }
      const near = last.get(account.element);
      const categoryId = near ? placeOf(near) : null;
      if (!near || categoryId === null || !isNear(account.number, near.number)) continue;
      const own = neighbours.get(account.id) ?? [];
      const same = own.find((one) => one.categoryId === categoryId);
      if (same) same.accountIds = isBefore ? [near.id, ...same.accountIds] : [...same.accountIds, near.id];
      else own.push({ categoryId, accountIds: [near.id] });
      neighbours.set(account.id, own);
    }
  };
  look(inOrder, true);
  look(inOrder.toReversed(), false);
  return neighbours;
}
