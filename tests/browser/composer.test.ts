import type { ChartView, LayoutDetail, LayoutList, PlacementView, StatementBody } from '@ivory-ladder/contract';
import { newLine } from '@ivory-ladder/core';
import type { Locator, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { launchBrowser, seriousFindings, seriousFindingsInBoth, visit } from '../support/browser.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { openForTests } from '../support/testBrowser.ts';

const lines = (page: Page) => page.getByRole('treegrid', { name: 'Lines' });
const row = (page: Page, name: RegExp) => lines(page).getByRole('row', { name }).first();
const preview = (page: Page) => page.getByRole('region', { name: 'Preview' });
const captions = (page: Page) =>
  lines(page)
    .locator('[data-line]')
    .evaluateAll((rows) => rows.map((found) => found.querySelector('[role=gridcell] span:last-child')?.textContent ?? ''));

/** Caption and the first two figures of each row. */
function printed(within: Locator): Promise<string[][]> {
  return within
    .locator('tbody tr')
    .evaluateAll((rows) => rows.map((row) => Array.from(row.children, (cell) => (cell.textContent ?? '').replace(/^[▸▾]/, '').trim()).slice(0, 3)));
}

async function addLine(page: Page, kind: RegExp, caption: string): Promise<void> {
  await page.getByRole('button', { name: 'Add line' }).click();
  await page.getByRole('menuitem', { name: kind }).click();
  await page.getByRole('menu').waitFor({ state: 'detached' });
  if (caption === '') return;
  await page.waitForFunction(() => document.activeElement?.matches('[data-caption]'));
  await page.keyboard.type(caption);
}

async function takeNumbers(page: Page, text: string, side: 'Debit only' | 'Credit only'): Promise<void> {
  await page.getByRole('combobox', { name: 'Add to: Takes from' }).fill(text);
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: side }).click();
}

