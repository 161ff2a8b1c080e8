import type { CodeListBody, ExchangeRates, InstallationView, StatementBody } from '@ivory-ladder/contract';
import { newPlanColumn } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ApiClient } from '../support/apiClient.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
/** Another over the same database, which keeps no more than one thing. */
let forgetful: TestServer;
let ferry: number;
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
  forgetful = await TestServer.start({ demo: true, databaseUrl: server.databaseUrl, memoryMegabytes: 0 });
  ferry = await server.companyId();
});
afterAll(async () => {
  await forgetful.stop();
  await server.stop();
});

const memoryOf = async (client: ApiClient) => (await client.ok<InstallationView>('GET', '/installation')).memory;
const shareOf = async (client: ApiClient, kind: string) => (await memoryOf(client)).shares.find((share) => share.kind === kind);

describe('what is kept in memory', () => {
  it('is the same on a server that keeps next to nothing, whatever was asked for before and changed meanwhile', async () => {
    const { lists } = await server.ok<{ lists: CodeListBody[] }>('GET', `/companies/${ferry}/code-lists`);
    const vessel = lists.find(({ name }) => name === 'Vessel') as CodeListBody;
    const value = encodeURIComponent(JSON.stringify({ [vessel.key]: [vessel.codes[0]?.code] }));
    const asked = ['', `&facets=${value}`].flatMap((facets) =>
      ['2026-09-30', '2026-09-17'].flatMap((to) => ['', '&currency=NOK'].map((currency) => `income-statement?from=2026-01-01&to=${to}${facets}${currency}`)),
    );
    const run = (client: ApiClient, query: string) => client.ok<StatementBody>('GET', `/companies/${ferry}/statements/${query}`);
    const compare = async (queries = asked) => {
      for (const query of queries) expect([query, (await run(server, query)).rows]).toEqual([query, (await run(forgetful, query)).rows]);
    };
    await compare([...asked, 'cash-flow?from=2026-01-01&to=2026-09-17&currency=NOK']);
    const first = await memoryOf(server);
    for (const query of asked) await run(server, query);
    // Asked again, nothing is made again; days are kept behind the answer.
    const made = (memory: typeof first) => memory.shares.flatMap(({ kind, made }) => (kind === 'days' ? [] : [`${kind} ${made}`])).sort();
    expect(made(await memoryOf(server))).toEqual(made(first));
    expect(first.shares.map(({ kind }) => kind).sort()).toEqual(['books', 'days', 'facets', 'filtered', 'translated']);
    expect(first.shares.every(({ count, bytes }) => count > 0 && bytes > 0)).toBe(true);
    // A rate that somebody gives on the other server holds here at once.
    const inKroner = asked.filter((query) => query.includes('currency'));
    const before = await run(server, inKroner[0] as string);
    const { rates } = await server.ok<ExchangeRates>('GET', `/companies/${ferry}/rates`);
    const average = rates.find(({ currency, kind, day }) => currency === 'NOK' && kind === 'average' && day.startsWith('2026-05'));
    if (!average) throw new Error('no average rate of May');
    const { rate, ...key } = average;
    await forgetful.ok('PUT', `/companies/${ferry}/rates`, { set: [{ ...key, rate: '20', before: rate }] });
    expect((await run(server, inKroner[0] as string)).rows).not.toEqual(before.rows);
    await compare(inKroner);
  }, 60_000);

  it('stays within its budget: of more than that the latest alone', async () => {
    const { budget, shares } = await memoryOf(forgetful);
    expect([budget, shares.reduce((sum, { count }) => sum + count, 0)]).toEqual([0, 1]);
    expect(shares.some(({ made, count }) => made > 10 && count <= 1)).toBe(true);
  });

  it('forty values of a facet as columns are each made once', async () => {
    const shop = await openShop(server);
    const codes = Array.from({ length: 39 }, (_, at) => ({ code: `R${at}`, caption: `Route ${at}` }));
    const { key } = await server.ok<CodeListBody>('POST', `${shop.path}/code-lists`, { kind: 'facet', name: 'Route', codes });
    const [sales, bank] = [(await shop.find('4000')).id, (await shop.find('1000')).id];
    const lines = codes.flatMap(({ code }, at) => [
      { accountId: sales, credit: String(100 + at), facets: { [key]: code } },
      { accountId: bank, debit: String(100 + at), facets: { [key]: code } },
    ]);
    await server.ok('POST', `${shop.path}/entries`, { date: '2026-09-15', description: 'By route', lines });
    const definition = JSON.stringify({ columns: [{ ...newPlanColumn('amounts', 'routes'), measure: 'movement', repeat: key }] });
    const made = (await shareOf(server, 'filtered'))?.made ?? 0;
    const query = new URLSearchParams({ from: '2026-01-01', to: '2026-09-30', plan: 'composed', definition });
    const run = () => server.ok<StatementBody>('GET', `${shop.path}/statements/income-statement?${query}`);
    const { rows, columns } = await run();
    const revenue = rows.find(({ caption }) => caption === 'Revenue')?.values;
    expect(columns).toHaveLength(41);
    expect(revenue?.slice(0, 39)).toEqual(codes.map((_, at) => String(100 + at)));
    expect((await run()).rows).toEqual(rows);
    expect(((await shareOf(server, 'filtered'))?.made ?? 0) - made).toBe(40);
  });
});
