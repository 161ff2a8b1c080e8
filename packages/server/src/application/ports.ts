import type {
  Account,
  AccountTraits,
  AccountTree,
  Category,
  CategoryTree,
  Cube,
  Currency,
  Day,
  DigitOrder,
  FigureKind,
  FiscalCalendar,
  FiscalYear,
  GrossVector,
  Layer,
  LayoutOptions,
  Outcome,
  Place,
  PlaceSide,
  Portions,
  Position,
} from '@ivory-ladder/core';
import type { Failure } from './failure.ts';
import type { Statement } from './runStatement.ts';
import type { ToldEvent } from './viewHistory.ts';

export interface CompanyRecord {
  readonly id: number;
  readonly name: string;
  readonly currency: Currency;
  readonly fiscalYearFirstMonth: number;
  readonly digitOrder: DigitOrder;
  /** Grows with each posting. */
  readonly revision: number;
  /** Grows with each change of chart, calendar, placement or layout options. */
  readonly structureVersion: number;
}

export interface VersionedCategory extends Category {
  readonly version: number;
}

/** An account with what people keep beside it. */
export interface ChartAccount extends Account {
  /** What belongs here and what does not. */
  readonly purpose: string;
  /** Its number in another system or in a consolidation; empty where there is none. */
  readonly externalNumber: string;
  readonly version: number;
}

/** Chart, placement and calendar of a company at one structure version. */
export interface Structure {
  readonly company: CompanyRecord;
  readonly calendar: FiscalCalendar;
  readonly accounts: readonly ChartAccount[];
  readonly tree: AccountTree;
  readonly categories: readonly VersionedCategory[];
  readonly categoryTree: CategoryTree;
  readonly places: readonly Place[];
  readonly portions: ReadonlyMap<number, Portions>;
  readonly options: LayoutOptions;
  readonly optionsVersion: number;
  readonly retainedEarningsId: number | null;
}

/** A structure and the balances that belong to it, read in one snapshot. */
export interface Books extends Structure {
  readonly cube: Cube;
  readonly traits: AccountTraits;
}

export interface NewEntry {
  readonly date: Day;
  readonly description: string;
  readonly layer: Layer;
  readonly source: 'manual' | 'trial_balance' | 'reversal' | 'demo';
  readonly closesYear: number | null;
  readonly reversesEntryId: number | null;
  /** Net zero; either debit or credit of a line is zero, none is negative. Accounts by id. */
  readonly lines: readonly { readonly accountId: number; readonly debit: bigint; readonly credit: bigint; readonly text: string }[];
}

/** Who asked and with which key; the key is kept for 30 days. */
export interface Request {
  readonly actor: string;
  readonly idempotencyKey: string | null;
  /** Of the operation and its body, to tell a repeated request from another one with the same key. */
  readonly requestHash: Buffer;
}

export interface PostedEntry {
  readonly entryId: number;
  readonly documentNumber: string;
  readonly date: Day;
  readonly lines: number;
}

interface NewAccount {
  readonly number: string;
  readonly name: string;
  readonly element: Account['element'];
  readonly normalSide: Account['normalSide'];
  readonly parentNumber: string | null;
}

/** Everything one trial balance changes; applied in one transaction, whole or not at all. */
export interface TrialBalancePlan {
  readonly expectedRevision: number;
  readonly expectedStructure: number;
  readonly fileId: number;
  readonly day: Day;
  readonly figures: FigureKind;
  readonly newYears: readonly FiscalYear[];
  readonly newAccounts: readonly NewAccount[];
  readonly retainedEarnings: string | null;
  /** Category paths to find or make, and the account numbers to place there. */
  readonly places: readonly { readonly element: Account['element']; readonly path: readonly string[]; readonly numbers: readonly string[] }[];
  /** Lines by account number, since some accounts are only made with the plan. */
  readonly entries: readonly {
    readonly date: Day;
    readonly closesYear: number | null;
    readonly description: string;
    readonly lines: readonly { readonly number: string; readonly net: bigint }[];
  }[];
  readonly withdraw: readonly number[];
  /** Whether the trial balance is remembered though nothing is posted. */
  readonly remember: boolean;
}

