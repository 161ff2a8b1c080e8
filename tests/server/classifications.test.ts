import type { AppliedPlacement, ChartCheckBody, Company, PlacementRehearsal, PlacementView, ProofList } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const span = { from: '2026-01-01', to: '2026-09-30', compare: 'usual' };

async function open() {
  const shop = await openShop(server);
  const of = (classification?: number) => (classification === undefined ? '' : `&classification=${classification}`);
  const classifications = async () => (await server.ok<Company>('GET', shop.path)).classifications;
  return {
    ...shop,
    classifications,
    one: async (id: number) => (await classifications()).find((found) => found.id === id) ?? { id, name: '', isMain: false, version: 0 },
    begin: async (name: string, copyOf: number | null = 1) => (await server.ok<{ id: number }>('POST', `${shop.path}/classifications`, { name, copyOf })).id,
    view: (id?: number) => server.ok<PlacementView>('GET', `${shop.path}/placement?from=2026-01-01&to=2026-09-30${of(id)}`),
    income: async (id?: number) => figures(await statement(server, shop.id, 'income-statement', '2026-01-01', '2026-09-30', `&compare=none${of(id)}`)),
    title: async (id?: number) => (await statement(server, shop.id, 'income-statement', '2026-01-01', '2026-09-30', of(id))).title,
    /** Travel and what places it in a classification. */
    moveTravel: async (to: string, id?: number) => {
      const view = await server.ok<PlacementView>('GET', `${shop.path}/placement?from=2026-01-01&to=2026-09-30${of(id)}`);
      const travel = view.accounts.find(({ number }) => number === '6300') ?? { id: 0, places: [] };
      const target = view.categories.find(({ name }) => name === to)?.id ?? 0;
      const places = [{ accountId: travel.id, before: travel.places, after: [{ side: 'any', categoryId: target }] }];
      return server.ok<AppliedPlacement>('POST', `${shop.path}/placement-records`, {
        draft: { places, categories: [] },
        ...span,
        ...(id === undefined ? {} : { classification: id }),
      });
    },
  };
}

const standing = ({ accounts, categories }: PlacementView) => {
  const nameOf = new Map(categories.map(({ id, name }) => [id, name]));
  return accounts.map(({ number, places }) => [number, ...places.map(({ side, categoryId }) => `${side} ${nameOf.get(categoryId)}`)]);
};

