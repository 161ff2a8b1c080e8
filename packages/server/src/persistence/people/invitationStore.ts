import { type Outcome, permissionsBeyond, type RoleKey } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { Actor, Invitation, InvitationFound, InvitationStore, Invited, Person } from '../../application/ports/index.ts';
import { type Counters, changedRows, deleteIn, findIn, inTransaction, isDuplicateKey, Refused, recordAudit, rowsOf, timestamp } from '../database/index.ts';
import { InvitationEntity } from '../entities/accessEntities.ts';
import { enterWithPassword, hasAccount, insertMember, personByEmail } from './peopleStore.ts';
import { heldRole, lockRole, nameOfRole, readHeldRole, withOwnRole } from './roleStore.ts';

const daysOpen = 7;

const found = `SELECT invitation.company_id AS companyId, company.name AS company, invitation.email, invitation.name, invitation.role, COALESCE(asked.name, '') AS roleName,
    CONCAT(invitation.role, COALESCE(CONCAT(' ', asked.permissions), '')) AS given, invitation.invited_by AS invitedBy,
    (SELECT ${heldRole} FROM membership ${withOwnRole} WHERE membership.company_id = invitation.company_id AND membership.person_id = invitation.invited_by) AS held,
    invitation.expires_at < UTC_TIMESTAMP() AS expired
  FROM invitation JOIN company ON company.id = invitation.company_id AND company.removed_at IS NULL
    LEFT JOIN company_role AS asked ON asked.company_id = invitation.company_id AND invitation.role = CONCAT('own:', asked.id) WHERE token_hash = ?`;

/** It is good while whoever made it may invite, and may all that it gives. */
async function readInvitation(runner: QueryRunner | DataSource, tokenHash: Buffer): Promise<InvitationFound | null> {
  const [row] = await rowsOf<Omit<InvitationFound, 'state'> & { given: string; invitedBy: number | null; held: string | null; expired: number | string }>(
    runner,
    found,
    [tokenHash],
  );
  if (!row) return null;
  const { given, invitedBy, held, expired, ...invitation } = row;
  const theirs = held === null ? [] : readHeldRole(held).permissions;
  const may = theirs.includes('keep_people_and_settings') && permissionsBeyond(theirs, readHeldRole(given).permissions).length === 0;
  return { ...invitation, state: Number(expired) === 1 ? 'expired' : invitedBy === null || may ? 'open' : 'revoked' };
}

