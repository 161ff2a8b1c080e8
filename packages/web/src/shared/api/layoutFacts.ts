import type { PlacementView } from '@ivory-ladder/contract';
import {
  buildCategoryTree,
  type CodeList,
  captionsIn,
  type DigitOrder,
  type LayoutFacts,
  naturesOf,
  type OwnLayout,
  type Place,
  placementOf,
  scopeOf,
  standingFollower,
} from '@ivory-ladder/core';

type Chart = Omit<LayoutFacts, 'scope'>;
const chartsOf = new WeakMap<PlacementView, Map<string, Chart>>();
const scoped = new WeakMap<Chart, Map<string, LayoutFacts>>();

/** What a composed layout is made over, from the placement as it is kept; made once for each placement, state of the lists, and scope. */
export function layoutFacts(
  view: PlacementView,
  order: DigitOrder,
  language: LayoutFacts['language'],
  lists: readonly CodeList[],
  layout: Pick<OwnLayout, 'kind' | 'scope'>,
): LayoutFacts {
  const byLanguage = chartsOf.get(view) ?? new Map<string, Chart>();
  chartsOf.set(view, byLanguage);
  const kept = byLanguage.get(language);
  const chart = kept?.lists === lists ? kept : chartOf(view, order, language, lists);
  byLanguage.set(language, chart);
  const scope = scopeOf(layout);
  const byScope = scoped.get(chart) ?? new Map<string, LayoutFacts>();
  scoped.set(chart, byScope);
  const before = byScope.get(scope.join());
  if (before) return before;
  const facts = { ...chart, scope };
  byScope.set(scope.join(), facts);
  return facts;
}

function chartOf({ accounts, categories }: PlacementView, order: DigitOrder, language: LayoutFacts['language'], lists: readonly CodeList[]): Chart {
  const placement = placementOf(
    categories.map(({ version: _, ...category }) => category),
    accounts.flatMap(({ id, places }): Place[] => places.map((place) => ({ ...place, accountId: id }))),
  );
  const tree = buildCategoryTree(captionsIn(categories, language));
  const { portions } = standingFollower(accounts, order)(placement);
  return {
    accounts,
    tree,
    natures: naturesOf(tree, categories),
    portions,
    order,
    retainedEarningsId: accounts.find(({ role }) => role === 'retained_earnings')?.id ?? null,
    language,
    lists,
  };
}
