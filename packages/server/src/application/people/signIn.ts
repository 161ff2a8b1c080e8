import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { PauseSubject, Person, Ports } from '../ports/index.ts';
import { about } from './aboutPerson.ts';
import { tellPasswordChanged } from './letters.ts';
import { passwordRefusal } from './passwordRefusal.ts';
import { passSecondFactor } from './secondFactor.ts';

type SignInPorts = Pick<Ports, 'people' | 'secrets' | 'pauses' | 'browsers' | 'accessLog' | 'outbox' | 'codes' | 'secondFactors'>;

/** As many failures of one address from one origin make no pause yet. */
const freeOfAddress = 5;
const freeOfBrowser = 10;
const secondsWhereCrowded = 5;

/**
 * Who is not known, has no password or gives a wrong one is told the same, after the same time and as often. Each failure of one address from one
 * origin makes the next pause longer, for nobody else; a browser that the person signed in with before has a count of its own, and waits for none of
 * that. `browser`: what it kept from an earlier sign-in. Who has a second factor gives a code of it with the password; in a browser that is known too.
 */
export async function signIn(
  ports: SignInPorts,
  input: { email: string; password: string; code?: string | undefined },
  { origin, browser, now }: { readonly origin: string; readonly browser: string | null; readonly now: Date },
): Promise<Outcome<Person, Failure>> {
  const { people, secrets, pauses, browsers, accessLog } = ports;
  const person = await people.byEmail(input.email);
  const ofBrowser: PauseSubject | null =
    person && browser !== null && (await browsers.knows(person.id, secrets.hashToken(browser)))
      ? { key: `browser ${browser} ${person.id}`, free: freeOfBrowser }
      : null;
  // Too many failures in a known browser make it one like any other, for a while.
  const isKnown = ofBrowser !== null && (await pauses.take(ofBrowser)) === 0;
  const lane = isKnown ? null : origin;
  const ofAddress: PauseSubject = { key: `address ${input.email} ${origin}`, free: freeOfAddress };
  // What is turned away in a crowd was not counted, and leaves no row.
  const judged = await secrets.withinLane(lane, async () => {
    const seconds = isKnown ? 0 : await pauses.take(ofAddress);
    return { seconds, matches: seconds === 0 && (await secrets.matchesPassword(input.password, person?.passwordHash ?? null, lane)) };
  });
  if (judged === null) return fail({ code: 'too_many_attempts', seconds: secondsWhereCrowded });
  if (judged.seconds > 0) return fail({ code: 'too_many_attempts', seconds: judged.seconds });
  if (!person || !judged.matches) {
    await accessLog.note({ ...about(person, origin), kind: 'sign_in_failed', actorId: null });
    return fail({ code: 'sign_in_refused' });
  }
  // Only who knows the password hears that it is not enough.
  const passed = person.hasSecondFactor ? await passSecondFactor(ports, person, input.code, origin, now) : succeed(null);
  if (!passed.ok) return passed;
  await pauses.forget(ofAddress);
  if (ofBrowser) await pauses.forget(ofBrowser);
  await people.noteSignIn(person.id);
  await accessLog.note({ ...about(person, origin), kind: 'signed_in' });
  return succeed(person);
}

/** What the browser keeps from now on, so that the person passes where others try their address. */
export async function rememberBrowser({ browsers, secrets }: SignInPorts, personId: number, kept: string | null): Promise<string> {
  const token = kept !== null && (await browsers.knows(personId, secrets.hashToken(kept))) ? kept : secrets.newToken();
  await browsers.remember(personId, secrets.hashToken(token));
  return token;
}

/** Ends every session of the person, this one included. */
export async function changePassword(
  ports: SignInPorts,
  person: Person,
  input: { current: string; next: string },
  origin: string,
): Promise<Outcome<null, Failure>> {
  const { people, secrets, pauses, browsers, accessLog } = ports;
  const subject: PauseSubject = { key: `password ${person.id}`, free: freeOfAddress };
  const seconds = await pauses.take(subject);
  if (seconds > 0) return fail({ code: 'too_many_attempts', seconds });
  if (!(await secrets.matchesPassword(input.current, await people.passwordHash(person.id), null))) return fail({ code: 'password_wrong' });
  await pauses.forget(subject);
  const refused = passwordRefusal(ports, input.next, person);
  if (refused) return fail(refused);
  await people.setPassword(person.id, await secrets.hashPassword(input.next));
  await browsers.forget(person.id);
  await people.noteSignIn(person.id);
  await accessLog.note({ ...about(person, origin), kind: 'password_changed' });
  await tellPasswordChanged(ports, person);
  return succeed(null);
}
