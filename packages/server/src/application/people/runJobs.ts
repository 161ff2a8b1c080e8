import type { HandOver, JobKind, JobToDo, Ports } from '../ports/index.ts';
import { recover } from './recovery.ts';

type Work = (payload: never) => Promise<void>;

/** What each kind of job does. Each may be begun again after it broke off. */
export function workOf(ports: Ports, handOver: HandOver | null, tidy: () => Promise<void>): Readonly<Record<JobKind, Work>> {
  return {
    mail: ({ letter }: { letter: number }) => deliver(ports, handOver, letter),
    recovery: ({ email }: { email: string }) => recover(ports, email),
    tidy,
  };
}

/** Takes jobs until none is due; how many were done. `says`: of one that failed. */
export async function runDueJobs(
  { jobs }: Pick<Ports, 'jobs'>,
  work: Readonly<Record<JobKind, Work>>,
  says: (job: JobToDo, error: unknown) => void,
): Promise<number> {
  for (let done = 0; ; done++) {
    const job = await jobs.claim();
    if (!job) return done;
    const holding = setInterval(() => void jobs.renew(job).catch(() => undefined), 20_000);
    try {
      await work[job.kind](job.payload as never);
      await jobs.done(job);
    } catch (error) {
      says(job, error);
      await jobs.failed(job, error instanceof Error ? error.message : String(error));
    } finally {
      clearInterval(holding);
    }
  }
}

/** Marked before it is handed over: of one that broke off in between a person decides, so that nobody gets it twice unasked. */
async function deliver({ outbox }: Ports, handOver: HandOver | null, id: number): Promise<void> {
  if (!handOver) throw new Error('there is no mail server any more');
  const letter = await outbox.take(id);
  if (!letter) return;
  try {
    await handOver(letter);
  } catch (error) {
    await outbox.end(id, error instanceof Error ? error.message : String(error));
    throw error;
  }
  await outbox.end(id, '');
}
