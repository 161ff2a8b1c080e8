import { fail, mapOutcome, type Outcome, type Role, succeed } from '@ivory-ladder/core';
import type { Request } from 'express';
import type { Access } from '../application/access.ts';
import type { Failure } from '../application/failure.ts';
import {
  acceptInvitation,
  addOwnRole,
  askRecovery,
  beginSecondFactor,
  changeOwnRole,
  changePassword,
  changeRole,
  confirmSecondFactor,
  deleteOwnRole,
  demoPerson,
  grantCompanies,
  helpPerson,
  invitePerson,
  listPeople,
  lookAtLink,
  rememberBrowser,
  removePerson,
  removeSecondFactor,
  renewInvitation,
  renewLink,
  renewRecoveryCodes,
  requireSecondFactor,
  signIn,
  takeSecondFactor,
  useLink,
  viewInstallation,
  viewSecondFactor,
  withdrawInvitation,
} from '../application/people/index.ts';
import type { Identity, Person, Ports } from '../application/ports/index.ts';
import { browserKept, keepInBrowser } from './browserCookie.ts';
import type { On } from './operationRoutes.ts';
import { originOf } from './origin.ts';
import * as answers from './peopleAnswers.ts';
import { enterAs, leave, markOf } from './session.ts';
import { limitTries } from './tryLimit.ts';

/** Signing in and out, and who works in a company. */
export function peopleRoutes(on: On, ports: Ports, demoRoles: readonly Role[]): void {
  const toSession = async (person: Person | null) =>
    answers.toSession(person, demoRoles, person?.hasPassword === true && !person.hasSecondFactor && (await ports.secondFactors.isRequired()));
  /** A new session, in a browser that is known from now on. */
  const enter = async (request: Request, person: Person): Promise<void> => {
    keepInBrowser(request, await rememberBrowser(ports, person.id, browserKept(request)));
    await enterAs(request, person);
  };
  on('getSession', async ({ identity }) => succeed(await toSession(identity?.person ?? null)));
  on('signIn', async ({ body, request }) => {
    const signedIn = await signIn(ports, body, { origin: originOf(request), browser: browserKept(request), now: new Date() });
    if (!signedIn.ok) return signedIn;
    await enter(request, signedIn.value);
    return succeed(await toSession(signedIn.value));
  });
  on('enterDemo', async ({ body, request }) => {
    if (!demoRoles.includes(body.role)) return fail({ code: 'not_found', thing: 'demo', id: body.role });
    const person = await demoPerson(ports, body.role);
    await ports.people.noteSignIn(person.id);
    await enterAs(request, person);
    return succeed(await toSession(person));
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
  const listSessions = async (person: Person, request: Request) =>
    succeed(answers.toSessions(await ports.sessions.listOf(person.id), markOf(request, ports.secrets)));
  on('listSessions', async ({ identity: { person }, request }) => listSessions(person, request));
  on('endSession', async ({ identity: { person }, body, request }) => {
    const ended = await ports.sessions.endOne(person.id, body.mark);
    if (ended)
      await ports.accessLog.note({ kind: 'session_ended', actorId: person.id, personId: person.id, companyId: null, origin: originOf(request), facts: {} });
    return listSessions(person, request);
  });
  on('changePassword', async ({ identity: { person }, body, request }) => {
    const changed = await changePassword(ports, person, body, originOf(request));
    if (changed.ok) await enter(request, person);
    return changed;
  });
  on('getSecondFactor', async ({ identity }) => viewSecondFactor(ports, identity));
  on('beginSecondFactor', async ({ identity, body }) => beginSecondFactor(ports, identity, body.password));
  on('confirmSecondFactor', async ({ identity, body, request }) => confirmSecondFactor(ports, identity, body.code, originOf(request), new Date()));
  on('renewRecoveryCodes', async ({ identity, body, request }) => renewRecoveryCodes(ports, identity, body.code, originOf(request), new Date()));
  on('removeSecondFactor', async ({ identity, body, request }) => removeSecondFactor(ports, identity, body, originOf(request), new Date()));
  on('lookAtLink', async ({ body }) => mapOutcome(await lookAtLink(ports, body.token), answers.toLink), { before: limitTries });
  on(
    'useLink',
    async ({ body, request }) => {
      const used = await useLink(ports, body, originOf(request));
      if (!used.ok) return used;
      // A letter opens no second factor: whoever has one signs in with it now.
      if (used.value.hasSecondFactor) return succeed(await toSession(null));
      await enter(request, used.value);
      return succeed(await toSession(used.value));
    },
    { before: limitTries },
  );
  on('acceptInvitation', async ({ body, identity, request }) => acceptInvitation(ports, identity, body.token, originOf(request)), { before: limitTries });
  on('askRecovery', async ({ body, request }) => askRecovery(ports, body.email, originOf(request), new Date()), { before: limitTries });
  on('listPeople', async ({ access }) => mapOutcome(await listPeople(ports, access), answers.toPeople));
  on('invitePerson', async ({ access, body, request }) => invitePerson(ports, access, body, originOf(request)));
  on('renewInvitation', async ({ access, id, request }) => renewInvitation(ports, access, id('invitationId'), originOf(request)));
  on('withdrawInvitation', async ({ access, id, request }) => withdrawInvitation(ports, access, id('invitationId'), originOf(request)));
  on('changeRole', async ({ access, id, body }) => mapOutcome(await changeRole(ports, access, id('personId'), body), answers.toPeople));
  /** The people, and the roles as they are then. */
  const thenPeople = async (access: Access<'keep_people_and_settings'>, done: Outcome<null, Failure>) =>
    done.ok ? mapOutcome(await listPeople(ports, access), answers.toPeople) : done;
  on('addOwnRole', async ({ access, body }) => thenPeople(access, await addOwnRole(ports, access, body)));
  on('changeOwnRole', async ({ access, id, body }) => thenPeople(access, await changeOwnRole(ports, access, id('roleId'), body)));
  on('deleteOwnRole', ({ access, id, query }) => deleteOwnRole(ports, access, id('roleId'), query.version));
  on('grantCompanies', async ({ access, id, body }) => mapOutcome(await grantCompanies(ports, access, id('personId'), body.may), answers.toPeople));
  on('removePerson', async ({ access, id, query }) => removePerson(ports, access, id('personId'), query.version));
  on('renewLink', async ({ access, id, request }) => renewLink(ports, access, id('personId'), originOf(request)));
  const viewAs = async (identity: Identity) => mapOutcome(await viewInstallation(ports, identity), answers.toInstallation);
  on('getInstallation', async ({ identity }) => viewAs(identity));
  on('requireSecondFactor', async ({ identity, body, request }) => {
    const done = await requireSecondFactor(ports, identity, body.isRequired, originOf(request));
    return done.ok ? viewAs(identity) : done;
  });
  on('takeSecondFactor', async ({ identity, body, request }) => {
    const done = await takeSecondFactor(ports, identity, body.email, originOf(request));
    return done.ok ? viewAs(identity) : done;
  });
  on('helpPerson', async ({ identity, body, request }) => helpPerson(ports, identity, body.email, originOf(request)));
}
