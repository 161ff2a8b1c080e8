import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import { CsvError, parse } from 'csv-parse/sync';
import type { Failure } from '../application/failure.ts';
import type { DelimitedForm, TableChoices, TableFormat } from '../application/ports/index.ts';
import { tableLimits } from './tableLimits.ts';

const separators = [';', '\t', ',', '|'] as const;

/** What is found out on the way and ends the reading. */
class TooMany extends Error {
  constructor(readonly limit: 'rows' | 'columns') {
    super(limit);
  }
}

/** CSV and TSV as ledgers export them. What is not chosen is detected. Cost: bytes; empty lines cost next to nothing. */
export function readDelimited(content: Buffer, choices: TableChoices): Outcome<{ rows: string[][]; format: TableFormat }, Failure> {
  if (hasMoreLines(content, tableLimits.lines)) return fail({ code: 'file_limit_exceeded', limit: 'rows' });
  const encoding = choices.encoding ?? detectEncoding(content);
  const text = new TextDecoder(encoding).decode(content);
  const separator = choices.separator ?? detectSeparator(text);
  const rows: string[][] = [];
  let records = 0;
  try {
    parse(text, {
      bom: true,
      delimiter: separator,
      relax_column_count: true,
      relax_quotes: true,
      skip_empty_lines: true,
      max_record_size: 1_000_000,
      // Each where it stands in the file, and none beyond what is read of one.
      on_record: (record: string[], { empty_lines }) => {
        const at = records++ + empty_lines;
        if (at >= tableLimits.rows) throw new TooMany('rows');
        if (record.length > tableLimits.columns) throw new TooMany('columns');
        while (rows.length < at) rows.push(['']);
        rows.push(record);
        return null;
      },
    });
    return succeed({ rows, format: { kind: 'delimited', separator, encoding, sheet: null, sheets: [] } });
  } catch (error) {
    if (error instanceof TooMany) return fail({ code: 'file_limit_exceeded', limit: error.limit });
    if (!(error instanceof CsvError)) throw error;
    if (error.code === 'CSV_MAX_RECORD_SIZE') return fail({ code: 'file_limit_exceeded', limit: 'columns' });
    return fail({ code: 'file_unreadable', reason: error.code === 'CSV_QUOTE_NOT_CLOSED' ? 'quote_not_closed' : 'malformed', row: Number(error.lines ?? 0) });
  }
}

/** Counted in the bytes, before anything is made of them. */
function hasMoreLines(content: Buffer, most: number): boolean {
  let lines = 0;
  for (const byte of content) if (byte === 0x0a && ++lines > most) return true;
  return false;
}

/** Enough to know a file by. */
const bytesLookedAt = 1 << 20;

const lineBreaks = /\r\n|\r|\n/;

/** The first rows of a file of which only the beginning is there: its last line may be half, and is left out where others stand before it. */
export function readHead(whole: Buffer): Outcome<{ rows: string[][] } & DelimitedForm, Failure> {
  const content = whole.subarray(0, bytesLookedAt);
  const lastBreak = Math.max(content.lastIndexOf(0x0a), content.lastIndexOf(0x0d));
  const isWide = content[0] === 0xff && content[1] === 0xfe;
  const encoding = detectEncoding(content.subarray(0, lastBreak < 0 || isWide ? content.length : lastBreak + 1));
  const text = new TextDecoder(encoding).decode(content);
  const lines = text.split(lineBreaks);
  const complete = lines.length > 1 ? lines.slice(0, -1) : lines;
  const read = readDelimited(Buffer.from(complete.join('\n'), 'utf8'), { encoding: 'utf-8' });
  return read.ok ? succeed({ rows: read.value.rows, separator: read.value.format.separator ?? ',', encoding }) : read;
}

/** A byte order mark decides; else UTF-8 where every byte sequence is valid; else Windows-1252. */
function detectEncoding(content: Buffer): 'utf-8' | 'utf-16le' | 'windows-1252' {
  if (content[0] === 0xff && content[1] === 0xfe) return 'utf-16le';
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(content);
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}

/** The separator that gives most lines the same number of columns, and at least two. */
function detectSeparator(text: string): (typeof separators)[number] {
  const lines = text
    .slice(0, bytesLookedAt)
    .split(lineBreaks)
    .filter((line) => line.trim() !== '')
    .slice(0, 200);
  let best: (typeof separators)[number] = ',';
  let most = 0;
  for (const separator of separators) {
    const counts = new Map<number, number>();
    for (const line of lines) {
      const columns = line.replace(/"(?:[^"]|"")*"/g, '').split(separator).length;
      if (columns > 1) counts.set(columns, (counts.get(columns) ?? 0) + 1);
    }
    const agreeing = Math.max(0, ...counts.values());
    if (agreeing > most) {
      most = agreeing;
      best = separator;
    }
  }
  return best;
}
