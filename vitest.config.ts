import { defineConfig } from 'vitest/config';

// A busy machine may be many times slower; what a test says about time it measures itself.
const patient = { testTimeout: 180_000, hookTimeout: 180_000, expect: { poll: { timeout: 30_000 } } };
// What is tested is loaded once for each worker and not for each file: of the server that is five seconds each.
const common = { ...patient, isolate: false };

export default defineConfig({
  test: {
    // More than cores: tests wait for the database, for pages and for time to pass.
    maxWorkers: 4,
    // Answers and pages are made and forgotten by the thousand: with the usual 16 MB for what is young a fifth of the time went to sorting it out.
    execArgv: ['--max-semi-space-size=64'],
    // Two, since a worker loads what it tests anew for each project.
    projects: [
      { test: { name: 'parts', include: ['packages/{core,contract,server,web}/src/**/*.test.{ts,tsx}', 'tests/outside/**/*.test.ts'], ...common } },
      {
        test: {
          name: 'whole',
          include: ['tests/{server,browser}/**/*.test.ts'],
          ...common,
          setupFiles: ['tests/support/closeVisits.ts', 'tests/support/watchStatements.ts'],
        },
      },
    ],
  },
});
