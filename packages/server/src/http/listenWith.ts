import { createServer, type Server, STATUS_CODES } from 'node:http';
import type { Socket } from 'node:net';
import type { Express } from 'express';
import { toProblem } from './problems.ts';

/** An address that bears a view of many columns; whoever asks with more does so in the body. */
const longestHead = 64 << 10;
/** A large file over a slow line. */
const minutesForRequest = 60;
/** Without a byte in either direction; an import is read for half an hour at most. */
const minutesOfSilence = 35;

/** Longer than whoever asks keeps a connection that nothing goes over: else it may be closed in the moment the next request is sent on it. */
const secondsKept = 65;

/** The server of an application, which takes its time with slow senders and answers too long an address in words. */
export function listenWith(app: Express): Server {
  const server = createServer({ maxHeaderSize: longestHead, requestTimeout: minutesForRequest * 60_000 }, app);
  server.timeout = minutesOfSilence * 60_000;
  server.keepAliveTimeout = secondsKept * 1000;
  server.on('clientError', (error: Error & { code?: string }, socket: Socket) => {
    if (!socket.writable || error.code === 'ECONNRESET') return void socket.destroy();
    const isTooLong = error.code === 'HPE_HEADER_OVERFLOW';
    const problem = toProblem(isTooLong ? { code: 'address_too_long' } : { code: 'request_invalid', issues: [{ path: '', message: 'malformed' }] });
    const body = JSON.stringify(problem);
    socket.end(
      `HTTP/1.1 ${problem.status} ${STATUS_CODES[problem.status]}\r\nConnection: close\r\nContent-Type: application/problem+json\r\nX-Content-Type-Options: nosniff\r\nContent-Length: ${Buffer.byteLength(body)}\r\n\r\n${body}`,
    );
  });
  return server;
}
