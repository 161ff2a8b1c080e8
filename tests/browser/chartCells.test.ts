import type { Page } from 'playwright-core';
import { describe, expect, it } from 'vitest';
import { visit } from '../support/browser.ts';
import { grid, rows, shop } from '../support/shopChart.ts';
import { openForTests } from '../support/testBrowser.ts';

const opened = openForTests();

describe('cells, rows and views', () => {
  it('cells are edited in their place, refused with the reason, and taken back', async () => {
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, await shop(opened.server));
    const row = (number: string) => grid(page).getByRole('row', { name: new RegExp(`^${number}`) });
    await row('4000').focus();
    for (const key of ['ArrowRight', 'ArrowRight']) await page.keyboard.press(key);
    await page.keyboard.type('Charters');
    await page.keyboard.press('Tab');
    await row('4000').getByText('Charters').waitFor();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Control+a');
    await page.keyboard.type('Cash and cash equivalents');
    await page.keyboard.press('Enter');
    await grid(page).getByRole('alert').waitFor();
    await page.keyboard.press('Escape');
    await page.keyboard.press('Home');
    await page.keyboard.press('F2');
    await page.keyboard.press('Control+a');
    await page.keyboard.type('1000');
    await page.keyboard.press('Enter');
    await grid(page).getByRole('alert').getByText(/Bank/).waitFor();
    await page.getByLabel('Find accounts').click();
    expect(await page.evaluate(() => document.activeElement?.getAttribute('aria-label'))).toBe('Find accounts');
    await page.keyboard.press('ArrowDown');
    await expect.poll(() => page.evaluate(() => document.activeElement?.getAttribute('data-column'))).toBe('0');
    expect(await rows(page)).toEqual(['1000', '3100', '4000']);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+z');
    await page.getByText('Undone: change 4000 Sales.').waitFor();
    await row('4000').getByText('Sales').waitFor();
    await page.keyboard.press('Control+y');
    await row('4000').getByText('Charters').waitFor();
    expectQuiet(/status of (409|422)/);
  });

  it('typing goes on while what was typed is being taken, and what is refused waits in its cell', async () => {
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, await shop(opened.server));
    await page.route('**/accounts/*', async (route) => {
      await new Promise((resolve) => setTimeout(resolve, 300));
      await route.continue();
    });
    await grid(page).getByRole('row', { name: /^1000/ }).focus();
    for (const key of ['ArrowRight', 'ArrowRight']) await page.keyboard.press(key);
    for (const name of ['Till', 'Kept', 'Fares']) {
      await page.keyboard.type(name);
      await page.keyboard.press('Enter');
    }
    for (const name of ['Till', 'Kept', 'Fares'])
      await grid(page)
        .locator('[data-column="1"]:not([data-typed])', { hasText: new RegExp(`^${name}$`) })
        .waitFor();
    // Two cells of one row, the second typed before the first was taken; then a number that is another's, and on.
    await page.keyboard.press('Home');
    await page.keyboard.type('1000');
    await page.keyboard.press('Tab');
    await page.keyboard.type('Charters');
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowUp');
    const refused = page.getByRole('alert').filter({ hasText: 'Not taken: «1000»' });
    await refused.waitFor();
    await grid(page).getByText('Charters').waitFor();
    await refused.getByRole('button', { name: 'Go there' }).click();
    await grid(page).getByRole('alert').getByText(/Till/).waitFor();
    await page.keyboard.press('Control+a');
    await page.keyboard.type('4010');
    await page.keyboard.press('Enter');
    await expect.poll(() => rows(page)).toEqual(['1000', '3100', '4010']);
    await expect.poll(() => page.locator('[data-typed]').count()).toBe(0);
    expectQuiet(/status of (409|422)/);
  });

  it('a value fills down a block once it has been looked at', async () => {
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, `${await shop(opened.server)}?order=name`);
    await page.getByRole('button', { name: 'Columns' }).click();
    await page.getByRole('dialog', { name: 'Columns' }).getByLabel('External number').check();
    await page.keyboard.press('Escape');
    await grid(page).getByRole('row', { name: /^1000/ }).focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('End');
    await page.keyboard.type('G1');
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.press('Control+d');
    await page.getByRole('heading', { name: 'Changes to the chart' }).waitFor();
    await page.getByRole('button', { name: 'Apply' }).click();
    await page.getByText(/^Applied: 0 accounts added, 1 changed/).waitFor();
    expectQuiet();
  });

  it('rows are dragged to another place, and what is not allowed says why while it is dragged', async () => {
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, await shop(opened.server));
    const boxOf = async (number: string) =>
      (await grid(page)
        .getByRole('row', { name: new RegExp(`^${number}`) })
        .boundingBox()) ?? { x: 0, y: 0 };
    const drag = async (from: string, to: string, y: number) => {
      const [a, b] = [await boxOf(from), await boxOf(to)];
      await page.mouse.move(a.x + 150, a.y + 13);
      await page.mouse.down();
      await page.mouse.move(a.x + 160, a.y + 20, { steps: 3 });
      await page.mouse.move(b.x + 160, b.y + y, { steps: 6 });
    };
    await drag('4000', '3100', 13);
    await page.getByRole('treegrid').getByText('Refused: the account is of element income').waitFor();
    await page.mouse.up();
    expect(await rows(page)).toEqual(['1000', '3100', '4000']);
    await drag('4000', '1000', 2);
    await page.mouse.up();
    await page.getByText(/^Moved: 4000 Sales/).waitFor();
    await expect.poll(() => rows(page)).toEqual(['4000', '1000', '3100']);
    await page.keyboard.press('Control+z');
    await expect.poll(() => rows(page)).toEqual(['1000', '3100', '4000']);
    expectQuiet();
  });

  it('columns, their order and what is sought come back under a name', async () => {
    const url = await shop(opened.server);
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, url);
    await page.getByRole('button', { name: 'Columns' }).click();
    const columns = page.getByRole('dialog', { name: 'Columns' });
    await columns.getByRole('checkbox', { name: 'Purpose' }).check();
    await columns.getByRole('checkbox', { name: 'Last used' }).uncheck();
    await page.keyboard.press('Escape');
    await grid(page).getByRole('button', { name: 'Name' }).click();
    await page.getByRole('combobox', { name: 'Filter by element' }).selectOption('income');
    await page.getByRole('button', { name: 'Views' }).click();
    await page.getByRole('menuitem', { name: 'Save as a view…' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Income by name');
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByRole('button', { name: 'Income by name' }).waitFor();
    await page.goto(url);
    await page.getByText('3 accounts').waitFor();
    await page.getByRole('button', { name: 'Views' }).click();
    await page.getByRole('menuitem', { name: 'Income by name' }).click();
    await page.getByText('1 of 3 accounts').waitFor();
    expect(await grid(page).getByRole('columnheader').allTextContents()).toEqual(expect.arrayContaining(['Name ↑', 'Purpose']));
    expect(await grid(page).getByRole('columnheader', { name: 'Last used' }).count()).toBe(0);
    expectQuiet();
  });
});

