import type {
  CategoryBody,
  ChartRehearsalBody,
  ChartView,
  CodeListBody,
  Company,
  LayoutDetail,
  LayoutList,
  MergeRehearsalBody,
  PlacementDraftBody,
  PlacementView,
  SettingsRehearsalBody,
  StatementBody,
  StatementEffect,
} from '@ivory-ladder/contract';
import { newLine } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { line } from '../support/layoutShop.ts';
import { TestServer } from '../support/server.ts';
import { bringIn, createCompany } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

/** It ends within a period. */
const span = { from: '2026-01-01', to: '2026-10-15' };
const generated = ['balance-sheet', 'income-statement', 'cash-flow', 'changes-in-equity'] as const;

const chart = [
  '1000,Bank,asset,Cash and cash equivalents',
  '1010,Savings,asset,Cash and cash equivalents',
  '1100,Customers,asset,Trade receivables',
  '2000,Suppliers,liability,Trade payables',
  '2100,Loan,liability,Loans',
  '3000,Share capital,equity,Share capital',
  '3100,Retained earnings,equity,Retained earnings',
  '3200,Reserve,equity,Reserves',
  '4000,Sales,income,Revenue',
  '5050,Diesel,expense,Other operating expenses',
  '5051,Oil,expense,Other operating expenses',
  '50510,Grease,expense,Other operating expenses',
  '5060,Wages,expense,Staff costs',
  '6200,Insurance,expense,Other operating expenses',
];
const balances = {
  '2025-12-31': [300, 50, 90, -60, -200, -100, -30, -50, 0, 0, 0, 0, 0, 0],
  '2026-09-30': [420, 80, 120, -95, -150, -100, -30, -70, -700, 200, 30, 25, 225, 45],
};

