import { ServerProcess } from '../support/serverProcess.ts';
import { TrialCompany } from './trialCompany.ts';
import { rows } from './trialFaults.ts';

/** What a trial did, in words, and what was wrong afterwards. */
export interface TroubleReport {
  readonly done: string;
  readonly faults: readonly string[];
}

const clients = 4;
const quietly = { IVORY_LADDER_DEMO: '0', LOG_LEVEL: 'silent', IVORY_LADDER_HEAVY_A_MINUTE: '0' };
const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

/** The database ends every connection of the server, again and again, while it posts and reads a file. */
export async function runCutTrial(databaseUrl: string, cuts: number): Promise<TroubleReport> {
  const server = await ServerProcess.prepare(databaseUrl, quietly);
  await server.start();
  const company = await TrialCompany.open(server, databaseUrl);
  const strange: string[] = [];
  let [isRunning, number, ended] = [true, 0, 0];
  const post = async () => {
    while (isRunning) {
      const answer = await company.post(server, number++);
      if (answer && ![201, 503].includes(answer.status)) strange.push(`an entry was answered ${answer.status} ${JSON.stringify(answer.body)}`);
    }
  };
  const bringIn = async () => {
    for (let file = 0; isRunning; file++) {
      const one = await company.read(server, company.fileOf(`C${file}`));
      if (one) await company.postImport(server, one);
    }
  };
  const work = Promise.all([...Array.from({ length: clients }, post), bringIn()]);
  for (let cut = 0; cut < cuts; cut++) {
    await pause(60 + 37 * (cut % 11));
    const found = await rows<{ id: number }>(databaseUrl, 'SELECT id FROM information_schema.processlist WHERE db = DATABASE() AND id <> CONNECTION_ID()');
    for (const { id } of found) await rows(databaseUrl, `KILL ${Number(id)}`).catch(() => undefined);
    ended += found.length;
  }
  isRunning = false;
  await work;
  const { faults, entries, imports } = await company.settle(server);
  await server.end('SIGTERM');
  return { done: `${ended} connections cut in ${cuts} moments; ${entries} entries and ${imports} imports posted`, faults: [...strange, ...faults] };
}

/** Two servers take in the same file at once and post it in one moment. */
export async function runImportersTrial(databaseUrl: string, rounds: number): Promise<TroubleReport> {
  const servers = [await ServerProcess.prepare(databaseUrl, quietly), await ServerProcess.prepare(databaseUrl, quietly)] as const;
  await servers[0].start();
  servers[1].enterAs(servers[0]);
  await servers[1].start();
  const company = await TrialCompany.open(servers[0], databaseUrl);
  const faults: string[] = [];
  for (let round = 0; round < rounds; round++) {
    const content = company.fileOf(`R${round}`);
    const read = await Promise.all(servers.map((server) => company.read(server, content)));
    const answers = await Promise.all(read.map((one, at) => one && company.postImport(servers[at as 0 | 1], one)));
    const statuses = answers.map((answer) => answer?.status ?? 0);
    if (!statuses.includes(200)) faults.push(`round ${round + 1}: nobody posted, ${statuses.join(' and ')}`);
    if (statuses.some((status) => ![200, 409, 422].includes(status))) faults.push(`round ${round + 1}: answered ${statuses.join(' and ')}`);
  }
  const settled = await company.settle(servers[0]);
  if (settled.imports !== rounds) faults.push(`${settled.imports} imports of ${rounds} files`);
  for (const server of servers) await server.end('SIGTERM');
  return { done: `${rounds} files posted by two servers at once, ${settled.imports} of them there`, faults: [...faults, ...settled.faults] };
}

/** The database stops answering in the midst, and goes on after a while. */
export async function runHangTrial(databaseUrl: string, pid: number, hangs: number): Promise<TroubleReport> {
  const server = await ServerProcess.prepare(databaseUrl, quietly);
  await server.start();
  const company = await TrialCompany.open(server, databaseUrl);
  const strange: string[] = [];
  let [number, longest, givenUp] = [0, 0, 0];
  for (let hang = 0; hang < hangs; hang++) {
    let isRunning = true;
    const work = Promise.all(
      Array.from({ length: clients }, async () => {
        while (isRunning) {
          const began = Date.now();
          const answer = await company.post(server, number++);
          longest = Math.max(longest, Date.now() - began);
          const { code } = (answer?.body ?? {}) as { code?: string };
          if (code === 'database_hangs') {
            givenUp++;
            await pause(200);
          } else if (answer && answer.status !== 201) strange.push(`an entry was answered ${answer.status} ${JSON.stringify(answer.body)}`);
        }
      }),
    );
    await pause(300 + 211 * hang);
    process.kill(pid, 'SIGSTOP');
    await pause(13_000);
    process.kill(pid, 'SIGCONT');
    await pause(1500);
    isRunning = false;
    await work;
  }
  if (longest > 12_000) strange.push(`an answer took ${longest} ms`);
  if (givenUp < hangs * clients) strange.push(`${givenUp} were told that the database hangs`);
  const { faults, entries } = await company.settle(server);
  await server.end('SIGTERM');
  return {
    done: `the database hung ${hangs} times for 13 s; ${givenUp} requests were told so, the slowest after ${longest} ms; ${entries} entries posted`,
    faults: [...strange, ...faults],
  };
}
