import type { DataSource } from 'typeorm';
import type { Jobs, Letter, LetterRecord, Outbox } from '../../application/ports/index.ts';
import { changedRows, rowsOf } from '../database/index.ts';

/** What stands behind # in an address opens something; it is of no use to anybody once the letter has gone. */
const secrets = /#[\w-]{20,}/g;

/** Letters as rows; each that is handed over is a job. */
export class OutboxRepository implements Outbox {
  constructor(
    private readonly database: DataSource,
    private readonly jobs: Jobs,
    private readonly hasMailServer: boolean,
  ) {}

  async post({ recipient, subject, content }: Letter): Promise<void> {
    const { insertId } = (await this.database.query('INSERT INTO message (recipient, subject, content, state, made_at) VALUES (?, ?, ?, ?, UTC_TIMESTAMP(6))', [
      recipient,
      subject,
      content,
      this.hasMailServer ? 'waits' : 'kept',
    ])) as { insertId: number };
    if (this.hasMailServer) await this.jobs.add('mail', String(insertId), { letter: Number(insertId) });
  }

  latest(most: number): Promise<LetterRecord[]> {
    return rowsOf(
      this.database,
      'SELECT id, recipient, subject, content, state, CAST(made_at AS CHAR) AS madeAt, failure FROM message ORDER BY id DESC LIMIT ?',
      [most],
    );
  }

  async take(id: number): Promise<Letter | null> {
    const runner = this.database.createQueryRunner();
    try {
      const marked = await changedRows(runner, "UPDATE message SET state = 'handed', handed_at = UTC_TIMESTAMP(6) WHERE id = ? AND state = 'waits'", [id]);
      if (marked === 0) return null;
      const [letter] = await rowsOf<Letter>(runner, 'SELECT recipient, subject, content FROM message WHERE id = ?', [id]);
      return letter ?? null;
    } finally {
      await runner.release();
    }
  }

  async end(id: number, failure: string): Promise<void> {
    // One that the server did not take may be tried again.
    if (failure !== '') return void (await this.database.query("UPDATE message SET state = 'waits', failure = ? WHERE id = ?", [failure.slice(0, 500), id]));
    const [letter] = await rowsOf<{ content: string }>(this.database, 'SELECT content FROM message WHERE id = ?', [id]);
    await this.database.query("UPDATE message SET state = 'sent', failure = '', content = ? WHERE id = ?", [letter?.content.replace(secrets, '#…') ?? '', id]);
  }
}
