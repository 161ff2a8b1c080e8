import type { ApiClient } from '../tests/support/apiClient.ts';
import { launchBrowser, type Visit, visit } from '../tests/support/browser.ts';
import { placementSize } from './largePlacement.ts';
import { againstBar, median, type Result } from './measure.ts';
import { undisturbed } from './stolenTime.ts';

const moves = 100;
const rounds = 5;

/**
 * Moves of an account on the placement screen, 100 of them in five rounds: from the key that moves it to the commit of the tree with its
 * new totals, and to the commit of the figures that the worker gives for both statements.
 */
export async function measureRehearsal(client: ApiClient, companyId: number): Promise<Result[]> {
  const browser = await launchBrowser();
  const { page } = await visit(browser, client.cookie, `${client.url}/companies/${companyId}/placement?from=2026-01-01&to=2026-09-30`);
  await page.getByLabel('Unplaced accounts').getByRole('checkbox').first().waitFor();
  await chooseTarget(page);
  const measured = await undisturbed('moves of accounts', rounds, () => moveSome(page, moves / rounds));
  await browser.close();
  const medians = (times: readonly number[][]) => ({ product: times.map(median), yardstick: [] });
  const worst = (times: readonly number[][]) => ({ product: times.map((round) => Math.max(...round)), yardstick: [] });
  return [
    againstBar(`rehearsal of a move, ${placementSize}: key to DOM commit of the tree`, medians(measured.map((times) => times.map(({ shown }) => shown))), 16),
    againstBar('the slowest of 20 of these', worst(measured.map((times) => times.map(({ shown }) => shown))), 50),
    againstBar('the same to DOM commit of the figures of both statements', medians(measured.map((times) => times.map(({ figured }) => figured))), 16),
    againstBar('the slowest of 20 of these, with the figures', worst(measured.map((times) => times.map(({ figured }) => figured))), 50),
  ];
}

type Page = Visit['page'];

/** One move by the dialog, after which the key 1 moves to the same category. */
async function chooseTarget(page: Page): Promise<void> {
  await page.getByLabel('Unplaced accounts').getByRole('checkbox').first().check();
  await page.keyboard.press('m');
  await page.getByRole('combobox', { name: 'Find a category' }).fill('costs part 4');
  await page.keyboard.press('Enter');
  await page.getByRole('region', { name: 'Rehearsal' }).getByText('Profit for the period').waitFor();
}

/** No named function inside: what compiles this file would wrap it in a helper that the page does not have. */
function moveSome(page: Page, count: number): Promise<{ shown: number; figured: number }[]> {
  return page.evaluate(async (times) => {
    const measured: { shown: number; figured: number }[] = [];
    for (let move = 0; move < times; move++) {
      const box = document.querySelector<HTMLInputElement>('[aria-label="Unplaced accounts"] input[type=checkbox]');
      const grid = document.querySelector('[role=treegrid]');
      const bar = document.querySelector('[aria-label=Rehearsal]');
      if (!box || !grid || !bar) throw new Error('nothing to move');
      box.click();
      await new Promise((resolve) => setTimeout(resolve, 150));
      const before = bar.textContent?.match(/Profit for the period\s*([^A-Za-z✓✗]+)/)?.[1];
      const began = performance.now();
      let shown = 0;
      const figured = new Promise<number>((resolve) => {
        const watch = new MutationObserver(() => {
          if (shown === 0) shown = performance.now() - began;
          if (bar.textContent?.match(/Profit for the period\s*([^A-Za-z✓✗]+)/)?.[1] === before) return;
          watch.disconnect();
          resolve(performance.now() - began);
        });
        watch.observe(document.body, { subtree: true, childList: true, characterData: true });
      });
      box.dispatchEvent(new KeyboardEvent('keydown', { key: '1', bubbles: true }));
      measured.push({ figured: await figured, shown });
      await new Promise((resolve) => setTimeout(resolve, 150));
    }
    return measured;
  }, count);
}
