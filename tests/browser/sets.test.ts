import { readFileSync } from 'node:fs';
import type { RanSet, StatementSetBody, StatementSetList } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { launchBrowser, seriousFindingsInBoth, visit } from '../support/browser.ts';
import { readPdf } from '../support/readPdf.ts';
import { TestServer } from '../support/server.ts';

const equity = 'Statement of changes in equity';
let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
});
afterAll(() => server?.stop());

describe('a set of statements', () => {
  it('is begun, ordered, commented on by keyboard, taken back step by step, and printed with its contents', async () => {
    const path = `/companies/${await server.companyId()}`;
    const browser = await launchBrowser();
    const { page, expectQuiet } = await visit(browser, server.cookie, `${server.serving.url}${path}/statements/income-statement`);
    await page.getByRole('button', { name: 'Layouts' }).click();
    await page.getByRole('menuitem', { name: 'Sets of statements…' }).click();
    const panel = page.getByRole('complementary', { name: 'Set' });
    await page.getByRole('article', { name: 'Cash flow statement' }).waitFor();

    await panel.getByRole('button', { name: 'Sets' }).click();
    await page.getByRole('menuitem', { name: 'New set' }).click();
    const name = panel.getByRole('textbox', { name: 'Name of the set' });
    await expect.poll(() => name.inputValue()).toBe('Financial statements');
    await name.fill('Month end');
    await name.press('Enter');
    await panel.getByRole('button', { name: 'Add statement' }).click();
    await page.getByRole('menuitem', { name: 'Tax return' }).click();
    await page.getByRole('article', { name: 'Tax return' }).waitFor();
    await panel.getByRole('button', { name: 'Up' }).click();
    await panel.getByLabel('Title').fill('Return, line by line');
    await panel.getByLabel('Title').press('Enter');
    await page.getByRole('article', { name: 'Return, line by line' }).waitFor();
    const titles = () => page.getByRole('article').getByRole('heading', { level: 2 }).allTextContents();
    await expect.poll(titles).toEqual(['Balance sheet', 'Income statement', equity, 'Return, line by line', 'Cash flow statement']);
    await panel.getByRole('button', { name: 'Undo' }).click();
    await panel.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(titles).toEqual(['Balance sheet', 'Income statement', equity, 'Cash flow statement', 'Lines of the tax return']);
    await panel.getByRole('button', { name: 'Redo' }).click();
    await expect.poll(titles).toEqual(['Balance sheet', 'Income statement', equity, 'Lines of the tax return', 'Cash flow statement']);

    const income = page.getByRole('article', { name: 'Income statement' });
    await income.getByRole('button', { name: 'Comment on Gross profit' }).focus();
    await page.keyboard.press('Enter');
    await income.getByRole('textbox', { name: 'Comment', exact: true }).waitFor();
    await page.keyboard.type('prices of freight.');
    // The keys of a text are its own, also in a row of a table that is walked by them.
    for (const key of ['ArrowUp', 'Home', 'B', 'e', 't', 't', 'e', 'r', 'Space', 'ArrowDown', 'End', ...Array(9).fill('ArrowLeft')])
      await page.keyboard.press(key);
    for (const key of ['Backspace', 'Backspace', 'f', 'o', 'r']) await page.keyboard.press(key);
    await page.keyboard.press('Control+Enter');
    await income.getByRole('button', { name: 'Comment a on Gross profit' }).waitFor();
    await income.getByText('Better prices for freight.').waitFor();
    expect(await seriousFindingsInBoth(page)).toEqual([]);

    // It stays with its day: another month has none, and offers it to be taken over.
    await page.getByRole('button', { name: /^Aug/ }).click();
    await expect.poll(() => income.getByText('Better prices for freight.').count()).toBe(0);
    await page.goBack();
    await income.getByText('Better prices for freight.').waitFor();

    await income
      .getByRole('row', { name: /^Gross profit/ })
      .getByRole('gridcell')
      .or(income.getByRole('row', { name: /^Gross profit/ }).getByRole('cell'))
      .getByRole('button')
      .first()
      .click();
    await page.getByRole('complementary', { name: 'Evidence' }).getByText('is made of').waitFor();
    await page.getByRole('button', { name: 'Close the evidence' }).click();

    const [download] = await Promise.all([page.waitForEvent('download'), panel.getByRole('link', { name: 'Print (PDF)' }).click()]);
    expect(download.suggestedFilename()).toBe('Eiderholm Ferry Company - Month end 2026-09-30.pdf');
    const pages = await readPdf(new Uint8Array(readFileSync(await download.path())));
    const contents = pages[0]?.lines.slice(pages[0].lines.indexOf('Contents') + 1).map((line) => line.replace(/ \d+$/, ''));
    expect(contents).toEqual(['Balance sheet', 'Income statement', equity, 'Lines of the tax return', 'Cash flow statement']);
    expect(pages.flatMap(({ lines }) => lines)).toContain('a Gross profit: Better prices for freight.');
    await expectQuiet();
    await browser.close();
  });

  it('that somebody else changed is not overwritten: what they left is shown, and that is said', async () => {
    const path = `/companies/${await server.companyId()}`;
    const { sets } = await server.ok<StatementSetList>('GET', `${path}/sets`);
    const [set] = sets as [StatementSetBody];
    const browser = await launchBrowser();
    const { page } = await visit(browser, server.cookie, `${server.serving.url}${path}/statements/sets/${set.id}`);
    const panel = page.getByRole('complementary', { name: 'Set' });
    await page.getByRole('article').first().waitFor();
    const { name, definition, version } = set;
    await server.ok('PUT', `${path}/sets/${set.id}`, { name: `${name}, by a colleague`, definition, version });
    await panel.getByRole('button', { name: 'Add statement' }).click();
    await page.getByRole('menuitem', { name: 'Indicators' }).click();
    await page.getByText('changed', { exact: false }).first().waitFor();
    await expect.poll(() => panel.getByRole('textbox', { name: 'Name of the set' }).inputValue()).toBe(`${name}, by a colleague`);
    const ran = await server.ok<RanSet>('GET', `${path}/sets/${set.id}/statements?from=2026-01-01&to=2026-09-30`);
    expect(ran.set.definition.parts).toHaveLength(definition.parts.length);
    await browser.close();
  });
});
