import type { Company, History, Invited, PersonList, Session } from '@ivory-ladder/contract';
import type { Role } from '@ivory-ladder/core';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ApiClient, cookieOf, testAdministrator } from '../support/apiClient.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
let connection: mysql.Connection;
let companyId: number;
let people: string;
let invitations: string;
beforeAll(async () => {
  server = await TestServer.start();
  connection = await mysql.createConnection(server.databaseUrl);
  const { id } = await server.ok<Company>('POST', '/companies', { name: 'Shop', currency: 'EUR', fiscalYearFirstMonth: 1 });
  companyId = id;
  people = `/companies/${id}/people`;
  invitations = `/companies/${id}/invitations`;
});
afterAll(async () => {
  await connection.end();
  await server.stop();
});

const password = 'wet ropes and dry socks';
const nobody = () => new ApiClient(server.url);
const credentials = { email: testAdministrator.email, password: testAdministrator.password };

function invite(email: string, role = 'preparer', name = 'Nils Berg'): Promise<Invited> {
  return server.ok('POST', people, { name, email, role });
}

const join = (email: string, role: Role = 'preparer', name = 'Nils Berg') => joinCompany(server, companyId, { name, email, role, password });

describe('signing in', () => {
  it('gives a cookie that no script reads and no other site sends, and an answer without any hash', async () => {
    const { headers, body } = await nobody().call<Session>('POST', '/session', { ...credentials, email: ` ${credentials.email.toUpperCase()} ` });
    expect(headers.getSetCookie().find((one) => one.startsWith('ivory_ladder_session'))).toMatch(
      /^ivory_ladder_session=[^;]+; Path=\/; Expires=[^;]+; HttpOnly; SameSite=Lax$/,
    );
    expect(body).toEqual({
      person: {
        id: expect.any(Number),
        name: testAdministrator.name,
        email: testAdministrator.email,
        mayAddCompanies: true,
        keepsInstallation: true,
        hasPassword: true,
        hasSecondFactor: false,
      },
      demoRoles: [],
      lacksSecondFactor: false,
    });
    const [stored] = (await connection.query('SELECT id_hash FROM session')) as unknown as [{ id_hash: Buffer }[]];
    const id = decodeURIComponent(cookieOf(headers))
      .replace(/^[^=]*=s:/, '')
      .replace(/\..*/, '');
    expect(stored.some(({ id_hash }) => id_hash.toString('utf8').includes(id))).toBe(false);
    const [persons] = (await connection.query('SELECT password_hash FROM person')) as unknown as [{ password_hash: string }[]];
    expect(persons.map(({ password_hash }) => password_hash)).toEqual([expect.stringMatching(/^scrypt\$/)]);
  });

  it('says the same to a wrong password and to somebody unknown', async () => {
    const wrong = await nobody().refused('POST', '/session', { ...credentials, password: 'something else' });
    const unknown = await nobody().refused('POST', '/session', { email: 'no.one@example.org', password: 'something else' });
    expect(wrong).toEqual(unknown);
    expect(wrong).toMatchObject({ status: 401, code: 'sign_in_refused' });
  });

  it('reads no more than a sign-in needs from somebody unknown', async () => {
    expect(await nobody().refused('POST', '/session', { email: 'a@example.org', password: 'x'.repeat(20_000) })).toMatchObject({ status: 413 });
  });

  it('gives a new session id each time, and ends the one it stood in', async () => {
    const client = await nobody().enter('/session', credentials);
    const first = client.cookie;
    await client.enter('/session', credentials);
    expect(client.cookie).not.toBe(first);
    expect(await new ApiClient(server.url, first).ok<Session>('GET', '/session')).toMatchObject({ person: null });
  });

  it('a session ends where one signs out, everywhere when asked, and by itself after its time', async () => {
    const [here, there, old] = [
      await nobody().enter('/session', credentials),
      await nobody().enter('/session', credentials),
      await nobody().enter('/session', credentials),
    ];
    await here.ok('DELETE', '/session');
    expect(await here.refused('GET', '/companies')).toMatchObject({ status: 401, code: 'sign_in_needed' });
    await there.ok('GET', '/companies');
    await there.ok('DELETE', '/sessions');
    for (const client of [there, old]) expect(await client.refused('GET', '/companies')).toMatchObject({ code: 'sign_in_needed' });
    await server.enter('/session', credentials);
    await connection.query('UPDATE session SET expires_at = UTC_TIMESTAMP() - INTERVAL 1 SECOND');
    expect(await server.refused('GET', '/companies')).toMatchObject({ code: 'sign_in_needed' });
    await server.enter('/session', credentials);
  });

  it('an invented or altered cookie is nobody’s', async () => {
    const forged = server.cookie.replace(/.$/, (last) => (last === 'A' ? 'B' : 'A'));
    expect(await new ApiClient(server.url, forged).ok<Session>('GET', '/session')).toMatchObject({ person: null });
    expect(await new ApiClient(server.url, 'ivory_ladder_session=s%3Aabc.def').ok<Session>('GET', '/session')).toMatchObject({ person: null });
  });
});

