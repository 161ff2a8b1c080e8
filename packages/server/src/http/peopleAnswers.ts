import type { InstallationView, LinkView, PersonList, Session, SessionList } from '@ivory-ladder/contract';
import type { Role } from '@ivory-ladder/core';
import type { InstallationView as Installation, LinkFound, PeopleOfCompany } from '../application/people/index.ts';
import type { Person, SessionRecord } from '../application/ports/index.ts';

export function toSession(person: Person | null, demoRoles: readonly Role[], lacksSecondFactor: boolean): Session {
  return { person, demoRoles: [...demoRoles], lacksSecondFactor };
}

export function toLink(found: LinkFound): LinkView {
  if (found.kind === 'invitation') {
    const { invitation, hasAccount } = found;
    const { name, email, company, role, roleName } = invitation;
    return { opens: 'company', name, email, invitation: { company, role, roleName, hasAccount } };
  }
  const { person } = found.link;
  return { opens: person === null ? 'first' : 'password', name: person?.name ?? '', email: person?.email ?? '', invitation: null };
}

export function toPeople({ members, invitations, ownRoles }: PeopleOfCompany): PersonList {
  return {
    people: members.map(({ personId, name, email, role, version, hasPassword, mayAddCompanies, hasSecondFactor, lastSignIn }) => ({
      personId,
      name,
      email,
      role,
      version,
      hasPassword,
      mayAddCompanies,
      hasSecondFactor,
      lastSignIn,
    })),
    invitations: invitations.map(({ id, email, role, invitedAt, isOpen }) => ({ invitationId: id, email, role, invitedAt, isOpen })),
    ownRoles: ownRoles.map(({ permissions, ...role }) => ({ ...role, permissions: [...permissions] })),
  };
}

export function toSessions(sessions: readonly SessionRecord[], here: string): SessionList {
  return { sessions: sessions.map((session) => ({ ...session, isHere: session.mark === here })) };
}

export function toInstallation({ letters, jobs, events, secondFactor, memory }: Installation): InstallationView {
  return { letters: [...letters], jobs: [...jobs], events: [...events], secondFactor, memory: { ...memory, shares: [...memory.shares] } };
}
