import type { Company, LayoutDetail, OwnLineBody, PlacementView } from '@ivory-ladder/contract';
import { newLine } from '@ivory-ladder/core';
import type { ApiClient } from '../tests/support/apiClient.ts';
import { launchBrowser, visit } from '../tests/support/browser.ts';
import { againstBar, type Result } from './measure.ts';
import { undisturbed } from './stolenTime.ts';

const accounts = 1349;
const categories = 120;
const tries = 7;
const barMilliseconds = 500;
const span = 'from=2026-01-01&to=2026-12-31';

/** From the address to the figures of a screen that was opened once before, as somebody does who comes back to it; the server is warm. */
export async function measureOpening(client: ApiClient): Promise<Result[]> {
  const { id, layoutId } = await load(client);
  /** Where the figures are, and what they look like. */
  const screens = [
    ['the composer', `layouts/${layoutId}`, '[aria-label=Preview] tbody tr', '\\d\\.\\d\\d'],
    ['Coverage', 'placement/coverage', 'h2', 'stand exactly once'],
    ['Placement', 'placement', '[role=treegrid] [role=row]', '\\d\\.\\d\\d'],
    ['the record', 'placement/record', '[aria-label="Applied change"] li', 'Account'],
    ['the chart', 'ledger/chart', '[role=treegrid] [role=row]', '\\d\\.\\d\\d'],
  ] as const;
  const browser = await launchBrowser();
  const results: Result[] = [];
  for (const [name, path, selector, pattern] of screens) {
    const { page, context } = await visit(browser, client.cookie, `${client.url}/companies/${id}/${path}?${span}`);
    // Noted by the page itself, when it is in the document.
    await page.addInitScript(
      ([where, what]) => {
        const sought = new RegExp(what as string);
        new MutationObserver((_, watch) => {
          if (![...document.querySelectorAll(where as string)].some(({ textContent }) => sought.test(textContent ?? ''))) return;
          watch.disconnect();
          document.documentElement.dataset.figuresAt = String(performance.now());
        }).observe(document, { subtree: true, childList: true, characterData: true });
      },
      [selector, pattern],
    );
    const open = async () => {
      await page.reload();
      const noted = await page.waitForFunction(() => document.documentElement.dataset.figuresAt);
      return Number(await noted.jsonValue());
    };
    await open();
    const times = await undisturbed(name, tries, open);
    await context.close();
    results.push(
      againstBar(
        `opening ${name}, ${accounts.toLocaleString('en')} accounts, from the address to figures, best of ${tries}`,
        { product: times, yardstick: [] },
        barMilliseconds,
      ),
    );
  }
  await browser.close();
  return results;
}

async function load(client: ApiClient): Promise<{ id: number; layoutId: number }> {
  const send = <Body>(path: string, body: unknown): Promise<Body> => client.ok<Body>('POST', path, body);
  const { id } = await send<Company>('/companies', { name: 'Practised hands', currency: 'EUR', fiscalYearFirstMonth: 1 });
  const rows = Array.from({ length: accounts - 1 }, (_, at) => {
    const isExpense = at % 2 === 0;
    const category = `${isExpense ? 'Costs' : 'Stores'} ${at % (categories / 5)} > Part ${at % categories}`;
    return `${10_000 + at},Account ${at},${isExpense ? 'expense' : 'asset'},${category},${(at % 97) + 1}`;
  });
  const sum = rows.reduce((total, row) => total + Number(row.split(',').at(-1)), 0);
  const { fileId } = await send<{ fileId: number }>(
    `/companies/${id}/trial-balance-files?name=placement.csv`,
    Buffer.from(`Number,Name,Element,Category,Balance\n${rows.join('\n')}\n90000,Capital,equity,Capital,${-sum}`),
  );
  await send(`/companies/${id}/trial-balance-files/${fileId}/posting`, { date: '2026-09-30', confirmElements: true });
  for (const name of ['By function', 'By place']) await send(`/companies/${id}/classifications`, { name, copyOf: null });
  const placement = await client.ok<PlacementView>('GET', `/companies/${id}/placement?${span}`);
  const parts = placement.categories.filter(({ name }) => name.startsWith('Part'));
  const lines = parts.map(({ id: categoryId, name }, at) => ({ ...newLine('accounts', `line_${at}`, name), sources: [{ kind: 'category', categoryId }] }));
  const total = { ...newLine('sum', 'total', 'All'), terms: lines.map(({ key }) => ({ key, sign: 1 })) };
  const begun = await send<LayoutDetail>(`/companies/${id}/layouts`, { name: 'Practised hands', from: 'nothing' });
  const definition = { ...begun.definition, measure: 'closing', scope: ['asset', 'expense'], lines: [...lines, total] as unknown as OwnLineBody[] };
  await client.ok('PUT', `/companies/${id}/layouts/${begun.id}/draft`, { version: begun.version, definition });
  const [from, to] = placement.categories.filter(({ element, name }) => element === 'asset' && name.startsWith('Part'));
  const moved = placement.accounts.filter(({ places }) => places[0]?.categoryId === from?.id);
  const places = moved.map(({ id: accountId, places: before }) => ({ accountId, before, after: [{ side: 'any', categoryId: to?.id }] }));
  await send(`/companies/${id}/placement-records`, { draft: { places, categories: [] }, reason: 'Second look', from: '2026-01-01', to: '2026-12-31' });
  return { id, layoutId: begun.id };
}
