import { fail, type Outcome, type Permission, permissions, permissionsBeyond, type RoleKey, succeed } from '@ivory-ladder/core';
import type { Failure } from './failure.ts';
import type { Actor, Identity } from './ports/index.ts';

interface AccessWith<Granted> {
  readonly companyId: number;
  /** For the record of changes. */
  readonly actor: Actor;
  readonly personId: number | null;
  readonly role: RoleKey;
  /** All that they may in the company, for what depends on what is asked. */
  readonly permissions: readonly Permission[];
  readonly grants: Granted;
}

/**
 * That somebody has these permissions in a company. Every use case of a company asks for one, and only `enterCompany` makes it, so that none can be reached
 * without the check.
 */
export type Access<Needed extends Permission = 'see'> = AccessWith<{ readonly [One in Needed | BroughtAlong<Needed>]: true }>;

/** As `permissionsAmong` has it. */
type BroughtAlong<Needed extends Permission> = Needed extends 'see' ? 'see' : 'see' | 'see_papers';

const allGrants = Object.fromEntries(permissions.map((permission) => [permission, true])) as Record<Permission, true>;

/** A company that somebody does not belong to is as one that is not there. */
export function enterCompany<Needed extends Permission>({ person, memberships }: Identity, companyId: number, needs: Needed): Outcome<Access<Needed>, Failure> {
  const membership = memberships[companyId] ?? null;
  if (membership === null) return fail({ code: 'not_found', thing: 'company', id: companyId });
  const { role, permissions: held } = membership;
  if (!held.includes(needs)) return fail({ code: 'permission_needed', needs });
  return succeed({ companyId, actor: { name: person.name, personId: person.id }, personId: person.id, role, permissions: held, grants: allGrants });
}

/** For what the installation does by itself: the demo's data. */
export function ownAccess(companyId: number, actor: Actor): Access<Permission> {
  return { companyId, actor, personId: null, role: 'administrator', permissions, grants: allGrants };
}

/** For what is asked beside what the operation needs. */
export function refuseWithout({ permissions: held }: Access, needs: Permission): Failure | null {
  return held.includes(needs) ? null : { code: 'permission_needed', needs };
}

/** Nobody gives, changes or takes away what they may not themselves. */
export function refuseBeyond({ permissions: held }: Access, asked: readonly Permission[]): Failure | null {
  const beyond = permissionsBeyond(held, asked);
  return beyond.length > 0 ? { code: 'beyond_own_permissions', permissions: beyond } : null;
}
