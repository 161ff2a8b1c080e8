import { type CaptionLanguage, type LayoutFacts, naturesOf, type OwnLayout, scopeOf, translationAccountId } from '@ivory-ladder/core';
import { accountsById } from './accountsById.ts';
import { categoryTreeIn } from './categoryTreeIn.ts';
import type { Books } from './ports/index.ts';

const known = new WeakMap<Books['portions'], Map<string, LayoutFacts>>();

/** What a composed layout is made over: the chart and the placement that the books show. Once for each structure. */
export function layoutFactsOf(books: Books, layout: Pick<OwnLayout, 'kind' | 'scope'>, language: CaptionLanguage): LayoutFacts {
  const scope = scopeOf(layout);
  const isCashFlow = layout.kind === 'cash_flow';
  const key = `${language} ${scope.join()} ${isCashFlow}`;
  const before = known.get(books.portions) ?? new Map<string, LayoutFacts>();
  known.set(books.portions, before);
  const there = before.get(key);
  if (there) return there;
  const byId = accountsById(books);
  const facts: LayoutFacts = {
    accounts: books.cube.accountIds.flatMap((id) => {
      const account = byId.get(id);
      const of = books.standIns?.standFor.get(id);
      // A source that names an account takes what stands in for it too.
      return account === undefined ? [] : [of === undefined ? account : { ...account, parentId: of }];
    }),
    tree: categoryTreeIn(books, language),
    natures: naturesOf(books.categoryTree, books.categories),
    // In a cash flow the difference of translation is what exchange rates did to cash, and follows no category.
    portions: isCashFlow && books.translation ? new Map([...books.portions].filter(([id]) => id !== translationAccountId)) : books.portions,
    order: books.company.digitOrder,
    retainedEarningsId: books.retainedEarningsId,
    language,
    scope,
    listKeys: new Set(books.lists.map((list) => list.key)),
  };
  before.set(key, facts);
  return facts;
}
