import type { Company, SettingsCheckBody, StatementEffect, StoredLayoutOptions } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { differences, mergeOf, openReported, type Rehearsed, type ReportedBooks, rehearsed, span, told } from '../support/reportedBooks.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const changedIn = ({ lookedAt, rows }: StatementEffect): string[] =>
  [...new Set(rows.map(({ statement }) => statement))].map(
    (at) => `${lookedAt[at]?.title}${lookedAt[at]?.classification ? ` of ${lookedAt[at].classification}` : ''}`,
  );

const changed = async ({ path, account }: ReportedBooks, number: string, fields: object): Promise<Rehearsed> => {
  const { id, version } = await account(number);
  const own = `${path}/accounts/${id}`;
  return rehearsed(server, [`${own}/change-rehearsal`, { change: { version, ...fields } }], ['PATCH', own, { version, ...fields }]);
};

const settings = async ({ path }: ReportedBooks, edit: object): Promise<Rehearsed> => {
  const { settingsVersion: version } = await server.ok<Company>('GET', path);
  const { effect } = await server.ok<SettingsCheckBody>('POST', `${path}/settings-rehearsal`, { ...edit, ...span });
  return { effect, apply: () => server.ok('PATCH', path, { version, ...edit }) };
};

const options = async ({ path }: ReportedBooks, edit: object, ofCashFlow: object): Promise<Rehearsed> => {
  const { version, ...own } = await server.ok<StoredLayoutOptions>('GET', `${path}/layout-options`);
  const set = { ...own, ...edit, cashFlow: { ...own.cashFlow, ...ofCashFlow } };
  return rehearsed(server, [`${path}/layout-options/rehearsal`, { options: set }], ['PUT', `${path}/layout-options`, { ...set, version }]);
};

const changes: readonly (readonly [string, (books: ReportedBooks) => Promise<Rehearsed>, readonly string[]])[] = [
  [
    'renumbering under layouts that take ranges of numbers',
    async ({ path, account }) => {
      const { id: accountId, version } = await account('5051');
      const body = { changes: [{ accountId, version, number: '5058' }] };
      return rehearsed(server, [`${path}/renumbering-rehearsal`, body], ['POST', `${path}/renumbering`, body]);
    },
    [],
  ],
  ['renumbering by file', ({ load }) => load('Number,New number\n5051,6051\n6200,5052'), []],
  ['report codes by file', async ({ load }) => load('Number,Code: Return\n5050,A\n5051,A\n5060,B'), ['By codes']],
  ['the role of cash by file', ({ load }) => load('Number,Role\n1010,'), ['Cash flow statement', 'Cash flow of the bank', 'Cash flow statement of Management']],
  [
    'an account moved from loans to payables',
    async ({ draft, move }) => draft({ places: [await move('2100', 'Trade payables')], categories: [] }),
    ['Balance sheet', 'Cash flow statement', 'Cash flow of the bank'],
  ],
  [
    'an account moved within equity',
    async ({ draft, move }) => draft({ places: [await move('3200', 'Share capital')], categories: [] }),
    ['Balance sheet', 'Cash flow statement', 'Statement of changes in equity', 'Cash flow of the bank'],
  ],
  [
    'a category merged into another',
    async ({ draft, move, category }) => {
      const { version: _, ...gone } = await category('Trade payables');
      return draft({ places: [await move('2000', 'Loans')], categories: [{ id: gone.id, before: gone, after: null }] });
    },
    ['Balance sheet', 'Cash flow statement', 'Cash flow of the bank'],
  ],
  [
    'another nature of a category',
    async ({ draft, category }) => {
      const { version: _, ...one } = await category('Trade payables');
      return draft({ places: [], categories: [{ id: one.id, before: one, after: { ...one, nature: 'financing' } }] });
    },
    ['Cash flow statement', 'Cash flow of the bank'],
  ],
  [
    'an account merged into another of its element',
    (books) => mergeOf(server, books, '5051', '5060', '2026-09-30'),
    ['Income statement', 'By numbers', 'Income statement of Management'],
  ],
  [
    'an account of equity merged into another within a period',
    async (books) => mergeOf(server, books, '3200', '3000', '2026-10-10'),
    [
      ...['Balance sheet', 'Cash flow statement', 'Statement of changes in equity', 'Cash flow of the bank'],
      ...['Balance sheet of Management', 'Cash flow statement of Management', 'Statement of changes in equity of Management'],
    ],
  ],
  ['another order of numbers', (books) => settings(books, { digitOrder: 'digit_by_digit' }), []],
  ['numbers taken away under layouts that take ranges of them', (books) => settings(books, { numbered: false }), ['By numbers']],
  [
    'the role of cash of one account',
    (books) => changed(books, '1010', { role: null }),
    ['Cash flow statement', 'Cash flow of the bank', 'Cash flow statement of Management'],
  ],
  [
    'days on which an account is cash',
    (books) => changed(books, '1010', { cashUntil: '2026-06-30' }),
    ['Cash flow statement', 'Cash flow of the bank', 'Cash flow statement of Management'],
  ],
  ['a report code of one account', ({ list, ...books }) => changed({ list, ...books }, '5050', { codes: { [list.key]: 'A' } }), ['By codes']],
  ['another number of one account, under ranges', (books) => changed(books, '5051', { number: '6051' }), []],
  [
    'the role of retained earnings given to another',
    (books) => changed(books, '3200', { role: 'retained_earnings' }),
    ['Statement of changes in equity', 'Statement of changes in equity of Management'],
  ],
  [
    'profit within retained earnings; a cash flow that begins with profit calls a line otherwise',
    (books) => options(books, { result: 'within_retained_earnings' }, { start: 'profit', interestPaid: 'financing' }),
    ['Balance sheet', 'Balance sheet of Management'],
  ],
];

