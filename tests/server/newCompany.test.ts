import type { ChartView, Company, History, PlacementView, ProofList } from '@ivory-ladder/contract';
import { starterCharts } from '@ivory-ladder/core';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testAdministrator } from '../support/apiClient.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

const span = 'from=2026-01-01&to=2026-12-31';
const begin = (name: string, beginWith: object) => server.ok<Company>('POST', '/companies', { name, currency: 'EUR', fiscalYearFirstMonth: 1, beginWith });

describe('a company begun with a starter chart', () => {
  it.each(starterCharts.map(({ key, name }) => [name, key]))('%s: places every account, and its statements tie from the first entry', async (name, key) => {
    const { id, unplaced, retainedEarningsAccountId } = await begin(name, { kind: 'starter', key });
    const { accounts } = await server.ok<ChartView>('GET', `/companies/${id}/chart?${span}`);
    const starter = starterCharts.find((chart) => chart.key === key);
    expect(accounts.length).toBe(Object.values(starter?.accounts ?? {}).flat().length);
    expect([unplaced, accounts.every(({ places }) => places.length === 1)]).toEqual([0, true]);
    expect(accounts.find((account) => account.id === retainedEarningsAccountId)?.role).toBe('retained_earnings');
    await server.ok('POST', `/companies/${id}/years`, { day: '2026-06-30' });
    const find = (number: string) => accounts.find((account) => account.number === number)?.id;
    const line = (number: string, amount: bigint) => ({
      accountId: find(number),
      debit: amount > 0n ? String(amount) : '0',
      credit: amount < 0n ? String(-amount) : '0',
    });
    await server.ok('POST', `/companies/${id}/entries`, {
      date: '2026-03-31',
      description: 'First',
      lines: [line('1000', 50_000n), line('4000', -80_000n), line('6400', 30_000n)],
    });
    const { proofs } = await server.ok<ProofList>('GET', `/companies/${id}/proofs?${span}`);
    expect(proofs.filter(({ state }) => state !== 'holds').map((proof) => proof.name)).toEqual([]);
    const { events } = await server.ok<History>('GET', `/companies/${id}/history?thing=account&limit=500`);
    expect(new Set(events.map(({ action, actor }) => `${action} ${actor}`))).toEqual(new Set([`added ${testAdministrator.name}`]));
    expect(events.length).toBe(accounts.length);
  });
});

describe('a copy of a company', () => {
  it('has its chart, order, nesting, roles, placement, settings and layouts, and none of its figures or people', async () => {
    const source = await openShop(server);
    const parent = await source.add({ number: '6400', purpose: 'Things', externalNumber: 'X-1' });
    await source.add({ number: '6410', parentId: parent.id });
    await source.change('6300', { after: null });
    await source.change('1000', { role: 'cash' });
    await source.add({ number: '6500' });
    await source.change('6500', { active: false });
    await server.ok('PATCH', source.path, { version: 0, digitOrder: 'digit_by_digit' });
    const { version, ...options } = await server.ok<{ version: number; subtotalsOff: string[]; result: string }>('GET', `${source.path}/layout-options`);
    await server.ok('PUT', `${source.path}/layout-options`, { ...options, version, subtotalsOff: ['gross_profit'], order: 'most_liquid_first' });
    const { id, digitOrder, lastEntryDay } = await begin('Copy', { kind: 'copy', companyId: source.id });
    expect([digitOrder, lastEntryDay]).toEqual(['digit_by_digit', null]);
    const told = async (companyId: number) => {
      const view = await server.ok<ChartView>('GET', `/companies/${companyId}/chart?from=2026-01-01&to=2026-09-30`);
      const numbers = new Map(view.accounts.map((account) => [account.id, account.number]));
      return view.accounts.map(({ id: _, version: __, parentId, places, amount, comparative, lastUsed, ...account }) => ({
        ...account,
        parent: parentId === null ? null : numbers.get(parentId),
        places: places.map(({ side, categoryId }) => [side, view.paths[String(categoryId)]]),
      }));
    };
    expect(await told(id)).toEqual(await told(source.id));
    const categories = async (companyId: number) =>
      (await server.ok<PlacementView>('GET', `/companies/${companyId}/placement?from=2026-01-01&to=2026-09-30`)).categories.map(
        ({ name, element, term, step }) => [name, element, term, step],
      );
    expect((await categories(id)).toSorted()).toEqual((await categories(source.id)).toSorted());
    expect(await server.ok('GET', `/companies/${id}/layout-options`)).toMatchObject({ subtotalsOff: ['gross_profit'], order: 'most_liquid_first' });
    expect(figures(await statement(server, id, 'income-statement', '2026-01-01', '2026-09-30')).every(([, ...values]) => values.every((value) => !value))).toBe(
      true,
    );
  });

  it('has every classification, each with its tree and its places', async () => {
    const source = await openShop(server);
    const added = await server.ok<{ id: number }>('POST', `${source.path}/classifications`, { name: 'Tax', copyOf: 1 });
    await server.ok('POST', `${source.path}/classifications`, { name: 'Management', copyOf: null });
    await server.ok('PATCH', `${source.path}/classifications/${added.id}`, { version: 1, name: 'Tax return' });
    const { id } = await begin('Copy with trees', { kind: 'copy', companyId: source.id });
    const { classifications } = await server.ok<Company>('GET', `/companies/${id}`);
    expect(classifications.map(({ name }) => name)).toEqual(['Statutory', 'Tax return', 'Management']);
    const told = async (companyId: number, name: string) => {
      const company = await server.ok<Company>('GET', `/companies/${companyId}`);
      const classification = company.classifications.find((one) => one.name === name)?.id;
      const { accounts, categories } = await server.ok<PlacementView>('GET', `/companies/${companyId}/placement?${span}&classification=${classification}`);
      const nameOf = (categoryId: number) => categories.find((category) => category.id === categoryId)?.name;
      return {
        accounts: accounts.map(({ number, places }) => [number, places.map(({ side, categoryId }) => [side, nameOf(categoryId)])]),
        categories: categories.map(({ name: own, parentId, ranges }) => [own, parentId && nameOf(parentId), ranges]).toSorted(),
      };
    };
    for (const name of ['Statutory', 'Tax return', 'Management']) expect(await told(id, name), name).toEqual(await told(source.id, name));
    expect((await told(id, 'Management')).categories).toEqual([]);
    expect((await told(id, 'Tax return')).accounts.some(([, places]) => places?.length === 1)).toBe(true);
  });

  it('is made only of a company one belongs to', async () => {
    const own = await openShop(server);
    const { client: other } = await joinCompany(server, own.id, { name: 'Else Where', email: 'else@example.org', role: 'administrator' });
    const hidden = await begin('Hidden', { kind: 'categories' });
    const body = { name: 'Taken', currency: 'EUR', fiscalYearFirstMonth: 1, beginWith: { kind: 'copy', companyId: hidden.id } };
    expect(await other.refused('POST', '/companies', body)).toMatchObject({ code: 'adding_companies_refused' });
    const connection = await mysql.createConnection(server.databaseUrl);
    await connection.query("UPDATE person SET may_add_companies = 1 WHERE email = 'else@example.org'");
    await connection.end();
    expect(await other.refused('POST', '/companies', body)).toMatchObject({ status: 404, code: 'not_found', facts: { thing: 'company', id: hidden.id } });
    expect(await server.refused('POST', '/companies', { ...body, beginWith: { kind: 'copy', companyId: 99_999 } })).toMatchObject({
      status: 404,
      code: 'not_found',
    });
  });
});
