import { createHash } from 'node:crypto';
import type { Outcome, RoleKey } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { Actor, LinkTerms, Member, OneTimeLink, PeopleStore, Person } from '../../application/ports/index.ts';
import {
  type Counters,
  changeRows,
  changeVersioned,
  deleteIn,
  deleteRows,
  findIn,
  findRows,
  insertIn,
  inTransaction,
  isDuplicateKey,
  Refused,
  recordAudit,
  rowsOf,
  timestamp,
} from '../database/index.ts';
import { InstallationEntity, MembershipEntity, OneTimeLinkEntity, PersonEntity, SessionEntity } from '../entities/peopleEntities.ts';
import { heldRole, lockRole, nameOfRole, withOwnRole } from './roleStore.ts';

export interface PersonRow {
  readonly id: number;
  readonly name: string;
  readonly email: string;
  readonly passwordHash: string | null;
  readonly mayAddCompanies: number;
  readonly keepsInstallation: number;
  readonly hasSecondFactor: number | string;
}

/** Whether a person, named `person` in the question, has a second factor that counts. */
export const hasSecondFactor = 'EXISTS (SELECT 1 FROM second_factor WHERE second_factor.person_id = person.id AND confirmed_at IS NOT NULL)';
const columns = `id, name, email, password_hash AS passwordHash, may_add_companies AS mayAddCompanies, keeps_installation AS keepsInstallation,
  ${hasSecondFactor} AS hasSecondFactor`;

