import type { ColumnPlanList } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { launchBrowser, seriousFindingsInBoth, shownFigures, visit } from '../support/browser.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
});
afterAll(() => server?.stop());

describe('composing columns', () => {
  it('begins with a usual plan, shows each change at once, keeps the plan, and runs a statement with it', async () => {
    const path = `/companies/${await server.companyId()}`;
    const browser = await launchBrowser();
    const { page, expectQuiet } = await visit(browser, server.cookie, `${server.serving.url}${path}/layouts/columns`);
    const sample = page.getByRole('region', { name: 'Sample' });
    const cards = page.getByRole('list', { name: 'Columns' });
    const properties = page.getByRole('complementary', { name: 'Properties' });
    await page.getByRole('button', { name: 'Quarter and year to date, with the year before' }).click();
    await sample.getByRole('columnheader', { name: 'Quarter to date' }).waitFor();
    expect(await seriousFindingsInBoth(page)).toEqual([]);

    // A column that others name is not taken away unknowingly; these go first.
    await cards.getByRole('button', { name: /^Year to date Fiscal year to date, 1 year earlier/ }).click();
    await page.getByRole('button', { name: 'Remove the column' }).click();
    await page.getByText('is needed by Change, Change in percent', { exact: false }).waitFor();
    for (const name of [/^Change in percent/, /^Change/]) {
      await cards.getByRole('button', { name }).click();
      await page.getByRole('button', { name: 'Remove the column' }).click();
    }
    await page.keyboard.press('Control+z');
    await cards.getByRole('button', { name: /^Change/ }).waitFor();

    // A share of a line, with a heading of its own, moved by the keyboard.
    await page.getByRole('button', { name: 'Add column' }).click();
    await page.getByRole('menuitem', { name: 'Share of a line' }).click();
    await properties.getByRole('combobox', { name: 'In', exact: true }).selectOption({ value: 'year' });
    await properties.getByRole('combobox', { name: 'Share of the line' }).selectOption({ label: 'Revenue' });
    await properties.getByLabel('Heading').fill('Of revenue, {year}');
    await sample.getByRole('columnheader', { name: /^Of revenue/ }).waitFor();
    await sample
      .getByRole('row', { name: /^Revenue/ })
      .getByText('100.0', { exact: true })
      .waitFor();
    await cards.getByRole('button', { name: /^Of revenue/ }).focus();
    await page.keyboard.press('Alt+ArrowLeft');
    await expect.poll(() => cards.getByRole('listitem').last().textContent()).toContain('Change');

    // What was begun waits while another screen is looked at.
    await page.getByRole('link', { name: /^Proofs/ }).click();
    await page.getByRole('heading', { name: 'Proofs', level: 1 }).waitFor();
    await page.goBack();
    await page.getByRole('button', { name: /^Quarter and year to date, with the year before not kept yet/ }).waitFor();
    await cards.getByRole('button', { name: /^Of revenue/ }).waitFor();

    await page.getByLabel('Name of the plan').fill('To date, with shares');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await page.getByText('Kept: To date, with shares.', { exact: false }).waitFor();
    const { plans } = await server.ok<ColumnPlanList>('GET', `${path}/column-plans`);
    expect(plans.map(({ name, definition }) => [name, definition.columns.length])).toEqual([['To date, with shares', 6]]);

    await page.goto(`${server.serving.url}${path}/statements/income-statement`);
    await page.getByRole('rowheader', { name: 'Profit for the period' }).waitFor();
    await page.getByRole('button', { name: /^Compare/ }).click();
    await page.getByRole('menuitem', { name: 'To date, with shares' }).click();
    await page.getByRole('columnheader', { name: /^Of revenue/ }).waitFor();
    const shown = await shownFigures(page);
    expect(shown.get('Total revenue')).toContain('100.0');
    // What makes no sense for a layout is said.
    await page.getByRole('link', { name: 'Cash flow', exact: true }).click();
    await page.getByRole('rowheader', { name: 'Net change in cash and cash equivalents' }).waitFor();
    expectQuiet();
    await browser.close();
  });
});
