import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { launchBrowser, seriousFindings, visit } from '../support/browser.ts';
import { TestServer } from '../support/server.ts';
import { bringIn, createCompany } from '../support/trialBalance.ts';

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

const grid = (page: Page) => page.getByRole('treegrid', { name: 'Chart of accounts' });
/** Number of each row with a dot for each level above it, from top to bottom. */
const rows = (page: Page) =>
  grid(page)
    .locator('[data-index]')
    .evaluateAll((elements) =>
      elements.map(
        (row) => '. '.repeat(Number(row.getAttribute('aria-level')) - 1) + (row.querySelector('[role=gridcell]')?.textContent ?? '').replace(/^[▸▾]/, ''),
      ),
    );

async function shop(): Promise<string> {
  const { id } = await createCompany(server);
  await bringIn(
    server,
    id,
    'Number,Name,Element,Category,Balance\n1000,Bank,asset,Cash and cash equivalents,900\n3100,Retained earnings,equity,Retained earnings,-300\n4000,Sales,income,Revenue,-600',
    { date: '2026-09-30', retainedEarnings: '3100' },
  );
  return `${server.serving.url}/companies/${id}/ledger/chart`;
}

describe('the chart with the keyboard alone', () => {
  it('is built, numbered by proposal, ordered, nested, renamed and retired', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, await shop());
    await grid(page).getByRole('row', { name: /^4000/ }).focus();
    await page.keyboard.press('Insert');
    await page.getByRole('form', { name: 'New account' }).waitFor();
    expect(await page.getByLabel('Number', { exact: false }).first().inputValue()).toBe('4100');
    for (const name of ['Repairs', 'Storage']) {
      await page.keyboard.press('Tab');
      await page.keyboard.type(name);
      // Enter submits by the first button, 'Add'; the second keeps the form open for the next one.
      await page.getByRole('button', { name: 'Add, then another' }).focus();
      await page.keyboard.press('Enter');
      await page.getByText(new RegExp(`^Added: \\d+ ${name}\\.`)).waitFor();
    }
    await page.keyboard.press('Tab');
    await page.keyboard.type('Moorings');
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { name: /Moorings/ }).waitFor();
    await grid(page)
      .getByRole('row', { name: /Moorings/ })
      .waitFor();
    expect(await rows(page)).toEqual(['1000', '3100', '4000', '4100', '4200', '4300']);

    await grid(page)
      .getByRole('row', { name: /Moorings/ })
      .focus();
    await page.keyboard.press('Alt+ArrowUp');
    await expect.poll(() => rows(page)).toEqual(['1000', '3100', '4000', '4100', '4300', '4200']);
    await expect.poll(() => page.evaluate(() => document.activeElement?.textContent ?? '')).toContain('Moorings');
    await page.keyboard.press('Alt+ArrowRight');
    await expect.poll(() => rows(page)).toEqual(['1000', '3100', '4000', '4100', '. 4300', '4200']);
    await expect.poll(() => page.evaluate(() => document.activeElement?.textContent ?? '')).toContain('Moorings');
    await page.keyboard.press('Alt+ArrowLeft');
    await expect.poll(() => rows(page)).toEqual(['1000', '3100', '4000', '4100', '4300', '4200']);

    await expect.poll(() => page.evaluate(() => document.activeElement?.textContent ?? '')).toContain('Moorings');
    await page.keyboard.press('F2');
    await page.getByRole('form', { name: /^Change 4300/ }).waitFor();
    await page.keyboard.press('Control+a');
    await page.keyboard.type('4000');
    await page.getByText('Taken by Sales').waitFor();
    await page.keyboard.press('Control+a');
    await page.keyboard.type('4150');
    await page.keyboard.press('Enter');
    await page.getByText('Changed: 4150 Moorings.').waitFor();
    await page.getByText('Number: «4300» → «4150»').waitFor();
    await page.getByRole('button', { name: 'Retire' }).focus();
    await page.keyboard.press('Enter');
    await page.getByText('Retired: 4150 Moorings.').waitFor();
    await page.getByLabel('Show').selectOption('inactive');
    await page.getByText('1 of 6 accounts').waitFor();
    expectQuiet();
  });
});

