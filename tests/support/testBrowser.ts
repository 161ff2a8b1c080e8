import type { Browser } from 'playwright-core';
import { afterAll, beforeAll } from 'vitest';
import { launchBrowser } from './browser.ts';
import { TestServer } from './server.ts';

/** A server and a browser for the tests of a file; both are there once the first test begins, and gone after the last. */
export function openForTests(): { readonly server: TestServer; readonly browser: Browser } {
  const opened = {} as { server: TestServer; browser: Browser };
  beforeAll(async () => {
    opened.server = await TestServer.shared();
    opened.browser = await launchBrowser();
  });
  afterAll(async () => {
    await opened.browser?.close();
    await opened.server?.stop();
  });
  return opened;
}