export interface PostingOutcome {
  readonly posted: boolean;
  readonly entries: readonly PostedEntry[];
  readonly newAccounts: number;
  readonly revision: number;
}

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
  readonly reversesEntryId: number | null;
  readonly postedAt: string;
  readonly postedBy: string;
  readonly lines: readonly {
    readonly accountId: number;
    readonly number: string;
    readonly name: string;
    readonly debit: bigint;
    readonly credit: bigint;
    readonly text: string;
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
}

export interface LinesWanted {
  readonly accountId: number;
  readonly from: Day | null;
  readonly to: Day | null;
  readonly sort: 'date' | 'size';
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
  readonly entries: readonly PostedEntry[];
}

export interface PlaceChange {
  readonly accountId: number;
  readonly before: readonly { readonly side: PlaceSide; readonly categoryId: number }[];
  readonly after: readonly { readonly side: PlaceSide; readonly categoryId: number }[];
}

export interface CategoryFields {
  readonly parentId: number | null;
  readonly element: Category['element'];
  readonly name: string;
  readonly term: Category['term'];
  readonly step: Category['step'];
  readonly contraOf: number | null;
}

/** Everything of an account that a person can set. */
export interface AccountFields {
  readonly number: string;
  readonly name: string;
  readonly element: Account['element'];
  readonly normalSide: Account['normalSide'];
  readonly parentId: number | null;
  readonly active: boolean;
  readonly role: Account['role'];
  readonly purpose: string;
  readonly externalNumber: string;
}

export interface AccountUse {
  readonly lines: number;
  readonly lastDay: Day | null;
}

export interface HistoryEvent {
  readonly id: number;
  readonly thing: string;
  readonly thingId: number;
  readonly action: string;
  readonly before: unknown;
  readonly after: unknown;
  readonly happenedAt: string;
  readonly actor: string;
}

export interface HistoryWanted {
  readonly thing: string | null;
  readonly thingId: number | null;
  /** Events older than this one. */
  readonly before: number | null;
  readonly limit: number;
}

/** `order`: ids of the siblings from first to last where their order changes. */
export interface ChartStore {
  addAccount(
    companyId: number,
    fields: AccountFields,
    order: readonly (number | null)[],
    categoryId: number | null,
    expectedStructure: number,
    actor: string,
  ): Promise<Outcome<number, Failure>>;
  changeAccount(
    companyId: number,
    account: ChartAccount,
    fields: AccountFields,
    order: readonly number[],
    expected: { readonly structure: number; readonly revision: number },
    actor: string,
  ): Promise<Outcome<null, Failure>>;
  /** New numbers by account, all or none. */
  renumber(
    companyId: number,
    changes: readonly { readonly account: ChartAccount; readonly number: string }[],
    expectedStructure: number,
    actor: string,
  ): Promise<Outcome<number, Failure>>;
  deleteAccount(
    companyId: number,
    account: ChartAccount,
    expected: { readonly structure: number; readonly revision: number },
    actor: string,
  ): Promise<Outcome<null, Failure>>;
  /** Use by account id; accounts without a line are not in it. */
  use(companyId: number): Promise<ReadonlyMap<number, AccountUse>>;
  /** Newest first. */
  history(companyId: number, wanted: HistoryWanted): Promise<{ events: HistoryEvent[]; next: number | null }>;
}

export interface CompanyStore {
  list(): Promise<{ id: number; name: string; currency: string }[]>;
  create(input: { name: string; currency: string; fiscalYearFirstMonth: number }, actor: string): Promise<number>;
  makeYears(companyId: number, years: readonly FiscalYear[], expectedStructure: number, actor: string): Promise<Outcome<null, Failure>>;
  setLayoutOptions(companyId: number, options: LayoutOptions, version: number, actor: string): Promise<Outcome<number, Failure>>;
}

