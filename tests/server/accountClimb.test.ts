import type { AccountClimbBody, ChartView } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
});
afterAll(() => server.stop());

const span = 'from=2026-01-01&to=2026-09-30';

describe('the climb of an account', () => {
  it('of every account of the demo has the amounts that its statements show, up to their last total', async () => {
    const id = await server.companyId();
    const { accounts } = await server.ok<ChartView>('GET', `/companies/${id}/chart?${span}`);
    const shown = new Map<string, Map<string, string | null>>();
    for (const kind of ['balance-sheet', 'income-statement', 'cash-flow'] as const) {
      const { rows } = await statement(server, id, kind, '2026-01-01', '2026-09-30', '&detail=9&zero=1&compare=none');
      // A group has one key for its heading and its total; the total stands behind it.
      shown.set(kind, new Map(rows.filter(({ role }) => role !== 'heading').map(({ lineKey, values }) => [lineKey, values[0] ?? null])));
    }
    const totals: Record<string, Set<string>> = { 'balance-sheet': new Set(), 'income-statement': new Set(), 'cash-flow': new Set() };
    for (const account of accounts.filter(({ isParent }) => !isParent)) {
      const { climbs } = await server.ok<AccountClimbBody>('GET', `/companies/${id}/accounts/${account.id}/climb?${span}`);
      expect(climbs.map(({ kind }) => kind).filter((kind) => kind !== 'cash-flow')).toEqual(
        account.element === 'income' || account.element === 'expense' ? ['income-statement', 'balance-sheet'] : ['balance-sheet'],
      );
      const [income] = climbs.filter(({ kind }) => kind === 'income-statement');
      const inCash = climbs.filter(({ kind }) => kind === 'cash-flow');
      // What a line shows apart from profit, it shows on another one: together they are what the account brought, but for what moved no cash, of which profit is freed.
      const freed = inCash.reduce((sum, { rungs, amount }) => (rungs[0]?.key === 'in_profit_without_cash' ? sum + Number(amount) : sum), 0);
      if (income && income.rungs.length > 0)
        expect(
          inCash.reduce((sum, { amount }) => sum + Number(amount), 0),
          account.number,
        ).toBe(Number(income.amount) + freed);
      for (const { kind, rungs, amount } of climbs) {
        for (const rung of rungs) {
          const figure = shown.get(kind)?.get(rung.key);
          if (figure !== undefined) expect([account.number, rung.key, rung.amount]).toEqual([account.number, rung.key, figure ?? '0']);
          if (rung.share !== null) expect(Math.abs(Number(rung.share) - (1000 * Number(amount)) / Number(rung.amount))).toBeLessThanOrEqual(0.5);
        }
        totals[kind]?.add(rungs.at(-1)?.caption ?? '');
      }
    }
    // The two that stand nowhere have no rungs on the income statement; all others end in its last line.
    expect(totals['income-statement']).toEqual(new Set(['', 'Profit for the period']));
    expect(totals['cash-flow']).toEqual(new Set(['Net change in cash and cash equivalents']));
    expect(totals['balance-sheet']).toEqual(new Set(['Total assets', 'Total liabilities and equity']));
  });

  it('is told for each classification, by the side that the balance is on, and for one that stands nowhere', async () => {
    const shop = await openShop(server);
    const tax = (await server.ok<{ id: number }>('POST', `${shop.path}/classifications`, { name: 'Tax', copyOf: null })).id;
    const bank = await shop.find('1000');
    const all = (await server.ok<AccountClimbBody>('GET', `${shop.path}/accounts/${bank.id}/climb?${span}`)).climbs;
    // An account without the role cash moves cash like any other.
    expect(all.at(-1)).toMatchObject({ kind: 'cash-flow', classification: { isMain: true }, amount: '-90000' });
    const climbs = all.filter(({ kind }) => kind !== 'cash-flow');
    expect(climbs.map(({ classification, side, rungs }) => [classification.name, side, rungs.at(-1)?.caption])).toEqual([
      ['Statutory', 'any', 'Total assets'],
      ['Tax', null, undefined],
    ]);
    expect(climbs[1]).toMatchObject({ classification: { id: tax, isMain: false }, amount: '90000', rungs: [] });
    expect(climbs[0]?.rungs.map(({ caption, amount, share }) => [caption, amount, share])).toEqual([
      ['Cash and cash equivalents', '90000', '1000'],
      ['Total current assets', '90000', '1000'],
      ['Total assets', '90000', '1000'],
    ]);
    // What no line takes is positive on the side of its element, as a line would show it.
    const sales = await shop.find('4000');
    const ofSales = await server.ok<AccountClimbBody>('GET', `${shop.path}/accounts/${sales.id}/climb?${span}`);
    expect(ofSales.climbs.filter(({ kind }) => kind === 'income-statement').map(({ amount, rungs }) => [amount, rungs.length > 0])).toEqual([
      ['60000', true],
      ['60000', false],
    ]);
    expect(await server.refused('GET', `${shop.path}/accounts/999999/climb?${span}`)).toMatchObject({ code: 'account_unknown' });
  });
});
