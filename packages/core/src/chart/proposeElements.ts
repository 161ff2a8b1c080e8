import { type Element, elements, naturalSide, type Side } from './element.ts';
import { evidenceOfName, type WordEvidence } from './elementWords.ts';
import { type DigitOrder, sortByNumber } from './numberOrder.ts';

/** Why an element is proposed; the facts stand beside the code. */
export type ElementReason =
  | { readonly from: 'parent'; readonly number: string }
  | { readonly from: 'title'; readonly title: string }
  | { readonly from: 'neighbours'; readonly numbers: readonly string[] }
  | { readonly from: 'word'; readonly word: string }
  | { readonly from: 'prefix'; readonly prefix: string };

export interface ElementProposal {
  readonly element: Element;
  readonly reason: ElementReason;
}

/** An account whose element is known, as evidence for others'. */
export interface KnownAccount {
  readonly number: string;
  readonly element: Element;
}

export interface WaitingAccount {
  readonly number: string;
  readonly name: string;
  readonly parentNumber: string | null;
  /** Of its balance; `null` where it has none, or none is known. */
  readonly side: Side | null;
  /** The title that it stands below in its file, and the elements that it names. */
  readonly section: { readonly title: string; readonly elements: readonly Element[] } | null;
}

/** What a known element, a title, a balance on the natural side count beside words (`elementWords`), and what another element than the account before costs. */
const [isKnown, inSection, onSide] = [30, 15, 1.2];
/** By the first digit that differs; numbers of other lengths are as if the second did. */
const otherElement = [1.2, 2.2, 3.2];
/** Assets come first and expenses last in nearly every chart, or income first of what moves. */
const outOfOrder = 3;
const atFirst: Readonly<Record<Element, number>> = { asset: 0, liability: 1.5, equity: 1.5, income: 1.5, expense: 2.5 };
/** So much better than any other an element must be to be proposed. */
const leastMargin = 0.8;

const follows: ReadonlySet<string> = new Set([
  'asset liability',
  'asset equity',
  'liability equity',
  'liability income',
  'equity income',
  'equity liability',
  'income expense',
  'expense income',
]);

type Scores = readonly number[];

/**
 * Elements for accounts that have none. A parent gives its own. Else an account's words, the side of its balance and the title above it speak for it, and so do
 * the accounts beside it, since charts keep elements together: of all ways to give the whole row elements the likeliest is taken, where
 * an element is given only if it is clearly better than any other. `order`: how they stand; `none`: their order means nothing, as that of names by the alphabet.
 * Cost: n log n.
 */
export function proposeElements(
  waiting: readonly WaitingAccount[],
  known: readonly KnownAccount[],
  order: { readonly by: 'number'; readonly digitOrder: DigitOrder } | { readonly by: 'file'; readonly numbers: readonly string[] } | { readonly by: 'none' },
): Map<string, ElementProposal> {
  const elementOf = new Map(known.map(({ number, element }) => [number, element]));
  const waits = new Map(waiting.filter(({ number }) => !elementOf.has(number)).map((account) => [account.number, account]));
  const all = [...elementOf.keys(), ...waits.keys()];
  const numbers =
    order.by === 'number'
      ? sortByNumber(
          all.map((number) => ({ number })),
          order.digitOrder,
        ).map(({ number }) => number)
      : order.by === 'file'
        ? order.numbers
        : all;
  const words = new Map([...waits].map(([number, { name, side }]) => [number, evidenceOfName(name, side)]));
  const own = numbers.map((number) => scoresOf(elementOf.get(number), waits.get(number), words.get(number) ?? null));
  const through = order.by === 'none' ? own : throughEach(numbers, own);
  const spokenFor = new Set(numbers.flatMap((number) => elementOf.get(number) ?? spokenForBy(waits.get(number), words.get(number) ?? null)));
  // That assets come first is no reason by itself.
  const found = through.map((scores) => {
    const best = clearlyBest(scores);
    return best && spokenFor.has(best) ? best : null;
  });
  const byItself = new Map(numbers.map((number, at) => [number, found[at] ?? null]));
  const settled = new Map<string, Element>();
  const settle = (number: string, below: readonly string[]): Element | null => {
    const above = waits.get(number)?.parentNumber ?? null;
    // One that stands below itself is told of elsewhere.
    const parents = above === null || below.includes(above) ? null : settle(above, [...below, number]);
    const element = elementOf.get(number) ?? settled.get(number) ?? parents ?? byItself.get(number) ?? null;
    if (element) settled.set(number, element);
    return element;
  };
  for (const number of numbers) settle(number, []);
  const proposals = new Map<string, ElementProposal>();
  for (const [at, number] of numbers.entries()) {
    const account = waits.get(number);
    const element = settled.get(number);
    if (!account || !element) continue;
    const { parentNumber } = account;
    const isParents = parentNumber !== null && settled.get(parentNumber) === element;
    proposals.set(number, {
      element,
      reason: isParents ? { from: 'parent', number: parentNumber } : reasonFor(element, account, words.get(number) ?? null, numbers, at, settled),
    });
  }
  return proposals;
}

