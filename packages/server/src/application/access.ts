import { fail, isAtLeast, type Outcome, type Role, succeed } from '@ivory-ladder/core';
import type { Failure } from './failure.ts';
import type { Actor, Identity } from './ports/index.ts';

/** The roles that a role may act as. */
interface Grants {
  readonly reader: { readonly reader: true };
  readonly reviewer: Grants['reader'] & { readonly reviewer: true };
  readonly preparer: Grants['reviewer'] & { readonly preparer: true };
  readonly administrator: Grants['preparer'] & { readonly administrator: true };
}

interface AccessWith<Granted> {
  readonly companyId: number;
  /** For the record of changes. */
  readonly actor: Actor;
  readonly personId: number | null;
  readonly role: Role;
  readonly grants: Granted;
}

/**
 * That somebody may act in a company at least as `Least`. Every use case of a company asks for one, and only
 * `enterCompany` makes it, so that none can be reached without the check; a higher access serves where a lower is asked.
 */
export type Access<Least extends Role = 'reader'> = AccessWith<Grants[Least]>;

const allGrants: Grants['administrator'] = { reader: true, reviewer: true, preparer: true, administrator: true };

/** A company that somebody does not belong to is as one that is not there. */
export function enterCompany<Least extends Role>({ person, roles }: Identity, companyId: number, least: Least): Outcome<Access<Least>, Failure> {
  const role = roles[companyId] ?? null;
  if (role === null) return fail({ code: 'not_found', thing: 'company', id: companyId });
  if (!isAtLeast(role, least)) return fail({ code: 'role_needed', needs: least, role });
  return succeed({ companyId, actor: { name: person.name, personId: person.id }, personId: person.id, role, grants: allGrants });
}

/** For what the installation does by itself: the demo's data. */
export function ownAccess(companyId: number, actor: Actor): Access<'administrator'> {
  return { companyId, actor, personId: null, role: 'administrator', grants: allGrants };
}
