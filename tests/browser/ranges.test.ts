import type { Page } from 'playwright-core';
import { describe, expect, it } from 'vitest';
import { seriousFindings, visit } from '../support/browser.ts';
import { openShop } from '../support/shop.ts';
import { openForTests } from '../support/testBrowser.ts';

const opened = openForTests();

const open = async () => `${opened.server.serving.url}/companies/${(await openShop(opened.server)).id}/placement`;
const bar = (page: Page) => page.getByRole('region', { name: 'Rehearsal' });
const write = async (page: Page, category: string, text: string) => {
  const field = page.getByRole('textbox', { name: `Account numbers of ${category}`, exact: true });
  await field.fill(text);
  await field.press('Enter');
};

describe('ranges on the number band', () => {
  it('are written, moved by an end with the arrow keys, doubled and mended, applied with a reason and taken back from the record', async () => {
    const base = await open();
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, `${base}/ranges?numbers=expense`);
    await write(page, 'Other operating expenses', '6200 to');
    await page.getByRole('alert').getByText('a number is missing').waitFor();
    await write(page, 'Other operating expenses', '6200 to 6250');
    await bar(page).getByText('Other operating expenses', { exact: false }).waitFor();
    await page.getByRole('button', { name: 'Other operating expenses, 6200 to 6250' }).click();
    const upper = page.getByRole('slider', { name: 'Upper end of Other operating expenses' });
    expect(await upper.getAttribute('aria-valuetext')).toBe('6250');
    await upper.focus();
    await page.keyboard.press('ArrowRight');
    const field = page.getByRole('textbox', { name: 'Account numbers of Other operating expenses', exact: true });
    expect(await field.inputValue()).toMatch(/^6200 to 625[1-9]$/);
    expect(await seriousFindings(page)).toEqual([]);

    // The accounts stand there by hand; given up, the range has the one that it holds, and another range doubles it.
    await page.getByRole('button', { name: /^6200 Insurance: by hand/ }).evaluate((tick) => (tick as HTMLElement).click());
    await page.getByRole('button', { name: 'Give up the place by hand' }).click();
    await page.getByRole('button', { name: /^6200 Insurance: by range/ }).waitFor();
    await write(page, 'Staff costs', '62*');
    await page.getByRole('button', { name: /^6200 Insurance: doubled/ }).click();
    await page.getByText('its number stands in two ranges').waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page.getByRole('button', { name: 'Leave to Staff costs' }).click();
    await page.getByText('Staff costs, by range').waitFor();
    await bar(page)
      .getByRole('button', { name: /^Changed lines \(\d+\)$/ })
      .click();
    await page
      .getByRole('complementary', { name: 'Rehearsal in full' })
      .getByRole('row', { name: /^Staff costs/ })
      .waitFor();

    await bar(page).getByRole('button', { name: 'More' }).click();
    await page.getByRole('menuitem', { name: 'Apply with a reason…' }).click();
    await page.keyboard.type('Insurance of the staff');
    await page.keyboard.press('Enter');
    await page.getByText(/^Applied: 1 account moved, 2 categories changed/).waitFor();
    await bar(page).waitFor({ state: 'detached' });
    await page.getByRole('link', { name: 'Record' }).click();
    await page.getByRole('heading', { name: 'Insurance of the staff' }).waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page.getByRole('button', { name: 'Take it back' }).click();
    await page.getByText('It was taken back.').waitFor();
    expectQuiet();
  });

  it('convert to places by hand and back', async () => {
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, `${await open()}/ranges?numbers=expense`);
    await page
      .getByRole('row', { name: /^Other operating expenses/ })
      .getByRole('button')
      .first()
      .click();
    await page.getByRole('button', { name: 'Make a range of those by hand' }).click();
    const field = page.getByRole('textbox', { name: 'Account numbers of Other operating expenses', exact: true });
    await page.getByRole('button', { name: 'Fix those by range by hand' }).waitFor();
    expect(await field.inputValue()).toBe('6200 to 6300');
    await bar(page).getByText('balance sheet and income statement stay as they are').waitFor();
    await bar(page).getByText('nothing in 2 other statements').waitFor();
    await page.getByRole('button', { name: 'Fix those by range by hand' }).click();
    await page.getByRole('button', { name: 'Make a range of those by hand' }).waitFor();
    await bar(page).getByText('nothing in 2 other statements').waitFor();
    const proposed = await bar(page).textContent();
    await bar(page).getByRole('button', { name: 'Discard', exact: true }).click();
    await bar(page).waitFor({ state: 'detached' });
    expect(await field.inputValue()).toBe('');
    // Nothing is lost by it.
    await page.getByRole('button', { name: 'Undo' }).click();
    await bar(page).waitFor();
    await expect.poll(() => bar(page).textContent()).toBe(proposed);
    expectQuiet();
  });
});

