import type { CodeListBody, LayoutDetail, PersonList, PlacementRehearsal, SavedChartView, SeriesList, StatementSetBody } from '@ivory-ladder/contract';
import { usualPlans } from '@ivory-ladder/core';
import { joinCompany } from './joinCompany.ts';
import type { TestServer } from './server.ts';
import { openShop } from './shop.ts';
import { handIn } from './trialBalance.ts';

/** A company that has one of everything: their ids by the names of the parameters that take them, and the keys of its lists. */
export async function openFullCompany(server: TestServer) {
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
  const { ownRoles } = await post<PersonList>('roles', { name: 'Clerk', permissions: ['prepare_entries'] });
  const { categories } = await server.ok<{ categories: { id: number }[] }>('GET', `${path}/placement?from=2026-01-01&to=2026-09-30`);
  const ids: Record<string, number | string> = {
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
    roleId: ownRoles[0]?.id ?? 0,
    ruleId,
    seriesId: series[0]?.id ?? 0,
    setId: set.id,
    trialBalanceId: files[0]?.id ?? 0,
    viewId: (await post<SavedChartView>('chart/views', { name: 'All', isShared: true, content: { columns: [], order: '' } })).id,
    year: 2026,
  };
  return { id: shop.id, path, ids, facet: list.key, secondFacet: second.key, travelId: travel.id };
}
