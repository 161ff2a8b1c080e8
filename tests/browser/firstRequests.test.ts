import type { LayoutDetail } from '@ivory-ladder/contract';
import { describe, expect, it } from 'vitest';
import { visit } from '../support/browser.ts';
import { openShop } from '../support/shop.ts';
import { openForTests } from '../support/testBrowser.ts';

const opened = openForTests();

/** Of one span and one classification on a screen, so that another query of the same path would be one that nobody shows. */
const isBooks = (url: string) => /\/(placement|chart|statements|layouts|proofs)/.test(url);

describe('what a screen asks for before it is drawn', () => {
  it('is what it asks for once it is, word for word: nothing is asked for twice', async () => {
    const shop = await openShop(opened.server);
    const layout = await opened.server.ok<LayoutDetail>('POST', `${shop.path}/layouts`, { name: 'Ours', from: 'balance_sheet' });
    const screens = [
      'statements/income-statement',
      'statements/balance-sheet?from=2026-01-01&to=2026-06-30&compare=none&detail=accounts&scale=thousands',
      'statements/cash-flow?plan=periods&facets=nonsense&currency=USD',
      'ledger/chart',
      'ledger/chart?compare=fixed&compareFrom=2025-01-01&compareTo=2025-12-31',
      'placement',
      'placement/coverage?adjusting=before',
      'placement/record',
      `layouts/${layout.id}?from=2026-02-01&to=2026-01-01`,
      // Of these the page itself names what is asked for, before its scripts are read.
      ...['ledger/chart', 'placement', 'placement/coverage', 'placement/record', `layouts/${layout.id}`].map((path) => `${path}?from=2026-01-01&to=2026-06-30`),
      'placement?from=2026-01-01&to=2026-06-30&compare=none',
    ];
    for (const screen of screens) {
      const { page, context } = await visit(opened.browser, opened.server.cookie, `${opened.server.serving.url}/sign-in`);
      const asked: string[] = [];
      page.on('request', (request) => {
        const url = new URL(request.url());
        if (request.method() === 'GET' && url.pathname.startsWith('/api/')) asked.push(`${url.pathname.replace(shop.path, '')}${url.search}`);
      });
      await page.goto(`${opened.server.serving.url}${shop.path}/${screen}`);
      await page.waitForLoadState('networkidle');
      const counts = new Map<string, number>();
      for (const url of asked) counts.set(url.split('?')[0] ?? '', (counts.get(url.split('?')[0] ?? '') ?? 0) + 1);
      const books = [...counts].filter(([url]) => isBooks(url));
      expect(books.length, `${screen}: ${asked.join(' ')}`).toBeGreaterThan(0);
      expect(
        books.filter(([, times]) => times > 1),
        screen,
      ).toEqual([]);
      await context.close();
    }
  });
});
