import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { projectFolder } from './folders.mjs';
import { canConnect } from './mariadb.mjs';
import { StepFailed } from './step.mjs';

export function chosenPort() {
  const port = Number(process.env.PORT ?? 4380);
  if (!Number.isInteger(port) || port < 1 || port > 65535) throw new StepFailed(`PORT is «${process.env.PORT}», which is no port number`);
  return port;
}

export async function refuseTakenPort(port) {
  if (await canConnect(port)) throw new StepFailed(`Port ${port} is taken by another program. Stop it, or choose another port: PORT=${port + 1} npm run demo`);
}

/** Starts the built application and waits until it says that it is healthy. `environment` adds to our own. */
export async function startApplication(port, databaseUrl, environment = {}) {
  const child = spawn(process.execPath, ['--enable-source-maps', join(projectFolder, 'packages', 'server', 'dist', 'main.js')], {
    cwd: projectFolder,
    detached: true,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, NODE_ENV: 'production', ...environment, PORT: String(port), IVORY_LADDER_DATABASE_URL: databaseUrl },
  });
  const ended = new Promise((resolve) => child.once('exit', resolve));
  const hasEnded = () => child.exitCode !== null || child.signalCode !== null;
  const stop = async () => {
    if (!hasEnded()) child.kill('SIGTERM');
    await ended;
  };
  for (const began = Date.now(); Date.now() - began < 300_000; ) {
    if (hasEnded()) throw new StepFailed('the application ended while starting; its reason stands above');
    const healthy = await fetch(`http://127.0.0.1:${port}/api/health`).then(
      (answer) => answer.ok,
      () => false,
    );
    if (healthy) return { stop, ended, url: `http://127.0.0.1:${port}`, pid: child.pid };
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  await stop();
  throw new StepFailed('the application did not become healthy in five minutes');
}