describe('passwords', () => {
  it('are changed by who knows the old one; every other session ends', async () => {
    const { client: here } = await join('changing@example.org');
    const there = await nobody().enter('/session', { email: 'changing@example.org', password });
    expect(await here.refused('PUT', '/password', { current: 'not this one', next: 'another long sentence' })).toMatchObject({ code: 'password_wrong' });
    expect(await here.refused('PUT', '/password', { current: password, next: 'short' })).toMatchObject({
      code: 'password_refused',
      facts: { reason: 'too_short' },
    });
    const { headers } = await here.call('PUT', '/password', { current: password, next: 'another long sentence' });
    expect(await there.refused('GET', '/companies')).toMatchObject({ code: 'sign_in_needed' });
    expect(await new ApiClient(server.url, cookieOf(headers)).ok<Session>('GET', '/session')).toMatchObject({ person: { email: 'changing@example.org' } });
    expect(await nobody().refused('POST', '/session', { email: 'changing@example.org', password })).toMatchObject({ code: 'sign_in_refused' });
  });
});

describe('one-time links', () => {
  it('of an invitation let a new person choose a password once, by who holds them', async () => {
    const { token } = await invite('new@example.org', 'reader', 'Nanna Lund');
    expect(await nobody().ok('POST', '/links/look', { token })).toEqual({
      opens: 'company',
      name: 'Nanna Lund',
      email: 'new@example.org',
      invitation: { company: 'Shop', role: 'reader', roleName: '', hasAccount: false },
    });
    expect(await nobody().refused('POST', '/links/use', { token, password: 'Nanna Lund 1' })).toMatchObject({ facts: { reason: 'names_its_owner' } });
    const entered = await nobody().enter('/links/use', { token, password });
    expect(await entered.ok<Session>('GET', '/session')).toMatchObject({ person: { email: 'new@example.org' } });
    expect(await nobody().refused('POST', '/links/use', { token, password })).toMatchObject({ code: 'link_unusable', facts: { reason: 'unknown' } });
    expect(await nobody().refused('POST', '/links/look', { token: 'x'.repeat(43) })).toMatchObject({ code: 'link_unusable', facts: { reason: 'unknown' } });
    const [links] = (await connection.query('SELECT token_hash FROM invitation')) as unknown as [{ token_hash: Buffer }[]];
    expect(links.some(({ token_hash }) => token_hash.toString().includes(token))).toBe(false);
  });

  it('end after a week, and with the next one', async () => {
    const { token, invitationId } = await invite('late@example.org');
    const renewed = await server.ok<Invited>('POST', `${invitations}/${invitationId}/link`);
    expect(await nobody().refused('POST', '/links/look', { token })).toMatchObject({ facts: { reason: 'unknown' } });
    await connection.query('UPDATE invitation SET expires_at = UTC_TIMESTAMP() - INTERVAL 1 SECOND WHERE id = ?', [invitationId]);
    expect(await nobody().refused('POST', '/links/use', { token: renewed.token, password })).toMatchObject({ facts: { reason: 'expired' } });
  });

  it('the first administrator’s is said at each start until somebody has used one', async () => {
    const fresh = await TestServer.start();
    expect(await fresh.ok<Session>('GET', '/session')).toMatchObject({ person: { email: testAdministrator.email, mayAddCompanies: true } });
    const again = await TestServer.start({ databaseUrl: fresh.databaseUrl });
    expect(await again.ok<Session>('GET', '/session')).toMatchObject({ person: { email: testAdministrator.email } });
    await again.serving.stop();
    await fresh.stop();
  });
});

