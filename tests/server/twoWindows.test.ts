import type { AppliedPlacement, PlacementDraftBody, PlacementRehearsal, PlacementView, SavedRehearsal } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

const span = { from: '2026-01-01', to: '2026-09-30' };
const noDraft: PlacementDraftBody = { places: [], categories: [] };

async function open() {
  const shop = await openShop(server);
  const { categories } = await server.ok<PlacementView>('GET', `${shop.path}/placement?${new URLSearchParams(span)}`);
  const category = (name: string) => categories.find((one) => one.name === name) as (typeof categories)[number];
  const move = async (number: string, to: number): Promise<PlacementDraftBody['places'][number]> => {
    const { id, places } = await shop.find(number);
    return { accountId: id, before: places, after: [{ side: 'any', categoryId: to }] };
  };
  const begun = (id: number, name: string): PlacementDraftBody['categories'][number] => {
    const { version: _, ...like } = category('Staff costs');
    return { id, before: null, after: { ...like, id, name } };
  };
  const save = (draft: PlacementDraftBody, base: PlacementDraftBody) => server.ok<SavedRehearsal>('POST', `${shop.path}/rehearsals`, { draft, base });
  const kept = async () => (await server.ok<{ rehearsals: PlacementRehearsal[] }>('GET', `${shop.path}/rehearsals`)).rehearsals;
  return { ...shop, category, move, begun, save, kept };
}

describe('two windows of one person that rehearse the placement', () => {
  it('keep what either moved, whichever was saved last', async () => {
    const books = await open();
    const [insurance, travel] = [await books.move('6200', books.category('Staff costs').id), await books.move('6300', books.category('Finance costs').id)];
    await books.save({ places: [insurance], categories: [] }, noDraft);
    const second = await books.save({ places: [travel], categories: [] }, noDraft);
    expect([second.joined, second.overridden]).toEqual([1, { accountIds: [], categoryIds: [] }]);
    expect(new Set(second.draft.places.map(({ accountId }) => accountId))).toEqual(new Set([insurance.accountId, travel.accountId]));
    expect((await books.kept()).map(({ draft }) => draft)).toEqual([second.draft]);
    // The first takes its move out again: what the second did stays.
    const first = await books.save(noDraft, { places: [insurance], categories: [] });
    expect(first.draft.places).toEqual([travel]);
  });

  it('say what both moved otherwise; the later move stands', async () => {
    const books = await open();
    const [there, elsewhere] = [await books.move('6200', books.category('Staff costs').id), await books.move('6200', books.category('Finance costs').id)];
    await books.save({ places: [there], categories: [] }, noDraft);
    const second = await books.save({ places: [elsewhere], categories: [] }, noDraft);
    expect([second.joined, second.overridden.accountIds, second.draft.places]).toEqual([0, [there.accountId], [elsewhere]]);
  });

  it('have both categories where each began one, and what one applies is not proposed again, nor what the other added lost', async () => {
    const books = await open();
    const [mine, theirs] = [
      { places: [await books.move('6200', -1)], categories: [books.begun(-1, 'Cover')] },
      { places: [await books.move('6300', -1)], categories: [books.begun(-1, 'Fares')] },
    ];
    const { id } = await books.save(theirs, noDraft);
    const saved = await books.save(mine, noDraft);
    expect(saved.ids).toEqual({ '-1': -2 });
    expect(saved.draft.categories.map((one) => [one.id, one.after?.name]).sort()).toEqual([
      [-1, 'Fares'],
      [-2, 'Cover'],
    ]);
    // The window that knows of its own alone applies it.
    const { ids } = await server.ok<AppliedPlacement>('POST', `${books.path}/placement-records`, { draft: theirs, rehearsalId: id, ...span });
    const [left] = await books.kept();
    expect(left?.draft).toEqual({ places: [await books.move('6200', -2)], categories: [books.begun(-2, 'Cover')] });
    expect(ids['-1']).toBeGreaterThan(0);
  });

  it('that save in the same moment lose nothing', async () => {
    const books = await open();
    const to = books.category('Staff costs').id;
    const moves = await Promise.all(['1000', '3000', '3200', '4000', '6200', '6300'].map((number) => books.move(number, to)));
    await Promise.all(moves.map((one) => books.save({ places: [one], categories: [] }, noDraft)));
    expect(new Set((await books.kept())[0]?.draft.places.map(({ accountId }) => accountId))).toEqual(new Set(moves.map(({ accountId }) => accountId)));
  });

  it('of a rehearsal with a name are joined too', async () => {
    const books = await open();
    const [insurance, travel] = [await books.move('6200', books.category('Staff costs').id), await books.move('6300', books.category('Finance costs').id)];
    const path = `${books.path}/rehearsals`;
    const { id, version } = await server.ok<SavedRehearsal>('POST', path, { name: 'Apart', draft: noDraft });
    await server.ok('PATCH', `${path}/${id}`, { version, draft: { places: [insurance], categories: [] }, base: noDraft });
    const second = await server.ok<SavedRehearsal>('PATCH', `${path}/${id}`, { version, draft: { places: [travel], categories: [] }, base: noDraft });
    expect([second.joined, second.draft.places.length]).toEqual([1, 2]);
  });
});
