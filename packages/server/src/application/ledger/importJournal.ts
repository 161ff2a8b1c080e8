import {
  type Day,
  detectJournal,
  fail,
  type JournalLine,
  type JournalReading,
  type JournalRow,
  type JournalRowPart,
  journalColumns,
  journalRowReader,
  type Outcome,
  type Period,
  periodIndexOf,
  succeed,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type {
  Books,
  JournalFault,
  JournalForm,
  JournalImportRecord,
  JournalPosted,
  PlacedRow,
  Ports,
  ReceivedFile,
  Request,
  StagedLine,
  UnjudgedDocument,
} from '../ports/index.ts';
import { FaultGroups } from './faultGroups.ts';
import { journalContextOf } from './journalContext.ts';

const mostFaults = 200;
/** How often it is said how far a file is. */
export const millisecondsBetweenNotes = 500;
/** Documents with rows that cannot be read; with more of them none is told out of balance. */
const mostUnjudged = 500;
const rowsLookedAt = 60;

export interface JournalLookedAt extends Omit<JournalForm, 'reading'> {
  readonly rows: readonly (readonly string[])[];
  readonly reading: JournalReading | null;
}

/** What the beginning of a file is taken for; each part can be corrected before the whole is read. */
export async function lookAtJournal(ports: Ports, { companyId }: Access<'prepare_entries'>, content: Buffer): Promise<Outcome<JournalLookedAt, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const table = await ports.tables.head(content);
  if (!table.ok) return table;
  const rows = table.value.rows.slice(0, rowsLookedAt);
  const { separator, encoding } = table.value;
  return succeed({
    separator,
    encoding,
    rows,
    reading: detectJournal(
      rows,
      opened.value.lists.filter(({ kind }) => kind === 'facet'),
    ),
  });
}

export async function beginJournalImport(
  ports: Ports,
  { companyId, actor }: Access<'prepare_entries'>,
  file: { readonly name: string; readonly bytes: number; readonly form: JournalForm },
): Promise<Outcome<number, Failure>> {
  const opened = await openBooks(ports, companyId);
  return opened.ok ? ports.journals.begin(companyId, file, actor) : opened;
}

export async function viewJournalImport(
  ports: Ports,
  { companyId }: Access<'prepare_entries'>,
  importId: number,
): Promise<Outcome<JournalImportRecord, Failure>> {
  const record = await ports.journals.find(companyId, importId);
  return record ? succeed(record) : fail({ code: 'not_found', thing: 'journal_import', id: importId });
}

/** Also while it is read, which then stops. What was posted stays. */
export async function discardJournalImport(ports: Ports, access: Access<'prepare_entries'>, importId: number): Promise<Outcome<null, Failure>> {
  const found = await viewJournalImport(ports, access, importId);
  if (!found.ok) return found;
  await ports.journals.cancel(access.companyId, importId);
  return succeed(null);
}

/**
 * Reads a file that was received: checks each row and stages its lines, then judges the entries they make. Nothing is
 * posted; memory stays flat whatever the size. Where anything is wrong nothing stays staged; the first faults are told, and how many there are of
 * each kind, of rows and of entries in the same pass.
 */
export async function readJournal(
  ports: Ports,
  access: Access<'prepare_entries'>,
  importId: number,
  file: ReceivedFile,
): Promise<Outcome<JournalImportRecord, Failure>> {
  const { companyId } = access;
  const found = await viewJournalImport(ports, access, importId);
  if (!found.ok) return found;
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const reading = new Reading(ports, opened.value, importId, found.value.form);
  try {
    await ports.journals.stage(importId, reading.lines(ports.received.read(file)));
  } catch (error) {
    await ports.journals.finish(companyId, importId, 'cancelled', null);
    throw error;
  }
  if (reading.isCancelled || reading.brokeOff) await ports.journals.finish(companyId, importId, 'cancelled', null);
  else await judge(ports, companyId, importId, reading);
  return viewJournalImport(ports, access, importId);
}

async function judge(ports: Ports, companyId: number, importId: number, reading: Reading): Promise<void> {
  await ports.journals.progress(companyId, importId, reading.bytes, reading.rows);
  const entries = await ports.journals.group(companyId, importId, mostFaults, reading.unjudged);
  // Where many rows cannot be read at all, what their documents come to says nothing.
  const ofEntries = reading.isJudged ? entries : { faults: [], faultCount: 0 };
  for (const fault of ofEntries.faults) reading.groups.add(fault);
  // Beyond the first of them they are counted with those of their kind.
  const untold = ofEntries.faultCount - ofEntries.faults.length;
  const faultCount = reading.faultCount + ofEntries.faultCount;
  const faults = [...reading.faults, ...ofEntries.faults].slice(0, mostFaults);
  const groups = reading.groups.all(untold);
  await ports.journals.finish(companyId, importId, faultCount === 0 && entries.entries > 0 ? 'ready' : 'wrong', { ...entries, faultCount, faults, groups });
}

/** The reading of one file: how far it is, and what is wrong so far. */
class Reading {
  bytes = 0;
  rows = 0;
  faultCount = 0;
  isCancelled = false;
  /** The file cannot be read to its end. */
  brokeOff = false;
  readonly faults: JournalFault[] = [];
  readonly groups: FaultGroups;
  readonly unjudged: UnjudgedDocument[] = [];
  private readonly read: (cells: readonly string[]) => JournalRow;
  private readonly periods = new Map<Day, Period>();
  private readonly sets = new Map<string, number>();
  private noted = 0;
  /** What comes behind is not known. */
  private isBroken = false;

