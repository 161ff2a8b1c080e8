import type { InstallationView, Session } from '@ivory-ladder/contract';
import mysql from 'mysql2/promise';
import { Secret, TOTP } from 'otpauth';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ApiClient } from '../support/apiClient.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
let connection: mysql.Connection;
let companyId: number;
const password = 'a lantern under the stairs';
const keeper = { password: 'tide over the quay' };

beforeAll(async () => {
  server = await TestServer.start();
  connection = await mysql.createConnection(server.databaseUrl);
  ({ id: companyId } = await server.ok<{ id: number }>('POST', '/companies', { name: 'Two Locks', currency: 'EUR', fiscalYearFirstMonth: 1 }));
});
afterAll(async () => {
  await connection.end();
  await server.stop();
});

/** As a device does it, by a library of its own making. `steps`: from now. */
const codeOf = (secret: string, steps = 0) => new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: Date.now() + steps * 30_000 });
const signIn = (email: string, more: object = {}, tried = password) =>
  new ApiClient(server.url).call<Session & { code?: string }>('POST', '/session', { email, password: tried, ...more });
/** Each code opens once; a test does not wait for the next one. */
const forgetSteps = () => connection.query('UPDATE second_factor SET last_step = 0');

async function member(email: string) {
  const { client, personId } = await joinCompany(server, companyId, { email, role: 'preparer', password });
  return { client, personId, email };
}

async function withFactor(email: string) {
  const one = await member(email);
  const { secret } = await one.client.ok<{ secret: string; address: string }>('POST', '/second-factor', { password });
  const { codes } = await one.client.ok<{ codes: string[] }>('POST', '/second-factor/confirmation', { code: codeOf(secret, -1) });
  return { ...one, secret, codes };
}

