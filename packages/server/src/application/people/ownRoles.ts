import {
  fail,
  isBuiltInRole,
  mapOutcome,
  type Outcome,
  ownRoleId,
  type Permission,
  permissionsAmong,
  permissionsOfRole,
  type RoleKey,
  roles,
  succeed,
} from '@ivory-ladder/core';
import { type Access, refuseBeyond } from '../access.ts';
import type { Failure } from '../failure.ts';
import type { OwnRole, Ports } from '../ports/index.ts';

type RolePorts = Pick<Ports, 'roles'>;
type Keeper = Access<'keep_people_and_settings'>;
type Bundle = Pick<OwnRole, 'name' | 'permissions'>;

/** A role of permissions that whoever makes it has. */
export async function addOwnRole(ports: RolePorts, access: Keeper, { name, permissions: named }: Bundle): Promise<Outcome<null, Failure>> {
  const permissions = permissionsAmong(named);
  const beyond = refuseName(name) ?? refuseBeyond(access, permissions);
  return beyond ? fail(beyond) : mapOutcome(await ports.roles.add(access.companyId, { name, permissions }, access.actor), () => null);
}

/** For all who have it; neither what it may nor what it might do is more than whoever changes it may. */
export async function changeOwnRole(
  ports: RolePorts,
  access: Keeper,
  id: number,
  { name, permissions: named, version }: Bundle & Pick<OwnRole, 'version'>,
): Promise<Outcome<null, Failure>> {
  const held = await permissionsHeld(ports, access.companyId, `own:${id}`);
  if (!held.ok) return held;
  const permissions = permissionsAmong(named);
  const beyond = refuseName(name) ?? refuseBeyond(access, [...held.value, ...permissions]);
  return beyond ? fail(beyond) : ports.roles.change(access.companyId, id, { name, permissions, version }, access.actor);
}

export async function deleteOwnRole(ports: RolePorts, access: Keeper, id: number, version: number): Promise<Outcome<null, Failure>> {
  const held = await permissionsHeld(ports, access.companyId, `own:${id}`);
  if (!held.ok) return held;
  const beyond = refuseBeyond(access, held.value);
  return beyond ? fail(beyond) : ports.roles.remove(access.companyId, id, version, access.actor);
}

/** None is taken for one that every company has. */
function refuseName(name: string): Failure | null {
  return roles.some((role) => role === name.trim().toLowerCase()) ? { code: 'role_name_taken', name } : null;
}

/** What a role may in a company. */
export async function permissionsHeld(ports: RolePorts, companyId: number, role: RoleKey): Promise<Outcome<readonly Permission[], Failure>> {
  if (isBuiltInRole(role)) return succeed(permissionsOfRole[role]);
  const own = await findOwnRole(ports, companyId, role);
  return own ? succeed(own.permissions) : fail({ code: 'not_found', thing: 'role', id: ownRoleId(role) as number });
}

/** Empty for a role that every company has. */
export async function roleNameOf(ports: RolePorts, companyId: number, role: RoleKey): Promise<string> {
  return isBuiltInRole(role) ? '' : ((await findOwnRole(ports, companyId, role))?.name ?? '');
}

async function findOwnRole(ports: RolePorts, companyId: number, role: RoleKey): Promise<OwnRole | undefined> {
  const id = ownRoleId(role);
  return (await ports.roles.list(companyId)).find((one) => one.id === id);
}
