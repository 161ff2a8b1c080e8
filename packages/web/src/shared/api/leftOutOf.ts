import type { PlacementView } from '@ivory-ladder/contract';

/** Accounts that somebody left out of the coverage of the classification that is viewed. */
export function leftOutOf({ exclusions }: Pick<PlacementView, 'exclusions'>): ReadonlySet<number> {
  return new Set(exclusions.filter(({ scope }) => scope.startsWith('classification:')).map(({ accountId }) => accountId));
}
