import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { launchBrowser, seriousFindingsInBoth, visit } from '../support/browser.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
let browser: Browser;
let company: string;
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
  browser = await launchBrowser();
  company = `${server.serving.url}/companies/${await server.companyId()}`;
});
afterAll(async () => {
  await browser?.close();
  await server?.stop();
});

const files = join(dirname(fileURLToPath(import.meta.url)), '..', 'files');

/** Climb, ranges and others are looked at by the tests that walk them. */
const views = [
  'statements/balance-sheet?detail=accounts',
  'statements/income-statement?cell=profit~0',
  'statements/income-statement?plan=periods',
  'statements/changes-in-equity',
  'statements/trial-balance',
  'placement',
  'placement/coverage',
  'ledger',
  'ledger?account=1',
  'ledger/chart?account=144',
  'history',
  'proofs',
  'layouts',
];

/** Headings of the page that something else stands over. */
const coveredHeadings = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    Array.from(document.querySelectorAll('h1'), (heading) => {
      // Some are for who cannot see the page.
      if (heading.getBoundingClientRect().width < 3) return '';
      const text = document.createRange();
      text.selectNodeContents(heading);
      const covered = Array.from(text.getClientRects()).some(({ left, right, top, bottom }) =>
        [left + 2, right - 2].some((x) => {
          const found = document.elementFromPoint(x, (top + bottom) / 2);
          return found !== null && !heading.contains(found);
        }),
      );
      return covered ? (heading.textContent ?? '') : '';
    }).filter(Boolean),
  );

describe('every view, in the light and in the dark', () => {
  it.each(views)('%s has no serious finding of axe, no covered heading, no sideways scrolling, and a quiet console', async (path) => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${company}/${path}`);
    await page
      .getByRole('heading', { level: 1 })
      .or(page.getByRole('heading', { level: 2 }))
      .first()
      .waitFor();
    await page.waitForLoadState('networkidle');
    expect(await coveredHeadings(page)).toEqual([]);
    expect(await seriousFindingsInBoth(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    expectQuiet();
  });

  it('the dialogs too: find, move to, a new category, accounts for a category', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${company}/placement`);
    await page.getByText('Fuel and lubricants', { exact: true }).click();
    await page.getByRole('checkbox', { name: /5340 Slipway hire/ }).check();
    const dialogs = [
      () => page.keyboard.press('Control+k'),
      () => page.getByRole('button', { name: 'Move to…' }).click(),
      () => page.getByRole('button', { name: /Add a category of expense/ }).click(),
      () => page.getByRole('button', { name: 'Add accounts…' }).click(),
      () => page.getByRole('button', { name: 'Change…' }).click(),
      () => page.getByRole('button', { name: 'Delete…' }).click(),
    ];
    for (const open of dialogs) {
      await open();
      await page.getByRole('dialog').waitFor();
      expect(await seriousFindingsInBoth(page, '[role=dialog]')).toEqual([]);
      await page.keyboard.press('Escape');
      await page.getByRole('dialog').waitFor({ state: 'detached' });
    }
    expectQuiet();
  });

  it('the companies and the import screen too', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${server.serving.url}/companies`);
    await page.getByRole('link', { name: /Eiderholm Ferry Company/ }).waitFor();
    expect(await seriousFindingsInBoth(page)).toEqual([]);
    await page.goto(`${company}/ledger`);
    await page.getByLabel('Trial balance file').setInputFiles(join(files, 'swiss-turnover.csv'));
    await page.getByRole('heading', { name: 'Trial balance from a file' }).waitFor();
    expect(await seriousFindingsInBoth(page)).toEqual([]);
    expectQuiet();
  });
});

describe('a statement at other widths', () => {
  it.each([
    [820, 1180],
    [1920, 1080],
  ])('reads at %s wide without sideways scrolling', async (width, height) => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${company}/statements/balance-sheet`, { width, height });
    await page.getByRole('rowheader', { name: 'Total assets' }).waitFor();
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    expectQuiet();
  });
});
