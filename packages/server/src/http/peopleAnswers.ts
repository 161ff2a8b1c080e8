import type { LinkView, PersonList, Session } from '@ivory-ladder/contract';
import type { Role } from '@ivory-ladder/core';
import type { Member, OneTimeLink, Person } from '../application/ports/index.ts';

export function toSession(person: Person | null, demoRoles: readonly Role[]): Session {
  if (!person) return { person: null, demoRoles: [...demoRoles] };
  const { id, name, email, mayAddCompanies, hasPassword } = person;
  return { person: { id, name, email, mayAddCompanies, hasPassword }, demoRoles: [...demoRoles] };
}

export function toLink({ person }: OneTimeLink): LinkView {
  return { isFirst: person === null, name: person?.name ?? '', email: person?.email ?? '' };
}

export function toPeople(people: readonly Member[]): PersonList {
  return {
    people: people.map(({ personId, name, email, role, version, hasPassword, mayAddCompanies, lastSignIn }) => ({
      personId,
      name,
      email,
      role,
      version,
      hasPassword,
      mayAddCompanies,
      lastSignIn,
    })),
  };
}
