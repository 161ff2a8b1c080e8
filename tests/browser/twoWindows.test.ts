import type { Page } from 'playwright-core';
import { describe, it } from 'vitest';
import { visit } from '../support/browser.ts';
import { openShop } from '../support/shop.ts';
import { openForTests } from '../support/testBrowser.ts';

const opened = openForTests();
const bar = (page: Page) => page.getByRole('region', { name: 'Rehearsal' });

describe('two windows of one person', () => {
  it('rehearse the placement together: what either moved stands in both, and is said', async () => {
    const address = `${opened.server.serving.url}/companies/${(await openShop(opened.server)).id}/placement/ranges?numbers=expense`;
    const windows = await Promise.all([0, 1].map(() => visit(opened.browser, opened.server.cookie, address)));
    const [one, other] = windows.map(({ page }) => page) as [Page, Page];
    const field = (page: Page, category: string) => page.getByRole('textbox', { name: `Account numbers of ${category}`, exact: true });
    const write = async (page: Page, category: string, text: string) => {
      const saved = page.waitForResponse((answer) => answer.url().endsWith('/rehearsals') && answer.request().method() === 'POST');
      await field(page, category).fill(text);
      await field(page, category).press('Enter');
      await saved;
    };
    for (const page of [one, other]) await field(page, 'Staff costs').waitFor();
    await write(one, 'Staff costs', '6500 to 6599');
    await write(other, 'Finance costs', '6800');
    await other.getByText('Another window of yours made or took out 1 change: joined here.').waitFor();
    await other.waitForFunction(() => [...document.querySelectorAll('input')].some(({ value }) => value === '6500 to 6599'));
    // The first sees it when somebody comes back to it, and its own undo leaves the other's alone.
    await one.evaluate(() => window.dispatchEvent(new Event('focus')));
    await one.waitForFunction(() => [...document.querySelectorAll('input')].some(({ value }) => value === '6800'));
    const undone = one.waitForResponse((answer) => answer.url().endsWith('/rehearsals') && answer.request().method() === 'POST');
    await one.keyboard.press('Control+z');
    await undone;
    await one.reload();
    await bar(one).waitFor();
    await one.waitForFunction(() => {
      const values = [...document.querySelectorAll('input')].map(({ value }) => value);
      return values.includes('6800') && !values.includes('6500 to 6599');
    });
    for (const { expectQuiet } of windows) expectQuiet();
  });

  it('what one applies takes nothing from the other, which is told where the placement is otherwise by now', async () => {
    const address = `${opened.server.serving.url}/companies/${(await openShop(opened.server)).id}/placement/ranges?numbers=expense`;
    const windows = await Promise.all([0, 1].map(() => visit(opened.browser, opened.server.cookie, address)));
    const [one, other] = windows.map(({ page }) => page) as [Page, Page];
    const field = (page: Page) => page.getByRole('textbox', { name: 'Account numbers of Staff costs', exact: true });
    for (const page of [one, other]) await field(page).waitFor();
    for (const [page, text] of [
      [one, '6500 to 6599'],
      [other, '6500 to 6550'],
    ] as const) {
      const saved = page.waitForResponse((answer) => answer.url().endsWith('/rehearsals') && answer.request().method() === 'POST');
      await field(page).fill(text);
      await field(page).press('Enter');
      await saved;
    }
    await bar(one).getByRole('button', { name: 'Apply', exact: true }).click();
    await one.getByText(/^Applied: /).waitFor();
    await one.getByRole('button', { name: 'Undo', exact: true }).waitFor();
    await bar(one).waitFor({ state: 'detached' });
    // Long enough for what would be kept a moment later.
    await one.waitForTimeout(1500);
    await other.reload();
    await bar(other).getByText('1 change cannot be applied as proposed').waitFor();
    await one.getByRole('button', { name: 'Undo', exact: true }).click();
    await one.getByText('Taken back: the placement is as it was before.').waitFor();
    for (const { expectQuiet } of windows) expectQuiet();
  });
});
