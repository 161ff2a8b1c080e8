import type { ChartView, Company } from '@ivory-ladder/contract';
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { launchBrowser, seriousFindings, visit } from '../support/browser.ts';
import { TestServer } from '../support/server.ts';

let browser: Browser;
let server: TestServer;
beforeAll(async () => {
  [browser, server] = [await launchBrowser(), await TestServer.start()];
});
afterAll(async () => {
  await browser.close();
  await server.stop();
});

const chartOf = async (url: string) =>
  (await server.ok<ChartView>('GET', `/companies/${/companies\/(\d+)/.exec(url)?.[1]}/chart?from=2026-01-01&to=2026-12-31`)).accounts;

/** A company begun on screen with a starter chart, seen before it is chosen. */
async function begin(page: Page, name: string, starter: string): Promise<void> {
  await page.getByRole('textbox', { name: 'Name' }).fill(name);
  await page.getByRole('radio', { name: new RegExp(`^${starter}`) }).check();
  await page.getByRole('button', { name: 'Create the company' }).click();
  await page.getByRole('treegrid', { name: 'Chart of accounts' }).waitFor();
}

describe('a company begun with a starter chart', () => {
  it('is previewed as a tree and as statements, created, and changed many at a time; what is found wrong is not applied', async () => {
    const { page, expectQuiet } = await visit(browser, server.cookie, `${server.url}/companies/new`);
    await page.getByRole('radio', { name: /^Association/ }).check();
    await page.getByRole('region', { name: 'Categories and accounts' }).getByText('Fees of supporting members').waitFor();
    await page.getByRole('tab', { name: 'Income statement' }).click();
    await page.getByRole('region', { name: 'Lines of the statement' }).getByText('Total revenue').waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await begin(page, 'Friends of the lighthouse', 'Association');

    // Find and replace in names, looked at row by row before it is applied.
    await page.getByLabel('Find accounts').fill('grants');
    await page.getByRole('button', { name: 'Many', exact: true }).click();
    await page.getByRole('menuitem', { name: 'Change many accounts…' }).click();
    // Nobody means all that is shown by having chosen nothing.
    expect(await page.getByRole('button', { name: /^Look at/ }).isDisabled()).toBe(true);
    await page.getByRole('combobox', { name: 'Accounts' }).selectOption('shown');
    await page.getByRole('combobox', { name: 'Change' }).selectOption('find and replace in names');
    await page.getByLabel('Find in names').fill('grants');
    await page.getByLabel('Replace by').fill('Subsidies');
    expect(await seriousFindings(page)).toEqual([]);
    await page.getByRole('button', { name: /^Look at \d+ changes…/ }).click();
    await page.getByText('Name: «Public grants» → «Public Subsidies»').waitFor();
    await page.getByText(/No line shows another amount in Balance sheet/).waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page.getByRole('button', { name: 'Apply', exact: true }).click();
    await page.getByText(/^Applied: 0 accounts added, \d+ changed\.$/).waitFor();
    expect((await chartOf(page.url())).find(({ number }) => number === '4100')?.name).toBe('Public Subsidies');

    // A block out of a spreadsheet, one of its rows wrong: named, and nothing is applied.
    await page.getByLabel('Find accounts').fill('');
    // A click with shift takes rows, marks no text between them, and says which accounts are meant.
    const rowAt = (index: number) => page.locator(`[role=treegrid] [data-index="${index}"]`);
    await rowAt(2).click();
    await rowAt(4).click({ modifiers: ['Shift'] });
    expect(await page.locator('[role=treegrid] [aria-selected=true]').count()).toBe(3);
    expect(await page.evaluate(() => window.getSelection()?.isCollapsed ?? true)).toBe(true);
    await page.getByRole('button', { name: 'Many', exact: true }).click();
    await page.getByRole('menuitem', { name: 'Change many accounts…' }).click();
    await page.getByRole('option', { name: '3 accounts selected' }).waitFor({ state: 'attached' });
    expect(await page.getByRole('combobox', { name: 'Accounts' }).inputValue()).toBe('block');
    expect(await page.getByRole('list', { name: 'Accounts that it changes' }).getByRole('listitem').count()).toBe(3);
    await page.getByRole('button', { name: 'Cancel', exact: true }).click();
    await rowAt(0).click();

    await page.locator('[role=treegrid] [data-index="0"]').click();
    const paste = (text: string) =>
      page.evaluate((content) => {
        const data = new DataTransfer();
        data.setData('text/plain', content);
        document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
      }, text);
    await paste('4230\tLetting of the hall\tincome\tEvents and sales\n4240\tBoat trips\tboat\tEvents and sales');
    await page.getByText('Element cannot be «boat»', { exact: false }).waitFor();
    expect(await page.getByRole('button', { name: 'Apply', exact: true }).isDisabled()).toBe(true);
    await page.getByRole('button', { name: 'Discard', exact: true }).click();
    await page.getByRole('treegrid', { name: 'Chart of accounts' }).waitFor();
    await page.locator('[role=treegrid] [data-index="0"]').click();
    await paste('4230\tLetting of the hall\tincome\tEvents and sales\n4240\tBoat trips\tincome\tEvents and sales');
    await page.getByRole('button', { name: 'Apply', exact: true }).click();
    await page.getByText('Applied: 2 accounts added, 0 changed.').waitFor();
    expect((await chartOf(page.url())).filter(({ number }) => number === '4230' || number === '4240').map(({ places }) => places.length)).toEqual([1, 1]);
    expectQuiet();
  });

  it('merges an account after the effect was seen, and writes a note that is found', async () => {
    const { id } = await server.ok<Company>('POST', '/companies', {
      name: 'Merging',
      currency: 'EUR',
      fiscalYearFirstMonth: 1,
      beginWith: { kind: 'starter', key: 'trading' },
    });
    await server.ok('POST', `/companies/${id}/years`, { day: '2026-06-30' });
    const accounts = await chartOf(`/companies/${id}`);
    const idOf = (number: string) => accounts.find((account) => account.number === number)?.id;
    await server.ok('POST', `/companies/${id}/entries`, {
      date: '2026-05-31',
      description: 'Sales',
      lines: [
        { accountId: idOf('1000'), debit: '90000', credit: '0' },
        { accountId: idOf('4010'), debit: '0', credit: '90000' },
      ],
    });
    const { page, expectQuiet } = await visit(
      browser,
      server.cookie,
      `${server.url}/companies/${id}/ledger/chart?from=2026-01-01&to=2026-12-31&account=${idOf('4010')}`,
    );
    await page.getByLabel('New note').fill('The web shop closed in June.');
    await page.getByRole('button', { name: 'Write the note' }).click();
    await page.getByRole('region', { name: 'Notes' }).getByText('The web shop closed in June.').waitFor();
    await page.getByLabel('Find accounts').fill('web shop');
    await page.getByText('1 of 93 accounts').waitFor();
    await page.getByRole('button', { name: 'Merge into…' }).click();
    await page.getByRole('combobox', { name: 'Merge into' }).fill('4000');
    await page.getByRole('option', { name: '4000 Sales in shops' }).click();
    await page.getByText('(900.00) moves at 31 May 2026.').waitFor();
    await page.getByText(/No line shows another amount in Balance sheet/).waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page.getByRole('button', { name: 'Merge', exact: true }).click();
    await page.getByText('Merged: 4010 Sales online into 4000 Sales in shops.').waitFor();
    expect((await chartOf(page.url())).find(({ number }) => number === '4010')).toMatchObject({ active: false, amount: '0' });
    expectQuiet();
  });
});

