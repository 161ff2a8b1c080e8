import { join } from 'node:path';
import { ensureBuild } from './parts/build.mjs';
import { runCommand } from './parts/command.mjs';
import { dataFolder, projectFolder } from './parts/folders.mjs';
import { ensureMariaDb, startMariaDb } from './parts/mariadb.mjs';
import { ensurePackages } from './parts/packages.mjs';
import { runScript } from './parts/step.mjs';

/** Compares the kept balances with the lines (`verify`), or makes them anew where they differ (`rebuild`); beside a running application too. */
await runScript(async () => {
  await ensurePackages();
  await ensureBuild();
  const outside = process.env.IVORY_LADDER_DATABASE_URL;
  if (!outside) await ensureMariaDb();
  const folder = join(dataFolder, 'mariadb');
  const database = outside ? { url: outside } : await startMariaDb(folder);
  try {
    await runCommand(process.execPath, ['--enable-source-maps', join(projectFolder, 'packages', 'server', 'dist', 'ledger.js'), ...process.argv.slice(2)], {
      cwd: projectFolder,
      env: { ...process.env, IVORY_LADDER_DATABASE_URL: database.url },
    });
  } finally {
    // One that an application runs on is left to it.
    if (database.isOurs) await database.stop();
  }
});
