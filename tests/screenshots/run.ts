import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Page } from 'playwright-core';
import { enterDemo } from '../support/apiClient.ts';
import { launchBrowser, visit } from '../support/browser.ts';

const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
const origin = process.env.IVORY_LADDER_URL;
if (!origin) throw new Error('run this with npm run screenshots, which starts the application');

interface Picture {
  readonly name: string;
  readonly path: string;
  readonly prepare?: (page: Page) => Promise<unknown>;
}

const pictures: readonly Picture[] = [
  { name: 'balance-sheet', path: 'statements/balance-sheet' },
  {
    name: 'income-statement',
    path: 'statements/income-statement',
    prepare: async (page) => {
      await page
        .getByRole('row', { name: /Fuel and lubricants/ })
        .getByRole('button')
        .nth(1)
        .click();
      await page.getByRole('button', { name: /5210 Marine gas oil/ }).click();
      await page.getByText(/^\d+ entries$/).waitFor();
    },
  },
  {
    name: 'cash-flow',
    path: 'statements/cash-flow?scale=thousands',
    prepare: async (page) => {
      await page
        .getByRole('row', { name: /^Trade and other receivables/ })
        .getByRole('button')
        .nth(1)
        .click();
      await page.getByRole('heading', { name: /is made of/ }).waitFor();
    },
  },
  {
    name: 'column-plan',
    path: 'layouts/columns?columns=usual-2',
    prepare: (page) => page.getByRole('columnheader', { name: 'Quarter to date' }).waitFor(),
  },
  { name: 'codes', path: 'placement/codes', prepare: (page) => page.getByRole('row', { name: /^G230/ }).click() },
  {
    name: 'chart',
    path: 'ledger/chart?find=passengers',
    prepare: async (page) => {
      await page.getByRole('row', { name: /^4020/ }).click();
      await page.getByRole('button', { name: 'Add beside…' }).click();
      await page.getByLabel('Name').fill('Foot passengers, school classes');
    },
  },
  {
    name: 'new-entry',
    path: 'ledger/entries/new',
    prepare: async (page) => {
      await page.getByLabel('Text', { exact: true }).fill('Window cleaning, booking offices');
      await page.getByRole('combobox', { name: 'Account of line 1' }).focus();
      for (const [typed, enters] of [
        ['6150', 1],
        ['1250.50', 1],
        ['September', 1],
        // The facets of the line: what the account names stays.
        ['', 4],
        ['2000', 2],
      ] as const) {
        await page.keyboard.type(typed);
        for (let times = 0; times < enters; times++) await page.keyboard.press('Enter');
      }
    },
  },
  {
    name: 'budget',
    path: 'ledger/budgets',
    prepare: async (page) => {
      await page.getByRole('combobox', { name: 'Budget' }).selectOption({ label: '2026 · Revised in June' });
      await page.waitForLoadState('networkidle');
      await page.getByRole('row', { name: /^4110/ }).focus();
      for (const key of ['ArrowRight', ...Array.from({ length: 9 }, () => 'ArrowRight')]) await page.keyboard.press(key);
      await page.keyboard.type('560000');
      await page.keyboard.press('Enter');
      await page.getByText(/not saved/).waitFor();
    },
  },
  { name: 'account-ledger', path: 'ledger/accounts?from=2026-07-01&to=2026-09-30&accounts=1000+to+1030' },
  { name: 'proofs', path: 'proofs#profit_in_equity' },
  {
    name: 'composer',
    path: 'layouts',
    prepare: async (page) => {
      await page.getByRole('link', { name: 'Balance sheet for the bank' }).click();
      await page
        .getByRole('treegrid', { name: 'Lines' })
        .getByRole('row', { name: /^accounts Cash at bank/ })
        .click();
      await page.getByText(/accounts stand exactly once/).waitFor();
      await page.mouse.move(0, 0);
    },
  },
  {
    name: 'tax-return',
    path: 'layouts',
    prepare: async (page) => {
      await page
        .getByRole('row', { name: /^Tax return/ })
        .getByRole('link', { name: 'Run it' })
        .click();
      await page.getByRole('row', { name: /Taxable profit/ }).waitFor();
    },
  },
  {
    name: 'set',
    path: 'statements/sets',
    prepare: async (page) => {
      await page.getByRole('article', { name: 'Statement of changes in equity' }).waitFor();
      await page.getByRole('button', { name: /Changes in equity/ }).click();
      await page.getByText('The dividend for 2025, paid in May.').waitFor();
      await page.waitForTimeout(800);
    },
  },
  { name: 'coverage', path: 'placement/coverage', prepare: (page) => page.getByRole('row', { name: /6120 Chandlery/ }).click() },
  {
    name: 'climb',
    path: 'statements/income-statement',
    prepare: async (page) => {
      await page.keyboard.press('Control+k');
      await page.getByRole('combobox', { name: /Find/ }).fill('5210');
      await page.getByRole('option', { name: /5210 Marine gas oil/ }).waitFor();
      await page.keyboard.press('Shift+Enter');
      await page
        .getByRole('dialog')
        .getByRole('row', { name: /^Gross profit/ })
        .waitFor();
    },
  },
];

