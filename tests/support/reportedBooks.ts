import type {
  CategoryBody,
  ChartCheckBody,
  ChartView,
  CodeListBody,
  LayoutDetail,
  LayoutList,
  MergeCheckBody,
  PlacementDraftBody,
  PlacementView,
  StatementBody,
  StatementEffect,
} from '@ivory-ladder/contract';
import { newLine } from '@ivory-ladder/core';
import { line } from './layoutShop.ts';
import type { TestServer } from './server.ts';
import { bringIn, createCompany } from './trialBalance.ts';

/** It ends within a period. */
export const span = { from: '2026-01-01', to: '2026-10-15' };
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
export async function openReported(server: TestServer) {
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
  await use('By codes', 'nothing', [
    { ...newLine('accounts', 'a', 'Running'), sources: [{ kind: 'code', list: list.key, code: 'A', begins: false }] },
    // Without a code it is divided by nothing, and shows no figure.
    { ...newLine('calculation', 'per', 'Hundred per running'), formula: '100 / a', result: 'percent' },
  ]);
  await use('Cash flow of the bank', 'cash_flow', []);
  const load = async (content: string) => {
    const { fileId } = await server.ok<{ fileId: number }>('POST', `${path}/chart-files?name=chart.csv`, new TextEncoder().encode(content));
    const { effect, structureVersion, revision } = await server.ok<ChartCheckBody>('POST', `${path}/chart-files/${fileId}/rehearsal`, span);
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
      for (const kind of generated) await take(server, figures, `${path}/statements/${kind}`, query, of);
    for (const { id: layoutId } of layouts) await take(server, figures, `${path}/statements/layout-${layoutId}`, '', ' layout');
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

async function take(server: TestServer, figures: Map<string, string>, address: string, query: string, of: string): Promise<void> {
  const body = await server.ok<StatementBody>('GET', `${address}?${new URLSearchParams(span)}&compare=none&plan=comparison&detail=9${query}`);
  const seen = new Map<string, number>();
  body.columns.forEach((column, at) => {
    const isTotal = at === body.columns.length - 1;
    for (const { key, role, values } of body.rows) {
      const value = values[at] ?? null;
      if (role === 'heading' || role === 'space' || value === null || (!isTotal && value === '0')) continue;
      // By its key: a line that is called otherwise shows no other amount.
      const name = `${body.title}${of}: ${key}${isTotal ? '' : ` · ${column.heading ?? ''}`}`;
      const nth = (seen.get(name) ?? 0) + 1;
      seen.set(name, nth);
      figures.set(`${name} ${nth}`, value);
    }
  });
}

/** What differs between two states of all statements: the values of each line that is another, without which one. */
export function differences(before: ReadonlyMap<string, string>, after: ReadonlyMap<string, string>): string[] {
  const names = new Set([...before.keys(), ...after.keys()]);
  return [...names].flatMap((name) => (before.get(name) === after.get(name) ? [] : [`${before.get(name) ?? 'none'} → ${after.get(name) ?? 'none'}`])).sort();
}

/** The same of what was said. */
export const told = ({ rows }: StatementEffect): string[] => rows.map(({ before, after }) => `${before ?? 'none'} → ${after ?? 'none'}`).sort();
export type ReportedBooks = Awaited<ReturnType<typeof openReported>>;
/** A change with what is said of it before it is made. */
export interface Rehearsed {
  readonly effect: StatementEffect;
  apply(): Promise<unknown>;
}

/** A body that is sent twice: with the span to where it is looked at, and alone to where it is done. */
export async function rehearsed(
  server: TestServer,
  looks: readonly [path: string, body: object],
  does: readonly [method: 'POST' | 'PATCH' | 'PUT', path: string, body: object],
): Promise<Rehearsed> {
  const effect = await server.ok<StatementEffect>('POST', looks[0], { ...looks[1], ...span });
  return { effect, apply: () => server.ok(...does) };
}

export async function mergeOf(server: TestServer, { path, account }: ReportedBooks, from: string, to: string, day: string): Promise<Rehearsed> {
  const body = { into: (await account(to)).id, day };
  const own = `${path}/accounts/${(await account(from)).id}`;
  const { effect, structureVersion, revision } = await server.ok<MergeCheckBody>('POST', `${own}/merge-rehearsal`, { ...body, ...span });
  return { effect, apply: () => server.ok('POST', `${own}/merge`, { ...body, structureVersion, revision }, { 'Idempotency-Key': `merge ${from} ${to}` }) };
}