describe('a second factor', () => {
  it('counts once a first code confirms it, and is asked for with the right password alone', async () => {
    const { client, email } = await member('begins@example.org');
    expect(await client.refused('POST', '/second-factor', { password: 'not the password' })).toMatchObject({ code: 'password_wrong' });
    const { secret, address } = await client.ok<{ secret: string; address: string }>('POST', '/second-factor', { password });
    expect(new URL(address).searchParams.get('secret')).toBe(secret);
    expect(await client.refused('POST', '/second-factor/confirmation', { code: '000000' })).toMatchObject({ code: 'code_wrong' });
    // Begun and not confirmed, it asks nothing.
    expect((await signIn(email)).status).toBe(200);
    expect(await client.ok('GET', '/second-factor')).toEqual({ isOn: false, isRequired: false, codesLeft: 0 });
    // Begun anew, the device that was told first opens nothing.
    const { secret: other } = await client.ok<{ secret: string }>('POST', '/second-factor', { password });
    expect(await client.refused('POST', '/second-factor/confirmation', { code: codeOf(secret) })).toMatchObject({ code: 'code_wrong' });
    const { codes } = await client.ok<{ codes: string[] }>('POST', '/second-factor/confirmation', { code: codeOf(other) });
    expect(codes).toHaveLength(10);
    expect(await client.ok('GET', '/second-factor')).toEqual({ isOn: true, isRequired: false, codesLeft: 10 });
    expect(await client.refused('POST', '/second-factor', { password })).toMatchObject({ status: 409, code: 'second_factor_there' });
    expect((await signIn(email, {}, 'not the password')).body).toMatchObject({ code: 'sign_in_refused' });
    const asked = await signIn(email);
    expect([asked.status, asked.body.code]).toEqual([401, 'second_factor_needed']);
    expect(asked.headers.getSetCookie().some((cookie) => cookie.startsWith('ivory_ladder_session'))).toBe(false);
  });

  it('is confirmed once by two windows, and never with what another window has begun meanwhile', async () => {
    const { client, email } = await member('windows@example.org');
    const outcomes = [];
    for (let round = 0; round < 6; round++) {
      const { secret } = await client.ok<{ secret: string }>('POST', '/second-factor', { password });
      const code = codeOf(secret);
      const [confirmed, begun] = await Promise.all([
        client.call<{ codes?: string[]; code?: string }>('POST', '/second-factor/confirmation', { code }),
        client.call<{ secret?: string; code?: string }>('POST', '/second-factor', { password }),
        client.call('POST', '/second-factor/confirmation', { code }),
      ]);
      outcomes.push([confirmed.status, begun.status]);
      const { isOn, codesLeft } = await client.ok<{ isOn: boolean; codesLeft: number }>('GET', '/second-factor');
      if (!isOn) continue;
      // Whatever came first: one set of codes, and the device that confirmed it opens.
      expect(codesLeft).toBe(10);
      await forgetSteps();
      expect((await signIn(email, { code: codeOf(secret) })).status).toBe(200);
      await forgetSteps();
      await client.ok('POST', '/second-factor/removal', { password, code: codeOf(secret) });
      await connection.query('DELETE FROM sign_in_pause');
    }
    expect(outcomes).toHaveLength(6);
  });

  it('opens with a code of the device, once for each code', async () => {
    const { secret, email } = await withFactor('opens@example.org');
    const code = codeOf(secret);
    const both = await Promise.all([signIn(email, { code }), signIn(email, { code })]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 401]);
    expect((await signIn(email, { code })).body.code).toBe('code_wrong');
    // What was confirmed with is used up too, and a code of the step before one that was taken.
    expect((await signIn(email, { code: codeOf(secret, -1) })).body.code).toBe('code_wrong');
    await forgetSteps();
    expect((await signIn(email, { code: `${code.slice(0, 3)} ${code.slice(3)}` })).status).toBe(200);
  });

  it('opens with a recovery code, each once, however it is typed; new ones take the place of all', async () => {
    const { secret, codes, email, client } = await withFactor('lost@example.org');
    const [first = '', second = '', third = ''] = codes;
    expect((await signIn(email, { code: first })).status).toBe(200);
    expect((await signIn(email, { code: first })).body.code).toBe('code_wrong');
    expect((await signIn(email, { code: second.toLowerCase().replace('-', ' ') })).status).toBe(200);
    expect(await client.ok('GET', '/second-factor')).toMatchObject({ codesLeft: 8 });
    const { codes: anew } = await client.ok<{ codes: string[] }>('POST', '/second-factor/codes', { code: codeOf(secret) });
    expect(anew.filter((code) => codes.includes(code))).toEqual([]);
    expect((await signIn(email, { code: third })).body.code).toBe('code_wrong');
    expect((await signIn(email, { code: anew[0] })).status).toBe(200);
    // Nothing of them is kept as it is.
    const [rows] = (await connection.query('SELECT HEX(code_hash) AS kept FROM recovery_code')) as unknown as [{ kept: string }[]];
    expect(rows.length).toBeGreaterThan(0);
    for (const code of anew) expect(rows.some(({ kept }) => Buffer.from(kept, 'hex').toString('latin1').includes(code))).toBe(false);
  });

  it('that is guessed at makes the person wait, wherever the guesses come from', async () => {
    const { secret, email, client } = await withFactor('guessed@example.org');
    const told: string[] = [];
    // From within, where no address pauses.
    for (let at = 0; at < 12 && told.at(-1) !== 'too_many_attempts'; at++)
      told.push((await client.refused('POST', '/second-factor/codes', { code: String(100_000 + at) })).code);
    expect(told.slice(0, 5)).toEqual(Array(5).fill('code_wrong'));
    expect(told.at(-1)).toBe('too_many_attempts');
    // However slow the machine is, the pause is not over before the next try.
    await connection.query('UPDATE sign_in_pause SET last_failure = UTC_TIMESTAMP(6)');
    // At the sign-in too, and the right code as well, so that a guess cannot be told by it.
    expect((await signIn(email, { code: codeOf(secret) })).status).toBe(429);
    await connection.query('DELETE FROM sign_in_pause');
    expect((await signIn(email, { code: codeOf(secret) })).status).toBe(200);
  });

  it('is not opened by a letter: a new password by link signs in nobody who has one', async () => {
    const { secret, email } = await withFactor('letter@example.org');
    const { token } = await server.ok<{ token: string }>('POST', '/installation/links', { email });
    const used = await new ApiClient(server.url).call<Session>('POST', '/links/use', { token, password: 'quite another lantern' });
    expect([used.status, used.body.person]).toEqual([200, null]);
    expect((await signIn(email, {}, 'quite another lantern')).body.code).toBe('second_factor_needed');
    await forgetSteps();
    expect((await signIn(email, { code: codeOf(secret) }, 'quite another lantern')).status).toBe(200);
  });

  it('goes with password and code, is told by letter, and stands in the history of the installation', async () => {
    const { secret, email, client, personId } = await withFactor('goes@example.org');
    expect(await client.refused('POST', '/second-factor/removal', { password: 'not the password', code: codeOf(secret) })).toMatchObject({
      code: 'password_wrong',
    });
    expect(await client.refused('POST', '/second-factor/removal', { password, code: '000000' })).toMatchObject({ code: 'code_wrong' });
    await client.ok('POST', '/second-factor/removal', { password, code: codeOf(secret) });
    expect((await signIn(email)).status).toBe(200);
    const { events, letters } = await server.ok<InstallationView>('GET', '/installation');
    const told = events.filter((event) => event.personId === personId).map(({ kind }) => kind);
    expect(told).toEqual(expect.arrayContaining(['second_factor_set_up', 'second_factor_failed', 'second_factor_removed']));
    expect(letters.filter(({ recipient }) => recipient === email).map(({ subject }) => subject)).toEqual([
      'Your second factor was taken away',
      'Your second factor was set up',
      'Asta Holm invites you to Two Locks',
    ]);
  });
});