/** What an invitation gives begins when it is accepted; until then nothing of the person it is for is touched or told. */
export class InvitationRepository implements InvitationStore {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
  ) {}

  async list(companyId: number): Promise<Invitation[]> {
    const rows = await rowsOf<Omit<Invitation, 'isOpen'> & { open: number | string }>(
      this.database,
      'SELECT id, email, role, invited_at AS invitedAt, expires_at > UTC_TIMESTAMP() AS open FROM invitation WHERE company_id = ? ORDER BY email',
      [companyId],
    );
    return rows.map(({ open, ...row }) => ({ ...row, isOpen: Number(open) === 1 }));
  }

  add(companyId: number, { name, email, role }: Invited, tokenHash: Buffer, actor: Actor): Promise<Outcome<number, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const [member] = await rowsOf(
        runner,
        'SELECT person.id FROM membership JOIN person ON person.id = membership.person_id WHERE membership.company_id = ? AND person.email = ?',
        [companyId, email],
      );
      if (member) throw new Refused({ code: 'person_is_member', email });
      const named = await lockRole(runner, companyId, role);
      try {
        const { insertId } = (await runner.query(
          `INSERT INTO invitation (company_id, email, name, role, token_hash, invited_at, invited_by, expires_at) VALUES (?, ?, ?, ?, ?, ?, ?, UTC_TIMESTAMP() + INTERVAL ${daysOpen} DAY)`,
          [companyId, email, name, role, tokenHash, timestamp(), actor.personId],
        )) as { insertId: number };
        await this.record(runner, companyId, actor, 'added', Number(insertId), { invited: email, role: named });
        return Number(insertId);
      } catch (error) {
        if (isDuplicateKey(error)) throw new Refused({ code: 'person_is_invited', email });
        throw error;
      }
    });
  }

  renew(companyId: number, id: number, tokenHash: Buffer, actor: Actor): Promise<Outcome<Invited, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const renewed = await changedRows(
        runner,
        `UPDATE invitation SET token_hash = ?, invited_by = ?, expires_at = UTC_TIMESTAMP() + INTERVAL ${daysOpen} DAY WHERE company_id = ? AND id = ?`,
        [tokenHash, actor.personId, companyId, id],
      );
      const [row] = await rowsOf<Invited>(runner, 'SELECT name, email, role FROM invitation WHERE company_id = ? AND id = ?', [companyId, id]);
      if (renewed === 0 || !row) throw new Refused({ code: 'not_found', thing: 'invitation', id });
      return row;
    });
  }

  withdraw(companyId: number, id: number, actor: Actor): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const [row] = await findIn(runner, InvitationEntity, companyId, { id }, { hold: 'alone' });
      if (!row) throw new Refused({ code: 'not_found', thing: 'invitation', id });
      await deleteIn(runner, InvitationEntity, companyId, { id });
      await this.record(runner, companyId, actor, 'deleted', id, { invited: row.email, role: await nameOfRole(runner, companyId, row.role as RoleKey) });
      return null;
    });
  }

  find(tokenHash: Buffer): Promise<InvitationFound | null> {
    return readInvitation(this.database, tokenHash);
  }

  accept(tokenHash: Buffer, person: Person): Promise<Outcome<{ companyId: number }, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const invitation = await this.spend(runner, tokenHash);
      if (invitation.email !== person.email) throw new Refused({ code: 'invitation_of_another', email: invitation.email });
      await this.begin(runner, invitation, person);
      return { companyId: invitation.companyId };
    });
  }

  join(tokenHash: Buffer, passwordHash: string, name: string): Promise<Outcome<Person, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const invitation = await this.spend(runner, tokenHash);
      // Of two who join by two invitations in one moment the second waits here, and has an account then.
      await runner.query('INSERT INTO person (email, name, created_at) VALUES (?, ?, ?) ON DUPLICATE KEY UPDATE email = VALUES(email)', [
        invitation.email,
        name,
        timestamp(),
      ]);
      if (await hasAccount(runner, invitation.email)) throw new Refused({ code: 'account_there_already' });
      const before = await personByEmail(runner, invitation.email);
      const person = await enterWithPassword(runner, before?.id ?? 0, passwordHash, name);
      await this.begin(runner, invitation, person);
      return person;
    });
  }

  /** Held, so that it is used once; it goes with its use. */
  private async spend(runner: QueryRunner, tokenHash: Buffer): Promise<InvitationFound> {
    await runner.query('SELECT id FROM invitation WHERE token_hash = ? FOR UPDATE', [tokenHash]);
    const row = await readInvitation(runner, tokenHash);
    if (!row) throw new Refused({ code: 'link_unusable', reason: 'unknown' });
    if (row.state !== 'open') throw new Refused({ code: 'link_unusable', reason: row.state });
    await deleteIn(runner, InvitationEntity, row.companyId, { tokenHash });
    return row;
  }

  private async begin(runner: QueryRunner, { companyId, role, email }: InvitationFound, person: Person): Promise<void> {
    const named = await lockRole(runner, companyId, role);
    try {
      await insertMember(runner, companyId, person.id, role);
    } catch (error) {
      if (isDuplicateKey(error)) throw new Refused({ code: 'person_is_member', email });
      throw error;
    }
    await recordAudit(runner, this.counters, companyId, { name: person.name, personId: person.id }, [
      { thing: 'person', thingId: person.id, action: 'added', after: { name: person.name, email, role: named } },
    ]);
  }

  private record(runner: QueryRunner, companyId: number, actor: Actor, action: 'added' | 'deleted', id: number, state: unknown): Promise<void> {
    const told = action === 'added' ? { after: state } : { before: state };
    return recordAudit(runner, this.counters, companyId, actor, [{ thing: 'invitation', thingId: id, action, ...told }]);
  }
}
