import { bringToScheme, fail, type Outcome, type Span, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks, withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import { layoutsKeptBy, runningAs } from '../layouts/index.ts';
import { placesKeptBy } from '../placement/index.ts';
import type { Books, ChartAccount, PlacesByHand, Ports } from '../ports/index.ts';
import { booksAfter, noEffect, placementsKeeping, type WholeEffect, wholeEffect } from '../statements/index.ts';

export interface NumberGiven {
  readonly accountId: number;
  readonly version: number;
  readonly number: string;
}

/** New numbers for a set of accounts, all or none, each kept where it stands: nobody outside the set has one of them, and none is given twice. */
export function renumberAccounts(ports: Ports, { companyId, actor }: Access<'keep_chart'>, changes: readonly NumberGiven[]): Promise<Outcome<number, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const planned = planRenumbering(opened.value, changes);
    if (!planned.ok) return planned;
    const { differing, kept } = planned.value;
    if (differing.length === 0) return succeed(0);
    const layouts = await layoutsKeptBy(ports, opened.value, numbersOf(differing));
    return ports.chart.renumber(companyId, differing, { places: kept, layouts }, opened.value.company.structureVersion, actor);
  });
}

/** What new numbers would do to every statement: nothing, but where a range that took nothing there takes an account, or no range can say what a line took. */
export async function checkRenumbering(
  ports: Ports,
  { companyId }: Access<'keep_chart'>,
  changes: readonly NumberGiven[],
  span: Span,
): Promise<Outcome<WholeEffect, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const books = opened.value;
  const planned = planRenumbering(books, changes);
  if (!planned.ok) return planned;
  const { differing, kept } = planned.value;
  if (differing.length === 0) return succeed(noEffect);
  const accounts = differing.map(({ account: { id }, number }) => ({ id, number }));
  const layouts = runningAs(await layoutsKeptBy(ports, books, numbersOf(differing)));
  return wholeEffect(ports, books, booksAfter(books, { accounts, placements: placementsKeeping(books, kept) }), span, { layouts });
}

interface Renumbering {
  readonly differing: readonly { readonly account: ChartAccount; readonly number: string }[];
  readonly kept: readonly PlacesByHand[];
}

function numbersOf(differing: Renumbering['differing']): Map<number, string> {
  return new Map(differing.map(({ account: { id }, number }) => [id, number]));
}

function planRenumbering(books: Books, changes: readonly NumberGiven[]): Outcome<Renumbering, Failure> {
  const unused = books.company.numbered ? undefined : changes[0];
  if (unused) return fail({ code: 'account_number_unused', number: unused.number });
  const accountOf = new Map(books.accounts.map((account) => [account.id, account]));
  const moved = new Set(changes.map(({ accountId }) => accountId));
  const holders = new Map(books.accounts.filter(({ id }) => !moved.has(id)).map((account) => [account.number.toLowerCase(), account]));
  const checked: { account: ChartAccount; number: string }[] = [];
  for (const { accountId, version, number: typed } of changes) {
    const brought = bringToScheme(typed, books.company.numberScheme);
    if (!brought.ok) return brought;
    const number = brought.value;
    if (number === '') return fail({ code: 'account_number_missing' });
    const account = accountOf.get(accountId);
    if (!account) return fail({ code: 'not_found', thing: 'account', id: accountId });
    if (account.version !== version) return fail({ code: 'version_conflict', thing: 'account', id: accountId, current: account });
    const holder = holders.get(number.toLowerCase());
    if (holder) return fail({ code: 'account_number_taken', number, accountId: holder.id, name: holder.name });
    holders.set(number.toLowerCase(), account);
    checked.push({ account, number });
  }
  const differing = checked.filter(({ account, number }) => account.number !== number);
  const kept = placesKeptBy(books, new Map(differing.map(({ account: { id, element }, number }) => [id, { number, element }])));
  return succeed({ differing, kept });
}
