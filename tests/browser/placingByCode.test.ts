import { describe, expect, it } from 'vitest';
import { seriousFindings, seriousFindingsInBoth, visit } from '../support/browser.ts';
import { grid, shop } from '../support/shopChart.ts';
import { openForTests } from '../support/testBrowser.ts';

const opened = openForTests();

describe('report codes', () => {
  it('a list is begun and pasted into, an account gets its code in a cell, and those without are found', async () => {
    const chart = await shop(opened.server);
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, chart.replace('/ledger/chart', '/placement/codes'));
    await page.getByRole('heading', { name: 'No lists yet' }).waitFor();
    await page.getByLabel('New list').fill('Tax return');
    await page.keyboard.press('Enter');
    await page.getByText('Added: Tax return.').waitFor();
    await page.getByText('Tax return is empty').waitFor();
    await page.evaluate(() => {
      (document.activeElement as HTMLElement).blur();
      const clipboardData = new DataTransfer();
      clipboardData.setData('text/plain', 'Code\tCaption\tAbove\tElement\nT1\tMoney\t\tasset\nT2\tTurnover\t\tincome\nT2.1\tSales\tT2\tincome');
      window.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true }));
    });
    await page.getByText('Pasted: 3 codes.').waitFor();
    const codes = page.getByRole('treegrid', { name: 'Tax return' });
    await codes.getByRole('row', { name: /^T2\.1/ }).waitFor();
    expect(await codes.locator('[data-index]').evaluateAll((found) => found.map((row) => row.getAttribute('aria-level')))).toEqual(['1', '1', '2']);
    expect(await seriousFindings(page)).toEqual([]);

    // A caption is typed into its cell.
    await codes.getByRole('row', { name: /^T1/ }).focus();
    for (const key of ['ArrowRight', 'ArrowRight', 'Enter', 'Control+a']) await page.keyboard.press(key);
    await page.keyboard.type('Cash and bank');
    await page.keyboard.press('Enter');
    await codes.getByRole('row', { name: /^T1 Cash and bank/ }).waitFor();

    // In the chart the list is a column.
    await page.getByRole('link', { name: 'Show those without' }).click();
    await grid(page).getByRole('row', { name: /^4000/ }).waitFor();
    await page.getByRole('button', { name: 'Columns' }).click();
    await page.getByRole('checkbox', { name: 'Tax return' }).check();
    await page.keyboard.press('Escape');
    const sales = grid(page).getByRole('row', { name: /^4000/ });
    await sales.getByRole('gridcell').last().dblclick();
    await page.getByLabel('Tax return', { exact: true }).fill('t1');
    await page.keyboard.press('Enter');
    // It has a code now, so it is none of those without.
    await sales.waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'Show all' }).click();
    // A code for assets on an income account is marked.
    await grid(page)
      .getByRole('row', { name: /^4000.*▲ T1/ })
      .waitFor();
    await page.getByRole('button', { name: 'Columns' }).focus();
    await page.keyboard.press('Control+z');
    await page.getByText(/^Undone/).waitFor();
    await grid(page).getByText('▲ T1').waitFor({ state: 'detached' });
    expectQuiet();
  });
});

