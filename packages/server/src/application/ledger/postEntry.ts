import {
  defaultFacets,
  type FacetsOfLine,
  facetCheck,
  fail,
  findCurrency,
  isIncomeOrExpense,
  type Layer,
  largestAmount,
  largestSum,
  mapOutcome,
  type Outcome,
  type Period,
  periodIndexOf,
  readRate,
  succeed,
  sumPosted,
  toCompanyCurrency,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { accountsById, openBooks, openStructure } from '../books/index.ts';
import { openAdjustingPeriodOn, openPeriodOn } from '../companies/index.ts';
import type { Failure } from '../failure.ts';
import type { Actor, ForeignAmount, NewEntry, NewLine, Ports, PostedEntry, Request, Structure } from '../ports/index.ts';
import { checkSeries } from './series.ts';

export interface EntryDraft {
  readonly date: string;
  readonly description: string;
  readonly layer: Layer;
  /** In the adjusting period behind the year whose last day it bears. */
  readonly adjusting?: boolean;
  /** Sets opening balances. */
  readonly opening?: boolean;
  /** 0 for the company's plain numbers. */
  readonly series?: number;
  readonly lines: readonly {
    readonly accountId: number;
    readonly debit: bigint;
    readonly credit: bigint;
    readonly text: string;
    /** Where it is not said, what the account names. */
    readonly facets?: FacetsOfLine | undefined;
    readonly foreign?: ForeignAmount | null;
  }[];
}

/** Debits equal credits in the company's currency, or it does not post. */
export async function postEntry(
  ports: Ports,
  { companyId }: Access<'prepare_entries'>,
  draft: EntryDraft,
  request: Request,
): Promise<Outcome<PostedEntry & { revision: number }, Failure>> {
  const opened = await openStructure(ports, companyId);
  if (!opened.ok) return opened;
  const books = opened.value;
  for (const [index, { debit, credit }] of draft.lines.entries())
    if (debit < 0n || credit < 0n || (debit === 0n) === (credit === 0n)) return fail({ code: 'line_amount_invalid', line: index + 1 });
  const large = draft.lines.findIndex(({ debit, credit }) => debit > largestAmount || credit > largestAmount);
  if (large >= 0) return fail({ code: 'line_amount_too_large', line: large + 1 });
  const total = draft.lines.reduce((sum, { debit }) => sum + debit, 0n);
  if (total > seldomReached && !(await fitsLedger(ports, companyId, total))) return fail({ code: 'ledger_too_large' });
  const accounts = accountsById(books);
  const moving = draft.opening ? draft.lines.findIndex(({ accountId }) => isIncomeOrExpense(accounts.get(accountId)?.element ?? 'asset')) : -1;
  if (moving >= 0) return fail({ code: 'opening_of_income', line: moving + 1 });
  const foreign = checkForeign(books, draft.lines);
  if (foreign) return fail(foreign);
  const difference = draft.lines.reduce((total, { debit, credit }) => total + debit - credit, 0n);
  if (difference !== 0n) return fail({ code: 'entry_out_of_balance', difference });
  const period = draft.adjusting ? openAdjustingPeriodOn(books, draft.date) : openPeriodOn(books, draft.date);
  if (!period.ok) return period;
  const unnumbered = await checkSeries(ports, companyId, draft.series ?? 0);
  if (unnumbered) return fail(unnumbered);
  const lines = linesWithFacets(books, draft.lines);
  if (!lines.ok) return lines;
  const { date, description, layer } = draft;
  const entry: NewEntry = {
    date,
    description,
    layer,
    lines: lines.value,
    source: 'manual',
    closesYear: null,
    reversesEntryId: null,
    isOpening: draft.opening ?? false,
    seriesId: draft.series ?? 0,
  };
  return ports.ledger.post(companyId, entry, period.value, request);
}

/** Of an entry: beneath it no ledger that people write comes near what can be summed. */
const seldomReached = 10n ** 13n;

/** Whether the sums of all debits and of all credits stay under what the arrays of balances hold. */
async function fitsLedger(ports: Ports, companyId: number, total: bigint): Promise<boolean> {
  const opened = await openBooks(ports, companyId);
  return opened.ok && sumPosted(opened.value.cube) + total < largestSum;
}

/** With a rate, the line's amount is what the other one comes to at it, to the minor unit. */
function checkForeign({ company }: Structure, lines: EntryDraft['lines']): Failure | null {
  for (const [at, { debit, credit, foreign }] of lines.entries()) {
    if (!foreign) continue;
    const currency = findCurrency(foreign.currency);
    if (!currency || currency.code === company.currency.code) return { code: 'currency_unknown', currency: foreign.currency };
    if (foreign.amount <= 0n) return { code: 'line_amount_invalid', line: at + 1 };
    if (foreign.rate === null) continue;
    const rate = readRate(foreign.rate);
    if (!rate) return { code: 'rate_invalid', rate: foreign.rate };
    const expected = toCompanyCurrency(foreign.amount, currency, company.currency, rate);
    if (debit + credit !== expected) return { code: 'line_rate_disagrees', line: at + 1, expected };
  }
  return null;
}

/** Each line with its facets; refused where a rule of the company forbids them, the first line at fault named. */
function linesWithFacets(books: Structure, lines: EntryDraft['lines']): Outcome<NewLine[], Failure> {
  const accounts = accountsById(books);
  const check = facetCheck(
    books.lists.filter(({ kind }) => kind === 'facet'),
    books.pairings,
    books.company.digitOrder,
  );
  const made: NewLine[] = [];
  for (const [index, { facets: ownFacets, ...line }] of lines.entries()) {
    const account = accounts.get(line.accountId);
    if (!account) return fail({ code: 'account_unknown', accountId: line.accountId });
    const facets = ownFacets ?? defaultFacets(account.codes);
    const refused = check({ accountNumber: account.number, facets });
    if (refused) return fail({ code: 'line_facets_refused', line: index + 1, refused });
    made.push({ ...line, facets });
  }
  return succeed(made);
}

/** Entries of the demo, which may also post to a parent account: history of that kind is one of the flaws to be caught. */
export async function postDemoEntries(ports: Ports, books: Structure, drafts: readonly EntryDraft[], actor: Actor): Promise<Outcome<number, Failure>> {
  const entries: { entry: NewEntry; period: Period }[] = [];
  for (const { date, description, layer, lines } of drafts) {
    const period = books.calendar.periods[periodIndexOf(books.calendar, date)];
    if (!period) return fail({ code: 'day_outside_calendar', day: date, year: date.slice(0, 4) });
    const withFacets = lines.map(({ facets = {}, ...line }) => ({ ...line, facets }));
    entries.push({ entry: { date, description, layer, lines: withFacets, source: 'demo', closesYear: null, reversesEntryId: null }, period });
  }
  const posted = await ports.ledger.postTogether(books.company.id, entries, { actor, idempotencyKey: null, requestHash: Buffer.alloc(32) }, null);
  return mapOutcome(posted, ({ revision }) => revision);
}
