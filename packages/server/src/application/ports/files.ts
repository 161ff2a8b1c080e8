import type { CaptionLanguage, LineComment, Outcome, Span, StatementDocument } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';
import type { AccountLedger, BudgetGrid, ListedEntries, ToldEvent, TrialBalancePaper } from './papers.ts';

export interface StoredFile {
  readonly name: string;
  readonly content: Buffer;
}

export interface FileStore {
  /** Where there is room for it. */
  keep(companyId: number, name: string, content: Buffer, actor: Actor): Promise<Outcome<number, Failure>>;
  fetch(companyId: number, fileId: number): Promise<StoredFile | null>;
}

/** A file that came whole, for as long as it is worked with; plain data, which every thread of the process can read by. */
export interface ReceivedFile {
  readonly descriptor: number;
  readonly bytes: number;
}

/** Files that come slowly or are large: taken in before anything is done with them, so that whoever sends holds nothing that others need. */
export interface ReceivedFiles {
  /** Beyond `most` bytes it is refused; `onBytes` hears how many came, and says whether they are still wanted. */
  receive(content: AsyncIterable<Uint8Array>, most: number, onBytes: (bytes: number) => Promise<boolean>): Promise<Outcome<ReceivedFile, Failure>>;
  read(file: ReceivedFile): AsyncIterable<Uint8Array>;
  /** Once nobody reads it any more. */
  release(file: ReceivedFile): Promise<void>;
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

export interface DelimitedForm {
  readonly separator: NonNullable<TableFormat['separator']>;
  readonly encoding: NonNullable<TableFormat['encoding']>;
}

/** A row where it stands in its file, from 1; empty ones are left out. */
export interface PlacedRow {
  readonly row: number;
  readonly cells: string[];
}

export interface TableReader {
  /** The rows at the beginning of a delimited or an audit file, which may end within one; anything else is refused. */
  head(content: Buffer): Promise<Outcome<{ rows: string[][] } & Pick<DelimitedForm, 'separator' | 'encoding'>, Failure>>;
  /** Rows, some at a time, as the bytes of a delimited or an audit file come; `onBytes` hears how many came. Errors have the codes of csv-parse, or `XML_MALFORMED`. */
  stream(content: AsyncIterable<Uint8Array>, form: DelimitedForm, onBytes: (count: number) => void): AsyncIterable<PlacedRow[]>;
  /** The rows of a file that is looked at once. */
  readOnce(file: StoredFile): Promise<Outcome<(string | { number: string })[][], Failure>>;
  /** The cells of a file; `cacheKey` names its content, which never changes. */
  read(cacheKey: string, file: StoredFile, choices: TableChoices): Promise<Outcome<{ rows: (string | { number: string })[][]; format: TableFormat }, Failure>>;
}

export interface WrittenFile {
  readonly name: string;
  readonly type: string;
  readonly content: Buffer | string;
}

/** A file that is given out while it is read. */
export interface StreamedFile {
  readonly name: string;
  readonly bytes: number;
  readonly content: AsyncIterable<Uint8Array>;
}

/** A table of texts that people change elsewhere and load back, with what each column takes. */
export interface GuidedSheet {
  readonly company: string;
  /** Of the file. */
  readonly title: string;
  /** Of the sheet in a workbook, by which it is known again. */
  readonly sheet: string;
  readonly columns: readonly { readonly key: string; readonly heading: string; readonly takes: string }[];
  readonly rows: readonly Readonly<Record<string, string>>[];
}

/** Statements that are printed together. */
export interface PrintedSet {
  readonly name: string;
  readonly company: string;
  readonly span: Span;
  readonly language: CaptionLanguage;
  readonly statements: readonly { readonly document: StatementDocument; readonly comments: readonly LineComment[] }[];
  /** A figure of them does not tie, which the print says. */
  readonly isUnfinished: boolean;
}

/** What a statement or the history is written to for those who take it along. */
export interface FileWriter {
  toCsv(document: StatementDocument): WrittenFile;
  /** Canonical JSON, with the digest of its content. */
  toJson(document: StatementDocument): WrittenFile;
  toWorkbook(document: StatementDocument): Promise<WrittenFile>;
  /** As PDF. */
  printSet(set: PrintedSet): Promise<WrittenFile>;
  guidedToCsv(sheet: GuidedSheet): WrittenFile;
  guidedToWorkbook(sheet: GuidedSheet): Promise<WrittenFile>;
  trialBalanceToCsv(paper: TrialBalancePaper): WrittenFile;
  trialBalanceToWorkbook(paper: TrialBalancePaper): Promise<WrittenFile>;
  /** A file with every column that journal lines can have, and no line yet. */
  emptyLinesFile(headings: readonly string[]): WrittenFile;
  budgetToWorkbook(grid: BudgetGrid): Promise<WrittenFile>;
  accountLedgerToCsv(ledger: AccountLedger): WrittenFile;
  entriesToCsv(listed: ListedEntries): WrittenFile;
  historyToCsv(company: string, events: readonly ToldEvent[]): WrittenFile;
}
