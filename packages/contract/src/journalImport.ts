import { z } from 'zod';
import { listKey } from './codeLists.ts';
import { amount, day, id, name } from './primitives.ts';

const column = z.int().min(0).max(999);

/** What a file of journal lines is taken for. */
const journalReading = z.strictObject({
  headingRow: z.int().min(0).max(1000),
  columns: z.partialRecord(z.enum(['date', 'document', 'description', 'account', 'debit', 'credit', 'amount', 'text', 'layer']), column),
  facets: z.record(listKey, column),
  decimalSign: z.enum(['.', ',']),
  dateOrder: z.enum(['ymd', 'dmy', 'mdy']),
});
export type JournalReadingBody = z.infer<typeof journalReading>;

const form = {
  separator: z.enum([',', ';', '\t', '|']),
  encoding: z.enum(['utf-8', 'utf-16le', 'windows-1252']),
};

/** The beginning of a file, as it is understood; `reading` is `null` where no row names an account and an amount. */
export const journalLook = z.object({ ...form, rows: z.array(z.array(z.string())), reading: journalReading.nullable() });
export type JournalLook = z.infer<typeof journalLook>;

export const journalImportInput = z.strictObject({ name, bytes: z.int().positive(), ...form, reading: journalReading });
export type JournalImportInput = z.input<typeof journalImportInput>;

const fault = z.object({ row: z.int().nullable(), code: z.string(), facts: z.record(z.string(), z.unknown()) });

export const journalImport = z.object({
  id,
  name: z.string(),
  /** `reading`: rows are being checked; `wrong`: nothing can be posted; `ready`: it waits for its posting; `posted`; `cancelled`. */
  state: z.enum(['reading', 'wrong', 'ready', 'posted', 'cancelled']),
  bytes: z.int(),
  /** How much of it has come; it is read once all has, and two files at a time. */
  bytesReceived: z.int(),
  bytesRead: z.int(),
  rows: z.int(),
  /** Once it is read. */
  summary: z
    .object({
      entries: z.int(),
      lines: z.int(),
      /** Entries that were posted from a file before, and are left out. */
      known: z.int(),
      debit: amount,
      firstDay: day.nullable(),
      lastDay: day.nullable(),
      adjustments: z.int(),
      faultCount: z.int(),
      /** The first of them. */
      faults: z.array(fault),
      /** All of them by what mends them, each with its first row and how many there are; of a year that is missing `mayMake` says whether it can be made. */
      groups: z.array(fault.extend({ count: z.int() })),
    })
    .nullable(),
});
export type JournalImport = z.infer<typeof journalImport>;

export const journalPosting = z.object({ entries: z.int(), lines: z.int(), firstDocument: z.string(), lastDocument: z.string(), revision: z.int() });
export type JournalPosting = z.infer<typeof journalPosting>;
