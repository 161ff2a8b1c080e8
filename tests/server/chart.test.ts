import type { AccountPeriods, ChartView, History, PlacementView } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { bringIn, createCompany } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const span = 'from=2026-01-01&to=2026-09-30';
const company = () => openShop(server);

describe('an account added', () => {
  it('stands where its number puts it, on the side of its element, in its category from the beginning', async () => {
    const books = await company();
    const placement = await server.ok<PlacementView>('GET', `${books.path}/placement?${span}`);
    const category = placement.categories.find(({ name }) => name === 'Other operating expenses');
    const added = await books.add({
      number: '6250',
      name: 'Licences',
      categoryId: category?.id ?? null,
      purpose: 'Yearly fees; no fines',
      externalNumber: 'G-77',
    });
    expect(added).toMatchObject({ normalSide: 'debit', active: true, purpose: 'Yearly fees; no fines', externalNumber: 'G-77', version: 1 });
    expect(await books.numbers()).toEqual(['1000', '3000', '3100', '3200', '4000', '6200', '6250', '6300']);
    expect(await books.find('6250')).toMatchObject({ places: [{ side: 'any', categoryId: category?.id }], lastUsed: null });
    expect((await books.chart()).paths[String(category?.id)]).toEqual(['Other operating expenses']);
  });

  it('comes first, or behind the sibling that is named', async () => {
    const books = await company();
    await books.add({ number: '9999', element: 'asset', after: null });
    await books.add({ number: '0001', after: (await books.find('4000')).id });
    expect((await books.numbers()).slice(0, 1)).toEqual(['9999']);
    expect((await books.numbers()).slice(5, 7)).toEqual(['4000', '0001']);
  });

  it('a contra account keeps its element and has the other side', async () => {
    const books = await company();
    expect(await books.add({ number: '1900', element: 'asset', normalSide: 'credit' })).toMatchObject({ element: 'asset', normalSide: 'credit' });
  });

  it('is refused with a number that somebody has, under another element, or with a category of another', async () => {
    const books = await company();
    expect(await books.addRefused({ number: ' 6200 ' })).toMatchObject({ status: 409, code: 'account_number_taken', facts: { name: 'Insurance' } });
    expect(await books.addRefused({ number: '1001', parentId: (await books.find('1000')).id })).toMatchObject({
      code: 'account_nesting_refused',
      facts: { reason: 'other_element' },
    });
    const placement = await server.ok<PlacementView>('GET', `${books.path}/placement?${span}`);
    const cash = placement.categories.find(({ name }) => name === 'Cash and cash equivalents');
    expect(await books.addRefused({ number: '6400', categoryId: cash?.id ?? null })).toMatchObject({ code: 'element_clash' });
    expect(await books.addRefused({ number: '' })).toMatchObject({ status: 422, code: 'account_number_missing' });
    expect(await books.numbers()).toHaveLength(7);
  });

  it('by two people with one number at once is added once, and the other is told who has it', async () => {
    const books = await company();
    const both = await Promise.all(
      ['6400', '6400'].map((number) => server.call('POST', `${books.path}/accounts`, { number, name: 'Twice', element: 'expense' })),
    );
    expect(both.map(({ status }) => status).sort()).toEqual([201, 409]);
    expect((await books.numbers()).filter((number) => number === '6400')).toHaveLength(1);
  });
});

