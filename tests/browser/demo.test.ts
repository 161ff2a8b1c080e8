import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Browser, Locator, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { launchBrowser, seriousFindings, seriousFindingsInBoth, shownFigures, visit } from '../support/browser.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
let browser: Browser;
let company: string;
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
  browser = await launchBrowser();
  company = `${server.serving.url}/companies/${await server.companyId()}`;
});
afterAll(async () => {
  await browser?.close();
  await server?.stop();
});

const files = join(dirname(fileURLToPath(import.meta.url)), '..', 'files');
const focusedText = (page: Page) =>
  page.evaluate(() => {
    const focused = document.activeElement;
    return focused === null || focused === document.body
      ? ''
      : (focused.getAttribute('aria-label') ?? focused.closest('label')?.textContent ?? focused.textContent ?? '');
  });

/** Presses Tab until the focus stands on something with this text; the way of a user without a mouse. */
async function tabTo(page: Page, text: RegExp): Promise<void> {
  for (let presses = 0; presses < 120; presses++) {
    if (text.test(await focusedText(page))) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`the keyboard does not reach ${text}`);
}

describe('placing with the keyboard alone', () => {
  it('goes from two unplaced accounts to none, is undone and redone, and the proofs follow', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${company}/statements/income-statement`);
    await page.getByRole('rowheader', { name: 'Profit for the period' }).waitFor();
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: /Find/ }).waitFor();
    await page.keyboard.type('placement');
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { name: 'Unplaced' }).waitFor();
    for (const [account, target] of [
      [/4460/, 'other sailings'],
      [/5340/, 'harbour dues'],
    ] as const) {
      await tabTo(page, account);
      await page.keyboard.press('Space');
      await page.keyboard.press('m');
      await page.getByRole('combobox', { name: 'Find a category' }).waitFor();
      await page.keyboard.type(target);
      await page.keyboard.press('Enter');
      await page.getByRole('dialog').waitFor({ state: 'detached' });
    }
    await page.getByText('Every account stands in a category').waitFor();
    const bar = page.getByRole('region', { name: 'Rehearsal' });
    await bar.getByText('Profit now carried whole').waitFor();
    await page.keyboard.press('Control+z');
    await page.getByText('1 account, 980.00 in total').waitFor();
    await bar.getByText('Coverage +1').waitFor();
    await page.keyboard.press('Control+Shift+z');
    await bar.getByText('Coverage +2').waitFor();
    expect(await seriousFindings(page)).toEqual([]);

    // What is proposed is there again with the page.
    await page.reload();
    await page.getByRole('link', { name: 'Profit is not carried whole: 720.00' }).waitFor();
    await bar.getByText('2 moves').waitFor();
    await bar.getByRole('button', { name: 'Apply', exact: true }).focus();
    await page.keyboard.press('Enter');
    // The notice stays for as long as the focus is in it.
    await page.getByRole('button', { name: 'Undo', exact: true }).focus();
    await page.getByRole('link', { name: 'Profit carried to equity' }).waitFor();
    await bar.waitFor({ state: 'detached' });
    await page.getByText('Every account stands in a category').waitFor();
    await page.keyboard.press('Enter');
    await page.getByRole('link', { name: 'Profit is not carried whole: 720.00' }).waitFor();
    await page.getByText('2 accounts, 1,240.00 in total').waitFor();
    expectQuiet();
  });
});

describe('placing with the mouse', () => {
  it('drops an account on a category, and is refused under another element with the reason', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${company}/placement`);
    const card = page.getByText('4460 Charter sailings', { exact: true });
    await card.waitFor();
    const drag = async (target: string) => {
      const row = page.getByRole('treegrid', { name: 'Categories' }).getByText(target, { exact: true }).first();
      await row.scrollIntoViewIfNeeded();
      const [from, to] = [await card.boundingBox(), await row.boundingBox()];
      if (!from || !to) throw new Error('nothing to drag');
      await page.mouse.move(from.x + 20, from.y + 8);
      await page.mouse.down();
      await page.mouse.move(from.x + 60, from.y + 20, { steps: 4 });
      await page.mouse.move(to.x + 20, to.y + 8, { steps: 10 });
      await page.mouse.up();
    };
    await drag('Crew wages');
    await page.getByText('Refused: the account is of element income, the category of element expense').waitFor();
    // A page that is closed before it has told the server what was undone would leave the move to whoever comes next.
    const kept = () => page.waitForResponse((answer) => answer.request().method() === 'POST' && answer.url().endsWith('/rehearsals'));
    const proposed = kept();
    await drag('Other sailings');
    const bar = page.getByRole('region', { name: 'Rehearsal' });
    await bar.getByText('4460 Charter sailings').waitFor();
    await bar.getByText('Total revenue +260.00').waitFor();
    await proposed;
    const undone = kept();
    await page.keyboard.press('Control+z');
    await page.getByText('2 accounts, 1,240.00 in total').waitFor();
    await bar.waitFor({ state: 'detached' });
    await undone;
    expectQuiet();
  });
});

