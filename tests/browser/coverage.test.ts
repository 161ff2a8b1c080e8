import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { launchBrowser, seriousFindings, visit } from '../support/browser.ts';
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

const finding = (page: Page, text: RegExp) => page.getByRole('treegrid', { name: 'Findings' }).getByRole('row', { name: text });
const panel = (page: Page) => page.getByRole('complementary', { name: 'Chosen finding' });
const railCount = (page: Page) => page.getByRole('navigation', { name: 'Ladder' }).getByText(/accounts to place/);

describe('coverage', () => {
  it('finds each of the demo’s flaws, and mends it from the screen', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${company}/placement/coverage`);
    await page.getByRole('heading', { name: '170 of 172 accounts stand exactly once, 2 to place' }).waitFor();
    expect(await railCount(page).textContent()).toContain('accounts to place');
    expect(await page.getByRole('navigation', { name: 'Ladder' }).getByTitle('2 accounts to place').count()).toBe(1);
    await page.getByRole('region', { name: 'Proofs' }).getByText('2 to place: 1,240.00').waitFor();
    expect(await seriousFindings(page)).toEqual([]);

    // Two that stand nowhere: one by what is proposed, one left out with a reason and taken in again.
    await finding(page, /^4460 Charter sailings.*unplaced/).click();
    await panel(page).getByRole('button', { name: 'Place in Other sailings' }).click();
    await page.getByText('2 as it stands, 1 once applied.').waitFor();
    await finding(page, /^5340 Slipway hire/).click();
    await panel(page).getByRole('button', { name: 'Leave out with a reason…' }).click();
    await page.getByRole('dialog').getByText('It has an amount today.', { exact: false }).waitFor();
    await page.getByRole('textbox', { name: 'Reason' }).fill('Asked the harbour office');
    expect(await seriousFindings(page)).toEqual([]);
    await page.keyboard.press('Enter');
    await page.getByText('Left out: 5340 Slipway hire.').waitFor();
    await finding(page, /^5340 Slipway hire.*left out.*Asked the harbour office/).click();
    await panel(page).getByRole('button', { name: 'Take in again' }).click();
    await page.getByText('Taken in again: 5340 Slipway hire.').waitFor();
    await finding(page, /^5340 Slipway hire.*unplaced/).click();
    await panel(page).getByRole('button', { name: 'Place in Harbour dues' }).click();

    // The overdrawn bank gets a place while it is in credit.
    await finding(page, /^1020 Harbour office account.*against its side/).click();
    await panel(page).getByRole('button', { name: 'Place it while in credit…' }).click();
    await page.getByRole('combobox', { name: 'Find a category' }).fill('loans');
    await page.keyboard.press('Enter');
    await finding(page, /^1020/).waitFor({ state: 'detached' });

    // One in a wrong category, as its code says.
    await finding(page, /^6120 Chandlery.*G610 says Cost of sailing/).click();
    await panel(page).getByText('Group reporting G610 Cost of sailing says Cost of sailing', { exact: false }).waitFor();
    await panel(page).getByRole('button', { name: 'Move to Cost of sailing' }).click();
    await finding(page, /^6120/).waitFor({ state: 'detached' });
    await page.getByRole('region', { name: 'Rehearsal' }).getByRole('button', { name: 'Apply', exact: true }).click();
    await page.getByText(/^Applied: 4 accounts moved/).waitFor();
    await page.getByRole('heading', { name: 'All 172 accounts stand exactly once' }).waitFor();
    await page.getByRole('region', { name: 'Proofs' }).getByText('Coverage: every account stands once').waitFor();
    await railCount(page).waitFor({ state: 'detached' });

    // A code at odds is changed in the chart.
    await finding(page, /^6350 Bad debts.*G520 is for income/).click();
    await panel(page).getByRole('link', { name: 'Change its code in the chart' }).click();
    await page.getByRole('treegrid').getByRole('row', { name: /^6350/ }).waitFor();
    await page.goBack();

    // What was posted on a parent is moved by an entry that is begun.
    await finding(page, /^6200 Insurance.*on a parent/).click();
    await panel(page).getByRole('link', { name: 'Write the entry that moves it' }).click();
    expect(await page.getByRole('textbox', { name: 'Credit of line 1' }).inputValue()).toBe('412.00');
    expect(await page.getByRole('textbox', { name: 'Debit of line 2' }).inputValue()).toBe('412.00');
    expectQuiet();
  });

  it('of a code list says for which accounts it is complete, and what lacks a code there', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${company}/placement/coverage`);
    await page
      .getByRole('complementary', { name: 'Coverage of' })
      .getByRole('button', { name: /Group reporting/ })
      .click();
    await page.getByRole('heading', { name: '170 of 172 accounts have a code' }).waitFor();
    const form = page.getByRole('form', { name: 'Complete for' });
    await form.getByLabel('Expense').uncheck();
    await form.getByRole('button', { name: 'Apply' }).click();
    await page.getByRole('heading', { name: /1 of \d+|\d+ of \d+ accounts have a code/ }).waitFor();
    await finding(page, /^5340/).waitFor({ state: 'detached' });
    await page.getByRole('region', { name: 'Proofs' }).getByText('1 code missing').waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    expectQuiet();
  });
});
