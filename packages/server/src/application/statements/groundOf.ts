import { type Ground, hasLinesIn } from '@ivory-ladder/core';
import type { Books } from '../ports/index.ts';

/** What statements are run over, at the state of the books and of the classification that they show. */
export function groundOf(books: Books): Ground {
  const { company, cube, classificationId } = books;
  return {
    revision: cube.revision,
    structureVersion: company.structureVersion,
    currency: company.currency,
    kept: company.currency,
    money: { in: 'own' },
    languages: company.languages,
    digitOrder: company.digitOrder,
    calendar: books.calendar,
    lists: books.lists,
    classificationId,
    classificationName: classificationId === company.mainClassification ? '' : (books.classifications.find(({ id }) => id === classificationId)?.name ?? ''),
    options: books.options,
    retainedEarningsId: books.retainedEarningsId,
    exclusions: books.exclusions,
    doubled: new Set([...books.byRange].flatMap(([id, { doubledIn }]) => (doubledIn.length > 0 ? [id] : []))),
    firstBalances: books.firstBalances,
    opensOn: (day) => cube.openings.has(day),
    hasLines: (periodIndex) => hasLinesIn(cube, periodIndex),
    standIns: null,
    accounts: books.accounts,
    labels: books.labels,
    tree: books.tree,
    accountIds: cube.accountIds,
    indexOf: cube.indexOf,
    traits: books.traits,
    categories: books.categories,
    categoryTree: books.categoryTree,
    portions: books.portions,
  };
}
