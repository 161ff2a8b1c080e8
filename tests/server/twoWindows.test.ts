import type {
  AppliedPlacement,
  LayoutDetail,
  OwnLayoutBody,
  PlacementDraftBody,
  PlacementRehearsal,
  PlacementView,
  SavedLayout,
  SavedRehearsal,
} from '@ivory-ladder/contract';
import { newLine } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
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

  it('keep what one has otherwise than the other applied, and propose nothing twice, whether the rehearsal was known to be kept or not', async () => {
    for (const isKnown of [true, false]) {
      const books = await open();
      const [there, elsewhere] = [await books.move('6200', books.category('Staff costs').id), await books.move('6200', books.category('Finance costs').id)];
      const travel = await books.move('6300', books.category('Finance costs').id);
      await books.save({ places: [there, travel], categories: [] }, noDraft);
      const { id } = await books.save({ places: [elsewhere], categories: [] }, noDraft);
      const draft = { places: [there, travel], categories: [] };
      await server.ok('POST', `${books.path}/placement-records`, { draft, ...(isKnown ? { rehearsalId: id } : {}), ...span });
      expect((await books.kept()).map((one) => one.draft.places)).toEqual([[elsewhere]]);
    }
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

describe('two people in one layout', () => {
  async function compose() {
    const shop = await openShop(server);
    const path = `${shop.path}/layouts`;
    const begun = await server.ok<LayoutDetail>('POST', path, { name: 'Shared', from: 'nothing' });
    const line = (key: string, caption = key) => ({ ...newLine('text', key, caption), captions: [] }) as OwnLayoutBody['lines'][number];
    const withLines = (...lines: OwnLayoutBody['lines']): OwnLayoutBody => ({ ...begun.definition, lines });
    const save = (version: number, definition: OwnLayoutBody | null, base?: OwnLayoutBody) =>
      server.ok<SavedLayout>('PUT', `${path}/${begun.id}/draft`, { version, definition, ...(base ? { base } : {}) });
    return { path: `${path}/${begun.id}`, begun, line, withLines, save };
  }

  it('are merged line by line; what one writes over of the other is told, and kept to be taken again', async () => {
    const { path, begun, line, withLines, save } = await compose();
    const start = await save(begun.version, withLines(line('a'), line('b')));
    await save(start.version, withLines(line('a', 'First'), line('b')));
    const second = await save(start.version, withLines(line('a'), line('b', 'Second')), start.definition);
    expect(second.joined).toMatchObject({ joined: ['First'], overridden: [] });
    expect(second.definition.lines.map(({ caption }) => caption)).toEqual(['First', 'Second']);
    expect(second.keptDrafts).toEqual([]);
    const third = await save(start.version, withLines(line('a', 'Third'), line('b')), start.definition);
    expect(third.joined).toMatchObject({ joined: ['Second'], overridden: ['Third'] });
    const [kept] = third.keptDrafts;
    const { definition } = await server.ok<{ definition: OwnLayoutBody }>('GET', `${path}/kept-drafts/${kept?.number}`);
    expect(definition.lines.map(({ caption }) => caption)).toEqual(['First', 'Second']);
  });

  it('are refused as before where it is not said what the changes began from, and a draft that is dropped is kept', async () => {
    const { path, begun, line, withLines, save } = await compose();
    const first = await save(begun.version, withLines(line('a')));
    expect(await server.refused('PUT', `${path}/draft`, { version: begun.version, definition: withLines() })).toMatchObject({
      status: 409,
      code: 'version_conflict',
    });
    const used = await server.ok<LayoutDetail>('POST', `${path}/use`, { version: first.version, reason: '' });
    const drafted = await save(used.version, withLines(line('a'), line('b')));
    expect(await server.refused('PUT', `${path}/draft`, { version: used.version, definition: null, base: used.definition })).toMatchObject({
      code: 'version_conflict',
    });
    expect((await save(drafted.version, null)).keptDrafts).toHaveLength(1);
  });

  it('that save in the same moment lose no line', async () => {
    const { path, begun, line, withLines, save } = await compose();
    const keys = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'];
    await Promise.all(keys.map((key) => save(begun.version, withLines(line(key)), begun.definition)));
    const { definition } = await server.ok<LayoutDetail>('GET', path);
    expect(definition.lines.map(({ key }) => key).sort()).toEqual(keys);
  });
});
