import type { LayoutDetail, RanSet, StatementBody, StatementSetBody } from '@ivory-ladder/contract';
import { type AmountsPlanColumn, newLine, newPlanColumn } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readPdf } from '../support/readPdf.ts';
import { recomputeStatement } from '../support/recomputedWorkbook.ts';
import { TestServer } from '../support/server.ts';
import { createCompany, statement } from '../support/trialBalance.ts';

let server: TestServer;
let id: number;
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
  id = await server.companyId();
});
afterAll(() => server.stop());

const year = ['2026-01-01', '2026-09-30'] as const;
const query = `from=${year[0]}&to=${year[1]}`;
const figureOf = ({ rows }: StatementBody, key: string, column = 0): number =>
  Number(rows.find((row) => row.key === key && row.role !== 'heading')?.values[column]);
const captioned = ({ rows }: StatementBody, caption: string, column = 0): number =>
  Number(rows.find((row) => row.caption === caption && row.role !== 'heading')?.values[column]);
const difference = 'Exchange differences on translation';

/**
 * Own computation by IAS 21.39 and 21.41: capital 100 at 1.00; profit 50 at an average of 1.10, closing 1.20; dividend 20 at 1.30, profit 30
 * at 1.40, closing 1.50.
 */
async function openExample() {
  const company = await createCompany(server, { name: 'Translated' });
  const path = `/companies/${company.id}`;
  return { company, path };
}

/** A layout that is composed, put in use and run in the other currency. */
async function composed(name: string, more: object, from = 'nothing'): Promise<StatementBody> {
  const begun = await server.ok<LayoutDetail>('POST', `/companies/${id}/layouts`, { name, from });
  const definition = { ...begun.definition, ...more };
  const { version } = await server.ok<LayoutDetail>('PUT', `/companies/${id}/layouts/${begun.id}/draft`, { version: begun.version, definition });
  await server.ok('POST', `/companies/${id}/layouts/${begun.id}/use`, { version, reason: 'as it is' });
  return statement(server, id, `layout-${begun.id}`, ...year, '&currency=NOK');
}

