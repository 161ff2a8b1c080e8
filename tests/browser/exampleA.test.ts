import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { shortDay } from '@ivory-ladder/core';
import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { launchBrowser, seriousFindings, shownFigures, visit } from '../support/browser.ts';
import { exampleDays, exampleFile, publishedBalanceSheet, publishedIncomeStatement } from '../support/exampleA.ts';
import { bringInCashExample, cashExampleFile, publishedCashFlow } from '../support/exampleACash.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
let browser: Browser;
beforeAll(async () => {
  server = await TestServer.start();
  browser = await launchBrowser();
});
afterAll(async () => {
  await browser?.close();
  await server?.stop();
});

const asShown = (amount: number) => (amount < 0 ? `(${Math.abs(amount).toLocaleString('en-US')}.00)` : `${amount.toLocaleString('en-US')}.00`);

/** IAS 7, Illustrative Examples, example A; values from memory (see support/exampleA.ts). */
describe('example A of IAS 7 in the browser', () => {
  it('goes from two files to statements as published, as a user would', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${server.serving.url}/companies/new`);
    await page.getByRole('textbox', { name: 'Name' }).fill('Example A');
    await page.getByRole('button', { name: 'Create the company' }).click();
    await page.getByRole('heading', { name: 'No accounts yet' }).waitFor();
    const folder = mkdtempSync(join(tmpdir(), 'example-a-'));
    for (const year of ['x2', 'x1'] as const) {
      const path = join(folder, `tb-${exampleDays[year]}.csv`);
      writeFileSync(path, exampleFile(year));
      await page.getByRole('link', { name: 'Ledger', exact: true }).click();
      await page.getByLabel('Trial balance file').setInputFiles(path);
      await page.getByRole('heading', { name: 'Trial balance from a file' }).waitFor();
      await page.getByText('✓ none').waitFor();
      expect(await page.getByLabel('Balances at').inputValue()).toBe(shortDay(exampleDays[year]));
      await page.getByRole('button', { name: /^Post \d+ entr/ }).click();
      await page.waitForURL((url) => !url.pathname.includes('/trial-balance-file/'));
      await page.getByText(/^Posted:/).waitFor();
    }
    await page.getByRole('link', { name: /Placement/ }).click();
    const changes = [
      ['Sales', 'Step of the income statement', 'Revenue'],
      ['Investment income', 'Step of the income statement', 'Investing'],
      ['Interest expense', 'Step of the income statement', 'Financing'],
      ['Foreign exchange loss', 'Step of the income statement', 'Financing'],
      ['Portfolio investments', 'Current or non-current', 'Non-current'],
      ['Long-term debt', 'Current or non-current', 'Non-current'],
    ] as const;
    for (const [name, field, value] of changes) {
      await page.getByRole('treegrid', { name: 'Categories' }).getByText(name, { exact: true }).first().click();
      const panel = page.getByRole('complementary', { name: 'Chosen category' });
      await panel.getByRole('heading', { name, exact: true }).waitFor();
      if (await panel.getByText(value, { exact: true }).isVisible()) continue;
      await panel.getByRole('button', { name: 'Change…' }).click();
      await page.getByLabel(field).selectOption({ label: value });
      await page.getByRole('button', { name: 'Propose', exact: true }).click();
      await page.getByRole('dialog').waitFor({ state: 'detached' });
    }
    await page.getByText('Every account stands in a category').waitFor();
    await page.getByRole('region', { name: 'Rehearsal' }).getByRole('button', { name: 'Apply', exact: true }).click();
    await page.getByText(/^Applied: \d+ categories changed/).waitFor();
    await page.getByRole('link', { name: 'Layouts' }).click();
    await page.getByLabel('within retained earnings').check();
    await page.getByText('Applied: the statements follow at once.').waitFor();
    await page.getByRole('link', { name: /Statements/ }).click();
    const income = await shownFigures(page);
    for (const [caption, amount] of Object.entries(publishedIncomeStatement)) expect(income.get(caption)?.[0], caption).toBe(asShown(amount));
    await page.getByRole('link', { name: 'Balance sheet' }).click();
    await page.getByRole('rowheader', { name: 'Total assets' }).waitFor();
    const sheet = await shownFigures(page);
    for (const [caption, [x2, x1]] of Object.entries(publishedBalanceSheet))
      expect(sheet.get(caption)?.slice(0, 2), caption).toEqual([asShown(x2), asShown(x1)]);
    for (const proof of ['Trial balance 0', 'Assets = liabilities + equity', 'Profit carried to equity', 'Coverage: every account stands once'])
      expect(await page.getByRole('link', { name: proof }).isVisible(), proof).toBe(true);
    expectQuiet();
  });

  it('takes the cash flow from a layout file, adds what was fixed, puts it in use, and shows it as published, each figure opening to what it is made of', async () => {
    const { id } = await bringInCashExample(server);
    const { page, expectQuiet } = await visit(browser, server.cookie, `${server.serving.url}/companies/${id}/layouts?from=2022-01-01&to=2022-12-31`);
    const path = join(mkdtempSync(join(tmpdir(), 'example-a-')), 'cash-flow.layout.json');
    writeFileSync(path, JSON.stringify(cashExampleFile()));
    await page.getByLabel('A layout file').setInputFiles(path);
    await page.getByRole('heading', { name: 'Statement of cash flows', level: 1 }).waitFor();
    const preview = page.getByRole('treegrid', { name: 'Statement of cash flows' });
    await page.getByText('21 of 21 accounts stand exactly once').waitFor();
    await page.getByText('Change in cash explained: 70.00').waitFor();
    // A fixed amount is of the company that it was made in; here it is said anew.
    await page.getByText(/Left behind, as amounts of another company: Equipment acquired under a lease/).waitFor();
    const moved = page.getByRole('region', { name: 'Moved between lines' });
    await moved.getByRole('button', { name: 'Add a fixed amount' }).click();
    await moved.getByLabel(/^Why/).fill('Equipment acquired under a lease');
    await moved.getByLabel('Taken from').selectOption({ label: 'Proceeds from long-term borrowings' });
    await moved.getByLabel('Added on').selectOption({ label: 'Purchase of property, plant and equipment' });
    await moved.getByLabel('More inflow there').fill('900');
    await preview
      .getByRole('row', { name: /^Purchase of property/ })
      .getByText('(350.00)')
      .waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await preview
      .getByRole('row', { name: /Net increase in cash and cash equivalents/ })
      .getByText('110.00', { exact: true })
      .waitFor();
    await page.getByRole('button', { name: 'Put in use…' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Put in use' }).click();
    await page.getByText('In use: version 1 of Statement of cash flows.').waitFor();
    await page.getByRole('link', { name: 'Run it' }).click();
    await page.waitForURL(/statements\/layout-/);
    await page.getByText('Shown in another line; the total of both is the same').waitFor();
    const shown = await shownFigures(page);
    for (const [caption, amount] of Object.entries(publishedCashFlow)) expect(shown.get(caption)?.[0], caption).toBe(asShown(amount));
    await page
      .getByRole('row', { name: /^Interest paid/ })
      .getByRole('button')
      .nth(1)
      .click();
    await page.getByRole('button', { name: /5300 Interest expense/ }).waitFor();
    expect(await page.getByRole('button', { name: /2100 Interest payable/ }).isVisible()).toBe(true);
    await page.getByRole('link', { name: 'Cash flow', exact: true }).click();
    await page.getByRole('link', { name: 'Change in cash explained' }).waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    expectQuiet();
  });
});
