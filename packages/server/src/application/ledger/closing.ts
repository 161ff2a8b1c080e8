import { type FiscalYear, fail, type Layer, layers, leftToClose, type Outcome, type Period, succeed, yearName } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks, withFreshBooks } from '../books/index.ts';
import { lockedOn } from '../companies/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, NewEntry, NewLine, Ports, PostedEntry, Request } from '../ports/index.ts';

/** What closing a year would post in one layer. */
export interface ProposedClosing {
  readonly layer: Layer;
  /** In chart order; the last one is retained earnings. */
  readonly lines: readonly (NewLine & { readonly label: string })[];
  /** Debit positive, so that a profit is negative. */
  readonly result: bigint;
}

/** Nothing is posted. A closing is offered, never needed: statements are the same with one and without. */
export async function proposeClosing(ports: Ports, { companyId }: Access, yearNumber: number): Promise<Outcome<ProposedClosing[], Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const year = findYear(opened.value, yearNumber);
  return year.ok ? closingOf(opened.value, year.value) : year;
}

/** One entry for each layer that has something to close, on the year’s last day. */
export function closeYear(
  ports: Ports,
  { companyId }: Access<'prepare_entries'>,
  yearNumber: number,
  request: Request,
): Promise<Outcome<PostedEntry[], Failure>> {
  // What is left to close was worked out from a ledger that must still be the same when it is posted.
  return withFreshBooks(() => closeOnce(ports, companyId, yearNumber, request));
}

async function closeOnce(ports: Ports, companyId: number, yearNumber: number, request: Request): Promise<Outcome<PostedEntry[], Failure>> {
  // Asked again, it answers with what it did, though there is nothing left to close.
  const before = await ports.ledger.earlierOutcome(companyId, request);
  if (before) return before.ok ? succeed((before.value as { posted: PostedEntry[] }).posted) : before;
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const books = opened.value;
  const year = findYear(books, yearNumber);
  if (!year.ok) return year;
  const proposed = closingOf(books, year.value);
  if (!proposed.ok) return proposed;
  const period = year.value.periods.at(-1) as Period;
  const locked = lockedOn(books, period, year.value.lastDay);
  if (locked) return fail(locked);
  const entries = proposed.value.map(
    ({ layer, lines }): NewEntry => ({
      date: year.value.lastDay,
      description: `Closing of the fiscal year ${yearName(year.value)}`,
      layer,
      source: 'closing',
      closesYear: yearNumber,
      reversesEntryId: null,
      lines: lines.map(({ label: _, ...line }) => line),
    }),
  );
  const outcome = await ports.ledger.postTogether(
    companyId,
    entries.map((entry) => ({ entry, period })),
    request,
    books.cube.revision,
  );
  return outcome.ok ? succeed(outcome.value.posted) : outcome;
}

function findYear({ calendar }: Books, yearNumber: number): Outcome<FiscalYear, Failure> {
  const year = calendar.years.find((made) => made.year === yearNumber);
  return year ? succeed(year) : fail({ code: 'not_found', thing: 'year', id: yearNumber });
}

function closingOf(books: Books, year: FiscalYear): Outcome<ProposedClosing[], Failure> {
  const { retainedEarningsId, tree, cube, traits, labels } = books;
  if (retainedEarningsId === null) return fail({ code: 'retained_earnings_missing' });
  const proposed = layers.flatMap((layer): ProposedClosing[] => {
    const left = leftToClose(cube, traits, layer, year);
    const lines = tree.order.flatMap(({ id }) => {
      const net = left[cube.indexOf.get(id) as number] as bigint;
      return net === 0n ? [] : [line(id, -net, labels)];
    });
    const result = left.reduce((sum, net) => sum + net, 0n);
    if (lines.length === 0) return [];
    return [{ layer, result, lines: result === 0n ? lines : [...lines, line(retainedEarningsId, result, labels)] }];
  });
  return proposed.length === 0 ? fail({ code: 'nothing_to_close', year: yearName(year) }) : succeed(proposed);
}

function line(accountId: number, net: bigint, labels: Books['labels']): ProposedClosing['lines'][number] {
  return { accountId, debit: net > 0n ? net : 0n, credit: net < 0n ? -net : 0n, text: '', facets: {}, label: labels.get(accountId) ?? '' };
}
