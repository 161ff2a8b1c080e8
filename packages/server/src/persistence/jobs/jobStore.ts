import { randomUUID } from 'node:crypto';
import type { DataSource } from 'typeorm';
import type { JobKind, JobRecord, Jobs, JobToDo } from '../../application/ports/index.ts';
import { changedRows, inTransaction, rowsOf } from '../database/index.ts';

const secondsHeld = 60;
const mostHoursOfTries = 24;
const daysKept = 30;

/** Jobs as rows. Claims skip what another server has locked, so that none waits for another. */
export class JobRepository implements Jobs {
  private readonly owner = randomUUID();

  constructor(private readonly database: DataSource) {}

  async add(kind: JobKind, occurrence: string, payload: unknown): Promise<void> {
    await this.database.query(
      "INSERT INTO job (kind, occurrence, payload, state, due, made_at) VALUES (?, ?, ?, 'waits', UTC_TIMESTAMP(6), UTC_TIMESTAMP(6)) ON DUPLICATE KEY UPDATE id = id",
      [kind, occurrence, JSON.stringify(payload)],
    );
  }

  async claim(): Promise<JobToDo | null> {
    await this.database.query("UPDATE job SET state = 'waits', owner = '' WHERE state = 'runs' AND lease_until < UTC_TIMESTAMP(6)");
    const claimed = await inTransaction(this.database, async (runner) => {
      const [row] = await rowsOf<{ id: string; kind: JobKind; payload: string; attempt: number }>(
        runner,
        "SELECT id, kind, payload, attempt FROM job WHERE state = 'waits' AND due <= UTC_TIMESTAMP(6) ORDER BY due, id LIMIT 1 FOR UPDATE SKIP LOCKED",
      );
      if (!row) return null;
      await runner.query(
        `UPDATE job SET state = 'runs', owner = ?, attempt = attempt + 1, lease_until = UTC_TIMESTAMP(6) + INTERVAL ${secondsHeld} SECOND WHERE id = ?`,
        [this.owner, row.id],
      );
      return { id: Number(row.id), kind: row.kind, payload: JSON.parse(row.payload), attempt: row.attempt + 1 };
    });
    return claimed.ok ? claimed.value : null;
  }

  renew(job: JobToDo): Promise<boolean> {
    return this.change(job, `lease_until = UTC_TIMESTAMP(6) + INTERVAL ${secondsHeld} SECOND`);
  }

  async done(job: JobToDo): Promise<void> {
    await this.change(job, "state = 'done', failure = '', ended_at = UTC_TIMESTAMP(6)");
  }

  async failed(job: JobToDo, failure: string): Promise<void> {
    const isLast = `made_at < UTC_TIMESTAMP(6) - INTERVAL ${mostHoursOfTries} HOUR`;
    await this.change(
      job,
      `ended_at = IF(${isLast}, UTC_TIMESTAMP(6), NULL), state = IF(${isLast}, 'failed', 'waits'),
       due = UTC_TIMESTAMP(6) + INTERVAL LEAST(3600, POW(2, LEAST(attempt, 12)) * 5) SECOND, failure = ?`,
      [failure.slice(0, 500)],
    );
  }

  async latest(most: number): Promise<JobRecord[]> {
    const rows = await rowsOf<Omit<JobRecord, 'id'> & { id: string }>(
      this.database,
      'SELECT id, kind, state, due, attempt, failure, ended_at AS endedAt FROM job ORDER BY id DESC LIMIT ?',
      [most],
    );
    return rows.map((row) => ({ ...row, id: Number(row.id) }));
  }

  async forgetOld(): Promise<void> {
    await this.database.query(`DELETE FROM job WHERE state IN ('done', 'failed') AND ended_at < UTC_TIMESTAMP(6) - INTERVAL ${daysKept} DAY LIMIT 5000`);
  }

  /** Only while this server still holds it, by its attempt. */
  private async change({ id, attempt }: JobToDo, fields: string, values: readonly unknown[] = []): Promise<boolean> {
    const runner = this.database.createQueryRunner();
    try {
      const sql = `UPDATE job SET ${fields} WHERE id = ? AND attempt = ? AND owner = ? AND state = 'runs'`;
      return (await changedRows(runner, sql, [...values, id, attempt, this.owner])) > 0;
    } finally {
      await runner.release();
    }
  }
}
