import type { Outcome, Permission } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';

/** A bundle of permissions that a company made. */
export interface OwnRole {
  readonly id: number;
  readonly name: string;
  readonly permissions: readonly Permission[];
  readonly version: number;
  /** People and invitations that have it. */
  readonly holders: number;
}

export interface RoleStore {
  /** By name. */
  list(companyId: number): Promise<OwnRole[]>;
  /** Refused where another has the name. */
  add(companyId: number, role: Pick<OwnRole, 'name' | 'permissions'>, actor: Actor): Promise<Outcome<number, Failure>>;
  /** For all who have it, from their next request on. */
  change(companyId: number, id: number, role: Pick<OwnRole, 'name' | 'permissions' | 'version'>, actor: Actor): Promise<Outcome<null, Failure>>;
  /** Refused while anybody has it, or is invited to it. */
  remove(companyId: number, id: number, version: number, actor: Actor): Promise<Outcome<null, Failure>>;
}
