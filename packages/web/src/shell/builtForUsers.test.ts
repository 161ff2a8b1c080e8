import { join } from 'node:path';
import { resolveConfig } from 'vite';
import { expect, it } from 'vitest';

it('is built for users, whatever NODE_ENV the shell has', async () => {
  expect(process.env.NODE_ENV).toBe('test');
  const built = await resolveConfig({ root: join(import.meta.dirname, '..', '..'), logLevel: 'silent' }, 'build', 'production');
  expect(built.isProduction).toBe(true);
});
