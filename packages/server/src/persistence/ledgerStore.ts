import {
  type Day,
  defaultFacets,
  type FacetFilter,
  type FacetsOfLine,
  type FigureKind,
  type GrossVector,
  type Layer,
  type Outcome,
  type Position,
  type SelectedSets,
} from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Failure } from '../application/failure.ts';
import type {
  AccountLineRecord,
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
  TrialBalancePlan,
} from '../application/ports/index.ts';
import { applyPlan } from './applyTrialBalance.ts';
import { recordAudit } from './audit.ts';
import type { BooksCache } from './booksCache.ts';
import type { Counters } from './counters.ts';
import type { FacetBooks } from './facetBooks.ts';
import { facetSetIds, facetsOfLines, noFacets } from './facetSets.ts';
import { findOutcome, isDuplicateKey, recordOutcome, takeKey } from './idempotency.ts';
import type { LineProofs } from './lineProofs.ts';
import { listEntries } from './listEntries.ts';
import { mergeAccounts } from './mergeAccounts.ts';
import { inTransaction, Refused, rowsOf } from './transaction.ts';
import { addToBalances, type EntryToWrite, insertEntries, lockAccounts, lockPeriods, numberEntries, postedEvent } from './writeEntries.ts';

/** Reads and writes of journal entries; lines are the truth, balances are kept in the same transaction. */
export class LedgerRepository implements LedgerStore {
  constructor(
    private readonly database: DataSource,
    private readonly cache: BooksCache,
    private readonly facetBooks: FacetBooks,
    private readonly lineProofs: LineProofs,
    private readonly counters: Counters,
  ) {}

  books(companyId: number): Promise<Books | null> {
    return this.cache.books(companyId);
  }

  narrow(books: Books, filter: FacetFilter): Promise<Books | null> {
    return this.facetBooks.narrow(books, filter);
  }

  async linesWithin(books: Books, positions: readonly Position[]): Promise<(position: Position, layer: Layer) => GrossVector | undefined> {
    const found = new Map<Day, Record<Layer, GrossVector>>();
    const empty = (): GrossVector => ({ debit: new BigInt64Array(books.cube.accountIds.length), credit: new BigInt64Array(books.cube.accountIds.length) });
    for (const { day, partialFrom } of positions) {
      if (partialFrom === null || found.has(day)) continue;
      const byLayer = { ledger: empty(), adjustment: empty() };
      const wanted = conditionOf(books.selected, 'facet_set_id');
      const rows = await rowsOf<{ accountId: number; layer: Layer; debit: string; credit: string }>(
        this.database,
        `SELECT account_id AS accountId, layer, SUM(debit) AS debit, SUM(credit) AS credit FROM journal_line
          WHERE company_id = ? AND entry_date BETWEEN ? AND ? AND closing = 0 ${wanted.sql} GROUP BY layer, account_id`,
        [books.company.id, partialFrom, day, ...wanted.parameters],
      );
      for (const row of rows) {
        const at = books.cube.indexOf.get(row.accountId);
        if (at === undefined) continue;
        byLayer[row.layer].debit[at] = BigInt(row.debit);
        byLayer[row.layer].credit[at] = BigInt(row.credit);
      }
      found.set(day, byLayer);
    }
    return (position, layer) => found.get(position.day)?.[layer];
  }

