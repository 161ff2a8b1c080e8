import { type Day, defaultFacets, type FacetFilter, type FacetsOfLine, fail, type Outcome, type Position, type Span } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type {
  Books,
  BroughtInRecord,
  EntriesWanted,
  EntryRecord,
  LedgerStore,
  LinesWanted,
  MergePlan,
  NewEntry,
  OpenAdjustment,
  PostedEntry,
  PostingOutcome,
  Request,
  Structure,
  TakingBackPlan,
  TrialBalancePlan,
} from '../../application/ports/index.ts';
import {
  type BooksCache,
  type DayBooks,
  type FacetBooks,
  type FacetSets,
  type LineProofs,
  noFacets,
  readAccountLines,
  readEntriesOn,
  readEquityLines,
  readExchangeOnCash,
  readLinesOfSets,
  readReversingLines,
  readWithinEquity,
} from '../books/index.ts';
import {
  auditOf,
  type Counters,
  findOutcome,
  inOneTrip,
  inTransaction,
  isBrokenReference,
  isDuplicateKey,
  Refused,
  recordAudit,
  recordOutcome,
  rowsOf,
  takeKey,
} from '../database/index.ts';
import { applyPlan } from './applyTrialBalance.ts';
import { listEntries } from './listEntries.ts';
import { mergeAccounts } from './mergeAccounts.ts';
import { finishEntry, numberRun } from './numberEntries.ts';
import { readCounterparts } from './readCounterparts.ts';
import { readAdjustments, readBroughtIn, readEntry, readOpenAdjustments } from './readEntries.ts';
import { takeBack } from './takeBackTrialBalance.ts';
import { addToBalances, type EntryToWrite, entriesOf, insertEntries, lastPeriodOf, lockAccounts, lockPeriods, postedEvent } from './writeEntries.ts';

/** Reads and writes of journal entries; lines are the truth, balances are kept in the same transaction. */
export class LedgerRepository implements LedgerStore {
  constructor(
    private readonly database: DataSource,
    private readonly cache: BooksCache,
    private readonly facetBooks: FacetBooks,
    private readonly dayBooks: DayBooks,
    private readonly lineProofs: LineProofs,
    private readonly facetSets: FacetSets,
    private readonly counters: Counters,
  ) {}

  structure(companyId: number): Promise<Structure | null> {
    return this.cache.structure(companyId);
  }

  books(companyId: number): Promise<Books | null> {
    return this.cache.books(companyId);
  }

  narrow(books: Books, filter: FacetFilter): Promise<Books | null> {
    return this.facetBooks.narrow(books, filter);
  }

  facetBalances(books: Books): ReturnType<LedgerStore['facetBalances']> {
    return this.facetBooks.balances(books);
  }

  linesOfSetsWithin(books: Books, positions: readonly Position[]): ReturnType<LedgerStore['linesOfSetsWithin']> {
    return readLinesOfSets(this.database, books, positions);
  }

  linesWithin(books: Books, positions: readonly Position[]): ReturnType<LedgerStore['linesWithin']> {
    return this.dayBooks.linesWithin(books, positions);
  }

  reversingLines(books: Books, span: Span): ReturnType<typeof readReversingLines> {
    return readReversingLines(this.database, books, span);
  }

  withinEquity(books: Books, span: Span): ReturnType<typeof readWithinEquity> {
    return readWithinEquity(this.database, books, span);
  }

  exchangeOnCash(books: Books, span: Span): ReturnType<typeof readExchangeOnCash> {
    return readExchangeOnCash(this.database, books, span);
  }

  entriesOn(books: Books, span: Span, accounts: readonly number[], but: readonly number[]): ReturnType<typeof readEntriesOn> {
    return readEntriesOn(this.database, books, span, accounts, but);
  }

  equityLines(books: Books): ReturnType<typeof readEquityLines> {
    return readEquityLines(this.database, books);
  }

  async post(
    companyId: number,
    entry: NewEntry,
    period: { year: number; number: number },
    request: Request,
  ): Promise<Outcome<PostedEntry & { revision: number }, Failure>> {
    const id = await this.counters.next('entry');
    // Its transaction takes the key first of all, so nothing is asked before it.
    return this.onceTaken(companyId, request, async () => {
      const posted = await this.writeEntry(companyId, entry, id, period, request);
      if (posted.ok || posted.failure.code !== 'ledger_moved_on') return posted;
      // A facet set that was known here has gone with its value on another server, or is made anew.
      this.facetSets.forget(companyId);
      return this.writeEntry(companyId, entry, id, period, request);
    });
  }

