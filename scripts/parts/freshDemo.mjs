import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { startApplication } from './application.mjs';
import { ensureBuild } from './build.mjs';
import { ensureChromium } from './chromium.mjs';
import { runCommand } from './command.mjs';
import { dataFolder, projectFolder } from './folders.mjs';
import { ensureMariaDb, freePort, startMariaDb } from './mariadb.mjs';
import { ensurePackages } from './packages.mjs';
import { step } from './step.mjs';

/** Runs a script in TypeScript against the production build with the demo, on a database of its own that is gone afterwards. */
export async function runOnFreshDemo(name, script, { small = false } = {}) {
  await ensurePackages();
  await ensureMariaDb();
  const chromium = await ensureChromium();
  await ensureBuild();
  const folder = join(dataFolder, `${name}-mariadb`);
  rmSync(folder, { recursive: true, force: true });
  const database = await step('Starting the database', () => startMariaDb(folder, { small }));
  const application = await step('Starting the application with the demo', async () =>
    startApplication(await freePort(), database.url, { IVORY_LADDER_DEMO: '1' }),
  );
  try {
    await runCommand(join(projectFolder, 'node_modules', '.bin', 'tsx'), [join(projectFolder, script), ...process.argv.slice(2)], {
      cwd: projectFolder,
      env: {
        ...process.env,
        IVORY_LADDER_URL: application.url,
        IVORY_LADDER_DATABASE_URL: database.url,
        IVORY_LADDER_CHROMIUM: chromium,
        IVORY_LADDER_SERVER_PID: String(application.pid),
      },
    });
  } finally {
    await application.stop();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
