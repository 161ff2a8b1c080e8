import type { CategoryBody, ChartView, History, PlacementView, StatementBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

/** The shop with Insurance (6200) and Travel (6300) taken out of their category, so that ranges can take them. */
async function open() {
  const shop = await openShop(server);
  const placement = () => server.ok<PlacementView>('GET', `${shop.path}/placement?from=2026-01-01&to=2026-09-30`);
  const category = async (name: string) => (await placement()).categories.find((one) => one.name === name) as CategoryBody;
  const describeCategory = async (name: string, change: object) => {
    const { id, version } = await category(name);
    return server.call<CategoryBody & { code: string; facts: object }>('PATCH', `${shop.path}/categories/${id}`, { version, ...change });
  };
  const takeNumbers = (name: string, text: string) => describeCategory(name, { ranges: [{ side: 'any', text }] });
  const standsIn = async (number: string) => {
    const { places, placesByRange } = await shop.find(number);
    const names = new Map((await placement()).categories.map(({ id, name }) => [id, name]));
    return { byHand: places.map(({ categoryId }) => names.get(categoryId)), byRange: placesByRange.map(({ categoryId }) => names.get(categoryId)) };
  };
  const unplaced = async () => (await server.ok<{ unplaced: number }>('GET', shop.path)).unplaced;
  for (const number of ['6200', '6300']) {
    const { id, places } = await shop.find(number);
    await server.ok('PUT', `${shop.path}/places`, { changes: [{ accountId: id, before: places, after: [] }] });
  }
  return { ...shop, placement, category, describeCategory, takeNumbers, standsIn, unplaced };
}

const expenses = async (id: number): Promise<Record<string, string | null | undefined>> => {
  const { rows } = await server.ok<StatementBody>('GET', `/companies/${id}/statements/income-statement?from=2026-01-01&to=2026-09-30`);
  return Object.fromEntries(rows.map(({ caption, values }) => [caption, values[0]]));
};

describe('account numbers that a category takes', () => {
  it('place accounts at once, on the statements too, and those that are made later', async () => {
    const books = await open();
    expect(await books.unplaced()).toBe(2);
    expect((await books.takeNumbers('Staff costs', '62* except 6290')).body.ranges).toEqual([{ side: 'any', text: '62* except 6290' }]);
    expect(await books.standsIn('6200')).toEqual({ byHand: [], byRange: ['Staff costs'] });
    expect(await books.unplaced()).toBe(1);
    expect(await expenses(books.id)).toMatchObject({ 'Staff costs': '-30000' });
    await books.add({ number: '6250' });
    await books.add({ number: '6290' });
    expect([await books.standsIn('6250'), await books.standsIn('6290')]).toEqual([
      { byHand: [], byRange: ['Staff costs'] },
      { byHand: [], byRange: [] },
    ]);
    const { events } = await server.ok<History>('GET', `${books.path}/history?thing=category`);
    expect(events[0]).toMatchObject({ before: { ranges: [] }, after: { ranges: [{ side: 'any', text: '62* except 6290' }] } });
  });

  it('are brought to their kept form; a wrong text says where, and nothing is changed', async () => {
    const books = await open();
    expect((await books.takeNumbers('Staff costs', '6200  TO 6299 ,6300')).body.ranges).toEqual([{ side: 'any', text: '6200 to 6299, 6300' }]);
    const refused = await books.takeNumbers('Staff costs', '6200 to 6100');
    expect([refused.status, refused.body]).toMatchObject([
      422,
      { code: 'range_text_malformed', facts: { side: 'any', at: 0, length: 12, reason: 'upside_down' } },
    ]);
    expect((await books.category('Staff costs')).ranges).toEqual([{ side: 'any', text: '6200 to 6299, 6300' }]);
    const twice = await books.describeCategory('Staff costs', {
      ranges: [
        { side: 'any', text: '1' },
        { side: 'any', text: '2' },
      ],
    });
    expect(twice.body.code).toBe('request_invalid');
  });

  it('of two unrelated categories leave an account in neither, and both are named', async () => {
    const books = await open();
    await books.takeNumbers('Staff costs', '62*');
    await books.takeNumbers('Cost of sales', '6000 to 6299');
    const { doubledIn, placesByRange } = await books.find('6200');
    expect([doubledIn.toSorted(), placesByRange]).toEqual([
      [(await books.category('Cost of sales')).id, (await books.category('Staff costs')).id].toSorted(),
      [],
    ]);
    expect(await books.unplaced()).toBe(2);
  });

  it('take no account of another element; such an account is told', async () => {
    const books = await open();
    await books.takeNumbers('Revenue', '62*');
    expect(await books.find('6200')).toMatchObject({ placesByRange: [], oddIn: [(await books.category('Revenue')).id] });
  });

  it('keep their category from being deleted while an account stands in it by them', async () => {
    const books = await open();
    await books.takeNumbers('Staff costs', '62*');
    const { id } = await books.category('Staff costs');
    expect(await server.refused('DELETE', `${books.path}/categories/${id}`)).toMatchObject({ code: 'category_not_empty', facts: { accounts: 1 } });
    await books.takeNumbers('Staff costs', '');
    expect((await server.call('DELETE', `${books.path}/categories/${id}`)).status).toBe(204);
  });

  it('go with a copy of the company', async () => {
    const books = await open();
    await books.takeNumbers('Staff costs', '62*');
    const copy = await server.ok<{ id: number }>('POST', '/companies', {
      name: 'A copy',
      currency: 'EUR',
      fiscalYearFirstMonth: 1,
      beginWith: { kind: 'copy', companyId: books.id },
    });
    const chart = await server.ok<ChartView>('GET', `/companies/${copy.id}/chart?from=2026-01-01&to=2026-09-30`);
    const account = chart.accounts.find(({ number }) => number === '6200');
    expect(account?.placesByRange.map(({ categoryId }) => chart.paths[String(categoryId)])).toEqual([['Staff costs']]);
  });
});

describe('accounts that stand by range', () => {
  it('are kept where they stand, by hand, when they are renumbered, alone, together or by a file; every total stays', async () => {
    const books = await open();
    await books.takeNumbers('Staff costs', '62*, 63*');
    await books.takeNumbers('Cost of sales', '7*');
    const totals = await books.totals();
    await books.change('6200', { number: '7200' });
    expect(await books.standsIn('7200')).toEqual({ byHand: ['Staff costs'], byRange: [] });
    const { id, version } = await books.find('6300');
    await server.ok('POST', `${books.path}/renumbering`, { changes: [{ accountId: id, version, number: '7300' }] });
    expect(await books.standsIn('7300')).toEqual({ byHand: ['Staff costs'], byRange: [] });
    expect(await books.totals()).toEqual(totals);
    expect(await expenses(books.id)).toMatchObject({ 'Staff costs': '-40000' });
    const { events } = await server.ok<History>('GET', `${books.path}/history?thing=place&thingId=${id}`);
    expect(events[0]).toMatchObject({ action: 'changed' });
  });

  it('stay without a place by hand where the range holds the new number too', async () => {
    const books = await open();
    await books.takeNumbers('Staff costs', '62*');
    await books.change('6200', { number: '6210' });
    expect(await books.standsIn('6210')).toEqual({ byHand: [], byRange: ['Staff costs'] });
  });

  it('are kept where they stand when numbers are taken away, and when they are ordered anew', async () => {
    const books = await open();
    const settings = async (change: object) =>
      server.ok('PATCH', books.path, { version: (await server.ok<{ settingsVersion: number }>('GET', books.path)).settingsVersion, ...change });
    await settings({ digitOrder: 'digit_by_digit' });
    await books.takeNumbers('Staff costs', '62');
    await books.takeNumbers('Cost of sales', '63*');
    const totals = await books.totals();
    expect(await books.standsIn('6200')).toEqual({ byHand: [], byRange: ['Staff costs'] });
    await settings({ digitOrder: 'by_value' });
    expect([await books.standsIn('6200'), await books.standsIn('6300')]).toEqual([
      { byHand: ['Staff costs'], byRange: [] },
      { byHand: [], byRange: ['Cost of sales'] },
    ]);
    await settings({ numbered: false });
    const { accounts, paths } = await books.chart();
    const travel = accounts.find(({ name }) => name === 'Travel');
    expect(travel?.places.map(({ categoryId }) => paths[String(categoryId)])).toEqual([['Cost of sales']]);
    expect(await books.totals()).toEqual(totals);
  });

  it('are merged like others: both stand in one place, and every total stays', async () => {
    const books = await open();
    await books.takeNumbers('Staff costs', '62*');
    await books.takeNumbers('Cost of sales', '63*');
    const profit = (await books.totals())[1]?.at(-1);
    const [from, into] = [await books.find('6200'), await books.find('6300')];
    const seen = await server.ok<{ structureVersion: number; revision: number; moved: string }>('POST', `${books.path}/accounts/${from.id}/merge-rehearsal`, {
      into: into.id,
      day: '2026-09-30',
      from: '2026-01-01',
      to: '2026-09-30',
    });
    expect(seen.moved).toEqual([{ classification: null, which: 'from' }]);
    const { structureVersion, revision } = seen;
    await server.ok(
      'POST',
      `${books.path}/accounts/${from.id}/merge`,
      { into: into.id, day: '2026-09-30', structureVersion, revision },
      { 'Idempotency-Key': 'merge by range' },
    );
    expect(await books.standsIn('6200')).toEqual({ byHand: ['Cost of sales'], byRange: [] });
    expect((await books.totals())[1]?.at(-1)).toEqual(profit);
    expect((await statement(server, books.id, 'income-statement', '2026-01-01', '2026-09-30')).rows.map(({ caption }) => caption)).not.toContain('Staff costs');
  });
});
