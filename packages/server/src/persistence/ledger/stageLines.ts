import { Readable } from 'node:stream';
import mysql from 'mysql2/promise';
import type { StagedLine } from '../../application/ports/index.ts';

const columns = 'line_row, document, entry_date, layer, description, account_id, debit, credit, text, facet_set_id, year, period';
const special = /[\\\t\n\r]/;

/**
 * Streams lines into the staging table by LOAD DATA, on a connection of its own, the only one that may load from here. It
 * turns errors into warnings, so there must be none, and as many rows as were sent.
 */
export async function stageLines(databaseUrl: string, importId: number, lines: AsyncIterable<readonly StagedLine[]>): Promise<void> {
  const connection = await mysql.createConnection({ uri: databaseUrl, supportBigNumbers: true, bigNumberStrings: true });
  let sent = 0;
  const chunks = async function* (): AsyncGenerator<Buffer> {
    for await (const some of lines) {
      sent += some.length;
      yield Buffer.from(some.map(rowOf).join(''), 'utf8');
    }
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

function rowOf({ row, document, date, layer, description, accountId, debit, credit, text, facetSetId, period }: StagedLine): string {
  return `${row}\t${escaped(document)}\t${date}\t${layer}\t${escaped(description)}\t${accountId}\t${debit}\t${credit}\t${escaped(text)}\t${facetSetId}\t${period.year}\t${period.number}\n`;
}

function escaped(text: string): string {
  if (!special.test(text)) return text;
  return text.replace(/[\\\t\n\r]/g, (character) => (character === '\\' ? '\\\\' : character === '\t' ? '\\t' : character === '\n' ? '\\n' : '\\r'));
}
