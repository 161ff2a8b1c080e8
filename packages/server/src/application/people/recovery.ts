import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Ports } from '../ports/index.ts';
import { recoveryLetter } from './letters.ts';
import { makeLink } from './oneTimeLinks.ts';

const minutesBetween = 5;
/** As many from one origin are sent before the next waits. */
const freeOfOrigin = 20;

/** Whether the address is known shows in nothing: the work is a job, whoever it is for, and one in five minutes for an address. */
export async function askRecovery({ jobs, secrets, pauses, accessLog }: Ports, email: string, origin: string, now: Date): Promise<Outcome<null, Failure>> {
  const seconds = await pauses.take({ key: `recovery ${origin}`, free: freeOfOrigin });
  if (seconds > 0) return fail({ code: 'too_many_attempts', seconds });
  const slot = Math.floor(now.getTime() / (minutesBetween * 60_000));
  await jobs.add('recovery', `${secrets.hashToken(email).toString('hex')} ${slot}`, { email });
  await accessLog.note({ kind: 'recovery_asked', actorId: null, personId: null, companyId: null, origin, facts: {} });
  return succeed(null);
}

/** Sends the link, where there is somebody of this address. */
export async function recover(ports: Ports, email: string): Promise<void> {
  const person = await ports.people.byEmail(email);
  if (!person) return;
  const token = await makeLink(ports, person.id, { by: null, as: 'asked' });
  await ports.outbox.post(recoveryLetter(ports.address(), person, token));
}
