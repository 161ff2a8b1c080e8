import { asPlainText } from '@ivory-ladder/core';
import { stringify } from 'csv-stringify/sync';
import type { WrittenFile } from '../application/ports/index.ts';

/** A text that somebody wrote, or a number of our own, which may begin with a minus. */
export type CsvCell = string | { readonly number: string };

/** Half of one ends a line too where a file is read, so that what stands behind it would be a row of its own, and could begin a formula. */
const lineEnd = /[\r\n]/;

/**
 * The one way to a CSV file: UTF-8 with its mark, lines ended as spreadsheets on Windows do. No text of it begins a formula where it is opened,
 * whoever wrote it (OWASP, CSV injection).
 */
export function csvFile(name: string, lines: readonly (readonly CsvCell[])[]): WrittenFile & { content: string } {
  const written = lines.map((line) => line.map((cell) => (typeof cell === 'string' ? asPlainText(cell) : cell.number)));
  return { name, type: 'text/csv; charset=utf-8', content: `\ufeff${stringify(written, { record_delimiter: 'windows', quoted_match: lineEnd })}` };
}

export const numberCell = (number: string): CsvCell => ({ number });
