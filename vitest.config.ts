import { defineConfig } from 'vitest/config';

// A busy machine may be many times slower; what a test says about time it measures itself.
const patient = { testTimeout: 180_000, hookTimeout: 180_000 };

export default defineConfig({
  test: {
    maxWorkers: 2,
    projects: [
      { test: { name: 'core', include: ['packages/{core,contract}/src/**/*.test.ts'], ...patient } },
      { test: { name: 'web', include: ['packages/web/src/**/*.test.ts'], ...patient } },
      { test: { name: 'outside', include: ['tests/outside/**/*.test.ts'], ...patient } },
      { test: { name: 'server', include: ['tests/server/**/*.test.ts'], ...patient } },
      { test: { name: 'browser', include: ['tests/browser/**/*.test.ts'], ...patient, setupFiles: ['tests/support/closeVisits.ts'] } },
    ],
  },
});
