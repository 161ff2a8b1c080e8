import { describe, expect, it } from 'vitest';
import { seriousFindings, visit } from '../support/browser.ts';
import { grid } from '../support/shopChart.ts';
import { openForTests } from '../support/testBrowser.ts';

const opened = openForTests();

describe('a company of names only', () => {
  it('is begun, its accounts added and brought in by name, and given numbers, on screen', async () => {
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, `${opened.server.url}/companies/new`);
    await page.getByRole('textbox', { name: 'Name' }).fill('Lantern makers');
    await page.getByRole('radio', { name: /^Maker of goods/ }).check();
    await page.getByRole('radio', { name: 'with names only' }).check();
    expect(await page.getByRole('region', { name: 'Categories and accounts' }).getByText('1000').count()).toBe(0);
    expect(await seriousFindings(page)).toEqual([]);
    await page.getByRole('button', { name: 'Create the company' }).click();
    await grid(page).waitFor();
    expect(await grid(page).getByRole('columnheader', { name: 'Number' }).count()).toBe(0);

    // A name that stands beside already is said while one types, and refused in a cell.
    await page.locator('[role=treegrid] [data-index="0"]').focus();
    await page.keyboard.press('Insert');
    const form = page.getByRole('form', { name: 'New account' });
    await form.getByLabel('Name').fill('petty cash');
    await form.getByText('An active account beside it has this name').waitFor();
    expect(await form.getByRole('button', { name: 'Add', exact: true }).isDisabled()).toBe(true);
    await form.getByLabel('Name').fill('Lantern money');
    await page.keyboard.press('Enter');
    await page.getByText('Added: Lantern money.').waitFor();
    const row = grid(page).getByRole('row', { name: /^Lantern money/ });
    await row.focus();
    for (const key of ['ArrowRight', 'Enter', 'Control+a']) await page.keyboard.press(key);
    await page.keyboard.type('Petty cash');
    await page.keyboard.press('Enter');
    await grid(page).getByRole('alert').getByText('names beside each other must differ').waitFor();
    await page.keyboard.press('Escape');

    // A trial balance by names.
    await page.goto(page.url().replace(/\/ledger\/chart.*/, '/ledger'));
    const content = 'Account name,Balance at 30 September 2026\nLantern money,500\nShare capital,-500\n';
    await page.getByLabel('Trial balance file').setInputFiles({ name: 'names.csv', mimeType: 'text/csv', buffer: Buffer.from(content) });
    await page.getByRole('heading', { name: 'Trial balance from a file' }).waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page.getByRole('button', { name: /^Post 1 entry of 2 lines/ }).click();
    await page.getByRole('treegrid', { name: 'Trial balance' }).getByText('Lantern money').waitFor();

    await page.goto(page.url().replace(/\/ledger.*/, '/settings'));
    await page.getByRole('radio', { name: 'numbers and names' }).check();
    await page.getByText(/94 accounts get a number each/).waitFor();
    await page.getByRole('button', { name: 'Apply', exact: true }).click();
    await page.getByText('Applied: the settings hold from now on.').waitFor();
    await page.goto(page.url().replace('/settings', '/ledger/chart'));
    await grid(page)
      .getByRole('row', { name: /^1010 Lantern money/ })
      .waitFor();
    expectQuiet(/status of 409/);
  });
});
