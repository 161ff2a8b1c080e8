import type { Books } from '../ports/index.ts';

/** Accounts that somebody left out of the coverage of the classification that the books show. */
export function leftOutOf({ exclusions, classificationId }: Pick<Books, 'exclusions' | 'classificationId'>): ReadonlySet<number> {
  return new Set(exclusions.filter(({ scope }) => scope === `classification:${classificationId}`).map(({ accountId }) => accountId));
}