describe('the category tree by the keyboard alone', () => {
  it('gets a category, nests and orders it, merges another into it, and shows what is proposed', async () => {
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, await open());
    const row = (name: RegExp) => page.getByRole('treegrid', { name: 'Categories' }).getByRole('row', { name });
    await row(/^Other operating expenses/).focus();
    await page.keyboard.press('Insert');
    await page.getByRole('dialog').waitFor();
    await page.keyboard.type('Overheads');
    await page.keyboard.press('Enter');
    await row(/^Overheads/).focus();
    await page.keyboard.press('Alt+ArrowUp');
    await page.keyboard.press('Alt+ArrowRight');
    expect(await row(/Overheads/).getAttribute('aria-level')).toBe('3');
    await row(/Overheads/).focus();
    await page.keyboard.press('Alt+ArrowLeft');
    expect(await row(/Overheads/).getAttribute('aria-level')).toBe('2');
    await row(/^Other operating expenses/).focus();
    await page.keyboard.press('Delete');
    const dialog = page.getByRole('dialog', { name: /^Delete/ });
    await dialog.getByRole('combobox').focus();
    await page.keyboard.type(String(await dialog.getByRole('option', { name: 'Overheads' }).textContent()));
    await dialog.getByRole('button', { name: 'Merge' }).click();
    await row(/^Other operating expenses/).waitFor({ state: 'detached' });
    await bar(page).getByText('2 moves and 2 categories').waitFor();
    await page.keyboard.press('Control+z');
    await row(/^Other operating expenses/).click();
    const panel = page.getByRole('complementary', { name: 'Chosen category' });
    await panel.getByRole('checkbox', { name: /6300 Travel/ }).check();
    await panel.getByRole('button', { name: 'Split off…' }).click();
    await page.getByRole('dialog').waitFor();
    await page.keyboard.type('Fares');
    await page.keyboard.press('Enter');
    await panel.getByRole('heading', { name: 'Fares' }).waitFor();
    await panel.getByText('6300 Travel').waitFor();
    await bar(page).getByText('1 move and 2 categories').waitFor();
    expectQuiet();
  });
});

describe('ranges of the whole chart', () => {
  it('are pasted as one block, taken back by one undo, and refused whole where a row is wrong', async () => {
    const base = await open();
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, `${base}/ranges?numbers=all`);
    await page.getByRole('heading', { name: 'All categories by account number' }).waitFor();
    const paste = (text: string) =>
      page.evaluate((block) => {
        const data = new DataTransfer();
        data.setData('text/plain', block);
        (document.activeElement ?? document.body).dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
      }, text);
    await paste('Category\tFrom\tTo\nStaff costs\t6000\t6099\nNo such thing\t1\t2');
    await page.getByText('Nothing was pasted. row 3: «No such thing» is no category here.').waitFor();
    await paste('Category\tFrom\tTo\nStaff costs\t6000\t6099\nOther operating expenses\t6200\t6299');
    const staff = page.getByRole('textbox', { name: 'Account numbers of Staff costs', exact: true });
    await expect.poll(() => staff.inputValue()).toBe('6000 to 6099');
    await bar(page).getByText('2 categories', { exact: false }).first().waitFor();

    // Over cells, from one on; a dash is a span, and a number that no account has is told.
    await staff.focus();
    await paste('6000-6090\t9999\n');
    await expect.poll(() => staff.inputValue()).toBe('6000 to 6090');
    await page.getByText('no account 9999').waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    // What a place by hand keeps from the range is named, and led to.
    await write(page, 'Staff costs', '6000-6090, 6300');
    await page.getByRole('button', { name: '6300 stands elsewhere by hand' }).click();
    await page.getByRole('heading', { name: /^6300/ }).waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page.getByRole('heading', { name: 'All categories by account number' }).click();
    await page.keyboard.press('Control+z');
    await expect.poll(() => staff.inputValue()).toBe('6000 to 6090');
    await page.getByRole('heading', { name: 'All categories by account number' }).click();
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await expect.poll(() => staff.inputValue()).toBe('');
    await expectQuiet();
  });
});
