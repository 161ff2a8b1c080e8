import type { Span } from '../calendar/day.ts';
import { spanText } from '../calendar/dayText.ts';
import { type CaptionLanguage, captionWords } from '../layout/captionWords.ts';
import { type CategoryNode, type CategoryTree, walkCategories } from '../placement/categoryTree.ts';
import type { Portions } from '../placement/place.ts';
import type { AmountColumn } from '../statement/statement.ts';

/** A category of equity that has a column; `id` 0: the result, where no category bears retained earnings. */
export interface EquityCategory {
  readonly id: number;
  readonly caption: string;
}

export interface EquityFacts {
  readonly tree: CategoryTree;
  readonly portions: ReadonlyMap<number, Portions>;
  readonly retainedEarningsId: number | null;
}

/** The topmost categories of equity; where there is only one, and no account stands in it itself, those in it. */
function nodesOf({ tree, portions }: EquityFacts): readonly CategoryNode[] {
  const standing = new Set(Array.from(portions.values(), ({ credit, debit }) => credit ?? debit));
  let nodes = tree.tops.get('equity') ?? [];
  while (nodes.length === 1 && nodes[0] && nodes[0].children.length > 0 && !standing.has(nodes[0].category.id)) nodes = nodes[0].children;
  return nodes;
}

/**
 * The category whose column bears each account, by dense number; −1: none. Income and expense accounts are borne by the column
 * of retained earnings, where their profit goes, or by 0. An account that changes its category with its side is borne by that of its credit side.
 */
export function equityColumnOf(facts: EquityFacts, accountIds: readonly number[], resets: Uint8Array): Int32Array {
  const borneBy = bearing(facts);
  const { retainedEarningsId } = facts;
  const ofResult = retainedEarningsId === null ? -1 : borneBy(retainedEarningsId);
  return Int32Array.from(accountIds, (id, at) => (resets[at] === 1 ? Math.max(ofResult, 0) : borneBy(id)));
}

function bearing(facts: EquityFacts): (accountId: number) => number {
  const columnOf = new Map<number, number>();
  for (const node of nodesOf(facts)) walkCategories([node], ({ category }) => columnOf.set(category.id, node.category.id));
  return (accountId) => {
    const { credit = null, debit = null } = facts.portions.get(accountId) ?? {};
    return columnOf.get(credit ?? debit ?? -1) ?? -1;
  };
}

/** The categories that accounts stand in, in the order of the tree, and behind them the result where retained earnings are in none of them. */
export function equityCategories(facts: EquityFacts, language: CaptionLanguage): readonly EquityCategory[] {
  const { portions, retainedEarningsId } = facts;
  const borneBy = bearing(facts);
  const bearingSome = new Set(Array.from(portions.keys(), borneBy));
  const categories = nodesOf(facts).flatMap(({ category: { id, name } }) => (bearingSome.has(id) ? [{ id, caption: name }] : []));
  const hasResult = retainedEarningsId === null || borneBy(retainedEarningsId) < 0;
  return hasResult ? [...categories, { id: 0, caption: captionWords[language].resultOfYear }] : categories;
}

/** What all categories together are called. */
export function totalEquity(language: CaptionLanguage): string {
  const { total, elements } = captionWords[language];
  return total(elements.equity);
}

/** A column for each category and the total behind them, for each span; several spans have their dates over them. */
export function equityColumns(spans: readonly Span[], categories: readonly EquityCategory[], language: CaptionLanguage): AmountColumn[] {
  return spans.flatMap((span, at) => {
    const total = (at + 1) * (categories.length + 1) - 1;
    const group = spans.length > 1 ? { group: spanText(span.firstDay, span.lastDay, language) } : {};
    const column = { kind: 'amount' as const, measure: 'movement' as const, span, ...group };
    return [
      ...categories.map(({ id, caption }): AmountColumn => ({ ...column, equity: id, heading: caption, total })),
      { ...column, heading: totalEquity(language) },
    ];
  });
}
