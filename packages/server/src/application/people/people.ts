import { fail, type Outcome, type Permission, type RoleKey, succeed } from '@ivory-ladder/core';
import { type Access, refuseBeyond } from '../access.ts';
import type { Failure } from '../failure.ts';
import type { Invitation, Invited, Member, OwnRole, Ports } from '../ports/index.ts';
import { invitationLetter } from './letters.ts';
import { makeLink } from './oneTimeLinks.ts';
import { permissionsHeld, roleNameOf } from './ownRoles.ts';

type PeoplePorts = Pick<Ports, 'people' | 'roles' | 'secrets' | 'invitations' | 'accessLog' | 'outbox' | 'ledger' | 'address'>;
type Keeper = Access<'keep_people_and_settings'>;

export interface PeopleOfCompany {
  readonly members: readonly Member[];
  readonly invitations: readonly Invitation[];
  readonly ownRoles: readonly OwnRole[];
}

export async function listPeople({ people, invitations, roles }: PeoplePorts, { companyId }: Keeper): Promise<Outcome<PeopleOfCompany, Failure>> {
  return succeed({ members: await people.members(companyId), invitations: await invitations.list(companyId), ownRoles: await roles.list(companyId) });
}

/** Asks the owner of an address into the company. Whether there is such a person, and what they are elsewhere, is neither told nor touched. */
export async function invitePerson(
  ports: PeoplePorts,
  access: Keeper,
  input: Invited,
  origin: string,
): Promise<Outcome<{ invitationId: number; token: string }, Failure>> {
  const refused = await refuseGiving(ports, access, [input.role]);
  if (refused) return fail(refused);
  const token = ports.secrets.newToken();
  const added = await ports.invitations.add(access.companyId, input, ports.secrets.hashToken(token), access.actor);
  if (!added.ok) return added;
  await ports.accessLog.note({ ...by(access, origin), kind: 'invited', facts: { email: input.email, role: input.role } });
  await sendInvitation(ports, access, input, token);
  return succeed({ invitationId: added.value, token });
}

/** The link before stops working. */
export async function renewInvitation(
  ports: PeoplePorts,
  access: Keeper,
  invitationId: number,
  origin: string,
): Promise<Outcome<{ invitationId: number; token: string }, Failure>> {
  const refused = await refuseForInvitation(ports, access, invitationId);
  if (refused) return fail(refused);
  const token = ports.secrets.newToken();
  const renewed = await ports.invitations.renew(access.companyId, invitationId, ports.secrets.hashToken(token), access.actor);
  if (!renewed.ok) return renewed;
  await ports.accessLog.note({ ...by(access, origin), kind: 'invitation_renewed', facts: { email: renewed.value.email } });
  await sendInvitation(ports, access, renewed.value, token);
  return succeed({ invitationId, token });
}

export async function withdrawInvitation(ports: PeoplePorts, access: Keeper, invitationId: number, origin: string): Promise<Outcome<null, Failure>> {
  const refused = await refuseForInvitation(ports, access, invitationId);
  if (refused) return fail(refused);
  const withdrawn = await ports.invitations.withdraw(access.companyId, invitationId, access.actor);
  if (withdrawn.ok) await ports.accessLog.note({ ...by(access, origin), kind: 'invitation_withdrawn', facts: { invitationId } });
  return withdrawn;
}

async function sendInvitation(ports: PeoplePorts, { companyId, actor }: Keeper, invited: Invited, token: string): Promise<void> {
  const structure = await ports.ledger.structure(companyId);
  const role = (await roleNameOf(ports, companyId, invited.role)) || invited.role;
  await ports.outbox.post(invitationLetter(ports.address(), { ...invited, role, company: structure?.company.name ?? '', by: actor.name }, token));
}

export async function changeRole(
  ports: PeoplePorts,
  access: Keeper,
  personId: number,
  { role, version }: { role: RoleKey; version: number },
): Promise<Outcome<PeopleOfCompany, Failure>> {
  const held = await ports.people.roleIn(personId, access.companyId);
  const refused = await refuseGiving(ports, access, held === null ? [role] : [held, role]);
  if (refused) return fail(refused);
  const changed = await ports.people.changeRole(access.companyId, personId, role, version, access.actor);
  return changed.ok ? listPeople(ports, access) : changed;
}

/** The right is the installation's, and passed on by those who have it; nobody takes it from themselves. */
export async function grantCompanies(ports: PeoplePorts, access: Keeper, personId: number, may: boolean): Promise<Outcome<PeopleOfCompany, Failure>> {
  const { people } = ports;
  const { companyId, personId: ownId, actor } = access;
  const members = await people.members(companyId);
  const member = members.find((one) => one.personId === personId);
  if (!member) return fail({ code: 'not_found', thing: 'person', id: personId });
  const own = ownId === null ? null : await people.person(ownId);
  if (!own?.mayAddCompanies) return fail({ code: 'adding_companies_refused' });
  if (own.id === personId) return fail({ code: 'own_right_kept' });
  if (member.mayAddCompanies !== may) {
    const set = await people.setMayAddCompanies(companyId, member, may, actor);
    if (!set.ok) return set;
  }
  return listPeople(ports, access);
}

export async function removePerson(ports: PeoplePorts, access: Keeper, personId: number, version: number): Promise<Outcome<null, Failure>> {
  const { companyId, actor } = access;
  const held = await ports.people.roleIn(personId, companyId);
  const refused = held === null ? null : await refuseGiving(ports, access, [held]);
  return refused ? fail(refused) : ports.people.removeMember(companyId, personId, version, actor);
}

async function refuseForInvitation(ports: PeoplePorts, access: Keeper, invitationId: number): Promise<Failure | null> {
  const invitation = (await ports.invitations.list(access.companyId)).find(({ id }) => id === invitationId);
  return invitation ? refuseGiving(ports, access, [invitation.role]) : { code: 'not_found', thing: 'invitation', id: invitationId };
}

/** Nobody gives or takes away a role that may more than they may. */
async function refuseGiving(ports: PeoplePorts, access: Keeper, roles: readonly RoleKey[]): Promise<Failure | null> {
  const asked: Permission[] = [];
  for (const role of roles) {
    const held = await permissionsHeld(ports, access.companyId, role);
    if (!held.ok) return held.failure;
    asked.push(...held.value);
  }
  return refuseBeyond(access, asked);
}

/**
 * A link sets a new password and so opens all that the person may see: only who administers every company the person belongs to may make one,
 * or keeps the installation. It is good for the rights of both as they are now.
 */
export async function renewLink(
  ports: PeoplePorts,
  access: Keeper,
  personId: number,
  origin: string,
): Promise<Outcome<{ personId: number; token: string }, Failure>> {
  const { people, accessLog } = ports;
  const role = await people.roleIn(personId, access.companyId);
  if (role === null) return fail({ code: 'not_found', thing: 'person', id: personId });
  if (access.personId !== null && !(await people.isInHandsOf(personId, access.personId))) return fail({ code: 'person_of_other_companies' });
  const token = await makeLink(ports, personId, { by: access.personId, as: 'given' });
  await accessLog.note({ ...by(access, origin), kind: 'link_made', personId });
  return succeed({ personId, token });
}

function by({ companyId, personId }: Keeper, origin: string) {
  return { actorId: personId, personId: null, companyId, origin, facts: {} };
}
