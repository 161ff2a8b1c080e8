import type {
  AppliedPlacement,
  CategoryBody,
  PastPlacementBody,
  PlacementDraftBody,
  PlacementRecordDetailBody,
  PlacementRehearsal,
  PlacementView,
} from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ApiClient } from '../support/apiClient.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const span = { from: '2026-01-01', to: '2026-09-30', compare: 'usual' };
const noDraft: PlacementDraftBody = { places: [], categories: [] };

async function open() {
  const shop = await openShop(server);
  const view = () => server.ok<PlacementView>('GET', `${shop.path}/placement?from=2026-01-01&to=2026-09-30`);
  const stateOf = ({ categories, accounts }: PlacementView) =>
    JSON.stringify([categories.map(({ version: _, ...rest }) => rest).sort((a, b) => a.id - b.id), accounts.map(({ id, places }) => [id, places])]);
  const category = async (name: string) => {
    const { version: _, ...found } = (await view()).categories.find((one) => one.name === name) as CategoryBody;
    return found;
  };
  return {
    ...shop,
    view,
    category,
    state: async () => stateOf(await view()),
    records: () => server.ok<{ records: PlacementRecordDetailBody[] }>('GET', `${shop.path}/placement-records`),
    record: (id: number) => server.ok<PlacementRecordDetailBody>('GET', `${shop.path}/placement-records/${id}`),
    apply: (draft: PlacementDraftBody, reason = '') => server.ok<AppliedPlacement>('POST', `${shop.path}/placement-records`, { draft, reason, ...span }),
    refused: (draft: PlacementDraftBody) => server.refused('POST', `${shop.path}/placement-records`, { draft, reason: '', ...span }),
    undo: (id: number) => server.ok<AppliedPlacement>('POST', `${shop.path}/placement-records/${id}/undoing?from=2026-01-01&to=2026-09-30`),
    lines: async () => figures(await statement(server, shop.id, 'income-statement', '2026-01-01', '2026-09-30', '&compare=none')),
  };
}
type Shop = Awaited<ReturnType<typeof open>>;

/** Travel into a new category below a new one, which is renamed meanwhile. */
async function draftOf(books: Shop): Promise<PlacementDraftBody> {
  const travel = await books.find('6300');
  const other = await books.category('Other operating expenses');
  return {
    places: [{ accountId: travel.id, before: travel.places, after: [{ side: 'any', categoryId: -2 }] }],
    categories: [
      { id: -2, before: null, after: { ...other, id: -2, parentId: -1, name: 'Fares', step: null, position: 1000 } },
      {
        id: -1,
        before: null,
        after: { ...other, id: -1, name: 'People', position: 90_000, nature: 'operating', note: '7', description: 'Wages and what goes with them' },
      },
      { id: other.id, before: other, after: { ...other, name: 'Sundry' } },
    ],
  };
}