describe('codes taken from the categories', () => {
  it('are added to the list, looked at account by account, and stand once they are applied', async () => {
    const chart = await shop(opened.server);
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, chart.replace('/ledger/chart', '/placement/codes'));
    await page.getByLabel('New list').fill('Group');
    await page.keyboard.press('Enter');
    await page.getByText('Added: Group.').waitFor();
    await page.getByRole('button', { name: 'Take codes from…' }).click();
    const dialog = page.getByRole('dialog', { name: 'Take codes of Group from' });
    await dialog.getByText(/accounts? gets? a code/).waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await dialog.getByRole('button', { name: 'Look at each account' }).click();
    await page.getByRole('button', { name: /^Apply/ }).click();
    await page.getByText(/^Applied/).waitFor();
    await page.goto(chart.replace('/ledger/chart', '/placement/codes'));
    const form = page.getByRole('form', { name: 'Complete for' });
    await form.getByLabel('Income').check();
    await form.getByRole('button', { name: 'Apply' }).click();
    await page.getByRole('region', { name: 'Proofs' }).getByText('Codes are complete').waitFor({ state: 'detached' });
    await page.getByText(/accounts have a code of it/).waitFor();

    // One of them goes to a range of numbers, in the place of what stands there.
    await page.getByRole('button', { name: 'Give one to many…' }).click();
    const many = page.getByRole('dialog', { name: 'Give one code of Group to many' });
    await many.getByRole('combobox', { name: 'Code' }).fill('Revenue');
    await page.keyboard.press('Enter');
    await many.getByRole('textbox', { name: 'Accounts with these numbers' }).fill('6* to 7');
    await many.getByText('an asterisk stands at the end of a number only').waitFor();
    await many.getByRole('textbox', { name: 'Accounts with these numbers' }).fill('1000 to 3999');
    await many.getByText(/^2 accounts get it\..*2 lose another code: 1000 Bank/).waitFor();
    expect(await seriousFindingsInBoth(page, '[role=dialog]')).toEqual([]);
    await many.getByRole('button', { name: 'Look at each account' }).click();
    await page.getByRole('button', { name: /^Apply/ }).click();
    await page.getByText(/^Applied/).waitFor();
    await page.goto(chart.replace('/ledger/chart', '/placement/codes'));
    await page
      .getByRole('treegrid', { name: 'Group' })
      .getByRole('row', { name: /Revenue.*3$/ })
      .waitFor();
    expectQuiet();
  });
});

describe('ranges of account numbers', () => {
  it('place an account at once, say where their text is wrong, and give way when it is fixed by hand', async () => {
    const chart = await shop(opened.server);
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, chart.replace('/ledger/chart', '/placement'));
    await page.getByRole('row', { name: /^Revenue/ }).click();
    const panel = page.getByRole('complementary', { name: 'Chosen category' });
    await panel.getByLabel(/4000 Sales/).check();
    await panel.getByRole('button', { name: 'Take out' }).click();
    await page.getByRole('region', { name: 'Rehearsal' }).getByText('no place by hand, from Revenue').waitFor();

    await page.getByRole('row', { name: /^Other operating income/ }).click();
    await panel.getByRole('button', { name: 'Change…' }).click();
    const field = page.getByRole('textbox', { name: 'Account numbers' });
    await field.fill('4999 to 4000');
    await page.getByText('it ends before it begins').waitFor();
    expect(await page.locator('mark').textContent()).toBe('4999 to 4000');
    expect(await page.getByRole('button', { name: 'Propose' }).isDisabled()).toBe(true);
    expect(await seriousFindings(page)).toEqual([]);
    await field.fill('4000 to 4999');
    await page.getByText('Holds 1 account').waitFor();
    await page.getByRole('button', { name: 'Propose' }).click();
    await panel.getByText('by range').waitFor();
    await page.getByText('Every account stands in a category.').waitFor();

    await panel.getByLabel(/4000 Sales/).check();
    await panel.getByRole('button', { name: 'Fix by hand' }).click();
    await panel.getByText('by range').waitFor({ state: 'detached' });
    await page.getByRole('button', { name: /^Undo/ }).click();
    await panel.getByText('by range').waitFor();
    expectQuiet();
  });
});

describe('a statement in another language', () => {
  it('is chosen beside its title and stands in the address', async () => {
    const chart = await shop(opened.server);
    const company = chart.replace('/ledger/chart', '');
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, `${company}/settings`);
    await page.getByRole('checkbox', { name: 'German' }).check();
    await page.getByRole('button', { name: 'Apply', exact: true }).click();
    await page.getByText('Applied: the settings hold from now on.').waitFor();
    await page.goto(`${company}/statements/balance-sheet`);
    await page.getByRole('combobox', { name: 'Language of captions' }).selectOption('German');
    await page.getByRole('heading', { name: 'Bilanz' }).waitFor();
    await page.getByRole('rowheader', { name: 'Summe Vermögenswerte' }).waitFor();
    expect(page.url()).toContain('language=de');
    expect(await seriousFindings(page)).toEqual([]);
    await page.reload();
    await page.getByRole('heading', { name: 'Bilanz' }).waitFor();
    expectQuiet();
  });
});