describe('a statement in another currency, each amount at its own rate', () => {
  it('comes out as computed by hand: retained earnings 29, result 42, a difference of 69', async () => {
    const { company, path } = await openExample();
    const file = (balances: readonly number[]) =>
      [
        'Number,Name,Element,Category,Balance',
        ...[
          '1000,Bank,asset,Cash and cash equivalents',
          '3000,Share capital,equity,Share capital',
          '3100,Retained earnings,equity,Retained earnings',
          '4000,Sales,income,Revenue',
        ].map((account, at) => `${account},${balances[at]}`),
      ].join('\n');
    const bring = async (day: string, balances: readonly number[]) => {
      const { fileId } = await server.ok<{ fileId: number }>(
        'POST',
        `${path}/trial-balance-files?name=tb-${day}.csv`,
        new TextEncoder().encode(file(balances)),
      );
      await server.ok('POST', `${path}/trial-balance-files/${fileId}/posting`, {
        confirmElements: true,
        date: day,
        retainedEarnings: '3100',
        figures: { kind: 'year_to_date' },
      });
    };
    await bring('2024-01-31', [100, -100, 0, 0]);
    await bring('2024-12-31', [150, -100, 0, -50]);
    await bring('2025-05-10', [130, -100, -30, 0]);
    await bring('2025-12-31', [160, -100, -30, -30]);
    const { accounts } = await server.ok<{ accounts: { id: number; number: string; version: number }[] }>('GET', `${path}/chart?from=2025-01-01&to=2025-12-31`);
    const bank = accounts.find(({ number }) => number === '1000');
    await server.ok('PATCH', `${path}/accounts/${bank?.id}`, { version: bank?.version, role: 'cash' });
    const accountOf = (number: string) => accounts.find((account) => account.number === number)?.id ?? 0;
    const averages = [2024, 2025].flatMap((of) =>
      Array.from({ length: 12 }, (_, month) => ({
        currency: 'NOK',
        kind: 'average',
        day: `${of}-${String(month + 1).padStart(2, '0')}-01`,
        accountId: null,
        rate: of === 2024 ? '1.1' : '1.4',
      })),
    );
    const closing = (day: string, rate: string) => ({ currency: 'NOK', kind: 'closing', day, accountId: null, rate });
    const asked = '&compare=none&currency=NOK';
    const refused = await server.refused('GET', `${path}/statements/balance-sheet?from=2025-01-01&to=2025-12-31${asked}`);
    expect([refused.code, refused.facts.currency]).toEqual(['rates_missing', 'NOK']);
    await server.ok('PUT', `${path}/rates`, {
      set: [
        ...averages,
        closing('2024-01-31', '1'),
        closing('2024-12-31', '1.2'),
        closing('2025-12-31', '1.5'),
        { currency: 'NOK', kind: 'historical', day: '2025-05-10', accountId: accountOf('3100'), rate: '1.3' },
      ],
    });
    const first = await statement(server, company.id, 'balance-sheet', '2024-01-01', '2024-12-31', asked);
    expect([figureOf(first, 'asset'), captioned(first, 'Share capital'), figureOf(first, 'result'), captioned(first, difference)]).toEqual([
      180_00, 100_00, 55_00, 25_00,
    ]);
    const sheet = await statement(server, company.id, 'balance-sheet', '2025-01-01', '2025-12-31', asked);
    const figures = ['Share capital', 'Retained earnings', difference].map((caption) => captioned(sheet, caption));
    expect([figureOf(sheet, 'asset'), ...figures, figureOf(sheet, 'result'), figureOf(sheet, 'equity')]).toEqual([240_00, 100_00, 29_00, 69_00, 42_00, 240_00]);
    expect(sheet).toMatchObject({ currency: 'NOK', presentation: { from: 'EUR', rate: null } });
    expect(figureOf(await statement(server, company.id, 'income-statement', '2025-01-01', '2025-12-31', asked), 'profit')).toBe(42_00);
    const changes = await statement(server, company.id, 'changes-in-equity', '2025-01-01', '2025-12-31', asked);
    const all = changes.columns.length - 1;
    expect(['opening', 'profit', 'distributions', 'exchange_differences', 'closing'].map((key) => figureOf(changes, key, all))).toEqual([
      180_00, 42_00, -26_00, 44_00, 240_00,
    ]);
    // Cash 150 × 1.20 to 160 × 1.50: 42 earned, 26 paid out, the rest is what rates did.
    const cash = await statement(server, company.id, 'cash-flow', '2025-01-01', '2025-12-31', asked);
    expect(['cash_opening', 'net_change', 'exchange_differences', 'cash_closing'].map((key) => figureOf(cash, key))).toEqual([180_00, 16_00, 44_00, 240_00]);
  });

  it('ties like one in the company’s own: both sides, equity, cash; and in thousands too', async () => {
    for (const more of ['', '&scale=thousands']) {
      const run = (kind: Parameters<typeof statement>[2]) => statement(server, id, kind, ...year, `&currency=NOK${more}`);
      const [sheet, equity, cash] = [await run('balance-sheet'), await run('changes-in-equity'), await run('cash-flow')];
      const detailed = await statement(server, id, 'balance-sheet', ...year, `&currency=NOK&detail=accounts${more}`);
      const { accounts } = await server.ok<{ accounts: { id: number; role: string | null }[] }>('GET', `/companies/${id}/chart?${query}`);
      const cashIds = new Set(accounts.filter(({ role }) => role === 'cash').map((account) => account.id));
      const cashOn = (column: number) =>
        detailed.rows.reduce((sum, row) => (row.accountId !== null && cashIds.has(row.accountId) ? sum + Number(row.values[column]) : sum), 0);
      expect(figureOf(sheet, 'asset')).toBe(figureOf(sheet, 'liability_and_equity'));
      expect([figureOf(equity, 'opening', 4), figureOf(equity, 'closing', 4)]).toEqual([figureOf(sheet, 'equity', 1), figureOf(sheet, 'equity')]);
      expect([figureOf(cash, 'cash_opening'), figureOf(cash, 'cash_closing')]).toEqual([cashOn(1), cashOn(0)]);
      const led = ['cash_opening', 'net_change', 'exchange_differences'].reduce((sum, key) => sum + figureOf(cash, key), 0);
      expect(Math.abs(led - figureOf(cash, 'cash_closing'))).toBeLessThanOrEqual(more === '' ? 0 : 1);
    }
  });

  it('has the difference on composed layouts too, beside the result, whether they follow the categories or not', async () => {
    const generated = await statement(server, id, 'balance-sheet', ...year, '&currency=NOK');
    const following = await composed('Follows', {}, 'balance_sheet');
    expect([captioned(following, difference), figureOf(following, 'equity')]).toEqual([captioned(generated, difference), figureOf(generated, 'equity')]);
    const held = (key: string, element: string) => ({ ...newLine('accounts', key, key), sources: [{ kind: 'elements', elements: [element] }] });
    const group = (key: string, side: string, children: readonly object[]) => ({ ...newLine('group', key, key), side, children });
    const plain = await composed('By element', {
      kind: 'balance_sheet',
      lines: [
        group('assets', 'debit', [held('all_assets', 'asset')]),
        group('claims', 'credit', [held('all_liabilities', 'liability'), held('all_equity', 'equity'), newLine('result', 'result', 'Result')]),
      ],
    });
    expect([figureOf(plain, 'assets'), figureOf(plain, 'claims')]).toEqual([figureOf(generated, 'asset'), figureOf(generated, 'asset')]);
  });

  it('opens to amounts in its currency, and the difference to what it is made of', async () => {
    const path = `/companies/${id}/statements/balance-sheet/evidence?${query}&currency=NOK`;
    const sheet = await statement(server, id, 'balance-sheet', ...year, '&currency=NOK');
    const whole = await server.ok<{ amount: string; currency: string; accounts: { net: string }[] }>('GET', `${path}&line=asset`);
    expect([Number(whole.amount), whole.currency]).toEqual([figureOf(sheet, 'asset'), 'NOK']);
    expect(whole.accounts.reduce((sum, { net }) => sum + Number(net), 0)).toBe(figureOf(sheet, 'asset'));
    const made = await server.ok<{ amount: string; carried: { caption: string; net: string }[] }>('GET', `${path}&line=category.-1&account=-1`);
    expect(Number(made.amount)).toBe(captioned(sheet, difference));
    expect(made.carried.length).toBeGreaterThanOrEqual(4);
    expect(made.carried.reduce((sum, { net }) => sum - Number(net), 0)).toBe(captioned(sheet, difference));
  });

  it('is shared out over parts of the ledger, which add up to the whole to the unit, and opens to its entries', async () => {
    const { lists } = await server.ok<{ lists: { id: number; key: string; kind: string; codes: { code: string }[] }[] }>('GET', `/companies/${id}/code-lists`);
    const facet = lists.find(({ kind }) => kind === 'facet');
    const codes = facet?.codes.map(({ code }) => code) ?? [];
    const of = (...values: readonly string[]) => `&facets=${encodeURIComponent(JSON.stringify({ [facet?.key ?? '']: values }))}`;
    // Days within periods too.
    for (const query of [`from=${year[0]}&to=${year[1]}`, 'from=2026-01-16&to=2026-08-20'])
      for (const kind of ['income-statement', 'balance-sheet', 'cash-flow'] as const) {
        const run = (more: string) => server.ok<StatementBody>('GET', `/companies/${id}/statements/${kind}?${query}&currency=NOK&zero=1${more}`);
        const whole = await run('');
        const parts = await Promise.all([[codes[0] ?? ''], [...codes.slice(1), '']].map((values) => run(of(...values))));
        expect(parts[0]?.currency).toBe('NOK');
        let compared = 0;
        for (const { key, role, values } of whole.rows)
          for (const [column, value] of values.entries()) {
            if (role === 'heading' || whole.columns[column]?.kind !== 'amount') continue;
            const shares = parts.map((part) => Number(part.rows.find((row) => row.key === key && row.role === role)?.values[column] ?? 0));
            expect([kind, key, (shares[0] ?? 0) + (shares[1] ?? 0)]).toEqual([kind, key, Number(value)]);
            compared += shares[0] !== 0 && shares[1] !== 0 ? 1 : 0;
          }
        expect([kind, compared > 5]).toEqual([kind, true]);
      }
    const part = await statement(server, id, 'income-statement', ...year, `&currency=NOK&detail=accounts${of(codes[0] ?? '')}`);
    const account = part.rows.find(({ accountId, values }) => accountId !== null && values[0] !== '0');
    const path = `/companies/${id}/statements/income-statement/evidence?${query}&currency=NOK${of(codes[0] ?? '')}`;
    const opened = await server.ok<{ amount: string; entryCount: number }>('GET', `${path}&line=${account?.key.split('/')[0]}&account=${account?.accountId}`);
    expect(opened.amount).toBe(account?.values[0]);
    expect(opened.entryCount).toBeGreaterThan(0);
  });

  it('has a column for each value of a facet, their total, and lines of one value alone', async () => {
    const { lists } = await server.ok<{ lists: { key: `facet:${number}`; kind: string; codes: { code: string }[] }[] }>('GET', `/companies/${id}/code-lists`);
    const { key, codes } = lists.find(({ kind }) => kind === 'facet') ?? { key: 'facet:0' as const, codes: [] };
    const column = { ...(newPlanColumn('amounts', 'parts') as AmountsPlanColumn), repeat: key };
    const plan = `&plan=composed&definition=${encodeURIComponent(JSON.stringify({ columns: [column] }))}`;
    const ran = await statement(server, id, 'income-statement', ...year, `&currency=NOK${plan}`);
    const profit = ran.rows.find((row) => row.key === 'profit')?.values.map(Number) ?? [];
    expect(profit.length).toBe(codes.length + 2);
    expect(profit.slice(0, -1).reduce((sum, value) => sum + value, 0)).toBe(profit.at(-1));
    for (const more of ['', '&scale=thousands']) await recomputeStatement(server, id, 'income-statement', `${query}&currency=NOK${plan}${more}`);
    // All at one closing rate, to the unit of the other currency and in thousands: each row adds across, each total down.
    for (const more of ['', '&scale=units', '&scale=thousands']) {
      const { rows } = await statement(server, id, 'income-statement', ...year, `&currency=NOK&translation=closing_rate${plan}${more}`);
      const bearing = rows.filter(({ values }) => values.length > 0 && values.every((value) => value !== null));
      expect(bearing.length).toBeGreaterThan(5);
      for (const { caption, values } of bearing)
        expect(
          values.slice(0, -1).reduce((sum, value) => sum + Number(value), 0),
          caption,
        ).toBe(Number(values.at(-1)));
      await recomputeStatement(server, id, 'income-statement', `${query}&currency=NOK&translation=closing_rate${plan}${more}`);
    }
    const alone = codes[0]?.code ?? '';
    const held = (name: string, more: object) => ({
      ...newLine('accounts', name, name),
      sources: [{ kind: 'elements', elements: ['income', 'expense'] }],
      ...more,
    });
    const lines = [held('one', { facets: { [key]: [alone] } }), held('others', { facets: { [key]: [...codes.slice(1).map(({ code }) => code), ''] } })];
    const shown = await composed('By value', { kind: 'free', scope: ['income', 'expense'], lines });
    expect(Math.abs(figureOf(shown, 'one'))).toBe(profit[0]);
    const whole = await composed('Of all', { kind: 'free', scope: ['income', 'expense'], lines: [held('all', {})] });
    expect(figureOf(shown, 'one') + figureOf(shown, 'others')).toBe(figureOf(whole, 'all'));
  });

  it('is refused for increases of balances, which exchange rates are neither, and for balances of a budget', async () => {
    const increases = { ...newLine('accounts', 'up', 'Up'), sources: [{ kind: 'elements', elements: ['asset'] }], direction: 'increase' };
    await expect(composed('Increases', { kind: 'free', scope: ['asset'], lines: [increases] })).rejects.toThrow('directions_not_translated');
    const refused = (more: string, kind = 'balance-sheet') => server.refused('GET', `/companies/${id}/statements/${kind}?${query}&currency=NOK${more}`);
    const { budgets } = await server.ok<{ budgets: { id: number }[] }>('GET', `/companies/${id}/budgets`);
    expect((await refused(`&plan=budget&budget=${budgets[0]?.id}`)).code).toBe('budget_not_translated');
    expect((await server.refused('GET', `/companies/${id}/statements/balance-sheet?${query}&currency=EUR`)).code).toBe('currency_unknown');
    expect((await server.refused('GET', `/companies/${id}/statements/balance-sheet?${query}&currency=SEK&translation=closing_rate`)).facts).toMatchObject({
      currency: 'SEK',
      rates: [{ kind: 'closing', day: year[1] }],
    });
  });

  it('stands beside a budget at the same average rates', async () => {
    const { budgets } = await server.ok<{ budgets: { id: number }[] }>('GET', `/companies/${id}/budgets`);
    const plan = `&plan=budget&budget=${budgets[0]?.id}`;
    const [own, translated] = [
      await statement(server, id, 'income-statement', ...year, plan),
      await statement(server, id, 'income-statement', ...year, `${plan}&currency=NOK`),
    ];
    const rate = figureOf(translated, 'profit', 1) / figureOf(own, 'profit', 1);
    expect(rate).toBeGreaterThan(10);
    expect(rate).toBeLessThan(12);
  });
});

