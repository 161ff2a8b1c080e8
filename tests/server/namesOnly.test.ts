import type { ChartCheckBody, ChartView, Company, EntryBody, History, PlacementView, TrialBalanceViewBody } from '@ivory-ladder/contract';
import { starterCharts } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { bringIn, createCompany, figures, handIn, rehearse, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const span = 'from=2026-01-01&to=2026-12-31';
const balances = [
  'Account name,Parent,Element,Category,Balance',
  'Cash,,asset,Cash and cash equivalents,0',
  'Till,Cash,asset,Cash and cash equivalents,200',
  'Bank,Cash,asset,Cash and cash equivalents,700',
  'Retained earnings,,equity,Retained earnings,-300',
  'Sales,,income,Revenue,-1000',
  'Fuel,,expense,Other operating expenses,0',
  'Sundries,Fuel,expense,Other operating expenses,150',
  'Staff,,expense,Other operating expenses,0',
  'Sundries,Staff,expense,Other operating expenses,250',
].join('\n');

/** A company of names only with the balances above at the end of September. */
async function open() {
  const company = await createCompany(server, { numbered: false });
  await bringIn(server, company.id, balances, { date: '2026-09-30', retainedEarnings: 'Retained earnings' });
  const path = `/companies/${company.id}`;
  const chart = async () => (await server.ok<ChartView>('GET', `${path}/chart?${span}`)).accounts;
  const find = async (name: string, parent: string | null = null) => {
    const accounts = await chart();
    const above = accounts.find((account) => account.name === parent)?.id ?? null;
    const found = accounts.find((account) => account.name === name && account.parentId === above);
    if (!found) throw new Error(`no account ${name}`);
    return found;
  };
  return { ...company, path, chart, find, tree: async () => (await chart()).map(({ name, depth }) => `${'. '.repeat(depth)}${name}`) };
}

describe('a company of names only', () => {
  it('takes its accounts from a trial balance by name, nested, in the order of the file, and its statements name them', async () => {
    const books = await open();
    expect(await books.tree()).toEqual(['Cash', '. Till', '. Bank', 'Retained earnings', 'Sales', 'Fuel', '. Sundries', 'Staff', '. Sundries']);
    expect(new Set((await books.chart()).map(({ number }) => number))).toEqual(new Set(['']));
    const sheet = await statement(server, books.id, 'balance-sheet', '2026-01-01', '2026-09-30', '&detail=accounts');
    const shown = new Map(figures(sheet, 100n).map(([caption, amount]) => [caption, amount]));
    expect(['Till', 'Bank', 'Total assets', 'Result of the year'].map((caption) => shown.get(caption))).toEqual([200, 700, 900, 600]);
    const costs = await statement(server, books.id, 'income-statement', '2026-01-01', '2026-09-30', '&detail=accounts');
    expect(figures(costs, 100n).map(([caption]) => caption)).toEqual(expect.arrayContaining(['Fuel > Sundries', 'Staff > Sundries']));
    const { accounts } = await server.ok<TrialBalanceViewBody>('GET', `${books.path}/trial-balance?${span}`);
    expect(accounts.map(({ number, name }) => number + name)).toEqual(expect.arrayContaining(['Till', 'Fuel > Sundries', 'Staff > Sundries']));
    const { unplaced } = await server.ok<Company>('GET', books.path);
    expect(unplaced).toBe(0);
  });

  it('knows them again in the next file, by name or by path, and asks where a name could be two', async () => {
    const books = await open();
    const ambiguous = await rehearse(server, books.id, await handIn(server, books.id, 'Account name,Balance\ntill,10\nSundries,-10'), { date: '2026-10-31' });
    expect(ambiguous.problems).toMatchObject([{ row: 3, code: 'name_ambiguous', other: 'Fuel > Sundries; Staff > Sundries' }, { code: 'element_needed' }]);
    const next = 'Account name,Balance\nTill,300\nBANK,700\nRetained earnings,-300\nSales,-1100\nFuel > Sundries,150\nStaff > Sundries,250';
    const { newAccounts, entries } = await bringIn(server, books.id, next, { date: '2026-10-31' });
    expect([newAccounts, entries.length]).toEqual([0, 1]);
    const entry = await server.ok<EntryBody>('GET', `${books.path}/entries/${entries[0]?.entryId}`);
    expect(entry.lines.map(({ number, name, debit, credit }) => [number, name, debit, credit])).toEqual([
      ['', 'Till', '10000', '0'],
      ['', 'Sales', '0', '10000'],
    ]);
  });

  it('takes answers about accounts whose names are longer than any number', async () => {
    const books = await open();
    const long = 'Accumulated depreciation of furniture and equipment of the harbour office';
    const file = `Account name,Balance\nTill,200\nBank,700\nRetained earnings,-300\nSales,-1000\nFuel > Sundries,150\nStaff > Sundries,250\n${long},0`;
    const answers = { date: '2026-10-31', elements: { [long]: 'asset' }, retainedEarnings: 'Retained earnings' } as const;
    const { rows } = await rehearse(server, books.id, await handIn(server, books.id, file), answers);
    expect(rows.at(-1)).toMatchObject({ number: long, name: long, element: 'asset', elementFrom: { from: 'confirmed' }, isNew: true });
  });

  it('refuses a number, and a name that an active account beside has; one elsewhere or retired may have it', async () => {
    const books = await open();
    const add = (fields: object) => server.call<{ id: number; code: string }>('POST', `${books.path}/accounts`, { element: 'expense', ...fields });
    expect(await add({ name: 'Rent', number: '6000' })).toMatchObject({ status: 422, body: { code: 'account_number_unused' } });
    expect(await add({ name: 'FUEL' })).toMatchObject({ status: 409, body: { code: 'account_name_beside' } });
    const fuel = await books.find('Fuel');
    const added = await add({ name: 'Fuel', parentId: fuel.id });
    expect(added.status).toBe(201);
    const { id, version } = await books.find('Fuel', 'Fuel');
    expect(await server.refused('PATCH', `${books.path}/accounts/${id}`, { version, parentId: null })).toMatchObject({ code: 'account_name_beside' });
    await server.ok('PATCH', `${books.path}/accounts/${id}`, { version, active: false });
    expect((await add({ name: 'fuel', parentId: fuel.id })).status).toBe(201);
    expect(await server.refused('PATCH', `${books.path}/accounts/${id}`, { version: version + 1, active: true })).toMatchObject({
      code: 'account_name_beside',
    });
    expect(await books.tree()).toEqual(expect.arrayContaining(['. Fuel', '. fuel']));
    expect(
      await server.refused('POST', `${books.path}/renumbering`, { changes: [{ accountId: fuel.id, version: fuel.version, number: '6000' }] }),
    ).toMatchObject({ code: 'account_number_unused' });
  });

  it('writes its chart without numbers, and loaded back there is nothing to do; a row without a key is known by its path', async () => {
    const books = await open();
    const load = async (content: Uint8Array) => {
      const { fileId } = await server.ok<{ fileId: number }>('POST', `${books.path}/chart-files?name=chart.csv`, content);
      const file = `${books.path}/chart-files/${fileId}`;
      const rehearsed = await server.ok<ChartCheckBody>('POST', `${file}/rehearsal`, { from: '2026-01-01', to: '2026-09-30' });
      const { structureVersion, revision } = rehearsed;
      return { ...rehearsed, apply: () => server.ok('POST', `${file}/application`, { structureVersion, revision }) };
    };
    const written = await server.bytes(`${books.path}/chart/file?kind=csv`);
    expect(new TextDecoder().decode(written).split('\r\n')[0]).toBe(
      'Name,Element,Normal side,Nested below,Category,Category while in debit,Category while in credit,Active,Role,Purpose,External number,Key',
    );
    expect((await load(written)).rows.filter(({ state }) => state !== 'same')).toEqual([]);
    const changed = await load(new TextEncoder().encode('Name,Nested below,Purpose\nSundries,Staff,Cakes\nTraining,Staff,\nCourses,Staff > Training,'));
    expect(changed.rows.map(({ name, state }) => [name, state])).toEqual([
      ['Sundries', 'changed'],
      ['Training', 'new'],
      ['Courses', 'new'],
    ]);
    expect(await changed.apply()).toEqual({ added: 2, changed: 1 });
    expect((await books.tree()).slice(-4)).toEqual(['Staff', '. Sundries', '. Training', '. . Courses']);
    expect((await books.find('Sundries', 'Staff')).purpose).toBe('Cakes');
    const { events } = await server.ok<History>('GET', `${books.path}/history?thing=account&limit=3`);
    expect(events.find(({ action }) => action === 'changed')).toMatchObject({
      label: 'Staff > Sundries',
      before: { purpose: '' },
      after: { purpose: 'Cakes' },
    });
  });

  it.each(starterCharts.map(({ key, name }) => [name, key]))('begins with a starter chart without numbers: %s', async (name, key) => {
    const { id } = await server.ok<Company>('POST', '/companies', {
      name,
      currency: 'EUR',
      fiscalYearFirstMonth: 1,
      numbered: false,
      beginWith: { kind: 'starter', key },
    });
    const { accounts } = await server.ok<PlacementView>('GET', `/companies/${id}/placement?${span}`);
    const starter = starterCharts.find((chart) => chart.key === key);
    expect(accounts.length).toBe(Object.values(starter?.accounts ?? {}).flat().length);
    expect(accounts.filter(({ number, places }) => number !== '' || places.length !== 1)).toEqual([]);
    expect(new Set(accounts.map(({ name: own }) => own.toLowerCase())).size).toBe(accounts.length);
  });
});

describe('whether accounts have numbers', () => {
  it('is changed both ways, whole, on record, and every statement stays as it was', async () => {
    const books = await openShop(server);
    const set = async (fields: object) => {
      const { settingsVersion } = await server.ok<Company>('GET', books.path);
      return server.call<{ readonly code?: string; readonly facts?: unknown } & Company>('PATCH', books.path, { version: settingsVersion, ...fields });
    };
    const before = await books.totals();
    await books.add({ number: '6400', name: 'Travel' });
    expect(await set({ numbered: false })).toMatchObject({
      status: 409,
      body: { code: 'names_repeated', facts: { accounts: [{ number: '6300', name: 'Travel' }, { number: '6400' }] } },
    });
    await books.change('6400', { name: 'Postage' });
    const { version } = await books.find('1000');
    expect(await set({ numbered: false })).toMatchObject({ status: 200, body: { numbered: false, numberScheme: null } });
    expect(await books.numbers()).toEqual(Array(8).fill(''));
    // Who still sees the number changes nothing unseen.
    expect((await books.find('')).version).toBe(version + 1);
    expect(await books.totals()).toEqual(before);
    expect((await server.ok<History>('GET', `${books.path}/history?thing=account&limit=8`)).events).toContainEqual(
      expect.objectContaining({ action: 'changed', label: 'Bank', before: { number: '1000' }, after: { number: '' } }),
    );
    expect(await set({ numbered: true })).toMatchObject({ status: 200, body: { numbered: true } });
    expect(await books.numbers()).toEqual(['1000', '3000', '3010', '3020', '4000', '5000', '5010', '5020']);
    expect(await books.totals()).toEqual(before);
    await books.add({ number: '5005' });
    expect((await books.numbers()).slice(-4)).toEqual(['5000', '5005', '5010', '5020']);
  });
});