describe('people of a company', () => {
  const listed = async () => (await server.ok<PersonList>('GET', people)).people;
  const find = async (email: string) => (await listed()).find((person) => person.email === email);

  it('come once, change their role by version, and leave; history says who did it', async () => {
    const { personId } = await join('crew@example.org', 'reader', 'Crew Member');
    expect(await server.refused('POST', people, { name: 'Again', email: 'crew@example.org', role: 'preparer' })).toMatchObject({
      status: 409,
      code: 'person_is_member',
    });
    expect(await find('crew@example.org')).toMatchObject({ name: 'Crew Member', role: 'reader', hasPassword: true, hasSecondFactor: false });
    await server.ok('PUT', `${people}/${personId}`, { role: 'reviewer', version: 1 });
    expect(await server.refused('PUT', `${people}/${personId}`, { role: 'preparer', version: 1 })).toMatchObject({ status: 409, code: 'version_conflict' });
    await server.ok('DELETE', `${people}/${personId}?version=2`);
    expect(await find('crew@example.org')).toBeUndefined();
    const { events } = await server.ok<History>('GET', `${people.replace('people', 'history')}?thing=person&thingId=${personId}`);
    const own = (await find(testAdministrator.email))?.personId;
    expect(events.map(({ action, before, after, actor, actorId }) => [action, before, after, actor, actorId])).toEqual([
      ['deleted', { name: 'Crew Member', role: 'reviewer' }, null, testAdministrator.name, own],
      ['changed', { role: 'reader' }, { name: 'Crew Member', role: 'reviewer' }, testAdministrator.name, own],
      ['added', null, { name: 'Crew Member', email: 'crew@example.org', role: 'reader' }, 'Crew Member', personId],
    ]);
  });

  it('a role that is taken away ends at once what it allowed', async () => {
    const { client, personId } = await join('former@example.org', 'administrator', 'Former One');
    await client.ok('GET', people);
    await server.ok('PUT', `${people}/${personId}`, { role: 'reader', version: 1 });
    expect(await client.refused('GET', people)).toMatchObject({ code: 'permission_needed' });
    await server.ok('DELETE', `${people}/${personId}?version=2`);
    expect(await client.refused('GET', people)).toMatchObject({ code: 'not_found' });
  });

  it('the last administrator stays', async () => {
    const own = await find(testAdministrator.email);
    expect(await server.refused('PUT', `${people}/${own?.personId}`, { role: 'reader', version: own?.version })).toMatchObject({
      status: 409,
      code: 'last_administrator',
    });
    expect(await server.refused('DELETE', `${people}/${own?.personId}?version=${own?.version}`)).toMatchObject({ code: 'last_administrator' });
    expect(await find(testAdministrator.email)).toMatchObject({ role: 'administrator', version: own?.version });
  });

  it('an administrator of one company cannot make links for people of others, nor for one who may add companies', async () => {
    const { client: local } = await join('local@example.org', 'administrator', 'Local Head');
    const own = await find(testAdministrator.email);
    expect(await local.refused('POST', `${people}/${own?.personId}/link`)).toMatchObject({ status: 403, code: 'person_of_other_companies' });
    const other = await server.ok<Company>('POST', '/companies', { name: 'Other', currency: 'EUR', fiscalYearFirstMonth: 1 });
    const { personId } = await joinCompany(server, other.id, { name: 'Both', email: 'both@example.org', role: 'reader', password });
    await joinCompany(local, companyId, { name: 'Both', email: 'both@example.org', role: 'reader', password });
    expect(await local.refused('POST', `${people}/${personId}/link`)).toMatchObject({ code: 'person_of_other_companies' });
    expect(await server.ok('POST', `${people}/${personId}/link`)).toMatchObject({ personId });
  });

  it('who may add companies passes the right on and takes it back, but not from themselves; it is on record', async () => {
    const { client, personId } = await join('founder@example.org', 'administrator', 'Founder Two');
    const company = { name: 'Founded', currency: 'EUR', fiscalYearFirstMonth: 1 };
    const own = await find(testAdministrator.email);
    const right = (of: number | undefined) => `${people}/${of}/adding-companies`;
    expect(await client.refused('PUT', right(personId), { may: true })).toMatchObject({ status: 403, code: 'adding_companies_refused' });
    await server.ok('PUT', right(personId), { may: true });
    expect(await find('founder@example.org')).toMatchObject({ mayAddCompanies: true });
    await client.ok('POST', '/companies', company);
    expect(await server.refused('PUT', right(own?.personId), { may: false })).toMatchObject({ status: 409, code: 'own_right_kept' });
    await server.ok('PUT', right(personId), { may: false });
    expect(await client.refused('POST', '/companies', company)).toMatchObject({ status: 403, code: 'adding_companies_refused' });
    const { events } = await server.ok<History>('GET', `${people.replace('people', 'history')}?thing=person&thingId=${personId}`);
    expect(events.slice(0, 2).map(({ after }) => after)).toEqual([
      { name: 'Founder Two', mayAddCompanies: false },
      { name: 'Founder Two', mayAddCompanies: true },
    ]);
  });
});
