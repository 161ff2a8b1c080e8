import type { Element } from '../chart/element.ts';
import type { LayoutFacts } from './layoutFacts.ts';
import type { Selection } from './line.ts';
import type { AccountsOwnLine } from './ownLayout.ts';
import { selectPortions } from './source.ts';

const selectionsOf = new WeakMap<LayoutFacts, Map<string, Selection>>();
/** More texts than these are looked up once more. */
const mostKept = 5000;

/** What a line takes is looked up once for each state of the chart, by what it says: a copy of the line finds the same. */
export function selected({ sources, except, takes }: Pick<AccountsOwnLine, 'sources' | 'except' | 'takes'>, facts: LayoutFacts): Selection {
  const kept = selectionsOf.get(facts) ?? new Map<string, Selection>();
  selectionsOf.set(facts, kept);
  const text = JSON.stringify([sources, except, takes]);
  const before = kept.get(text);
  if (before) return before;
  const selection = selectPortions(sources, except, takes, facts);
  if (kept.size >= mostKept) kept.clear();
  kept.set(text, selection);
  return selection;
}

const ids = new WeakMap<LayoutFacts['accounts'], ReadonlySet<number>>();

export function idsOf({ accounts }: LayoutFacts): ReadonlySet<number> {
  const there = ids.get(accounts) ?? new Set(accounts.map(({ id }) => id));
  ids.set(accounts, there);
  return there;
}

const elementsOf = new WeakMap<Selection, ReadonlySet<Element>>();

export function elementsIn(selection: Selection, { accounts }: LayoutFacts): ReadonlySet<Element> {
  const before = elementsOf.get(selection);
  if (before) return before;
  const elements = new Set(Array.from(selection.accounts, (at) => accounts[at]?.element as Element));
  elementsOf.set(selection, elements);
  return elements;
}
