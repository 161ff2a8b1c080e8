import { createHash } from 'node:crypto';
import type { DataSource } from 'typeorm';
import type { PauseSubject, SignInPauses } from '../application/ports/index.ts';
import { insertRows, inTransaction, rowsOf } from './transaction.ts';

const longestPause = 15 * 60;
/** Failures are forgotten after this time without one. */
const secondsRemembered = 3600;

/** Counted in the database, for all servers together; addresses are kept as hashes alone. */
export class SignInPauseRepository implements SignInPauses {
  constructor(private readonly database: DataSource) {}

  async take(subjects: readonly PauseSubject[]): Promise<number> {
    const taken = await inTransaction(this.database, async (runner) => {
      const keyed = subjects.map(({ key, free }) => ({ hash: hashOf(key), free })).sort((a, b) => Buffer.compare(a.hash, b.hash));
      // There from now on, and held: of many tries in one moment each is counted before the next is judged.
      await insertRows(
        runner,
        'sign_in_pause (subject, failures, last_failure)',
        keyed.map(({ hash }) => [hash, 0, '1970-01-02 00:00:00']),
        'ON DUPLICATE KEY UPDATE failures = failures',
      );
      let longest = 0;
      for (const { hash, free } of keyed) {
        const [row] = await rowsOf<{ failures: number; seconds: string }>(
          runner,
          'SELECT failures, TIMESTAMPDIFF(MICROSECOND, last_failure, UTC_TIMESTAMP(6)) / 1000000 AS seconds FROM sign_in_pause WHERE subject = ?',
          [hash],
        );
        const since = Number(row?.seconds ?? 0);
        if (since < secondsRemembered) longest = Math.max(longest, pauseAfter((row?.failures ?? 0) - free) - since);
      }
      if (longest > 0) return Math.ceil(longest);
      for (const { hash } of keyed)
        await runner.query(
          `UPDATE sign_in_pause SET failures = IF(last_failure < UTC_TIMESTAMP(6) - INTERVAL ${secondsRemembered} SECOND, 1, failures + 1), last_failure = UTC_TIMESTAMP(6) WHERE subject = ?`,
          [hash],
        );
      return 0;
    });
    // Nobody is let in because the database is crowded.
    return taken.ok ? taken.value : 1;
  }

  async forget({ key }: PauseSubject): Promise<void> {
    await this.database.query('DELETE FROM sign_in_pause WHERE subject = ?', [hashOf(key)]);
  }

  async giveBack({ key }: PauseSubject): Promise<void> {
    await this.database.query('UPDATE sign_in_pause SET failures = failures - 1 WHERE subject = ? AND failures > 0', [hashOf(key)]);
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
