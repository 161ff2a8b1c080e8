import { describe, expect, it } from 'vitest';
import { seriousFindings, visit } from '../support/browser.ts';
import { openForTests } from '../support/testBrowser.ts';
import { createCompany } from '../support/trialBalance.ts';

const opened = openForTests();

describe('opening balances by the keyboard alone', () => {
  it('are typed down a column, told by how much they are out of balance, posted, and changed later by the difference', async () => {
    const company = await createCompany(opened.server, { name: 'Quay kiosk' });
    const path = `/companies/${company.id}`;
    const account = (number: string, name: string, element: string) =>
      opened.server.ok<{ id: number; version: number }>('POST', `${path}/accounts`, { number, name, element });
    await account('1000', 'Bank', 'asset');
    await account('2000', 'Suppliers', 'liability');
    const retained = await account('3100', 'Retained earnings', 'equity');
    await opened.server.ok('PATCH', `${path}/accounts/${retained.id}`, { version: retained.version, role: 'retained_earnings' });
    await opened.server.ok('POST', `${path}/years`, { day: '2026-01-01' });
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, `${opened.server.serving.url}${path}/ledger`);
    await page.getByText('Trial balances brought in').waitFor();
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: /Find/ }).waitFor();
    await page.keyboard.type('opening');
    await page.keyboard.press('Enter');
    await page.getByLabel('At the end of').fill('2026-01-01');
    await page.getByRole('textbox', { name: 'Debit of 1000 Bank' }).focus();
    await page.keyboard.type('1.500,00');
    await page.keyboard.press('Tab');
    // In the column of credits Enter goes down.
    await page.keyboard.press('Enter');
    await page.keyboard.type('400');
    await page.getByRole('status').getByText('▲ The changes are out of balance: 1,100.00 missing in credit.').waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page.getByRole('button', { name: 'Put the difference on 3100 Retained earnings' }).focus();
    await page.keyboard.press('Enter');
    await page.getByText('✓ 3 balances change, debits equal credits.').waitFor();
    await page.getByRole('button', { name: 'Post' }).focus();
    await page.keyboard.press('Enter');
    await page.getByText(/^Posted: document \d+, 3 balances\./).waitFor();
    await page.getByText('Nothing was changed.').waitFor();
    expect(await page.getByRole('textbox', { name: 'Credit of 3100 Retained earnings' }).inputValue()).toBe('1,100.00');

    await page.getByRole('textbox', { name: 'Credit of 2000 Suppliers' }).fill('450');
    await page.getByRole('textbox', { name: 'Credit of 3100 Retained earnings' }).fill('1050');
    await page.getByText('✓ 2 balances change, debits equal credits.').waitFor();
    await page.keyboard.press('Tab');
    await page.getByRole('button', { name: 'Post' }).click();
    await page.getByText(/^Posted: document \d+, 2 balances\./).waitFor();
    const { entries } = await opened.server.ok<{ entries: { description: string; amount: string; lines: number }[] }>('GET', `${path}/entries`);
    expect(entries.map(({ description, amount, lines }) => [description, amount, lines])).toEqual([
      ['Opening balances at 1 January 2026', '5000', 2],
      ['Opening balances at 1 January 2026', '150000', 3],
    ]);
    expectQuiet();
  });
});
