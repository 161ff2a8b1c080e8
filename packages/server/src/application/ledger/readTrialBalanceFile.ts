import {
  type ColumnMap,
  type ColumnMeaning,
  detectReading,
  type Element,
  fail,
  type Outcome,
  type Reading,
  readTrialBalance,
  succeed,
  type TrialBalanceFile,
  textOf,
} from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Books, Ports, TableChoices, TableFormat } from '../ports/index.ts';

/** What the user corrected of what the file was taken for; the rest is detected. */
export interface ReadingAnswers extends TableChoices {
  readonly decimalSign?: Reading['decimalSign'] | undefined;
  readonly amounts?: Reading['amounts'] | undefined;
  /** From 1; 0 for a file without headings. */
  readonly headingRow?: number | undefined;
  readonly columns?: Partial<Record<ColumnMeaning, number | undefined>> | undefined;
  readonly elements: Readonly<Record<string, Element>>;
  /** Rows from 1. */
  readonly leaveOut: readonly number[];
}

export interface ReadFile {
  readonly fileName: string;
  readonly format: TableFormat;
  readonly reading: Reading;
  readonly headings: readonly string[];
  readonly file: TrialBalanceFile;
}

export async function readTrialBalanceFile(ports: Ports, books: Books, fileId: number, answers: ReadingAnswers): Promise<Outcome<ReadFile, Failure>> {
  const companyId = books.company.id;
  const stored = await ports.files.fetch(companyId, fileId);
  if (!stored) return fail({ code: 'not_found', thing: 'file', id: fileId });
  const table = await ports.tables.read(`${companyId}/${fileId}`, stored, answers);
  if (!table.ok) return table;
  const { rows, format } = table.value;
  const reading = correctReading(rows, stored.name, answers, books.company.numbered, books.company.currency.exponent);
  const headingCells = reading.headingRow === null ? [] : (rows[reading.headingRow] ?? []);
  const width = Math.max(headingCells.length, ...rows.slice(0, 50).map((row) => row.length));
  const file = readTrialBalance({
    rows,
    reading,
    currency: books.company.currency,
    digitOrder: books.company.digitOrder,
    numbered: books.company.numbered,
    numberScheme: books.company.numberScheme,
    chart: books.accounts,
    confirmed: new Map(Object.entries(answers.elements)),
    leaveOut: new Set(answers.leaveOut),
  });
  return succeed({ fileName: stored.name, format, reading, headings: Array.from({ length: width }, (_, column) => textOf(headingCells[column])), file });
}

function correctReading(rows: Parameters<typeof detectReading>[0], name: string, answers: ReadingAnswers, numbered: boolean, decimals: number): Reading {
  const { isSignUnclear, ...detected } = detectReading(
    answers.headingRow === undefined ? rows : withHeadingAt(rows, answers.headingRow),
    name,
    numbered,
    decimals,
  );
  const headingRow = answers.headingRow === undefined ? detected.headingRow : answers.headingRow === 0 ? null : answers.headingRow - 1;
  const columns: ColumnMap = answers.columns
    ? (Object.fromEntries(Object.entries(answers.columns).filter(([, column]) => column !== undefined)) as ColumnMap)
    : detected.columns;
  const amounts =
    answers.amounts ??
    (columns.debit !== undefined && columns.credit !== undefined ? 'debit_and_credit' : detected.amounts === 'debit_and_credit' ? 'signed' : detected.amounts);
  return {
    ...detected,
    headingRow,
    columns,
    amounts,
    decimalSign: answers.decimalSign ?? detected.decimalSign,
    ...(isSignUnclear && answers.decimalSign === undefined ? { isSignUnclear } : {}),
  };
}

/** Rows above a heading row chosen by hand are made blank, so that detection looks no further up. */
function withHeadingAt(rows: Parameters<typeof detectReading>[0], headingRow: number): Parameters<typeof detectReading>[0] {
  return rows.map((row, index) => (index < headingRow - 1 ? [] : row));
}