describe('an account changed', () => {
  it('keeps its identity when it is renumbered: history, placement and every total stay', async () => {
    const books = await company();
    const before = { account: await books.find('6200'), totals: await books.totals() };
    await books.change('6200', { number: '6290', name: 'Insurance of the vessels' });
    const after = await books.find('6290');
    expect([after.id, after.places, after.amount, after.lastUsed]).toEqual([
      before.account.id,
      before.account.places,
      before.account.amount,
      before.account.lastUsed,
    ]);
    expect(await books.totals()).toEqual(before.totals);
  });

  it('may be nested and ordered, its branch with it; totals stay, and a parent takes no new postings', async () => {
    const books = await company();
    const totals = await books.totals();
    const parent = await books.add({ number: '6000', name: 'Running costs' });
    await books.change('6200', { parentId: parent.id });
    await books.change('6300', { parentId: parent.id, after: null });
    expect((await books.numbers()).slice(5)).toEqual(['6000', '. 6300', '. 6200']);
    await books.change('6300', { after: (await books.find('6200')).id });
    expect((await books.numbers()).slice(5)).toEqual(['6000', '. 6200', '. 6300']);
    expect(await books.totals()).toEqual(totals);
    const bank = await books.find('1000');
    const entry = {
      date: '2026-10-01',
      lines: [
        { accountId: parent.id, debit: '5' },
        { accountId: bank.id, credit: '5' },
      ],
    };
    expect(await server.refused('POST', `${books.path}/entries`, entry)).toMatchObject({ code: 'account_takes_no_postings', facts: { reason: 'parent' } });
    expect(await books.changeRefused('6000', { parentId: (await books.find('6200')).id })).toMatchObject({ facts: { reason: 'own_descendant' } });
  });

  it('an account with history that becomes a parent keeps its own amount, which is pointed out', async () => {
    const books = await company();
    const totals = await books.totals();
    await books.add({ number: '6210', parentId: (await books.find('6200')).id });
    expect(await books.totals()).toEqual(totals);
    const { proofs } = await server.ok<{ proofs: { name: string; state: string; difference: string }[] }>('GET', `${books.path}/proofs?${span}`);
    expect(proofs.find(({ name }) => name === 'parents_without_postings')).toMatchObject({ state: 'to_look_at', difference: '30000' });
  });

  it('another element brings its own normal side, and waits until nothing hangs on the old one', async () => {
    const books = await company();
    await books.add({ number: '6400' });
    expect(await books.change('6400', { element: 'income' })).toMatchObject({ element: 'income', normalSide: 'credit' });
    expect(await books.changeRefused('6200', { element: 'income' })).toMatchObject({ code: 'account_element_held', facts: { by: 'places' } });
    expect(await books.changeRefused('3100', { element: 'liability' })).toMatchObject({ code: 'account_element_held', facts: { by: 'role' } });
    const parent = await books.add({ number: '7000' });
    await books.add({ number: '7100', parentId: parent.id });
    expect(await books.changeRefused('7000', { element: 'income' })).toMatchObject({ code: 'account_element_held', facts: { by: 'sub_accounts' } });
  });

  it('from a version that somebody else has changed is a conflict that shows theirs, and overwrites nothing', async () => {
    const books = await company();
    const { id, version } = await books.find('6200');
    await books.change('6200', { name: 'Insurance, theirs' });
    const refused = await server.refused('PATCH', `${books.path}/accounts/${id}`, { version, name: 'Insurance, mine' });
    expect(refused).toMatchObject({ status: 409, code: 'version_conflict', facts: { current: { name: 'Insurance, theirs' } } });
    expect((await books.find('6200')).name).toBe('Insurance, theirs');
  });
});

/** 18 CFR part 101, Uniform System of Accounts for electric utilities; numbers from memory. */
describe('a regulator’s chart with decimal sub-accounts', () => {
  it('comes in in any order and stands as published, parts by value and sub-accounts behind their account', async () => {
    const published = ['101', '101.1', '102', '103', '103.1', '411.6', '411.7', '411.8', '411.9', '411.10', '421', '421.1', '421.2', '426.1', '426.2', '426.5'];
    const { id } = await createCompany(server);
    const shuffled = published.toSorted((a, b) =>
      [...b]
        .reverse()
        .join('')
        .localeCompare([...a].reverse().join('')),
    );
    expect(shuffled).not.toEqual(published);
    const rows = shuffled.map((number) => `${number},Account ${number},${number.startsWith('1') ? 'asset' : 'expense'},0`);
    await bringIn(server, id, `Number,Name,Element,Balance\n${rows.join('\n')}`, { date: '2026-09-30' });
    const numbers = async () => (await server.ok<ChartView>('GET', `/companies/${id}/chart?${span}`)).accounts.map(({ number }) => number);
    expect(await numbers()).toEqual(published);
    await server.ok('POST', `/companies/${id}/accounts`, { number: '411.11', name: 'Later', element: 'expense' });
    expect((await numbers()).slice(9, 11)).toEqual(['411.10', '411.11']);
  });
});

