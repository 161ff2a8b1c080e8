import { type Currency, captionWords, decimalsIn, decimalsOf, printWords, type StatementColumn, type StatementRow, toDecimalText } from '@ivory-ladder/core';
import type { WrittenFile } from '../application/ports/index.ts';
import type { Statement } from '../application/runStatement.ts';
import { type CsvCell, csvFile, numberCell } from './csvFile.ts';
import { captionOfColumn, fileNameOf, hasNotes, headingOf, transferText } from './statementCaptions.ts';

/** What is on screen, amounts as plain decimals with a minus in front, percents with one decimal. */
export function writeStatementCsv(statement: Statement): WrittenFile {
  const { columns, rows, compiled, currency } = statement;
  const heading = headingOf(statement);
  const withNotes = hasNotes(rows);
  const lines = [
    [heading.company],
    [heading.title],
    [heading.dates],
    [],
    ['', ...(withNotes ? [captionWords[compiled.layout.language].note] : []), ...columns.map((column) => captionOfColumn(column, compiled.layout.language))],
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
function transferLines({ transfers, compiled, currency }: Statement, withNotes: boolean): CsvCell[][] {
  if (transfers.length === 0) return [];
  return [
    [],
    [printWords[compiled.layout.language].transfers],
    ...transfers.map((transfer) => [
      transferText(transfer),
      ...(withNotes ? [''] : []),
      ...transfer.values.map((value) => (value === null ? '' : numberCell(toDecimalText(value, currency)))),
    ]),
  ];
}

/** As many decimals as the column's values have, or the row's unit. */
function decimalsOfCell(column: StatementColumn | undefined, { unit }: StatementRow, currency: Currency): Currency {
  const ofColumn = column ? decimalsIn(column) : null;
  if (ofColumn !== null) return { code: '%', exponent: ofColumn };
  return unit === undefined || unit === 'amount' ? currency : { code: unit, exponent: decimalsOf[unit] };
}
