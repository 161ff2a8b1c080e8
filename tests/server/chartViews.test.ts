import type { Company, SavedChartView, SavedChartViews } from '@ivory-ladder/contract';
import type { Role } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ApiClient } from '../support/apiClient.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
let company: Company;
let [reader, preparer]: ApiClient[] = [];

async function join(role: Role): Promise<ApiClient> {
  return (await joinCompany(server, company.id, { name: role, email: `${role}@example.org`, role })).client;
}

beforeAll(async () => {
  server = await TestServer.shared();
  company = await server.ok<Company>('POST', '/companies', { name: 'Harbour', currency: 'EUR', fiscalYearFirstMonth: 1 });
  [reader, preparer] = [await join('reader'), await join('preparer')];
});
afterAll(() => server.stop());

const path = (rest = '') => `/companies/${company.id}/chart/views${rest}`;
const content = { columns: [{ id: 'name', width: 240 }], order: '-amount', show: 'unplaced', since: '2026-01-01' };
const viewsOf = (client: ApiClient | undefined) => (client as ApiClient).ok<SavedChartViews>('GET', path());

describe('views of the chart', () => {
  it('one saved for oneself is seen by nobody else and is not on record', async () => {
    const saved = await reader?.ok<SavedChartView>('POST', path(), { name: 'Mine', isShared: false, content });
    expect(saved).toMatchObject({ name: 'Mine', isMine: true, content: { ...content, find: '', element: '', category: '' } });
    expect((await viewsOf(reader)).views.map(({ name }) => name)).toEqual(['Mine']);
    expect((await viewsOf(preparer)).views).toEqual([]);
    expect(await preparer?.refused('PUT', path(`/${saved?.id}`), { name: 'Taken', isShared: false, content, version: 1 })).toMatchObject({ status: 404 });
    expect(await preparer?.refused('DELETE', path(`/${saved?.id}`))).toMatchObject({ status: 404 });
    const { events } = await server.ok<{ events: unknown[] }>('GET', `/companies/${company.id}/history?thing=view`);
    expect(events).toEqual([]);
  });

  it('one for all is a preparer’s to save, change and delete, and is on record', async () => {
    const shared = { name: 'Open points', isShared: true, content };
    expect(await reader?.refused('POST', path(), shared)).toMatchObject({ status: 403, code: 'permission_needed' });
    const saved = await preparer?.ok<SavedChartView>('POST', path(), shared);
    const seen = (await viewsOf(reader)).views.find(({ isShared }) => isShared);
    expect(seen).toMatchObject({ name: 'Open points', isMine: false });
    expect(await reader?.refused('DELETE', path(`/${saved?.id}`))).toMatchObject({ status: 403, code: 'permission_needed' });
    expect(await reader?.refused('PUT', path(`/${saved?.id}`), { ...shared, version: 1 })).toMatchObject({ status: 403 });
    await preparer?.ok('PUT', path(`/${saved?.id}`), { ...shared, name: 'To do', version: 1 });
    expect(await preparer?.refused('PUT', path(`/${saved?.id}`), { ...shared, version: 1 })).toMatchObject({ status: 409, code: 'version_conflict' });
    await preparer?.ok('DELETE', path(`/${saved?.id}`));
    const { events } = await server.ok<{ events: { label: string; action: string; actor: string }[] }>('GET', `/companies/${company.id}/history?thing=view`);
    expect(events.map(({ label, action, actor }) => [label, action, actor])).toEqual([
      ['View To do', 'deleted', 'preparer'],
      ['View To do', 'changed', 'preparer'],
      ['View Open points', 'added', 'preparer'],
    ]);
  });

  it('no two that one sees have one name, whatever the case of its letters', async () => {
    expect(await reader?.refused('POST', path(), { name: 'mine', isShared: false, content })).toMatchObject({ status: 409, code: 'view_name_taken' });
    await preparer?.ok('POST', path(), { name: 'mine', isShared: false, content });
  });

  it('the columns that a person chose are theirs alone', async () => {
    const columns = [
      { id: 'name', width: null },
      { id: 'purpose', width: 300 },
    ];
    await reader?.ok('PUT', `/companies/${company.id}/chart/columns`, { columns });
    await reader?.ok('PUT', `/companies/${company.id}/chart/columns`, { columns: columns.slice(1) });
    expect((await viewsOf(reader)).columns).toEqual(columns.slice(1));
    expect((await viewsOf(preparer)).columns).toEqual([]);
  });

  it.each([
    ['a column wider than any screen', { name: 'x', isShared: false, content: { ...content, columns: [{ id: 'name', width: 1e9 }] } }],
    ['a day that is none', { name: 'x', isShared: false, content: { ...content, since: 'yesterday' } }],
    ['something nobody asked for', { name: 'x', isShared: false, content: { ...content, script: 'alert(1)' } }],
  ])('refuse %s', async (_what, body) => {
    expect(await reader?.refused('POST', path(), body)).toMatchObject({ status: 400, code: 'request_invalid' });
  });
});
