import { Readable, Transform } from 'node:stream';
import { parse } from 'csv-parse';
import type { DelimitedForm } from '../application/ports/index.ts';

const longestRecord = 1_000_000;

/** Rows of a CSV or TSV file as its bytes come, memory flat; `onBytes` hears how many came. Ends with an error of csv-parse where a quote is left open. */
export function streamDelimited(
  content: AsyncIterable<Uint8Array>,
  { separator, encoding }: DelimitedForm,
  onBytes: (count: number) => void,
): AsyncIterable<string[]> {
  const decoder = new TextDecoder(encoding);
  const decode = new Transform({
    writableObjectMode: false,
    transform(chunk: Buffer, _, done) {
      onBytes(chunk.length);
      done(null, decoder.decode(chunk, { stream: true }));
    },
    flush(done) {
      done(null, decoder.decode());
    },
  });
  const parser = parse({
    bom: true,
    delimiter: separator,
    relax_column_count: true,
    relax_quotes: true,
    skip_empty_lines: false,
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
  return parser;
}
