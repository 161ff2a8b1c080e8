import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { AccessEventRecord, Identity, JobRecord, KeptShare, LetterRecord, Ports } from '../ports/index.ts';
import { makeLink } from './oneTimeLinks.ts';

const mostShown = 200;

export interface InstallationView {
  readonly letters: readonly LetterRecord[];
  readonly jobs: readonly JobRecord[];
  readonly events: readonly AccessEventRecord[];
  /** Whether everybody needs one, and how many who have a password have none. */
  readonly secondFactor: { readonly isRequired: boolean; readonly without: number };
  /** What this server keeps of companies between requests, in the thread of the requests. */
  readonly memory: { readonly budget: number; readonly shares: readonly KeptShare[] };
}

/** What goes out, what runs by itself and who came in; for whoever keeps the installation. */
export async function viewInstallation(
  { outbox, jobs, accessLog, secondFactors, memory }: Ports,
  { person }: Identity,
): Promise<Outcome<InstallationView, Failure>> {
  if (!person.keepsInstallation) return fail({ code: 'installation_not_kept' });
  return succeed({
    letters: await outbox.latest(mostShown),
    jobs: await jobs.latest(mostShown),
    events: await accessLog.latest(mostShown),
    secondFactor: { isRequired: await secondFactors.isRequired(), without: await secondFactors.countWithout() },
    memory: { budget: memory.budget, shares: memory.shares() },
  });
}

/** A link that sets a new password, for somebody whom no letter reaches; handed over by who keeps the installation. */
export async function helpPerson(ports: Ports, { person: keeper }: Identity, email: string, origin: string): Promise<Outcome<{ token: string }, Failure>> {
  if (!keeper.keepsInstallation) return fail({ code: 'installation_not_kept' });
  const person = await ports.people.byEmail(email);
  if (!person) return fail({ code: 'not_found', thing: 'person', id: email });
  const token = await makeLink(ports, person.id, { by: keeper.id, as: 'helped' });
  await ports.accessLog.note({ kind: 'link_made', actorId: keeper.id, personId: person.id, companyId: null, origin, facts: {} });
  return succeed({ token });
}
