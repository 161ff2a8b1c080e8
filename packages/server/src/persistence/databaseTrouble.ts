import type { Failure } from '../application/failure.ts';

/** The table or the disk is full (ER_RECORD_FILE_FULL, ER_DISK_FULL), or a file is as large as it may be. */
const full = new Set([1114, 1021, 3, 28]);
/** The server is going down, or the connection was ended from outside (ER_SERVER_SHUTDOWN, ER_CONNECTION_KILLED, ER_QUERY_INTERRUPTED). */
const ended = new Set([1053, 1927, 1317]);
const gone = new Set([
  'PROTOCOL_CONNECTION_LOST',
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR',
  'PROTOCOL_ENQUEUE_AFTER_QUIT',
]);

/** What an error of the driver means to whoever asked: a database that is full, or that went away; `null` for one of our own. */
export function databaseTrouble(error: unknown): Extract<Failure, { code: 'storage_full' | 'database_lost' }> | null {
  const { driverError, errno = 0, code = '' } = (error ?? {}) as { driverError?: unknown; errno?: number; code?: string };
  if (driverError && driverError !== error) return databaseTrouble(driverError);
  if (full.has(errno)) return { code: 'storage_full' };
  return ended.has(errno) || gone.has(code) ? { code: 'database_lost' } : null;
}
