import { checkPassword, fail, type Outcome, type PasswordRefused, type Role, succeed } from '@ivory-ladder/core';
import type { Failure } from './failure.ts';
import type { OneTimeLink, Person, Ports } from './ports/index.ts';

type PeoplePorts = Pick<Ports, 'people' | 'secrets'>;

/** Of one person within a quarter of an hour (OWASP ASVS 2.2.1). */
const mostAttempts = 10;

/** Who is not known, has no password or gives a wrong one is told the same, after the same time. */
export async function signIn({ people, secrets }: PeoplePorts, input: { email: string; password: string }): Promise<Outcome<Person, Failure>> {
  const person = await people.byEmail(input.email);
  if (person && (await people.countAttempt(person.id)) > mostAttempts) return fail({ code: 'too_many_attempts' });
  const matches = await secrets.matchesPassword(input.password, person?.passwordHash ?? null);
  if (!person || !matches) return fail({ code: 'sign_in_refused' });
  await people.noteSignIn(person.id);
  return succeed(person);
}

/** Ends every session of the person, this one included. */
export async function changePassword(ports: PeoplePorts, person: Person, input: { current: string; next: string }): Promise<Outcome<null, Failure>> {
  const { people, secrets } = ports;
  if ((await people.countAttempt(person.id)) > mostAttempts) return fail({ code: 'too_many_attempts' });
  if (!(await secrets.matchesPassword(input.current, await people.passwordHash(person.id)))) return fail({ code: 'password_wrong' });
  const refused = checkPassword(input.next, namesOf(person));
  if (refused) return fail(refused);
  await people.setPassword(person.id, await secrets.hashPassword(input.next));
  await people.noteSignIn(person.id);
  return succeed(null);
}

/** A link that makes the first administrator, or `null` where there is one. */
export async function makeFirstLink({ people, secrets }: PeoplePorts): Promise<string | null> {
  if (await people.hasAdministrator()) return null;
  const token = secrets.newToken();
  await people.makeLink(null, secrets.hashToken(token));
  return token;
}

export async function lookAtLink({ people, secrets }: PeoplePorts, token: string): Promise<Outcome<OneTimeLink, Failure>> {
  const link = await people.link(secrets.hashToken(token));
  return link?.state === 'open' ? succeed(link) : fail({ code: 'link_unusable', reason: link?.state ?? 'unknown' });
}

/** Chooses the password; the first administrator gives name and e-mail as well. */
export async function useLink(
  ports: PeoplePorts,
  { token, password, name, email }: { token: string; password: string; name?: string | undefined; email?: string | undefined },
): Promise<Outcome<Person, Failure>> {
  const looked = await lookAtLink(ports, token);
  if (!looked.ok) return looked;
  const { person } = looked.value;
  const first = person ? null : name !== undefined && email !== undefined ? { name, email } : undefined;
  if (first === undefined) return fail({ code: 'link_needs_name' });
  const refused: PasswordRefused | null = checkPassword(password, namesOf(person ?? (first as { name: string; email: string })));
  if (refused) return fail(refused);
  const { people, secrets } = ports;
  return people.useLink(secrets.hashToken(token), await secrets.hashPassword(password), first);
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
  return people.ensureDemoPerson(`${role}@eiderholm.example`, name, mayAddCompanies);
}

function namesOf({ name, email }: { name: string; email: string }): string[] {
  return [...name.split(/\s+/), email.split('@')[0] ?? '', ...email.split(/[@.]/), 'ivory', 'ladder'];
}
