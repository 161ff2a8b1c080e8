import type { DataSource } from 'typeorm';
import type { KnownBrowsers } from '../../application/ports/index.ts';
import { rowsOf, timestamp } from '../database/index.ts';

export class KnownBrowserRepository implements KnownBrowsers {
  constructor(private readonly database: DataSource) {}

  async knows(personId: number, tokenHash: Buffer): Promise<boolean> {
    const rows = await rowsOf(this.database, 'SELECT person_id FROM known_browser WHERE token_hash = ? AND person_id = ?', [tokenHash, personId]);
    return rows.length > 0;
  }

  async remember(personId: number, tokenHash: Buffer): Promise<void> {
    await this.database.query(
      'INSERT INTO known_browser (token_hash, person_id, last_used) VALUES (?, ?, ?) ON DUPLICATE KEY UPDATE person_id = VALUES(person_id), last_used = VALUES(last_used)',
      [tokenHash, personId, timestamp()],
    );
  }

  async forget(personId: number): Promise<void> {
    await this.database.query('DELETE FROM known_browser WHERE person_id = ?', [personId]);
  }
}

/** Those not seen for a year. */
export async function forgetOldBrowsers(database: DataSource): Promise<void> {
  await database.query('DELETE FROM known_browser WHERE last_used < UTC_TIMESTAMP() - INTERVAL 365 DAY LIMIT 20000');
}