describe('a statement all at the closing rate', () => {
  it('shows each amount at that rate, within a unit, and its parts come to their totals', async () => {
    const [own, shown] = await Promise.all(['', '&currency=NOK&translation=closing_rate'].map((more) => statement(server, id, 'balance-sheet', ...year, more)));
    const rate = Number(shown?.presentation?.rate?.text);
    expect(shown?.presentation?.rate?.day).toBe('2026-09-30');
    let compared = 0;
    for (const [at, { values, role }] of (own?.rows ?? []).entries())
      if (role !== 'heading') {
        compared++;
        expect(Math.abs(Number(values[0]) * rate - Number(shown?.rows[at]?.values[0]))).toBeLessThan(1.01);
      }
    expect(compared).toBeGreaterThan(25);
    expect(figureOf(shown as StatementBody, 'asset')).toBe(figureOf(shown as StatementBody, 'liability_and_equity'));
  });

  it('is recomputed from its workbook, as one at its own rates is', async () => {
    for (const kind of ['balance-sheet', 'income-statement', 'cash-flow'])
      for (const more of [
        '&currency=NOK&translation=closing_rate',
        '&currency=NOK&translation=closing_rate&scale=thousands',
        '&currency=NOK',
        '&currency=NOK&scale=thousands',
      ])
        await recomputeStatement(server, id, kind, `${query}${more}`);
  });

  it('says so wherever it goes', async () => {
    const csv = new TextDecoder().decode(await server.bytes(`/companies/${id}/statements/balance-sheet/csv?${query}&currency=NOK&translation=closing_rate`));
    expect(csv).toMatch(/· NOK · translated from EUR at 1\d\.\d+, the closing rate of 30 September 2026/);
  });
});

