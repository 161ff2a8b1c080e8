import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    maxWorkers: 2,
    projects: [
      { test: { name: 'core', include: ['packages/{core,contract}/src/**/*.test.ts'] } },
      { test: { name: 'web', include: ['packages/web/src/**/*.test.ts'] } },
      { test: { name: 'outside', include: ['tests/outside/**/*.test.ts'] } },
      { test: { name: 'server', include: ['tests/server/**/*.test.ts'], testTimeout: 180_000, hookTimeout: 180_000 } },
      { test: { name: 'browser', include: ['tests/browser/**/*.test.ts'], testTimeout: 180_000, hookTimeout: 180_000, fileParallelism: false } },
    ],
  },
});
