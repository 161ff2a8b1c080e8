import type { ChartAccountBody, ChartView } from '@ivory-ladder/contract';
import { type Element, elements, naturalSide, proposeNumber, proposeNumberBeside } from '@ivory-ladder/core';
import { standsIn } from '../../shared/api/standsIn.ts';

/** The path of the category of an account, or its two where each side has one; those that ranges put it in at once. */
export function placeText(account: ChartAccountBody, paths: ChartView['paths']): string {
  const pathText = (id: number) => (paths[String(id)] ?? []).join(' › ');
  if (account.doubledIn.length > 0) return `doubled by ranges: ${account.doubledIn.map(pathText).join('; ')}`;
  return standsIn(account)
    .map(({ side, categoryId }) => `${pathText(categoryId)}${side === 'any' ? '' : ` (in ${side})`}`)
    .join('; ');
}

/** `asset`, or `asset, credit` for a contra account. */
export function elementText({ element, normalSide }: Pick<ChartAccountBody, 'element' | 'normalSide'>): string {
  return normalSide === naturalSide(element) ? element : `${element}, ${normalSide}`;
}

export interface NewAccountStart {
  readonly number: string;
  readonly element: Element;
  readonly parentId: number | null;
  /** Sibling to stand behind. */
  readonly after: number | null;
  readonly categoryId: number | null;
}

/**
 * Where a new account begins: beside one, with its element, parent and category; below one, as its first or next
 * sub-account; or at the end of the chart.
 */
export function startBeside(accounts: readonly ChartAccountBody[], beside: ChartAccountBody | null): NewAccountStart {
  const taken = new Set(accounts.map(({ number }) => number));
  const neighbour = beside ?? accounts.findLast(({ depth }) => depth === 0) ?? null;
  if (!neighbour) return { number: '', element: elements[0], parentId: null, after: null, categoryId: null };
  // At the top level other elements stand beside; their numbers say nothing about the gap.
  const siblings = siblingsOf(accounts, neighbour.parentId).filter(({ element }) => element === neighbour.element);
  const at = siblings.findIndex(({ id }) => id === neighbour.id);
  const [previous, next] = [siblings[at - 1]?.number ?? null, siblings[at + 1]?.number ?? null];
  return {
    number: neighbour.number === '' ? '' : (proposeNumberBeside(neighbour.number, { previous, next }, taken) ?? ''),
    element: neighbour.element,
    parentId: neighbour.parentId,
    after: neighbour.id,
    categoryId: neighbour.places[0]?.categoryId ?? null,
  };
}

export function startBelow(accounts: readonly ChartAccountBody[], parent: ChartAccountBody): NewAccountStart {
  const children = siblingsOf(accounts, parent.id);
  const numbers = children.map(({ number }) => number);
  const taken = new Set(accounts.map(({ number }) => number));
  return {
    number: parent.number === '' ? '' : (proposeNumber(numbers, parent.number, taken, 'by_value') ?? ''),
    element: parent.element,
    parentId: parent.id,
    after: children.at(-1)?.id ?? null,
    categoryId: (children.at(-1) ?? parent).places[0]?.categoryId ?? null,
  };
}

function siblingsOf(accounts: readonly ChartAccountBody[], parentId: number | null): ChartAccountBody[] {
  return accounts.filter((account) => account.parentId === parentId);
}

export interface BranchTotal {
  readonly amount: bigint;
  readonly comparative: bigint;
}

/** Own amount and those of all sub-accounts, for each account that has some: a parent's balance is its own plus its children's. */
export function branchTotals(accounts: readonly ChartAccountBody[]): ReadonlyMap<number, BranchTotal> {
  const totals = new Map<number, BranchTotal>();
  for (const account of [...accounts].reverse()) {
    const below = totals.get(account.id);
    const own = { amount: BigInt(account.amount) + (below?.amount ?? 0n), comparative: BigInt(account.comparative) + (below?.comparative ?? 0n) };
    if (below) totals.set(account.id, own);
    if (account.parentId === null) continue;
    const above = totals.get(account.parentId);
    totals.set(account.parentId, { amount: (above?.amount ?? 0n) + own.amount, comparative: (above?.comparative ?? 0n) + own.comparative });
  }
  return totals;
}

/** An account and all below it, in the chart's own order. */
export function branchOf(accounts: readonly ChartAccountBody[], top: ChartAccountBody | null): ChartAccountBody[] {
  if (!top) return [];
  const at = accounts.findIndex(({ id }) => id === top.id);
  const end = accounts.findIndex(({ depth }, index) => index > at && depth <= top.depth);
  return accounts.slice(at, end < 0 ? undefined : end);
}

/** Accounts with those just added, which the chart that was read last does not have yet: each behind the one it was placed after, else at the end. */
export function withAdded(
  accounts: readonly ChartAccountBody[],
  added: readonly { readonly account: ChartAccountBody; readonly after: number | null }[],
): ChartAccountBody[] {
  const all = [...accounts];
  for (const { account, after } of added) {
    if (all.some(({ id }) => id === account.id)) continue;
    const at = all.findIndex(({ id }) => id === after);
    all.splice(at < 0 ? all.length : at + 1, 0, account);
  }
  return all;
}

export type Move = { readonly parentId: number | null; readonly after: number | null };

/** One step by the keyboard: up or down among the siblings, below the sibling above, or out behind the parent; `null` where there is no such place. */
export function stepOf(accounts: readonly ChartAccountBody[], account: ChartAccountBody, step: 'up' | 'down' | 'in' | 'out'): Move | null {
  const siblings = siblingsOf(accounts, account.parentId);
  const at = siblings.findIndex(({ id }) => id === account.id);
  const [previous, next] = [siblings[at - 1], siblings[at + 1]];
  switch (step) {
    case 'up':
      return previous ? { parentId: account.parentId, after: siblings[at - 2]?.id ?? null } : null;
    case 'down':
      return next ? { parentId: account.parentId, after: next.id } : null;
    case 'in':
      return previous ? { parentId: previous.id, after: siblingsOf(accounts, previous.id).at(-1)?.id ?? null } : null;
    case 'out': {
      const parent = accounts.find(({ id }) => id === account.parentId);
      return parent ? { parentId: parent.parentId, after: parent.id } : null;
    }
  }
}