describe('cells, rows and views', () => {
  it('cells are edited in their place, refused with the reason, and taken back', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, await shop());
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

  it('a value fills down a block once it has been looked at', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${await shop()}?order=name`);
    await page.getByRole('button', { name: 'Columns' }).click();
    await page.getByRole('dialog', { name: 'Columns' }).getByLabel('External number').check();
    await page.keyboard.press('Escape');
    await grid(page).getByRole('row', { name: /^1000/ }).focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('End');
    await page.keyboard.type('G1');
    await page.keyboard.press('Enter');
    await grid(page)
      .getByRole('row', { name: /^1000.*G1/ })
      .waitFor();
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.press('Control+d');
    await page.getByRole('heading', { name: 'Changes to the chart' }).waitFor();
    await page.getByRole('button', { name: 'Apply' }).click();
    await page.getByText(/^Applied: 0 accounts added, 1 changed/).waitFor();
    expectQuiet();
  });

  it('rows are dragged to another place, and what is not allowed says why while it is dragged', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, await shop());
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
    await page.getByText('Refused: the account is of element income').waitFor();
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
    const url = await shop();
    const { page, expectQuiet } = await visit(browser, server.cookie, url);
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

describe('what stands in the way of retiring an account', () => {
  it('is listed, each with a way to it', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, await shop());
    await grid(page).getByRole('row', { name: /^1000/ }).click();
    await page.getByRole('button', { name: 'Retire' }).click();
    const way = page.getByRole('alert', { name: 'What stands in the way' });
    await way.getByText('It holds 900.00').waitFor();
    await way.getByRole('button', { name: 'merge it into another' }).click();
    await page.getByRole('heading', { name: 'Merge 1000' }).waitFor();
    expectQuiet(/status of 409/);
  });
});

describe('files attached to an account', () => {
  it('are listed, shown where they are pictures, and taken away when asked twice', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, await shop());
    await grid(page).getByRole('row', { name: /^1000/ }).click();
    const files = page.getByRole('region', { name: 'Attachments' });
    const picture = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64');
    await page.getByLabel('File to attach').setInputFiles({ name: 'quay.png', mimeType: 'image/png', buffer: picture });
    await files.getByRole('button', { name: 'Show' }).click();
    await expect.poll(() => files.getByAltText('quay.png').evaluate((image) => (image as HTMLImageElement).naturalWidth)).toBe(1);
    const [download] = await Promise.all([page.waitForEvent('download'), files.getByRole('link', { name: 'quay.png' }).click()]);
    expect(download.suggestedFilename()).toBe('quay.png');
    await page.getByLabel('File to attach').setInputFiles({ name: 'page.html', mimeType: 'text/html', buffer: Buffer.from('<script>') });
    await files
      .getByRole('alert')
      .getByText(/«page.html» was not attached/)
      .waitFor();
    await files.getByRole('button', { name: 'Take quay.png away' }).click();
    await files.getByRole('button', { name: 'Take quay.png away for good' }).click();
    await page.getByText('Took the attached «quay.png» away').waitFor();
    expect(await files.getByRole('link').count()).toBe(0);
    expectQuiet(/status of 422/);
  });
});

describe('renumbering by a rule', () => {
  it('shows the new numbers and what stands in the way, and gives them whole', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, await shop());
    await grid(page).getByRole('row', { name: /^3100/ }).waitFor();
    await page.getByRole('button', { name: 'Many', exact: true }).click();
    await page.getByRole('menuitem', { name: 'Renumber…' }).click();
    await page.getByLabel('Begins with').fill('3');
    await page.getByLabel('Becomes').fill('4');
    await page.getByText('1 account gets a new number. 2 begin otherwise and stay.').waitFor();
    await page.getByLabel('Becomes').fill('');
    await page.getByLabel('Begins with').fill('3100');
    await page.getByText('1 thing stands in the way.').waitFor();
    expect(await page.getByRole('button', { name: 'Apply' }).isDisabled()).toBe(true);
    await page.getByLabel('Becomes').fill('3900');
    await page.getByRole('list', { name: 'New numbers' }).getByText('3900').waitFor();
    await page.getByRole('button', { name: 'Apply' }).click();
    await page.getByText('Applied: 1 account renumbered').waitFor();
    await expect.poll(() => rows(page)).toEqual(['1000', '3900', '4000']);
    expectQuiet();
  });
});

describe('two people editing one account', () => {
  it('the second sees both versions field by field, and nothing is lost unseen', async () => {
    const url = await shop();
    const [first, second] = [await visit(browser, server.cookie, url), await visit(browser, server.cookie, url)];
    for (const { page } of [first, second]) {
      await grid(page).getByRole('row', { name: /^4000/ }).focus();
      await page.keyboard.press('F2');
      await page.getByRole('form', { name: 'Change 4000 Sales' }).waitFor();
    }
    await first.page.getByLabel('Name').fill('Sales, theirs');
    await first.page.getByLabel('Purpose').fill('Tickets only');
    await first.page.getByRole('button', { name: 'Apply' }).click();
    await first.page.getByText('Changed: 4000 Sales, theirs.').waitFor();
    await second.page.getByLabel('Name').fill('Sales, mine');
    await second.page.getByLabel('External number').fill('X-1');
    await second.page.getByRole('button', { name: 'Apply' }).click();
    const meanwhile = second.page.getByRole('alert', { name: 'Changed meanwhile' });
    await meanwhile.getByText('Name: theirs «Sales, theirs», yours «Sales, mine»').waitFor();
    await meanwhile.getByText('Purpose: theirs «Tickets only», which stays').waitFor();
    await meanwhile.getByRole('button', { name: 'Take theirs' }).click();
    expect(await second.page.getByLabel('Name').inputValue()).toBe('Sales, theirs');
    await second.page.getByRole('button', { name: 'Apply' }).click();
    await second.page.getByText('X-1').first().waitFor();
    await second.page.getByText('Tickets only').first().waitFor();
    await second.page.getByRole('heading', { name: '4000 Sales, theirs' }).waitFor();
    first.expectQuiet();
    second.expectQuiet(/status of 409/);
  });
});

describe('two people editing one cell', () => {
  it('the second is told what stands there now before theirs takes its place', async () => {
    const url = await shop();
    const [first, second] = [await visit(browser, server.cookie, url), await visit(browser, server.cookie, url)];
    const cellOf = async (page: Page, text: string) => {
      await grid(page).getByRole('row', { name: /^4000/ }).focus();
      for (const key of ['ArrowRight', 'ArrowRight']) await page.keyboard.press(key);
      await page.keyboard.type(text);
    };
    await cellOf(second.page, 'Mine');
    await cellOf(first.page, 'Theirs');
    await first.page.keyboard.press('Enter');
    await grid(first.page)
      .getByRole('row', { name: /Theirs/ })
      .waitFor();
    await second.page.keyboard.press('Enter');
    await grid(second.page).getByRole('alert').getByText('Somebody changed this meanwhile to «Theirs».').waitFor();
    await expect.poll(() => second.page.getByRole('textbox', { name: 'Name' }).inputValue()).toBe('Mine');
    await second.page.keyboard.press('Enter');
    await grid(second.page).getByRole('row', { name: /Mine/ }).waitFor();
    first.expectQuiet();
    second.expectQuiet(/status of 409/);
  });
});

describe('the chart’s views', () => {
  it.each([false, true])('have no serious finding of axe (dark: %s)', async (dark) => {
    const { page, expectQuiet } = await visit(browser, server.cookie, await shop(), { dark });
    await grid(page).getByRole('row', { name: /^3100/ }).click();
    await page.getByRole('heading', { name: '3100 Retained earnings' }).waitFor();
    expect(await seriousFindings(page, dark)).toEqual([]);
    await page.getByRole('button', { name: 'Add beside…' }).click();
    await page.getByRole('form', { name: 'New account' }).waitFor();
    expect(await seriousFindings(page, dark)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    expectQuiet();
  });
});