/** A company with movements in every statement, a second classification with ranges, and three layouts in use: by numbers, by report codes, and a cash flow. */
async function open() {
  const { id } = await createCompany(server);
  const path = `/companies/${id}`;
  for (const [date, amounts] of Object.entries(balances))
    await bringIn(server, id, ['Number,Name,Element,Category,Balance', ...chart.map((row, at) => `${row},${amounts[at]}`)].join('\n'), {
      date,
      retainedEarnings: '3100',
    });
  const placement = (classification?: number) =>
    server.ok<PlacementView>('GET', `${path}/placement?${new URLSearchParams(span)}${classification === undefined ? '' : `&classification=${classification}`}`);
  const account = async (number: string) => {
    const { accounts } = await server.ok<ChartView>('GET', `${path}/chart?${new URLSearchParams(span)}`);
    const found = accounts.find((one) => one.number === number);
    if (!found) throw new Error(`no account ${number}`);
    return found;
  };
  for (const number of ['1000', '1010']) {
    const { id: accountId, version } = await account(number);
    await server.ok('PATCH', `${path}/accounts/${accountId}`, { version, role: 'cash' });
  }
  const other = await server.ok<{ id: number }>('POST', `${path}/classifications`, { name: 'Management', copyOf: 1 });
  const category = async (name: string, of?: number) => (await placement(of)).categories.find((one) => one.name === name) as CategoryBody;
  // Some expenses stand by range in the other tree, and by hand in the main one.
  const inOther = await placement(other.id);
  await server.ok('PUT', `${path}/places?classification=${other.id}`, {
    changes: inOther.accounts
      .filter(({ number }) => number.startsWith('505') || number === '6200')
      .map((one) => ({ accountId: one.id, before: one.places, after: [] })),
  });
  for (const [name, text] of [
    ['Cost of sales', '5050 to 5055'],
    ['Staff costs', '6000 to 61999'],
  ] as const) {
    const { id: categoryId, version } = await category(name, other.id);
    await server.ok('PATCH', `${path}/categories/${categoryId}?classification=${other.id}`, { version, ranges: [{ side: 'any', text }] });
  }
  const list = await server.ok<CodeListBody>('POST', `${path}/code-lists`, {
    kind: 'report',
    name: 'Return',
    codes: [
      { code: 'A', caption: 'Running' },
      { code: 'B', caption: 'People' },
    ],
  });
  const use = async (name: string, from: string, more: readonly unknown[]) => {
    const begun = await server.ok<LayoutDetail>('POST', `${path}/layouts`, { name, from });
    const saved = await server.ok<LayoutDetail>('PUT', `${path}/layouts/${begun.id}/draft`, {
      version: begun.version,
      definition: {
        ...begun.definition,
        ...(from === 'nothing' ? { scope: ['expense'], measure: 'movement' } : {}),
        lines: [...begun.definition.lines, ...more.map(line)],
      },
    });
    return server.ok<LayoutDetail>('POST', `${path}/layouts/${saved.id}/use`, { version: saved.version, reason: '' });
  };
  await use('By numbers', 'nothing', [
    { ...newLine('accounts', 'fuel', 'Fuel'), sources: [{ kind: 'numbers', text: '5050 to 5055' }] },
    { ...newLine('accounts', 'rest', 'Rest'), sources: [{ kind: 'numbers', text: '5056 to 6999' }] },
  ]);
  await use('By codes', 'nothing', [{ ...newLine('accounts', 'a', 'Running'), sources: [{ kind: 'code', list: list.key, code: 'A', begins: false }] }]);
  await use('Cash flow of the bank', 'cash_flow', []);
  const load = async (content: string) => {
    const { fileId } = await server.ok<{ fileId: number }>('POST', `${path}/chart-files?name=chart.csv`, new TextEncoder().encode(content));
    const { effect, structureVersion, revision } = await server.ok<ChartRehearsalBody>('POST', `${path}/chart-files/${fileId}/rehearsal`, span);
    return { effect, apply: () => server.ok('POST', `${path}/chart-files/${fileId}/application`, { structureVersion, revision }) };
  };
  const draft = async (made: PlacementDraftBody, classification?: number) => {
    const of = classification === undefined ? {} : { classification };
    const effect = await server.ok<StatementEffect>('POST', `${path}/placement-rehearsal`, { draft: made, ...span, ...of });
    return { effect, apply: () => server.ok('POST', `${path}/placement-records`, { draft: made, ...span, ...of }) };
  };
  const move = async (number: string, to: string): Promise<PlacementDraftBody['places'][number]> => {
    const one = await account(number);
    return { accountId: one.id, before: one.places, after: [{ side: 'any', categoryId: (await category(to)).id }] };
  };
  /** Every figure of every statement, as the API of statements gives them: by statement, line and column. */
  const reported = async () => {
    const figures = new Map<string, string>();
    const layouts = (await server.ok<{ layouts: { id: number; name: string }[] }>('GET', `${path}/layouts`)).layouts;
    for (const [of, query] of [
      ['', ''],
      [' of Management', `&classification=${other.id}`],
    ] as const)
      for (const kind of generated) await take(figures, `${path}/statements/${kind}`, query, of);
    for (const { id: layoutId } of layouts) await take(figures, `${path}/statements/layout-${layoutId}`, '', ' layout');
    return figures;
  };
  /** What the lines of the layout by numbers say that they take. */
  const texts = async () => {
    const { layouts } = await server.ok<LayoutList>('GET', `${path}/layouts`);
    const own = layouts.find(({ name }) => name === 'By numbers');
    const { used } = await server.ok<LayoutDetail>('GET', `${path}/layouts/${own?.id}`);
    return used?.lines.map((one) => ('sources' in one ? one.sources : []));
  };
  return { id, path, account, category, placement, other: other.id, list, load, draft, move, reported, texts };
}

async function take(figures: Map<string, string>, address: string, query: string, of: string): Promise<void> {
  const body = await server.ok<StatementBody>('GET', `${address}?${new URLSearchParams(span)}&compare=none&plan=comparison&detail=9${query}`);
  const seen = new Map<string, number>();
  body.columns.forEach((column, at) => {
    const isTotal = at === body.columns.length - 1;
    for (const { caption, role, values } of body.rows) {
      const value = values[at] ?? null;
      if (role === 'heading' || role === 'space' || value === null || (!isTotal && value === '0')) continue;
      const name = `${body.title}${of}: ${caption}${isTotal ? '' : ` · ${column.heading ?? ''}`}`;
      const nth = (seen.get(name) ?? 0) + 1;
      seen.set(name, nth);
      figures.set(`${name} ${nth}`, value);
    }
  });
}

/** What differs between two states of all statements: the values of each line that is another, without which one. */
function differences(before: ReadonlyMap<string, string>, after: ReadonlyMap<string, string>): string[] {
  const names = new Set([...before.keys(), ...after.keys()]);
  return [...names].flatMap((name) => (before.get(name) === after.get(name) ? [] : [`${before.get(name) ?? 'none'} → ${after.get(name) ?? 'none'}`])).sort();
}