describe('two people at once', () => {
  it('tells the second that the account was moved meanwhile, and shows where it stands now', async () => {
    const first = await visit(browser, server.cookie, `${company}/placement`);
    const second = await visit(browser, server.cookie, `${company}/placement`);
    const place = async (page: Page, target: string) => {
      await page.getByRole('checkbox', { name: /4460 Charter sailings/ }).check();
      await page.keyboard.press('m');
      await page.getByRole('combobox', { name: 'Find a category' }).fill(target);
      await page.keyboard.press('Enter');
    };
    await second.page.getByText('4460 Charter sailings').waitFor();
    // What is proposed in another window would be taken over while a page is still being opened.
    await second.page.waitForLoadState('networkidle');
    await place(first.page, 'other sailings');
    await place(second.page, 'freight');
    const [mine, theirs] = [first.page, second.page].map((page) => page.getByRole('region', { name: 'Rehearsal' })) as [Locator, Locator];
    await mine.getByRole('button', { name: 'Apply', exact: true }).click();
    await first.page.getByText('Applied: 1 account moved, 7 lines changed.').waitFor();
    await first.page.getByRole('button', { name: 'Undo', exact: true }).focus();
    await theirs.getByRole('button', { name: 'Apply', exact: true }).click();
    await second.page.getByText(/^Somebody else has moved this account meanwhile/).waitFor();
    await second.page.getByText('1 account, 980.00 in total').waitFor();
    await theirs.getByText('1 change cannot be applied as proposed').waitFor();
    await theirs.getByRole('button', { name: /^Changed lines/ }).click();
    await second.page.getByText('was changed by somebody else meanwhile: to Other sailings.').waitFor();
    await second.page.getByRole('button', { name: 'Leave it as it is now' }).click();
    await theirs.waitFor({ state: 'detached' });
    await first.page.getByRole('button', { name: 'Undo', exact: true }).click();
    await first.page.getByText('2 accounts, 1,240.00 in total').waitFor();
    // The browser itself logs the refused request; nothing else may be logged.
    second.expectQuiet(/status of 409/);
    first.expectQuiet();
  });
});

