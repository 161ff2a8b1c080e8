import { fail, type Outcome } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../../application/failure.ts';

/** Rolls the transaction back with a failure that data caused. */
export class Refused extends Error {
  constructor(readonly failure: Failure) {
    super(failure.code);
  }
}

/** Deadlock, lock wait timeout, record changed since last read: the whole transaction is repeated. */
const repeatable = new Set([1213, 1205, 1020]);
const attempts = 8;
/** Nobody waits for longer: who waited for locks this long is told that it is busy. */
const longestMilliseconds = 30_000;

/**
 * Repeats what a deadlock ended, as a transaction is: for statements that stand by themselves and may be done twice.
 */
export async function repeated<Value>(work: () => Promise<Value>): Promise<Value> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await work();
    } catch (error) {
      if (!repeatable.has((error as { errno?: number }).errno ?? 0) || attempt === attempts) throw error;
    }
    await pause(attempt);
  }
}

/** Longer each time, and not for all alike. */
function pause(attempt: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, Math.random() * 10 * 2 ** attempt));
}

/** What a row refers to has gone since it was looked at, or a row that goes has come to be referred to. */
const brokenReferences = new Set([1451, 1452]);

export function isBrokenReference(error: unknown): boolean {
  return brokenReferences.has((error as { errno?: number }).errno ?? 0);
}

/**
 * Runs `work` in one transaction, repeated whole at most 8 times with growing random pauses where the database asks
 * for it. `refused` is rolled back and returned; other errors are bugs or a lost database, and throw.
 */
export async function inTransaction<Value>(database: DataSource, work: (runner: QueryRunner) => Promise<Value>): Promise<Outcome<Value, Failure>> {
  const began = Date.now();
  for (let attempt = 1; ; attempt++) {
    const runner = database.createQueryRunner();
    try {
      // READ COMMITTED, as every connection is set.
      await runner.startTransaction();
      const value = await work(runner);
      await runner.commitTransaction();
      return { ok: true, value };
    } catch (error) {
      await runner.rollbackTransaction().catch(() => undefined);
      if (error instanceof Refused) return fail(error.failure);
      const errno = (error as { errno?: number }).errno ?? 0;
      if (isBrokenReference(error)) return fail({ code: 'ledger_moved_on' });
      if (!repeatable.has(errno)) throw error;
      if (attempt === attempts || Date.now() - began > longestMilliseconds) return fail({ code: 'busy' });
    } finally {
      await runner.release();
    }
    await pause(attempt);
  }
}

/** Reads in one snapshot; READ COMMITTED alone would give each statement its own. */
export async function inSnapshot<Value>(database: DataSource, read: (runner: QueryRunner) => Promise<Value>): Promise<Value> {
  const runner = database.createQueryRunner();
  try {
    await runner.query('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');
    await runner.query('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
    return await read(runner);
  } finally {
    try {
      await runner.query('ROLLBACK');
    } finally {
      await runner.release();
    }
  }
}

/** Rows as the driver gives them: big numbers and dates as text. */
export async function rowsOf<Row>(runner: QueryRunner | DataSource, sql: string, parameters: readonly unknown[] = []): Promise<Row[]> {
  return (await runner.query(sql, parameters as unknown[])) as Row[];
}

export async function changedRows(runner: QueryRunner | DataSource, sql: string, parameters: readonly unknown[]): Promise<number> {
  const result = (await runner.query(sql, parameters as unknown[])) as { affectedRows: number };
  return result.affectedRows;
}

export interface Statement {
  readonly sql: string;
  readonly parameters: readonly unknown[];
}

/** Statements for a bulk INSERT, its rows in slices that stay far under the packet limit; none for no rows. */
export function insertions(into: string, rows: readonly (readonly unknown[])[], suffix = ''): Statement[] {
  const slice = 2000;
  const made: Statement[] = [];
  for (let at = 0; at < rows.length; at += slice) {
    const part = rows.slice(at, at + slice);
    const tuple = `(${(part[0] as readonly unknown[]).map(() => '?').join(', ')})`;
    made.push({ sql: `INSERT INTO ${into} VALUES ${part.map(() => tuple).join(', ')} ${suffix}`, parameters: part.flat() });
  }
  return made;
}

export async function insertRows(runner: QueryRunner, into: string, rows: readonly (readonly unknown[])[], suffix = ''): Promise<void> {
  for (const { sql, parameters } of insertions(into, rows, suffix)) await runner.query(sql, parameters as unknown[]);
}

const mostInOneTrip = 8;

/**
 * Statements whose answers nobody needs, several at a time: of a posting, each way to the database and back costs more than most
 * of its statements. One that fails fails them all.
 */
export async function inOneTrip(runner: QueryRunner, statements: readonly Statement[]): Promise<void> {
  for (let at = 0; at < statements.length; at += mostInOneTrip) {
    const { sql, parameters } = together(statements.slice(at, at + mostInOneTrip));
    await runner.query(sql, parameters as unknown[]);
  }
}

/** One statement of several; the answer of each that has one comes in their order. */
export function together(statements: readonly Statement[]): Statement {
  const [only] = statements;
  if (only && statements.length === 1) return only;
  return { sql: `BEGIN NOT ATOMIC ${statements.map(({ sql }) => sql).join('; ')}; END`, parameters: statements.flatMap(({ parameters }) => parameters) };
}
