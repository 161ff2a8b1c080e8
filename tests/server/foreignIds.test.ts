import {
  type CodeListBody,
  type Company,
  type LayoutDetail,
  type Operation,
  operations,
  type PlacementRehearsal,
  type SavedChartView,
  type SeriesList,
  type StatementSetBody,
} from '@ivory-ladder/contract';
import { usualPlans } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ApiClient } from '../support/apiClient.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { handIn } from '../support/trialBalance.ts';

let server: TestServer;
let stranger: ApiClient;
let own: number;
/** Of a company that the stranger does not belong to, by the name of the parameter. */
let ids: Record<string, number | string>;

beforeAll(async () => {
  server = await TestServer.start();
  ({ id: own } = await server.ok<Company>('POST', '/companies', { name: 'Own', currency: 'EUR', fiscalYearFirstMonth: 1 }));
  ({ client: stranger } = await joinCompany(server, own, { name: 'Stranger', email: 'stranger@example.org', role: 'administrator' }));
  const shop = await openShop(server);
  const { path } = shop;
  const post = <Body>(rest: string, body?: unknown) => server.ok<Body>('POST', `${path}/${rest}`, body);
  const [bank, travel] = [await shop.find('1000'), await shop.find('6300')];
  const { entryId } = await post<{ entryId: number }>('entries', {
    date: '2026-09-15',
    lines: [
      { accountId: travel.id, debit: '5' },
      { accountId: bank.id, credit: '5' },
    ],
  });
  const layout = await post<LayoutDetail>('layouts', { name: 'Board', from: 'nothing' });
  const list = await post<CodeListBody>('code-lists', { kind: 'facet', name: 'Vessel', codes: [{ code: 'TERN', caption: '' }] });
  const second = await post<CodeListBody>('code-lists', { kind: 'facet', name: 'Route', codes: [{ code: 'N', caption: '' }] });
  const { id: ruleId } = await post<{ id: number }>('pairing-rules', { first: list.key, firstValue: 'TERN', second: second.key, secondValue: 'N', reason: '' });
  const part = { key: 'sheet', statement: 'balance-sheet', title: '', columns: null, detail: 2, zeroLines: false };
  const set = await post<StatementSetBody>('sets', {
    name: 'Bank',
    definition: { parts: [part], scale: { unit: 'exact', rounding: 'footed' }, language: null },
  });
  const { series } = await post<SeriesList>('series', { code: 'ADJ', name: 'Adjustments', nextNumber: 1 });
  await server.ok('PUT', `${path}/places`, { changes: [{ accountId: travel.id, before: travel.places, after: [] }] });
  const { records } = await server.ok<{ records: { id: number }[] }>('GET', `${path}/placement-records`);
  const { files } = await server.ok<{ files: { id: number }[] }>('GET', `${path}/trial-balance-files`);
  const { attachments } = await server.ok<{ attachments: { id: number }[] }>(
    'POST',
    `${path}/accounts/${bank.id}/attachments?name=note.txt`,
    new TextEncoder().encode('A note'),
  );
  const head = new TextEncoder().encode('Date,Document,Account,Debit,Credit\n2026-09-30,1,1000,1,\n2026-09-30,1,6300,,1\n');
  const look = await server.ok<{ separator: string; encoding: string; reading: object }>('POST', `${path}/journal-looks`, head);
  const { separator, encoding, reading } = look;
  const invited = await post<{ invitationId: number }>('people', { name: 'Asked', email: 'asked@example.org', role: 'reader' });
  const member = await joinCompany(server, shop.id, { name: 'Member', email: 'member@example.org', role: 'reader' });
  const { categories } = await server.ok<{ categories: { id: number }[] }>('GET', `${path}/placement?from=2026-01-01&to=2026-09-30`);
  ids = {
    accountId: bank.id,
    attachmentId: attachments[0]?.id ?? 0,
    budgetId: (await post<{ id: number }>('budgets', { year: 2026, name: 'Original' })).id,
    categoryId: categories[0]?.id ?? 0,
    classificationId: (await post<{ id: number }>('classifications', { name: 'Tax', copyOf: null })).id,
    entryId,
    fileId: await handIn(server, shop.id, 'Number,Name,Balance\n1000,Bank,0'),
    importId: (await post<{ id: number }>('journal-imports', { name: 'j.csv', bytes: head.length, separator, encoding, reading })).id,
    invitationId: invited.invitationId,
    kind: `layout-${layout.id}`,
    layoutId: layout.id,
    listId: list.id,
    number: 1,
    personId: member.personId,
    planId: (await post<{ id: number }>('column-plans', { name: 'Months', definition: usualPlans[1]?.definition })).id,
    recordId: records[0]?.id ?? 0,
    rehearsalId: (await post<PlacementRehearsal>('rehearsals', { draft: { places: [], categories: [] } })).id,
    ruleId,
    seriesId: series[0]?.id ?? 0,
    setId: set.id,
    trialBalanceId: files[0]?.id ?? 0,
    viewId: (await post<SavedChartView>('chart/views', { name: 'All', isShared: true, content: { columns: [], order: '' } })).id,
    year: 2026,
  };
});
afterAll(() => server.stop());

/** Of a thing in a company, and asked for without a body: with one, a refusal of the body would say nothing. */
const asked = Object.entries(operations as Record<string, Operation>).filter(
  ([, { path, body, takesFile, takesStream }]) => /\{companyId\}.*\{\w+Id\}/.test(path) && !body && !takesFile && !takesStream,
);

describe('ids of another company, in the place of one’s own', () => {
  it('are all there', () => {
    expect(Object.entries(ids).filter(([, id]) => id === 0 || id === undefined)).toEqual([]);
    expect(asked.length).toBeGreaterThan(30);
  });

  it.each(asked.map(([name]) => name))('%s is as of a thing that is not there', async (name) => {
    const { method, path } = (operations as Record<string, Operation>)[name] as Operation;
    const query = new URLSearchParams({
      name: 'x.csv',
      version: '1',
      from: '2026-01-01',
      to: '2026-09-30',
      format: 'csv',
      kind: 'csv',
      after: '',
      date: '2026-09-30',
    });
    const ask = (idOf: (parameter: string) => number | string | undefined) => {
      const address = path.replace('{companyId}', String(own)).replaceAll(/\{(\w+)\}/g, (_, parameter: string) => String(idOf(parameter)));
      return stranger.call<{ code?: string }>(method.toUpperCase(), `${address}?${query}`);
    };
    const theirs = await ask((parameter) => ids[parameter]);
    const nobodys = await ask((parameter) => (/Id$/.test(parameter) ? 99_999_999 : ids[parameter]));
    expect([name, theirs.status, theirs.body?.code]).toEqual([name, nobodys.status, nobodys.body?.code]);
    // A list of what is of it is empty then.
    if (theirs.status < 300) expect([name, theirs.body, Object.values(theirs.body).flat()]).toEqual([name, nobodys.body, []]);
    else expect([404, 422]).toContain(theirs.status);
  });
});
