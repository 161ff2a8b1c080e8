import { asPlainText, journalColumns } from '@ivory-ladder/core';
import { stringify } from 'csv-stringify/sync';
import type { WrittenFile } from '../application/ports/index.ts';

/** The headings, and below each what its column takes: a row to be overwritten. */
export function writeLinesForm(headings: readonly string[]): WrittenFile {
  const takes = Object.values(journalColumns);
  const explained = headings.map((heading) => takes.find((column) => column.heading === heading)?.takes ?? 'Code of a value; empty: what the account names');
  return {
    name: 'Journal lines.csv',
    type: 'text/csv; charset=utf-8',
    content: `\ufeff${stringify([headings.map(asPlainText), explained], { record_delimiter: 'windows' })}`,
  };
}
