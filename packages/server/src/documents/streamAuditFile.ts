import type { PlacedRow } from '../application/ports/index.ts';
import { AuditFileReader, encodingOfXml } from './auditFile.ts';

/** Journal lines of an audit file as its bytes come, the row of headings first; memory is that of one element. */
export async function* streamAuditFile(content: AsyncIterable<Uint8Array>, onBytes: (count: number) => void): AsyncGenerator<PlacedRow[]> {
  const reader = new AuditFileReader();
  let decoder: InstanceType<typeof TextDecoder> | null = null;
  let row = 0;
  const placed = (): PlacedRow[] => reader.takeLines().map((cells) => ({ row: ++row, cells }));
  for await (const chunk of content) {
    onBytes(chunk.length);
    decoder ??= new TextDecoder(encodingOfXml(chunk));
    reader.write(decoder.decode(chunk, { stream: true }));
    yield placed();
  }
  if (decoder) reader.write(decoder.decode());
  reader.end();
  yield placed();
}

/** The rows at the beginning of an audit file, which may end within an element. */
export function auditFileHead(content: Uint8Array): string[][] {
  const reader = new AuditFileReader();
  try {
    reader.write(new TextDecoder(encodingOfXml(content)).decode(content, { stream: true }));
  } catch (error) {
    // What is wrong further on is said when the whole is read; a beginning without a line is no audit file.
    if ((error as { code?: string }).code !== 'XML_MALFORMED') throw error;
  }
  return reader.takeLines();
}

/** Its accounts with their opening balances, as rows of a table. */
export function auditFileAccounts(content: Uint8Array): string[][] {
  const reader = new AuditFileReader();
  reader.write(new TextDecoder(encodingOfXml(content)).decode(content));
  reader.end();
  const day = reader.openingDay;
  return [...(day === null ? [] : [[`Balances at ${day}`]]), ...reader.accounts];
}
