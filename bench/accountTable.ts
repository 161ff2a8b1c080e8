import type { Company } from '@ivory-ladder/contract';
import type { ApiClient } from '../tests/support/apiClient.ts';
import { launchBrowser, type Visit, visit } from '../tests/support/browser.ts';
import { againstBar, median, type Result } from './measure.ts';
import { undisturbed } from './stolenTime.ts';

const accounts = 10_000;
const words = ['fuel', 'harbour', 'crew', 'vessel', 'ticket', 'café', 'repair', 'insurance', 'office', 'mail'];
const filters = ['fuel', 'harb', '4321', 'crew 7', 'vess', '99', 'tick', 'repair 12', 'off', 'mail 5', 'insur', 'caf'];
const frames = 120;
const rounds = 5;

/** A chart of 10,000 accounts: from the input event of a filter to the changed rows, and frames while it scrolls 10 rows a frame. */
export async function measureAccountTable(client: ApiClient): Promise<Result[]> {
  const company = await loadChart(client);
  const browser = await launchBrowser();
  const { page } = await visit(browser, client.cookie, `${client.url}/companies/${company.id}/ledger/chart?from=2026-01-01&to=2026-09-30`);
  await page.locator('[role=treegrid] [data-index="0"]').waitFor();
  const measured = await undisturbed('a chart of 10,000 accounts', rounds, async () => {
    const times: number[] = [];
    for (const text of filters) times.push(await filterOnce(page, `${text}`));
    await filterOnce(page, '');
    const gaps = await scroll(page);
    return { filtered: median(times), frame: median(gaps), worst: Math.max(...gaps) };
  });
  await browser.close();
  const size = `${accounts.toLocaleString('en')} accounts`;
  return [
    againstBar(`chart of ${size}: input event of a filter to DOM commit`, { product: measured.map(({ filtered }) => filtered), yardstick: [] }, 50),
    // A frame of a 60 Hz screen is 16.7 ms; timers count to 0.1.
    againstBar(
      `chart of ${size}: median frame while scrolling 10 rows a frame, ${frames} frames`,
      { product: measured.map(({ frame }) => frame), yardstick: [] },
      17,
    ),
    againstBar(`chart of ${size}: longest of these frames`, { product: measured.map(({ worst }) => worst), yardstick: [] }, 50),
  ];
}

async function loadChart(client: ApiClient): Promise<Company> {
  const send = <Body>(path: string, body: unknown): Promise<Body> => client.ok<Body>('POST', path, body);
  const company = await send<Company>('/companies', { name: 'Large chart', currency: 'EUR', fiscalYearFirstMonth: 1 });
  const rows = Array.from({ length: accounts }, (_, at) => {
    const parent = at % 10 === 0 ? '' : String(10_000 + at - (at % 10));
    return `${10_000 + at},${words[at % words.length]} ${words[(at * 7) % words.length]} ${at},asset,${parent},${at % 10 === 0 ? 0 : at % 2 === 0 ? 1 : -1}`;
  });
  const sum = rows.reduce((total, row) => total + Number(row.split(',').at(-1)), 0);
  const { fileId } = await send<{ fileId: number }>(
    `/companies/${company.id}/trial-balance-files?name=large.csv`,
    Buffer.from(`Number,Name,Element,Parent,Balance\n${rows.join('\n')}\n90000,Capital,equity,,${-sum}`),
  );
  await send(`/companies/${company.id}/trial-balance-files/${fileId}/posting`, { date: '2026-09-30', confirmElements: true });
  return company;
}

type Page = Visit['page'];

/** Milliseconds from setting the field to the first change of the rows. */
function filterOnce(page: Page, text: string): Promise<number> {
  return page.evaluate(
    (value) =>
      new Promise<number>((resolve) => {
        const field = document.querySelector<HTMLInputElement>('input[aria-label="Find accounts"]');
        const grid = document.querySelector('[role=treegrid]');
        if (!field || !grid) throw new Error('no chart');
        const began = performance.now();
        const watch = new MutationObserver(() => {
          watch.disconnect();
          resolve(performance.now() - began);
        });
        watch.observe(grid, { subtree: true, childList: true, characterData: true, attributes: true });
        Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(field, value);
        field.dispatchEvent(new Event('input', { bubbles: true }));
      }),
    text,
  );
}

/** Milliseconds between animation frames, 10 rows scrolled in each. No named function inside: what compiles this file would wrap it in a helper that the page does not have. */
function scroll(page: Page): Promise<number[]> {
  return page.evaluate(async (count) => {
    const scroller = document.querySelector('[role=treegrid] [role=rowgroup]');
    if (!scroller) throw new Error('no rows');
    scroller.scrollTop = 0;
    const times: number[] = [];
    for (let frame = 0; frame <= count + 1; frame++) {
      times.push(await new Promise<number>((resolve) => requestAnimationFrame(resolve)));
      scroller.scrollTop += 260;
    }
    return times.slice(2).map((time, at) => time - (times[at + 1] ?? time));
  }, frames);
}
