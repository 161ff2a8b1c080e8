import type { ChartAccountBody } from '@ivory-ladder/contract';
import { type DigitOrder, type Element, elements, orderText, proposeElements, type Side, sideByName } from '@ivory-ladder/core';
import type { placerOf } from '../placement/index.ts';

/** What somebody has typed of a new account. */
export interface TypedAccount {
  readonly number: string;
  readonly name: string;
  readonly parentId: number | null;
}

export interface ProposedAccount {
  /** `null`: nothing speaks for one. */
  readonly element: Element | null;
  readonly normalSide: Side | null;
  /** `null`: none, or a range takes it. */
  readonly categoryId: number | null;
  readonly isByRange: boolean;
}

const itself = '\u0000';
/** Elements that are known are not moved by what stands further away. */
const mostBeside = 3;

/** How many accounts stand before a number. */
function placeOf(number: string, sorted: readonly ChartAccountBody[], order: DigitOrder): number {
  const text = orderText(number, order);
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (orderText((sorted[middle] as ChartAccountBody).number, order) < text) low = middle + 1;
    else high = middle;
  }
  return low;
}

/**
 * What number, parent and name say of a new account: the range that holds its number first, then its parent, then its name and what stands beside it. Its
 * category is that of both accounts beside it, or of the one that its number has more in common with. `sorted`: the chart in number order. Cost: log n and a
 * few accounts, since it is asked for with every key.
 */
export function proposeAccount(
  { number, name, parentId }: TypedAccount,
  sorted: readonly ChartAccountBody[],
  placer: ReturnType<typeof placerOf>,
  digitOrder: DigitOrder,
): ProposedAccount {
  const at = placeOf(number, sorted, digitOrder);
  const ofRange = number === '' ? undefined : elements.find((one) => (placer({ id: 0, number, element: one }, [])?.places.length ?? 0) > 0);
  const parent = sorted.find(({ id }) => id === parentId);
  const element = parent?.element ?? ofRange ?? elementBeside(number, name, sorted.slice(Math.max(0, at - mostBeside), at + mostBeside), digitOrder);
  if (!element) return { element: null, normalSide: null, categoryId: null, isByRange: false };
  const isByRange = ofRange === element;
  return {
    element,
    normalSide: sideByName(element, name),
    categoryId: isByRange ? null : categoryBeside(number, element, parent, sorted, at),
    isByRange,
  };
}

function elementBeside(number: string, name: string, accounts: readonly ChartAccountBody[], digitOrder: DigitOrder): Element | null {
  const known = number === '' ? [] : accounts.map((account) => ({ number: account.number, element: account.element }));
  const order = number === '' ? ({ by: 'none' } as const) : ({ by: 'number', digitOrder } as const);
  const waiting = { number: number === '' ? itself : number, name, parentNumber: null, side: null, section: null };
  return proposeElements([waiting], known, order).get(waiting.number)?.element ?? null;
}

function categoryBeside(
  number: string,
  element: Element,
  parent: ChartAccountBody | undefined,
  sorted: readonly ChartAccountBody[],
  at: number,
): number | null {
  const isSibling = (account: ChartAccountBody): boolean =>
    account.element === element && (!parent || account.parentId === parent.id) && categoryOf(account) !== null;
  if (number === '') return categoryOf(sorted.findLast(isSibling) ?? parent);
  const [before, after] = [sorted.slice(0, at).findLast(isSibling), sorted.slice(at).find(isSibling)];
  const [first, second] = [categoryOf(before), categoryOf(after)];
  if (first !== null && first === second) return first;
  const [nearBefore, nearAfter] = [sharedBeginning(before?.number ?? '', number), sharedBeginning(after?.number ?? '', number)];
  if (Math.max(nearBefore, nearAfter) === 0 || nearBefore === nearAfter) return parent ? categoryOf(parent) : null;
  return nearBefore > nearAfter ? first : second;
}

function categoryOf(account: ChartAccountBody | undefined): number | null {
  return account?.places[0]?.categoryId ?? null;
}

function sharedBeginning(a: string, b: string): number {
  let length = 0;
  while (length < a.length && length < b.length && a[length] === b[length]) length++;
  return length;
}
