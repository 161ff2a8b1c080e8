import type { CodeListBody, Company, PlacementView, ProofList } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

async function open() {
  const shop = await openShop(server);
  const proof = async (name: string) => {
    const { proofs } = await server.ok<ProofList>('GET', `${shop.path}/proofs?from=2026-01-01&to=2026-09-30`);
    return proofs.find((one) => one.name === name);
  };
  return {
    ...shop,
    view: () => server.ok<PlacementView>('GET', `${shop.path}/placement?from=2026-01-01&to=2026-09-30`),
    faults: async (name: string) => (await proof(name))?.accounts.map(({ number, reason }) => `${number} ${reason}`),
    company: () => server.ok<Company>('GET', shop.path),
    exclude: (scope: string, accountIds: number[], reason: string | null, before: string | null = null) =>
      server.ok<{ accounts: number }>('PUT', `${shop.path}/coverage-exclusions`, { scope, accountIds, reason, before }),
    unplace: async (number: string) => {
      const { id, places } = await shop.find(number);
      await server.ok('PUT', `${shop.path}/places`, { changes: [{ accountId: id, before: places, after: [] }] });
      return id;
    },
  };
}

describe('leaving an account out of the coverage', () => {
  it('takes it out of the count with a reason and a name; what no line holds is still missing, and said so', async () => {
    const shop = await open();
    const travel = await shop.unplace('6300');
    const reserve = await shop.unplace('3200');
    expect(await shop.faults('coverage')).toEqual(['3200 unplaced', '6300 unplaced']);
    expect(await shop.exclude('classification:1', [travel, reserve], 'asked the group')).toEqual({ accounts: 2 });
    expect(await shop.faults('coverage')).toEqual([]);
    expect((await shop.company()).unplaced).toBe(0);
    expect(await shop.faults('profit_in_equity')).toEqual(['6300 left_out']);
    const { exclusions } = await shop.view();
    expect(exclusions).toMatchObject([
      { scope: 'classification:1', reason: 'asked the group', by: 'Asta Holm' },
      { scope: 'classification:1', reason: 'asked the group', by: 'Asta Holm' },
    ]);
    await shop.exclude('classification:1', [travel], null, 'asked the group');
    expect(await shop.faults('coverage')).toEqual(['6300 unplaced']);
    const { events } = await server.ok<{ events: { thing: string; about: string; action: string }[] }>('GET', `${shop.path}/history?limit=10`);
    expect(events.filter(({ thing }) => thing === 'coverage').map(({ action }) => action)).toEqual(['deleted', 'added', 'added']);
  });

  it('is changed by nobody who has not seen why it is so', async () => {
    const shop = await open();
    const { id } = await shop.find('6300');
    await shop.exclude('classification:1', [id], 'asked the group');
    const change = (reason: string | null, before: string | null = null) =>
      server.refused('PUT', `${shop.path}/coverage-exclusions`, { scope: 'classification:1', accountIds: [id], reason, before });
    const moved = { status: 409, code: 'exclusions_moved_on', facts: { accounts: [{ accountId: id, current: 'asked the group' }] } };
    expect(await change('for next year')).toMatchObject(moved);
    expect(await change(null)).toMatchObject(moved);
    expect(await change(null, 'something else')).toMatchObject(moved);
    await shop.exclude('classification:1', [id], 'for next year', 'asked the group');
    expect((await shop.view()).exclusions).toMatchObject([{ reason: 'for next year' }]);
  });

  it('needs a reason, a scope and accounts that there are, and goes with an account that is deleted', async () => {
    const shop = await open();
    const { id } = await shop.find('6300');
    const refused = (body: unknown) => server.refused('PUT', `${shop.path}/coverage-exclusions`, body);
    expect(await refused({ scope: 'classification:1', accountIds: [id], reason: ' ' })).toMatchObject({ code: 'request_invalid' });
    expect(await refused({ scope: 'classification:9', accountIds: [id], reason: 'x' })).toMatchObject({ code: 'not_found' });
    expect(await refused({ scope: 'classification:1', accountIds: [999_999], reason: 'x' })).toMatchObject({ code: 'account_unknown' });
    const added = await shop.add({ number: '6400' });
    await shop.exclude('classification:1', [added.id], 'for next year');
    await server.ok('DELETE', `${shop.path}/accounts/${added.id}?version=${(await shop.find('6400')).version}`);
    expect((await shop.view()).exclusions).toEqual([]);
  });
});

describe('a code list that is declared complete', () => {
  it('makes what lacks a code a finding, for elements, for numbers, and not for what was left out', async () => {
    const shop = await open();
    const codes = [{ code: 'T1', caption: 'Money' }];
    const list = await server.ok<CodeListBody>('POST', `${shop.path}/code-lists`, { kind: 'report', name: 'Tax', codes });
    expect(await shop.faults('codes_complete')).toBeUndefined();
    const declare = async (fields: object) => {
      const { lists } = await server.ok<{ lists: CodeListBody[] }>('GET', `${shop.path}/code-lists`);
      await server.ok('PATCH', `${shop.path}/code-lists/${list.id}`, { version: lists.find(({ id }) => id === list.id)?.version, ...fields });
    };
    await declare({ neededFor: ['income'], neededOn: '6200 to 6399' });
    expect(await shop.faults('codes_complete')).toEqual(['4000 without_code Tax', '6200 without_code Tax', '6300 without_code Tax']);
    await shop.change('4000', { codes: { [list.key]: 'T1' } });
    await shop.exclude(list.key, [(await shop.find('6200')).id], 'paid by the landlord');
    expect(await shop.faults('codes_complete')).toEqual(['6300 without_code Tax']);
    await declare({ neededFor: ['income'], neededOn: '' });
    expect(await shop.faults('codes_complete')).toEqual([]);
  });
});
