import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Failure } from '../application/failure.ts';
import type { StoredFile, TableChoices, TableFormat, TableReader } from '../application/ports/index.ts';
import { readDelimited, readHead } from './readDelimited.ts';
import { readWorkbook } from './readWorkbook.ts';
import { recogniseFile } from './recogniseFile.ts';
import { streamDelimited } from './streamDelimited.ts';

type Table = { rows: (string | { number: string })[][]; format: TableFormat };

const kept = 8;

/** Reads a file into cells. The last few readings are kept: a stored file never changes, and corrections come in a row. */
export class FileTableReader implements TableReader {
  private readonly recent = new Map<string, Outcome<Table, Failure>>();

  async head(content: Buffer): ReturnType<TableReader['head']> {
    const kind = recogniseFile(content);
    if (!kind.ok) return kind;
    if (kind.value === 'workbook') return fail({ code: 'file_not_a_table', found: 'document' });
    return readHead(content);
  }

  stream(...asked: Parameters<TableReader['stream']>): AsyncIterable<string[]> {
    return streamDelimited(...asked);
  }

  async readOnce(file: StoredFile): ReturnType<TableReader['readOnce']> {
    const table = await readTable(file, {});
    return table.ok ? succeed(table.value.rows) : table;
  }

  async read(cacheKey: string, file: StoredFile, choices: TableChoices): Promise<Outcome<Table, Failure>> {
    const key = JSON.stringify([cacheKey, choices.separator, choices.encoding, choices.sheet]);
    const outcome = this.recent.get(key) ?? (await readTable(file, choices));
    this.recent.delete(key);
    this.recent.set(key, outcome);
    const oldest = this.recent.keys().next().value;
    if (this.recent.size > kept && oldest !== undefined) this.recent.delete(oldest);
    return outcome;
  }
}

async function readTable({ content }: StoredFile, choices: TableChoices): Promise<Outcome<Table, Failure>> {
  const kind = recogniseFile(content);
  if (!kind.ok) return kind;
  if (kind.value === 'delimited') return readDelimited(content, choices);
  const cells = await readWorkbook(content, choices.sheet);
  if (!cells.ok) return cells;
  const { rows, sheet, sheets } = cells.value;
  return succeed({ rows, format: { kind: 'workbook', separator: null, encoding: null, sheet, sheets } });
}
