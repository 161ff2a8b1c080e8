import type { BroughtInList, ChartView, CodeListBody, ProofList, StatementBody, TakingBackBody, TrialBalanceViewBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { seeded } from '../support/seeded.ts';
import { TestServer } from '../support/server.ts';
import { bringIn, createCompany, figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

/** A chart with contra accounts of an asset and of equity; what each holds is made up to balance by the bank. */
const chart = [
  ['1000', 'Bank', 'asset', 'Cash and cash equivalents'],
  ['1200', 'Customers', 'asset', 'Trade and other receivables'],
  ['1500', 'Vessels', 'asset', 'Property, plant and equipment'],
  ['1510', 'Accumulated depreciation of vessels', 'asset', 'Property, plant and equipment'],
  ['2000', 'Suppliers', 'liability', 'Trade and other payables'],
  ['2500', 'Bank loan', 'liability', 'Loans and leases'],
  ['3000', 'Share capital', 'equity', 'Share capital'],
  ['3050', 'Own shares', 'equity', 'Share capital'],
  ['3100', 'Retained earnings', 'equity', 'Retained earnings'],
  ['4000', 'Sales', 'income', 'Revenue'],
  ['6000', 'Wages', 'expense', 'Staff costs'],
  ['6500', 'Depreciation of vessels', 'expense', 'Depreciation and amortisation'],
] as const;

interface File {
  readonly day: string;
  /** By account number, in cents. */
  readonly amounts: ReadonlyMap<string, number>;
}

const text = ({ amounts }: File) =>
  [
    'Number;Name;Element;Category;Balance',
    ...chart.map(([number, ...facts]) => [number, ...facts, ((amounts.get(number) ?? 0) / 100).toFixed(2)].join(';')),
  ].join('\n');

const balanced = (day: string, given: Readonly<Record<string, number>>): File => {
  const rest = Object.values(given).reduce((sum, amount) => sum + amount, 0);
  return { day, amounts: new Map(Object.entries({ ...given, 1000: -rest })) };
};

async function company(files: readonly File[]) {
  const { id } = await createCompany(server);
  for (const [at, file] of files.entries())
    await bringIn(server, id, text(file), { date: file.day, retainedEarnings: '3100', figures: { kind: 'year_to_date' } }, `file-${at}.csv`);
  const { accounts } = await server.ok<ChartView>('GET', `/companies/${id}/chart?from=2025-01-01&to=2025-12-31`);
  const bank = accounts.find(({ number }) => number === '1000');
  await server.ok('PATCH', `/companies/${id}/accounts/${bank?.id}`, { version: bank?.version, role: 'cash' });
  const rates = ['2024', '2025', '2026'].flatMap((year, at) =>
    Array.from({ length: 12 }, (_, month) => {
      const firstDay = `${year}-${String(month + 1).padStart(2, '0')}-01`;
      const lastDay = new Date(Date.UTC(Number(year), month + 1, 0)).toISOString().slice(0, 10);
      return [
        { kind: 'average', day: firstDay, rate: `11.${at}${month}7` },
        { kind: 'closing', day: lastDay, rate: `11.${at}${month}3` },
      ];
    }).flat(),
  );
  const set = [...rates, { kind: 'closing', day: '2025-05-19', rate: '11.81' }, { kind: 'closing', day: '2025-05-20', rate: '11.77' }];
  await server.ok('PUT', `/companies/${id}/rates`, { set: set.map((rate) => ({ currency: 'NOK', accountId: null, ...rate })) });
  return id;
}

/** Everything that is made of the ledger over some spans, figures alone. */
async function everything(id: number, spans: readonly (readonly [string, string])[]) {
  const found: unknown[] = [];
  for (const [from, to] of spans) {
    const { accounts } = await server.ok<TrialBalanceViewBody>('GET', `/companies/${id}/trial-balance?from=${from}&to=${to}`);
    found.push(accounts.map(({ number, opening, debit, credit, carried, closing }) => [number, opening, debit, credit, carried, closing]));
    for (const kind of ['balance-sheet', 'income-statement', 'cash-flow', 'changes-in-equity', 'trial-balance'] as const)
      for (const more of ['&detail=accounts', '&currency=NOK', '&scale=thousands&rounding=footed']) {
        const ran = (await statement(server, id, kind, from, to, more)) as StatementBody;
        found.push([from, to, kind, more, figures(ran)]);
      }
  }
  return found;
}

describe('trial balances in any order', () => {
  it('two year ends, the later one first, give the cash flow and the changes in equity that they give in order', async () => {
    const first = balanced('2024-12-31', {
      1200: 40_000_00,
      1500: 900_000_00,
      1510: -180_000_00,
      2000: -55_000_00,
      2500: -500_000_00,
      3000: -150_000_00,
      4000: -700_000_00,
      6000: 480_000_00,
      6500: 45_000_00,
    });
    const second = balanced('2025-12-31', {
      ...{ 1200: 52_500_00, 1500: 960_000_00, 1510: -228_000_00, 2000: -61_200_00, 2500: -440_000_00, 3000: -240_000_00, 3050: 12_000_00 },
      ...{ 3100: -175_000_00, 4000: -812_345_67, 6000: 505_000_00, 6500: 48_000_00 },
    });
    const [inOrder, laterFirst, corrected] = await Promise.all([
      company([first, second]),
      company([second, first]),
      // A wrong file of each day first.
      company([balanced('2025-12-31', { 3000: -1_000_00, 4000: -5_00 }), balanced('2024-12-31', { 1500: 77_777_77, 3000: -90_000_00 }), second, first]),
    ]);
    const spans = [
      ['2025-01-01', '2025-12-31'],
      ['2025-07-01', '2025-12-31'],
      ['2025-12-31', '2025-12-31'],
    ] as const;
    const expected = await everything(inOrder, spans);
    expect(await everything(laterFirst, spans)).toEqual(expected);
    expect(await everything(corrected, spans)).toEqual(expected);
    const flows = Object.fromEntries(figures(await statement(server, laterFirst, 'cash-flow', '2025-01-01', '2025-12-31', '&compare=none')));
    // Loan paid back 60,000; vessels for 60,000; nothing was disposed of and no new loan came.
    expect(flows).toMatchObject({ 'Loans and leases, payments': -60_000_00, 'Property, plant and equipment, additions': -60_000_00 });
    expect(Object.keys(flows).filter((caption) => /disposals|proceeds$/.test(caption))).toEqual(['Share capital, proceeds']);
  });

  it('any files in any order, some of them twice and one of a day inside a month, give the same on every statement', async () => {
    const below = seeded(2211);
    for (let round = 0; round < 3; round++) {
      const days = ['2024-12-31', '2025-05-20', '2025-08-31', '2025-12-31', '2026-03-31'].filter(() => below(4) > 0);
      const random = (day: string): File =>
        balanced(
          day,
          Object.fromEntries(chart.filter(([number]) => number !== '1000').map(([number]) => [number, below(2) === 0 ? 0 : below(9_000_000) - 4_500_000])),
        );
      const last = days.map(random);
      // Each day's own file comes behind the wrong ones of that day.
      const wrong = days.filter(() => below(2) === 0).map(random);
      const shuffled = [...wrong, ...last].map((file) => ({ file, at: below(1000) + (wrong.includes(file) ? 0 : 1000) }));
      const order = shuffled.sort((a, b) => a.at - b.at).map(({ file }) => file);
      const spans = [...days.slice(1).map((day) => [`${day.slice(0, 4)}-01-01`, day] as const), ['2025-05-20', '2026-03-31'] as const];
      expect(await everything(await company(order), spans), `round ${round}: ${order.map(({ day }) => day).join(' ')}`).toEqual(
        await everything(await company(last), spans),
      );
    }
  });

  it('two files of one day inside a month, on accounts with facet values, are the net of that day by facet value too', async () => {
    const below = seeded(2213);
    const start = balanced('2024-12-31', { 1500: 50_000_00, 2500: -20_000_00, 3000: -10_000_00 });
    const random = (): File =>
      balanced('2025-05-20', Object.fromEntries(chart.filter(([number]) => number !== '1000').map(([number]) => [number, below(9_000_000) - 4_500_000])));
    const [wrong, right] = [random(), random()];
    const read = async (files: readonly File[]) => {
      const id = await company([start]);
      const path = `/companies/${id}`;
      const { key } = await server.ok<CodeListBody>('POST', `${path}/code-lists`, {
        kind: 'facet',
        name: 'Vessel',
        codes: [
          { code: 'TERN', caption: 'MV Tern' },
          { code: 'GULL', caption: 'MV Gull' },
        ],
      });
      const { accounts } = await server.ok<ChartView>('GET', `${path}/chart?from=2025-01-01&to=2025-12-31`);
      for (const { id: accountId, number, version } of accounts.filter((one) => /^[14-6]/.test(one.number)))
        await server.ok('PATCH', `${path}/accounts/${accountId}`, { version, codes: { [key]: Number(number) % 200 === 0 ? 'TERN' : 'GULL' } });
      for (const file of files) await bringIn(server, id, text(file), { date: file.day, figures: { kind: 'year_to_date' } });
      const found: unknown[] = [];
      // To the day, to the day before, to one behind it; the whole month.
      for (const to of ['2025-05-20', '2025-05-19', '2025-05-25', '2025-05-31'])
        for (const value of ['TERN', 'GULL', '']) {
          const facets = encodeURIComponent(JSON.stringify({ [key]: [value] }));
          const view = await server.ok<TrialBalanceViewBody>('GET', `${path}/trial-balance?from=2025-05-01&to=${to}&facets=${facets}`);
          found.push(view.accounts.map(({ number, opening, debit, credit, closing }) => [number, opening, debit, credit, closing]));
          for (const kind of ['cash-flow', 'changes-in-equity'] as const)
            found.push(figures(await statement(server, id, kind, '2025-05-01', to, `&detail=accounts&facets=${facets}`)));
        }
      return found;
    };
    const expected = await read([right]);
    expect(JSON.stringify(expected)).toContain(String(Math.abs(right.amounts.get('4000') ?? 0)));
    expect(await read([wrong, right])).toEqual(expected);
    expect(await read([right, wrong, right])).toEqual(expected);
  });
});

describe('a trial balance that is taken back', () => {
  const spans = [
    ['2025-01-01', '2025-12-31'],
    ['2025-07-01', '2025-12-31'],
  ] as const;
  const random = (day: string, below: (bound: number) => number): File =>
    // The side of a contra account is proposed from the first figure that it comes with.
    balanced(
      day,
      Object.fromEntries(
        chart.filter(([number]) => number !== '1000').map(([number]) => [number, number === '1510' ? -below(4_500_000) : below(9_000_000) - 4_500_000]),
      ),
    );
  const filesOf = async (id: number) => (await server.ok<BroughtInList>('GET', `/companies/${id}/trial-balance-files`)).files;

  it('leaves everything as if it had not come, whichever of the files it was and in whatever order they came', async () => {
    const below = seeded(2212);
    const days = ['2024-12-31', '2025-05-31', '2025-09-30', '2025-12-31'];
    const files = days.map((day) => random(day, below));
    for (const order of [
      [0, 1, 2, 3],
      [3, 1, 0, 2],
      [2, 0, 3, 1],
    ])
      for (const taken of [1, 2, 3]) {
        const id = await company(order.map((at) => files[at] as File));
        const file = (await filesOf(id)).find(({ date }) => date === days[taken]);
        const path = `/companies/${id}/trial-balances/${file?.id}/taking-back`;
        const looked = await server.ok<TakingBackBody>('GET', path);
        expect(looked.reversed.length).toBeGreaterThanOrEqual(file?.entries.length ?? 1);
        await server.ok('POST', path);
        expect(await everything(id, spans), `${order.join(' ')}, without ${days[taken]}`).toEqual(
          await everything(await company(files.filter((_, at) => at !== taken)), spans),
        );
        const { proofs } = await server.ok<ProofList>('GET', `/companies/${id}/proofs?from=2025-01-01&to=2025-12-31`);
        expect(proofs.find(({ name }) => name === 'balances_from_lines')?.state).toBe('holds');
      }
  });

  it('that stood in the place of an earlier one of its day leaves that one', async () => {
    const below = seeded(2213);
    const [first, wrong, last] = [random('2024-12-31', below), random('2025-12-31', below), random('2025-12-31', below)];
    const id = await company([first, last, wrong]);
    const [, file] = (await filesOf(id)).filter(({ date }) => date === '2025-12-31');
    await server.ok('POST', `/companies/${id}/trial-balances/${file?.id}/taking-back`);
    expect(await everything(id, spans)).toEqual(await everything(await company([first, last]), spans));
  });

  it('is taken back once, by eight at once too, and its account of the first balances goes with it', async () => {
    const below = seeded(2214);
    const id = await company([random('2024-12-31', below), random('2025-12-31', below)]);
    const [file] = await filesOf(id);
    const answers = await Promise.all(Array.from({ length: 8 }, () => server.call('POST', `/companies/${id}/trial-balances/${file?.id}/taking-back`)));
    expect(answers.filter(({ status }) => status < 300)).toHaveLength(1);
    expect(answers.filter(({ status }) => status >= 300).every(({ status }) => status === 409 || status === 422)).toBe(true);
    expect((await server.refused('GET', `/companies/${id}/trial-balances/${file?.id}/taking-back`)).code).toBe('trial_balance_taken_back');
    const run = await statement(server, id, 'cash-flow', '2025-01-01', '2025-12-31', '&compare=none');
    expect(run.columns).toMatchObject([{ began: '2025-12-31' }]);
  });
});
