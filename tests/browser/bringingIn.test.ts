import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { ChartView } from '@ivory-ladder/contract';
import ExcelJS from 'exceljs';
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { launchBrowser, shownFigures, visit } from '../support/browser.ts';
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

const files = join(dirname(fileURLToPath(import.meta.url)), '..', 'files');

function fileOf(name: string, content: string | Uint8Array): string {
  const path = join(mkdtempSync(join(tmpdir(), 'brought-in-')), name);
  writeFileSync(path, content);
  return path;
}

async function workbook(): Promise<string> {
  const book = new ExcelJS.Workbook();
  book.addWorksheet('Cover').addRow(['Small Ferries']);
  const sheet = book.addWorksheet('Balances');
  sheet.addRow(['Trial balance at 30 September 2026']);
  sheet.addRow(['Account', 'Name', 'Debit', 'Credit']);
  const rows: [number, string, number][] = [
    [1000, 'Bank, current account', 12500.25],
    [1200, 'Trade receivables', 8000],
    [1500, 'Vessels', 100000],
    [1510, 'Accumulated depreciation, vessels', -20000],
    [2000, 'Trade payables', -5500.25],
    [3000, 'Share capital', -50000],
    [3100, 'Retained earnings', -30000],
    [4000, 'Sales', -60000],
    [5000, 'Wages and salaries', 35000],
    [6000, 'Depreciation', 10000],
  ];
  for (const [number, name, amount] of rows) sheet.addRow([number, name, amount > 0 ? amount : null, amount < 0 ? -amount : null]);
  sheet.addRow([null, 'Total', { formula: 'SUM(C3:C12)', result: 165500.25 }, { formula: 'SUM(D3:D12)', result: 165500.25 }]);
  return fileOf('balances.xlsx', new Uint8Array(await book.xlsx.writeBuffer()));
}

async function drop(page: Page, companyId: number, path: string): Promise<void> {
  await page.goto(`${server.serving.url}/companies/${companyId}/ledger`);
  await page.getByLabel('Trial balance file').setInputFiles(path);
}

/** Confirms what is proposed and posts, as a user does who agrees. */
async function agreeAndPost(page: Page): Promise<void> {
  const confirm = page.getByRole('button', { name: 'Confirm all' });
  if (await confirm.isVisible()) await confirm.click();
  await page.getByRole('button', { name: /^Post \d+ entr/ }).click();
  await page.waitForURL((url) => !url.pathname.includes('/trial-balance-file/'));
}

