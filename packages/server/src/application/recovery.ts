import { recoveryLetter } from './letters.ts';
import type { Ports } from './ports/index.ts';

const minutesOpen = 60;
const minutesBetween = 5;

/** Whether the address is known shows in nothing: the work is a job, whoever it is for, and one in five minutes for an address. */
export async function askRecovery({ jobs, secrets, accessLog }: Ports, email: string, origin: string, now: Date): Promise<void> {
  const slot = Math.floor(now.getTime() / (minutesBetween * 60_000));
  await jobs.add('recovery', `${secrets.hashToken(email).toString('hex')} ${slot}`, { email });
  await accessLog.note({ kind: 'recovery_asked', actorId: null, personId: null, companyId: null, origin, facts: {} });
}

/** Sends the link, where there is somebody of this address. */
export async function recover({ people, secrets, outbox, address }: Ports, email: string): Promise<void> {
  const person = await people.byEmail(email);
  if (!person) return;
  const token = secrets.newToken();
  await people.makeLink(person.id, secrets.hashToken(token), { madeBy: null, minutes: minutesOpen });
  await outbox.post(recoveryLetter(address(), person, token));
}
