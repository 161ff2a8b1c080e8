import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { launchBrowser, seriousFindings, visit } from '../support/browser.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
});
afterAll(() => server?.stop());

const lines = (page: Page) => page.getByRole('treegrid', { name: 'Lines' });

async function addGroup(page: Page, caption: string, first: RegExp, last: RegExp): Promise<void> {
  await page.getByRole('button', { name: 'Add line' }).click();
  await page.getByRole('menuitem', { name: /^Group/ }).click();
  await page.waitForFunction(() => document.activeElement?.matches('[data-caption]'));
  await page.keyboard.type(caption);
  await lines(page)
    .getByRole('row', { name: new RegExp(caption) })
    .click();
  await page.getByRole('button', { name: 'Add line' }).click();
  await page.getByRole('menuitem', { name: /^From the chart/ }).click();
  const chooser = page.getByRole('dialog');
  await chooser.getByLabel(/^Find an account/).fill('G');
  await chooser.getByRole('checkbox', { name: first }).click();
  await chooser.getByRole('checkbox', { name: last }).click({ modifiers: ['Shift'] });
  await chooser.getByRole('button', { name: 'One line each' }).click();
  // The next group stands behind it.
  const group = lines(page).getByRole('row', { name: new RegExp(`${caption} Total`) });
  await group.click();
  await group.getByRole('button').click();
}

it('a layout by report codes alone is composed for one company, taken along as a file, and complete in another at once', async () => {
  const ferry = await server.companyId();
  const { companies } = await server.ok<{ companies: { id: number; name: string }[] }>('GET', '/companies');
  const boatyard = companies.find(({ name }) => name === 'Eiderholm Boatyard')?.id ?? 0;
  const browser = await launchBrowser();
  const { page, expectQuiet } = await visit(browser, server.cookie, `${server.serving.url}/companies/${ferry}/layouts`);
  await page.getByRole('button', { name: 'New layout' }).click();
  await page.getByLabel('Name').fill('Group package');
  await page.getByLabel('Begins as').selectOption({ label: 'nothing: own lines' });
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.getByRole('button', { name: 'Balances' }).click();
  for (const element of ['asset', 'liability', 'equity']) await page.getByRole('checkbox', { name: element, exact: true }).check();
  await addGroup(page, 'Assets', /^G110/, /^G230/);
  await addGroup(page, 'Claims', /^G310/, /^G420/);
  await page.getByText('Coverage: 71 of 71 accounts stand exactly once').waitFor();
  const totals = async () => {
    const rows = page.getByRole('region', { name: 'Preview' }).getByRole('row', { name: /^Total/ });
    return rows.evaluateAll((found) => found.map((row) => row.querySelector('td')?.textContent ?? ''));
  };
  // Assets are positive without a word about their side.
  expect((await totals())[0]).toMatch(/^34,529,687\.67$/);
  expect(await seriousFindings(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Settings of the layout' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Take it along as a file' }).click();
  const path = join(mkdtempSync(join(tmpdir(), 'layout-file-')), 'group.json');
  await (await download).saveAs(path);

  await page.goto(`${server.serving.url}/companies/${boatyard}/layouts`);
  await page.getByLabel('A layout file').setInputFiles(path);
  await page.getByRole('heading', { name: 'Group package', level: 1 }).waitFor();
  await page.getByText('Coverage: 18 of 18 accounts stand exactly once').waitFor();
  expect((await totals())[0]).toBe('1,368,222.00');
  expectQuiet();
  await browser.close();
});
