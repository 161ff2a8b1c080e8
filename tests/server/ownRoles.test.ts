import type { History, InstallationView, LinkView, PersonList } from '@ivory-ladder/contract';
import { ownRoleKey, type Permission } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ApiClient } from '../support/apiClient.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
type Shop = Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

const entry = async (shop: Shop) => ({
  date: '2026-03-31',
  description: 'By a role of its own',
  lines: [
    { accountId: (await shop.find('1000')).id, debit: '100' },
    { accountId: (await shop.find('4000')).id, credit: '100' },
  ],
});

async function addRole(client: ApiClient, shop: Shop, name: string, permissions: readonly Permission[]) {
  const { ownRoles } = await client.ok<PersonList>('POST', `${shop.path}/roles`, { name, permissions });
  const role = ownRoles.find((one) => one.name === name);
  if (!role) throw new Error(`${name} was not made`);
  return { ...role, key: ownRoleKey(role.id), path: `${shop.path}/roles/${role.id}` };
}

describe('a role that a company made', () => {
  it('may what it bundles and no more, from the next request on when it is changed', async () => {
    const shop = await openShop(server);
    const role = await addRole(server, shop, 'Chart keeper', ['keep_chart']);
    expect(role).toMatchObject({ permissions: ['see', 'see_papers', 'keep_chart'], holders: 0 });
    const { client } = await joinCompany(server, shop.id, { email: 'chart@example.org', role: role.key });
    const company = await client.ok<{ role: string; roleName: string; permissions: string[] }>('GET', shop.path);
    expect(company).toMatchObject({ role: role.key, roleName: 'Chart keeper', permissions: ['see', 'see_papers', 'keep_chart'] });
    expect((await client.ok<{ companies: unknown[] }>('GET', '/companies')).companies).toEqual([expect.objectContaining({ roleName: 'Chart keeper' })]);
    const account = { number: '1900', name: 'Deposits', element: 'asset' };
    await client.ok('POST', `${shop.path}/accounts`, account);
    expect(await client.refused('POST', `${shop.path}/entries`, await entry(shop))).toMatchObject({
      status: 403,
      code: 'permission_needed',
      facts: { needs: 'prepare_entries' },
    });
    await server.ok('PUT', role.path, { name: 'Bookkeeper', permissions: ['prepare_entries'], version: role.version });
    await client.ok('POST', `${shop.path}/entries`, await entry(shop));
    expect(await client.refused('POST', `${shop.path}/accounts`, { ...account, number: '1901' })).toMatchObject({
      status: 403,
      facts: { needs: 'keep_chart' },
    });
  });

  it('brings nothing into the chart or the placement by a file of amounts or accounts', async () => {
    const shop = await openShop(server);
    const role = await addRole(server, shop, 'Amounts', ['prepare_entries']);
    const { client } = await joinCompany(server, shop.id, { email: 'amounts@example.org', role: role.key });
    const bring = async (rows: string) => {
      const { fileId } = await client.ok<{ fileId: number }>('POST', `${shop.path}/trial-balance-files?name=tb.csv`, Buffer.from(rows));
      return client.call<{ code?: string; facts?: unknown }>('POST', `${shop.path}/trial-balance-files/${fileId}/posting`, {
        date: '2026-10-31',
        figures: { kind: 'year_to_date' },
        confirmElements: true,
      });
    };
    const rest = '3000,Share capital,equity,-500\n3100,Retained earnings,equity,-200\n6200,Insurance,expense,300\n6300,Travel,expense,100\n';
    const refused = await bring(`Number,Name,Element,Balance\n1000,Bank,asset,905\n4000,Sales,income,-600\n7777,New,income,-5\n${rest}`);
    expect([refused.status, refused.body]).toMatchObject([403, { code: 'permission_needed', facts: { needs: 'keep_chart' } }]);
    const known = await bring(`Number,Name,Element,Balance\n1000,Bank,asset,905\n4000,Sales,income,-605\n${rest}`);
    expect([known.status, known.body]).toMatchObject([200, {}]);
  });

  it('that names another’s permissions is not made, given, changed or taken away by who has them not', async () => {
    const shop = await openShop(server);
    const keeper = await addRole(server, shop, 'People only', ['keep_people_and_settings']);
    const wide = await addRole(server, shop, 'Wide', ['keep_people_and_settings', 'prepare_entries']);
    const { client, personId } = await joinCompany(server, shop.id, { email: 'people@example.org', role: keeper.key });
    const people = `${shop.path}/people`;
    const beyond = { status: 403, code: 'beyond_own_permissions' };
    expect(await client.refused('POST', `${shop.path}/roles`, { name: 'Mine', permissions: ['lock_periods'] })).toMatchObject({
      ...beyond,
      facts: { permissions: ['lock_periods'] },
    });
    const list = await client.ok<PersonList>('GET', people);
    const own = list.people.find((one) => one.personId === personId);
    const founder = list.people.find(({ role }) => role === 'administrator');
    for (const role of ['administrator', 'preparer', wide.key]) {
      expect(await client.refused('PUT', `${people}/${personId}`, { role, version: own?.version })).toMatchObject(beyond);
      expect(await client.refused('POST', people, { name: 'Two', email: 'two@example.org', role })).toMatchObject(beyond);
    }
    expect(await client.refused('PUT', `${people}/${founder?.personId}`, { role: 'reader', version: founder?.version })).toMatchObject(beyond);
    expect(await client.refused('DELETE', `${people}/${founder?.personId}?version=${founder?.version}`)).toMatchObject(beyond);
    const widened = { name: 'People only', permissions: ['keep_people_and_settings', 'keep_chart'], version: keeper.version };
    expect(await client.refused('PUT', keeper.path, widened)).toMatchObject(beyond);
    expect(await client.refused('PUT', wide.path, { name: 'Narrow', permissions: ['see'], version: wide.version })).toMatchObject(beyond);
    expect(await client.refused('DELETE', `${wide.path}?version=${wide.version}`)).toMatchObject(beyond);
    const asked = await server.ok<{ invitationId: number }>('POST', people, { name: 'Two', email: 'two@example.org', role: 'preparer' });
    expect(await client.refused('POST', `${shop.path}/invitations/${asked.invitationId}/link`)).toMatchObject(beyond);
    expect(await client.refused('DELETE', `${shop.path}/invitations/${asked.invitationId}`)).toMatchObject(beyond);
    // What is within is theirs to give.
    const { client: reader } = await joinCompany(client, shop.id, { email: 'three@example.org', role: 'reader' });
    expect((await reader.call('GET', shop.path)).status).toBe(200);
  });

  it('of whoever invited is what an invitation is good for: it opens nothing once they may not all that it gives', async () => {
    const shop = await openShop(server);
    const keeper = await addRole(server, shop, 'People only', ['keep_people_and_settings']);
    const { client, personId } = await joinCompany(server, shop.id, { email: 'second@example.org', role: 'administrator' });
    const invite = (email: string, role: string) => client.ok<{ token: string }>('POST', `${shop.path}/people`, { name: 'Asked', email, role });
    const [preparer, reader] = [await invite('preparer@example.org', 'preparer'), await invite('reader@example.org', 'reader')];
    const { people } = await server.ok<PersonList>('GET', `${shop.path}/people`);
    const version = people.find((one) => one.personId === personId)?.version;
    await server.ok('PUT', `${shop.path}/people/${personId}`, { role: keeper.key, version });
    const look = (token: string) => new ApiClient(server.url).call<{ code?: string; facts?: unknown }>('POST', '/links/look', { token });
    expect((await look(preparer.token)).body).toMatchObject({ code: 'link_unusable', facts: { reason: 'revoked' } });
    expect((await look(reader.token)).status).toBe(200);
  });

  it('cannot go while somebody has it or is invited to it, nor have another’s name; two who change it hear of each other', async () => {
    const shop = await openShop(server);
    const role = await addRole(server, shop, 'Auditor', ['see_papers']);
    expect(await server.refused('POST', `${shop.path}/roles`, { name: 'auditor', permissions: [] })).toMatchObject({ status: 409, code: 'role_name_taken' });
    for (const name of ['administrator', ' Reader '])
      expect(await server.refused('POST', `${shop.path}/roles`, { name, permissions: [] })).toMatchObject({ code: 'role_name_taken' });
    const { invitationId } = await server.ok<{ invitationId: number }>('POST', `${shop.path}/people`, {
      name: 'Una',
      email: 'una@example.org',
      role: role.key,
    });
    expect(await server.refused('DELETE', `${role.path}?version=${role.version}`)).toMatchObject({
      status: 409,
      code: 'role_in_use',
      facts: { name: 'Auditor', holders: 1 },
    });
    await server.ok('DELETE', `${shop.path}/invitations/${invitationId}`);
    await server.ok('PUT', role.path, { name: 'Auditor', permissions: ['see'], version: role.version });
    expect(await server.refused('PUT', role.path, { name: 'Auditors', permissions: ['see'], version: role.version })).toMatchObject({
      status: 409,
      code: 'version_conflict',
    });
    await server.ok('DELETE', `${role.path}?version=${role.version + 1}`);
    expect(await server.refused('POST', `${shop.path}/people`, { name: 'Una', email: 'una@example.org', role: role.key })).toMatchObject({ status: 404 });
    const { events } = await server.ok<History>('GET', `${shop.path}/history?thing=role`);
    expect(events.map(({ action }) => action)).toEqual(['deleted', 'changed', 'added']);
  });

  it('is given or deleted, never both, by eight at once', async () => {
    const shop = await openShop(server);
    for (let round = 0; round < 5; round++) {
      const role = await addRole(server, shop, `Race ${round}`, ['see_papers']);
      const invite = (at: number) => server.call('POST', `${shop.path}/people`, { name: 'One', email: `race-${round}-${at}@example.org`, role: role.key });
      const remove = () => server.call('DELETE', `${role.path}?version=${role.version}`);
      const answers = await Promise.all([invite(0), remove(), invite(1), remove(), invite(2), remove(), invite(3), remove()]);
      for (const { status } of answers) expect([201, 204, 404, 409]).toContain(status);
      const list = await server.ok<PersonList>('GET', `${shop.path}/people`);
      const isThere = list.ownRoles.some(({ id }) => id === role.id);
      const held = list.invitations.filter((one) => one.role === role.key).length;
      expect(isThere || held === 0).toBe(true);
    }
  });

  it('is named in what an invitation opens, and a link for a password is revoked when it is changed', async () => {
    const shop = await openShop(server);
    const role = await addRole(server, shop, 'Quay clerk', ['prepare_entries']);
    const invited = await server.ok<{ token: string }>('POST', `${shop.path}/people`, { name: 'Ebba', email: 'ebba@example.org', role: role.key });
    const { letters } = await server.ok<InstallationView>('GET', '/installation');
    expect(letters.find(({ recipient }) => recipient === 'ebba@example.org')?.content).toContain('as Quay clerk.');
    const nobody = new ApiClient(server.url);
    expect(await nobody.ok<LinkView>('POST', '/links/look', { token: invited.token })).toMatchObject({
      invitation: { role: role.key, roleName: 'Quay clerk' },
    });
    const { personId } = await joinCompany(server, shop.id, { email: 'clerk@example.org', role: role.key });
    const { token } = await server.ok<{ token: string }>('POST', `${shop.path}/people/${personId}/link`);
    expect(await nobody.ok<LinkView>('POST', '/links/look', { token })).toMatchObject({ opens: 'password' });
    await server.ok('PUT', role.path, { name: 'Quay clerk', permissions: ['prepare_entries', 'keep_chart'], version: role.version });
    expect(await nobody.refused('POST', '/links/look', { token })).toMatchObject({ code: 'link_unusable', facts: { reason: 'revoked' } });
  });

  it('of another company is not there', async () => {
    const [shop, other] = [await openShop(server), await openShop(server)];
    const role = await addRole(server, other, 'Elsewhere', ['see']);
    expect(await server.refused('POST', `${shop.path}/people`, { name: 'Una', email: 'e@example.org', role: role.key })).toMatchObject({ status: 404 });
    expect(await server.refused('PUT', `${shop.path}/roles/${role.id}`, { name: 'Mine', permissions: [], version: 1 })).toMatchObject({ status: 404 });
    expect(await server.refused('DELETE', `${shop.path}/roles/${role.id}?version=1`)).toMatchObject({ status: 404 });
  });
});
