import type { Logger } from 'pino';
import { runDueJobs, workOf } from './application/people/index.ts';
import type { HandOver, Ports } from './application/ports/index.ts';

const secondsBetweenLooks = 2;

/** Does what no request waits for, beside the requests; ends with what is under way. */
export function startWork(ports: Ports, handOver: HandOver | null, forgetUnneeded: () => Promise<void>, log: Logger): { stop: () => Promise<void> } {
  const work = workOf(ports, handOver, async () => {
    await forgetUnneeded();
    await ports.jobs.forgetOld();
  });
  let tidied = '';
  let stopped = false;
  let running: Promise<unknown> = Promise.resolve();
  let isRunning = false;
  const look = async (): Promise<void> => {
    // Once an hour, whichever server is first.
    const hour = new Date().toISOString().slice(0, 13);
    if (hour !== tidied) await ports.jobs.add('tidy', hour, null);
    tidied = hour;
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
