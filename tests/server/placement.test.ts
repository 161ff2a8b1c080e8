import type { CategoryBody, PlacementView, ProofList } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testAdministrator } from '../support/apiClient.ts';
import { TestServer } from '../support/server.ts';
import { bringIn, createCompany, figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
let id: number;
const view = () => server.ok<PlacementView>('GET', `/companies/${id}/placement?from=2026-01-01&to=2026-09-30`);
const account = async (number: string) => (await view()).accounts.find((one) => one.number === number) as PlacementView['accounts'][number];
const category = async (name: string) => (await view()).categories.find((one) => one.name === name) as CategoryBody;
const place = (changes: { accountId: number; before: unknown[]; after: unknown[] }[]) =>
  server.call<{ code: string; facts: object }>('PUT', `/companies/${id}/places`, { changes });

beforeAll(async () => {
  server = await TestServer.shared();
  id = (await createCompany(server)).id;
  await bringIn(server, id, 'Number,Name,Element,Balance\n1,Bank,asset,-30\n2,Stock,asset,130\n3,Capital,equity,-60\n4,Sales,income,-50\n5,Fuel,expense,10', {
    date: '2026-09-30',
  });
});
afterAll(() => server.stop());

describe('placing accounts', () => {
  it('an account under another element is refused with both named, and nothing of the request is applied', async () => {
    const [bank, sales, cash] = [await account('1'), await account('4'), await category('Cash and cash equivalents')];
    const answer = await place([
      { accountId: bank.id, before: [], after: [{ side: 'any', categoryId: cash.id }] },
      { accountId: sales.id, before: [], after: [{ side: 'any', categoryId: cash.id }] },
    ]);
    expect([answer.status, answer.body]).toMatchObject([
      422,
      { code: 'element_clash', facts: { accountId: sales.id, accountElement: 'income', categoryElement: 'asset' } },
    ]);
    expect((await account('1')).places).toEqual([]);
  });

  it('shows in the statements at once, with the credit balance where its side belongs', async () => {
    const [bank, cash, overdraft] = [await account('1'), await category('Cash and cash equivalents'), await category('Short-term borrowings')];
    const pairs = [
      ['2', 'Inventories'],
      ['3', 'Share capital'],
      ['4', 'Revenue'],
      ['5', 'Cost of sales'],
    ] as const;
    const changes = [
      {
        accountId: bank.id,
        before: [],
        after: [
          { side: 'debit', categoryId: cash.id },
          { side: 'credit', categoryId: overdraft.id },
        ],
      },
    ];
    for (const [number, name] of pairs)
      changes.push({ accountId: (await account(number)).id, before: [], after: [{ side: 'any', categoryId: (await category(name)).id }] });
    expect((await place(changes)).body).toEqual({ moved: 5 });
    const sheet = figures(await statement(server, id, 'balance-sheet', '2026-01-01', '2026-09-30', '&compare=none'));
    expect(sheet).toContainEqual(['Short-term borrowings', 3000]);
    expect(sheet.find(([caption]) => caption === 'Total assets')).toEqual(['Total assets', 13000]);
    const { proofs } = await server.ok<ProofList>('GET', `/companies/${id}/proofs?from=2026-01-01&to=2026-09-30`);
    expect(proofs.map(({ name, state }) => [name, state]).filter(([, state]) => state !== 'holds')).toEqual([['equity_ties', 'not_provable']]);
  });

  it('a place changed meanwhile is a conflict, and nothing is overwritten', async () => {
    const [stock, prepayments, inventories] = [await account('2'), await category('Prepayments'), await category('Inventories')];
    const move = (to: number) =>
      place([{ accountId: stock.id, before: [{ side: 'any', categoryId: inventories.id }], after: [{ side: 'any', categoryId: to }] }]);
    const answers = await Promise.all([move(prepayments.id), move((await category('Financial assets')).id)]);
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
    expect(answers.find(({ status }) => status === 409)?.body).toMatchObject({ code: 'place_conflict', facts: { accountIds: [stock.id] } });
  });
});

describe('categories', () => {
  it('are added, renamed, nested and ordered; the statements follow', async () => {
    const revenue = await category('Revenue');
    const sailings = await server.ok<CategoryBody>('POST', `/companies/${id}/categories`, { parentId: revenue.id, element: 'income', name: 'Sailings' });
    const sales = await account('4');
    await place([{ accountId: sales.id, before: sales.places, after: [{ side: 'any', categoryId: sailings.id }] }]);
    await server.ok('PATCH', `/companies/${id}/categories/${sailings.id}`, { version: 0, name: 'Ferry sailings' });
    const income = figures(await statement(server, id, 'income-statement', '2026-01-01', '2026-09-30', '&compare=none'));
    expect(income.slice(0, 2)).toEqual([
      ['Ferry sailings', 5000],
      ['Total revenue', 5000],
    ]);
    const other = await category('Other operating income');
    await server.ok('PATCH', `/companies/${id}/categories/${other.id}`, { version: other.version, after: null });
    expect(
      (await view()).categories.filter(({ element, parentId }) => element === 'income' && parentId === null).sort((a, b) => a.position - b.position)[0]?.name,
    ).toBe('Other operating income');
  });

  it.each([
    ['a name taken by a sibling', 'POST', async () => ['', { parentId: null, element: 'asset', name: 'prepayments' }], 'category_name_taken'],
    [
      'another element above it',
      'POST',
      async () => ['', { parentId: (await category('Revenue')).id, element: 'asset', name: 'x' }],
      'category_nesting_refused',
    ],
    [
      'itself above it',
      'PATCH',
      async () => [`/${(await category('Revenue')).id}`, { version: 0, parentId: (await category('Ferry sailings')).id }],
      'category_nesting_refused',
    ],
    ['accounts in it when deleted', 'DELETE', async () => [`/${(await category('Share capital')).id}`, undefined], 'category_not_empty'],
    ['an older version', 'PATCH', async () => [`/${(await category('Ferry sailings')).id}`, { version: 0, name: 'y' }], 'version_conflict'],
    [
      'a deduction from a deduction',
      'POST',
      async () => [
        '',
        {
          parentId: (await category('Property, plant and equipment')).id,
          element: 'asset',
          name: 'z',
          contraOf: (await category('Accumulated depreciation')).id,
        },
      ],
      'category_field_refused',
    ],
  ] as const)('are refused with %s', async (_name, method, request, code) => {
    const [path, body] = await request();
    expect(await server.refused(method, `/companies/${id}/categories${path}`, body)).toMatchObject({ code });
  });

  it('say who made the version that stands, where it has been changed', async () => {
    const { id: categoryId, name, version } = await category('Prepayments');
    await server.ok('PATCH', `/companies/${id}/categories/${categoryId}`, { version, note: '9' });
    const refused = await server.refused('PATCH', `/companies/${id}/categories/${categoryId}`, { version, name: `${name} and more` });
    expect(refused).toMatchObject({
      code: 'version_conflict',
      facts: { last: { by: testAdministrator.name, at: expect.stringMatching(/^\d{4}-\d\d-\d\d /) } },
    });
  });
});