describe('an effect that is stated is the whole effect', () => {
  it.each(changes)('of %s: each line of every statement and layout in use that changes, and no other', async (_, change, where) => {
    const books = await openReported(server);
    const before = await books.reported();
    const { effect, apply } = await change(books);
    expect(effect.lookedAt.map(({ title, classification }) => [title, classification])).toEqual([
      ...['Balance sheet', 'Income statement', 'Cash flow statement', 'Statement of changes in equity', 'By codes', 'By numbers', 'Cash flow of the bank'].map(
        (title) => [title, null],
      ),
      ...['Balance sheet', 'Income statement', 'Cash flow statement', 'Statement of changes in equity'].map((title) => [title, 'Management']),
    ]);
    await apply();
    expect(told(effect)).toEqual(differences(before, await books.reported()));
    expect(changedIn(effect)).toEqual(where);
  });
});

describe('accounts that get other numbers', () => {
  /** By account: the categories that it stands in by hand and by range, in the other classification. */
  const standing = async ({ placement, other }: ReportedBooks) =>
    (await placement(other)).accounts.map(({ id, places, placesByRange }) => [id, places, placesByRange]);

  const renumber = async ({ path, account }: ReportedBooks, from: string, to: string) => {
    const { id: accountId, version } = await account(from);
    return server.ok('POST', `${path}/renumbering`, { changes: [{ accountId, version, number: to }] });
  };
  const rename = async ({ path, account }: ReportedBooks, from: string, to: string) => {
    const { id, version } = await account(from);
    return server.ok('PATCH', `${path}/accounts/${id}`, { version, number: to });
  };
  const byFile = async ({ load }: ReportedBooks, from: string, to: string) => (await load(`Number,New number\n${from},${to}`)).apply();
  const order = (digitOrder: string) => async (books: ReportedBooks) => {
    const { settingsVersion } = await server.ok<Company>('GET', books.path);
    await server.ok('PATCH', books.path, { version: settingsVersion, digitOrder });
  };

  it.each([
    ['at once', (books: ReportedBooks) => renumber(books, '5051', '7051'), (books: ReportedBooks) => renumber(books, '7051', '5051')],
    ['one by one', (books: ReportedBooks) => rename(books, '5051', '7051'), (books: ReportedBooks) => rename(books, '7051', '5051')],
    ['by file', (books: ReportedBooks) => byFile(books, '5051', '7051'), (books: ReportedBooks) => byFile(books, '7051', '5051')],
    ['by file, to where another range is', (books: ReportedBooks) => byFile(books, '5051', '6051'), (books: ReportedBooks) => renumber(books, '6051', '5051')],
    ['by another order of digits', order('digit_by_digit'), order('by_value')],
  ])('%s stand where they stood in every classification and layout, by hand, and by range again with their numbers back', async (_, change, back) => {
    const books = await openReported(server);
    const before = await standing(books);
    const [statements, texts] = [await books.reported(), await books.texts()];
    const placesOf = (rows: typeof before) => rows.map(([id, places, ranged]) => [id, [...(places as object[]), ...(ranged as object[])]]);
    await change(books);
    const then = await standing(books);
    expect(placesOf(then)).toEqual(placesOf(before));
    expect(then).not.toEqual(before);
    // Lines of layouts take what they took, by other texts of numbers.
    expect(await books.reported()).toEqual(statements);
    expect(await books.texts()).not.toEqual(texts);
    await back(books);
    expect(await books.texts()).toEqual(texts);
    expect(await standing(books)).toEqual(before);
    expect(await books.reported()).toEqual(statements);
  });

  it('stay by hand where somebody placed them meanwhile', async () => {
    const books = await openReported(server);
    await renumber(books, '5051', '7051');
    const { id: accountId } = await books.account('7051');
    const own = (await books.placement(books.other)).accounts.find(({ id }) => id === accountId);
    const finance = await books.category('Cost of sales', books.other);
    const other = await books.category('Other operating expenses', books.other);
    for (const [before, after] of [
      [own?.places ?? [], [{ side: 'any', categoryId: other.id }]],
      [[{ side: 'any', categoryId: other.id }], [{ side: 'any', categoryId: finance.id }]],
    ])
      await server.ok('PUT', `${books.path}/places?classification=${books.other}`, { changes: [{ accountId, before, after }] });
    await renumber(books, '7051', '5051');
    expect((await books.placement(books.other)).accounts.find(({ id }) => id === accountId)).toMatchObject({
      places: [{ side: 'any', categoryId: finance.id }],
      placesByRange: [],
    });
  });
});
