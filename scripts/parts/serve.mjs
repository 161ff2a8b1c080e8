import { join } from 'node:path';
import { chosenPort, refuseTakenPort, startApplication } from './application.mjs';
import { ensureBuild } from './build.mjs';
import { dataFolder } from './folders.mjs';
import { ensureMariaDb, startMariaDb } from './mariadb.mjs';
import { ensurePackages } from './packages.mjs';
import { step } from './step.mjs';

/** Everything from a fresh machine to a running application; returns when it has been stopped. */
export async function serve(environment) {
  const stops = [];
  let stopping;
  const stopAll = () =>
    (stopping ??= (async () => {
      for (const stop of stops.reverse()) await stop();
    })());
  const interrupted = new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.once(signal, resolve);
  });
  try {
    const port = chosenPort();
    await refuseTakenPort(port);
    await ensurePackages();
    const outside = process.env.IVORY_LADDER_DATABASE_URL;
    if (!outside) await ensureMariaDb();
    await ensureBuild();
    const database = outside ? { url: outside } : await step('Starting the database', () => startMariaDb(join(dataFolder, 'mariadb')));
    if (database.stop) stops.push(database.stop);
    const application = await step('Starting the application', () => startApplication(port, database.url, environment));
    stops.push(application.stop);
    process.stdout.write(`Ivory Ladder is ready at ${application.url}\n`);
    const ended = [application.ended.then(() => 'The application ended.')];
    if (database.untilEnded) ended.push(database.untilEnded().then(() => 'The database ended; its log is mariadb.log in the data folder.'));
    const reason = await Promise.race([interrupted.then(() => null), ...ended]);
    process.stdout.write(`\n${reason ?? 'Stopping …'}\n`);
    if (reason !== null) process.exitCode = 1;
  } finally {
    await stopAll();
  }
}