describe('a file brought in through the screen', () => {
  it('leaves out rows that are no accounts by a click or a key, takes elements from its titles, and says what it comes to before it is posted', async () => {
    const company = await createCompany(server);
    const { page, expectQuiet } = await visit(browser, server.cookie, server.serving.url);
    const rows = [
      'Account,Name,Balance',
      ',ASSETS,',
      '1000,Bank,700',
      '1500,Vans,500',
      '1510,"Vans, depreciation",-200',
      'Sheet,2,17',
      ',LIABILITIES,',
      '2000,Car finance,-300',
      ',EQUITY,',
      '3000,Owner,-400',
      ',INCOME,',
      '4000,Moorings,-1000',
      ',EXPENSES,',
      '5000,Helpers,700',
      '9999,Profit for the year,300',
    ];
    await drop(page, company.id, fileOf('with-titles-2026-09-30.csv', rows.join('\n')));
    const before = page.getByRole('complementary', { name: 'Before it is posted' });
    await before.getByText('short of credits').waitFor();
    await page.getByRole('button', { name: 'Leave row 6 out' }).click();
    await before.getByText('Row 6: Sheet').waitFor();
    await page
      .getByRole('row', { name: /Profit for the year/ })
      .getByText('Profit for the year')
      .click();
    await page.keyboard.press('Delete');
    await before.getByText('✓ none').waitFor();
    await before.locator('p', { hasText: 'Row 15: 9999' }).getByRole('button', { name: 'Take it in' }).click();
    await before.getByText('short of credits').waitFor();
    await page.getByRole('button', { name: 'Leave row 15 out' }).click();
    await before.getByText('✓ none').waitFor();
    const comesTo = before.locator('section', { has: page.getByRole('heading', { name: 'What the file comes to' }) }).locator('p');
    expect(await comesTo.allTextContents()).toEqual([
      'Total assets1,000.00',
      'Liabilities300.00',
      'Equity, without the profit400.00',
      'Profit of income and expenses300.00',
    ]);
    expect(await page.getByRole('button', { name: 'asset ?' }).count()).toBe(3);
    await page.getByRole('button', { name: 'liability ?' }).waitFor();
    await agreeAndPost(page);
    const { accounts } = await server.ok<ChartView>('GET', `/companies/${company.id}/chart?from=2026-01-01&to=2026-09-30`);
    expect(accounts.map(({ number, element }) => [number, element])).toEqual([
      ['1000', 'asset'],
      ['1500', 'asset'],
      ['1510', 'asset'],
      ['2000', 'liability'],
      ['3000', 'equity'],
      ['4000', 'income'],
      ['5000', 'expense'],
    ]);
    expectQuiet();
  });

  it.each([
    ['semicolons-windows-1252.csv', () => join(files, 'semicolons-windows-1252.csv')],
    ['tabs-marks.tsv', () => join(files, 'tabs-marks.tsv')],
    ['quotes-parentheses.csv', () => join(files, 'quotes-parentheses.csv')],
    ['saldi-2026-09-30.txt', () => join(files, 'saldi-2026-09-30.txt')],
    ['swiss-turnover.csv', () => join(files, 'swiss-turnover.csv')],
    ['a workbook with a cover sheet', workbook],
  ])('%s is posted after one confirmation, and the ledger holds its balances', async (_, file) => {
    const { id } = await createCompany(server);
    const { page, expectQuiet } = await visit(browser, server.cookie, server.serving.url);
    await drop(page, id, await file());
    await page.getByText('✓ none').waitFor();
    await agreeAndPost(page);
    await page.goto(`${server.serving.url}/companies/${id}/ledger?from=2026-01-01&to=2026-09-30`);
    const ledger = page.getByRole('treegrid', { name: 'Trial balance' });
    await ledger.getByRole('row', { name: /^1000 .* 12,500\.25/ }).waitFor();
    await ledger.getByRole('row', { name: /^4000 .* \(60,000\.00\)/ }).waitFor();
    expectQuiet();
  });

  it.each([
    ['JPY', '1000;Kasse;1250\n3000;Capital;-1250', '1,250'],
    ['KWD', '1000;Cash;1.250,125\n3000;Capital;-1.250,125', '1,250.125'],
  ])('a company in %s prints with the minor units of ISO 4217', async (currency, rows, shown) => {
    const { id } = await createCompany(server, { currency });
    await bringIn(server, id, `Number;Name;Amount;Element;Category\n${rows.replace('\n', ';asset;Cash\n')};equity;Capital\n`, { date: '2026-09-30' });
    const { page, expectQuiet } = await visit(
      browser,
      server.cookie,
      `${server.serving.url}/companies/${id}/statements/balance-sheet?from=2026-01-01&to=2026-09-30`,
    );
    await page.getByRole('rowheader', { name: 'Total assets' }).waitFor();
    const figures = await shownFigures(page);
    expect([figures.get('Total assets')?.[0], figures.get('Total liabilities and equity')?.[0]]).toEqual([shown, shown]);
    expectQuiet();
  });
});

describe('ten thousand accounts', () => {
  const count = 10_000;
  const rows = Array.from({ length: count }, (_, at) => {
    const isFirst = at === 0;
    return `${100_000 + at};Account ${at};${isFirst ? -(count - 1) : 1};${isFirst ? 'equity' : 'asset'}`;
  });

  it('come in through the screen, and are walked, sought, ordered and copied in the table', async () => {
    const { id } = await createCompany(server);
    const { page, context, expectQuiet } = await visit(browser, server.cookie, server.serving.url);
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    await drop(page, id, fileOf('large-2026-09-30.csv', `Number;Name;Amount;Element\n${rows.join('\n')}`));
    await page.getByText('· 10,000 accounts').waitFor();
    await agreeAndPost(page);
    await page.goto(`${server.serving.url}/companies/${id}/ledger?from=2026-01-01&to=2026-09-30`);
    const table = page.getByRole('treegrid', { name: 'Trial balance' });
    expect(await table.getAttribute('aria-rowcount')).toBe(String(count + 2));
    await table.getByRole('row', { name: /^100000/ }).focus();
    await page.keyboard.press('End');
    await table.getByRole('row', { name: /^109999 Account 9999/ }).waitFor();
    await table.getByRole('button', { name: 'Closing' }).click();
    await table.getByRole('button', { name: /Closing/ }).click();
    await table.getByRole('row', { name: /^100000 Account 0 .*\(9,999\.00\)$/ }).waitFor();
    await page.getByLabel('Filter accounts').fill('account 777');
    await table.getByText('19 of 10,000 accounts').waitFor();
    await table.getByRole('button', { name: /Closing/ }).click();
    await table.getByRole('row', { name: /^100777/ }).focus();
    await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.press('Control+c');
    await page.getByText('Copied: 2 rows.').waitFor();
    expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(
      ['100777\tAccount 777\t0.00\t1.00\t0.00\t1.00', '101777\tAccount 1777\t0.00\t1.00\t0.00\t1.00'].join('\n'),
    );
    expectQuiet();
  });
});
