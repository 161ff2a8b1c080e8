import { Readable } from 'node:stream';
import mysql from 'mysql2/promise';
import type { StagedLine } from '../application/ports/index.ts';

const columns = 'line_row, document, entry_date, layer, description, account_id, debit, credit, text, facet_set_id, year, period';
const linesInChunk = 500;

/**
 * Streams lines into the staging table by LOAD DATA, on a connection of its own, the only one that may load from here. It
 * turns errors into warnings, so there must be none, and as many rows as were sent.
 */
export async function stageLines(databaseUrl: string, importId: number, lines: AsyncIterable<StagedLine>): Promise<void> {
  const connection = await mysql.createConnection({ uri: databaseUrl, supportBigNumbers: true, bigNumberStrings: true });
  let sent = 0;
  const chunks = async function* (): AsyncGenerator<Buffer> {
    let chunk = '';
    for await (const line of lines) {
      chunk += rowOf(line);
      sent++;
      if (sent % linesInChunk === 0) {
        yield Buffer.from(chunk, 'utf8');
        chunk = '';
      }
    }
    if (chunk !== '') yield Buffer.from(chunk, 'utf8');
  };
  try {
    await connection.query("SET SESSION sql_mode = 'TRADITIONAL', time_zone = '+00:00'");
    const [result] = await connection.query({
      sql: `LOAD DATA LOCAL INFILE 'lines' INTO TABLE staged_line CHARACTER SET utf8mb4 FIELDS TERMINATED BY '\\t' ESCAPED BY '\\\\' LINES TERMINATED BY '\\n' (${columns}) SET import_id = ${Number(importId)}`,
      infileStreamFactory: () => Readable.from(chunks()),
    });
    const { affectedRows, warningStatus } = result as { affectedRows: number; warningStatus: number };
    if (affectedRows !== sent || warningStatus !== 0) throw new Error(`staged ${affectedRows} of ${sent} lines, with ${warningStatus} warnings`);
  } finally {
    connection.destroy();
  }
}

function rowOf(line: StagedLine): string {
  const { row, document, date, layer, description, accountId, debit, credit, text, facetSetId, period } = line;
  return `${[row, escaped(document), date, layer, escaped(description), accountId, debit, credit, escaped(text), facetSetId, period.year, period.number].join('\t')}\n`;
}

function escaped(text: string): string {
  return text.replace(/[\\\t\n\r]/g, (character) => (character === '\\' ? '\\\\' : character === '\t' ? '\\t' : character === '\n' ? '\\n' : '\\r'));
}
