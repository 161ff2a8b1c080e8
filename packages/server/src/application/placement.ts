import { checkPlaces, comparisonSpan, fail, layers, movementOver, type Outcome, type Place, type PlaceSide, type Span, succeed } from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import { openBooks, withFreshBooks } from './openBooks.ts';
import type { Books, PlaceChange, Ports } from './ports/index.ts';
import { balancesFor, comparisonOf, partialsFor, type SpanChoice } from './prepareStatement.ts';

export interface PlacementOverview {
  readonly books: Books;
  readonly span: Span;
  readonly comparative: Span;
  readonly balanceComparative: string;
  /** By dense number: balance of balance sheet accounts, movement of income and expense; debit positive. */
  readonly amounts: BigInt64Array;
  readonly comparatives: BigInt64Array;
}

/** Amounts beside the categories: each account's own measure for the span and its comparison. */
export async function viewPlacement(ports: Ports, { companyId }: Access, choice: SpanChoice): Promise<Outcome<PlacementOverview, Failure>> {
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const books = opened.value;
  const span: Span = { firstDay: choice.from, lastDay: choice.to };
  const chosen = comparison.value.kind === 'none' ? ({ kind: 'usual' } as const) : comparison.value;
  const income = comparisonSpan(chosen, 'income_statement', span, books.calendar) ?? span;
  const balance = comparisonSpan(chosen, 'balance_sheet', span, books.calendar) ?? span;
  const partial = await partialsFor(ports, books, [span, income, balance]);
  const measured = (movement: Span, day: string): BigInt64Array => {
    const moved = movementOver(books.cube, layers, movement, partial);
    const balances = balancesFor(books, day, partial).net;
    return balances.map((amount, account) => (books.traits.resets[account] === 1 ? (moved[account] as bigint) : amount));
  };
  return succeed({
    books,
    span,
    comparative: income,
    balanceComparative: balance.lastDay,
    amounts: measured(span, span.lastDay),
    comparatives: measured(income, balance.lastDay),
  });
}

type PlaceFields = { side: PlaceSide; categoryId: number };

/** Places accounts, all or none; each is refused where its element and the category's clash. */
export function changePlaces(ports: Ports, { companyId, actor }: Access<'preparer'>, changes: readonly PlaceChange[]): Promise<Outcome<number, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const books = opened.value;
    const accounts = new Map(books.accounts.map((account) => [account.id, account]));
    const conflicts: number[] = [];
    for (const { accountId, before, after } of changes) {
      const account = accounts.get(accountId);
      if (!account) return fail({ code: 'account_unknown', accountId });
      const checked = checkPlaces(account, after, books.categoryTree);
      if (!checked.ok) return checked;
      if (
        !samePlaces(
          before,
          books.places.filter((place) => place.accountId === accountId),
        )
      )
        conflicts.push(accountId);
    }
    if (conflicts.length > 0) return fail({ code: 'place_conflict', accountIds: conflicts });
    return ports.placement.setPlaces(companyId, changes, books.company.structureVersion, actor);
  });
}

function samePlaces(a: readonly PlaceFields[], b: readonly (Place | PlaceFields)[]): boolean {
  const text = (places: readonly PlaceFields[]): string =>
    places
      .map(({ side, categoryId }) => `${side}:${categoryId}`)
      .sort()
      .join();
  return text(a) === text(b);
}