/** People, their roles in companies, and the links by which they choose a password. */
export class PeopleRepository implements PeopleStore {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
  ) {}

  async person(personId: number): Promise<Person | null> {
    const [row] = await rowsOf<PersonRow>(this.database, `SELECT ${columns} FROM person WHERE id = ?`, [personId]);
    return row ? toPerson(row) : null;
  }

  async roleIn(personId: number, companyId: number): Promise<RoleKey | null> {
    const [row] = await findIn(this.database, MembershipEntity, companyId, { personId });
    return (row?.role as RoleKey | undefined) ?? null;
  }

  byEmail(email: string): Promise<(Person & { passwordHash: string | null }) | null> {
    return personByEmail(this.database, email);
  }

  hasAccount(email: string): Promise<boolean> {
    return hasAccount(this.database, email);
  }

  async passwordHash(personId: number): Promise<string | null> {
    const [row] = await findRows(this.database, PersonEntity, { id: personId });
    return row?.passwordHash ?? null;
  }

  async noteSignIn(personId: number): Promise<void> {
    await changeRows(this.database, PersonEntity, { id: personId }, { lastSignIn: timestamp() });
  }

  async setPassword(personId: number, passwordHash: string): Promise<void> {
    const set = await inTransaction(this.database, (runner) => setPassword(runner, personId, passwordHash));
    if (!set.ok) throw new Error(`a password could not be set: ${set.failure.code}`);
  }

  async hasAdministrator(): Promise<boolean> {
    return hasAdministrator(this.database);
  }

  async members(companyId: number): Promise<Member[]> {
    const rows = await rowsOf<
      Omit<Member, 'hasPassword' | 'mayAddCompanies' | 'hasSecondFactor'> & { passwordHash: string | null; mayAddCompanies: number; hasSecondFactor: string }
    >(
      this.database,
      `SELECT person.id AS personId, person.name, person.email, m.role, m.version, person.password_hash AS passwordHash, person.last_sign_in AS lastSignIn,
              person.may_add_companies AS mayAddCompanies, ${hasSecondFactor} AS hasSecondFactor
         FROM membership m JOIN person ON person.id = m.person_id WHERE m.company_id = ? ORDER BY person.name, person.id`,
      [companyId],
    );
    return rows.map(({ passwordHash, mayAddCompanies, hasSecondFactor: has, ...member }) => ({
      ...member,
      hasPassword: passwordHash !== null,
      mayAddCompanies: mayAddCompanies === 1,
      hasSecondFactor: Number(has) === 1,
    }));
  }

  addMember(companyId: number, { name, email, role }: { name: string; email: string; role: RoleKey }, actor: Actor): Promise<Outcome<Person, Failure>> {
    return inTransaction(this.database, async (runner) => {
      await runner.query('INSERT IGNORE INTO person (email, name, created_at) VALUES (?, ?, ?)', [email, name, timestamp()]);
      const [row] = await rowsOf<PersonRow>(runner, `SELECT ${columns} FROM person WHERE email = ?`, [email]);
      const person = toPerson(row as PersonRow);
      const named = await lockRole(runner, companyId, role);
      try {
        await insertMember(runner, companyId, person.id, role);
      } catch (error) {
        if (isDuplicateKey(error)) throw new Refused({ code: 'person_is_member', email });
        throw error;
      }
      await recordAudit(runner, this.counters, companyId, actor, [
        { thing: 'person', thingId: person.id, action: 'added', after: { name: person.name, email, role: named } },
      ]);
      return person;
    });
  }

  changeRole(companyId: number, personId: number, role: RoleKey, version: number, actor: Actor): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const before = await this.lockMember(runner, companyId, personId, version);
      const named = await lockRole(runner, companyId, role);
      await changeVersioned(runner, MembershipEntity, companyId, { personId, version }, { role });
      await keepAnAdministrator(runner, companyId);
      await recordAudit(runner, this.counters, companyId, actor, [
        {
          thing: 'person',
          thingId: personId,
          action: 'changed',
          before: { role: await nameOfRole(runner, companyId, before.role) },
          after: { name: before.name, role: named },
        },
      ]);
      return null;
    });
  }

  setMayAddCompanies(companyId: number, { personId, name }: Member, may: boolean, actor: Actor): Promise<Outcome<void, Failure>> {
    return inTransaction(this.database, async (runner) => {
      await changeRows(runner, PersonEntity, { id: personId }, { mayAddCompanies: may });
      await recordAudit(runner, this.counters, companyId, actor, [
        { thing: 'person', thingId: personId, action: 'changed', before: { mayAddCompanies: !may }, after: { name, mayAddCompanies: may } },
      ]);
    });
  }

  removeMember(companyId: number, personId: number, version: number, actor: Actor): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const before = await this.lockMember(runner, companyId, personId, version);
      await deleteIn(runner, MembershipEntity, companyId, { personId });
      await keepAnAdministrator(runner, companyId);
      await recordAudit(runner, this.counters, companyId, actor, [
        { thing: 'person', thingId: personId, action: 'deleted', before: { ...before, role: await nameOfRole(runner, companyId, before.role) } },
      ]);
      return null;
    });
  }

  isInHandsOf(personId: number, administratorId: number): Promise<boolean> {
    return isInHands(this.database, personId, administratorId);
  }

  async makeLink(personId: number | null, tokenHash: Buffer, { madeBy, minutes }: LinkTerms): Promise<void> {
    await inTransaction(this.database, async (runner) => {
      // Anybody may ask for one at the sign-in; that takes none away.
      if (personId === null || madeBy !== null) await runner.query('DELETE FROM one_time_link WHERE person_id <=> ? AND made_by <=> ?', [personId, madeBy]);
      await runner.query('DELETE FROM one_time_link WHERE expires_at < UTC_TIMESTAMP() - INTERVAL IF(made_by IS NULL AND person_id IS NOT NULL, 1, 90) DAY');
      await runner.query(
        'INSERT INTO one_time_link (token_hash, person_id, expires_at, rights, made_by) VALUES (?, ?, UTC_TIMESTAMP() + INTERVAL ? MINUTE, ?, ?)',
        [tokenHash, personId, minutes, personId === null ? null : await rightsOf(runner, personId), madeBy],
      );
    });
  }

  async link(tokenHash: Buffer): Promise<OneTimeLink | null> {
    const link = await readLink(this.database, tokenHash);
    return link && { person: link.personId === null ? null : await this.person(link.personId), state: link.state };
  }

  useLink(tokenHash: Buffer, passwordHash: string, first: { name: string; email: string } | null): Promise<Outcome<Person, Failure>> {
    return inTransaction(this.database, async (runner) => {
      await findRows(runner, OneTimeLinkEntity, { tokenHash }, { hold: 'alone' });
      const link = await readLink(runner, tokenHash);
      if (link?.state !== 'open') throw new Refused({ code: 'link_unusable', reason: link?.state ?? 'unknown' });
      await changeRows(runner, OneTimeLinkEntity, { tokenHash }, { usedAt: timestamp() });
      const personId = link.personId ?? (await makeFirstAdministrator(runner, first as { name: string; email: string }));
      return enterWithPassword(runner, personId, passwordHash);
    });
  }

  async ensureDemoPerson(email: string, name: string, mayAddCompanies: boolean, keepsInstallation: boolean): Promise<Person> {
    await this.database.query('INSERT IGNORE INTO person (email, name, may_add_companies, keeps_installation, created_at) VALUES (?, ?, ?, ?, ?)', [
      email,
      name,
      mayAddCompanies ? 1 : 0,
      keepsInstallation ? 1 : 0,
      timestamp(),
    ]);
    return (await this.byEmail(email)) as Person;
  }

  /** The row stays locked until the end, so that two administrators cannot take each other's role away at once. */
  private async lockMember(runner: QueryRunner, companyId: number, personId: number, version: number): Promise<{ name: string; role: RoleKey }> {
    const rows = await rowsOf<{ personId: number; name: string; role: RoleKey; version: number }>(
      runner,
      'SELECT m.person_id AS personId, p.name, m.role, m.version FROM membership m JOIN person p ON p.id = m.person_id WHERE m.company_id = ? FOR UPDATE',
      [companyId],
    );
    const row = rows.find((member) => member.personId === personId);
    if (!row) throw new Refused({ code: 'not_found', thing: 'person', id: personId });
    if (row.version !== version) throw new Refused({ code: 'version_conflict', thing: 'person', id: personId, current: { role: row.role } });
    return { name: row.name, role: row.role };
  }
}

