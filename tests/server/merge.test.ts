import type { EntryBody, History, MergeCheckBody, PostingBody, ProofList } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const span = { from: '2026-01-01', to: '2026-09-30' };

async function open() {
  const shop = await openShop(server);
  const idOf = async (number: string) => (await shop.find(number)).id;
  const rehearse = async (from: string, into: string, day = '2026-09-30') =>
    server.ok<MergeCheckBody>('POST', `${shop.path}/accounts/${await idOf(from)}/merge-rehearsal`, { into: await idOf(into), day, ...span });
  const refused = async (from: string, into: string, day = '2026-09-30') =>
    server.refused('POST', `${shop.path}/accounts/${await idOf(from)}/merge-rehearsal`, { into: await idOf(into), day, ...span });
  const merge = async (
    from: string,
    into: string,
    { day = '2026-09-30', key = 'merge', ...seen }: { day?: string; key?: string; structureVersion: number; revision: number },
  ) =>
    server.call<PostingBody & { code: string }>(
      'POST',
      `${shop.path}/accounts/${await idOf(from)}/merge`,
      { into: await idOf(into), day, structureVersion: seen.structureVersion, revision: seen.revision },
      { 'Idempotency-Key': key },
    );
  const lines = async (kind: 'balance-sheet' | 'income-statement', to = '2026-09-30') =>
    figures(await statement(server, shop.id, kind, '2026-01-01', to, '&detail=2'), 100n);
  return { ...shop, idOf, rehearse, refused, merge, lines };
}

