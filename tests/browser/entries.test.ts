import { describe, expect, it } from 'vitest';
import { seriousFindings, visit } from '../support/browser.ts';
import { shop } from '../support/shopChart.ts';
import { openForTests } from '../support/testBrowser.ts';

const opened = openForTests();

describe('entries by the keyboard alone', () => {
  it('one is written, refused while it is out of balance, posted, found, and reversed', async () => {
    const chart = await shop(opened.server);
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, chart.replace('/ledger/chart', '/ledger/entries/new'));
    const account = (line: number) => page.getByRole('combobox', { name: `Account of line ${line}` });
    await account(1).waitFor();
    // The focus stands on the first account.
    await page.keyboard.type('bank');
    await page.keyboard.press('Enter');
    await page.keyboard.type('1.250,50');
    await page.keyboard.press('Enter');
    await page.keyboard.type('Cash sale');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Control+Enter');
    await page.getByText('An entry has two lines at least.').waitFor();
    expect(await page.getByRole('status').filter({ hasText: 'missing' }).textContent()).toContain('1,250.50 missing in credit');
    await page.keyboard.type('4000');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Enter');
    // On the empty credit Enter takes what is missing.
    await page.keyboard.press('Enter');
    await page.getByText('✓ Debits equal credits.').waitFor();
    expect(await seriousFindings(page)).toEqual([]);

    // Nothing is lost with the page.
    await page.reload();
    await page.getByText('as it was left here before').waitFor();
    expect(await page.getByRole('textbox', { name: 'Credit of line 2' }).inputValue()).toBe('1,250.50');
    await account(1).focus();
    await page.keyboard.press('Control+Enter');
    await page.getByText(/^Posted: document \d+\./).waitFor();
    expect(await account(1).inputValue()).toBe('');

    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: /Find/ }).waitFor();
    await page.keyboard.type('entries');
    await page.keyboard.press('Enter');
    const entries = page.getByRole('treegrid', { name: 'Entries' });
    await entries.getByRole('row', { name: /1,250\.50/ }).focus();
    await page.keyboard.press('Enter');
    const panel = page.getByRole('complementary', { name: 'Entry' });
    await panel.getByText('Cash sale').waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await panel.getByRole('button', { name: 'Reverse…' }).focus();
    await page.keyboard.press('Enter');
    await page.getByLabel('Day of the reversal').waitFor();
    await page.keyboard.press('Enter');
    await page.getByText(/^Posted: document \d+ reverses document \d+\./).waitFor();
    await panel.getByRole('button', { name: 'The entry that it reverses' }).waitFor();
    expectQuiet();
  });
});

describe('document series', () => {
  it('is begun from the list of entries, numbers an entry that is written after, filters the list, and the entry tells where its lines climb', async () => {
    const chart = await shop(opened.server);
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, chart.replace('/ledger/chart', '/ledger/entries'));
    await page.getByLabel('Series').selectOption('arrange');
    const dialog = page.getByRole('dialog', { name: 'Document series' });
    await dialog.getByLabel('Code').focus();
    await page.keyboard.type('ADJ');
    await page.keyboard.press('Tab');
    await page.keyboard.type('Adjustments');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Control+a');
    await page.keyboard.type('40');
    await page.keyboard.press('Enter');
    await dialog.getByRole('cell', { name: 'ADJ-40' }).waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await dialog.waitFor({ state: 'detached' });

    await page.getByRole('link', { name: 'New entry…' }).click();
    await page.getByLabel('numbered in').selectOption({ label: 'ADJ · Adjustments' });
    await page.getByRole('combobox', { name: 'Account of line 1' }).focus();
    for (const typed of ['1000', '70', '', '4000', '', '']) {
      await page.keyboard.type(typed);
      await page.keyboard.press('Enter');
    }
    await page.keyboard.press('Control+Enter');
    await page.getByText('Posted: document ADJ-40.').waitFor();
    await page.getByRole('link', { name: 'To the entries' }).click();
    await page.getByLabel('Series').selectOption('ADJ');
    const entries = page.getByRole('treegrid', { name: 'Entries' });
    await expect.poll(() => entries.getByRole('row', { name: /^\d+ \w+ 2026/ }).count()).toBe(1);
    await entries.getByRole('row', { name: /ADJ-40/ }).click();
    const panel = page.getByRole('complementary', { name: 'Entry' });
    await panel.getByRole('link', { name: /^Cash/ }).click();
    await page.getByRole('complementary', { name: 'Evidence' }).waitFor();
    expect(page.url()).toContain('/statements/balance-sheet');
    expectQuiet();
  });
});

describe('the opening balance of one account', () => {
  it('is set on its panel by the difference alone, against retained earnings', async () => {
    const chart = await shop(opened.server);
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, `${chart}?find=1000`);
    await page.getByRole('row', { name: /^1000/ }).click();
    await page.getByRole('button', { name: 'Opening balance…' }).click();
    const form = page.getByRole('form', { name: /Opening balance of 1000/ });
    await form.getByText(/^In the ledger it holds/).waitFor();
    await form.getByLabel('It shall hold').fill('5.000,00');
    await form.getByText(/is posted in (debit|credit) here and on the other side of/).waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page.keyboard.press('Enter');
    await page.getByText(/^Posted: document \d+\. 1000 .* holds 5,000\.00 in debit\./).waitFor();
    expectQuiet();
  });
});