describe('another classification', () => {
  it('begins as a copy, is changed by itself, runs its own statements, and has its own record, which is taken back by itself', async () => {
    const shop = await open();
    const tax = await shop.begin('Tax');
    expect(standing(await shop.view(tax))).toEqual(standing(await shop.view()));
    expect((await shop.view(tax)).categories.map(({ id }) => id)).not.toEqual((await shop.view()).categories.map(({ id }) => id));
    const before = standing(await shop.view());
    const { recordId } = await shop.moveTravel('Finance costs', tax);
    expect(standing(await shop.view())).toEqual(before);
    expect(standing(await shop.view(tax))).toContainEqual(['6300', 'any Finance costs']);
    expect(await shop.income(tax)).toContainEqual(['Finance costs', -10000]);
    expect((await shop.income()).map(([caption]) => caption)).not.toContain('Finance costs');
    expect([await shop.title(), await shop.title(tax)]).toEqual(['Income statement', 'Income statement (Tax)']);
    const records = (id?: number) => server.ok<{ records: { id: number }[] }>('GET', `${shop.path}/placement-records${id ? `?classification=${id}` : ''}`);
    expect((await records(tax)).records.map(({ id }) => id)).toEqual([recordId]);
    expect((await records()).records).toEqual([]);
    await server.ok('POST', `${shop.path}/placement-records/${recordId}/undoing?from=2026-01-01&to=2026-09-30`);
    expect(standing(await shop.view(tax))).toEqual(before);
  });

  it('begins empty with everything unplaced, which makes no proof of the main one fail', async () => {
    const shop = await open();
    const management = await shop.begin('Management', null);
    expect((await shop.view(management)).categories).toEqual([]);
    const coverage = async (id?: number) => {
      const { proofs } = await server.ok<ProofList>('GET', `${shop.path}/proofs?from=2026-01-01&to=2026-09-30${id ? `&classification=${id}` : ''}`);
      return proofs.find(({ name }) => name === 'coverage')?.accounts.length;
    };
    expect([await coverage(), await coverage(management)]).toEqual([0, 7]);
    expect((await server.ok<Company>('GET', shop.path)).unplaced).toBe(0);
  });

  it('becomes the main one, and then statements, company and proofs go by it', async () => {
    const shop = await open();
    const tax = await shop.begin('Tax');
    await shop.moveTravel('Finance costs', tax);
    const { version } = await shop.one(tax);
    await server.ok('PATCH', `${shop.path}/classifications/${tax}`, { version, isMain: true });
    expect(await shop.income()).toContainEqual(['Finance costs', -10000]);
    expect(await shop.title()).toBe('Income statement');
    expect(await shop.title(1)).toBe('Income statement (Statutory)');
    expect((await shop.classifications()).map(({ name, isMain }) => [name, isMain])).toEqual([
      ['Statutory', false],
      ['Tax', true],
    ]);
    // What comes by a file or in the chart goes into it.
    const place = (await shop.view()).categories.find(({ name }) => name === 'Finance costs')?.id;
    const added = await shop.add({ number: '6400', categoryId: place ?? 0 });
    expect((await shop.view()).accounts.find(({ id }) => id === added.id)?.places).toEqual([{ side: 'any', categoryId: place }]);
    expect((await shop.view(1)).accounts.find(({ id }) => id === added.id)?.places).toEqual([]);
    expect(await server.refused('DELETE', `${shop.path}/classifications/${tax}`)).toMatchObject({ code: 'classification_is_main', facts: { name: 'Tax' } });
  });

  it('is renamed, refuses the name of another and one that somebody changed meanwhile, and goes with all that stands in it', async () => {
    const shop = await open();
    const tax = await shop.begin('Tax');
    expect(await server.refused('POST', `${shop.path}/classifications`, { name: 'tax', copyOf: null })).toMatchObject({ code: 'classification_name_taken' });
    const { version } = await shop.one(tax);
    await server.ok('PATCH', `${shop.path}/classifications/${tax}`, { version, name: 'Tax return' });
    expect(await server.refused('PATCH', `${shop.path}/classifications/${tax}`, { version, name: 'Other' })).toMatchObject({ code: 'version_conflict' });
    await server.ok('DELETE', `${shop.path}/classifications/${tax}`);
    expect((await shop.classifications()).map(({ name }) => name)).toEqual(['Statutory']);
    expect(await server.refused('GET', `${shop.path}/placement?from=2026-01-01&to=2026-09-30&classification=${tax}`)).toMatchObject({ code: 'not_found' });
    expect(standing(await shop.view())).toContainEqual(['6300', 'any Other operating expenses']);
  });

  it('keeps an account where it stands when it is renumbered out of a range, in each of them', async () => {
    const shop = await open();
    const tax = await shop.begin('Tax');
    const view = await shop.view(tax);
    const costs = view.categories.find(({ name }) => name === 'Finance costs');
    const travel = view.accounts.find(({ number }) => number === '6300');
    if (!costs || !travel) throw new Error('the shop has both');
    await server.ok('PATCH', `${shop.path}/categories/${costs.id}?classification=${tax}`, {
      version: costs.version,
      ranges: [{ side: 'any', text: '6300 to 6399' }],
    });
    await server.ok('PUT', `${shop.path}/places?classification=${tax}`, { changes: [{ accountId: travel.id, before: travel.places, after: [] }] });
    const before = await shop.income(tax);
    expect(before).toContainEqual(['Finance costs', -10000]);
    await shop.change('6300', { number: '6900' });
    expect(await shop.income(tax)).toEqual(before);
  });

  it('keeps an account under its element, in each of them, and takes no category of another', async () => {
    const shop = await open();
    const tax = await shop.begin('Tax');
    const travel = await shop.find('6300');
    const places = `${shop.path}/places`;
    await server.ok('PUT', places, { changes: [{ accountId: travel.id, before: travel.places, after: [] }] });
    expect(await shop.changeRefused('6300', { element: 'asset' })).toMatchObject({ code: 'account_element_held', facts: { by: 'places' } });
    const { version: _, ...costs } = (await shop.view()).categories.find(({ name }) => name === 'Finance costs') ?? { version: 0, id: 0 };
    const foreign = { places: [{ accountId: travel.id, before: [], after: [{ side: 'any', categoryId: costs.id }] }], categories: [] };
    const apply = (draft: unknown) => server.refused('POST', `${shop.path}/placement-records`, { draft, ...span, classification: tax });
    expect(
      await apply({ ...foreign, places: [{ ...foreign.places[0], before: (await shop.view(tax)).accounts.find(({ id }) => id === travel.id)?.places }] }),
    ).toMatchObject({
      code: 'category_unknown',
    });
    expect(await apply({ places: [], categories: [{ id: costs.id, before: null, after: { ...costs, name: 'Theirs' } }] })).toMatchObject({ code: 'not_found' });
  });

  it('gives an account up that a chart file puts under another element', async () => {
    const shop = await open();
    const tax = await shop.begin('Tax');
    const bytes = new TextEncoder().encode('Number,Element,Category\n3200,liability,Other payables');
    const { fileId } = await server.ok<{ fileId: number }>('POST', `${shop.path}/chart-files?name=chart.csv`, bytes);
    const file = `${shop.path}/chart-files/${fileId}`;
    const { structureVersion, revision } = await server.ok<ChartCheckBody>('POST', `${file}/rehearsal`, { from: span.from, to: span.to });
    expect(standing(await shop.view(tax))).toContainEqual(['3200', 'any Reserves']);
    await server.ok('POST', `${file}/application`, { structureVersion, revision });
    expect(standing(await shop.view())).toContainEqual(['3200', 'any Other payables']);
    expect(standing(await shop.view(tax))).toContainEqual(['3200']);
    const { proofs } = await server.ok<ProofList>('GET', `${shop.path}/proofs?from=2026-01-01&to=2026-09-30&classification=${tax}`);
    expect(proofs.find(({ name }) => name === 'trial_balance')?.state).toBe('holds');
  });

  it('has a rehearsal of its own for each person', async () => {
    const shop = await open();
    const tax = await shop.begin('Tax');
    const travel = await shop.find('6300');
    const draft = { places: [{ accountId: travel.id, before: travel.places, after: [] }], categories: [] };
    await server.ok('POST', `${shop.path}/rehearsals`, { name: '', draft, classification: tax });
    const kept = (id?: number) => server.ok<{ rehearsals: PlacementRehearsal[] }>('GET', `${shop.path}/rehearsals${id ? `?classification=${id}` : ''}`);
    expect((await kept(tax)).rehearsals.map(({ classificationId }) => classificationId)).toEqual([tax]);
    expect((await kept()).rehearsals).toEqual([]);
  });
});