describe('one account merged into another', () => {
  it('entries stay, one moves what it holds, its place becomes the other’s, it is retired; every total stays as it was', async () => {
    const books = await open();
    await books.add({ number: '6400', name: 'Training', categoryId: (await books.find('6200')).places[0]?.categoryId ?? null });
    const staff = (
      await server.ok<{ categories: { id: number; name: string }[] }>('GET', `${books.path}/placement?from=2026-01-01&to=2026-09-30`)
    ).categories.find(({ name }) => name === 'Staff costs');
    await server.ok('PUT', `${books.path}/places`, {
      changes: [{ accountId: await books.idOf('6300'), before: (await books.find('6300')).places, after: [{ side: 'any', categoryId: staff?.id }] }],
    });
    const totals = await books.totals();
    const { moves, moved, effect, structureVersion, revision } = await books.rehearse('6300', '6200');
    expect([moves, moved]).toEqual([[{ layer: 'ledger', amount: '10000' }], [{ classification: null, which: 'from' }]]);
    expect(effect.rows.map(({ caption, before, after }) => [caption, before, after])).toEqual([
      ['Staff costs', '-10000', null],
      ['Other operating expenses', '-30000', '-40000'],
    ]);
    const merged = await books.merge('6300', '6200', { structureVersion, revision });
    expect(merged.body).toMatchObject({ posted: true, entries: [{ lines: 2 }] });
    expect(await books.totals()).toEqual(totals);
    expect(await books.lines('income-statement')).toContainEqual(['Other operating expenses', -400, 0, -400, null]);
    expect(await books.find('6300')).toMatchObject({ active: false, amount: '0', places: (await books.find('6200')).places, lastUsed: '2026-09-30' });
    expect(await books.find('6200')).toMatchObject({ amount: '40000', active: true });
    const entry = await server.ok<EntryBody>('GET', `${books.path}/entries/${merged.body.entries[0]?.entryId}`);
    expect(entry).toMatchObject({ source: 'reclassification', description: '6300 Travel merged into 6200 Insurance' });
    const { proofs } = await server.ok<ProofList>('GET', `${books.path}/proofs?from=2026-01-01&to=2026-09-30`);
    expect(proofs.filter(({ state }) => state === 'fails')).toEqual([]);
    const { events } = await server.ok<History>('GET', `${books.path}/history?thing=account&thingId=${await books.idOf('6300')}`);
    expect(events[0]).toMatchObject({ before: { active: true }, after: { active: false, mergedInto: '6200 Insurance' } });
  });

  it('moves each layer by itself, from whichever side, and what stands at earlier days stays', async () => {
    const books = await open();
    const [capital, reserve, bank] = [await books.idOf('3000'), await books.idOf('3200'), await books.idOf('1000')];
    const line = (accountId: number, net: number) => ({ accountId, debit: net > 0 ? String(net) : '0', credit: net < 0 ? String(-net) : '0' });
    await server.ok('POST', `${books.path}/entries`, { date: '2026-09-30', description: 'To reserve', lines: [line(capital, 7000), line(reserve, -7000)] });
    await server.ok('POST', `${books.path}/entries`, {
      date: '2026-09-30',
      description: 'Adjusted',
      layer: 'adjustment',
      lines: [line(reserve, 2500), line(bank, -2500)],
    });
    const before = [await books.totals(), await books.lines('balance-sheet', '2026-08-31')];
    const seen = await books.rehearse('3200', '3000', '2026-09-30');
    expect(seen.moves).toEqual([
      { layer: 'ledger', amount: '-7000' },
      { layer: 'adjustment', amount: '2500' },
    ]);
    expect((await books.merge('3200', '3000', seen)).body.entries).toHaveLength(2);
    expect([await books.totals(), await books.lines('balance-sheet', '2026-08-31')]).toEqual(before);
    expect([(await books.find('3200')).amount, (await books.find('3000')).amount]).toEqual(['0', '-47500']);
  });

  it('into one that stands in no category: it takes the place, so that no total changes', async () => {
    const books = await open();
    await books.add({ number: '6400', name: 'Trips' });
    const [totals, places] = [await books.totals(), (await books.find('6300')).places];
    const seen = await books.rehearse('6300', '6400');
    expect([seen.moved, seen.effect.rows]).toEqual([[{ classification: null, which: 'into' }], []]);
    expect(seen.effect.lookedAt.map(({ title }) => title)).toEqual([
      'Balance sheet',
      'Income statement',
      'Cash flow statement',
      'Statement of changes in equity',
    ]);
    await books.merge('6300', '6400', seen);
    expect((await books.find('6400')).places).toEqual(places);
    expect(await books.totals()).toEqual(totals);
  });

  it('an account that was never used goes without an entry, and a role of one holder goes along', async () => {
    const books = await open();
    await books.add({ number: '1990', name: 'Suspense', element: 'asset' });
    await books.change('1990', { role: 'suspense' });
    await books.add({ number: '1991', name: 'To clear', element: 'asset' });
    const seen = await books.rehearse('1990', '1991');
    expect([seen.moves, seen.role]).toEqual([[], 'suspense']);
    expect((await books.merge('1990', '1991', seen)).body).toMatchObject({ posted: true, entries: [] });
    expect([(await books.find('1990')).active, (await books.find('1990')).role, (await books.find('1991')).role]).toEqual([false, null, 'suspense']);
  });

  it.each([
    ['itself', '6200', '6200', 'same_account'],
    ['one of another element', '6200', '1000', 'other_element'],
    ['the one that holds retained earnings, going', '3100', '3000', 'role_needed'],
  ])('is refused with %s', async (_, from, into, reason) => {
    expect(await (await open()).refused(from, into)).toMatchObject({ status: 422, code: 'merge_refused', facts: { reason } });
  });

  it('is refused with sub-accounts, inactive ones, a day before its last line, and a day in no year', async () => {
    const books = await open();
    await books.add({ number: '6310', parentId: await books.idOf('6300') });
    expect(await books.refused('6300', '6200')).toMatchObject({ facts: { reason: 'has_sub_accounts', about: '6300' } });
    expect(await books.refused('6200', '6300')).toMatchObject({ facts: { reason: 'has_sub_accounts', about: '6300' } });
    await books.change('6310', { active: false });
    expect(await books.refused('6200', '6310')).toMatchObject({ facts: { reason: 'inactive', about: '6310' } });
    await books.add({ number: '6400' });
    expect(await books.refused('6200', '6400', '2026-08-31')).toMatchObject({ facts: { reason: 'used_later', about: '2026-09-30' } });
    expect(await books.refused('6200', '6400', '2031-01-31')).toMatchObject({ code: 'day_outside_calendar' });
  });

  it('happens once for a repeated request, and only on the books that the rehearsal showed', async () => {
    const books = await open();
    const seen = await books.rehearse('6300', '6200');
    await books.change('6200', { purpose: 'Changed meanwhile' });
    expect(await books.merge('6300', '6200', seen)).toMatchObject({ status: 409, body: { code: 'chart_moved_on' } });
    const again = await books.rehearse('6300', '6200');
    const [first, second] = [await books.merge('6300', '6200', { ...again, key: 'once' }), await books.merge('6300', '6200', { ...again, key: 'once' })];
    expect(second.body).toEqual(first.body);
    expect((await books.find('6200')).amount).toBe('40000');
  });
});
