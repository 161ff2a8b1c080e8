import type { Company, Invited, SessionList } from '@ivory-ladder/contract';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ApiClient } from '../support/apiClient.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
let connection: mysql.Connection;
beforeAll(async () => {
  // A quarter of what it takes in use: enough for a line to form.
  server = await TestServer.start({ passwordWork: 15 });
  connection = await mysql.createConnection(server.databaseUrl);
});
afterAll(async () => {
  await connection.end();
  await server.stop();
});

const password = 'wet ropes and dry socks';
const nobody = () => new ApiClient(server.url);
const company = async (name: string) => (await server.ok<Company>('POST', '/companies', { name, currency: 'EUR', fiscalYearFirstMonth: 1 })).id;

describe('signing in', () => {
  const attempt = (email: string, tried: string, cookie = '') =>
    new ApiClient(server.url, cookie).call<{ code: string; facts: { seconds: number } }>('POST', '/session', { email, password: tried });

  const browserOf = ({ headers }: { headers: Headers }): string =>
    headers
      .getSetCookie()
      .find((one) => one.startsWith('ivory_ladder_browser='))
      ?.split(';')[0] ?? '';

  it('tells a known address from an unknown one by nothing: not by words, count or time', async () => {
    const id = await company('Alike');
    await joinCompany(server, id, { email: 'alike@example.org', role: 'reader', password });
    await connection.query('DELETE FROM sign_in_pause');
    const outcomes: Record<string, [number, string][]> = { known: [], unknown: [] };
    const times: Record<string, number[]> = { known: [], unknown: [] };
    for (let round = 0; round < 8; round++)
      for (const [kind, email] of [
        ['known', 'alike@example.org'],
        ['unknown', 'never@example.org'],
      ] as const) {
        // However slow the machine is, no pause is over before the next try.
        await connection.query('UPDATE sign_in_pause SET last_failure = UTC_TIMESTAMP(6)');
        const start = performance.now();
        const { status, body } = await attempt(email, 'guessing on and on');
        outcomes[kind]?.push([status, body.code]);
        if (status === 401) times[kind]?.push(performance.now() - start);
      }
    expect(outcomes.known).toEqual(outcomes.unknown);
    expect(outcomes.known?.map(([status]) => status)).toContain(429);
    const median = (all: number[] = []) => all.toSorted((a, b) => a - b)[Math.floor(all.length / 2)] ?? 0;
    // A hash takes some 100 ms; one that was left out would show.
    expect(median(times.known) / median(times.unknown)).toBeGreaterThan(0.5);
    expect(median(times.known) / median(times.unknown)).toBeLessThan(2);
  });

  it('pauses longer with each failure, of this address from there alone; a browser that is known passes', async () => {
    const id = await company('Pausing');
    await joinCompany(server, id, { email: 'paused@example.org', role: 'reader', password });
    await joinCompany(server, id, { email: 'beside@example.org', role: 'reader', password });
    await connection.query('DELETE FROM sign_in_pause');
    const browser = browserOf(await attempt('paused@example.org', password));
    expect(browser).not.toBe('');
    // All at once: each is counted before it is judged.
    const flood = await Promise.all(Array.from({ length: 30 }, () => attempt('paused@example.org', 'guessing on and on')));
    expect(flood.filter(({ status }) => status === 401).length).toBeLessThanOrEqual(6);
    const waits = [];
    for (let round = 0; round < 4; round++) {
      await connection.query('UPDATE sign_in_pause SET last_failure = UTC_TIMESTAMP(6) - INTERVAL 20 MINUTE');
      expect((await attempt('paused@example.org', 'guessing on and on')).status).toBe(401);
      // However slow the machine is, the pause is not over before the next try.
      await connection.query('UPDATE sign_in_pause SET last_failure = UTC_TIMESTAMP(6)');
      waits.push((await attempt('paused@example.org', password)).body.facts.seconds);
    }
    expect(waits).toEqual(waits.toSorted((a, b) => a - b));
    expect(waits[3]).toBeGreaterThan((waits[0] ?? 0) * 4);
    expect((await attempt('paused@example.org', password)).status).toBe(429);
    // The person's own browser, and another person in the same office, come in.
    expect((await attempt('paused@example.org', password, browser)).status).toBe(200);
    expect((await attempt('beside@example.org', password)).status).toBe(200);
    expect((await attempt('beside@example.org', 'guessing', browser)).status).toBe(401);
  });

  it('of somebody in a known browser does not wait behind junk', async () => {
    const id = await company('Crowded');
    await joinCompany(server, id, { email: 'crowded@example.org', role: 'reader', password });
    await connection.query('DELETE FROM sign_in_pause');
    const browser = browserOf(await attempt('crowded@example.org', password));
    const begun = performance.now();
    const junk = Promise.all(Array.from({ length: 60 }, (_, at) => attempt(`junk${at}@example.org`, 'guessing on and on')));
    await new Promise((resolve) => setTimeout(resolve, 100));
    const start = performance.now();
    expect((await attempt('crowded@example.org', password, browser)).status).toBe(200);
    const waited = performance.now() - start;
    const answers = await junk;
    // Two hashes at once, one of which may have begun; the rest of the junk, forty of them, was in line.
    expect(waited).toBeLessThan((performance.now() - begun) / 3);
    expect(answers.every(({ status }) => status === 401 || status === 429)).toBe(true);
    await connection.query('DELETE FROM sign_in_pause');
  });

  it('in a known browser has failures of its own, and pauses after them like any other', async () => {
    const id = await company('Borrowed');
    await joinCompany(server, id, { email: 'borrowed@example.org', role: 'reader', password });
    await connection.query('DELETE FROM sign_in_pause');
    const browser = browserOf(await attempt('borrowed@example.org', password));
    const statuses = [];
    for (let round = 0; round < 40 && statuses.at(-1) !== 429; round++) statuses.push((await attempt('borrowed@example.org', 'guessing', browser)).status);
    // Ten of the browser, five of the address from there, and one each that makes the pause.
    expect(statuses.length).toBeGreaterThan(12);
    expect(statuses.at(-1)).toBe(429);
    await connection.query('DELETE FROM sign_in_pause');
  });

  it('of an office is paused by nobody in it who guesses at the addresses of others', async () => {
    const id = await company('Office');
    await joinCompany(server, id, { email: 'office@example.org', role: 'reader', password });
    await connection.query('DELETE FROM sign_in_pause');
    for (let round = 0; round < 32; round++) expect((await attempt(`guessed${round}@example.org`, 'guessing on and on')).status).toBe(401);
    expect((await attempt('office@example.org', password)).status).toBe(200);
  });

  it('that is turned away in a crowd leaves nothing behind', async () => {
    await connection.query('DELETE FROM sign_in_pause');
    const wave = () => Promise.all(Array.from({ length: 50 }, (_, at) => attempt(`crowd${at}@example.org`, 'guessing on and on')));
    const first = wave();
    // Whoever comes while forty wait is told at once, and not counted.
    await new Promise((resolve) => setTimeout(resolve, 300));
    const start = performance.now();
    const late = await Promise.all(Array.from({ length: 20 }, (_, at) => attempt(`late${at}@example.org`, 'guessing on and on')));
    const turnedAway = late.filter(({ status }) => status === 429).length;
    expect(turnedAway).toBeGreaterThan(8);
    expect(performance.now() - start).toBeLessThan(60_000);
    await first;
    const [rows] = (await connection.query('SELECT COUNT(*) AS counted FROM sign_in_pause')) as unknown as [{ counted: number }[]];
    expect(rows[0]?.counted).toBeLessThanOrEqual(70 - turnedAway);
    await connection.query('DELETE FROM sign_in_pause');
  });

  it('takes no password that everybody tries first', async () => {
    const id = await company('Common');
    const { token } = await server.ok<Invited>('POST', `/companies/${id}/people`, { name: 'A', email: 'a@common.example', role: 'reader' });
    for (const tried of ['qwerty123456', '1qaz2wsx3edc', 'password1234', 'sunshinesunshine', '!!dragonball2024'])
      expect(await nobody().refused('POST', '/links/use', { token, password: tried })).toMatchObject({ code: 'password_refused', facts: { reason: 'common' } });
    expect((await nobody().call('POST', '/links/use', { token, password: 'a lamp behind the herring' })).status).toBe(200);
  });

  it('shows a person their sessions, and ends the one they choose', async () => {
    const id = await company('Sessions');
    const { client: here } = await joinCompany(server, id, { email: 'seen@example.org', role: 'reader', password });
    const there = await nobody().enter('/session', { email: 'seen@example.org', password });
    const { sessions } = await here.ok<SessionList>('GET', '/sessions');
    expect(sessions.map(({ isHere }) => isHere).sort()).toEqual([false, true]);
    const other = sessions.find(({ isHere }) => !isHere);
    expect(other?.origin).toMatch(/127\.0\.0\.1|::1/);
    await here.ok('POST', '/sessions/ending', { mark: other?.mark });
    expect(await there.refused('GET', '/companies')).toMatchObject({ code: 'sign_in_needed' });
    await here.ok('GET', '/companies');
    // Nobody ends another's.
    const [stranger] = (await server.ok<SessionList>('GET', '/sessions')).sessions;
    await here.ok('POST', '/sessions/ending', { mark: stranger?.mark });
    expect((await server.call('GET', '/companies')).status).toBe(200);
  });
});
