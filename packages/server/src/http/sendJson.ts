import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import type { Request, Response } from 'express';

/** What a stream packs better: this much at once takes a few milliseconds, in which nobody else is served. */
const mostPackedAtOnce = 512_000;
const leastPacked = 1000;
/** Packed in one piece: by the usual pieces of 16 kB it takes a third longer. */
const pieceOfOutput = 256 * 1024;
const quickly = { chunkSize: pieceOfOutput, params: { [constants.BROTLI_PARAM_QUALITY]: 1 } };

/**
 * A JSON answer, packed as the browser takes it. In one piece: a statement of 33 kB takes 0.2 ms, against 1.2 ms through the streams of
 * `compression`, which is left what is larger.
 */
export function sendJson(request: Request, response: Response, body: unknown): void {
  sendJsonText(request, response, Buffer.from(JSON.stringify(body), 'utf8'));
}

/** The same for one that is written already. */
export function sendJsonText(request: Request, response: Response, text: Buffer): void {
  response.type('json');
  if (text.length < leastPacked || text.length > mostPackedAtOnce) return void response.send(text);
  const packing = request.acceptsEncodings('br', 'gzip');
  response.vary('Accept-Encoding');
  if (!packing) return void response.send(text);
  response.setHeader('Content-Encoding', packing);
  response.send(packing === 'br' ? brotliCompressSync(text, quickly) : gzipSync(text, { chunkSize: pieceOfOutput, level: 1 }));
}
