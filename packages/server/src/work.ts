import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import type { HandOver, Ports } from './application/ports/index.ts';
import { runDueJobs, workOf } from './application/runJobs.ts';
import { forgetOldKeys } from './persistence/idempotency.ts';
import { forgetAbandonedImports } from './persistence/journalStore.ts';
import { forgetOldBrowsers } from './persistence/knownBrowsers.ts';
import { purgeRemoved } from './persistence/removeCompany.ts';
import { forgetEndedSessions } from './persistence/sessionStore.ts';
import { forgetOldPauses } from './persistence/signInPauses.ts';

const secondsBetweenLooks = 2;

/** Does what no request waits for, beside the requests; ends with what is under way. */
export function startWork(ports: Ports, database: DataSource, handOver: HandOver | null, log: Logger): { stop: () => Promise<void> } {
  const work = workOf(ports, handOver, () => tidy(ports, database));
  let stopped = false;
  let running: Promise<unknown> = Promise.resolve();
  let isRunning = false;
  const look = async (): Promise<void> => {
    // Once an hour, whichever server is first.
    await ports.jobs.add('tidy', new Date().toISOString().slice(0, 13), null);
    await runDueJobs(ports, work, ({ kind }, error) => log.warn({ err: error, kind }, 'a job failed and is tried again'));
  };
  const timer = setInterval(() => {
    if (stopped || isRunning) return;
    isRunning = true;
    running = look()
      .catch((error: unknown) => log.warn({ err: error }, 'jobs could not be looked at'))
      .finally(() => {
        isRunning = false;
      });
  }, secondsBetweenLooks * 1000);
  return {
    stop: async () => {
      stopped = true;
      clearInterval(timer);
      await running;
    },
  };
}

/** What nobody needs any more, in steps that hold few locks. */
async function tidy({ jobs }: Ports, database: DataSource): Promise<void> {
  for (const forget of [forgetOldKeys, forgetEndedSessions, forgetAbandonedImports, forgetOldPauses, forgetOldBrowsers, purgeRemoved]) await forget(database);
  await jobs.forgetOld();
}