  private async writeEntry(
    companyId: number,
    entry: NewEntry,
    id: number,
    period: { year: number; number: number },
    request: Request,
  ): Promise<Outcome<PostedEntry & { revision: number }, Failure>> {
    const setOf = await this.setsFor(companyId, entry.lines);
    if (!setOf.ok) return setOf;
    const lines = entry.lines.map(({ facets, ...line }) => ({ ...line, facetSetId: setOf.value(facets) }));
    return inTransaction(this.database, async (runner) => {
      const balancePeriod = entry.closesYear === null ? period : await lastPeriodOf(runner, companyId, entry.closesYear);
      const toWrite: EntryToWrite = { ...entry, lines, id, period, balancePeriod, trialBalanceId: null };
      await takeKey(runner, companyId, request);
      await lockPeriods(runner, companyId, [toWrite]);
      await lockAccounts(
        runner,
        companyId,
        entry.lines.map((line) => line.accountId),
        entry.source === 'demo' || entry.source === 'closing',
      );
      await inOneTrip(runner, [
        ...entriesOf(companyId, request.actor, [toWrite]),
        ...(await auditOf(this.counters, companyId, request.actor, [postedEvent(toWrite)])),
      ]);
      return finishEntry(runner, companyId, toWrite, request);
    });
  }

  async postTogether(
    companyId: number,
    entries: readonly { readonly entry: NewEntry; readonly period: { year: number; number: number } }[],
    request: Request,
    expectedRevision: number | null,
  ): Promise<Outcome<{ posted: PostedEntry[]; revision: number }, Failure>> {
    const first = await this.counters.run('entry', entries.length);
    return this.once(companyId, request, async () => {
      const all = entries.flatMap(({ entry }) => entry.lines);
      const setOf = await this.setsFor(companyId, all);
      if (!setOf.ok) return setOf;
      return inTransaction(this.database, async (runner) => {
        await takeKey(runner, companyId, request);
        const toWrite: EntryToWrite[] = [];
        for (const [at, { entry, period }] of entries.entries())
          toWrite.push({
            ...entry,
            lines: entry.lines.map(({ facets, ...line }) => ({ ...line, facetSetId: setOf.value(facets) })),
            id: first + at,
            period,
            balancePeriod: entry.closesYear === null ? period : await lastPeriodOf(runner, companyId, entry.closesYear),
            trialBalanceId: null,
          });
        await lockPeriods(runner, companyId, toWrite);
        const isGenerated = entries.every(({ entry: { source } }) => source === 'demo' || source === 'closing');
        await lockAccounts(
          runner,
          companyId,
          all.map(({ accountId }) => accountId),
          isGenerated,
        );
        await insertEntries(runner, companyId, request.actor, toWrite);
        await recordAudit(runner, this.counters, companyId, request.actor, toWrite.map(postedEvent));
        await addToBalances(runner, companyId, toWrite);
        const { revision, firstDocument } = await numberRun(runner, companyId, first, toWrite.length, expectedRevision);
        const posted = toWrite.map(({ id, date, lines }, at) => ({ entryId: id, documentNumber: String(firstDocument + at), date, lines: lines.length }));
        const outcome = { posted, revision };
        await recordOutcome(runner, companyId, request, outcome);
        return outcome;
      });
    });
  }

  /** Values that somebody takes away in this moment are refused as they would have been a moment later. */
  private async setsFor(companyId: number, lines: readonly { readonly facets?: FacetsOfLine }[]): Promise<Outcome<(facets?: FacetsOfLine) => number, Failure>> {
    try {
      return {
        ok: true,
        value: await this.facetSets.idsOf(
          companyId,
          lines.map(({ facets }) => facets),
        ),
      };
    } catch (error) {
      if (error instanceof Refused) return { ok: false, failure: error.failure };
      if (!isBrokenReference(error)) throw error;
      // A value was there when its set was begun, and has gone.
      this.facetSets.forget(companyId);
      return fail({ code: 'ledger_moved_on' });
    }
  }

  applyTrialBalance(companyId: number, plan: TrialBalancePlan, request: Request): Promise<Outcome<PostingOutcome, Failure>> {
    return this.once(companyId, request, async () => {
      const books = await this.cache.books(companyId);
      if (!books) return { ok: false, failure: { code: 'not_found', thing: 'company', id: companyId } };
      if (books.company.structureVersion !== plan.expectedStructure || books.cube.revision !== plan.expectedRevision)
        return { ok: false, failure: { code: 'ledger_moved_on' } };
      const facetSetOf = await this.usualSets(books);
      if (!facetSetOf.ok) return facetSetOf;
      return inTransaction(this.database, (runner) => applyPlan(runner, this.counters, books, plan, facetSetOf.value, request));
    });
  }

