import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Failure } from '../application/failure.ts';
import type { PlacedRow, StoredFile, TableChoices, TableFormat, TableReader } from '../application/ports/index.ts';
import { beginsAsXml } from './auditFile.ts';
import { peek } from './peek.ts';
import { readDelimited, readHead } from './readDelimited.ts';
import { readWorkbook } from './readWorkbook.ts';
import { recogniseFile } from './recogniseFile.ts';
import { auditFileAccounts, auditFileHead, streamAuditFile } from './streamAuditFile.ts';
import { streamDelimited } from './streamDelimited.ts';
import { tableLimits } from './tableLimits.ts';

type Table = { rows: (string | { number: string })[][]; format: TableFormat };

const kept = 8;

/** Reads a file into cells. The last few readings are kept: a stored file never changes, and corrections come in a row. */
export class FileTableReader implements TableReader {
  private readonly recent = new Map<string, Outcome<Table, Failure>>();

  async head(content: Buffer): ReturnType<TableReader['head']> {
    const kind = recogniseFile(content);
    if (!kind.ok) return kind;
    if (kind.value === 'workbook') return fail({ code: 'file_not_a_table', found: 'document' });
    if (kind.value === 'audit_file') return succeed({ rows: auditFileHead(content), separator: ',', encoding: 'utf-8' });
    return readHead(content);
  }

  async *stream(...[content, form, onBytes]: Parameters<TableReader['stream']>): AsyncGenerator<PlacedRow[]> {
    const [head, whole] = await peek(content, 1);
    yield* beginsAsXml(head) ? streamAuditFile(whole, onBytes) : streamDelimited(whole, form, onBytes);
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
  if (kind.value === 'audit_file') return readAccounts(content);
  const cells = await readWorkbook(content, choices.sheet);
  if (!cells.ok) return cells;
  const { rows, sheet, sheets } = cells.value;
  return succeed({ rows, format: { kind: 'workbook', separator: null, encoding: null, sheet, sheets } });
}

function readAccounts(content: Buffer): Outcome<Table, Failure> {
  try {
    const rows = auditFileAccounts(content);
    if (rows.length > tableLimits.rows) return fail({ code: 'file_limit_exceeded', limit: 'rows' });
    return succeed({ rows, format: { kind: 'delimited', separator: ',', encoding: 'utf-8', sheet: null, sheets: [] } });
  } catch (error) {
    if ((error as { code?: string }).code !== 'XML_MALFORMED') throw error;
    return fail({ code: 'file_unreadable', reason: 'malformed', row: 0 });
  }
}
