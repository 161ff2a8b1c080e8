import type { Failure } from '../../application/failure.ts';

/** The table or the disk is full (ER_RECORD_FILE_FULL, ER_DISK_FULL), or a file is as large as it may be. */
const full = new Set([1114, 1021, 3, 28]);
/** The server is going down, or the connection was ended from outside (ER_SERVER_SHUTDOWN, ER_CONNECTION_KILLED, ER_QUERY_INTERRUPTED). */
const ended = new Set([1053, 1927, 1317]);
const gone = new Set(['PROTOCOL_CONNECTION_LOST', 'ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR', 'PROTOCOL_ENQUEUE_AFTER_QUIT']);
/** What the driver and TypeORM say, without a number, of a connection that ended under a transaction. */
const closed = /connection is in closed state|Query runner already released|Connection lost/i;

/** No connection is free at the server, or a row was held for too long outside a transaction that repeats itself (ER_CON_COUNT_ERROR, ER_USER_LIMIT_REACHED). */
const crowded = new Set([1040, 1203, 1226, 1205, 1213, 1020]);
/** A key that is there already, a row that is referred to or has gone: somebody else was first. */
const overtaken = new Set([1062, 1451, 1452]);

type Trouble = Extract<Failure, { code: 'storage_full' | 'database_lost' | 'database_hangs' | 'busy' | 'ledger_moved_on' }>;

/** What an error of the driver means to whoever asked; `null` for one of our own. */
export function databaseTrouble(error: unknown): Trouble | null {
  const { driverError, errno = 0, code = '', message = '' } = (error ?? {}) as { driverError?: unknown; errno?: number; code?: string; message?: string };
  if (driverError && driverError !== error) return databaseTrouble(driverError);
  if (full.has(errno)) return { code: 'storage_full' };
  if (crowded.has(errno)) return { code: 'busy' };
  if (overtaken.has(errno)) return { code: 'ledger_moved_on' };
  // A connection that was opened and heard nothing, where another hears that the database hangs.
  if (code === 'ETIMEDOUT') return { code: 'database_hangs' };
  return ended.has(errno) || gone.has(code) || closed.test(message) ? { code: 'database_lost' } : null;
}
