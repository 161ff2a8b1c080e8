import type { Company, EntryList } from '@ivory-ladder/contract';
import type { Page } from 'playwright-core';
import { describe, expect, it } from 'vitest';
import { seriousFindings, visit } from '../support/browser.ts';
import { openForTests } from '../support/testBrowser.ts';
import { createCompany } from '../support/trialBalance.ts';

const opened = openForTests();

const chart = [
  ['1000', 'Bank', 'asset'],
  ['1200', 'Customers', 'asset'],
  ['2000', 'Suppliers', 'liability'],
  ['2100', 'Sales tax', 'liability'],
  ['3100', 'Retained earnings', 'equity'],
  ['4000', 'Sales', 'income'],
  ['5000', 'Goods sold', 'expense'],
  ['6100', 'Rent', 'expense'],
  ['6200', 'Wages', 'expense'],
] as const;

/** Goes to a screen by its name, as anybody who types would. */
async function goTo(page: Page, name: string): Promise<void> {
  await page.keyboard.press('Control+k');
  await page.locator('[role=combobox][aria-label^=Find]:focus').waitFor();
  await page.keyboard.type(name);
  await page.keyboard.press('Enter');
}

async function typed(page: Page, ...keys: string[]): Promise<void> {
  for (const key of keys) {
    if (/^(Enter|Tab|Control\+Enter|Alt\+s|ArrowDown|ArrowRight|Escape)$/.test(key)) await page.keyboard.press(key);
    else await page.keyboard.type(key);
  }
}

/** The focus goes to a button by Tab from where it is, then Enter. */
async function press(page: Page, name: string | RegExp): Promise<void> {
  await page.getByRole('button', { name, exact: true }).first().focus();
  await page.keyboard.press('Enter');
}

