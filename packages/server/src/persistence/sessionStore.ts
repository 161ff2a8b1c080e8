import { randomBytes } from 'node:crypto';
import type { DataSource } from 'typeorm';
import type { SessionStore } from '../application/ports/index.ts';
import { timestamp } from './audit.ts';
import { rowsOf } from './transaction.ts';

/** Sessions as rows, where every server sees them; only hashes of their ids are kept. */
export class SessionRepository implements SessionStore {
  constructor(private readonly database: DataSource) {}

  async find(idHash: Buffer): Promise<{ personId: number; expiresAt: Date } | null> {
    const [row] = await rowsOf<{ personId: number; expiresAt: string }>(
      this.database,
      'SELECT person_id AS personId, expires_at AS expiresAt FROM session WHERE id_hash = ? AND expires_at > UTC_TIMESTAMP()',
      [idHash],
    );
    return row ? { personId: row.personId, expiresAt: new Date(`${row.expiresAt.replace(' ', 'T')}Z`) } : null;
  }

  async keep(idHash: Buffer, personId: number, expiresAt: Date): Promise<void> {
    await this.database.query(
      'INSERT INTO session (id_hash, person_id, created_at, expires_at) VALUES (?, ?, ?, ?) ON DUPLICATE KEY UPDATE person_id = VALUES(person_id)',
      [idHash, personId, timestamp(), expiresAt.toISOString().slice(0, 19).replace('T', ' ')],
    );
  }

  async end(idHash: Buffer): Promise<void> {
    await this.database.query('DELETE FROM session WHERE id_hash = ?', [idHash]);
  }

  async endAllOf(personId: number): Promise<void> {
    await this.database.query('DELETE FROM session WHERE person_id = ?', [personId]);
  }
}

/** What signs the session cookies: made once, the same for every server of the installation. */
export async function sessionSecret(database: DataSource): Promise<string> {
  await database.query('INSERT IGNORE INTO installation (id, session_secret) VALUES (1, ?)', [randomBytes(32)]);
  const [row] = await rowsOf<{ secret: Buffer }>(database, 'SELECT session_secret AS secret FROM installation WHERE id = 1');
  return (row as { secret: Buffer }).secret.toString('base64');
}

/** Those that ended by themselves. */
export async function forgetEndedSessions(database: DataSource): Promise<void> {
  await database.query('DELETE FROM session WHERE expires_at < UTC_TIMESTAMP()');
}