describe('composing a layout', () => {
  let server: TestServer;
  let id: number;
  let path: string;
  beforeAll(async () => {
    server = await TestServer.start({ demo: true });
    id = await server.companyId();
    path = `/companies/${id}`;
  });
  afterAll(() => server?.stop());

  it('from the generated balance sheet: a side rule, an overdraft, a ratio; put in use it runs, and stays right when the chart changes', async () => {
    const browser = await launchBrowser();
    const { page, expectQuiet } = await visit(browser, server.cookie, `${server.serving.url}${path}/layouts`);
    await page.getByRole('button', { name: 'New layout' }).click();
    await page.getByLabel('Name').fill('For the bank');
    await page.keyboard.press('Enter');
    await page.getByText('Coverage: 71 of 71 accounts stand exactly once').waitFor();
    expect(await seriousFindingsInBoth(page)).toEqual([]);

    // A caption on top of the tree's own.
    await row(page, /Vessels/)
      .getByRole('button')
      .click();
    await row(page, /Vessels, at cost/).click();
    await page.getByLabel('Caption', { exact: true }).fill('Ships at cost');
    await preview(page).getByRole('rowheader', { name: 'Ships at cost' }).waitFor();
    await page.getByText('1 adjustment', { exact: false }).waitFor();

    // Cash is left to a line of its own, by number and for its debit side; what is overdrawn has nowhere to go until it has.
    await row(page, /Cash at bank/).click();
    await page.keyboard.press('Delete');
    await page.getByText('Coverage: 6 accounts of 71 at fault', { exact: false }).waitFor();
    await row(page, /Prepayments/).click();
    await addLine(page, /^Accounts/, 'Cash at bank and on board');
    await takeNumbers(page, '1000 to 1099', 'Debit only');
    await page.getByText('Credit balances of 6 accounts go to no line', { exact: false }).waitFor();
    await row(page, /Current liabilities/).click();
    await addLine(page, /^Accounts/, 'Bank overdraft');
    await takeNumbers(page, '1000 to 1099', 'Credit only');
    await page.getByText('Coverage: 71 of 71 accounts stand exactly once').waitFor();
    expect(
      await preview(page)
        .getByRole('row', { name: /^Bank overdraft/ })
        .textContent(),
    ).toContain('31,877.05');

    // A formula is offered its lines, has its value at once, and says where it is wrong.
    await row(page, /Total liabilities and equity/).click();
    await addLine(page, /^Calculation/, 'Equity ratio');
    await page.getByRole('combobox', { name: 'Formula' }).fill('equity / ass + 1');
    await page.getByText('no line has the key «ass»').waitFor();
    await page.getByRole('combobox', { name: 'Formula' }).fill('equity / ');
    await page.getByText('a line or a number is missing here').waitFor();
    await page.getByRole('combobox', { name: 'Formula' }).pressSequentially('ass');
    await page
      .getByRole('listbox', { name: 'Lines' })
      .getByRole('option', { name: /^Assets/ })
      .waitFor();
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Percent' }).click();
    await page.getByText('= Equity ÷ Assets').waitFor();
    await preview(page)
      .getByRole('row', { name: /^Equity ratio 5\d\.\d %/ })
      .waitFor();
    expect(await seriousFindings(page)).toEqual([]);

    // A line that others need stays, and they are named.
    await row(page, /^▾ ?group ?Equity|group Equity|Equity Total equity/).click();
    await page.keyboard.press('Delete');
    await page.getByText('«Equity» is used by «Total liabilities and equity», «Equity ratio». Change these first.').waitFor();
    await row(page, /Equity ratio/).click();

    // Undo is named, and the draft is saved by itself.
    await page.getByRole('button', { name: 'Undo' }).click();
    await preview(page)
      .getByRole('row', { name: /^Equity ratio 0\.5\d/ })
      .waitFor();
    await page.getByRole('button', { name: 'Redo' }).click();
    await preview(page)
      .getByRole('row', { name: /^Equity ratio 5\d\.\d %/ })
      .waitFor();
    await page.getByText(/saved \d\d:\d\d/).waitFor();

    // A line that was just added is in sight; in thousands the preview shows what the run prints.
    const isInSight = (name: RegExp) =>
      preview(page)
        .getByRole('row', { name })
        .evaluate((found) => {
          const [inner, outer] = [found.getBoundingClientRect(), (found.closest('section') as HTMLElement).getBoundingClientRect()];
          const below = found.closest('table')?.querySelector('thead')?.getBoundingClientRect().bottom ?? outer.top;
          return inner.top >= below && inner.bottom <= outer.bottom;
        });
    expect(await isInSight(/^Equity ratio/)).toBe(true);
    await row(page, /Cash at bank and on board/).click();
    await expect.poll(() => isInSight(/^Cash at bank and on board/)).toBe(true);
    await page.getByLabel('Figures of the preview').selectOption('Thousands');
    await page.getByText('EUR thousands').waitFor();
    const inThousands = await printed(preview(page));
    expect(inThousands.length).toBeGreaterThan(25);
    await page.getByLabel('Figures of the preview').selectOption('Exact');

    await page.getByRole('button', { name: 'Put in use…' }).click();
    await page.getByText('No version runs yet', { exact: false }).waitFor();
    await page.getByLabel('Why, for the record').fill('for the loan');
    await page.getByRole('button', { name: 'Put in use', exact: true }).click();
    await page.getByText('In use: version 1 of For the bank.').waitFor();
    const { layouts } = await server.ok<LayoutList>('GET', `${path}/layouts`);
    const layout = layouts.find(({ name }) => name === 'For the bank')?.id ?? 0;
    await page.goto(`${server.serving.url}${path}/statements/layout-${layout}?scale=thousands`);
    await page.getByRole('row', { name: /^Equity ratio/ }).waitFor();
    expect(await printed(page.getByRole('main'))).toEqual(inThousands);
    await page.goto(`${server.serving.url}${path}/statements/layout-${layout}`);
    await page.getByRole('row', { name: /^Equity ratio/ }).waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    await page
      .getByRole('row', { name: /^Equity ratio/ })
      .getByRole('button')
      .first()
      .click();
    await page.getByRole('complementary', { name: 'Evidence' }).getByText('Total equity ÷ Total assets').waitFor();
    const body = await server.ok<StatementBody>('GET', `${path}/statements/layout-${layout}?from=2026-01-01&to=2026-09-30`);

    // The chart changes: an account in the range, a category moved, one renamed. The layout takes them, or says what is amiss.
    const account = await server.ok<{ id: number }>('POST', `${path}/accounts`, { number: '1075', name: 'Cash box, ticket hut', element: 'asset' });
    const other = await server.ok<ChartView>('GET', `${path}/chart?from=2026-01-01&to=2026-09-30`);
    const capital = other.accounts.find(({ element, role, isParent }) => element === 'equity' && role === null && !isParent)?.id;
    await server.ok('POST', `${path}/entries`, {
      date: '2026-09-30',
      description: 'Tickets',
      lines: [
        { accountId: account.id, debit: '12300', credit: '0' },
        { accountId: capital, debit: '0', credit: '12300' },
      ],
    });
    const after = await server.ok<StatementBody>('GET', `${path}/statements/layout-${layout}?from=2026-01-01&to=2026-09-30`);
    const cash = (of: StatementBody) => BigInt(of.rows.find(({ caption }) => caption === 'Cash at bank and on board')?.values[0] ?? 0);
    expect(cash(after) - cash(body)).toBe(12300n);
    const before = await server.ok<PlacementView>('GET', `${path}/placement?from=2026-01-01&to=2026-09-30`);
    const category = (name: string) => before.categories.find((one) => one.name === name) as PlacementView['categories'][number];
    const [prepayments, receivables, ships] = [category('Prepayments'), category('Trade and other receivables'), category('Vessels, at cost')];
    await server.ok('PATCH', `${path}/categories/${prepayments.id}`, { version: prepayments.version, parentId: receivables.id });
    const accountsThere = before.accounts.filter(({ places }) => places.some(({ categoryId }) => categoryId === ships.id));
    await server.ok('PUT', `${path}/places`, {
      changes: accountsThere.map((one) => ({ accountId: one.id, before: one.places, after: [{ side: 'any', categoryId: ships.parentId }] })),
    });
    const deduction = category('Depreciation of vessels');
    await server.ok('PATCH', `${path}/categories/${deduction.id}`, { version: deduction.version, contraOf: null });
    await server.ok('DELETE', `${path}/categories/${ships.id}`);
    const moved = await server.ok<StatementBody>('GET', `${path}/statements/layout-${layout}?from=2026-01-01&to=2026-09-30&detail=accounts`);
    const total = (of: StatementBody) => of.rows.find(({ key, role }) => key === 'asset' && role === 'final')?.values[0];
    expect(total(moved)).toBe(total(after));
    expect(moved.rows.some(({ caption }) => caption === 'Total trade receivables' || caption === 'Total trade and other receivables')).toBe(true);
    await page.goto(`${server.serving.url}${path}/layouts/${layout}`);
    await page.getByText('Coverage: 72 of 72 accounts stand exactly once').waitFor();
    await page.getByText(/2 adjustments idle/).click();
    await page.getByText('Ships at cost: its line in', { exact: false }).waitFor();
    expectQuiet();
    await browser.close();
  });
});

