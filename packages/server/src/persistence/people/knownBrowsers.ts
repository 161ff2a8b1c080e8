import type { DataSource } from 'typeorm';
import type { KnownBrowsers } from '../../application/ports/index.ts';
import { deleteRows, findRows, timestamp } from '../database/index.ts';
import { KnownBrowserEntity } from '../entities/accessEntities.ts';

export class KnownBrowserRepository implements KnownBrowsers {
  constructor(private readonly database: DataSource) {}

  async knows(personId: number, tokenHash: Buffer): Promise<boolean> {
    return (await findRows(this.database, KnownBrowserEntity, { tokenHash, personId })).length > 0;
  }

  async remember(personId: number, tokenHash: Buffer): Promise<void> {
    await this.database.query(
      'INSERT INTO known_browser (token_hash, person_id, last_used) VALUES (?, ?, ?) ON DUPLICATE KEY UPDATE person_id = VALUES(person_id), last_used = VALUES(last_used)',
      [tokenHash, personId, timestamp()],
    );
  }

  async forget(personId: number): Promise<void> {
    await deleteRows(this.database, KnownBrowserEntity, { personId });
  }
}

/** Those not seen for a year. */
export async function forgetOldBrowsers(database: DataSource): Promise<void> {
  await database.query('DELETE FROM known_browser WHERE last_used < UTC_TIMESTAMP() - INTERVAL 365 DAY LIMIT 20000');
}