describe('reading statements', () => {
  it('opens a figure down to an entry, and the address brings the same view back', async () => {
    const first = await visit(browser, server.cookie, `${company}/statements/income-statement`);
    const { page } = first;
    await page
      .getByRole('row', { name: /Fuel and lubricants/ })
      .getByRole('button')
      .nth(1)
      .click();
    const evidence = page.getByRole('complementary', { name: 'Evidence' });
    await evidence.getByRole('button', { name: /5210 Marine gas oil/ }).click();
    await evidence.getByText('Bunkering').first().waitFor({ state: 'detached' });
    await evidence
      .getByRole('button', { name: /30 Sep 2026/ })
      .first()
      .click();
    await evidence.getByRole('heading', { name: /Document \d+, 30 September 2026/ }).waitFor();
    await page.getByRole('button', { name: /Detail/ }).click();
    await page.getByRole('menuitem', { name: 'Down to the accounts' }).click();
    await page.getByRole('rowheader', { name: '5220 Lubricants' }).waitFor();
    const before = await shownFigures(page);
    const second = await visit(browser, server.cookie, page.url());
    await second.page.getByRole('rowheader', { name: '5220 Lubricants' }).waitFor();
    expect(await shownFigures(second.page)).toEqual(before);
    await second.page.getByRole('heading', { name: /What \(.*\) is made of/ }).waitFor();
    first.expectQuiet();
    second.expectQuiet();
  });

  it('follows the period ribbon and the comparison', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${company}/statements/income-statement`);
    await page.getByRole('rowheader', { name: 'Profit for the period' }).waitFor();
    const ribbon = page.getByRole('group', { name: 'Period' });
    const month = (name: string) => ribbon.getByRole('button', { name, exact: true });
    await month('Mar').click();
    await page.getByText('Mar 2026 and Mar 2025 · EUR').waitFor();
    await month('May').click({ modifiers: ['Shift'] });
    await page.getByText('Mar–May 2026 and Mar–May 2025 · EUR').waitFor();
    await month('Feb').dragTo(month('Apr'));
    await page.getByText('Feb–Apr 2026 and Feb–Apr 2025 · EUR').waitFor();
    await month('Mar').focus();
    await page.keyboard.press('Enter');
    await page.getByText('Mar 2026 and Mar 2025 · EUR').waitFor();
    await ribbon.getByRole('button', { name: 'Year to date' }).click();
    await page.getByText('Jan–Mar 2026 and Jan–Mar 2025 · EUR').waitFor();
    await page.getByRole('button', { name: /Compare/ }).click();
    await page.getByRole('menuitem', { name: 'The span before' }).click();
    await page.getByText('Jan–Mar 2026 and Oct–Dec 2025 · EUR').waitFor();
    expect(new URL(page.url()).searchParams.get('to')).toBe('2026-03-31');
    expectQuiet();
  });

  it('runs part by part, and back', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${company}/statements/income-statement?from=2026-01-01&to=2026-03-31`);
    await page.getByRole('button', { name: /Compare/ }).click();
    await page.getByRole('menuitem', { name: 'Each period, and the total' }).click();
    await page.getByRole('button', { name: 'Columns: periods' }).waitFor();
    await page.getByRole('columnheader', { name: 'Feb' }).waitFor();
    expect((await page.getByRole('columnheader').allTextContents()).map((text) => text.trim())).toEqual([
      'Line',
      'Jan2026',
      'Feb2026',
      'Mar2026',
      'Jan–Mar2026',
    ]);
    await page
      .getByRole('row', { name: /^Profit for the period/ })
      .getByRole('button')
      .nth(1)
      .click();
    await page.getByRole('complementary', { name: 'Evidence' }).getByText('Profit for the period, Feb 2026').waitFor();
    await page.getByRole('button', { name: 'Columns: periods' }).click();
    await page.getByRole('menuitem', { name: 'No comparison' }).click();
    await page.getByText('Jan–Mar 2026 · EUR').waitFor();
    await page.getByRole('complementary', { name: 'Evidence' }).waitFor({ state: 'detached' });
    expectQuiet();
  });

  it('stands beside a budget, in a balance sheet where it is asked for there too, and says so of dates that are not its own', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${company}/statements/income-statement?from=2026-01-01&to=2026-03-31&compare=none`);
    await page.getByRole('button', { name: 'Compare: none' }).click();
    await page.getByRole('menuitem', { name: 'Budget: Original' }).click();
    await page.getByText('Jan–Mar 2026 and Budget Original · EUR').waitFor();
    expect(await seriousFindingsInBoth(page)).toEqual([]);
    await page
      .getByRole('row', { name: /^Crew wages/ })
      .getByRole('button')
      .nth(2)
      .click();
    const budgeted = page.getByRole('complementary', { name: 'Evidence' });
    await budgeted.getByRole('button', { name: /5010 Masters and mates/ }).click();
    await budgeted.getByRole('link', { name: 'The budget Original' }).waitFor();
    await page.getByRole('link', { name: 'Balance sheet', exact: true }).click();
    await page.getByText('31 March 2026 · EUR').waitFor();
    await page.getByRole('button', { name: 'Compare: none' }).click();
    await page.getByRole('menuitem', { name: 'Budget: Original' }).click();
    await page.getByText('Balances of a budget are what was posted before its year', { exact: false }).waitFor();
    await page.goBack();
    await page.goBack();
    await page.getByText('Jan–Mar 2026 and Budget Original · EUR').waitFor();
    await page.goto(page.url().replaceAll('2026-', '2025-'));
    await page.getByText('The budget Original is of 2026, and these dates are not all within it.').first().waitFor();
    expectQuiet(/status of 409|status of 422/);
  });

  it('walks the figures with arrow keys and opens and shuts a line with Enter', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${company}/statements/income-statement`);
    await page.getByRole('button', { name: 'Foot passengers' }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('rowheader', { name: '4010 Foot passengers, adults' }).waitFor();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { name: /What .* is made of/ }).waitFor();
    expect(new URL(page.url()).searchParams.get('cell')).toMatch(/~0~\d+$/);
    expectQuiet();
  });
});

