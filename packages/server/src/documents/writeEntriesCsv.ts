import { toDecimalText } from '@ivory-ladder/core';
import type { ListedEntries, WrittenFile } from '../application/ports/index.ts';
import { csvFile, numberCell } from './csvFile.ts';
import { fileName } from './fileName.ts';

/** One row an entry, latest first, as the list shows them. */
export function writeEntriesCsv({ company, entries }: ListedEntries): WrittenFile {
  const heading = ['Date', 'Document', 'Text', 'Layer', 'Source', 'Lines', 'Amount', 'Posted by', 'Reversed'];
  const rows = entries.map(({ date, documentNumber, description, layer, source, lines, amount, postedBy, isReversed }) => [
    date,
    documentNumber,
    description,
    layer,
    source.replaceAll('_', ' '),
    String(lines),
    numberCell(toDecimalText(amount, company.currency)),
    postedBy,
    isReversed ? 'yes' : '',
  ]);
  return csvFile(fileName(company.name, 'Entries.csv'), [heading, ...rows]);
}
