import { randomBytes } from 'node:crypto';
import type { DataSource } from 'typeorm';
import type { Identity, SessionRecord, SessionStore } from '../../application/ports/index.ts';
import { changedRows, deleteRows, findRows, rowsOf, timestamp } from '../database/index.ts';
import { InstallationEntity, SessionEntity } from '../entities/peopleEntities.ts';
import { hasSecondFactor, type PersonRow, toPerson } from './peopleStore.ts';
import { heldRole, readHeldRole, withOwnRole } from './roleStore.ts';

const bytesOfMark = 8;

/** Sessions as rows, where every server sees them; only hashes of their ids are kept. One that nobody uses for `idleMinutes` ends; 0: it stays its day. */
export class SessionRepository implements SessionStore {
  constructor(
    private readonly database: DataSource,
    private readonly idleMinutes: number,
  ) {}

  async find(idHash: Buffer): Promise<{ identity: Identity; expiresAt: Date } | null> {
    const [row] = await rowsOf<PersonRow & { expiresAt: string; roles: string | null; unseen: number | string | null; isRequired: number | null }>(
      this.database,
      `SELECT person.id, person.name, person.email, person.password_hash AS passwordHash, person.may_add_companies AS mayAddCompanies,
              person.keeps_installation AS keepsInstallation, ${hasSecondFactor} AS hasSecondFactor, session.expires_at AS expiresAt,
              (SELECT requires_second_factor FROM installation WHERE id = 1) AS isRequired,
              TIMESTAMPDIFF(MINUTE, COALESCE(session.last_seen, session.created_at), UTC_TIMESTAMP()) AS unseen,
              (SELECT CAST(JSON_OBJECTAGG(membership.company_id, ${heldRole}) AS CHAR) FROM membership ${withOwnRole} WHERE membership.person_id = person.id) AS roles
         FROM session JOIN person ON person.id = session.person_id WHERE session.id_hash = ? AND session.expires_at > UTC_TIMESTAMP()`,
      [idHash],
    );
    if (!row) return null;
    const unseen = Number(row.unseen ?? 0);
    if (this.idleMinutes > 0 && unseen >= this.idleMinutes) return null;
    // Not for every request: to the minute is enough.
    if (unseen >= 1) await this.database.query('UPDATE session SET last_seen = UTC_TIMESTAMP() WHERE id_hash = ?', [idHash]);
    const held = row.roles === null ? {} : (JSON.parse(row.roles) as Record<string, string>);
    const memberships = Object.fromEntries(Object.entries(held).map(([companyId, text]) => [companyId, readHeldRole(text)]));
    const person = toPerson(row);
    // Whom the demo lets in has no password, and no second factor either.
    const lacksSecondFactor = row.isRequired === 1 && person.hasPassword && !person.hasSecondFactor;
    return { identity: { person, memberships, lacksSecondFactor }, expiresAt: new Date(`${row.expiresAt.replace(' ', 'T')}Z`) };
  }

  async keep(idHash: Buffer, personId: number, expiresAt: Date, { device, origin }: { device: string; origin: string }): Promise<void> {
    await this.database.query(
      'INSERT INTO session (id_hash, person_id, created_at, expires_at, device, origin) VALUES (?, ?, ?, ?, ?, ?) ON DUPLICATE KEY UPDATE person_id = VALUES(person_id)',
      [idHash, personId, timestamp(), expiresAt.toISOString().slice(0, 19).replace('T', ' '), device.slice(0, 200), origin.slice(0, 45)],
    );
  }

  async end(idHash: Buffer): Promise<void> {
    await deleteRows(this.database, SessionEntity, { idHash });
  }

  async endAllOf(personId: number): Promise<void> {
    await deleteRows(this.database, SessionEntity, { personId });
  }

  listOf(personId: number): Promise<SessionRecord[]> {
    return rowsOf(
      this.database,
      `SELECT LOWER(HEX(LEFT(id_hash, ${bytesOfMark}))) AS mark, device, origin, created_at AS startedAt, last_seen AS lastSeen FROM session
        WHERE person_id = ? AND expires_at > UTC_TIMESTAMP()
          AND (? = 0 OR COALESCE(last_seen, created_at) > UTC_TIMESTAMP() - INTERVAL ? MINUTE) ORDER BY COALESCE(last_seen, created_at) DESC, id_hash`,
      [personId, this.idleMinutes, this.idleMinutes],
    );
  }

  async endOne(personId: number, mark: string): Promise<boolean> {
    const ended = `DELETE FROM session WHERE person_id = ? AND LEFT(id_hash, ${bytesOfMark}) = UNHEX(?)`;
    return (await changedRows(this.database, ended, [personId, mark])) > 0;
  }
}

/** What signs the session cookies: made once, the same for every server of the installation. */
export async function sessionSecret(database: DataSource): Promise<string> {
  await database.query('INSERT IGNORE INTO installation (id, session_secret) VALUES (1, ?)', [randomBytes(32)]);
  const [row] = await findRows(database, InstallationEntity, { id: 1 });
  if (!row) throw new Error('an installation without its row');
  return row.sessionSecret.toString('base64');
}

/** Those that ended by themselves. */
export async function forgetEndedSessions(database: DataSource): Promise<void> {
  await database.query('DELETE FROM session WHERE expires_at < UTC_TIMESTAMP()');
}
