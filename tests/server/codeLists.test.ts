import type { ChartCheckBody, ChartView, CodeListBody, CodeLists, History, MergeCheckBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

async function open() {
  const shop = await openShop(server);
  const path = `${shop.path}/code-lists`;
  const add = (name: string, codes: object[] = [], kind = 'report') => server.ok<CodeListBody>('POST', path, { kind, name, codes });
  const read = async (id: number) => (await server.ok<CodeLists>('GET', path)).lists.find((list) => list.id === id) as CodeListBody;
  const change = async (id: number, edit: object) =>
    server.call<CodeListBody & { code: string; facts: object }>('PATCH', `${path}/${id}`, { version: (await read(id)).version, ...edit });
  const codesOf = async (number: string) => (await shop.find(number)).codes;
  return { ...shop, listsPath: path, addList: add, readList: read, changeList: change, codesOf };
}

const taxCodes = [
  { code: '10', caption: 'Operating costs', element: 'expense' },
  { code: '10.1', caption: 'Insurance', element: 'expense', side: 'debit', parent: '10' },
  { code: '20', caption: 'Turnover', element: 'income' },
];

describe('a list of report codes', () => {
  it('is made with its codes, renamed, added to and taken from, each with a record', async () => {
    const books = await open();
    const { id, key, codes } = await books.addList('Tax return', taxCodes);
    expect(key).toBe(`report:${id}`);
    expect(codes.map(({ code, parent, accounts }) => [code, parent, accounts])).toEqual([
      ['10', null, 0],
      ['10.1', '10', 0],
      ['20', null, 0],
    ]);
    const changed = await books.changeList(id, { name: 'Tax form', set: [{ was: null, code: '30', caption: 'Other' }], remove: ['20'] });
    expect([changed.body.name, changed.body.codes.map(({ code }) => code)]).toEqual(['Tax form', ['10', '10.1', '30']]);
    const { events } = await server.ok<History>('GET', `${books.path}/history?thing=code_list`);
    expect(events.map(({ action, label }) => [action, label])).toEqual([
      ['changed', 'Tax form'],
      ['added', 'Tax return'],
    ]);
  });

  it('a code that is renamed stays with its accounts and with those below it, two may swap theirs', async () => {
    const books = await open();
    const { id, key } = await books.addList('Tax return', taxCodes);
    await books.change('6200', { codes: { [key]: '10.1' } });
    await books.change('6300', { codes: { [key]: '20' } });
    const swap = [
      { was: '10', code: '20', caption: 'Operating costs' },
      { was: '20', code: '10', caption: 'Turnover' },
    ];
    const { body } = await books.changeList(id, { set: swap });
    expect(body.codes.map(({ code, parent, accounts }) => [code, parent, accounts])).toEqual([
      ['20', null, 0],
      ['10.1', '20', 1],
      ['10', null, 1],
    ]);
    expect([await books.codesOf('6200'), await books.codesOf('6300')]).toEqual([{ [key]: '10.1' }, { [key]: '10' }]);
  });

  it('what accounts have cannot be taken away, nor their list; what makes no list is refused', async () => {
    const books = await open();
    const { id, key, version } = await books.addList('Tax return', taxCodes);
    await books.change('6200', { codes: { [key]: '10.1' } });
    expect((await books.changeList(id, { remove: ['10.1'] })).body).toMatchObject({ code: 'list_code_held', facts: { listed: '10.1', accounts: 1 } });
    expect(await server.refused('DELETE', `${books.listsPath}/${id}`)).toMatchObject({ code: 'code_list_held', facts: { accounts: 1 } });
    expect((await books.changeList(id, { set: [{ was: null, code: '20', caption: '' }] })).body.code).toBe('list_code_twice');
    expect((await books.changeList(id, { remove: ['10'] })).body.code).toBe('list_code_parent_unknown');
    expect((await books.changeList(id, { set: [{ was: '99', code: '98', caption: '' }] })).body.code).toBe('list_code_unknown');
    expect(await server.refused('POST', books.listsPath, { kind: 'report', name: 'TAX return' })).toMatchObject({ code: 'code_list_name_taken' });
    await books.changeList(id, { name: 'Tax form' });
    expect(await server.refused('PATCH', `${books.listsPath}/${id}`, { version, name: 'Stale' })).toMatchObject({ code: 'version_conflict' });
    await books.change('6200', { codes: { [key]: '' } });
    expect((await server.call('DELETE', `${books.listsPath}/${id}`)).status).toBe(204);
  });

  it('of another company is not there', async () => {
    const [books, others] = [await open(), await open()];
    const { id, key } = await others.addList('Tax return', taxCodes);
    expect(await server.refused('PATCH', `${books.listsPath}/${id}`, { version: 1, name: 'Ours' })).toMatchObject({ code: 'not_found' });
    expect(await books.changeRefused('6200', { codes: { [key]: '10' } })).toMatchObject({ code: 'not_found', facts: { thing: 'code_list' } });
  });
});

describe('the codes of an account', () => {
  it('are one of each list, given in whatever case, and told in its history by the name of the list', async () => {
    const books = await open();
    const { key } = await books.addList('Tax return', [{ code: 'A1', caption: 'Costs' }]);
    const vessel = await books.addList('Vessel', [{ code: 'TERN', caption: 'MV Tern' }], 'facet');
    await books.change('6200', { codes: { [key]: 'a1', [vessel.key]: 'tern' } });
    expect(await books.codesOf('6200')).toEqual({ [key]: 'A1', [vessel.key]: 'TERN' });
    expect(await books.changeRefused('6200', { codes: { [key]: 'Z9' } })).toMatchObject({ code: 'list_code_unknown', facts: { listed: 'Z9' } });
    await books.change('6200', { codes: { [vessel.key]: '' } });
    expect(await books.codesOf('6200')).toEqual({ [key]: 'A1' });
    const { id } = await books.find('6200');
    const { events } = await server.ok<History>('GET', `${books.path}/history?thing=account&thingId=${id}`);
    expect(events[0]).toMatchObject({ before: { codes: 'Tax return: A1; Vessel: TERN' }, after: { codes: 'Tax return: A1' } });
  });

  it('come with a new account, go with one that is deleted, and with a copy of the company', async () => {
    const books = await open();
    const { key } = await books.addList('Tax return', taxCodes);
    const { id } = await books.add({ number: '6400', codes: { [key as `report:${number}`]: '10' } });
    const copy = await server.ok<{ id: number }>('POST', '/companies', {
      name: 'A copy',
      currency: 'EUR',
      fiscalYearFirstMonth: 1,
      beginWith: { kind: 'copy', companyId: books.id },
    });
    const [list] = (await server.ok<CodeLists>('GET', `/companies/${copy.id}/code-lists`)).lists;
    expect(list).toMatchObject({ name: 'Tax return', codes: [{ code: '10', accounts: 1 }, { code: '10.1' }, { code: '20' }] });
    const { accounts } = await server.ok<ChartView>('GET', `/companies/${copy.id}/chart?from=2026-01-01&to=2026-09-30`);
    expect(accounts.find(({ number }) => number === '6400')?.codes).toEqual({ [list?.key ?? '']: '10' });
    expect((await server.call('DELETE', `${books.path}/accounts/${id}`)).status).toBe(204);
  });

  it('are loaded by a chart file, looked at before they are applied', async () => {
    const books = await open();
    const { key } = await books.addList('Tax return', taxCodes);
    const csv = 'Number,Code: Tax return\n6200,10.1\n6300,10.1\n4000,99\n';
    const upload = async (text: string) => server.ok<{ fileId: number }>('POST', `${books.path}/chart-files?name=codes.csv`, new TextEncoder().encode(text));
    const rehearse = (fileId: number) =>
      server.ok<ChartCheckBody>('POST', `${books.path}/chart-files/${fileId}/rehearsal`, { from: '2026-01-01', to: '2026-09-30' });
    const wrong = await rehearse((await upload(csv)).fileId);
    expect([wrong.listHeadings, wrong.rows.map(({ state }) => state)]).toEqual([{ [key]: 'Code: Tax return' }, ['changed', 'changed', 'wrong']]);
    const { fileId } = await upload(csv.replace('99', '20'));
    const { structureVersion, revision, effect } = await rehearse(fileId);
    expect(effect.rows).toEqual([]);
    await server.ok('POST', `${books.path}/chart-files/${fileId}/application`, { structureVersion, revision });
    expect([await books.codesOf('6200'), await books.codesOf('4000')]).toEqual([{ [key]: '10.1' }, { [key]: '20' }]);
  });

  it('go along where accounts are merged, from lists that the other has no code of', async () => {
    const books = await open();
    const [tax, group] = [await books.addList('Tax return', taxCodes), await books.addList('Group reporting', taxCodes)];
    await books.change('6200', { codes: { [tax.key]: '10', [group.key]: '10' } });
    await books.change('6300', { codes: { [tax.key]: '10.1' } });
    const [from, into] = [await books.find('6200'), await books.find('6300')];
    const span = { from: '2026-01-01', to: '2026-09-30' };
    const seen = await server.ok<MergeCheckBody>('POST', `${books.path}/accounts/${from.id}/merge-rehearsal`, {
      into: into.id,
      day: '2026-09-30',
      ...span,
    });
    expect(seen.codes).toEqual([{ list: 'Group reporting', code: '10' }]);
    const { structureVersion, revision } = seen;
    const body = { into: into.id, day: '2026-09-30', structureVersion, revision };
    await server.ok('POST', `${books.path}/accounts/${from.id}/merge`, body, { 'Idempotency-Key': 'merge with codes' });
    expect(await books.codesOf('6300')).toEqual({ [tax.key]: '10.1', [group.key]: '10' });
  });
});
