import { join } from 'node:path';
import { ensureBuild } from './parts/build.mjs';
import { runCommand } from './parts/command.mjs';
import { projectFolder } from './parts/folders.mjs';
import { ensureMariaDb } from './parts/mariadb.mjs';
import { ensurePackages } from './parts/packages.mjs';
import { runScript } from './parts/step.mjs';

/** Kills server and database again and again while they work; arguments go on to tests/trials/run.ts. */
await runScript(async () => {
  await ensurePackages();
  await ensureMariaDb();
  await ensureBuild();
  await runCommand(join(projectFolder, 'node_modules', '.bin', 'tsx'), [join(projectFolder, 'tests', 'trials', 'run.ts'), ...process.argv.slice(2)], {
    cwd: projectFolder,
    env: process.env,
  });
});
