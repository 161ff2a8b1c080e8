import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type ApiClient, enterDemo } from '../support/apiClient.ts';
import { launchBrowser, visit } from '../support/browser.ts';
import { TestServer } from '../support/server.ts';

let browser: Browser;
let server: TestServer;
let preparer: ApiClient;
let base: string;
let layoutId: number;
beforeAll(async () => {
  [browser, server] = [await launchBrowser(), await TestServer.start({ demo: true })];
  preparer = await enterDemo(server.url, 'preparer');
  const companyId = await preparer.companyId();
  base = `${server.url}/companies/${companyId}`;
  ({ id: layoutId } = (await preparer.ok<{ layouts: { id: number }[] }>('GET', `/companies/${companyId}/layouts`)).layouts[0] as { id: number });
});
afterAll(async () => {
  await browser.close();
  await server.stop();
});

/** Each table that is walked: where it is, and what in its first row has the keyboard. */
const grids = {
  chart: ['/ledger/chart', '[role=treegrid] [role=row][tabindex]'],
  categories: ['/placement', '[role=treegrid] [data-category]'],
  coverage: ['/placement/coverage', '[role=treegrid] [role=row][tabindex]'],
  budget: ['/ledger/budgets', '[role=treegrid] [role=row][tabindex]'],
  statement: ['/statements/balance-sheet?detail=accounts', 'tbody tr td button'],
} as const;

/** What tells the row that has the keyboard from all others: its place among all, or what it says. */
const standing = (page: Page) =>
  page.evaluate(() => {
    const row = document.activeElement?.closest<HTMLElement>('[role=row], [data-line], tr');
    return row ? `${row.getAttribute('aria-rowindex') ?? ''} ${row.textContent}` : 'nowhere';
  });

describe('the same keys do the same in every grid', () => {
  it.each([...Object.keys(grids), 'outline'] as (keyof typeof grids | 'outline')[])('%s', async (name) => {
    const [path, first] = name === 'outline' ? [`/layouts/${layoutId}`, '[data-line]'] : grids[name];
    const { page, expectQuiet } = await visit(browser, preparer.cookie, `${base}${path}`);
    await page.locator(first).first().focus();
    const press = async (key: string, from: string) => {
      await page.keyboard.press(key);
      // A row that is not drawn yet gets the keyboard once it is.
      await expect.poll(() => standing(page), { timeout: 5_000 }).not.toBe(from);
      return standing(page);
    };
    const top = await standing(page);
    expect(top).not.toBe('nowhere');
    const second = await press('ArrowDown', top);
    expect(await press('ArrowUp', second)).toBe(top);
    const below = await press('PageDown', top);
    expect(below).not.toBe(second);
    expect(await press('PageUp', below)).toBe(top);
    const bottom = await press('Control+End', top);
    // There is nothing below the last row, and nothing above the first.
    await page.keyboard.press('ArrowDown');
    expect(await standing(page)).toBe(bottom);
    expect(await press('Control+Home', bottom)).toBe(top);
    await page.keyboard.press('PageUp');
    expect(await standing(page)).toBe(top);
    expectQuiet();
  });
});