describe('an installation that asks for it', () => {
  const demand = (client: ApiClient, isRequired: boolean) =>
    client.call<InstallationView & { code?: string }>('PUT', '/installation/second-factor', { isRequired });

  it('is asked to by who keeps it and has one; everybody else then sets theirs up before anything else', async () => {
    const late = await member('late@example.org');
    expect((await demand(late.client, true)).body.code).toBe('installation_not_kept');
    expect((await demand(server, true)).body.code).toBe('second_factor_of_own_first');
    const { secret } = await server.ok<{ secret: string }>('POST', '/second-factor', keeper);
    await server.ok('POST', '/second-factor/confirmation', { code: codeOf(secret, -1) });
    const asked = await demand(server, true);
    expect(asked.body.secondFactor.isRequired).toBe(true);
    expect(asked.body.secondFactor.without).toBeGreaterThan(0);
    // At once, where one is signed in; one's own things apart.
    expect(await late.client.refused('GET', '/companies')).toMatchObject({ status: 403, code: 'second_factor_to_set_up' });
    expect(await late.client.refused('GET', `/companies/${companyId}`)).toMatchObject({ code: 'second_factor_to_set_up' });
    expect(await late.client.refused('PUT', '/password', { current: password, next: 'x' })).toMatchObject({ code: 'second_factor_to_set_up' });
    expect(await late.client.ok<Session>('GET', '/session')).toMatchObject({ lacksSecondFactor: true });
    const own = await late.client.ok<{ secret: string }>('POST', '/second-factor', { password });
    await late.client.ok('POST', '/second-factor/confirmation', { code: codeOf(own.secret, -1) });
    await late.client.ok('GET', '/companies');
    expect(await late.client.refused('POST', '/second-factor/removal', { password, code: codeOf(own.secret) })).toMatchObject({
      code: 'second_factor_required',
    });

    // One who lost everything is helped by who keeps the installation, and sets up another.
    expect(await late.client.refused('POST', '/installation/second-factor/removal', { email: late.email })).toMatchObject({ code: 'installation_not_kept' });
    await server.ok('POST', '/installation/second-factor/removal', { email: late.email });
    expect(await server.refused('POST', '/installation/second-factor/removal', { email: late.email })).toMatchObject({ code: 'second_factor_missing' });
    expect(await server.refused('POST', '/installation/second-factor/removal', { email: 'nobody@example.org' })).toMatchObject({ status: 404 });
    expect((await signIn(late.email)).body).toMatchObject({ lacksSecondFactor: true });
    expect((await demand(server, false)).body.secondFactor.isRequired).toBe(false);
    await late.client.ok('GET', '/companies');
    const { events } = await server.ok<InstallationView>('GET', '/installation');
    expect(events.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['second_factor_required', 'second_factor_left_open']));
  });
});
