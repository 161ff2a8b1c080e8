import { type CodesOfAccount, codeFinder, type ListedCode, oddityOf } from '../chart/codeList.ts';
import type { Element, Side } from '../chart/element.ts';
import type { DigitOrder } from '../chart/numberOrder.ts';
import { numberKey, rangeTest } from '../chart/numberRange.ts';
import { readRangeText } from '../chart/rangeText.ts';
import type { Facet } from '../facet/checkFacets.ts';

export interface CodedAccount {
  readonly id: number;
  readonly number: string;
  readonly element: Element;
  readonly normalSide: Side;
  readonly active: boolean;
  readonly isParent: boolean;
  /** Of its own, within the dates that are looked at. */
  readonly hasAmount: boolean;
  readonly codes: CodesOfAccount;
}

/** Whether a list says which accounts each need a code of it. */
export function isDeclaredComplete({ neededFor, neededOn }: Pick<Facet, 'neededFor' | 'neededOn'>): boolean {
  return neededFor.length > 0 || neededOn !== '';
}

/**
 * Accounts that need a code of a list, and those of them that have none: posting accounts in use and parents with amounts of their own,
 * of the elements or with the numbers that the list is declared complete for, less those that somebody left out.
 */
export function codeCoverage<Account extends CodedAccount>(
  list: Pick<Facet, 'key' | 'neededFor' | 'neededOn'>,
  accounts: readonly Account[],
  leftOut: { has(accountId: number): boolean },
  order: DigitOrder,
): { readonly inScope: number; readonly missing: readonly Account[] } {
  const read = list.neededOn === '' ? null : readRangeText(list.neededOn, null);
  const holds = read?.ok ? rangeTest(read.value, order) : () => false;
  const elements = new Set(list.neededFor);
  const inScope = accounts.filter(
    ({ id, number, element, active, isParent, hasAmount }) =>
      (hasAmount || (active && !isParent)) && !leftOut.has(id) && (elements.has(element) || holds(numberKey(number, order))),
  );
  return { inScope: inScope.length, missing: inScope.filter(({ codes }) => codes[list.key] === undefined) };
}

/** Where an account stands: the top category, and the part of the statement that this one is in (non-current assets, cost of sales…). */
export interface StandsUnder {
  readonly section: string;
  readonly categoryId: number;
}

/** A code that is not meant for its account, or whose other accounts stand elsewhere. */
export interface CodeAtOdds<Account> {
  readonly account: Account;
  readonly listed: ListedCode;
  /** `category`: most of its accounts stand in another part of the statement. */
  readonly reason: 'element' | 'side' | 'category';
  /** The top category there that most of them stand under, and how many stand in that part; `null` for another reason. */
  readonly said: { readonly categoryId: number; readonly accounts: number } | null;
}

/** Of the accounts of a code that speak for where it belongs. */
const fewestThatSpeak = 3;

/**
 * Codes of one list at odds with element, side or category. Where a code belongs is said by the accounts that have it: the part of the
 * statement that at least two thirds of them, and three or more, stand in. `standsUnder`: `null` for an unplaced account.
 */
export function codesAtOdds<Account extends Pick<CodedAccount, 'id' | 'element' | 'normalSide' | 'codes'>>(
  list: Pick<Facet, 'key' | 'codes'>,
  accounts: readonly Account[],
  standsUnder: (accountId: number) => StandsUnder | null,
): CodeAtOdds<Account>[] {
  const find = codeFinder(list);
  const standing = new Map<string, StandsUnder[]>();
  for (const { id, codes } of accounts) {
    const code = codes[list.key];
    const stands = standsUnder(id);
    if (code === undefined || !stands) continue;
    const own = standing.get(code);
    if (own) own.push(stands);
    else standing.set(code, [stands]);
  }
  const saidBy = new Map([...standing].map(([code, all]) => [code, sectionOfMost(all)]));
  return accounts.flatMap((account): CodeAtOdds<Account>[] => {
    const code = account.codes[list.key];
    const listed = code === undefined ? undefined : find(code);
    if (code === undefined || !listed) return [];
    const oddity = oddityOf(listed, account);
    if (oddity) return [{ account, listed, reason: oddity, said: null }];
    const most = saidBy.get(code) ?? null;
    const stands = standsUnder(account.id);
    if (most === null || stands === null || stands.section === most.section) return [];
    return [{ account, listed, reason: 'category', said: { categoryId: most.categoryId, accounts: most.accounts } }];
  });
}

function sectionOfMost(all: readonly StandsUnder[]): (StandsUnder & { readonly accounts: number }) | null {
  const section = mostOf(all.map((stands) => stands.section));
  const own = all.filter((stands) => stands.section === section);
  const categoryId = mostOf(own.map((stands) => stands.categoryId));
  if (section === null || categoryId === null) return null;
  return own.length >= fewestThatSpeak && own.length * 3 >= all.length * 2 ? { section, categoryId, accounts: own.length } : null;
}

function mostOf<Value>(values: readonly Value[]): Value | null {
  const counts = new Map<Value, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0] ?? null;
}
