import { fail, mapOutcome, type Role, succeed } from '@ivory-ladder/core';
import { addPerson, changeRole, grantCompanies, listPeople, removePerson, renewLink } from '../application/people.ts';
import type { Person, Ports } from '../application/ports/index.ts';
import { changePassword, demoPerson, lookAtLink, signIn, useLink } from '../application/signIn.ts';
import type { On } from './operationRoutes.ts';
import * as answers from './peopleAnswers.ts';
import { enterAs, leave } from './session.ts';
import { limitSignIns } from './signInLimit.ts';

/** Signing in and out, and who works in a company. */
export function peopleRoutes(on: On, ports: Ports, demoRoles: readonly Role[]): void {
  const toSession = (person: Person | null) => answers.toSession(person, demoRoles);
  on('getSession', async ({ identity }) => succeed(toSession(identity?.person ?? null)));
  on(
    'signIn',
    async ({ body, request }) => {
      const signedIn = await signIn(ports, body);
      if (signedIn.ok) await enterAs(request, signedIn.value);
      return mapOutcome(signedIn, toSession);
    },
    limitSignIns,
  );
  on('enterDemo', async ({ body, request }) => {
    if (!demoRoles.includes(body.role)) return fail({ code: 'not_found', thing: 'demo', id: body.role });
    const person = await demoPerson(ports, body.role);
    await ports.people.noteSignIn(person.id);
    await enterAs(request, person);
    return succeed(toSession(person));
  });
  on('signOut', async ({ request }) => {
    await leave(request);
    return succeed(null);
  });
  on('signOutEverywhere', async ({ identity: { person }, request }) => {
    await ports.sessions.endAllOf(person.id);
    await leave(request);
    return succeed(null);
  });
  on(
    'changePassword',
    async ({ identity: { person }, body, request }) => {
      const changed = await changePassword(ports, person, body);
      if (changed.ok) await enterAs(request, person);
      return changed;
    },
    limitSignIns,
  );
  on('lookAtLink', async ({ body }) => mapOutcome(await lookAtLink(ports, body.token), answers.toLink), limitSignIns);
  on(
    'useLink',
    async ({ body, request }) => {
      const used = await useLink(ports, body);
      if (used.ok) await enterAs(request, used.value);
      return mapOutcome(used, toSession);
    },
    limitSignIns,
  );
  on('listPeople', async ({ access }) => mapOutcome(await listPeople(ports, access), answers.toPeople));
  on('addPerson', async ({ access, body }) => addPerson(ports, access, body));
  on('changeRole', async ({ access, id, body }) => mapOutcome(await changeRole(ports, access, id('personId'), body), answers.toPeople));
  on('grantCompanies', async ({ access, id, body }) => mapOutcome(await grantCompanies(ports, access, id('personId'), body.may), answers.toPeople));
  on('removePerson', async ({ access, id, query }) => removePerson(ports, access, id('personId'), query.version));
  on('renewLink', async ({ access, id }) => renewLink(ports, access, id('personId')));
}
