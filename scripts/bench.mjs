import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { startApplication } from './parts/application.mjs';
import { ensureBuild } from './parts/build.mjs';
import { ensureChromium } from './parts/chromium.mjs';
import { runCommand } from './parts/command.mjs';
import { dataFolder, projectFolder } from './parts/folders.mjs';
import { ensureMariaDb, freePort, startMariaDb } from './parts/mariadb.mjs';
import { ensurePackages } from './parts/packages.mjs';
import { runScript, step } from './parts/step.mjs';

/** Measures the production build on a database of its own; arguments go on to bench/run.ts. */
await runScript(async () => {
  await ensurePackages();
  await ensureMariaDb();
  const chromium = await ensureChromium();
  await ensureBuild();
  const folder = join(dataFolder, 'bench-mariadb');
  rmSync(folder, { recursive: true, force: true });
  const database = await step('Starting the database', () => startMariaDb(folder));
  const application = await step('Starting the application with the demo', async () =>
    startApplication(await freePort(), database.url, { IVORY_LADDER_DEMO: '1' }),
  );
  try {
    await runCommand(join(projectFolder, 'node_modules', '.bin', 'tsx'), [join(projectFolder, 'bench', 'run.ts'), ...process.argv.slice(2)], {
      cwd: projectFolder,
      env: { ...process.env, IVORY_LADDER_URL: application.url, IVORY_LADDER_DATABASE_URL: database.url, IVORY_LADDER_CHROMIUM: chromium },
    });
  } finally {
    await application.stop();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});
