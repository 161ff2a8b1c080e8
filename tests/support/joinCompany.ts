import type { Invited, LinkView, PersonList } from '@ivory-ladder/contract';
import type { RoleKey } from '@ivory-ladder/core';
import { ApiClient, testAdministrator } from './apiClient.ts';

interface Joining {
  readonly name?: string;
  readonly email: string;
  readonly role: RoleKey;
  readonly password?: string;
}

/** Invites somebody, who accepts: with a new account, or with the one they have. */
export async function joinCompany(
  administrator: ApiClient,
  companyId: number,
  { name = 'Nils Berg', email, role, password = testAdministrator.password }: Joining,
) {
  const people = `/companies/${companyId}/people`;
  const { token } = await administrator.ok<Invited>('POST', people, { name, email, role });
  const client = new ApiClient(administrator.url);
  const { invitation } = await client.ok<LinkView>('POST', '/links/look', { token });
  if (invitation?.hasAccount) {
    await client.enter('/session', { email, password });
    await client.call('POST', '/links/accept', { token });
  } else await client.enter('/links/use', { token, password });
  const { people: members } = await administrator.ok<PersonList>('GET', people);
  const member = members.find((person) => person.email === email);
  if (!member) throw new Error(`${email} has not joined`);
  return { client, personId: member.personId, token };
}