  takeBackTrialBalance(companyId: number, plan: TakingBackPlan, request: Request): ReturnType<LedgerStore['takeBackTrialBalance']> {
    return this.once(companyId, request, async () => {
      const books = await this.cache.books(companyId);
      if (!books) return { ok: false, failure: { code: 'not_found', thing: 'company', id: companyId } };
      const facetSetOf = await this.usualSets(books);
      if (!facetSetOf.ok) return facetSetOf;
      return inTransaction(this.database, (runner) => takeBack(runner, this.counters, companyId, books.calendar, plan, facetSetOf.value, request));
    });
  }

  /** Of lines that a file gives no facets for: the set of the account's own values. */
  private async usualSets(books: Books): Promise<Outcome<(accountId: number) => number, Failure>> {
    const setOf = await this.setsFor(
      books.company.id,
      books.accounts.map((account) => ({ facets: defaultFacets(account.codes) })),
    );
    if (!setOf.ok) return setOf;
    const setIdOf = new Map(books.accounts.map((account) => [account.id, setOf.value(defaultFacets(account.codes))]));
    return { ok: true, value: (accountId) => setIdOf.get(accountId) ?? noFacets };
  }

  counterparts(companyId: number, accountId: number, entryIds: readonly number[]): ReturnType<LedgerStore['counterparts']> {
    return readCounterparts(this.database, companyId, accountId, entryIds);
  }

  mergeAccounts(books: Books, plan: MergePlan, request: Request): Promise<Outcome<PostingOutcome, Failure>> {
    return this.once(books.company.id, request, () => inTransaction(this.database, (runner) => mergeAccounts(runner, this.counters, books, plan, request)));
  }

  earlierOutcome(companyId: number, request: Request): Promise<Outcome<unknown, Failure> | null> {
    return findOutcome(this.database, companyId, request);
  }

  /** Answers a repeated key with what the first request did, also where both arrive together. */
  private async once<Value>(companyId: number, request: Request, work: () => Promise<Outcome<Value, Failure>>): Promise<Outcome<Value, Failure>> {
    const before = await findOutcome(this.database, companyId, request);
    return before ? (before as Outcome<Value, Failure>) : this.onceTaken(companyId, request, work);
  }

  private async onceTaken<Value>(companyId: number, request: Request, work: () => Promise<Outcome<Value, Failure>>): Promise<Outcome<Value, Failure>> {
    try {
      return await work();
    } catch (error) {
      if (!isDuplicateKey(error)) throw error;
      // Of another key: what happens once did so meanwhile, and is found by whoever looks anew.
      return ((await findOutcome(this.database, companyId, request)) ?? fail({ code: 'ledger_moved_on' })) as Outcome<Value, Failure>;
    }
  }

  entry(companyId: number, entryId: number): Promise<EntryRecord | null> {
    return readEntry(this.database, companyId, entryId);
  }

  listEntries(companyId: number, wanted: EntriesWanted): ReturnType<LedgerStore['listEntries']> {
    return listEntries(this.database, companyId, wanted);
  }

  accountLines(companyId: number, wanted: LinesWanted): ReturnType<LedgerStore['accountLines']> {
    return readAccountLines(this.database, companyId, wanted);
  }

  async differencesFromLines({ company, cube }: Books): Promise<ReadonlyMap<number, bigint> | null> {
    const differences = await this.lineProofs.differences(company.id, cube.revision);
    if (differences === null) return null;
    const byAccount = new Map<number, bigint>();
    for (const { accountId, debit, credit } of differences) byAccount.set(accountId, (byAccount.get(accountId) ?? 0n) + debit - credit);
    return byAccount;
  }

  adjustments(companyId: number, from: Day, to: Day, most: number): ReturnType<LedgerStore['adjustments']> {
    return readAdjustments(this.database, companyId, from, to, most);
  }

  openAdjustments(companyId: number, upTo: Day): Promise<OpenAdjustment[]> {
    return readOpenAdjustments(this.database, companyId, upTo);
  }

  broughtIn(companyId: number): Promise<BroughtInRecord[]> {
    return readBroughtIn(this.database, companyId);
  }

  async lastEntryDay(companyId: number): Promise<Day | null> {
    const [row] = await rowsOf<{ day: string | null }>(this.database, 'SELECT MAX(entry_date) AS day FROM journal_entry WHERE company_id = ?', [companyId]);
    return row?.day ?? null;
  }
}
