import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { Request } from '../../application/ports/index.ts';
import { timestamp } from './audit.ts';
import { rowsOf } from './transaction.ts';

/** The key is taken before anything else, so that a repeated request waits for the first one. */
export async function takeKey(runner: QueryRunner, companyId: number, request: Request): Promise<void> {
  if (request.idempotencyKey === null) return;
  await runner.query('INSERT INTO idempotency (company_id, request_key, request_hash, outcome, created_at) VALUES (?, ?, ?, NULL, ?)', [
    companyId,
    request.idempotencyKey,
    request.requestHash,
    timestamp(),
  ]);
}

export async function recordOutcome(runner: QueryRunner, companyId: number, request: Request, outcome: unknown): Promise<void> {
  if (request.idempotencyKey === null) return;
  await runner.query('UPDATE idempotency SET outcome = ? WHERE company_id = ? AND request_key = ?', [
    JSON.stringify(outcome),
    companyId,
    request.idempotencyKey,
  ]);
}

/** What the first request with this key did; a failure where the key was used for another request. */
export async function findOutcome(database: DataSource, companyId: number, request: Request): Promise<Outcome<unknown, Failure> | null> {
  if (request.idempotencyKey === null) return null;
  const [row] = await rowsOf<{ requestHash: Buffer; outcome: string | null }>(
    database,
    'SELECT request_hash AS requestHash, outcome FROM idempotency WHERE company_id = ? AND request_key = ?',
    [companyId, request.idempotencyKey],
  );
  if (!row) return null;
  if (!row.requestHash.equals(request.requestHash)) return fail({ code: 'idempotency_key_reused', key: request.idempotencyKey });
  return row.outcome === null ? null : succeed(JSON.parse(row.outcome));
}

/** Error of an INSERT whose key is there already. */
export function isDuplicateKey(error: unknown): boolean {
  return (error as { errno?: number }).errno === 1062;
}

/** Keys older than 30 days answer nobody's retry any more. */
export async function forgetOldKeys(database: DataSource): Promise<void> {
  await database.query('DELETE FROM idempotency WHERE created_at < UTC_TIMESTAMP() - INTERVAL 30 DAY');
}
