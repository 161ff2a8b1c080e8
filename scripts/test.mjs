import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild } from './parts/build.mjs';
import { ensureChromium } from './parts/chromium.mjs';
import { findProgram, runCommand } from './parts/command.mjs';
import { dataFolder, projectFolder } from './parts/folders.mjs';
import { ensureMariaDb, startMariaDb, withoutSync } from './parts/mariadb.mjs';
import { ensurePackages } from './parts/packages.mjs';
import { runScript, step } from './parts/step.mjs';

/** Checks of the source, each counted as one test. */
const checks = [
  // The longest first. Those of bench are checked with the tests, over the same files.
  ...['packages/web', 'tests', 'packages/server', 'packages/core', 'packages/contract'].map((folder) => [
    `Types of ${folder}`,
    'tsc',
    ['--noEmit', '-p', folder],
  ]),
  ['Formatter and linter', 'biome', ['check', '--error-on-warnings', '.']],
  ['Layers and cycles', 'depcruise', ['--config', '.dependency-cruiser.cjs', 'packages', 'tests', 'bench']],
  ['Nothing unused', 'knip', []],
];

await runScript(async () => {
  await ensurePackages();
  await ensureMariaDb({ withCopies: true });
  const chromium = await ensureChromium();
  await ensureBuild();
  const counts = { passed: 0, failed: 0 };
  const checked = runChecks();
  await reportAudit();
  const folder = join(dataFolder, 'test-mariadb');
  const database = await step('Starting a database for the tests', () => startMariaDb(folder, { small: true, extra: withoutSync }));
  try {
    const results = await runTests(database.url, chromium);
    const passed = await checked;
    counts.passed += passed;
    counts.failed += checks.length - passed;
    counts.passed += results.numPassedTests;
    counts.failed += results.numFailedTests + results.numRuntimeErrorTestSuites;
    if (!results.success && results.numFailedTests === 0) counts.failed = Math.max(1, counts.failed);
  } finally {
    await database.stop();
    // With the schemas that tests share, and those of a run that was broken off.
    rmSync(join(folder, 'data'), { recursive: true, force: true });
  }
  process.exitCode = counts.failed === 0 ? 0 : 1;
  process.stdout.write(`${counts.passed} passed, ${counts.failed} failed\n`);
});

/** One after the other, beside the tests and behind them: they wait for the database and for pages often enough. Gives how many passed. */
async function runChecks() {
  const nice = findProgram('nice');
  let passed = 0;
  for (const [name, program, args] of checks) {
    const path = join(projectFolder, 'node_modules', '.bin', program);
    const [command, ...rest] = nice ? [nice, '-n', '19', path, ...args] : [path, ...args];
    passed += await step(name, () => runCommand(command, rest, { quiet: true, cwd: projectFolder })).then(
      () => 1,
      () => 0,
    );
  }
  return passed;
}

async function runTests(databaseUrl, chromium) {
  const folder = mkdtempSync(join(tmpdir(), 'ivory-ladder-tests-'));
  const file = join(folder, 'results.json');
  // Whatever a test writes for a while goes with the folder.
  const environment = {
    ...process.env,
    NODE_ENV: 'test',
    TMPDIR: folder,
    IVORY_LADDER_TEST_DATABASE_URL: databaseUrl,
    IVORY_LADDER_TEST_TEMPLATES: join(folder, 'templates'),
    IVORY_LADDER_CHROMIUM: chromium,
  };
  const filters = process.argv.slice(2);
  await runCommand(
    join(projectFolder, 'node_modules', '.bin', 'vitest'),
    ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${file}`, ...filters],
    { cwd: projectFolder, env: environment },
  ).catch(() => undefined);
  const results = JSON.parse(readFileSync(file, 'utf8'));
  rmSync(folder, { recursive: true, force: true });
  return { numRuntimeErrorTestSuites: 0, ...results };
}

/** Tried and reported; a registry without the endpoint fails nothing. */
async function reportAudit() {
  const report = await runCommand('npm', ['audit', '--omit=dev', '--audit-level=high'], { quiet: true, cwd: projectFolder }).then(
    () => 'no known vulnerability of high severity',
    (error) =>
      /vulnerabilit/.test(error.message) && !/endpoint|ENOAUDIT|404|E4|ECONN|ENOTFOUND/.test(error.message)
        ? `to look at:\n${error.message.slice(0, 1500)}`
        : 'the registry does not answer audits',
  );
  process.stdout.write(`• Audit of dependencies: ${report}\n`);
}
