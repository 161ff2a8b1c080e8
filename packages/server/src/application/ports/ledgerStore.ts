import type {
  CashEntry,
  Day,
  EquityLine,
  FacetBalances,
  FacetFilter,
  FacetsOfLine,
  FigureKind,
  GrossVector,
  Layer,
  LinesOfSets,
  Outcome,
  Position,
  SelectedSets,
  Span,
} from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Books, Structure } from './books.ts';
import type { ForeignAmount, MergePlan, NewEntry, PostedEntry, PostingOutcome, Request, TakingBackPlan, TrialBalancePlan } from './posting.ts';

export interface OpenAdjustment {
  readonly entryId: number;
  readonly date: Day;
  readonly documentNumber: string;
  readonly description: string;
  /** Sum of its debits. */
  readonly amount: bigint;
}

export interface EntryRecord {
  readonly id: number;
  readonly date: Day;
  readonly documentNumber: string;
  readonly description: string;
  readonly layer: Layer;
  readonly source: NewEntry['source'];
  readonly closesYear: number | null;
  /** In a period for adjustments. */
  readonly isAdjusting: boolean;
  readonly reversesEntryId: number | null;
  readonly isOpening: boolean;
  /** The series that it is numbered in, or 0. */
  readonly series: number;
  /** Number of the document in the file that it came from; empty for others. */
  readonly originDocument: string;
  /** The entry that reverses it, if there is one. */
  readonly reversedBy: { readonly id: number; readonly documentNumber: string } | null;
  readonly postedAt: string;
  readonly postedBy: string;
  readonly lines: readonly {
    readonly accountId: number;
    readonly number: string;
    readonly name: string;
    readonly debit: bigint;
    readonly credit: bigint;
    readonly text: string;
    readonly facets: FacetsOfLine;
    readonly foreign: ForeignAmount | null;
  }[];
}

export interface AccountLineRecord {
  readonly entryId: number;
  readonly lineNumber: number;
  readonly date: Day;
  readonly documentNumber: string;
  readonly description: string;
  readonly layer: Layer;
  readonly closesYear: number | null;
  readonly debit: bigint;
  readonly credit: bigint;
  /** Of the line itself. */
  readonly text: string;
  readonly facets: FacetsOfLine;
}

export interface ListedEntry extends Omit<EntryRecord, 'reversedBy' | 'postedAt' | 'series' | 'originDocument' | 'isAdjusting' | 'isOpening' | 'lines'> {
  readonly isReversed: boolean;
  /** Sum of its debits. */
  readonly amount: bigint;
  /** How many. */
  readonly lines: number;
  /** Of one without a text of its own: the text of its first line that has one, else the names of its first two accounts. */
  readonly about: string;
}

export interface EntriesWanted {
  readonly from: Day | null;
  readonly to: Day | null;
  /** Words that all stand in the description, a line's text or the document number of a file that it came from, or its own document number. */
  readonly text: string | null;
  /** Of a line, on either side; beside `text` one of both is enough. */
  readonly amount: bigint | null;
  readonly source: NewEntry['source'] | null;
  /** A series by its id, 0 for plain numbers. */
  readonly series: number | null;
  /** Part of the name of who posted it. */
  readonly by: string | null;
  /** With a line of these sets; `null`: any. */
  readonly selected: SelectedSets | null;
  readonly layer: Layer | null;
  /** Only those with a line on it. */
  readonly accountId: number | null;
  readonly after: string | null;
  readonly limit: number;
}

export interface LinesWanted {
  readonly accountId: number;
  readonly from: Day | null;
  readonly to: Day | null;
  /** Without opening entries of this day, which stand before all others of it. */
  readonly openedOn?: Day | null;
  readonly sort: 'date' | 'size';
  /** Only lines of these sets; `null`: all. */
  readonly selected: SelectedSets | null;
  /** `null`: of both layers. */
  readonly layer: Layer | null;
  readonly after: string | null;
  readonly limit: number;
}

export interface BroughtInRecord {
  readonly id: number;
  readonly fileId: number;
  readonly fileName: string;
  readonly day: Day;
  readonly figures: FigureKind;
  readonly postedAt: string;
  readonly postedBy: string;
  /** When (UTC) and by whom its entries were reversed. */
  readonly takenBack: { readonly at: string; readonly by: string } | null;
  readonly entries: readonly PostedEntry[];
}

/** What lines on an account with the same facet values add up to on one day; `account`: its dense number in the cube. */
export interface FlowOfDay {
  readonly account: number;
  readonly day: Day;
  readonly layer: Layer;
  readonly debit: bigint;
  readonly credit: bigint;
}

/** As the cash flow looks at it. */
export interface EntryOfFlows extends CashEntry {
  readonly layer: Layer;
}

