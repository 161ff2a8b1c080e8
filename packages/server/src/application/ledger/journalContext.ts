import {
  accountsByNumber,
  bringToScheme,
  codeFinder,
  defaultFacets,
  facetCheck,
  isDay,
  type JournalContext,
  type ListKey,
  periodIndexOf,
  referenceKey,
  withPathsAsNumbers,
} from '@ivory-ladder/core';
import { lockedOn } from '../companies/index.ts';
import type { Books } from '../ports/index.ts';

/** References of accounts as they stand in a file; a million rows speak of few. */
const mostRemembered = 20_000;

/** What rows of a file are understood by, from the books as they stand when its reading begins. */
export function journalContextOf(books: Books): JournalContext {
  const { company, calendar, accounts, lists, pairings, tree } = books;
  const parents = new Set(tree.order.filter((_, at) => tree.isParent[at]).map(({ id }) => id));
  const byReference = accountsByNumber(company.numbered ? accounts : withPathsAsNumbers(accounts));
  const numberOf = new Map(accounts.map(({ id, number }) => [id, number]));
  const facets = lists.filter(({ kind }) => kind === 'facet');
  const check = facetCheck(facets, pairings, company.digitOrder);
  const finders = new Map(facets.map((facet) => [facet.key as string, codeFinder(facet)]));
  const accountOf = new Map<string, NonNullable<ReturnType<JournalContext['accountOf']>>>();
  const faultOf = new Map<string, 'day_outside_calendar' | 'period_locked' | null>();
  return {
    currency: company.currency,
    accountOf: (reference) => {
      const before = accountOf.get(reference);
      if (before) return before;
      const brought = company.numbered ? bringToScheme(reference, company.numberScheme) : null;
      const account = byReference.get(referenceKey(reference)) ?? (brought?.ok ? byReference.get(referenceKey(brought.value)) : undefined);
      if (!account) return undefined;
      const takesNone = parents.has(account.id) ? 'parent' : account.active ? null : 'inactive';
      const found = { id: account.id, takesNone, defaults: defaultFacets(account.codes) } as const;
      if (accountOf.size < mostRemembered) accountOf.set(reference, found);
      return found;
    },
    dayFault: (day) => {
      const faultThen = faultOf.get(day);
      if (faultThen !== undefined) return faultThen;
      const period = isDay(day) ? calendar.periods[periodIndexOf(calendar, day)] : undefined;
      const fault = !period ? 'day_outside_calendar' : lockedOn(books, period, day) ? 'period_locked' : null;
      faultOf.set(day, fault);
      return fault;
    },
    valueOf: (facet, typed) => finders.get(facet)?.(typed)?.code ?? typed,
    facetFault: (accountId, facets) => check({ accountNumber: numberOf.get(accountId) ?? '', facets: facets as Readonly<Record<ListKey, string>> }),
  };
}
