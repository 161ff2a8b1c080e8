import type { History } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testAdministrator } from '../support/apiClient.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const company = () => openShop(server);

describe('history', () => {
  it('says who, when, what before and what after, newest first, page by page', async () => {
    const books = await company();
    const { id } = await books.add({ number: '6400', name: 'Fees' });
    await books.change('6400', { name: 'Licence fees' });
    await books.change('6400', { purpose: 'Yearly' });
    const list = (more = '') => server.ok<History>('GET', `${books.path}/history?thing=account&thingId=${id}${more}`);
    const { events } = await list();
    expect(events.map(({ action, before, after }) => [action, before, after])).toEqual([
      ['changed', { purpose: '' }, { purpose: 'Yearly' }],
      ['changed', { name: 'Fees' }, { name: 'Licence fees' }],
      ['added', null, expect.objectContaining({ number: '6400', name: 'Fees' })],
    ]);
    expect(events[0]).toMatchObject({ actor: testAdministrator.name, happenedAt: expect.stringMatching(/^\d{4}-\d\d-\d\d \d\d:\d\d:\d\d/) });
    const first = await list('&limit=2');
    const second = await list(`&limit=2&before=${first.next}`);
    expect([...first.events, ...second.events]).toEqual(events);
    expect(second.next).toBeNull();
  });

  it('names what people never see by its id, and comes as a file', async () => {
    const books = await company();
    const parent = await books.add({ number: '6000', name: '=Running costs' });
    await books.change('6200', { parentId: parent.id });
    const { id } = await books.find('6200');
    const { events } = await server.ok<History>('GET', `${books.path}/history?limit=20`);
    expect(events[0]).toMatchObject({ label: '6200 Insurance', before: { parent: '' }, after: { parent: '6000 =Running costs' } });
    expect(events.find((event) => event.thing === 'place' && event.thingId === id)).toMatchObject({
      action: 'added',
      label: '6200 Insurance',
      after: { place: 'Other operating expenses' },
    });
    const lines = new TextDecoder().decode(await server.bytes(`${books.path}/history/csv?thing=account`)).split('\r\n');
    expect(lines[0]).toBe('\ufeffTime (UTC),Who,What,Which,Action,Before,After'.slice(1));
    expect(lines[1]).toMatch(/^\d{4}-\d\d-\d\d [\d:.]+,Asta Holm,account,6200 Insurance,changed,/);
    expect(lines.filter(Boolean)).toHaveLength(1 + 7 + 1 + 2);
  });

  it('of another company is not found, nor are its accounts', async () => {
    const [ours, theirs] = [await company(), await company()];
    const { id, version } = await theirs.find('6200');
    expect(await server.refused('PATCH', `${ours.path}/accounts/${id}`, { version, name: 'Mine now' })).toMatchObject({ status: 404 });
    expect(await server.refused('DELETE', `${ours.path}/accounts/${id}`)).toMatchObject({ status: 404 });
    expect((await server.ok<History>('GET', `${ours.path}/history?thing=account&thingId=${id}`)).events).toEqual([]);
    expect(await server.refused('GET', '/companies/999999/history')).toMatchObject({ status: 404 });
  });

  it('is asked by person and by day, with signs that a pattern would take for others', async () => {
    const books = await company();
    await books.change('6200', { name: 'Cover' });
    const [{ happenedAt = '' } = {}] = (await server.ok<History>('GET', `${books.path}/history?limit=1`)).events;
    const day = happenedAt.slice(0, 10);
    const names = async (query: string) =>
      (await server.ok<History>('GET', `${books.path}/history?thing=account&limit=500&${query}`)).events.map(({ label }) => label);
    expect(await names(`actor=${encodeURIComponent(testAdministrator.name.slice(2, 7))}&from=${day}&to=${day}`)).toContain('6200 Cover');
    expect(await names('actor=%25')).toEqual([]);
    expect(await names('actor=Somebody')).toEqual([]);
    expect(await names('from=2999-01-01')).toEqual([]);
    expect(await names('to=2001-01-01')).toEqual([]);
    const lines = new TextDecoder()
      .decode(await server.bytes(`${books.path}/history/csv?thing=account&actor=Somebody`))
      .split('\r\n')
      .filter(Boolean);
    expect(lines).toHaveLength(1);
  });
});