export interface LedgerStore {
  /** `null` for a company that is not there. */
  books(companyId: number): Promise<Books | null>;
  /** Chart, placement and calendar alone, which postings do not change. */
  structure(companyId: number): Promise<Structure | null>;
  /** The books as they are with lines of some facet values alone; `null` where the ledger has moved on from them. */
  narrow(books: Books, filter: FacetFilter): Promise<Books | null>;
  /** Of all lines with facet values, by set; `null` where the ledger has moved on from the books. */
  facetBalances(books: Books): Promise<FacetBalances | null>;
  /** Ordinary lines with facet values inside periods, by set, for positions that end inside one. */
  linesOfSetsWithin(books: Books, positions: readonly Position[]): Promise<LinesOfSets>;
  /** Sums of ordinary lines inside periods, for positions that end inside one; dense by the cube. */
  linesWithin(books: Books, positions: readonly Position[]): Promise<(position: Position, layer: Layer) => GrossVector | undefined>;
  /** Ordinary lines of reversing entries within a span. */
  reversingLines(books: Books, span: Span): Promise<readonly FlowOfDay[]>;
  /** What exchange rates alone changed on accounts of cash: their lines in entries whose only counterpart are exchange differences. */
  exchangeOnCash(books: Books, span: Span): Promise<readonly FlowOfDay[]>;
  /** What entries moved between accounts of equity, by account, day and facet set; the smaller of the debits and credits that an entry has on them. */
  withinEquity(books: Books, span: Span): Promise<readonly (FlowOfDay & { readonly isReversing: boolean })[]>;
  /** Ordinary entries of a span with a line on one of the accounts, by their dense numbers, and none on one of `but`, with all their lines; trial balances are none. */
  entriesOn(books: Books, span: Span, accounts: readonly number[], but: readonly number[]): Promise<readonly EntryOfFlows[]>;
  /** Every ordinary line on an account of equity, up to the revision of the books. */
  equityLines(books: Books): Promise<readonly EquityLine[]>;
  post(
    companyId: number,
    entry: NewEntry,
    period: { year: number; number: number },
    request: Request,
  ): Promise<Outcome<PostedEntry & { revision: number }, Failure>>;
  /** Entries with plain numbers, whole or not at all, all of one revision. */
  postTogether(
    companyId: number,
    entries: readonly { readonly entry: NewEntry; readonly period: { year: number; number: number } }[],
    request: Request,
    /** Of a ledger that the entries were worked out from; `null` where they rest on nothing that was read. */
    expectedRevision: number | null,
  ): Promise<Outcome<{ posted: PostedEntry[]; revision: number }, Failure>>;
  applyTrialBalance(companyId: number, plan: TrialBalancePlan, request: Request): Promise<Outcome<PostingOutcome, Failure>>;
  takeBackTrialBalance(
    companyId: number,
    plan: TakingBackPlan,
    request: Request,
  ): Promise<Outcome<{ entries: readonly PostedEntry[]; revision: number }, Failure>>;
  mergeAccounts(books: Books, plan: MergePlan, request: Request): Promise<Outcome<PostingOutcome, Failure>>;
  /** What a request with this key did before, if it was made. */
  earlierOutcome(companyId: number, request: Request): Promise<Outcome<unknown, Failure> | null>;
  entry(companyId: number, entryId: number): Promise<EntryRecord | null>;
  listEntries(companyId: number, wanted: EntriesWanted): Promise<{ entries: ListedEntry[]; next: string | null }>;
  /** `laterThatDay`: of a page that goes on, the sum of ordinary lines of its first day that stand on the pages before. */
  accountLines(companyId: number, wanted: LinesWanted): Promise<{ lines: AccountLineRecord[]; total: number; next: string | null; laterThatDay: bigint }>;
  /** The other accounts of entries, by entry and side, in the order of their lines; a few of each. */
  counterparts(
    companyId: number,
    accountId: number,
    entryIds: readonly number[],
  ): Promise<ReadonlyMap<number, { readonly debits: readonly number[]; readonly credits: readonly number[] }>>;
  /** By account, what its lines add up to more than the kept balances; `null` while it is not known yet. */
  differencesFromLines(books: Books): Promise<ReadonlyMap<number, bigint> | null>;
  /** Adjustments within two days, oldest first, so many at most; `earlier`: how many there are from before. */
  adjustments(companyId: number, from: Day, to: Day, most: number): Promise<{ entries: EntryRecord[]; earlier: number }>;
  openAdjustments(companyId: number, upTo: Day): Promise<OpenAdjustment[]>;
  broughtIn(companyId: number): Promise<BroughtInRecord[]>;
  lastEntryDay(companyId: number): Promise<Day | null>;
}
