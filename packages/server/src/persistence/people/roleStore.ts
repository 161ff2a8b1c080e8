import type { Outcome } from '@ivory-ladder/core';
import { isBuiltInRole, ownRoleId, type Permission, permissionsAmong, permissionsOfRole, type RoleKey } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Failure } from '../../application/failure.ts';
import type { Actor, Membership, OwnRole, RoleStore } from '../../application/ports/index.ts';
import { type Counters, changeVersioned, deleteIn, findIn, insertIn, inTransaction, isDuplicateKey, Refused, recordAudit, rowsOf } from '../database/index.ts';
import { CompanyRoleEntity, type CompanyRoleRow } from '../entities/peopleEntities.ts';

/** Joins to `membership` the role that a company made, where it is one, as `own`. */
export const withOwnRole = "LEFT JOIN company_role AS own ON own.company_id = membership.company_id AND membership.role = CONCAT('own:', own.id)";

/** A role as one text, with what an own one may: whoever compares it sees both change. */
export const heldRole = "CONCAT(membership.role, COALESCE(CONCAT(' ', own.permissions), ''))";

export function readHeldRole(text: string): Membership {
  const [key, permissions = ''] = text.split(' ');
  const role = key as RoleKey;
  return { role, permissions: isBuiltInRole(role) ? permissionsOfRole[role] : permissionsAmong(permissions.split(',')) };
}

/** Holds a role until the end, so that it is not deleted while it is given; its name for the record. */
export async function lockRole(runner: QueryRunner, companyId: number, role: RoleKey): Promise<string> {
  const id = ownRoleId(role);
  if (id === null) return role;
  const [row] = await findIn(runner, CompanyRoleEntity, companyId, { id }, { hold: 'shared' });
  if (!row) throw new Refused({ code: 'not_found', thing: 'role', id });
  return row.name;
}

/** As the record has it. */
export async function nameOfRole(runner: QueryRunner, companyId: number, role: RoleKey): Promise<string> {
  const id = ownRoleId(role);
  if (id === null) return role;
  const [row] = await findIn(runner, CompanyRoleEntity, companyId, { id });
  return row?.name ?? role;
}

/** Bundles of permissions that a company made. */
export class RoleRepository implements RoleStore {
  constructor(
    private readonly database: DataSource,
    private readonly counters: Counters,
  ) {}

  async list(companyId: number): Promise<OwnRole[]> {
    const rows = await rowsOf<Omit<CompanyRoleRow, 'companyId'> & { holders: number | string }>(
      this.database,
      `SELECT id, name, permissions, version, ${holders} AS holders FROM company_role WHERE company_id = ? ORDER BY name`,
      [companyId],
    );
    return rows.map((row) => ({ ...row, permissions: permissionsAmong(row.permissions.split(',')), holders: Number(row.holders) }));
  }

  add(companyId: number, { name, permissions }: Pick<OwnRole, 'name' | 'permissions'>, actor: Actor): Promise<Outcome<number, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const id = await unlessTaken(name, () => insertIn(runner, CompanyRoleEntity, companyId, { name, permissions: permissions.join(',') }));
      await recordAudit(runner, this.counters, companyId, actor, [{ thing: 'role', thingId: id, action: 'added', after: { name, permissions } }]);
      return id;
    });
  }

  change(
    companyId: number,
    id: number,
    { name, permissions, version }: Pick<OwnRole, 'name' | 'permissions' | 'version'>,
    actor: Actor,
  ): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const before = await lockOwnRole(runner, companyId, id, version);
      await unlessTaken(name, () => changeVersioned(runner, CompanyRoleEntity, companyId, { id, version }, { name, permissions: permissions.join(',') }));
      await recordAudit(runner, this.counters, companyId, actor, [{ thing: 'role', thingId: id, action: 'changed', before, after: { name, permissions } }]);
      return null;
    });
  }

  remove(companyId: number, id: number, version: number, actor: Actor): Promise<Outcome<null, Failure>> {
    return inTransaction(this.database, async (runner) => {
      const before = await lockOwnRole(runner, companyId, id, version);
      const [held] = await rowsOf<{ holders: number | string }>(runner, `SELECT ${holders} AS holders FROM company_role WHERE company_id = ? AND id = ?`, [
        companyId,
        id,
      ]);
      if (Number(held?.holders) > 0) throw new Refused({ code: 'role_in_use', name: before.name, holders: Number(held?.holders) });
      await deleteIn(runner, CompanyRoleEntity, companyId, { id });
      await recordAudit(runner, this.counters, companyId, actor, [{ thing: 'role', thingId: id, action: 'deleted', before }]);
      return null;
    });
  }
}

const holders = `(SELECT COUNT(*) FROM membership WHERE membership.company_id = company_role.company_id AND membership.role = CONCAT('own:', company_role.id))
  + (SELECT COUNT(*) FROM invitation WHERE invitation.company_id = company_role.company_id AND invitation.role = CONCAT('own:', company_role.id))`;

async function lockOwnRole(
  runner: QueryRunner,
  companyId: number,
  id: number,
  version: number,
): Promise<{ readonly name: string; readonly permissions: readonly Permission[] }> {
  const [row] = await findIn(runner, CompanyRoleEntity, companyId, { id }, { hold: 'alone' });
  if (!row) throw new Refused({ code: 'not_found', thing: 'role', id });
  const current = { name: row.name, permissions: permissionsAmong(row.permissions.split(',')) };
  if (row.version !== version) throw new Refused({ code: 'version_conflict', thing: 'role', id, current });
  return current;
}

async function unlessTaken<Value>(name: string, work: () => Promise<Value>): Promise<Value> {
  try {
    return await work();
  } catch (error) {
    if (isDuplicateKey(error)) throw new Refused({ code: 'role_name_taken', name });
    throw error;
  }
}