export const toPerson = ({ id, name, email, passwordHash, mayAddCompanies, keepsInstallation, hasSecondFactor }: PersonRow): Person => ({
  id,
  name,
  email,
  hasPassword: passwordHash !== null,
  mayAddCompanies: mayAddCompanies === 1,
  keepsInstallation: keepsInstallation === 1,
  hasSecondFactor: Number(hasSecondFactor) === 1,
});

export async function personByEmail(runner: QueryRunner | DataSource, email: string): Promise<(Person & { passwordHash: string | null }) | null> {
  const [row] = await rowsOf<PersonRow>(runner, `SELECT ${columns} FROM person WHERE email = ?`, [email]);
  return row ? { ...toPerson(row), passwordHash: row.passwordHash } : null;
}

export async function hasAccount(runner: QueryRunner | DataSource, email: string): Promise<boolean> {
  const rows = await rowsOf(
    runner,
    `SELECT id FROM person WHERE email = ? AND (password_hash IS NOT NULL OR may_add_companies = 1 OR keeps_installation = 1
       OR EXISTS (SELECT 1 FROM membership WHERE membership.person_id = person.id))`,
    [email],
  );
  return rows.length > 0;
}

/** Sets the password of somebody who comes in with it now; every session they had ends. */
export async function enterWithPassword(runner: QueryRunner, personId: number, passwordHash: string, name?: string): Promise<Person> {
  await setPassword(runner, personId, passwordHash);
  await runner.query('UPDATE person SET last_sign_in = ?, name = COALESCE(?, name) WHERE id = ?', [timestamp(), name ?? null, personId]);
  const [row] = await rowsOf<PersonRow>(runner, `SELECT ${columns} FROM person WHERE id = ?`, [personId]);
  return toPerson(row as PersonRow);
}

interface LinkRow {
  readonly personId: number | null;
  readonly state: OneTimeLink['state'];
}

