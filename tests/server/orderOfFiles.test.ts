import type { ChartView, StatementBody, TrialBalanceViewBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { seeded } from '../support/seeded.ts';
import { TestServer } from '../support/server.ts';
import { bringIn, createCompany, figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
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
});
