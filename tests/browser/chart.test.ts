import { describe, expect, it } from 'vitest';
import { seriousFindingsInBoth, visit } from '../support/browser.ts';
import { grid, rows, shop } from '../support/shopChart.ts';
import { openForTests } from '../support/testBrowser.ts';

const opened = openForTests();

describe('the chart with the keyboard alone', () => {
  it('is built, numbered by proposal, ordered, nested, renamed and retired', async () => {
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, await shop(opened.server));
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
    // Never used, so that it can go; what goes with it is said first, and it stays for who leaves the button.
    await page.getByLabel('New note').fill('Was a mistake');
    await page.getByRole('button', { name: 'Write the note' }).click();
    await page.getByText('Note: «Was a mistake»').waitFor();
    await page.getByRole('button', { name: 'Delete', exact: true }).click();
    await page.getByLabel('Find accounts').click();
    await page.getByRole('button', { name: 'Delete', exact: true }).click();
    await page.getByRole('button', { name: 'Delete for good, with 1 note?' }).click();
    await page.getByText('Deleted: 4150 Moorings.').waitFor();
    await page.getByText('0 of 5 accounts').waitFor();
    expectQuiet();
  });
});

describe('what stands in the way of retiring an account', () => {
  it('is listed, each with a way to it', async () => {
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, await shop(opened.server));
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
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, await shop(opened.server));
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
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, await shop(opened.server));
    await grid(page).getByRole('row', { name: /^3100/ }).waitFor();
    await page.getByRole('button', { name: 'Many', exact: true }).focus();
    for (const key of ['Enter', 'ArrowDown', 'Enter']) await page.keyboard.press(key);
    // The panel takes the focus: which accounts, which rule, then the rule's first field.
    await expect.poll(() => page.evaluate(() => document.activeElement?.textContent)).toBe('choose which3 accounts shown');
    await page.getByLabel('Accounts', { exact: true }).selectOption('shown');
    for (const key of ['Tab', 'Tab', '3']) await page.keyboard.press(key);
    expect(await page.getByLabel('Begins with').inputValue()).toBe('3');
    await page.getByLabel('Becomes').fill('4');
    await page.getByText('1 account gets a new number. 2 begin otherwise and stay.').waitFor();
    await page.getByLabel('Becomes').fill('');
    await page.getByLabel('Begins with').fill('3100');
    await page.getByText('1 thing stands in the way.').waitFor();
    expect(await page.getByRole('button', { name: 'Apply' }).isDisabled()).toBe(true);
    // What is looked at while it is being applied would be answered as overtaken.
    const looked = page.waitForResponse((answer) => answer.url().includes('renumbering') && answer.request().postData()?.includes('3900') === true);
    await page.getByLabel('Becomes').fill('3900');
    await page.getByRole('list', { name: 'New numbers' }).getByText('3900').waitFor();
    await looked;
    await page.getByText('Looking at every statement').waitFor({ state: 'detached' });
    await page.keyboard.press('Enter');
    await page.getByText('Applied: 1 account renumbered').waitFor();
    await expect.poll(() => rows(page)).toEqual(['1000', '3900', '4000']);
    expectQuiet();
  });
});

describe('two people editing one account', () => {
  it('the second sees both versions field by field, and nothing is lost unseen', async () => {
    const url = await shop(opened.server);
    const [first, second] = [await visit(opened.browser, opened.server.cookie, url), await visit(opened.browser, opened.server.cookie, url)];
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

describe('a new account', () => {
  it('is proposed element and side anew as its number and name change, until somebody chooses them', async () => {
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, await shop(opened.server));
    await grid(page).getByRole('row', { name: /^4000/ }).focus();
    await page.keyboard.press('Insert');
    const form = page.getByRole('form', { name: 'New account' });
    const chosen = async () => [await form.getByLabel('Element').inputValue(), await form.getByLabel('Normal side').inputValue()];
    await form.getByLabel('Name').fill('Repairs for customers');
    expect(await chosen()).toEqual(['income', 'credit']);
    await form.getByLabel('Name').fill('Sales returns');
    await expect.poll(chosen).toEqual(['income', 'debit']);
    await form.getByRole('textbox', { name: 'Number', exact: true }).fill('1010');
    await form.getByLabel('Name').fill('Vans, accumulated depreciation');
    await expect.poll(chosen).toEqual(['asset', 'credit']);
    await form.getByLabel('Element').selectOption('expense');
    await form.getByLabel('Name').fill('Bank');
    await page.waitForTimeout(300);
    expect(await chosen()).toEqual(['expense', 'debit']);
    expectQuiet();
  });
});

describe('the chart’s views', () => {
  it('have no serious finding of axe, in the light and in the dark', async () => {
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, await shop(opened.server));
    await grid(page).getByRole('row', { name: /^3100/ }).click();
    await page.getByRole('heading', { name: '3100 Retained earnings' }).waitFor();
    expect(await seriousFindingsInBoth(page)).toEqual([]);
    await page.getByRole('button', { name: 'Add beside…' }).click();
    await page.getByRole('form', { name: 'New account' }).waitFor();
    expect(await seriousFindingsInBoth(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    expectQuiet();
  });
});