/** A link is good for the rights as they were when it was made: of whom it is for, and of who made it. */
async function readLink(runner: QueryRunner | DataSource, tokenHash: Buffer): Promise<LinkRow | null> {
  const [row] = await rowsOf<LinkRow & { rights: Buffer | null; madeBy: number | null }>(
    runner,
    "SELECT person_id AS personId, rights, made_by AS madeBy, IF(used_at IS NOT NULL, 'used', IF(expires_at < UTC_TIMESTAMP(), 'expired', 'open')) AS state FROM one_time_link WHERE token_hash = ?",
    [tokenHash],
  );
  if (!row) return null;
  const { personId, rights, madeBy, state } = row;
  if (state !== 'open' || personId === null || rights === null) return { personId, state };
  const isAsMade = rights.equals(await rightsOf(runner, personId)) && (madeBy === null || (await isInHands(runner, personId, madeBy)));
  return { personId, state: isAsMade ? 'open' : 'revoked' };
}

/** Address, password, rights of the installation, and roles with what own ones may, as one hash. */
async function rightsOf(runner: QueryRunner | DataSource, personId: number): Promise<Buffer> {
  const rows = await rowsOf(
    runner,
    `SELECT person.email, person.password_hash, person.may_add_companies, person.keeps_installation, membership.company_id, ${heldRole} AS role
       FROM person LEFT JOIN membership ON membership.person_id = person.id ${withOwnRole} WHERE person.id = ? ORDER BY membership.company_id`,
    [personId],
  );
  return createHash('sha256').update(JSON.stringify(rows)).digest();
}

/** Whether the other may set everything about the person: keeps the installation, or administers each company of theirs and has their rights. */
async function isInHands(runner: QueryRunner | DataSource, personId: number, administratorId: number): Promise<boolean> {
  if (personId === administratorId) return true;
  const [row] = await rowsOf<{ keeps: number | string | null; beyond: string }>(
    runner,
    `SELECT (SELECT keeps_installation FROM person WHERE id = ?) AS keeps,
            (SELECT COUNT(*) FROM membership m LEFT JOIN membership a ON a.company_id = m.company_id AND a.person_id = ? AND a.role = 'administrator'
              WHERE m.person_id = ? AND a.person_id IS NULL)
          + (SELECT COUNT(*) FROM person p JOIN person a ON a.id = ? WHERE p.id = ?
              AND (p.may_add_companies > a.may_add_companies OR p.keeps_installation > a.keeps_installation)) AS beyond`,
    [administratorId, administratorId, personId, administratorId, personId],
  );
  return Number(row?.keeps) === 1 || Number(row?.beyond) === 0;
}

export async function insertMember(runner: QueryRunner, companyId: number, personId: number, role: RoleKey): Promise<void> {
  await insertIn(runner, MembershipEntity, companyId, { personId, role });
}

async function setPassword(runner: QueryRunner, personId: number, passwordHash: string): Promise<void> {
  await changeRows(runner, PersonEntity, { id: personId }, { passwordHash });
  await deleteRows(runner, SessionEntity, { personId });
}

async function hasAdministrator(runner: QueryRunner | DataSource): Promise<boolean> {
  const rows = await rowsOf(runner, 'SELECT id FROM person WHERE may_add_companies = 1 AND password_hash IS NOT NULL LIMIT 1');
  return rows.length > 0;
}

async function makeFirstAdministrator(runner: QueryRunner, { name, email }: { name: string; email: string }): Promise<number> {
  // Two links that were made by two servers may be used in one moment.
  await findRows(runner, InstallationEntity, { id: 1 }, { hold: 'alone' });
  if (await hasAdministrator(runner)) throw new Refused({ code: 'link_unusable', reason: 'used' });
  await runner.query(
    'INSERT INTO person (email, name, may_add_companies, keeps_installation, created_at) VALUES (?, ?, 1, 1, ?) ON DUPLICATE KEY UPDATE name = ?, may_add_companies = 1, keeps_installation = 1',
    [email, name, timestamp(), name],
  );
  const [row] = await findRows(runner, PersonEntity, { email });
  const { id } = row as { id: number };
  await runner.query("REPLACE INTO membership (company_id, person_id, role) SELECT id, ?, 'administrator' FROM company WHERE removed_at IS NULL", [id]);
  return id;
}

async function keepAnAdministrator(runner: QueryRunner, companyId: number): Promise<void> {
  const rows = await findIn(runner, MembershipEntity, companyId, { role: 'administrator' }, { most: 1 });
  if (rows.length === 0) throw new Refused({ code: 'last_administrator' });
}