  constructor(
    private readonly ports: Ports,
    private readonly books: Books,
    private readonly importId: number,
    private readonly form: JournalForm,
  ) {
    this.read = journalRowReader(form.reading, journalContextOf(books));
    this.groups = new FaultGroups(books);
  }

  /** Whether documents can be told out of balance. */
  get isJudged(): boolean {
    return this.unjudged.length < mostUnjudged && !this.isBroken;
  }

  async *lines(content: AsyncIterable<Uint8Array>): AsyncGenerator<StagedLine[]> {
    for await (const rows of this.rowsOf(content)) {
      const lines: StagedLine[] = [];
      for (const { row, cells } of rows) {
        this.rows = row;
        if (row <= this.form.reading.headingRow + 1) continue;
        const read = this.read(cells);
        if (!read) continue;
        if ('faults' in read) {
          for (const fault of read.faults) this.addFault(fault);
          const part = this.partOf(read.part);
          if (part) lines.push(part);
        } else {
          const staged = await this.staged(read.line);
          if (staged) lines.push(staged);
        }
      }
      if (lines.length > 0) yield lines;
      if (!(await this.note())) return;
    }
  }

  private leaveUnjudged(document: UnjudgedDocument): void {
    if (this.unjudged.length < mostUnjudged) this.unjudged.push(document);
  }

  /** Of a row that cannot be posted what its document is judged by. */
  private partOf({ document, date, layer, amounts }: JournalRowPart): StagedLine | null {
    if (date === null || layer === null || amounts === null) {
      this.leaveUnjudged({ document, date });
      return null;
    }
    return { row: this.rows, document, date, layer, description: '', accountId: 0, ...amounts, text: '', facetSetId: 0, period: { year: 0, number: 0 } };
  }

  private async staged({ document, date, layer, description, accountId, debit, credit, text, facets }: JournalLine): Promise<StagedLine | null> {
    const { calendar } = this.books;
    const period = this.periods.get(date) ?? (calendar.periods[periodIndexOf(calendar, date)] as Period);
    this.periods.set(date, period);
    const facetSetId = await this.setOf(facets);
    if (facetSetId === null) {
      this.addFault({ code: 'facet_value_gone' });
      this.leaveUnjudged({ document, date });
      return null;
    }
    return { row: this.rows, document, date, layer, description, accountId, debit, credit, text, facetSetId, period };
  }

  /** Ends where the file cannot be read on, or the bytes stop coming; what fails in what is done with the rows is nothing to it. */
  private async *rowsOf(content: AsyncIterable<Uint8Array>): AsyncGenerator<PlacedRow[]> {
    try {
      yield* this.ports.tables.stream(content, this.form, (count) => {
        this.bytes += count;
      });
    } catch (error) {
      const code = (error as { code?: string }).code ?? '';
      this.isBroken = true;
      if (code === 'XML_MALFORMED') this.addFault({ code: 'file_malformed' });
      else if (!code.startsWith('CSV_')) this.brokeOff = true;
      else this.addFault({ code: code === 'CSV_QUOTE_NOT_CLOSED' ? 'quote_not_closed' : 'row_too_long' });
    }
  }

  private addFault({ code, ...facts }: { readonly code: string }): void {
    this.faultCount++;
    const fault = { row: this.rows, code, facts };
    if (this.faults.length < mostFaults) this.faults.push(fault);
    this.groups.add(fault);
  }

  /** From time to time says how far it is, and hears whether it is still wanted. */
  private async note(): Promise<boolean> {
    if (Date.now() - this.noted < millisecondsBetweenNotes) return true;
    this.noted = Date.now();
    this.isCancelled = !(await this.ports.journals.progress(this.books.company.id, this.importId, this.bytes, this.rows));
    return !this.isCancelled;
  }

  /** `null` where somebody has taken one of the values away since the reading began. */
  private async setOf(facets: Readonly<Record<string, string>>): Promise<number | null> {
    const parts = Object.entries(facets);
    const key = parts.length === 0 ? '' : JSON.stringify(parts.sort());
    const set = this.sets.get(key);
    if (set !== undefined) return set;
    const found = await this.ports.journals.facetSetOf(this.books.company.id, facets);
    if (!found.ok) return null;
    this.sets.set(key, found.value);
    return found.value;
  }
}

/** Whole or not at all; once for a repeated request. */
export async function postJournalImport(
  ports: Ports,
  access: Access<'prepare_entries'>,
  importId: number,
  request: Request,
): Promise<Outcome<JournalPosted, Failure>> {
  const found = await viewJournalImport(ports, access, importId);
  return found.ok ? ports.journals.post(access.companyId, found.value, request) : found;
}

/** The heading of every column that a file for this company can have, its facets last. */
export async function emptyLinesFile(ports: Ports, { companyId }: Access): Promise<Outcome<string[], Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const facets = opened.value.lists.filter(({ kind }) => kind === 'facet').map(({ name }) => name);
  return succeed([...Object.values(journalColumns).map(({ heading }) => heading), ...facets]);
}
