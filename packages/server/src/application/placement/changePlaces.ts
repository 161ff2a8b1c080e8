import { type DraftedPlaces, fail, isSamePlaces, type Outcome, placesByAccount, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { accountsById, openClassified, withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Ports } from '../ports/index.ts';
import { applyChange } from './applyPlacement.ts';

/** Places accounts, all or none; each is refused where its element and the category's clash. Gives how many were asked for. */
export function changePlaces(
  ports: Ports,
  { companyId, actor }: Access<'keep_placement'>,
  changes: readonly DraftedPlaces[],
  classification?: number,
): Promise<Outcome<number, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openClassified(ports, companyId, classification);
    if (!opened.ok) return opened;
    const books = opened.value;
    const accounts = accountsById(books);
    const unknown = changes.find(({ accountId }) => !accounts.has(accountId));
    if (unknown) return fail({ code: 'account_unknown', accountId: unknown.accountId });
    const own = placesByAccount(books.places);
    const conflicts = changes.filter(({ accountId, before }) => !isSamePlaces(before, own.get(accountId) ?? []));
    if (conflicts.length > 0) return fail({ code: 'place_conflict', accountIds: conflicts.map(({ accountId }) => accountId), categoryIds: [] });
    const applied = await applyChange(ports, books, actor, { places: new Map(changes.map(({ accountId, after }) => [accountId, after])) });
    return applied.ok ? succeed(changes.length) : applied;
  });
}
