import { connect } from 'node:net';
import type { CodeListBody, EntryList, Problem } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ApiClient } from '../support/apiClient.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start({ mostHeavyAMinute: 40 });
});
afterAll(() => server.stop());

const statuses = (answers: readonly { status: number }[]) => answers.map(({ status }) => status).sort((a, b) => a - b);

describe('what one person asks for at once', () => {
  it('waits for its turn, sixteen at most; the rest hears when to come again, and nobody else waits for that', async () => {
    const { path, id } = await openShop(server);
    const { client: flooding } = await joinCompany(server, id, { email: 'flood@example.org', role: 'reader' });
    const flood = Promise.all(Array.from({ length: 30 }, () => flooding.call<Problem>('GET', `${path}/chart/file?kind=xlsx`)));
    expect((await server.call('GET', `${path}/chart/file?kind=csv`)).status).toBe(200);
    const answers = await flood;
    expect(statuses(answers)).toEqual([...Array<number>(16).fill(200), ...Array<number>(14).fill(429)]);
    const told = answers.find(({ status }) => status === 429);
    expect(told?.body).toMatchObject({ code: 'asked_for_much', facts: { seconds: 30 } });
    expect(told?.headers.get('retry-after')).toBe('30');
    expect((await flooding.call('GET', `${path}/chart/file?kind=csv`)).status).toBe(200);
  });

  it('is so much a minute', async () => {
    const { path, id } = await openShop(server);
    const { client } = await joinCompany(server, id, { email: 'minute@example.org', role: 'reader' });
    const ask = () => client.call<Problem>('GET', `${path}/chart/file?kind=csv`);
    for (let at = 0; at < 40; at++) expect((await ask()).status).toBe(200);
    const refused = await ask();
    expect([refused.status, refused.body.code]).toEqual([429, 'asked_for_much']);
    expect(Number(refused.headers.get('retry-after'))).toBeGreaterThan(20);
    // What is light is not counted.
    expect((await client.call('GET', path)).status).toBe(200);
  });
});

describe('a body', () => {
  const send = async (path: string, text: string) => {
    const began = Date.now();
    const response = await fetch(`${server.url}/api${path}`, {
      method: 'POST',
      headers: { Origin: server.url, 'X-Ivory-Ladder': '1', Cookie: server.cookie, 'Content-Type': 'application/json' },
      body: text,
    });
    return { status: response.status, body: await response.text(), milliseconds: Date.now() - began };
  };

  it('of keys that nobody knows is refused at the first of them, and the answer repeats none', async () => {
    // Made first: a slow machine takes longer for it than a connection is kept.
    const keys = Array.from({ length: 1_000_000 }, (_, at) => `"secret${at}":1`).join(',');
    const { path } = await openShop(server);
    const { status, body, milliseconds } = await send(`${path}/entries`, `{${keys}}`);
    expect([status, JSON.parse(body)]).toEqual([
      400,
      expect.objectContaining({ code: 'request_invalid', facts: { issues: [{ path: '', message: 'Unknown keys' }] } }),
    ]);
    expect(body).not.toContain('secret');
    // 13 MB come over loopback in a tenth of a second; to read them takes one or two, on the same machine in the same hour.
    const began = Date.now();
    JSON.parse(`{${keys}}`);
    expect(milliseconds).toBeLessThan(Date.now() - began);
  });

  it.each([
    ['nested without end', `{"date":${'['.repeat(4_000_000)}${']'.repeat(4_000_000)}}`, 'Nested too deeply'],
    ['with more members than anything has', `{"date":{${Array.from({ length: 60_000 }, (_, at) => `"k${at}":1`).join(',')}}}`, 'Too many members'],
    ['of a key that hides behind an escape', '{"d\\u0061te":"2026-09-30"}', 'Unknown keys'],
  ])('%s is refused before it is read', async (_, text, message) => {
    const { path } = await openShop(server);
    const { status, body } = await send(`${path}/entries`, text);
    expect([status, JSON.parse(body)]).toEqual([400, expect.objectContaining({ facts: { issues: [{ path: '', message }] } })]);
  });

  it('of more than a megabyte is taken where many rows may stand in it alone', async () => {
    const { path } = await openShop(server);
    const long = 'x'.repeat(1 << 20);
    expect((await send(`${path}/column-plans`, JSON.stringify({ name: long }))).status).toBe(413);
    expect((await send(`${path}/entries`, JSON.stringify({ date: '2026-09-30', description: long, lines: [] }))).status).toBe(400);
  });

  it('names no key of the sender in what is wrong', async () => {
    const { path } = await openShop(server);
    const { body } = await send(`${path}/column-plans`, JSON.stringify({ name: 'A', definition: { columns: [{ kind: 'amount', '<script>': 1 }] } }));
    expect(body).not.toContain('script');
  });
});

describe('what is too long for an address', () => {
  it('is asked for in the body, by whoever may ask by the address, and gives the same', async () => {
    const { path } = await openShop(server);
    const vessels = Array.from({ length: 200 }, (_, at) => `VESSEL-${at}-${'X'.repeat(30)}`);
    const list = { kind: 'facet', name: 'Vessel', codes: vessels.map((code) => ({ code, caption: '' })) };
    const { key } = await server.ok<CodeListBody>('POST', `${path}/code-lists`, list);
    const facets = JSON.stringify({ [key]: vessels });
    const query = { from: '2026-01-01', to: '2026-09-30', facets };
    expect(await server.ok('POST', `${path}/trial-balance/query`, query)).toEqual(
      await server.ok('GET', `${path}/trial-balance?${new URLSearchParams(query)}`),
    );
    expect((await server.ok<EntryList>('POST', `${path}/entries/query`, { from: '2026-01-01' })).entries).toEqual(
      (await server.ok<EntryList>('GET', `${path}/entries?from=2026-01-01`)).entries,
    );
    expect(await server.refused('POST', `${path}/trial-balance/query`, { from: 'never', to: '2026-09-30' })).toMatchObject({ code: 'request_invalid' });
    expect(await server.refused('POST', `${path}/trial-balance/query`, { from: ['2026-01-01'] })).toMatchObject({ code: 'request_invalid' });
    expect(await new ApiClient(server.url).refused('POST', `${path}/trial-balance/query`, query)).toMatchObject({ status: 401 });
  });

  it('is said in words where it is an address all the same', async () => {
    const { hostname, port } = new URL(server.url);
    const answer = await new Promise<string>((resolve) => {
      let text = '';
      const socket = connect(Number(port), hostname, () =>
        socket.write(`GET /api/companies?x=${'x'.repeat(70_000)} HTTP/1.1\r\nHost: ${hostname}:${port}\r\n\r\n`),
      );
      socket.on('data', (chunk) => {
        text += chunk.toString();
      });
      socket.on('close', () => resolve(text));
      socket.on('error', () => undefined);
    });
    expect(answer).toMatch(/^HTTP\/1\.1 431 /);
    expect(JSON.parse(answer.slice(answer.indexOf('\r\n\r\n') + 4))).toMatchObject({ code: 'address_too_long', status: 431 });
  });
});