describe('the settings of a company', () => {
  it('bring typed numbers to the scheme from then on', async () => {
    const { id } = await server.ok<Company>('POST', '/companies', { name: 'Numbers', currency: 'EUR', fiscalYearFirstMonth: 1 });
    const { page, expectQuiet } = await visit(browser, server.cookie, `${server.url}/companies/${id}/settings`);
    await page.getByRole('radio', { name: 'built of parts' }).check();
    await page.getByLabel('Shortest length of part 1').selectOption('2');
    await page.getByLabel('Longest length of part 1').selectOption('2');
    await page.getByRole('button', { name: 'Add a part' }).click();
    await page.getByText('12(-34)').waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page.getByRole('button', { name: 'Apply', exact: true }).click();
    await page.getByText('Applied: the settings hold from now on.').waitFor();
    await page.goto(`${server.url}/companies/${id}/ledger/chart`);
    await page.getByRole('button', { name: 'Add account…' }).first().click();
    await page.getByRole('textbox', { name: 'Number', exact: true }).fill('4 2');
    await page.getByText('Becomes 04-02').waitFor();
    await page.getByRole('textbox', { name: 'Number', exact: true }).fill('4x');
    await page.getByText('Numbers here look like 12(-34)').waitFor();
    expectQuiet();
  });
});
