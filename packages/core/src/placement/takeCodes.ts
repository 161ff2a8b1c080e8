import type { CodesOfAccount, ListedCode, ListKey } from '../chart/codeList.ts';
import { type Element, elements } from '../chart/element.ts';
import { type CategoryTree, walkCategories } from './categoryTree.ts';

export interface AccountTakingCode {
  readonly id: number;
  readonly number: string;
  readonly name: string;
  readonly element: Element;
  readonly codes: CodesOfAccount;
}

/** What a list and accounts without a code of it would get. */
export interface TakenCodes {
  /** Not in the list yet, each behind the one above it. */
  readonly added: readonly ListedCode[];
  readonly given: readonly { readonly accountId: number; readonly code: string }[];
  /** Accounts that have one, and keep it. */
  readonly kept: number;
  /** Accounts that find none. */
  readonly without: number;
}

interface List {
  readonly key: ListKey;
  readonly codes: readonly ListedCode[];
}

/**
 * One code for each category, numbered by its path (`1.2.3`), or the code that bears the category's name already; accounts get that of the
 * category they stand in. `categoryOf`: `null` for an account that stands nowhere.
 */
export function codesOfCategories(
  list: List,
  tree: CategoryTree,
  accounts: readonly AccountTakingCode[],
  categoryOf: (accountId: number) => number | null,
): TakenCodes {
  const byCaption = new Map(list.codes.map((listed) => [`${listed.element ?? ''} ${listed.caption.toLowerCase()}`, listed.code]));
  const taken = new Set(list.codes.map(({ code }) => code.toLowerCase()));
  const codes = new Map<number, string>();
  const added: ListedCode[] = [];
  for (const [at, element] of elements.entries()) {
    const counts = new Map<number | null, number>();
    walkCategories(tree.tops.get(element) ?? [], ({ category: { id, parentId, name } }) => {
      const above = parentId === null ? null : (codes.get(parentId) ?? null);
      const codeOfName = byCaption.get(`${element} ${name.toLowerCase()}`) ?? byCaption.get(` ${name.toLowerCase()}`);
      if (codeOfName !== undefined) return void codes.set(id, codeOfName);
      let code: string;
      do {
        const place = (counts.get(parentId) ?? 0) + 1;
        counts.set(parentId, place);
        code = `${above ?? at + 1}.${place}`;
      } while (taken.has(code.toLowerCase()));
      taken.add(code.toLowerCase());
      codes.set(id, code);
      added.push({ code, caption: name, element, side: null, parent: above });
    });
  }
  return giveCodes(list, accounts, added, ({ id }) => codes.get(categoryOf(id) ?? 0));
}

/** The codes that another company's accounts have: of the same number and name, or of the same name, within the element. */
export function codesOfOther(
  list: List,
  other: List & { readonly accounts: readonly AccountTakingCode[] },
  accounts: readonly AccountTakingCode[],
): TakenCodes {
  const keyOf = ({ element, name }: AccountTakingCode, number: string): string => `${element} ${number} ${name.toLowerCase()}`;
  const byKey = new Map<string, string>();
  for (const account of other.accounts) {
    const code = account.codes[other.key];
    if (code === undefined) continue;
    byKey.set(keyOf(account, account.number), code);
    if (!byKey.has(keyOf(account, ''))) byKey.set(keyOf(account, ''), code);
  }
  const here = new Set(list.codes.map(({ code }) => code.toLowerCase()));
  const there = new Map(other.codes.map((listed) => [listed.code, listed]));
  const needed = new Map<string, ListedCode>();
  const need = (code: string): void => {
    const listed = there.get(code);
    if (!listed || here.has(code.toLowerCase()) || needed.has(code)) return;
    // Those above it come first.
    if (listed.parent !== null) need(listed.parent);
    needed.set(code, listed);
  };
  const codeOf = (account: AccountTakingCode) => byKey.get(keyOf(account, account.number)) ?? byKey.get(keyOf(account, ''));
  for (const account of accounts) {
    const code = account.codes[list.key] === undefined ? codeOf(account) : undefined;
    if (code !== undefined) need(code);
  }
  return giveCodes(list, accounts, [...needed.values()], codeOf);
}

/** One code for many accounts, in the place of what they have. */
export interface CodeForMany extends Pick<TakenCodes, 'given'> {
  /** Those that have it already. */
  readonly kept: number;
  /** Of those that get it, with the code that they lose. */
  readonly replaced: readonly { readonly accountId: number; readonly code: string }[];
}

export function codeForMany({ key }: Pick<List, 'key'>, code: string, accounts: readonly Pick<AccountTakingCode, 'id' | 'codes'>[]): CodeForMany {
  const others = accounts.filter(({ codes }) => codes[key] !== code);
  return {
    given: others.map(({ id }) => ({ accountId: id, code })),
    kept: accounts.length - others.length,
    replaced: others.flatMap(({ id, codes }) => (codes[key] === undefined ? [] : [{ accountId: id, code: codes[key] }])),
  };
}

function giveCodes(
  { key }: List,
  accounts: readonly AccountTakingCode[],
  added: readonly ListedCode[],
  codeOf: (account: AccountTakingCode) => string | undefined,
): TakenCodes {
  const open = accounts.filter(({ codes }) => codes[key] === undefined);
  const taken = open.flatMap((account) => {
    const code = codeOf(account);
    return code === undefined ? [] : [{ accountId: account.id, code }];
  });
  return { added, given: taken, kept: accounts.length - open.length, without: open.length - taken.length };
}
