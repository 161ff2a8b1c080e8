import { request } from 'node:http';
import { mayBeLong, type Operation, operations } from '@ivory-ladder/contract';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { bringIn, createCompany } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
  await server.ok('POST', '/companies', { name: 'First', currency: 'EUR', fiscalYearFirstMonth: 1 });
});
afterAll(() => server.stop());

/** fetch will not send a foreign Host or Origin; plain HTTP does. */
function send(method: string, path: string, headers: Record<string, string>): Promise<{ status: number; headers: Record<string, unknown>; text: string }> {
  const { port } = new URL(server.serving.url);
  return new Promise((resolve, reject) => {
    const call = request({ host: '127.0.0.1', port, method, path, headers: { Host: `127.0.0.1:${port}`, Cookie: server.cookie, ...headers } }, (response) => {
      let text = '';
      response.on('data', (chunk) => (text += chunk));
      response.on('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, text }));
    });
    call.on('error', reject);
    call.end();
  });
}

describe('guards of the server', () => {
  it('refuse characters that no text has where they enter, and say where; what was sent is not said again', async () => {
    const { id } = await createCompany(server, { name: 'Texts' });
    const entry = (text: string) => ({
      date: '2026-09-30',
      description: 'Sound',
      lines: [
        { accountId: 1, debit: '1', text },
        { accountId: 2, credit: '1' },
      ],
    });
    for (const text of ['a\u0000b', 'a\u0007b', 'half \ud83d of one'])
      expect(await server.refused('POST', `/companies/${id}/entries`, entry(text))).toMatchObject({
        status: 400,
        code: 'request_invalid',
        facts: { issues: [{ path: 'lines.0.text', message: 'A character that no text has' }] },
      });
    const secret = 'something nobody should read again';
    const unknown = await server.refused('POST', '/companies', Object.fromEntries(Array.from({ length: 500 }, (_, at) => [`${secret} ${at}`, 1])));
    expect(JSON.stringify(unknown)).not.toContain(secret);
    expect(JSON.stringify(unknown).length).toBeLessThan(5000);
  });

  it('behind TLS tell browsers to ask by TLS alone from then on, and nothing of it elsewhere', async () => {
    const behind = await TestServer.start({ isBehindTls: true });
    expect((await behind.call('GET', '/health')).headers.get('strict-transport-security')).toMatch(/^max-age=\d{8}$/);
    expect((await server.call('GET', '/health')).headers.get('strict-transport-security')).toBeNull();
    await behind.stop();
  });

  it('answer only to a Host it listens as', async () => {
    expect((await send('GET', '/api/companies', { Host: 'evil.example' })).status).toBe(421);
    expect((await send('GET', '/api/companies', { Host: 'evil.example:4380' })).status).toBe(421);
    expect((await send('GET', '/api/companies', {})).status).toBe(200);
  });

  it.each([
    ['no Origin', { 'X-Ivory-Ladder': '1' }, 'origin_refused'],
    ['a foreign Origin', { Origin: 'http://evil.example', 'X-Ivory-Ladder': '1' }, 'origin_refused'],
    ['another name of the same machine as Origin', { Origin: 'http://localhost:1', 'X-Ivory-Ladder': '1' }, 'origin_refused'],
    ['no header of ours', {}, 'header_missing'],
  ])('refuse a changing request with %s', async (_name, headers, code) => {
    const origin = 'Origin' in headers || code === 'origin_refused' ? {} : { Origin: server.serving.url };
    const { status, text } = await send('POST', '/api/companies', { ...origin, ...headers });
    expect([status, JSON.parse(text).code]).toEqual([403, code]);
  });

  it('send no CORS header and a strict policy with the page, its nonce new each time', async () => {
    const [first, second] = [await send('GET', '/companies', {}), await send('GET', '/companies', {})];
    expect(first.headers['access-control-allow-origin']).toBeUndefined();
    const policy = String(first.headers['content-security-policy']);
    expect(policy).toMatch(
      /default-src 'self'; script-src 'self'; style-src 'self' 'nonce-[^']+'; .*object-src 'none'; base-uri 'none'; frame-ancestors 'none'/,
    );
    expect(policy).not.toBe(second.headers['content-security-policy']);
    expect(first.headers['cache-control']).toBe('no-store');
    expect(first.text).toContain(/nonce-([^']+)/.exec(policy)?.[1]);
  });

  it('say how the server is while its sessions cannot be read', async () => {
    const connection = await mysql.createConnection(server.databaseUrl);
    await connection.query('LOCK TABLES session WRITE');
    const answered = await Promise.race([
      server.call('GET', '/health').then(({ status }) => status),
      new Promise((resolve) => setTimeout(() => resolve('no answer'), 5000)),
    ]);
    await connection.query('UNLOCK TABLES');
    await connection.end();
    expect(answered).toBe(200);
  });

  it('describe every operation in OpenAPI', async () => {
    const description = await server.ok<{ paths: Record<string, Record<string, { operationId: string }>> }>('GET', '/openapi.json');
    const names = Object.values(description.paths).flatMap((methods) => Object.values(methods).map(({ operationId }) => operationId));
    // What may be too long for an address can be asked for in a body too.
    const all = Object.entries(operations as Record<string, Operation>).flatMap(([name, operation]) =>
      mayBeLong(operation) ? [name, `${name}Query`] : [name],
    );
    expect(names.sort()).toEqual(all.sort());
  });

  it.each([
    ['GET', '/companies/abc', undefined],
    ['GET', '/companies/1/statements/cash', undefined],
    ['GET', '/companies/1/statements/balance-sheet?from=2026-02-30&to=2026-03-01', undefined],
    ['GET', '/companies/1/statements/balance-sheet?to=2026-03-01', undefined],
    ...['0000-01-01', '0999-12-31', '9999-12-31', '10000-01-01', '2026-13-01'].flatMap((day): [string, string, unknown][] => [
      ['GET', `/companies/1/statements/balance-sheet?from=${day}&to=${day}`, undefined],
      ['GET', `/companies/1/entries?from=${day}`, undefined],
      ['GET', `/companies/1/history?to=${day}`, undefined],
      ['POST', '/companies/1/years', { day }],
      ['PUT', '/companies/1/rates', { set: [{ currency: 'USD', kind: 'closing', day, accountId: null, rate: '1' }] }],
      [
        'POST',
        '/companies/1/entries',
        {
          date: day,
          lines: [
            { accountId: 1, debit: '1' },
            { accountId: 2, credit: '1' },
          ],
        },
      ],
    ]),
    ['POST', '/companies', { name: '', currency: 'EUR', fiscalYearFirstMonth: 1 }],
    ['POST', '/companies', { name: 'x', currency: 'EUR', fiscalYearFirstMonth: 13 }],
    ['POST', '/companies', { name: 'x', currency: 'EUR', fiscalYearFirstMonth: 1, extra: true }],
    ['POST', '/companies', { name: 'a\u0000b', currency: 'EUR', fiscalYearFirstMonth: 1 }],
  ])('%s %s with what breaks the contract is a problem that names it', async (method, path, body) => {
    expect(await server.refused(method, path, body)).toMatchObject({ status: 400, code: 'request_invalid' });
  });

  it('say what is not there, and reveal nothing of what failed inside', async () => {
    expect(await server.refused('GET', '/companies/99999')).toMatchObject({ status: 404, code: 'not_found', facts: { thing: 'company', id: 99999 } });
    expect(await server.refused('GET', '/nowhere')).toMatchObject({ status: 404, code: 'route_unknown' });
    expect(await server.refused('POST', '/companies', { name: 'x', currency: 'XXX', fiscalYearFirstMonth: 1 })).toMatchObject({
      status: 422,
      code: 'currency_unknown',
    });
    const broken = await fetch(`${server.serving.url}/api/companies`, {
      method: 'POST',
      headers: { Origin: server.serving.url, 'X-Ivory-Ladder': '1', Cookie: server.cookie, 'Content-Type': 'application/json' },
      body: '{',
    });
    expect([broken.status, (await broken.json()) as object]).toMatchObject([400, { code: 'request_invalid' }]);
  });
});

describe('companies stay apart', () => {
  it("another company's accounts, categories, files and entries are not found", async () => {
    const [mine, other] = [await createCompany(server, { name: 'Mine' }), await createCompany(server, { name: 'Other' })];
    const posted = await bringIn(server, other.id, 'Number,Name,Element,Category,Balance\n1,Bank,asset,Cash,5\n3,Capital,equity,Capital,-5', {
      date: '2026-09-30',
    });
    await bringIn(server, mine.id, 'Number,Name,Element,Balance\n1,Bank,asset,5\n3,Capital,equity,-5', { date: '2026-09-30' });
    const view = async (id: number) =>
      server.ok<{ accounts: { id: number; places: { categoryId: number }[] }[]; categories: { id: number; version: number }[] }>(
        'GET',
        `/companies/${id}/placement?from=2026-01-01&to=2026-09-30`,
      );
    const [own, foreign] = [await view(mine.id), await view(other.id)];
    const foreignAccount = foreign.accounts[0]?.id ?? 0;
    const foreignCategory = foreign.accounts[0]?.places[0]?.categoryId ?? 0;
    expect(await server.refused('GET', `/companies/${mine.id}/entries/${posted.entries[0]?.entryId}`)).toMatchObject({ code: 'not_found' });
    expect(await server.refused('GET', `/companies/${mine.id}/lines?account=${foreignAccount}`)).toMatchObject({ code: 'account_unknown' });
    expect(await server.refused('PUT', `/companies/${mine.id}/places`, { changes: [{ accountId: foreignAccount, before: [], after: [] }] })).toMatchObject({
      code: 'account_unknown',
    });
    expect(
      await server.refused('PUT', `/companies/${mine.id}/places`, {
        changes: [{ accountId: own.accounts[0]?.id, before: [], after: [{ side: 'any', categoryId: foreignCategory }] }],
      }),
    ).toMatchObject({ code: 'category_unknown' });
    expect(await server.refused('PATCH', `/companies/${mine.id}/categories/${foreignCategory}`, { version: 0, name: 'x' })).toMatchObject({
      code: 'not_found',
    });
    expect(await server.refused('DELETE', `/companies/${mine.id}/categories/${foreignCategory}`)).toMatchObject({ code: 'not_found' });
    const files = await server.ok<{ files: { entries: { entryId: number }[] }[] }>('GET', `/companies/${mine.id}/trial-balance-files`);
    expect(files.files.flatMap(({ entries }) => entries.map(({ entryId }) => entryId))).not.toContain(posted.entries[0]?.entryId);
  });
});
