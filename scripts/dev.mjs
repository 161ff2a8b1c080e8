import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { chosenPort, refuseTakenPort } from './parts/application.mjs';
import { ensureBuild } from './parts/build.mjs';
import { dataFolder, projectFolder } from './parts/folders.mjs';
import { ensureMariaDb, startMariaDb } from './parts/mariadb.mjs';
import { ensurePackages } from './parts/packages.mjs';
import { runScript, step } from './parts/step.mjs';

/** Server restarted and web replaced hot on every change, with the demo data. */
await runScript(async () => {
  const port = chosenPort();
  const webPort = Number(process.env.IVORY_LADDER_DEV_PORT ?? port + 1);
  await refuseTakenPort(port);
  await ensurePackages();
  await ensureMariaDb();
  await ensureBuild();
  const database = await step('Starting the database', () => startMariaDb(join(dataFolder, 'mariadb')));
  const bin = (name) => join(projectFolder, 'node_modules', '.bin', name);
  const environment = {
    ...process.env,
    PORT: String(port),
    IVORY_LADDER_DEV_PORT: String(webPort),
    IVORY_LADDER_DATABASE_URL: database.url,
    IVORY_LADDER_DEMO: '1',
    IVORY_LADDER_CHECK_ANSWERS: '1',
    IVORY_LADDER_HOSTS: `127.0.0.1:${webPort}`,
  };
  const children = [
    spawn(bin('tsx'), ['watch', '--clear-screen=false', 'src/main.ts'], {
      cwd: join(projectFolder, 'packages', 'server'),
      stdio: 'inherit',
      env: environment,
      detached: true,
    }),
    spawn(bin('vite'), [], { cwd: join(projectFolder, 'packages', 'web'), stdio: 'inherit', env: environment, detached: true }),
  ];
  await new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, resolve);
    for (const child of children) child.once('exit', resolve);
  });
  for (const child of children) child.kill('SIGTERM');
  await database.stop();
});
