import { buildCategoryTree, type CaptionLanguage, captionsIn, type LayoutFacts, naturesOf, type OwnLayout, scopeOf } from '@ivory-ladder/core';
import { accountsById } from './accountsById.ts';
import type { Books } from './ports/index.ts';

const known = new WeakMap<Books['portions'], Map<string, LayoutFacts>>();

/** What a composed layout is made over: the chart and the placement that the books show. Once for each structure. */
export function layoutFactsOf(books: Books, layout: Pick<OwnLayout, 'kind' | 'scope'>, language: CaptionLanguage): LayoutFacts {
  const scope = scopeOf(layout);
  const key = `${language} ${scope.join()}`;
  const before = known.get(books.portions) ?? new Map<string, LayoutFacts>();
  known.set(books.portions, before);
  const there = before.get(key);
  if (there) return there;
  const byId = accountsById(books);
  const facts: LayoutFacts = {
    accounts: books.cube.accountIds.flatMap((id) => byId.get(id) ?? []),
    tree: language === (books.company.languages[0] ?? 'en') ? books.categoryTree : buildCategoryTree(captionsIn(books.categories, language)),
    natures: naturesOf(books.categoryTree, books.categories),
    portions: books.portions,
    order: books.company.digitOrder,
    retainedEarningsId: books.retainedEarningsId,
    language,
    scope,
    listKeys: new Set(books.lists.map((list) => list.key)),
  };
  before.set(key, facts);
  return facts;
}