describe('the outline', () => {
  const opened = openForTests();

  it('is worked by the keyboard: lines are ordered, nested, copied to another layout and taken back', async () => {
    const { server } = opened;
    const shop = await openShop(server);
    const url = `${server.serving.url}/companies/${shop.id}`;
    const begin = (name: string) => server.ok<LayoutDetail>('POST', `${shop.path}/layouts`, { name, from: 'nothing' });
    const [first, second] = [await begin('First'), await begin('Second')];
    const { page, context, expectQuiet } = await visit(opened.browser, server.cookie, `${url}/layouts/${first.id}`);
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    await page.getByText('No line yet').waitFor();
    await addLine(page, /^Group/, 'Costs');
    await lines(page).waitFor();
    await row(page, /Costs/).click();
    await page.getByRole('button', { name: 'Add line' }).click();
    await page.getByRole('menuitem', { name: /^From the chart/ }).click();
    await page.getByRole('dialog').getByLabel('Find an account, category or report code').fill('62');
    await page.getByRole('checkbox', { name: /^6200/ }).check();
    await page.getByRole('dialog').getByLabel('Find an account, category or report code').fill('63');
    await page.getByRole('checkbox', { name: /^6300/ }).check();
    expect(await seriousFindings(page)).toEqual([]);
    await page.getByRole('button', { name: 'One line each' }).click();
    await expect.poll(() => captions(page)).toEqual(['Costs', 'Insurance', 'Travel']);
    await row(page, /Travel/).click();
    await page.keyboard.press('Alt+ArrowUp');
    await expect.poll(() => captions(page)).toEqual(['Costs', 'Travel', 'Insurance']);
    await page.keyboard.press('Alt+ArrowLeft');
    await expect.poll(() => captions(page)).toEqual(['Costs', 'Insurance', 'Travel']);
    expect(await row(page, /Travel/).getAttribute('aria-level')).toBe('1');
    await page.keyboard.press('Alt+ArrowRight');
    await expect.poll(() => row(page, /Travel/).getAttribute('aria-level')).toBe('2');
    await page.keyboard.press('Control+z');
    await expect.poll(() => row(page, /Travel/).getAttribute('aria-level')).toBe('1');

    await row(page, /Costs/).click();
    await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.press('Control+c');
    await page.getByText('Copied: 1 line.').waitFor();
    await page.getByText(/saved \d\d:\d\d/).waitFor();
    await page.goto(`${url}/layouts/${second.id}`);
    await page.getByText('No line yet').waitFor();
    await addLine(page, /^Text/, 'Begins');
    await row(page, /Begins/).click();
    await page.keyboard.press('Control+v');
    await expect.poll(() => captions(page)).toEqual(['Begins', 'Costs', 'Insurance']);
    await page.keyboard.press('Control+v');
    await expect.poll(() => captions(page)).toEqual(['Begins', 'Costs', 'Insurance', 'Costs', 'Insurance']);
    await page.getByText(/saved \d\d:\d\d/).waitFor();
    const kept = await server.ok<LayoutDetail>('GET', `${shop.path}/layouts/${second.id}`);
    expect(JSON.stringify(kept.definition).match(/"key":"[^"]+"/g)?.length).toBe(new Set(JSON.stringify(kept.definition).match(/"key":"[^"]+"/g)).size);
    expectQuiet();
  });

  it('joins line by line what somebody else saved meanwhile, and tells both', async () => {
    const { server } = opened;
    const shop = await openShop(server);
    const begun = await server.ok<LayoutDetail>('POST', `${shop.path}/layouts`, { name: 'Shared', from: 'nothing' });
    const { page, expectQuiet } = await visit(opened.browser, server.cookie, `${server.serving.url}/companies/${shop.id}/layouts/${begun.id}`);
    await page.getByText('No line yet').waitFor();
    const theirs = (caption: string) => ({ ...newLine('text', 'theirs', caption), captions: [] });
    const first = await server.ok<LayoutDetail>('PUT', `${shop.path}/layouts/${begun.id}/draft`, {
      version: begun.version,
      definition: { ...begun.definition, lines: [theirs('Theirs')] },
    });
    // What is being typed meets it when it is saved.
    await addLine(page, /^Text/, 'Mine');
    await expect.poll(() => captions(page)).toEqual(['Mine', 'Theirs']);
    await page.getByText(/saved \d\d:\d\d/).waitFor();
    const both = await server.ok<LayoutDetail>('GET', `${shop.path}/layouts/${begun.id}`);
    expect(both.definition.lines.map(({ caption }) => caption)).toEqual(['Mine', 'Theirs']);
    expect(both.version).toBeGreaterThan(first.version);
    // With nothing typed, it is seen a moment later, and said.
    await server.ok('PUT', `${shop.path}/layouts/${begun.id}/draft`, {
      version: both.version,
      definition: { ...both.definition, lines: [...both.definition.lines.slice(0, 1), theirs('Reworded')] },
    });
    await expect.poll(() => captions(page)).toEqual(['Mine', 'Reworded']);
    await page.getByText('changed «Reworded»: joined here.').waitFor();
    // Undo takes back what was done here, and nothing of theirs.
    // Typing a caption and leaving the field are two steps.
    for (let step = 0; step < 2; step++) await page.getByRole('button', { name: /^Undo/ }).click();
    await expect.poll(() => captions(page)).not.toContain('Mine');
    expect(await captions(page)).toContain('Reworded');
    expectQuiet();
  });

  it('leaves one side of an account to another line in one step, and compares versions line by line', async () => {
    const { server } = opened;
    const shop = await openShop(server);
    const { accounts } = await server.ok<ChartView>('GET', `${shop.path}/chart?from=2026-01-01&to=2026-12-31`);
    const [bank] = accounts.filter(({ element, isParent }) => element === 'asset' && !isParent);
    if (!bank) throw new Error('the shop has no asset');
    const begun = await server.ok<LayoutDetail>('POST', `${shop.path}/layouts`, { name: 'Sides', from: 'nothing' });
    const lines = [
      // Made otherwise than later versions, and the same over these amounts.
      { ...newLine('accounts', 'held', 'Held'), measure: 'movement', sources: [{ kind: 'account', accountId: bank.id }] },
      { ...newLine('accounts', 'owed', 'Owed'), takes: 'credit', sources: [{ kind: 'code', list: 'report:999999', code: 'X', begins: false }] },
    ];
    const drafted = await server.ok<LayoutDetail>('PUT', `${shop.path}/layouts/${begun.id}/draft`, {
      version: begun.version,
      definition: { ...begun.definition, lines },
    });
    const used = await server.ok<LayoutDetail>('POST', `${shop.path}/layouts/${begun.id}/use`, { version: drafted.version, reason: 'First' });
    const balances = lines.map((line) => ({ ...line, measure: 'column' }));
    await server.ok('PUT', `${shop.path}/layouts/${begun.id}/draft`, { version: used.version, definition: { ...begun.definition, lines: balances } });
    const { page, expectQuiet } = await visit(opened.browser, server.cookie, `${server.serving.url}/companies/${shop.id}/layouts/${begun.id}`);
    await row(page, /Held/).click();
    await page.getByRole('button', { name: 'Leave one side of an account to another line…' }).click();
    const form = page.getByRole('form', { name: 'One side of an account to another line' });
    // The account and the line that takes such balances are there already, since there is one of each.
    expect(await form.getByLabel('It stands in').inputValue()).toBe('owed');
    await form.getByRole('button', { name: 'Leave it there' }).click();
    const said = `${bank.label} while in credit`;
    await page.getByText(said).waitFor();
    await row(page, /Owed/).click();
    await page.getByText(said).waitFor();
    await page.keyboard.press('Control+z');
    await page.getByText(said).waitFor({ state: 'detached' });
    await page.keyboard.press('Control+y');
    await page.getByText(said).waitFor();
    await page.getByText(/saved \d\d:\d\d/).waitFor();
    await page.getByRole('button', { name: 'Put in use…' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Put in use' }).click();
    await page.getByText('In use: version 2 of Sides.').waitFor();
    await page.getByRole('button', { name: 'Version 2' }).click();
    await page.getByRole('menuitem', { name: 'Compare versions…' }).click();
    const dialog = page.getByRole('dialog', { name: 'Compare versions: Sides' });
    await dialog.getByText('No line shows another figure or caption over the amounts of today.').waitFor();
    expect(await dialog.getByRole('listitem').allTextContents()).toEqual(['Held exceptions, what it measures', 'Owed what it takes']);
    await dialog.getByLabel('Later').selectOption({ label: 'The draft, as it is now' });
    await dialog.getByLabel('Earlier').selectOption({ index: 1 });
    await dialog.getByText('Both are made alike, and show the same.').waitFor();
    expect(await seriousFindings(page)).toEqual([]);
    expectQuiet();
  });
});