describe('accounts renumbered together', () => {
  it('may swap numbers; identity, placement and every total stay, and each change is in the history', async () => {
    const books = await company();
    const [insurance, travel, totals] = [await books.find('6200'), await books.find('6300'), await books.totals()];
    const changes = [
      { accountId: insurance.id, version: insurance.version, number: '6300' },
      { accountId: travel.id, version: travel.version, number: '6200' },
    ];
    expect(await server.ok('POST', `${books.path}/renumbering`, { changes })).toEqual({ renumbered: 2 });
    expect([(await books.find('6300')).id, (await books.find('6200')).id]).toEqual([insurance.id, travel.id]);
    expect((await books.find('6300')).places).toEqual(insurance.places);
    expect(await books.totals()).toEqual(totals);
    const { events } = await server.ok<History>('GET', `${books.path}/history?thing=account&thingId=${insurance.id}&limit=1`);
    expect(events[0]).toMatchObject({ before: { number: '6200' }, after: { number: '6300' } });
  });

  it('all or none: a number that somebody has, one given twice, or a stale version changes nothing', async () => {
    const books = await company();
    const [insurance, travel] = [await books.find('6200'), await books.find('6300')];
    const change = (account: { id: number; version: number }, number: string) => ({ accountId: account.id, version: account.version, number });
    const refused = (changes: unknown[]) => server.refused('POST', `${books.path}/renumbering`, { changes });
    expect(await refused([change(insurance, '6290'), change(travel, '4000')])).toMatchObject({ code: 'account_number_taken', facts: { name: 'Sales' } });
    expect(await refused([change(insurance, '6290'), change(travel, '6290')])).toMatchObject({ code: 'account_number_taken', facts: { name: 'Insurance' } });
    expect(await refused([change(insurance, '6290'), change({ ...travel, version: travel.version + 1 }, '6390')])).toMatchObject({ code: 'version_conflict' });
    expect(await books.numbers()).toEqual(['1000', '3000', '3100', '3200', '4000', '6200', '6300']);
  });
});

describe('an account over its periods', () => {
  it('has the movement of each and what it holds at its end; income and expense begin every fiscal year at zero (common practice)', async () => {
    const books = await company();
    await server.ok('POST', `${books.path}/years`, { day: '2027-06-30' });
    const [bank, travel] = [await books.find('1000'), await books.find('6300')];
    const spend = (date: string, cents: number) =>
      server.ok('POST', `${books.path}/entries`, {
        date,
        description: 'Trip',
        lines: [
          { accountId: travel.id, debit: String(cents), credit: '0' },
          { accountId: bank.id, debit: '0', credit: String(cents) },
        ],
      });
    await spend('2026-11-05', 500);
    await spend('2027-02-10', 300);
    const periodsOf = async (accountId: number) => {
      const { periods } = await server.ok<AccountPeriods>('GET', `${books.path}/accounts/${accountId}/periods`);
      return periods.filter(({ movement }) => movement !== '0').map(({ year, number, movement, closing }) => [year, number, movement, closing]);
    };
    expect(await periodsOf(travel.id)).toEqual([
      [2026, 9, '10000', '10000'],
      [2026, 11, '500', '10500'],
      [2027, 2, '300', '300'],
    ]);
    expect(await periodsOf(bank.id)).toEqual([
      [2026, 9, '90000', '90000'],
      [2026, 11, '-500', '89500'],
      [2027, 2, '-300', '89200'],
    ]);
  });
});
