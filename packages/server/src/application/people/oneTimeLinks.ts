import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Identity, InvitationFound, OneTimeLink, Person, Ports } from '../ports/index.ts';
import { about } from './aboutPerson.ts';
import { tellPasswordChanged } from './letters.ts';
import { passwordRefusal } from './passwordRefusal.ts';

type LinkPorts = Pick<Ports, 'people' | 'secrets' | 'browsers' | 'accessLog' | 'invitations' | 'outbox'>;

/** For how long a link works that somebody asks for at the sign-in, that who keeps the installation hands over, and any other. */
export const minutesOfLink = { asked: 60, helped: 24 * 60, given: 7 * 24 * 60 };

/** What opens a link that sets the person's password; `null`: it makes the first administrator. */
export async function makeLink(
  { people, secrets }: Pick<Ports, 'people' | 'secrets'>,
  personId: number | null,
  made: { readonly by: number | null; readonly as: keyof typeof minutesOfLink },
): Promise<string> {
  const token = secrets.newToken();
  await people.makeLink(personId, secrets.hashToken(token), { madeBy: made.by, minutes: minutesOfLink[made.as] });
  return token;
}

/** A link that makes the first administrator, or `null` where there is one. */
export async function makeFirstLink(ports: Pick<Ports, 'people' | 'secrets'>): Promise<string | null> {
  return (await ports.people.hasAdministrator()) ? null : makeLink(ports, null, { by: null, as: 'given' });
}

/** What a link opens: a password, or a company. */
export type LinkFound =
  | { readonly kind: 'password'; readonly link: OneTimeLink }
  | { readonly kind: 'invitation'; readonly invitation: InvitationFound; readonly hasAccount: boolean };

export async function lookAtLink({ people, secrets, invitations }: LinkPorts, token: string): Promise<Outcome<LinkFound, Failure>> {
  const hash = secrets.hashToken(token);
  const link = await people.link(hash);
  if (link) return link.state === 'open' ? succeed({ kind: 'password', link }) : fail({ code: 'link_unusable', reason: link.state });
  const invitation = await invitations.find(hash);
  if (!invitation) return fail({ code: 'link_unusable', reason: 'unknown' });
  if (invitation.state !== 'open') return fail({ code: 'link_unusable', reason: invitation.state });
  return succeed({ kind: 'invitation', invitation, hasAccount: await people.hasAccount(invitation.email) });
}

/** Chooses the password; the first administrator gives name and e-mail as well, who is invited may give another name. */
export async function useLink(
  ports: LinkPorts,
  { token, password, name, email }: { token: string; password: string; name?: string | undefined; email?: string | undefined },
  origin: string,
): Promise<Outcome<Person, Failure>> {
  const { people, secrets, invitations, browsers, accessLog } = ports;
  const looked = await lookAtLink(ports, token);
  if (!looked.ok) return refusedLink(ports, looked.failure, origin);
  const hash = secrets.hashToken(token);
  if (looked.value.kind === 'invitation') {
    const { invitation, hasAccount } = looked.value;
    // Whoever has an account shows that it is theirs by signing in.
    if (hasAccount) return fail({ code: 'account_there_already' });
    const own = { name: name ?? invitation.name, email: invitation.email };
    const refused = passwordRefusal(ports, password, own);
    if (refused) return fail(refused);
    const joined = await invitations.join(hash, await secrets.hashPassword(password), own.name);
    if (joined.ok) await accessLog.note({ ...about(joined.value, origin), kind: 'invitation_accepted', companyId: invitation.companyId });
    return joined;
  }
  const { person } = looked.value.link;
  const first = person ? null : name !== undefined && email !== undefined ? { name, email } : undefined;
  if (first === undefined) return fail({ code: 'link_needs_name' });
  const refused = passwordRefusal(ports, password, person ?? (first as { name: string; email: string }));
  if (refused) return fail(refused);
  const used = await people.useLink(hash, await secrets.hashPassword(password), first);
  if (!used.ok) return refusedLink(ports, used.failure, origin);
  await browsers.forget(used.value.id);
  await accessLog.note({ ...about(used.value, origin), kind: 'link_used' });
  if (person?.hasPassword) await tellPasswordChanged(ports, used.value);
  return used;
}

/** By who is signed in with the address that was invited. */
export async function acceptInvitation(ports: LinkPorts, { person }: Identity, token: string, origin: string): Promise<Outcome<null, Failure>> {
  const { secrets, invitations, accessLog } = ports;
  const accepted = await invitations.accept(secrets.hashToken(token), person);
  if (!accepted.ok) return accepted;
  await accessLog.note({ ...about(person, origin), kind: 'invitation_accepted', companyId: accepted.value.companyId });
  return succeed(null);
}

async function refusedLink({ accessLog }: LinkPorts, failure: Failure, origin: string): Promise<Outcome<never, Failure>> {
  const reason = failure.code === 'link_unusable' ? failure.reason : failure.code;
  await accessLog.note({ ...about(null, origin), kind: 'link_refused', facts: { reason } });
  return fail(failure);
}
