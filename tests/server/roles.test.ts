import { type Company, type Operation, operations, type PersonList } from '@ivory-ladder/contract';
import { ownRoleKey, type Permission, permissions, permissionsAmong, permissionsOfRole, type Role, type RoleKey, roles } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ApiClient } from '../support/apiClient.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
let company: Company;
/** A company that none of the others belongs to. */
let foreign: Company;
const clients = new Map<Role | 'stranger' | 'nobody', ApiClient>();
/** Each with a role of the company's own that may one thing. */
const single = new Map<Permission, ApiClient>();

const add = (name: string) => server.ok<Company>('POST', '/companies', { name, currency: 'EUR', fiscalYearFirstMonth: 1 });

/** A person with a role in a company, who has chosen a password with their link. */
async function join(companyId: number, role: RoleKey, name: string): Promise<ApiClient> {
  const email = `${name.toLowerCase()}@example.org`;
  return (await joinCompany(server, companyId, { name, email, role })).client;
}

beforeAll(async () => {
  server = await TestServer.start();
  [company, foreign] = [await add('Here'), await add('Elsewhere')];
  for (const role of roles) clients.set(role, await join(company.id, role, `Member-${role}`));
  for (const permission of permissions) {
    const body = { name: `May ${permission}`, permissions: [permission] };
    const { ownRoles } = await server.ok<PersonList>('POST', `/companies/${company.id}/roles`, body);
    const made = ownRoles.find(({ name }) => name === body.name);
    single.set(permission, await join(company.id, ownRoleKey(made?.id ?? 0), `May-${permission}`));
  }
  clients.set('stranger', await join(foreign.id, 'administrator', 'Stranger'));
  clients.set('nobody', new ApiClient(server.url));
});
afterAll(() => server.stop());

/** The address of an operation with ids that are not there but the company's: who may ask is judged before what is asked. */
const pathOf = ({ path }: Operation, companyId: number) =>
  path
    .replace('{companyId}', String(companyId))
    .replace('{kind}', 'balance-sheet')
    .replaceAll(/\{\w+\}/g, '999999');

const ofCompany = Object.entries(operations as Record<string, Operation>).filter(([, { path }]) => path.includes('{companyId}'));

describe('every operation of a company, with every permission', () => {
  it.each(ofCompany)('%s', async (_name, operation) => {
    const { method, needs } = operation;
    const held = new Map<string, readonly Permission[]>([
      ...roles.map((role): [string, readonly Permission[]] => [role, permissionsOfRole[role]]),
      ...permissions.map((permission): [string, readonly Permission[]] => [permission, permissionsAmong([permission])]),
    ]);
    for (const [who, client] of [...clients, ...single]) {
      const { status, body } = await client.call<{ code: string; facts: unknown }>(
        method.toUpperCase(),
        pathOf(operation, company.id),
        operation.body ? {} : undefined,
      );
      if (who === 'nobody') expect([who, status, body.code]).toEqual([who, 401, 'sign_in_needed']);
      else if (who === 'stranger') expect([who, status, body.code, body.facts]).toEqual([who, 404, 'not_found', { thing: 'company', id: company.id }]);
      else if (!held.get(who)?.includes(needs as Permission)) expect([who, status, body.code, body.facts]).toEqual([who, 403, 'permission_needed', { needs }]);
      else expect([who, status]).not.toEqual([who, expect.toSatisfy((found: number) => found === 401 || found === 403)]);
    }
  });

  it('changes need more than to see, but for notes and what each sees of the chart; people and settings their own', () => {
    // What is asked for in a body changes nothing.
    const changing = ofCompany.filter(([name, { method }]) => method !== 'get' && name !== 'getVectors');
    expect(changing.filter(([, { needs }]) => needs === 'see' || needs === 'see_papers').map(([name]) => name)).toEqual([
      'addNote',
      'chooseChartColumns',
      'saveChartView',
      'changeChartView',
      'deleteChartView',
    ]);
    expect(
      ofCompany.filter(([, { path, needs }]) => /\/(people|invitations|roles)/.test(path) !== (needs === 'keep_people_and_settings')).map(([name]) => name),
    ).toEqual(['changeSettings', 'removeCompany', 'checkSettings', 'unlockPeriod', 'unlockBudget']);
  });

  it('ids of another company open nothing, whatever one is in one’s own', async () => {
    const other = clients.get('stranger') as ApiClient;
    const account = await clients
      .get('preparer')
      ?.ok<{ id: number; version: number }>('POST', `/companies/${company.id}/accounts`, { number: '1', name: 'Cash', element: 'asset' });
    const change = { version: account?.version, name: 'Mine' };
    expect(await other.refused('PATCH', `/companies/${foreign.id}/accounts/${account?.id}`, change)).toMatchObject({ status: 404, code: 'not_found' });
    expect(await other.refused('PATCH', `/companies/${company.id}/accounts/${account?.id}`, change)).toMatchObject({ status: 404, code: 'not_found' });
    expect(await other.refused('DELETE', `/companies/${foreign.id}/accounts/${account?.id}`)).toMatchObject({ status: 404, code: 'not_found' });
    const placing = { changes: [{ accountId: account?.id, before: [], after: [] }] };
    expect((await other.refused('PUT', `/companies/${foreign.id}/places`, placing)).status).toBeGreaterThanOrEqual(400);
    const { accounts } = await server.ok<{ accounts: { name: string }[] }>('GET', `/companies/${company.id}/chart?from=2026-01-01&to=2026-12-31`);
    expect(accounts.map(({ name }) => name)).toEqual(['Cash']);
  });
});