describe('the adjusted trial balance', () => {
  it('shows ledger, adjustments and adjusted with the text of each adjustment, and goes along as a workbook', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${company}/ledger`);
    await page.getByRole('button', { name: 'Movements' }).click();
    await page.getByRole('menuitem', { name: 'Ledger, adjustments and adjusted' }).click();
    const table = page.getByRole('treegrid', { name: 'Trial balance' });
    await table.getByRole('columnheader', { name: 'Adjusted', exact: true }).waitFor();
    await page.getByRole('searchbox', { name: 'Filter accounts' }).fill('2100');
    await table.getByRole('row', { name: /^2100 ?Accrued expenses.*\(4,200\.00\)/ }).waitFor();
    const adjustments = page.getByRole('complementary', { name: 'Adjustments' });
    await adjustments.getByText('Accrued harbour dues').waitFor();
    await adjustments.getByRole('row', { name: '5310 Harbour dues, mainland 4,200.00' }).waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page.getByRole('button', { name: 'Export' }).click();
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: /^Workbook/ }).click()]);
    expect(download.suggestedFilename()).toBe('Eiderholm Ferry Company - Adjusted trial balance 2026-09-30.xlsx');
    expectQuiet();
  });
});

describe('bringing in a file', () => {
  it('shows errors beside their rows and does not post; a hopeless file says what it is', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${company}/ledger`);
    await page.getByLabel('Trial balance file').setInputFiles(join(files, 'semicolons-windows-1252.csv'));
    await page.getByText('10 accounts, 2 title lines and 1 total line left out').waitFor();
    expect(await page.getByLabel('Letters').inputValue()).toBe('windows-1252');
    await page.getByLabel('Decimal sign').selectOption('.');
    await page.getByText(/things to mend/).waitFor();
    expect(await page.getByRole('button', { name: 'Post', exact: true }).isDisabled()).toBe(true);
    const folder = mkdtempSync(join(tmpdir(), 'hopeless-'));
    writeFileSync(join(folder, 'accounts.csv'), '%PDF-1.7\n%âãÏÓ');
    await page.locator('input[type=file]').setInputFiles(join(folder, 'accounts.csv'));
    await page.getByText('This is no table: the file is a PDF document.').waitFor();
    // The browser itself logs the refused request; nothing else may be logged.
    expectQuiet(/status of 422/);
  });
});
