import type { ChartView, EntryList, Problem } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createSchema, TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { openStallingProxy } from '../support/stallingProxy.ts';

let schema: Awaited<ReturnType<typeof createSchema>>;
let proxy: Awaited<ReturnType<typeof openStallingProxy>>;
let server: TestServer;
beforeAll(async () => {
  schema = await createSchema();
  proxy = await openStallingProxy(schema.url);
  server = await TestServer.start({ databaseUrl: proxy.url });
});
afterAll(async () => {
  await server.stop();
  await proxy.close();
  await schema.drop();
});

describe('a database that hangs', () => {
  it('is given up after ten seconds in words, at once from then on, and is there again with nothing twice', async () => {
    const shop = await openShop(server);
    const entry = { date: '2026-09-30', description: 'Hung', lines: [] as unknown[] };
    entry.lines = [
      { accountId: (await shop.find('6200')).id, debit: '100' },
      { accountId: (await shop.find('1000')).id, credit: '100' },
    ];
    const post = () => server.call<Problem>('POST', `${shop.path}/entries`, entry, { 'Idempotency-Key': 'hung' });
    proxy.stall();
    const began = Date.now();
    const answers = await Promise.all([
      server.call<Problem>('GET', `${shop.path}/chart?from=2026-01-01&to=2026-09-30`),
      server.call<Problem>('GET', '/companies'),
      // Answered by another thread.
      server.call<Problem>('GET', `${shop.path}/chart/file?kind=xlsx`),
      post(),
    ]);
    const seconds = (Date.now() - began) / 1000;
    expect(answers.map(({ status, body }) => [status, body.code])).toEqual(answers.map(() => [503, 'database_hangs']));
    expect(seconds).toBeGreaterThan(8);
    expect(seconds).toBeLessThan(13);
    const again = Date.now();
    expect((await post()).body.code).toBe('database_hangs');
    expect((await server.call<Problem>('GET', '/health')).status).toBe(503);
    expect(Date.now() - again).toBeLessThan(4000);
    proxy.go();
    await expect.poll(async () => (await server.call('GET', '/companies')).status).toBe(200);
    expect((await post()).status).toBe(201);
    const { entries } = await server.ok<EntryList>('GET', `${shop.path}/entries?text=Hung`);
    expect(entries).toHaveLength(1);
    expect((await server.ok<ChartView>('GET', `${shop.path}/chart?from=2026-01-01&to=2026-09-30`)).accounts.length).toBeGreaterThan(0);
  });
});