describe('facets of a line', () => {
  it('come from the account, are changed by keyboard, refused by a rule, and cut the statement at once', async () => {
    const chart = await shop(opened.server);
    const company = chart.replace(/\/ledger\/chart$/, '');
    const path = new URL(company).pathname;
    const values = [
      { code: 'TERN', caption: 'MV Tern' },
      { code: 'GULL', caption: 'MV Gull' },
    ];
    const { key, id } = await opened.server.ok<{ key: string; id: number }>('POST', `${path}/code-lists`, { kind: 'facet', name: 'Vessel', codes: values });
    await opened.server.ok('PATCH', `${path}/code-lists/${id}`, { version: 1, notAllowedOn: '1000' });
    const { accounts } = await opened.server.ok<{ accounts: { id: number; number: string; version: number }[] }>(
      'GET',
      `${path}/chart?from=2026-01-01&to=2026-09-30`,
    );
    const sales = accounts.find(({ number }) => number === '4000');
    await opened.server.ok('PATCH', `${path}/accounts/${sales?.id}`, { version: sales?.version, codes: { [key]: 'TERN' } });

    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, `${company}/ledger/entries/new`);
    const vessel = (line: number) => page.getByRole('combobox', { name: `Vessel of line ${line}` });
    await page.getByRole('combobox', { name: 'Account of line 1' }).waitFor();
    for (const typed of ['1000', '70', '', 'Gull', '4000', '', '', '', 'MV G']) {
      await page.keyboard.type(typed);
      await page.keyboard.press('Enter');
    }
    expect([await vessel(1).inputValue(), await vessel(2).inputValue()]).toEqual(['GULL', 'GULL']);
    await page.keyboard.press('Control+Enter');
    await page.getByText('Line 1: Vessel is not allowed on this account.').waitFor();
    await vessel(1).focus();
    await page.keyboard.press('Control+a');
    await page.keyboard.press('Delete');
    await page.keyboard.press('Control+Enter');
    await page.getByText(/^Posted: document/).waitFor();

    await page.goto(`${company}/statements/income-statement`);
    await page.getByRole('button', { name: 'Facets' }).click();
    await page.getByRole('checkbox', { name: 'MV Gull' }).check();
    await page.getByText('Only Vessel: MV Gull.').waitFor();
    await page.keyboard.press('Escape');
    await page.getByRole('row', { name: /Revenue.*70\.00/ }).waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page.getByRole('button', { name: 'Show all lines' }).click();
    await page.getByRole('row', { name: /Revenue.*670\.00/ }).waitFor();
    expectQuiet(/status of 422/);
  });
});

describe('a period', () => {
  it('is locked up to a month, shown so in the ribbon, refused for a new entry, and opened again with a reason', async () => {
    const chart = await shop(opened.server);
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, chart.replace('/ledger/chart', '/ledger/calendar'));
    await page.getByRole('button', { name: /^Lock up to here… period 9 of 2026/ }).click();
    await page.keyboard.type('September closed');
    await page.keyboard.press('Enter');
    await page.getByText('Locked: up to and with period 9 of 2026.').waitFor();
    const locked = page.getByRole('group', { name: 'Period' }).getByTitle(/Locked by/);
    await locked.nth(8).waitFor();
    expect(await locked.count()).toBe(9);
    expect(await seriousFindings(page)).toEqual([]);
    await page.goto(page.url().replace('/calendar', '/entries/new'));
    await page.getByText(/^Locked by /).waitFor();
    expect(await page.getByRole('button', { name: 'Post', exact: true }).isDisabled()).toBe(true);
    await page.goto(page.url().replace('/entries/new', '/calendar'));
    await page.getByRole('button', { name: /^Open again… period 9 of 2026/ }).click();
    await page.keyboard.type('A late invoice');
    await page.keyboard.press('Enter');
    await page.getByText('Opened again: period 9 of 2026.').waitFor();
    expectQuiet();
  });
});

describe('journal lines from a file', () => {
  it('are told apart by column, checked, refused with the row at fault, and posted once they are right', async () => {
    const chart = await shop(opened.server);
    const { page, expectQuiet } = await visit(opened.browser, opened.server.cookie, chart.replace('/ledger/chart', '/ledger/entries/import'));
    const choose = (content: string) =>
      page.getByLabel('File of journal lines').setInputFiles({ name: 'journal.csv', mimeType: 'text/csv', buffer: Buffer.from(content) });
    await page.getByText('No file yet').waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await choose('When;Document;Account;Debit;Credit\n30.09.2026;7;1000;12,50;\n30.09.2026;7;4000;;12,40\n');
    await page.getByText('Say which column has the days.').waitFor();
    await page.getByLabel('What column 1 is').selectOption('Date');
    expect(await seriousFindings(page)).toEqual([]);
    await page.getByRole('button', { name: 'Read and check' }).click();
    await page.getByText('Document 7 of 30 Sep 2026 is out of balance: 0.10 missing in credit.').waitFor();
    await choose('Date;Document;Account;Debit;Credit\n30.09.2026;7;1000;12,50;\n30.09.2026;7;4000;;12,50\n');
    await page.getByRole('button', { name: 'Read and check' }).click();
    await page.getByRole('button', { name: 'Post 1 entry' }).click();
    await page.getByText(/^Posted: 1 entry/).waitFor();
    await page
      .getByRole('treegrid', { name: 'Entries' })
      .getByRole('row', { name: /12\.50/ })
      .click();
    await page.getByText('document 7 there').waitFor();
    expectQuiet();
  });
});
