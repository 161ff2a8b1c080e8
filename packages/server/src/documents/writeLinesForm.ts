import { journalColumns } from '@ivory-ladder/core';
import type { WrittenFile } from '../application/ports/index.ts';
import { csvFile } from './csvFile.ts';

/** The headings, and below each what its column takes: a row to be overwritten. */
export function writeLinesForm(headings: readonly string[]): WrittenFile {
  const takes = Object.values(journalColumns);
  const explained = headings.map((heading) => takes.find((column) => column.heading === heading)?.takes ?? 'Code of a value; empty: what the account names');
  return csvFile('Journal lines.csv', [headings, explained]);
}