describe('two people editing one cell', () => {
  it('the second is told what stands there now before theirs takes its place', async () => {
    const url = await shop(opened.server);
    const [first, second] = [await visit(opened.browser, opened.server.cookie, url), await visit(opened.browser, opened.server.cookie, url)];
    const cellOf = async (page: Page, text: string) => {
      await grid(page).getByRole('row', { name: /^4000/ }).focus();
      for (const key of ['ArrowRight', 'ArrowRight']) await page.keyboard.press(key);
      await page.keyboard.type(text);
      await expect.poll(() => page.getByRole('textbox', { name: 'Name' }).inputValue()).toBe(text);
    };
    await cellOf(second.page, 'Mine');
    await cellOf(first.page, 'Theirs');
    // The cell shows it at once; the second is refused only once it is kept.
    const kept = first.page.waitForResponse((response) => response.request().method() === 'PATCH');
    await first.page.keyboard.press('Enter');
    await grid(first.page)
      .getByRole('row', { name: /Theirs/ })
      .waitFor();
    await kept;
    await second.page.keyboard.press('Enter');
    await grid(second.page).getByRole('alert').getByText('Somebody changed this meanwhile to «Theirs».').waitFor();
    await expect.poll(() => second.page.getByRole('textbox', { name: 'Name' }).inputValue()).toBe('Mine');
    await second.page.keyboard.press('Enter');
    await grid(second.page).getByRole('row', { name: /Mine/ }).waitFor();
    first.expectQuiet();
    second.expectQuiet(/status of 409/);
  });
});
