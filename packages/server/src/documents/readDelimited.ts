import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import { CsvError, parse } from 'csv-parse/sync';
import type { Failure } from '../application/failure.ts';
import type { DelimitedForm, TableChoices, TableFormat } from '../application/ports/index.ts';
import { tableLimits } from './tableLimits.ts';

const separators = [';', '\t', ',', '|'] as const;

/** CSV and TSV as ledgers export them. What is not chosen is detected. Cost: bytes. */
export function readDelimited(content: Buffer, choices: TableChoices): Outcome<{ rows: string[][]; format: TableFormat }, Failure> {
  const encoding = choices.encoding ?? detectEncoding(content);
  const text = new TextDecoder(encoding).decode(content);
  const separator = choices.separator ?? detectSeparator(text);
  try {
    const rows: string[][] = parse(text, {
      bom: true,
      delimiter: separator,
      relax_column_count: true,
      relax_quotes: true,
      skip_empty_lines: false,
      max_record_size: 1_000_000,
    });
    if (rows.length > tableLimits.rows) return fail({ code: 'file_limit_exceeded', limit: 'rows' });
    if (rows.some((row) => row.length > tableLimits.columns)) return fail({ code: 'file_limit_exceeded', limit: 'columns' });
    return succeed({ rows, format: { kind: 'delimited', separator, encoding, sheet: null, sheets: [] } });
  } catch (error) {
    if (!(error instanceof CsvError)) throw error;
    if (error.code === 'CSV_MAX_RECORD_SIZE') return fail({ code: 'file_limit_exceeded', limit: 'columns' });
    return fail({ code: 'file_unreadable', reason: error.code === 'CSV_QUOTE_NOT_CLOSED' ? 'quote_not_closed' : 'malformed', row: Number(error.lines ?? 0) });
  }
}

const lineBreaks = /\r\n|\r|\n/;

/** The first rows of a file of which only the beginning is there: its last line may be half, and is left out where others stand before it. */
export function readHead(content: Buffer): Outcome<{ rows: string[][] } & DelimitedForm, Failure> {
  const lastBreak = Math.max(content.lastIndexOf(0x0a), content.lastIndexOf(0x0d));
  const isWide = content[0] === 0xff && content[1] === 0xfe;
  const encoding = detectEncoding(content.subarray(0, lastBreak < 0 || isWide ? content.length : lastBreak + 1));
  const text = new TextDecoder(encoding).decode(content);
  const lines = text.split(lineBreaks);
  const whole = lines.length > 1 ? lines.slice(0, -1) : lines;
  const read = readDelimited(Buffer.from(whole.join('\n'), 'utf8'), { encoding: 'utf-8' });
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