describe('a draft of the placement', () => {
  it('is applied as a whole, stands on record with what it did to the statements, and is taken back to the byte', async () => {
    const books = await open();
    const before = await books.state();
    const applied = await books.apply(await draftOf(books), 'Travel apart');
    expect(applied).toMatchObject({ accounts: 1, categories: 3 });
    expect(Object.keys(applied.ids).sort()).toEqual(['-1', '-2']);
    expect(await books.category('People')).toMatchObject({ nature: 'operating', note: '7', description: 'Wages and what goes with them' });
    expect(await books.lines()).toContainEqual(['Fares', -10000]);
    const record = await books.record(applied.recordId);
    expect(record).toMatchObject({ reason: 'Travel apart', accounts: 1, categories: 3, undoes: null, undoneBy: null });
    expect(
      record.effect.lines.map(({ caption, formerCaption, before: was, after: is }) => [caption, formerCaption, was?.[0] ?? null, is?.[0] ?? null]),
    ).toEqual([
      ['Sundry', 'Other operating expenses', '-40000', '-30000'],
      ['Fares', null, null, '-10000'],
      ['Total people', null, null, '-10000'],
    ]);
    expect(record.effect.lines.length).toBe(applied.changedLines);

    const undone = await books.undo(applied.recordId);
    expect(await books.state()).toBe(before);
    expect(await books.record(applied.recordId)).toMatchObject({ undoneBy: undone.recordId });
    expect(await server.refused('POST', `${books.path}/placement-records/${applied.recordId}/undoing?from=2026-01-01&to=2026-09-30`)).toMatchObject({
      code: 'placement_undone_already',
    });
    // What was taken back is done again by taking that back; the categories come back with the ids they had.
    await books.undo(undone.recordId);
    expect((await books.category('Fares')).id).toBe(applied.ids['-2']);
    expect((await books.records()).records.map(({ reason, undoes }) => [reason, undoes])).toEqual([
      ['', undone.recordId],
      ['', applied.recordId],
      ['Travel apart', null],
    ]);
  });

  it('leaves the past to be asked for: as of its moment everything stands as before it, categories that have gone since among it', async () => {
    const books = await open();
    const before = await books.view();
    const applied = await books.apply(await draftOf(books));
    const between = await books.view();
    await books.undo(applied.recordId);
    const [undone, done] = (await books.records()).records;
    const past = (moment: string | undefined) => server.ok<PastPlacementBody>('GET', `${books.path}/past-placement?moment=${encodeURIComponent(moment ?? '')}`);
    const told = ({ categories, places }: PastPlacementBody) => [
      categories.map((one) => ({ ...one, ranges: one.ranges, captions: one.captions })).sort((a, b) => a.id - b.id),
      places.sort((a, b) => a.accountId - b.accountId),
    ];
    const shown = ({ categories, accounts }: PlacementView) =>
      told({
        categories: categories.map(({ version: _, ...rest }) => rest),
        places: accounts.flatMap(({ id, places }) => places.map((place) => ({ ...place, accountId: id }))),
      });
    expect(told(await past(done?.at))).toEqual(shown(before));
    expect(told(await past(undone?.at))).toEqual(shown(between));
    expect(await past('2020-01-01 00:00:00')).toEqual({ categories: [], places: [] });
  });

  it('is refused where something is not any more as it was found, each named, and nothing of it is applied', async () => {
    const books = await open();
    const draft = await draftOf(books);
    const other = await books.category('Other operating expenses');
    const travel = await books.find('6300');
    await server.ok('PATCH', `${books.path}/categories/${other.id}`, { version: 0, name: 'Various' });
    await server.ok('PUT', `${books.path}/places`, { changes: [{ accountId: travel.id, before: travel.places, after: [] }] });
    const state = await books.state();
    expect(await books.refused(draft)).toMatchObject({ code: 'place_conflict', facts: { accountIds: [travel.id], categoryIds: [other.id] } });
    expect(await books.refused(noDraft)).toMatchObject({ code: 'placement_unchanged' });
    expect(await books.refused({ places: [], categories: [{ id: other.id, before: { ...other, name: 'Various' }, after: null }] })).toMatchObject({
      code: 'category_held',
      facts: { by: 'account' },
    });
    const income = await books.category('Revenue');
    const added = (fields: object, id = -1) => ({
      places: [],
      categories: [{ id, before: null, after: { ...other, id, name: 'New', position: 9, ...fields } }],
    });
    // An id is only taken up again where the company had a category of it; an element stays; texts are as long as they may be.
    expect(await books.refused(added({}, 4_000_000_000))).toMatchObject({ code: 'not_found' });
    expect(await books.refused({ places: [], categories: [{ id: income.id, before: income, after: { ...income, element: 'expense' } }] })).toMatchObject({
      code: 'category_nesting_refused',
    });
    const [twice] = draft.places;
    expect(await books.refused({ categories: [], places: [twice, twice].flatMap((one) => one ?? []) })).toMatchObject({ code: 'request_invalid' });
    expect(await books.refused(added({ name: 'x'.repeat(201) }))).toMatchObject({ code: 'request_invalid' });
    expect(await books.state()).toBe(state);
  });

  it('is applied by one of two who apply at the same time', async () => {
    const books = await open();
    const [sales, revenue, income] = [await books.find('4000'), await books.category('Revenue'), await books.category('Other operating income')];
    const to = (categoryId: number): PlacementDraftBody => ({
      categories: [],
      places: [{ accountId: sales.id, before: [{ side: 'any', categoryId: revenue.id }], after: [{ side: 'any', categoryId }] }],
    });
    const third = await server.ok<CategoryBody>('POST', `${books.path}/categories`, { parentId: null, element: 'income', name: 'Third' });
    const answers = await Promise.all([income.id, third.id].map((id) => server.call('POST', `${books.path}/placement-records`, { draft: to(id), ...span })));
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 409]);
  });
});