const told = ({ rows }: StatementEffect): string[] => rows.map(({ before, after }) => `${before ?? 'none'} → ${after ?? 'none'}`).sort();
const changedIn = ({ lookedAt, rows }: StatementEffect): string[] =>
  [...new Set(rows.map(({ statement }) => statement))].map(
    (at) => `${lookedAt[at]?.title}${lookedAt[at]?.classification ? ` of ${lookedAt[at].classification}` : ''}`,
  );

type Books = Awaited<ReturnType<typeof open>>;
type Rehearsed = { readonly effect: StatementEffect; apply(): Promise<unknown> };

async function mergeOf({ path, account }: Books, from: string, to: string, day: string): Promise<Rehearsed> {
  const body = { into: (await account(to)).id, day };
  const own = `${path}/accounts/${(await account(from)).id}`;
  const { effect, structureVersion, revision } = await server.ok<MergeRehearsalBody>('POST', `${own}/merge-rehearsal`, { ...body, ...span });
  return { effect, apply: () => server.ok('POST', `${own}/merge`, { ...body, structureVersion, revision }, { 'Idempotency-Key': 'merge' }) };
}

const changes: readonly (readonly [string, (books: Books) => Promise<Rehearsed>, readonly string[]])[] = [
  [
    'renumbering under layouts that take ranges of numbers',
    async ({ path, account }) => {
      const { id: accountId, version } = await account('5051');
      const body = { changes: [{ accountId, version, number: '5058' }] };
      const effect = await server.ok<StatementEffect>('POST', `${path}/renumbering-rehearsal`, { ...body, ...span });
      return { effect, apply: () => server.ok('POST', `${path}/renumbering`, body) };
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
    (books) => mergeOf(books, '5051', '5060', '2026-09-30'),
    ['Income statement', 'By numbers', 'Income statement of Management'],
  ],
  [
    'an account of equity merged into another within a period',
    async (books) => mergeOf(books, '3200', '3000', '2026-10-10'),
    [
      ...['Balance sheet', 'Cash flow statement', 'Statement of changes in equity', 'Cash flow of the bank'],
      ...['Balance sheet of Management', 'Cash flow statement of Management', 'Statement of changes in equity of Management'],
    ],
  ],
  [
    'another order of numbers',
    async ({ path }) => {
      const { settingsVersion: version } = await server.ok<Company>('GET', path);
      const { effect } = await server.ok<SettingsRehearsalBody>('POST', `${path}/settings-rehearsal`, { digitOrder: 'digit_by_digit', ...span });
      return { effect, apply: () => server.ok('PATCH', path, { version, digitOrder: 'digit_by_digit' }) };
    },
    [],
  ],
];

describe('an effect that is stated is the whole effect', () => {
  it.each(changes)('of %s: each line of every statement and layout in use that changes, and no other', async (_, change, where) => {
    const books = await open();
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
  const standing = async ({ placement, other }: Books) => (await placement(other)).accounts.map(({ id, places, placesByRange }) => [id, places, placesByRange]);

  const renumber = async ({ path, account }: Books, from: string, to: string) => {
    const { id: accountId, version } = await account(from);
    return server.ok('POST', `${path}/renumbering`, { changes: [{ accountId, version, number: to }] });
  };
  const rename = async ({ path, account }: Books, from: string, to: string) => {
    const { id, version } = await account(from);
    return server.ok('PATCH', `${path}/accounts/${id}`, { version, number: to });
  };
  const byFile = async ({ load }: Books, from: string, to: string) => (await load(`Number,New number\n${from},${to}`)).apply();
  const order = (digitOrder: string) => async (books: Books) => {
    const { settingsVersion } = await server.ok<Company>('GET', books.path);
    await server.ok('PATCH', books.path, { version: settingsVersion, digitOrder });
  };

  it.each([
    ['at once', (books: Books) => renumber(books, '5051', '7051'), (books: Books) => renumber(books, '7051', '5051')],
    ['one by one', (books: Books) => rename(books, '5051', '7051'), (books: Books) => rename(books, '7051', '5051')],
    ['by file', (books: Books) => byFile(books, '5051', '7051'), (books: Books) => byFile(books, '7051', '5051')],
    ['by file, to where another range is', (books: Books) => byFile(books, '5051', '6051'), (books: Books) => renumber(books, '6051', '5051')],
    ['by another order of digits', order('digit_by_digit'), order('by_value')],
  ])('%s stand where they stood in every classification and layout, by hand, and by range again with their numbers back', async (_, change, back) => {
    const books = await open();
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
    const books = await open();
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