describe('a set in another currency', () => {
  it('proves its statements in it, and what the exchange difference moved by', async () => {
    const parts = (['balance-sheet', 'income-statement', 'changes-in-equity', 'cash-flow'] as const).map((kind) => ({
      key: kind.replaceAll('-', '_'),
      statement: kind,
      title: '',
      columns: null,
      detail: 2,
      zeroLines: false,
    }));
    const set = await server.ok<StatementSetBody>('POST', `/companies/${id}/sets`, {
      name: 'In kroner',
      definition: { parts, scale: { unit: 'thousands', rounding: 'footed' }, language: null, presentation: { currency: 'NOK', method: 'own_rates' } },
    });
    const ran = await server.ok<RanSet>('GET', `/companies/${id}/sets/${set.id}/statements?${query}`);
    expect(ran.parts.map(({ failure, statement: body }) => [failure, body?.currency])).toEqual(parts.map(() => [null, 'NOK']));
    expect(ran.currency).toBe('NOK');
    const states = Object.fromEntries(ran.proofs.map(({ name, state }) => [name, state]));
    // The demo has an expense account that nobody has placed, so that profit fails in any currency.
    expect(states).toEqual({ balances: 'holds', profit: 'fails', cash: 'holds', equity: 'holds', translation: 'holds', coverage: 'to_look_at' });
    const [tie] = ran.proofs.find(({ name }) => name === 'translation')?.ties ?? [];
    const [moved = 0, ...causes] = tie?.figures.map(({ net }) => Number(net)) ?? [];
    expect(Math.abs(moved)).toBeGreaterThan(1_000_000_00);
    expect(Math.abs(causes.reduce((sum, net) => sum + net, 0) - moved)).toBeLessThan(100);
    const pages = await readPdf(await server.bytes(`/companies/${id}/sets/${set.id}/print?${query}`));
    expect(pages.flatMap(({ lines }) => lines).join(' ')).toContain('translated from EUR at closing, average and historical rates');
  });
});
