import { checkPassword, fail, type Outcome, type Role, succeed } from '@ivory-ladder/core';
import type { Failure } from './failure.ts';
import { tellPasswordChanged } from './letters.ts';
import type { AccessEvent, Identity, InvitationFound, OneTimeLink, PauseSubject, Person, Ports } from './ports/index.ts';

type SignInPorts = Pick<Ports, 'people' | 'secrets' | 'pauses' | 'browsers' | 'accessLog' | 'invitations' | 'outbox'>;

/** Where a request comes from. */
export interface Caller {
  readonly origin: string;
  /** What the browser kept from an earlier sign-in. */
  readonly browser: string | null;
}

/** As many failures of one address from one origin, and of one origin, make no pause yet. */
const freeOfAddress = 5;
const freeOfOrigin = 30;
const secondsWhereCrowded = 5;

const ofAddress = (email: string, { origin }: Caller): PauseSubject => ({ key: `address ${email} ${origin}`, free: freeOfAddress });
const ofOrigin = ({ origin }: Caller): PauseSubject => ({ key: `origin ${origin}`, free: freeOfOrigin });

/**
 * Who is not known, has no password or gives a wrong one is told the same, after the same time and as often. Each failure of one address from one
 * origin makes the next pause longer, for nobody else; a browser that the person signed in with before has no pause.
 */
export async function signIn(ports: SignInPorts, input: { email: string; password: string }, caller: Caller): Promise<Outcome<Person, Failure>> {
  const { people, secrets, pauses, browsers, accessLog } = ports;
  const person = await people.byEmail(input.email);
  const isKnown = caller.browser !== null && (await browsers.knows(person?.id ?? 0, secrets.hashToken(caller.browser)));
  const subjects = [ofAddress(input.email, caller), ofOrigin(caller)];
  const seconds = isKnown ? 0 : await pauses.take(subjects);
  if (seconds > 0) return fail({ code: 'too_many_attempts', seconds });
  const matches = await secrets.matchesPassword(input.password, person?.passwordHash ?? null, isKnown ? null : caller.origin);
  if (matches === 'crowded') return fail({ code: 'too_many_attempts', seconds: secondsWhereCrowded });
  if (!person || !matches) {
    await accessLog.note({ ...about(person, caller), kind: 'sign_in_failed', actorId: null });
    return fail({ code: 'sign_in_refused' });
  }
  await pauses.forget(ofAddress(input.email, caller));
  // A whole office signs in from one origin.
  if (!isKnown) await pauses.giveBack(ofOrigin(caller));
  await people.noteSignIn(person.id);
  await accessLog.note({ ...about(person, caller), kind: 'signed_in' });
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
  caller: Caller,
): Promise<Outcome<null, Failure>> {
  const { people, secrets, pauses, browsers, accessLog } = ports;
  const subject: PauseSubject = { key: `password ${person.id}`, free: freeOfAddress };
  const seconds = await pauses.take([subject]);
  if (seconds > 0) return fail({ code: 'too_many_attempts', seconds });
  if ((await secrets.matchesPassword(input.current, await people.passwordHash(person.id), null)) !== true) return fail({ code: 'password_wrong' });
  const refused = refusalOf(ports, input.next, person);
  if (refused) return fail(refused);
  await people.setPassword(person.id, await secrets.hashPassword(input.next));
  await pauses.forget(subject);
  await browsers.forget(person.id);
  await people.noteSignIn(person.id);
  await accessLog.note({ ...about(person, caller), kind: 'password_changed' });
  await tellPasswordChanged(ports, person);
  return succeed(null);
}

/** A link that makes the first administrator, or `null` where there is one. */
export async function makeFirstLink({ people, secrets }: Pick<Ports, 'people' | 'secrets'>): Promise<string | null> {
  if (await people.hasAdministrator()) return null;
  const token = secrets.newToken();
  await people.makeLink(null, secrets.hashToken(token), { madeBy: null, minutes: minutesOfWeek });
  return token;
}

export const minutesOfWeek = 7 * 24 * 60;

/** What a link opens: a password, or a company. */
export type LinkFound =
  | { readonly kind: 'password'; readonly link: OneTimeLink }
  | { readonly kind: 'invitation'; readonly invitation: InvitationFound; readonly hasAccount: boolean };

