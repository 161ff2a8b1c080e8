import type { LayoutDetail, OwnLineBody, PlacementView } from '@ivory-ladder/contract';
import { newLine } from '@ivory-ladder/core';
import type { ApiClient } from '../tests/support/apiClient.ts';
import { launchBrowser, type Visit, visit } from '../tests/support/browser.ts';
import { placementSize } from './largePlacement.ts';
import { againstBar, median, type Result } from './measure.ts';
import { undisturbed } from './stolenTime.ts';

const edits = 100;
const rounds = 5;
const span = 'from=2026-01-01&to=2026-12-31';

/**
 * Edits of a layout of 300 lines over 12 columns, 100 of them in five rounds: from the event that changes the side rule of a line to the
 * commit of the outline, and to the commit of the figures that the worker gives for the whole preview.
 */
export async function measureComposer(client: ApiClient, companyId: number): Promise<Result[]> {
  const layoutId = await composeLarge(client, companyId);
  const browser = await launchBrowser();
  const { page } = await visit(browser, client.cookie, `${client.url}/companies/${companyId}/layouts/${layoutId}?${span}&plan=periods&line=line_4`);
  const preview = page.getByRole('region', { name: 'Preview' });
  await preview.getByRole('row').nth(20).waitFor();
  // To the total, which every edit changes.
  await preview.evaluate((pane) => pane.scrollTo(0, pane.scrollHeight));
  await preview.getByRole('row', { name: /^All/ }).waitFor();
  const measured = await undisturbed('edits of a layout', rounds, () => editSome(page, edits / rounds));
  await browser.close();
  const medians = (times: readonly number[][]) => ({ product: times.map(median), yardstick: [] });
  const worst = (times: readonly number[][]) => ({ product: times.map((round) => Math.max(...round)), yardstick: [] });
  return [
    againstBar(
      `edit of a layout of 300 lines × 12 columns, ${placementSize}: event to DOM commit of the outline`,
      medians(measured.map((times) => times.map(({ outlined }) => outlined))),
      16,
    ),
    againstBar('the slowest of 20 of these', worst(measured.map((times) => times.map(({ outlined }) => outlined))), 50),
    againstBar('the same to DOM commit of the preview’s figures', medians(measured.map((times) => times.map(({ figured }) => figured))), 16),
    againstBar('the slowest of 20 of these, with the figures', worst(measured.map((times) => times.map(({ figured }) => figured))), 50),
  ];
}

async function composeLarge(client: ApiClient, companyId: number): Promise<number> {
  const path = `/companies/${companyId}`;
  const { categories } = await client.ok<PlacementView>('GET', `${path}/placement?${span}`);
  const lines = categories
    .filter(({ element, parentId }) => (element === 'asset' || element === 'expense') && parentId !== null)
    .slice(0, 289)
    .map(({ id, name }, at) => ({ ...newLine('accounts', `line_${at}`, name), sources: [{ kind: 'category', categoryId: id }] }));
  const groups = Array.from({ length: 10 }, (_, at) => ({
    ...newLine('group', `group_${at}`, `Group ${at}`),
    side: 'debit',
    children: lines.filter((__, index) => index % 10 === at),
  }));
  const total = { ...newLine('sum', 'total', 'All'), terms: groups.map(({ key }) => ({ key, sign: 1 })) };
  const begun = await client.ok<LayoutDetail>('POST', `${path}/layouts`, { name: `Large ${Date.now()}`, from: 'nothing' });
  const definition = { ...begun.definition, measure: 'closing', scope: ['asset', 'expense'], lines: [...groups, total] as unknown as OwnLineBody[] };
  await client.ok('PUT', `${path}/layouts/${begun.id}/draft`, { version: begun.version, definition });
  return begun.id;
}

/** No named function inside: what compiles this file would wrap it in a helper that the page does not have. */
function editSome(page: Visit['page'], count: number): Promise<{ outlined: number; figured: number }[]> {
  return page.evaluate(async (times) => {
    const measured: { outlined: number; figured: number }[] = [];
    for (let edit = 0; edit < times; edit++) {
      const sides = [...document.querySelectorAll<HTMLButtonElement>('[aria-label="Balances it takes"] button')];
      const next = sides.find((button) => button.textContent === (sides[0]?.getAttribute('aria-pressed') === 'true' ? 'Credit only' : 'Any'));
      const outline = document.querySelector('[data-line="line_4"]');
      const preview = document.querySelector('[aria-label=Preview] tbody');
      const total = preview?.lastElementChild;
      if (!next || !outline || !preview || !total) throw new Error('nothing to edit');
      const before = total.textContent;
      const began = performance.now();
      let outlined = 0;
      const figured = new Promise<number>((resolve) => {
        const watch = new MutationObserver(() => {
          if (outlined === 0) outlined = performance.now() - began;
          if (preview.lastElementChild?.textContent === before) return;
          watch.disconnect();
          resolve(performance.now() - began);
        });
        watch.observe(document.body, { subtree: true, childList: true, characterData: true, attributes: true });
      });
      next.click();
      measured.push({ figured: await figured, outlined });
      await new Promise((resolve) => setTimeout(resolve, 150));
    }
    return measured;
  }, count);
}
