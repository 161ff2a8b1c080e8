import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startMariaDb } from '../../scripts/parts/mariadb.mjs';
import type { KillableDatabase } from './killTrial.ts';

/** A MariaDB of a trial's own in a folder that is gone afterwards; `extra`: arguments of its server. */
export async function startOwnDatabase(extra: readonly string[] = []): Promise<KillableDatabase & { pid(): number; stop(): Promise<void> }> {
  const folder = mkdtempSync(join(tmpdir(), 'ivory-ladder-trial-'));
  let running = await startMariaDb(folder, { small: true, extra });
  const { port, url } = running;
  return {
    url,
    pid: () => running.pid,
    kill: async () => {
      process.kill(running.pid, 'SIGKILL');
      await running.untilEnded();
    },
    start: async () => {
      running = await startMariaDb(folder, { small: true, extra, port });
    },
    stop: async () => {
      await running.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
