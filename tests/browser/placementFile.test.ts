import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { seriousFindings, visit } from '../support/browser.ts';
import { openShop } from '../support/shop.ts';
import { openForTests } from '../support/testBrowser.ts';

const opened = openForTests();

describe('classifications and files of the placement', () => {
  it('another classification begins as a copy, a file changes it as a rehearsal, and the main one stays as it is', async () => {
    const { id } = await openShop(opened.server);
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, `${opened.server.serving.url}/companies/${id}/placement`);
    await page.getByRole('button', { name: 'Statutory', exact: true }).click();
    await page.getByRole('menuitem', { name: 'New classification…' }).click();
    await page.getByRole('textbox', { name: 'Name' }).fill('Management');
    expect(await seriousFindings(page)).toEqual([]);
    await page.keyboard.press('Enter');
    const menu = page.getByRole('button', { name: 'Management', exact: true });
    await menu.click();
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: 'Save as CSV' }).click()]);
    const text = readFileSync(await download.path(), 'utf8');
    const folder = mkdtempSync(join(tmpdir(), 'placement-'));
    const load = async (name: string, content: string) => {
      const file = join(folder, name);
      writeFileSync(file, content);
      await page.getByLabel('File of the placement').setInputFiles(file);
    };
    await load('wrong.csv', text.replace('6300,Travel,expense,Other operating expenses', '6300,Travel,expense,Revenue'));
    const wrong = page.getByRole('dialog', { name: 'Nothing of wrong.csv was taken' });
    await wrong.getByRole('row', { name: /Category Revenue is of another element than the account/ }).waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await load('right.csv', text.replace('6300,Travel,expense,Other operating expenses', '6300,Travel,expense,People > Fares'));
    await page.getByText('Loaded: 1 account and 2 categories differ. Nothing is applied yet.').waitFor();
    const bar = page.getByRole('region', { name: 'Rehearsal' });
    await bar.getByRole('button', { name: 'Apply', exact: true }).click();
    await page.getByText(/^Applied: 1 account moved/).waitFor();
    await page.getByRole('row', { name: /Fares/ }).waitFor();

    await menu.click();
    await page.getByRole('menuitem', { name: /^Statutory/ }).click();
    await page.getByRole('button', { name: 'Statutory (main)' }).waitFor();
    await page.getByRole('row', { name: /Fares/ }).waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'Statutory (main)' }).click();
    await page.getByRole('menuitem', { name: /^Management/ }).click();
    await menu.click();
    await page.getByRole('menuitem', { name: 'Make Management the main one' }).click();
    await page.getByText('Statements and proofs go by Management from now on.').waitFor();
    await page.goto(`${opened.server.serving.url}/companies/${id}/statements/income-statement`);
    await page
      .getByRole('rowheader', { name: /People/ })
      .first()
      .waitFor();
    await page.getByRole('combobox', { name: 'Classification' }).selectOption('Statutory');
    await page.getByRole('heading', { name: 'Income statement (Statutory)' }).waitFor();
    expectQuiet();
  });
});
