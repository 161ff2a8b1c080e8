import {
  balanceAt,
  daysOfRunningBalances,
  type FacetFilter,
  fail,
  layers,
  type Outcome,
  runningBalances,
  type Side,
  sideAgainstIn,
  succeed,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { accountsById, openBooksOf, partialsFor } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { AccountLineRecord, Books, EntryRecord, LinesWanted, Ports } from '../ports/index.ts';

export interface AccountLinesView {
  /** `balance`: what stood on the account after the line, of the layers that are listed; `null` where lines are not in order of date. */
  readonly lines: readonly (AccountLineRecord & { readonly balance: bigint | null })[];
  readonly sideAgainst: Side | null;
  readonly total: number;
  readonly next: string | null;
}

export async function listAccountLines(
  ports: Ports,
  { companyId }: Access,
  { facets, ...asked }: Omit<LinesWanted, 'selected'> & { readonly facets: FacetFilter },
): Promise<Outcome<AccountLinesView, Failure>> {
  const opened = await openBooksOf(ports, companyId, facets);
  if (!opened.ok) return opened;
  const books = opened.value;
  // What a year opens with is no movement of a span from its first day.
  const openedOn = asked.from !== null && books.cube.openings.has(asked.from) ? asked.from : null;
  const wanted = { ...asked, openedOn, selected: books.selected };
  const account = accountsById(books).get(wanted.accountId);
  if (!account) return fail({ code: 'account_unknown', accountId: wanted.accountId });
  const against = sideAgainstIn(books, account);
  const { laterThatDay, ...page } = await ports.ledger.accountLines(companyId, wanted);
  if (wanted.sort !== 'date') return succeed({ ...page, sideAgainst: against, lines: page.lines.map((line) => ({ ...line, balance: null })) });
  const balances = await balancesAfter(ports, books, wanted, page.lines, laterThatDay);
  return succeed({ ...page, sideAgainst: against, lines: page.lines.map((line, at) => ({ ...line, balance: balances[at] as bigint })) });
}

/** What stands on an account after each of its lines, given latest first. Cost: a balance of all accounts for each fiscal year that the lines touch. */
export async function balancesAfter(
  ports: Ports,
  books: Books,
  { accountId, layer }: Pick<LinesWanted, 'accountId' | 'layer'>,
  lines: readonly AccountLineRecord[],
  laterThatDay: bigint,
): Promise<readonly bigint[]> {
  const { cube, traits, calendar } = books;
  const account = cube.indexOf.get(accountId) as number;
  const moved = lines.map(({ date, debit, credit, closesYear }) => ({ date, net: debit - credit, closesYear }));
  const days = daysOfRunningBalances(calendar, moved);
  const partial = await partialsFor(
    ports,
    books,
    days.map((day) => ({ firstDay: day, lastDay: day })),
  );
  const atEnd = new Map(days.map((day) => [day, balanceAt(cube, traits, layer === null ? layers : [layer], day, partial).net[account] as bigint]));
  return runningBalances(calendar, moved, laterThatDay, (day) => atEnd.get(day) as bigint);
}

export async function viewEntry(ports: Ports, { companyId }: Access, entryId: number): Promise<Outcome<EntryRecord, Failure>> {
  const entry = await ports.ledger.entry(companyId, entryId);
  return entry ? succeed(entry) : fail({ code: 'not_found', thing: 'entry', id: entryId });
}
