import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { runCommand } from './command.mjs';
import { projectFolder } from './folders.mjs';
import { step } from './step.mjs';

const marker = join(projectFolder, 'packages', 'server', 'dist', '.built-from');

/** Builds web and server unless the sources are the ones the last build was made from. */
export async function ensureBuild() {
  const sources = hashOfSources();
  if (existsSync(marker) && readFileSync(marker, 'utf8') === sources) return;
  await step('Building the application', async () => {
    await runCommand('npm', ['run', 'build', '--silent'], { cwd: projectFolder, quiet: true });
    writeFileSync(marker, sources);
  });
}

function hashOfSources() {
  const hash = createHash('sha256');
  const files = ['package-lock.json', ...['core', 'contract', 'server', 'web'].flatMap((name) => sourcesUnder(join('packages', name)))];
  for (const file of files.sort()) hash.update(file).update(readFileSync(join(projectFolder, file)));
  return hash.digest('hex');
}

function sourcesUnder(folder) {
  return readdirSync(join(projectFolder, folder), { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return entry.name === 'dist' || entry.name === 'node_modules' ? [] : sourcesUnder(path);
    return /\.test\.tsx?$/.test(entry.name) ? [] : [path];
  });
}
