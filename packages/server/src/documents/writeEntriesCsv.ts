import { asPlainText, toDecimalText } from '@ivory-ladder/core';
import { stringify } from 'csv-stringify/sync';
import type { ListedEntries } from '../application/listEntries.ts';
import type { WrittenFile } from '../application/ports/index.ts';
import { fileName } from './fileName.ts';

/** One row an entry, latest first, as the list shows them. */
export function writeEntriesCsv({ company, entries }: ListedEntries): WrittenFile {
  const heading = ['Date', 'Document', 'Text', 'Layer', 'Source', 'Lines', 'Amount', 'Posted by', 'Reversed'];
  const rows = entries.map(({ date, documentNumber, description, layer, source, lines, amount, postedBy, isReversed }) => [
    date,
    documentNumber,
    asPlainText(description),
    layer,
    source.replaceAll('_', ' '),
    String(lines),
    toDecimalText(amount, company.currency),
    asPlainText(postedBy),
    isReversed ? 'yes' : '',
  ]);
  return {
    name: fileName(company.name, 'Entries.csv'),
    type: 'text/csv; charset=utf-8',
    content: `\ufeff${stringify([heading, ...rows], { record_delimiter: 'windows' })}`,
  };
}
