import { describe, expect, it } from 'vitest';
import { seriousFindings, visit } from '../support/browser.ts';
import { openShop } from '../support/shop.ts';
import { openForTests } from '../support/testBrowser.ts';

const opened = openForTests();

describe('the climb of an account', () => {
  it('opens from Find and from the menu of a row, by keys alone, and each rung opens what stands under it', async () => {
    const { id } = await openShop(opened.server);
    const base = `${opened.server.serving.url}/companies/${id}`;
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, `${base}/ledger`);
    await page.getByRole('treegrid', { name: 'Trial balance' }).waitFor();
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: /Find/ }).fill('travel');
    await page.getByRole('option', { name: /6300 Travel/ }).waitFor();
    await page.keyboard.press('Shift+Enter');
    const income = page.getByRole('region', { name: 'Income statement' });
    await income.getByRole('row', { name: 'Other operating expenses (400.00) 25.0 %' }).waitFor();
    await income.getByRole('row', { name: 'Profit for the period 200.00 (50.0) %' }).waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await income.waitFor({ state: 'detached' });

    await page.getByRole('row', { name: /6200/ }).focus();
    await page.keyboard.press('Shift+F10');
    await page.getByRole('menuitem', { name: 'Climb' }).waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page.keyboard.press('Enter');
    await income.getByRole('row', { name: 'Other operating expenses (400.00) 75.0 %' }).waitFor();
    await income.getByRole('link', { name: 'Other operating expenses' }).press('Enter');
    await page.getByRole('heading', { name: 'What (400.00) is made of' }).waitFor();
    expect(page.url()).toContain('/statements/income-statement');
    expectQuiet();
  });

  it('is beside what can be done with a category in the menu of its row', async () => {
    const { id } = await openShop(opened.server);
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, `${opened.server.serving.url}/companies/${id}/placement`);
    await page.getByRole('row', { name: /^Other operating expenses/ }).click({ button: 'right' });
    expect(await page.getByRole('menuitem').allTextContents()).toEqual([
      'Its accountsEnter',
      'What it holds on the statement',
      'Change…F2',
      'Add beside…Insert',
      'Nest new…',
      'Move upAlt ↑',
      'Move downAlt ↓',
      'Delete or merge…Delete',
    ]);
    await page.getByRole('menuitem', { name: /Move up/ }).click();
    await page.getByRole('region', { name: 'Rehearsal' }).waitFor();
    await page.getByRole('row', { name: /^Other operating expenses/ }).click({ button: 'right' });
    await page.getByRole('menuitem', { name: 'What it holds on the statement' }).click();
    await page.getByRole('heading', { name: 'What (400.00) is made of' }).waitFor();
    expectQuiet();
  });
});
