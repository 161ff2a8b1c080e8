import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { runCommand } from './command.mjs';
import { projectFolder } from './folders.mjs';
import { step } from './step.mjs';

const marker = join(projectFolder, 'node_modules', '.installed-from');

/** Installs the npm packages of the lock file unless they are the ones already there. */
export async function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(projectFolder, 'package-lock.json')))
    .digest('hex');
  if (existsSync(marker) && readFileSync(marker, 'utf8') === lock) return;
  await step('Installing npm packages', async () => {
    await runCommand('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { cwd: projectFolder, quiet: true });
    writeFileSync(marker, lock);
  });
}