const browser = await launchBrowser();
const client = await enterDemo(origin, 'preparer');
try {
  const company = `${origin}/companies/${await client.companyId()}`;
  for (const { name, path, prepare } of pictures) {
    const { page, context } = await visit(browser, client.cookie, `${company}/${path}`);
    await page.waitForLoadState('networkidle');
    await prepare?.(page);
    await take(page, name);
    await context.close();
  }
  await takePlacement(company);
  const { page } = await visit(browser, client.cookie, `${origin}/companies/new`);
  await page.getByRole('radio', { name: /^Passenger transport/ }).check();
  await page.getByRole('textbox', { name: 'Name' }).fill('Skerry Line');
  await take(page, 'new-company');
  await page.getByRole('radio', { name: /^Categories alone/ }).check();
  await page.getByRole('textbox', { name: 'Name' }).fill('Eiderholm Boatyard');
  await page.getByRole('button', { name: 'Create the company' }).click();
  await page.getByRole('heading', { name: 'No accounts yet' }).waitFor();
  await page.getByLabel('Trial balance file').setInputFiles(join(root, 'examples', 'boatyard-2025-12-31.csv'));
  await page.getByRole('heading', { name: 'Trial balance from a file' }).waitFor();
  await take(page, 'import');
} finally {
  await browser.close();
}

/** A move with its changed lines; numbers of categories, two of which overlap; nothing of it is applied. */
async function takePlacement(company: string): Promise<void> {
  const { page, context } = await visit(browser, client.cookie, `${company}/placement`);
  await page.getByRole('button', { name: /^Accept Other sailings for 4460/ }).click();
  await page.getByRole('button', { name: /^Changed lines/ }).click();
  await page.getByRole('row', { name: /^Profit for the period/ }).waitFor();
  await page.getByRole('treegrid').getByText('Other sailings', { exact: true }).scrollIntoViewIfNeeded();
  await take(page, 'placement');
  await page.getByRole('button', { name: 'Discard', exact: true }).click();
  // Kept a moment later; else the next view would begin with it.
  await page.getByRole('button', { name: 'Discard', exact: true }).waitFor({ state: 'detached' });
  await page.waitForTimeout(1500);
  await page.goto(`${company}/placement/ranges?numbers=expense+5`);
  for (const [category, text] of [
    ['Crew wages', '5000 to 5199'],
    ['Fuel and lubricants', '5210 to 5249'],
    ['Harbour dues', '5300 to 5339'],
    ['Repairs and dry-docking', '5400 to 5499'],
    ['Café purchases', '5470 to 5599'],
  ]) {
    const field = page.getByRole('textbox', { name: `Account numbers of ${category}`, exact: true });
    await field.fill(text as string);
    await field.press('Enter');
  }
  await page.getByRole('button', { name: /^Fuel and lubricants, 5210/ }).click();
  await page
    .getByText(/no total changes|stay as they are/)
    .first()
    .waitFor();
  await page.getByText(/looking at the other statements/).waitFor({ state: 'detached' });
  await take(page, 'ranges');
  await page.getByRole('button', { name: 'Discard', exact: true }).click();
  await page.waitForTimeout(1000);
  await context.close();
}

async function take(page: Page, name: string): Promise<void> {
  await page.waitForLoadState('networkidle');
  await page.evaluate(() => document.fonts.ready);
  await page.mouse.move(1, 1);
  await page.screenshot({ path: join(root, 'docs', 'screenshots', `${name}.png`), animations: 'disabled' });
  process.stdout.write(`  docs/screenshots/${name}.png\n`);
}