describe('a month of a small company, with no mouse', () => {
  it('has opening balances, thirty entries, a reversal, a lock, a late entry that is refused, and a budget beside what was posted', async () => {
    const company = await createCompany(opened.server, { name: 'Quay bakery' });
    const path = `/companies/${company.id}`;
    for (const [number, name, element] of chart) await opened.server.ok('POST', `${path}/accounts`, { number, name, element });
    const { accounts } = await opened.server.ok<{ accounts: { id: number; number: string; version: number }[] }>(
      'GET',
      `${path}/chart?from=2026-01-01&to=2026-12-31`,
    );
    const retained = accounts.find(({ number }) => number === '3100');
    await opened.server.ok('PATCH', `${path}/accounts/${retained?.id}`, { version: retained?.version, role: 'retained_earnings' });
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, `${opened.server.serving.url}${path}/ledger/calendar`);

    // The year, with a period for adjustments.
    await press(page, 'Next year…');
    await page.getByText(/^2026: 1 January 2026 to 31 December 2026/).waitFor();
    await page.getByRole('checkbox', { name: /for adjustments/ }).focus();
    await typed(page, ' ', 'Enter');
    await page.getByText('Made: the fiscal year 2026.').waitFor();

    await goTo(page, 'opening');
    await page.getByLabel('At the end of').fill('2026-01-01');
    await page.getByRole('textbox', { name: 'Debit of 1000 Bank' }).focus();
    await typed(page, '5000');
    await press(page, 'Put the difference on 3100 Retained earnings');
    await press(page, 'Post');
    await page.getByText(/^Posted: document \d+, 2 balances\./).waitFor();

    // Twenty-nine entries in the form of two accounts, then one of many lines with a tax taken out.
    await goTo(page, 'new entry');
    await page.getByRole('heading', { name: 'New entry' }).waitFor();
    await press(page, 'Two accounts');
    const days = (at: number) => `2026-01-${String(2 + at).padStart(2, '0')}`;
    await page.getByLabel('Date').fill(days(0));
    for (let at = 0; at < 29; at++) {
      const [debit, credit, amount] = at % 3 === 0 ? ['1000', '4000', '120'] : at % 3 === 1 ? ['5000', '2000', '45,50'] : ['6200', '1000', '30'];
      await page.getByLabel('Date').fill(days(Math.min(at, 27)));
      await page.getByRole('combobox', { name: 'Debit' }).focus();
      await typed(page, debit as string, 'Enter', credit as string, 'Enter', amount as string, 'Control+Enter');
      await page.getByText(`Posted: document ${at + 2}.`).waitFor();
    }
    await press(page, 'Many lines');
    await page.getByLabel('Date').fill('2026-01-30');
    await page.getByRole('combobox', { name: 'Account of line 1' }).focus();
    await typed(page, '1200', 'Enter', '242', 'Enter', 'Wedding cake', 'Enter', '4000', 'Enter', 'Enter', 'Enter', 'Alt+s');
    await page.getByLabel('How line 2 is split').focus();
    await page.getByLabel('How line 2 is split').selectOption('tax');
    await page.getByLabel('Tax within line 2').focus();
    await typed(page, '21');
    await page.getByText('200.00 + 42.00').waitFor();
    await typed(page, 'Enter');
    await page.getByRole('combobox', { name: 'Account of line 3' }).waitFor();
    await page.waitForFunction(() => document.activeElement?.getAttribute('aria-label') === 'Account of line 3');
    await typed(page, '2100', 'Enter', 'Control+Enter');
    await page.getByText('Posted: document 31.').waitFor();
    expect(await seriousFindings(page)).toEqual([]);

    // The rent was posted to the wrong account: reversed.
    await goTo(page, 'entries');
    const entries = page.getByRole('treegrid', { name: 'Entries' });
    await entries.getByRole('row', { name: /242\.00/ }).focus();
    await typed(page, 'Enter');
    const panel = page.getByRole('complementary', { name: 'Entry' });
    await panel.getByRole('button', { name: 'Reverse…' }).focus();
    await typed(page, 'Enter');
    await page.getByLabel('Day of the reversal').waitFor();
    await typed(page, 'Enter');
    await page.getByText('Posted: document 32 reverses document 31.').waitFor();

    // January is locked; what comes late is refused and said so before it is sent.
    await goTo(page, 'calendar');
    await press(page, /Lock up to here… period 1 of 2026/);
    await typed(page, 'handed in', 'Enter');
    await page.getByText('Locked: up to and with period 1 of 2026.').waitFor();
    await goTo(page, 'new entry');
    await page.getByLabel('Date').fill('2026-01-31');
    await page.getByText(/^Locked by /).waitFor();
    expect(await page.getByRole('button', { name: 'Post', exact: true }).isDisabled()).toBe(true);
    const late = await opened.server.refused('POST', `${path}/entries`, {
      date: '2026-01-31',
      lines: [
        { accountId: accounts[0]?.id, debit: '100' },
        { accountId: accounts[1]?.id, credit: '100' },
      ],
    });
    expect(late.code).toBe('period_locked');

    // A budget: a year's rent spread, sales by month, saved, and beside what was posted.
    await goTo(page, 'budgets');
    await press(page, 'New budget…');
    await page.getByRole('button', { name: 'Begin', exact: true }).waitFor();
    await typed(page, 'Tab', 'Tab', 'Tab');
    await press(page, 'Begin');
    const grid = page.getByRole('treegrid', { name: /^Budget 2026/ });
    await grid.getByRole('row', { name: /4000 Sales/ }).focus();
    await typed(page, 'ArrowRight', 'ArrowRight', '1300', 'Enter');
    await grid.getByRole('row', { name: /6100 Rent/ }).focus();
    for (let step = 0; step < 14; step++) await typed(page, 'ArrowRight');
    await typed(page, '1000', 'Enter');
    await page.getByText(/13 amounts of 2 accounts not saved/).waitFor();
    expect(await grid.getByRole('row', { name: /6100 Rent/ }).textContent()).toContain('84');
    await typed(page, 'Control+Enter');
    await page.getByText('Saved: 13 amounts.').waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page.getByLabel('Compare with').focus();
    await page.getByLabel('Compare with').selectOption('actual');
    await grid
      .getByRole('row', { name: /4000 Sales/ })
      .getByText('1,200')
      .waitFor();

    const list = await opened.server.ok<EntryList>('GET', `${path}/entries?limit=100`);
    expect(list.entries).toHaveLength(32);
    const { years } = await opened.server.ok<Company>('GET', path);
    expect(years[0]?.periods.map(({ isAdjusting }) => isAdjusting)).toEqual([...Array.from({ length: 12 }, () => false), true]);
    expectQuiet();
  });
});
