import { ServerProcess } from '../support/serverProcess.ts';
import { TrialCompany } from './trialCompany.ts';
import { findFaults, rows } from './trialFaults.ts';

/** A database of the trial’s own, which can be killed and started again on the same port and data. */
export interface KillableDatabase {
  readonly url: string;
  kill(): Promise<void>;
  start(): Promise<void>;
}

export interface KillReport {
  readonly kills: number;
  /** How many hit a transaction that had written rows and was not committed. */
  readonly inside: number;
  /** By what was killed. */
  readonly of: Readonly<Record<'server' | 'database' | 'both', number>>;
  readonly duringImports: number;
  readonly entriesPosted: number;
  readonly importsPosted: number;
  /** What was wrong afterwards; empty where all is well. */
  readonly faults: readonly string[];
}

const clients = 4;
const longestReading = 20_000;

/**
 * Kills server, database or both at some moment of postings and of an import, starts them again, and looks whether each
 * entry is there whole or not at all, balances are what their lines add up to, and whoever asks again posts nothing twice.
 */
export async function runKillTrial(database: KillableDatabase, kills: number, say: (text: string) => void): Promise<KillReport> {
  const server = await ServerProcess.prepare(database.url, { IVORY_LADDER_DEMO: '0', LOG_LEVEL: 'silent' });
  await server.start();
  const company = await TrialCompany.open(server, database.url);
  const faults: string[] = [];
  const report = { inside: 0, of: { server: 0, database: 0, both: 0 }, duringImports: 0 };
  let number = 0;
  for (let kill = 0; kill < kills; kill++) {
    const target = (['server', 'database', 'both'] as const)[kill % 3] as 'server' | 'database' | 'both';
    const isImporting = kill % 2 === 1;
    let isRunning = true;
    let onPosting: () => void = () => undefined;
    const isPosted = new Promise<void>((resolve) => {
      onPosting = resolve;
    });
    const work = isImporting
      ? [importOnce(server, company, kill, onPosting)]
      : Array.from({ length: clients }, async () => {
          while (isRunning) {
            const answer = await company.post(server, number++);
            if (!answer || answer.status >= 500) await pause(20);
          }
        });
    const settled = Promise.all(work.map((one) => one.catch(() => undefined)));
    // Some way into the postings, into the reading of a file or into its posting, another way each time.
    if (isImporting && kill % 4 === 3) await Promise.race([isPosted, pause(longestReading)]);
    await pause(isImporting && kill % 4 === 1 ? 200 + 250 * (kill % 5) : 20 + 17 * (kill % 7));
    if (await hasWritten(database.url)) report.inside++;
    await Promise.all([...(target === 'database' ? [] : [server.end('SIGKILL')]), ...(target === 'server' ? [] : [database.kill()])]);
    isRunning = false;
    if (target !== 'server') await database.start();
    await settled;
    if (target === 'database') await untilHealthy(server);
    else await server.start();
    report.of[target]++;
    if (isImporting) report.duringImports++;
    const found = await findFaults(database.url, company.id);
    faults.push(...found.map((fault) => `after kill ${kill + 1} of ${target}: ${fault}`));
    say(`kill ${kill + 1} of ${kills}: ${target}, ${isImporting ? 'during an import' : 'during postings'}${found.length > 0 ? `: ${found.join('; ')}` : ''}`);
  }
  const settled = await company.settle(server);
  faults.push(...settled.faults);
  await server.end('SIGTERM');
  return { kills, ...report, entriesPosted: settled.entries, importsPosted: settled.imports, faults };
}

async function importOnce(server: ServerProcess, company: TrialCompany, kill: number, onPosting: () => void): Promise<void> {
  const one = await company.read(server, company.fileOf(`K${kill}`));
  if (!one) return;
  onPosting();
  await company.postImport(server, one);
}

function pause(milliseconds: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, milliseconds));
}

async function untilHealthy(server: ServerProcess): Promise<void> {
  for (let tries = 0; tries < 300; tries++) {
    if ((await server.call('GET', '/health'))?.status === 200) return;
    await pause(100);
  }
  throw new Error('the server does not find its database again');
}

/** Waits a moment for a transaction that has written rows and is not committed. */
async function hasWritten(url: string): Promise<boolean> {
  for (let tries = 0; tries < 25; tries++) {
    const open = await rows(url, 'SELECT trx_id FROM information_schema.INNODB_TRX WHERE trx_rows_modified > 0');
    if (open.length > 0) return true;
    // The table is made anew only when nobody has read it for a tenth of a second.
    await pause(110);
  }
  return false;
}