describe('what a reader is not shown', () => {
  it('is what reviewers and preparers write about an account', async () => {
    const account = await clients
      .get('preparer')
      ?.ok<{ id: number }>('POST', `/companies/${company.id}/accounts`, { number: '77', name: 'Sundries', element: 'asset' });
    await clients.get('reviewer')?.ok('POST', `/companies/${company.id}/accounts/${account?.id}/notes`, { content: 'Looks odd' });
    const notesOf = async (role: Role) =>
      (
        await (clients.get(role) as ApiClient).ok<{ accounts: { id: number; notes: string[] }[] }>(
          'GET',
          `/companies/${company.id}/chart?from=2026-01-01&to=2026-12-31`,
        )
      ).accounts.find(({ id }) => id === account?.id)?.notes;
    expect([await notesOf('reader'), await notesOf('reviewer')]).toEqual([[], ['Looks odd']]);
  });
});

describe('operations of nobody’s company', () => {
  const others = Object.entries(operations as Record<string, Operation>).filter(([, { path }]) => !path.includes('{companyId}'));

  it('are open to nobody, or to anybody signed in', async () => {
    expect(others.filter(([, { needs }]) => needs === 'nobody').map(([name]) => name)).toEqual([
      'health',
      'getSession',
      'signIn',
      'enterDemo',
      'signOut',
      'lookAtLink',
      'useLink',
      'askRecovery',
    ]);
    for (const [, operation] of others.filter(([, { needs }]) => needs === 'person'))
      expect(await clients.get('nobody')?.refused(operation.method.toUpperCase(), pathOf(operation, 0), operation.body ? {} : undefined)).toMatchObject({
        status: 401,
        code: 'sign_in_needed',
      });
  });

  it('list the companies one belongs to, and no other', async () => {
    const named = async (who: Role | 'stranger') =>
      (await (clients.get(who) as ApiClient).ok<{ companies: { name: string; role: string }[] }>('GET', '/companies')).companies.map(({ name, role }) => [
        name,
        role,
      ]);
    expect(await named('reader')).toEqual([['Here', 'reader']]);
    expect(await named('stranger')).toEqual([['Elsewhere', 'administrator']]);
  });

  it('companies are added by those who may', async () => {
    const body = { name: 'Third', currency: 'EUR', fiscalYearFirstMonth: 1 };
    expect(await clients.get('administrator')?.refused('POST', '/companies', body)).toMatchObject({ status: 403, code: 'adding_companies_refused' });
  });

  it('the demo’s doors are not there where no demo runs', async () => {
    expect(await clients.get('nobody')?.refused('POST', '/session/demo', { role: 'reader' })).toMatchObject({ status: 404 });
    expect(await clients.get('nobody')?.ok('GET', '/session')).toEqual({ person: null, demoRoles: [], lacksSecondFactor: false });
  });
});
