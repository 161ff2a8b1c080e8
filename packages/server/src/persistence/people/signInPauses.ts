import { createHash } from 'node:crypto';
import type { DataSource } from 'typeorm';
import type { PauseSubject, SignInPauses } from '../../application/ports/index.ts';
import { insertRows, inTransaction, rowsOf } from '../database/index.ts';

const longestPause = 15 * 60;
/** Failures are forgotten after this time without one. */
const secondsRemembered = 3600;

/** Counted in the database, for all servers together; addresses are kept as hashes alone. */
export class SignInPauseRepository implements SignInPauses {
  constructor(private readonly database: DataSource) {}

  async take({ key, free }: PauseSubject): Promise<number> {
    const subject = hashOf(key);
    const taken = await inTransaction(this.database, async (runner) => {
      // There from now on, and held: of many tries in one moment each is counted before the next is judged.
      await insertRows(
        runner,
        'sign_in_pause (subject, failures, last_failure)',
        [[subject, 0, '1970-01-02 00:00:00']],
        'ON DUPLICATE KEY UPDATE failures = failures',
      );
      const [row] = await rowsOf<{ failures: number; seconds: string }>(
        runner,
        'SELECT failures, TIMESTAMPDIFF(MICROSECOND, last_failure, UTC_TIMESTAMP(6)) / 1000000 AS seconds FROM sign_in_pause WHERE subject = ?',
        [subject],
      );
      const { failures, since } = { failures: row?.failures ?? 0, since: Number(row?.seconds ?? 0) };
      const left = since < secondsRemembered ? pauseAfter(failures - free) - since : 0;
      if (left > 0) return Math.ceil(left);
      await runner.query(
        `UPDATE sign_in_pause SET failures = IF(last_failure < UTC_TIMESTAMP(6) - INTERVAL ${secondsRemembered} SECOND, 1, failures + 1), last_failure = UTC_TIMESTAMP(6) WHERE subject = ?`,
        [subject],
      );
      return 0;
    });
    // Nobody is let in because the database is crowded.
    return taken.ok ? taken.value : 1;
  }

  async forget({ key }: PauseSubject): Promise<void> {
    await this.database.query('DELETE FROM sign_in_pause WHERE subject = ?', [hashOf(key)]);
  }
}

/** A second after the first failure too many, and twice as long after each further one. */
function pauseAfter(failures: number): number {
  return failures < 0 ? 0 : Math.min(longestPause, 2 ** failures);
}

function hashOf(key: string): Buffer {
  return createHash('sha256').update(key).digest();
}

/** Those that count no more, in steps. */
export async function forgetOldPauses(database: DataSource): Promise<void> {
  await database.query(`DELETE FROM sign_in_pause WHERE last_failure < UTC_TIMESTAMP(6) - INTERVAL ${secondsRemembered} SECOND LIMIT 20000`);
}