export async function lookAtLink({ people, secrets, invitations }: SignInPorts, token: string): Promise<Outcome<LinkFound, Failure>> {
  const hash = secrets.hashToken(token);
  const link = await people.link(hash);
  if (link) return link.state === 'open' ? succeed({ kind: 'password', link }) : fail({ code: 'link_unusable', reason: link.state });
  const invitation = await invitations.find(hash);
  if (!invitation) return fail({ code: 'link_unusable', reason: 'unknown' });
  if (invitation.state !== 'open') return fail({ code: 'link_unusable', reason: invitation.state });
  const account = await people.byEmail(invitation.email);
  return succeed({ kind: 'invitation', invitation, hasAccount: account?.hasPassword === true });
}

/** Chooses the password; the first administrator gives name and e-mail as well, who is invited may give another name. */
export async function useLink(
  ports: SignInPorts,
  { token, password, name, email }: { token: string; password: string; name?: string | undefined; email?: string | undefined },
  caller: Caller,
): Promise<Outcome<Person, Failure>> {
  const { people, secrets, invitations, browsers, accessLog } = ports;
  const looked = await lookAtLink(ports, token);
  if (!looked.ok) return refusedLink(ports, looked, caller);
  const hash = secrets.hashToken(token);
  if (looked.value.kind === 'invitation') {
    const { invitation, hasAccount } = looked.value;
    // Whoever has an account shows that it is theirs by signing in.
    if (hasAccount) return fail({ code: 'account_there_already' });
    const own = { name: name ?? invitation.name, email: invitation.email };
    const refused = refusalOf(ports, password, own);
    if (refused) return fail(refused);
    const joined = await invitations.join(hash, await secrets.hashPassword(password), own.name);
    if (joined.ok) await accessLog.note({ ...about(joined.value, caller), kind: 'invitation_accepted', companyId: invitation.companyId });
    return joined;
  }
  const { person } = looked.value.link;
  const first = person ? null : name !== undefined && email !== undefined ? { name, email } : undefined;
  if (first === undefined) return fail({ code: 'link_needs_name' });
  const refused = refusalOf(ports, password, person ?? (first as { name: string; email: string }));
  if (refused) return fail(refused);
  const used = await people.useLink(hash, await secrets.hashPassword(password), first);
  if (!used.ok) return refusedLink(ports, used, caller);
  await browsers.forget(used.value.id);
  await accessLog.note({ ...about(used.value, caller), kind: 'link_used' });
  if (person?.hasPassword) await tellPasswordChanged(ports, used.value);
  return used;
}

/** By who is signed in with the address that was invited. */
export async function acceptInvitation(ports: SignInPorts, { person }: Identity, token: string, caller: Caller): Promise<Outcome<null, Failure>> {
  const { secrets, invitations, accessLog } = ports;
  const hash = secrets.hashToken(token);
  const invitation = await invitations.find(hash);
  const accepted = await invitations.accept(hash, person);
  if (accepted.ok) await accessLog.note({ ...about(person, caller), kind: 'invitation_accepted', companyId: invitation?.companyId ?? null });
  return accepted;
}

async function refusedLink<Value>({ accessLog }: SignInPorts, refused: Outcome<Value, Failure>, caller: Caller): Promise<Outcome<never, Failure>> {
  const failure: Failure = refused.ok ? { code: 'link_unusable', reason: 'unknown' } : refused.failure;
  const reason = failure.code === 'link_unusable' ? failure.reason : failure.code;
  await accessLog.note({ ...about(null, caller), kind: 'link_refused', facts: { reason } });
  return fail(failure);
}

function about(person: Person | null, { origin }: Caller): Omit<AccessEvent, 'kind'> {
  return { actorId: person?.id ?? null, personId: person?.id ?? null, companyId: null, origin, facts: {} };
}

const demoPeople: Readonly<Record<Role, { readonly name: string; readonly mayAddCompanies: boolean }>> = {
  reader: { name: 'Ida Brandt', mayAddCompanies: false },
  reviewer: { name: 'Tomas Quay', mayAddCompanies: false },
  preparer: { name: 'Maren Eide', mayAddCompanies: true },
  administrator: { name: 'Signe Tarn', mayAddCompanies: true },
};

/** One person for each role, in every company that the demo made. */
export function demoPerson({ people }: Pick<Ports, 'people'>, role: Role): Promise<Person> {
  const { name, mayAddCompanies } = demoPeople[role];
  return people.ensureDemoPerson(`${role}@eiderholm.example`, name, mayAddCompanies, role === 'administrator');
}

function refusalOf({ secrets }: Pick<Ports, 'secrets'>, password: string, { name, email }: { name: string; email: string }): Failure | null {
  const names = [...name.split(/\s+/), email.split('@')[0] ?? '', ...email.split(/[@.]/), 'ivory', 'ladder'];
  return checkPassword(password, names) ?? (secrets.isCommonPassword(password) ? { code: 'password_refused', reason: 'common' } : null);
}