export interface LedgerStore {
  /** `null` for a company that is not there. */
  books(companyId: number): Promise<Books | null>;
  /** Sums of ordinary lines inside periods, for positions that end inside one; dense by the cube. */
  linesWithin(books: Books, positions: readonly Position[]): Promise<(position: Position, layer: Layer) => GrossVector | undefined>;
  post(
    companyId: number,
    entry: NewEntry,
    period: { year: number; number: number },
    request: Request,
  ): Promise<Outcome<PostedEntry & { revision: number }, Failure>>;
  applyTrialBalance(companyId: number, plan: TrialBalancePlan, request: Request): Promise<Outcome<PostingOutcome, Failure>>;
  /** What a request with this key did before, if it was made. */
  earlierOutcome(companyId: number, request: Request): Promise<Outcome<unknown, Failure> | null>;
  entry(companyId: number, entryId: number): Promise<EntryRecord | null>;
  accountLines(companyId: number, wanted: LinesWanted): Promise<{ lines: AccountLineRecord[]; total: number; next: string | null }>;
  openAdjustments(companyId: number, upTo: Day): Promise<OpenAdjustment[]>;
  broughtIn(companyId: number): Promise<BroughtInRecord[]>;
  lastEntryDay(companyId: number): Promise<Day | null>;
}

export interface PlacementStore {
  setPlaces(companyId: number, changes: readonly PlaceChange[], expectedStructure: number, actor: string): Promise<Outcome<number, Failure>>;
  addCategory(companyId: number, fields: CategoryFields, expectedStructure: number, actor: string): Promise<Outcome<number, Failure>>;
  changeCategory(
    companyId: number,
    categoryId: number,
    version: number,
    fields: CategoryFields,
    order: readonly number[],
    expectedStructure: number,
    actor: string,
  ): Promise<Outcome<null, Failure>>;
  deleteCategory(companyId: number, categoryId: number, expectedStructure: number, actor: string): Promise<Outcome<null, Failure>>;
}

export interface StoredFile {
  readonly name: string;
  readonly content: Buffer;
}

export interface FileStore {
  keep(companyId: number, name: string, content: Buffer, actor: string): Promise<number>;
  fetch(companyId: number, fileId: number): Promise<StoredFile | null>;
}

export interface TableFormat {
  readonly kind: 'delimited' | 'workbook';
  readonly separator: ',' | ';' | '\t' | '|' | null;
  readonly encoding: 'utf-8' | 'utf-16le' | 'windows-1252' | null;
  readonly sheet: string | null;
  readonly sheets: readonly string[];
}

export interface TableChoices {
  readonly separator?: TableFormat['separator'] | undefined;
  readonly encoding?: TableFormat['encoding'] | undefined;
  readonly sheet?: string | undefined;
}

export interface TableReader {
  /** The cells of a file; `cacheKey` names its content, which never changes. */
  read(cacheKey: string, file: StoredFile, choices: TableChoices): Promise<Outcome<{ rows: (string | { number: string })[][]; format: TableFormat }, Failure>>;
}

export interface WrittenFile {
  readonly name: string;
  readonly type: string;
  readonly content: Buffer | string;
}

/** What a statement or the history is written to for those who take it along. */
interface FileWriter {
  toCsv(statement: Statement): WrittenFile;
  toWorkbook(statement: Statement): Promise<WrittenFile>;
  historyToCsv(company: string, events: readonly ToldEvent[]): WrittenFile;
}

export interface Ports {
  readonly companies: CompanyStore;
  readonly ledger: LedgerStore;
  readonly chart: ChartStore;
  readonly placement: PlacementStore;
  readonly files: FileStore;
  readonly tables: TableReader;
  readonly writer: FileWriter;
  /** Whether the database answers. */
  isHealthy(): Promise<boolean>;
}