  async post(
    companyId: number,
    entry: NewEntry,
    period: { year: number; number: number },
    request: Request,
  ): Promise<Outcome<PostedEntry & { revision: number }, Failure>> {
    const id = await this.counters.next('entry');
    return this.once(companyId, request, async () => {
      const setOf = await this.setsFor(companyId, entry.lines);
      if (!setOf.ok) return setOf;
      const lines = entry.lines.map(({ facets, ...line }) => ({ ...line, facetSetId: setOf.value(facets) }));
      const toWrite: EntryToWrite = { ...entry, lines, id, period, balancePeriod: period, trialBalanceId: null };
      return inTransaction(this.database, async (runner) => {
        await takeKey(runner, companyId, request);
        await lockPeriods(runner, companyId, [toWrite]);
        await lockAccounts(
          runner,
          companyId,
          entry.lines.map((line) => line.accountId),
          entry.source === 'demo',
        );
        await insertEntries(runner, companyId, request.actor, [toWrite]);
        await recordAudit(runner, this.counters, companyId, request.actor, [postedEvent(toWrite)]);
        await addToBalances(runner, companyId, [toWrite]);
        const { revision, posted } = await numberEntries(runner, companyId, [toWrite], null);
        const outcome = { ...(posted[0] as PostedEntry), revision };
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
        value: await facetSetIds(
          this.database,
          companyId,
          lines.map(({ facets }) => facets),
        ),
      };
    } catch (error) {
      if (error instanceof Refused) return { ok: false, failure: error.failure };
      throw error;
    }
  }

  applyTrialBalance(companyId: number, plan: TrialBalancePlan, request: Request): Promise<Outcome<PostingOutcome, Failure>> {
    return this.once(companyId, request, async () => {
      const books = await this.cache.books(companyId);
      if (!books) return { ok: false, failure: { code: 'not_found', thing: 'company', id: companyId } };
      if (books.company.structureVersion !== plan.expectedStructure || books.cube.revision !== plan.expectedRevision)
        return { ok: false, failure: { code: 'ledger_moved_on' } };
      const setOf = await this.setsFor(
        companyId,
        books.accounts.map((account) => ({ facets: defaultFacets(account.codes) })),
      );
      if (!setOf.ok) return setOf;
      const setIdOf = new Map(books.accounts.map((account) => [account.id, setOf.value(defaultFacets(account.codes))]));
      return inTransaction(this.database, (runner) =>
        applyPlan(runner, this.counters, books, plan, (accountId) => setIdOf.get(accountId) ?? noFacets, request),
      );
    });
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
    if (before) return before as Outcome<Value, Failure>;
    try {
      return await work();
    } catch (error) {
      if (!isDuplicateKey(error)) throw error;
      const now = await findOutcome(this.database, companyId, request);
      if (!now) throw error;
      return now as Outcome<Value, Failure>;
    }
  }

  async entry(companyId: number, entryId: number): Promise<EntryRecord | null> {
    const [row] = await rowsOf<Omit<EntryRecord, 'lines' | 'id' | 'reversesEntryId' | 'reversedBy'> & { id: string; reversesEntryId: string | null }>(
      this.database,
      `SELECT id, entry_date AS date, document_number AS documentNumber, description, layer, source, closes_year AS closesYear, reverses_entry_id AS reversesEntryId, origin_document AS originDocument, posted_at AS postedAt, posted_by AS postedBy
         FROM journal_entry WHERE company_id = ? AND id = ?`,
      [companyId, entryId],
    );
    if (!row) return null;
    const lines = await rowsOf<{ accountId: number; number: string; name: string; debit: string; credit: string; text: string; facetSetId: number }>(
      this.database,
      `SELECT line.account_id AS accountId, COALESCE(account.number, '') AS number, account.name, line.debit, line.credit, line.text, line.facet_set_id AS facetSetId
         FROM journal_line AS line JOIN account ON account.company_id = line.company_id AND account.id = line.account_id
        WHERE line.company_id = ? AND line.entry_id = ? ORDER BY line.line_number`,
      [companyId, entryId],
    );
    const facetsOf = await facetsOfLines(
      this.database,
      companyId,
      lines.map(({ facetSetId }) => facetSetId),
    );
    const [reversal] = await rowsOf<{ id: string; documentNumber: string }>(
      this.database,
      'SELECT id, document_number AS documentNumber FROM journal_entry WHERE company_id = ? AND reverses_entry_id = ? LIMIT 1',
      [companyId, entryId],
    );
    return {
      ...row,
      id: Number(row.id),
      reversesEntryId: row.reversesEntryId === null ? null : Number(row.reversesEntryId),
      reversedBy: reversal ? { id: Number(reversal.id), documentNumber: reversal.documentNumber } : null,
      lines: lines.map(({ facetSetId, ...line }) => ({ ...line, debit: BigInt(line.debit), credit: BigInt(line.credit), facets: facetsOf(facetSetId) })),
    };
  }

  listEntries(companyId: number, wanted: EntriesWanted): ReturnType<LedgerStore['listEntries']> {
    return listEntries(this.database, companyId, wanted);
  }

  async accountLines(companyId: number, wanted: LinesWanted): ReturnType<LedgerStore['accountLines']> {
    const selected = conditionOf(wanted.selected, 'line.facet_set_id');
    const where = `line.company_id = ? AND line.account_id = ? AND line.entry_date BETWEEN ? AND ? ${selected.sql}`;
    const parameters = [companyId, wanted.accountId, wanted.from ?? '0001-01-01', wanted.to ?? '9999-12-31', ...selected.parameters];
    const [count] = await rowsOf<{ total: string }>(this.database, `SELECT COUNT(*) AS total FROM journal_line AS line WHERE ${where}`, parameters);
    const size = 'GREATEST(line.debit, line.credit)';
    const sortKey = wanted.sort === 'size' ? size : 'line.entry_date';
    const cursor = wanted.after === null ? [] : wanted.after.split('_');
    const beyond = cursor.length === 3 ? `AND (${sortKey}, line.entry_id, line.line_number) < (?, ?, ?)` : '';
    const rows = await rowsOf<
      Omit<AccountLineRecord, 'debit' | 'credit' | 'entryId' | 'facets'> & {
        entryId: string;
        debit: string;
        credit: string;
        sortKey: string;
        facetSetId: number;
      }
    >(
      this.database,
      `SELECT line.entry_id AS entryId, line.line_number AS lineNumber, line.entry_date AS date, entry.document_number AS documentNumber, entry.description, line.layer, entry.closes_year AS closesYear, line.debit, line.credit, line.facet_set_id AS facetSetId, ${sortKey} AS sortKey
         FROM journal_line AS line JOIN journal_entry AS entry ON entry.company_id = line.company_id AND entry.id = line.entry_id
        WHERE ${where} ${beyond} ORDER BY ${sortKey} DESC, line.entry_id DESC, line.line_number DESC LIMIT ?`,
      [...parameters, ...(cursor.length === 3 ? cursor : []), wanted.limit + 1],
    );
    const page = rows.slice(0, wanted.limit);
    const last = page.at(-1);
    const facetsOf = await facetsOfLines(
      this.database,
      companyId,
      page.map(({ facetSetId }) => facetSetId),
    );
    const [first] = page;
    const later = conditionOf(wanted.selected, 'facet_set_id');
    const [laterSum] =
      first && cursor.length === 3 && wanted.sort === 'date'
        ? await rowsOf<{ net: string | null }>(
            this.database,
            `SELECT SUM(debit) - SUM(credit) AS net FROM journal_line
              WHERE company_id = ? AND account_id = ? AND entry_date = ? AND (entry_id, line_number) > (?, ?) AND closing = 0 ${later.sql}`,
            [companyId, wanted.accountId, first.date, first.entryId, first.lineNumber, ...later.parameters],
          )
        : [];
    return {
      laterThatDay: BigInt(laterSum?.net ?? 0),
      lines: page.map(({ sortKey: _, facetSetId, ...row }) => ({
        ...row,
        entryId: Number(row.entryId),
        debit: BigInt(row.debit),
        credit: BigInt(row.credit),
        facets: facetsOf(facetSetId),
      })),
      total: Number(count?.total ?? 0),
      next: rows.length > wanted.limit && last ? `${last.sortKey}_${last.entryId}_${last.lineNumber}` : null,
    };
  }

  async differencesFromLines({ company, cube }: Books): Promise<ReadonlyMap<number, bigint> | null> {
    const differences = await this.lineProofs.differences(company.id, cube.revision);
    if (differences === null) return null;
    const byAccount = new Map<number, bigint>();
    for (const { accountId, debit, credit } of differences) byAccount.set(accountId, (byAccount.get(accountId) ?? 0n) + debit - credit);
    return byAccount;
  }

  async adjustments(companyId: number, from: Day, to: Day, most: number): ReturnType<LedgerStore['adjustments']> {
    const rows = await rowsOf<{ id: string }>(
      this.database,
      "SELECT id FROM journal_entry WHERE company_id = ? AND layer = 'adjustment' AND entry_date BETWEEN ? AND ? ORDER BY entry_date, id LIMIT ?",
      [companyId, from, to, most],
    );
    const [before] = await rowsOf<{ total: string }>(
      this.database,
      "SELECT COUNT(*) AS total FROM journal_entry WHERE company_id = ? AND layer = 'adjustment' AND entry_date < ?",
      [companyId, from],
    );
    const entries: EntryRecord[] = [];
    for (const { id } of rows) {
      const entry = await this.entry(companyId, Number(id));
      if (entry) entries.push(entry);
    }
    return { entries, earlier: Number(before?.total ?? 0) };
  }

  async openAdjustments(companyId: number, upTo: Day): Promise<OpenAdjustment[]> {
    const rows = await rowsOf<{ entryId: string; date: string; documentNumber: string; description: string; amount: string }>(
      this.database,
      `SELECT entry.id AS entryId, entry.entry_date AS date, entry.document_number AS documentNumber, entry.description, SUM(line.debit) AS amount
         FROM journal_entry AS entry JOIN journal_line AS line ON line.company_id = entry.company_id AND line.entry_id = entry.id
        WHERE entry.company_id = ? AND entry.layer = 'adjustment' AND entry.entry_date <= ? AND entry.reverses_entry_id IS NULL
          AND NOT EXISTS (SELECT 1 FROM journal_entry AS reversal WHERE reversal.company_id = entry.company_id AND reversal.reverses_entry_id = entry.id)
        GROUP BY entry.id, entry.entry_date, entry.document_number, entry.description ORDER BY entry.entry_date, entry.id`,
      [companyId, upTo],
    );
    return rows.map((row) => ({ ...row, entryId: Number(row.entryId), amount: BigInt(row.amount) }));
  }

  async broughtIn(companyId: number): Promise<BroughtInRecord[]> {
    const rows = await rowsOf<{ id: string; fileId: string; fileName: string; day: string; figures: string; postedAt: string; postedBy: string }>(
      this.database,
      'SELECT id, file_id AS fileId, file_name AS fileName, balance_day AS day, figures, posted_at AS postedAt, posted_by AS postedBy FROM trial_balance WHERE company_id = ? ORDER BY balance_day, id',
      [companyId],
    );
    const entries = await rowsOf<{ trialBalanceId: string; entryId: string; documentNumber: string; date: string; lines: string }>(
      this.database,
      `SELECT entry.trial_balance_id AS trialBalanceId, entry.id AS entryId, entry.document_number AS documentNumber, entry.entry_date AS date,
              (SELECT COUNT(*) FROM journal_line AS line WHERE line.company_id = entry.company_id AND line.entry_id = entry.id) AS \`lines\`
         FROM journal_entry AS entry WHERE entry.company_id = ? AND entry.trial_balance_id IS NOT NULL ORDER BY entry.id`,
      [companyId],
    );
    return rows.map((row) => ({
      ...row,
      id: Number(row.id),
      fileId: Number(row.fileId),
      figures: JSON.parse(row.figures) as FigureKind,
      entries: entries
        .filter((entry) => entry.trialBalanceId === row.id)
        .map((entry) => ({ entryId: Number(entry.entryId), documentNumber: entry.documentNumber, date: entry.date, lines: Number(entry.lines) })),
    }));
  }

  async lastEntryDay(companyId: number): Promise<Day | null> {
    const [row] = await rowsOf<{ day: string | null }>(this.database, 'SELECT MAX(entry_date) AS day FROM journal_entry WHERE company_id = ?', [companyId]);
    return row?.day ?? null;
  }
}

/** That a line is of the selected sets; a company without any value selects lines of set 0 alone. */
function conditionOf(selected: SelectedSets | null, column: string): { sql: string; parameters: readonly number[] } {
  if (selected === null) return { sql: '', parameters: [] };
  const ids = [...selected.ids, ...(selected.withoutAny ? [noFacets] : [])];
  return ids.length === 0 ? { sql: 'AND FALSE', parameters: [] } : { sql: `AND ${column} IN (${ids.map(() => '?').join(', ')})`, parameters: ids };
}