function scoresOf(element: Element | undefined, account: WaitingAccount | undefined, word: WordEvidence | null): Scores {
  if (element) return elements.map((one) => (one === element ? isKnown : 0));
  if (!account) return elements.map(() => 0);
  return elements.map(
    (one) =>
      (word?.element === one ? word.weight : 0) +
      (account.section?.elements.includes(one) ? inSection : 0) +
      (account.side === null ? 0 : naturalSide(one) === account.side ? onSide : -onSide),
  );
}

/** Elements that its words or its title name, or that stand on the side of its balance. */
function spokenForBy(account: WaitingAccount | undefined, word: WordEvidence | null): readonly Element[] {
  if (!account) return [];
  return [...(word ? [word.element] : []), ...(account.section?.elements ?? []), ...elements.filter((element) => naturalSide(element) === account.side)];
}

/** For each account and element the score of the likeliest whole row in which the account has that element. */
function throughEach(numbers: readonly string[], own: readonly Scores[]): Scores[] {
  const costs = numbers.slice(1).map((number, at) => costBetween(numbers[at] as string, number));
  const forth: number[][] = [];
  for (const [at, scores] of own.entries()) {
    const before = forth[at - 1];
    forth.push(
      scores.map(
        (score, to) =>
          score + (before ? Math.max(...before.map((sum, from) => sum - stepCost(from, to, costs[at - 1] as number))) : -atFirst[elements[to] as Element]),
      ),
    );
  }
  const back: number[][] = own.map(() => elements.map(() => 0));
  for (let at = own.length - 2; at >= 0; at--) {
    const [next, scores, cost] = [back[at + 1] as number[], own[at + 1] as Scores, costs[at] as number];
    back[at] = elements.map((_, from) => Math.max(...next.map((sum, to) => sum + (scores[to] as number) - stepCost(from, to, cost))));
  }
  return forth.map((sums, at) => sums.map((sum, element) => sum + (back[at]?.[element] as number)));
}

/** Beside what another element costs by the numbers: from each element to each. */
const orderCosts = elements.map((from) => elements.map((to) => (follows.has(`${from} ${to}`) ? 0 : outOfOrder)));

function stepCost(from: number, to: number, cost: number): number {
  return from === to ? 0 : cost + (orderCosts[from]?.[to] as number);
}

function costBetween(a: string, b: string): number {
  const shared = sharedBeginning(a, b);
  const at = a.length !== b.length || a.length === 1 ? 1 : Math.min(shared, otherElement.length - 1);
  return otherElement[at] as number;
}

function clearlyBest(scores: Scores): Element | null {
  const best = Math.max(...scores);
  const at = scores.indexOf(best);
  return scores.every((score, other) => other === at || best - score >= leastMargin) ? (elements[at] ?? null) : null;
}

/** What a person is told: the strongest of what spoke for it. */
function reasonFor(
  element: Element,
  { number, section }: WaitingAccount,
  word: WordEvidence | null,
  numbers: readonly string[],
  at: number,
  settled: ReadonlyMap<string, Element>,
): ElementReason {
  if (section?.elements.includes(element)) return { from: 'title', title: section.title };
  if (word?.element === element) return { from: 'word', word: word.word };
  const [before, after] = [numbers[at - 1], numbers[at + 1]];
  const beside = [before, after].filter((one) => one !== undefined && settled.get(one) === element) as string[];
  if (beside.length === 2) return { from: 'neighbours', numbers: beside };
  const [nearest] = beside.sort((a, b) => sharedBeginning(b, number) - sharedBeginning(a, number));
  const shared = nearest === undefined ? 0 : sharedBeginning(nearest, number);
  return shared > 0 ? { from: 'prefix', prefix: number.slice(0, shared) } : { from: 'neighbours', numbers: beside };
}

function sharedBeginning(a: string, b: string): number {
  let length = 0;
  while (length < a.length && length < b.length && a[length] === b[length]) length++;
  return length;
}
