import { fail, type Outcome, type Role, succeed } from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import type { Member, Ports } from './ports/index.ts';

type PeoplePorts = Pick<Ports, 'people' | 'secrets'>;
type Administrator = Access<'administrator'>;

export async function listPeople({ people }: PeoplePorts, { companyId }: Administrator): Promise<Outcome<Member[], Failure>> {
  return succeed(await people.members(companyId));
}

/** One who cannot sign in yet gets a one-time link, which is said once and kept nowhere. */
export async function addPerson(
  ports: PeoplePorts,
  access: Administrator,
  input: { name: string; email: string; role: Role },
): Promise<Outcome<{ personId: number; token: string | null }, Failure>> {
  const added = await ports.people.addMember(access.companyId, input, access.actor);
  if (!added.ok) return added;
  const { id, hasPassword } = added.value;
  const mayLink = !hasPassword && (await isInHands(ports, access, id));
  return succeed({ personId: id, token: mayLink ? await makeLink(ports, id) : null });
}

export async function changeRole(
  { people }: PeoplePorts,
  { companyId, actor }: Administrator,
  personId: number,
  { role, version }: { role: Role; version: number },
): Promise<Outcome<Member[], Failure>> {
  const changed = await people.changeRole(companyId, personId, role, version, actor);
  return changed.ok ? succeed(await people.members(companyId)) : changed;
}

/** The right is the installation's, and passed on by those who have it; nobody takes it from themselves. */
export async function grantCompanies(
  { people }: PeoplePorts,
  { companyId, personId: ownId, actor }: Administrator,
  personId: number,
  may: boolean,
): Promise<Outcome<Member[], Failure>> {
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
  return succeed(await people.members(companyId));
}

export function removePerson({ people }: PeoplePorts, { companyId, actor }: Administrator, personId: number, version: number): Promise<Outcome<null, Failure>> {
  return people.removeMember(companyId, personId, version, actor);
}

/**
 * A link sets a new password and so opens all that the person may see: only an administrator of every company the
 * person belongs to may make one.
 */
export async function renewLink(ports: PeoplePorts, access: Administrator, personId: number): Promise<Outcome<{ personId: number; token: string }, Failure>> {
  const role = await ports.people.roleIn(personId, access.companyId);
  if (role === null) return fail({ code: 'not_found', thing: 'person', id: personId });
  if (!(await isInHands(ports, access, personId))) return fail({ code: 'person_of_other_companies' });
  return succeed({ personId, token: await makeLink(ports, personId) });
}

async function isInHands({ people }: PeoplePorts, { personId }: Administrator, other: number): Promise<boolean> {
  return personId === null || (await people.isInHandsOf(other, personId));
}

async function makeLink({ people, secrets }: PeoplePorts, personId: number): Promise<string> {
  const token = secrets.newToken();
  await people.makeLink(personId, secrets.hashToken(token));
  return token;
}
