import { Readable, Transform } from 'node:stream';
import { type Parser, parse } from 'csv-parse';
import type { DelimitedForm, PlacedRow } from '../application/ports/index.ts';

const longestRecord = 1_000_000;
const rowsAtOnce = 500;
const bytesAtOnce = 16 << 10;

/** Rows of a CSV or TSV file as its bytes come, some at a time, memory flat; `onBytes` hears how many came. Ends with an error of csv-parse where a quote is left open. */
export async function* streamDelimited(
  content: AsyncIterable<Uint8Array>,
  { separator, encoding }: DelimitedForm,
  onBytes: (count: number) => void,
): AsyncGenerator<PlacedRow[]> {
  const decoder = new TextDecoder(encoding);
  const decode = new Transform({
    writableObjectMode: false,
    transform(chunk: Buffer, _, done) {
      onBytes(chunk.length);
      // What has come already is not read in one go: others are served between its parts.
      const read = (from: number): void => {
        this.push(decoder.decode(chunk.subarray(from, from + bytesAtOnce), { stream: true }));
        if (from + bytesAtOnce < chunk.length) setImmediate(read, from + bytesAtOnce);
        else done();
      };
      setImmediate(read, 0);
    },
    flush(done) {
      done(null, decoder.decode());
    },
  });
  let records = 0;
  const parser = parse({
    bom: true,
    delimiter: separator,
    relax_column_count: true,
    relax_quotes: true,
    skip_empty_lines: true,
    // Its types know neither rows that are no longer lists, nor what is handed on to the stream.
    ...({
      on_record: (cells: string[], { empty_lines }: { empty_lines: number }): PlacedRow => ({ row: ++records + empty_lines, cells }),
      readableHighWaterMark: rowsAtOnce,
    } as object),
    max_record_size: longestRecord,
  });
  const source = Readable.from(content);
  // A source that breaks off, as one does whose sender goes away, ends the rows with its error.
  for (const [from, to] of [
    [source, decode],
    [decode, parser],
  ] as const)
    from.on('error', (error) => to.destroy(error));
  source.pipe(decode).pipe(parser);
  try {
    yield* inBatches(parser);
  } finally {
    source.destroy();
  }
}

/** Waits once for many rows: to wait for each costs more than to read it. */
async function* inBatches(parser: Parser): AsyncGenerator<PlacedRow[]> {
  let trouble: Error | null = null;
  let wake: () => void = () => undefined;
  parser.on('error', (error) => {
    trouble = error;
    wake();
  });
  for (const event of ['readable', 'end', 'close']) parser.on(event, () => wake());
  for (;;) {
    const rows: PlacedRow[] = [];
    for (let row = parser.read() as PlacedRow | null; row !== null; row = rows.length < rowsAtOnce ? (parser.read() as PlacedRow | null) : null) rows.push(row);
    if (rows.length > 0) yield rows;
    else if (trouble) throw trouble;
    else if (parser.readableEnded || parser.destroyed) return;
    else
      await new Promise<void>((resolve) => {
        wake = resolve;
      });
  }
}