describe('rehearsals that are kept', () => {
  it('are one at work for each person, and any number by name; another can return one that is offered, with a word, or apply it', async () => {
    const books = await open();
    const draft = await draftOf(books);
    const path = `${books.path}/rehearsals`;
    const list = (who: ApiClient) => who.ok<{ rehearsals: PlacementRehearsal[] }>('GET', path);
    await server.ok('POST', path, { draft: noDraft });
    const mine = await server.ok<PlacementRehearsal>('POST', path, { draft });
    expect((await list(server)).rehearsals).toMatchObject([{ id: mine.id, name: '', isOwn: true, draft }]);
    const offered = await server.ok<PlacementRehearsal>('PATCH', `${path}/${mine.id}`, { version: mine.version, name: 'Travel apart', state: 'offered' });
    expect(await server.refused('PATCH', `${path}/${mine.id}`, { version: mine.version, name: 'Other' })).toMatchObject({ code: 'version_conflict' });

    const { client: colleague } = await joinCompany(server, books.id, { email: 'colleague@example.org', role: 'preparer' });
    expect((await list(colleague)).rehearsals).toMatchObject([{ name: 'Travel apart', isOwn: false, state: 'offered' }]);
    await colleague.ok('PATCH', `${path}/${mine.id}`, { version: offered.version, word: 'Fares are not wages' });
    expect((await list(server)).rehearsals).toMatchObject([{ state: 'returned', word: 'Fares are not wages', isOwn: true }]);
    expect((await list(colleague)).rehearsals).toEqual([]);
    expect(await colleague.refused('DELETE', `${path}/${mine.id}`)).toMatchObject({ code: 'not_found' });
    await server.ok('DELETE', `${path}/${mine.id}`);
    expect((await list(server)).rehearsals).toEqual([]);

    const again = await server.ok<PlacementRehearsal>('POST', path, { name: 'Travel again', draft });
    expect(await colleague.refused('DELETE', `${path}/${again.id}`)).toMatchObject({ code: 'not_found' });
    await server.ok('PATCH', `${path}/${again.id}`, { version: again.version, state: 'offered' });
    await colleague.ok('POST', `${books.path}/placement-records`, { draft, rehearsalId: again.id, ...span });
    expect((await list(server)).rehearsals).toEqual([]);
    expect((await books.records()).records).toMatchObject([{ by: 'Nils Berg' }]);
  });

  it('are kept or gone, whichever comes last, when one is discarded while it is being kept', async () => {
    const books = await open();
    const draft = await draftOf(books);
    const path = `${books.path}/rehearsals`;
    for (let round = 0; round < 25; round++) {
      const { id } = await server.ok<PlacementRehearsal>('POST', path, { draft });
      // Each a moment later, so that some come between the writing and the reading.
      const discard = async (_: unknown, at: number) => {
        await new Promise((resolve) => setTimeout(resolve, at));
        return server.call('DELETE', `${path}/${id}`);
      };
      const [saved, ...discarded] = await Promise.all([server.call<PlacementRehearsal>('POST', path, { draft }), ...Array.from({ length: 8 }, discard)]);
      expect([saved.status, saved.body], String(round)).toMatchObject([201, { draft }]);
      const answers = discarded.map(({ status }) => status);
      expect(answers).toContain(204);
      expect(answers.filter((status) => status !== 204 && status !== 404)).toEqual([]);
    }
  });
});
