import {
  type Currency,
  captionWords,
  type DocumentColumn,
  type DrawnRow,
  type DrawnStatement,
  decimalsIn,
  decimalsOf,
  drawDocument,
  printWords,
  type StatementDocument,
  toDecimalText,
} from '@ivory-ladder/core';
import type { WrittenFile } from '../application/ports/index.ts';
import { type CsvCell, csvFile, numberCell } from './csvFile.ts';
import { fileNameOf, hasNotes } from './statementCaptions.ts';

/** What is on screen, amounts as plain decimals with a minus in front, percents with one decimal. */
export function writeStatementCsv(document: StatementDocument): WrittenFile {
  const statement = drawDocument(document);
  const { columns, rows, language, currency } = statement;
  const withNotes = hasNotes(rows);
  const lines = [
    [statement.company],
    [statement.title],
    [statement.dates],
    [],
    ['', ...(withNotes ? [captionWords[language].note] : []), ...columns.map(({ caption }) => caption)],
    ...rows.map((row) => [
      row.caption,
      ...(withNotes ? [row.note ?? ''] : []),
      ...row.values.map((value, at) => (value === null ? '' : numberCell(toDecimalText(value, decimalsOfCell(columns[at], row, currency))))),
    ]),
    ...transferLines(statement, withNotes),
    ...(statement.notes.length > 0 ? [[], ...statement.notes.map((note) => [note])] : []),
  ];
  return csvFile(fileNameOf(statement, 'csv'), lines);
}

/** What it shows on one line instead of another. */
function transferLines({ transfers, language, currency }: DrawnStatement, withNotes: boolean): CsvCell[][] {
  if (transfers.length === 0) return [];
  return [
    [],
    [printWords[language].transfers],
    ...transfers.map(({ text, values }) => [
      text,
      ...(withNotes ? [''] : []),
      ...values.map((value) => (value === null ? '' : numberCell(toDecimalText(value, currency)))),
    ]),
  ];
}

/** As many decimals as the column's values have, or the row's unit. */
function decimalsOfCell(column: DocumentColumn | undefined, { unit }: DrawnRow, currency: Currency): Currency {
  const ofColumn = column ? decimalsIn(column) : null;
  if (ofColumn !== null) return { code: '%', exponent: ofColumn };
  return unit === undefined || unit === 'amount' ? currency : { code: unit, exponent: decimalsOf[unit] };
}
