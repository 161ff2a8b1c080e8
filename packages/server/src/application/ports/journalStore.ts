import type { Day, FacetsOfLine, JournalLine, JournalReading, Outcome } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';
import type { DelimitedForm } from './files.ts';
import type { Request } from './posting.ts';

/** How the bytes of a file of journal lines are read, and what its columns are. */
export interface JournalForm extends DelimitedForm {
  readonly reading: JournalReading;
}

export interface JournalFault {
  /** Of the file, from 1; `null` for what is wrong with the file as a whole. */
  readonly row: number | null;
  readonly code: string;
  readonly facts: Readonly<Record<string, unknown>>;
}

/** Faults of one kind together, in the order of their first rows. */
export interface JournalFaultGroup extends JournalFault {
  readonly count: number;
}

/** Of a document whose rows cannot all be read, so that its balance says nothing; `date` is `null` where that cannot be read either. */
export interface UnjudgedDocument {
  readonly document: string;
  readonly date: Day | null;
}

/** What was found in a file. */
export interface JournalSummary {
  readonly entries: number;
  readonly lines: number;
  /** Entries that came from a file before, and are left out. */
  readonly known: number;
  /** Sum of all debits to be posted. */
  readonly debit: bigint;
  readonly firstDay: Day | null;
  readonly lastDay: Day | null;
  /** Entries of that layer. */
  readonly adjustments: number;
  readonly faultCount: number;
  readonly faults: readonly JournalFault[];
  readonly groups: readonly JournalFaultGroup[];
}

export interface JournalImportRecord {
  readonly id: number;
  readonly name: string;
  readonly form: JournalForm;
  readonly state: 'begun' | 'reading' | 'wrong' | 'ready' | 'posted' | 'cancelled';
  readonly bytes: number;
  readonly bytesReceived: number;
  readonly bytesRead: number;
  readonly rows: number;
  readonly summary: JournalSummary | null;
}

/** A line on its way to the ledger. */
export interface StagedLine extends Omit<JournalLine, 'facets'> {
  readonly row: number;
  readonly facetSetId: number;
  readonly period: { readonly year: number; readonly number: number };
}

export interface JournalPosted {
  readonly entries: number;
  readonly lines: number;
  readonly firstDocument: string;
  readonly lastDocument: string;
  readonly revision: number;
}

export interface JournalStore {
  begin(
    companyId: number,
    file: { readonly name: string; readonly bytes: number; readonly form: JournalForm },
    actor: Actor,
  ): Promise<Outcome<number, Failure>>;
  find(companyId: number, importId: number): Promise<JournalImportRecord | null>;
  /** Takes the right to read the content; only the first who asks gets it. */
  claim(companyId: number, importId: number): Promise<boolean>;
  facetSetOf(companyId: number, facets: FacetsOfLine): Promise<Outcome<number, Failure>>;
  /** Stages lines as they come; memory stays flat. */
  stage(importId: number, lines: AsyncIterable<readonly StagedLine[]>): Promise<void>;
  /** Notes how much of the file has come; false once somebody has cancelled it. */
  received(companyId: number, importId: number, bytes: number): Promise<boolean>;
  /** Notes how far the reading is; false once somebody has cancelled it. */
  progress(companyId: number, importId: number, bytesRead: number, rows: number): Promise<boolean>;
  /** Groups the staged lines into entries, and judges them: known ones, out of balance, of one line. `most` faults are told, none of `unjudged`. */
  group(companyId: number, importId: number, most: number, unjudged: readonly UnjudgedDocument[]): Promise<JournalSummary>;
  /** The outcome of the reading; what somebody has cancelled stays so. Unless it is ready, nothing stays staged. */
  finish(companyId: number, importId: number, state: 'wrong' | 'ready' | 'cancelled', summary: JournalSummary | null): Promise<void>;
  /** Nobody reads it any more: if it did not come to an end it is cancelled, and nothing stays staged. */
  abandon(companyId: number, importId: number): Promise<void>;
  /** Whoever reads it at this moment stops, and takes away what was staged. */
  cancel(companyId: number, importId: number): Promise<void>;
  /** Posts what is staged in one transaction, in the lock order of postings. */
  post(companyId: number, record: JournalImportRecord, request: Request): Promise<Outcome<JournalPosted, Failure>>;
}
