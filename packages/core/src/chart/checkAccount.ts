import type { Account } from './account.ts';
import { findSameNameBeside } from './accountReference.ts';
import type { AccountTree } from './accountTree.ts';
import type { Element } from './element.ts';

/** What of an account can clash with the rest of the chart. */
export interface AccountDraft {
  readonly number: string;
  readonly name: string;
  readonly element: Element;
  readonly parentId: number | null;
  readonly active: boolean;
}

export type AccountRefused =
  | { code: 'account_number_missing' }
  | { code: 'account_number_unused'; number: string }
  | { code: 'account_name_beside'; name: string; accountId: number }
  | { code: 'account_number_taken'; number: string; accountId: number; name: string }
  | {
      code: 'account_nesting_refused';
      reason: 'own_descendant' | 'other_element' | 'too_deep' | 'parent_unknown';
      element: Element;
      parentElement: Element | null;
    };

/** Levels of nesting, the top one counted. */
export const deepestAccounts = 10;

/**
 * Whether an account, new or changed (`ownId`), fits the chart: its number is nobody else's (letters without regard to
 * case), or, in a company of names only (`numbered` false), its name is no active account's beside it; its parent is of
 * its element and not below it, and the branch stays within ten levels. Cost: accounts.
 */
export function checkAccount(draft: AccountDraft, ownId: number | null, tree: AccountTree, numbered: boolean): AccountRefused | null {
  return (numbered ? checkNumber(draft, ownId, tree) : checkNameBeside(draft, ownId, tree)) ?? checkNesting(draft, ownId, tree);
}

function checkNumber({ number }: AccountDraft, ownId: number | null, { order }: AccountTree): AccountRefused | null {
  if (number === '') return { code: 'account_number_missing' };
  const holder = findByNumber(order, number);
  return holder && holder.id !== ownId ? { code: 'account_number_taken', number, accountId: holder.id, name: holder.name } : null;
}

function checkNameBeside(draft: AccountDraft, ownId: number | null, { order }: AccountTree): AccountRefused | null {
  if (draft.number !== '') return { code: 'account_number_unused', number: draft.number };
  const holder = draft.active ? findSameNameBeside(order, draft, ownId) : undefined;
  return holder ? { code: 'account_name_beside', name: draft.name, accountId: holder.id } : null;
}

function checkNesting(draft: AccountDraft, ownId: number | null, tree: AccountTree): AccountRefused | null {
  if (draft.parentId === null) return null;
  const parentAt = tree.indexOf.get(draft.parentId);
  const parent = parentAt === undefined ? undefined : tree.order[parentAt];
  const refuse = (reason: Extract<AccountRefused, { code: 'account_nesting_refused' }>['reason']): AccountRefused => ({
    code: 'account_nesting_refused',
    reason,
    element: draft.element,
    parentElement: parent?.element ?? null,
  });
  if (parentAt === undefined || !parent) return refuse('parent_unknown');
  for (let at = parentAt; at >= 0; at = tree.parentAt[at] as number) if (tree.order[at]?.id === ownId) return refuse('own_descendant');
  if (parent.element !== draft.element) return refuse('other_element');
  return (tree.depth[parentAt] as number) + 1 + heightBelow(tree, ownId) >= deepestAccounts ? refuse('too_deep') : null;
}

export function findByNumber<Item extends { readonly number: string }>(accounts: readonly Item[], number: string): Item | undefined {
  const wanted = number.toLowerCase();
  return accounts.find((account) => account.number.toLowerCase() === wanted);
}

/** Active accounts elsewhere with the same name, which is allowed where numbers tell them apart, and pointed out. */
export function findSameName(accounts: readonly Account[], name: string, ownId: number | null): Account | undefined {
  const wanted = name.trim().toLowerCase();
  return accounts.find((account) => account.id !== ownId && account.active && account.name.toLowerCase() === wanted);
}

function heightBelow(tree: AccountTree, ownId: number | null): number {
  const start = ownId === null ? undefined : tree.indexOf.get(ownId);
  if (start === undefined) return 0;
  const own = tree.depth[start] as number;
  let height = 0;
  for (let at = start + 1; at < tree.order.length && (tree.depth[at] as number) > own; at++) height = Math.max(height, (tree.depth[at] as number) - own);
  return height;
}
