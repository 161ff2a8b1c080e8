import type { Page } from 'playwright-core';
import type { TestServer } from './server.ts';
import { bringIn, createCompany } from './trialBalance.ts';

export const grid = (page: Page) => page.getByRole('treegrid', { name: 'Chart of accounts' });
/** Number of each row with a dot for each level above it, from top to bottom. */
export const rows = (page: Page) =>
  grid(page)
    .locator('[data-index]')
    .evaluateAll((elements) =>
      elements.map(
        (row) => '. '.repeat(Number(row.getAttribute('aria-level')) - 1) + (row.querySelector('[role=gridcell]')?.textContent ?? '').replace(/^[▸▾]/, ''),
      ),
    );

/** A company with a bank account, an equity account and sales; gives the address of its chart. */
export async function shop(server: TestServer): Promise<string> {
  const { id } = await createCompany(server);
  await bringIn(
    server,
    id,
    'Number,Name,Element,Category,Balance\n1000,Bank,asset,Cash and cash equivalents,900\n3100,Retained earnings,equity,Retained earnings,-300\n4000,Sales,income,Revenue,-600',
    { date: '2026-09-30', retainedEarnings: '3100' },
  );
  return `${server.serving.url}/companies/${id}/ledger/chart`;
}
