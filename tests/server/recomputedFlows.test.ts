import type { PostedEntryBody, StatementBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type AccountFlow, flowsByAccount, rawLines } from '../support/flowsFromLines.ts';
import { type OwnAccount, openOwnBooks } from '../support/ownBooks.ts';
import { seeded } from '../support/seeded.ts';
import { TestServer } from '../support/server.ts';
import { bringIn, statement } from '../support/trialBalance.ts';

/** Cash flow and changes in equity derived once more from the raw lines of the database, by a program of the tests that knows nothing of the core. */

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

const chart: readonly OwnAccount[] = [
  ['1000', 'Bank', 'asset', 'Cash and cash equivalents', 90_000],
  ['1010', 'Till', 'asset', 'Cash and cash equivalents', 1_000],
  ['1200', 'Customers', 'asset', 'Trade and other receivables', 12_000],
  ['1500', 'Vessels', 'asset', 'Property, plant and equipment', 200_000],
  ['1590', 'Accumulated depreciation', 'asset', 'Property, plant and equipment', -40_000],
  ['2000', 'Suppliers', 'liability', 'Trade and other payables', -8_000],
  ['2300', 'Income tax payable', 'liability', 'Income tax payable', -3_000],
  ['2600', 'Bank loan', 'liability', 'Loans and leases', -120_000],
  ['2700', 'Provision', 'liability', 'Provisions', -2_000],
  ['3000', 'Share capital', 'equity', 'Share capital', -60_000],
  ['3050', 'Own shares', 'equity', 'Share capital', 500],
  ['3100', 'Retained earnings', 'equity', 'Retained earnings', -70_500],
  ['3150', 'Dividends of the year', 'equity', 'Retained earnings'],
  ['3200', 'Reserve', 'equity', 'Reserves'],
  ['4000', 'Sales', 'income', 'Revenue'],
  ['6000', 'Wages', 'expense', 'Staff costs'],
  ['6500', 'Depreciation', 'expense', 'Depreciation and amortisation'],
  ['8000', 'Income tax', 'expense', 'Income tax'],
];
const numbers = chart.map(([number]) => number);
const equity = numbers.filter((number) => number.startsWith('3'));

/** A year of random entries: mixed ones with both sides on equity, reversals on their day and later, an opening, and two files in the wrong order. */
async function randomYear(seed: number) {
  const below = seeded(seed);
  const books = await openOwnBooks(server, chart, { 1000: 'cash', 1010: 'cash' });
  const day = () => `2025-${String(1 + below(12)).padStart(2, '0')}-${String(1 + below(28)).padStart(2, '0')}`;
  const pick = (from: readonly string[]) => from[below(from.length)] as string;
  await books.post('2025-01-01', { 1500: 700, 2600: -700 }, { opening: true });
  const posted: { readonly entry: PostedEntryBody; readonly date: string }[] = [];
  for (let at = 0; at < 50; at++) {
    const units = new Map<string, number>();
    const among = below(3) === 0 ? equity : numbers;
    for (let line = 0; line < 2 + below(4); line++) units.set(pick(line === 0 ? among : numbers), below(9_000) - 4_500);
    const rest = [...units.values()].reduce((sum, amount) => sum + amount, 0);
    const other = pick(numbers.filter((number) => !units.has(number)));
    const lines = Object.fromEntries([...units, [other, -rest] as const].filter(([, amount]) => amount !== 0));
    if (Object.keys(lines).length < 2) continue;
    const date = day();
    posted.push({ entry: await books.post(date, lines), date });
  }
  for (const { entry, date } of posted.filter(() => below(6) === 0))
    await server.ok('POST', `${books.path}/entries/${entry.entryId}/reversal`, {
      date: below(2) === 0 ? date : date > '2025-11-30' ? '2025-12-31' : '2025-12-01',
    });
  for (const date of ['2025-10-31', '2025-06-30']) {
    const figures = chart
      .slice(1)
      .map(([number, name, element, category, units = 0]) => [number, name, element, category, units + below(2_000) - 1_000] as const);
    const sum = figures.reduce((all, [, , , , amount]) => all + amount, 0);
    const [[number, name, element, category]] = chart as [OwnAccount];
    const rows = [[number, name, element, category, -sum], ...figures].map((row) => row.join(';'));
    await bringIn(server, books.id, ['Number;Name;Element;Category;Balance', ...rows].join('\n'), { date, figures: { kind: 'year_to_date' } }, `${date}.csv`);
  }
  return books;
}

/** As IAS 7 has them; what is charged to a deduction from an asset is an adjustment of profit. */
function activityOf(account: string, isAdded: boolean): string {
  if (['1000', '1010'].includes(account)) return 'cash';
  if (account === '1500' || (account === '1590' && !isAdded)) return 'investing';
  return account === '2600' || account.startsWith('3') ? 'financing' : 'operating';
}

/** What comes and what goes in a category; of dividends both are one line, and what customers and suppliers owe is told apart. */
function lineOf(account: string, isAdded: boolean): string {
  if (['1200', '2000'].includes(account)) return 'working capital';
  const category = { 1590: '1500', 3050: '3000', 3150: '3100' }[account] ?? account;
  return category === '3100' ? category : `${category} ${isAdded}`;
}

const cents = ({ rows }: StatementBody, caption: string, column = 0): number =>
  Number(rows.find((row) => row.caption === caption && row.role !== 'heading')?.values[column] ?? 0);

describe.each([1, 2, 3])('a year of random entries (%i)', (seed) => {
  it('has the cash flow and the changes in equity that its raw lines give', async () => {
    const books = await randomYear(700 + seed);
    const lines = await rawLines(server.databaseUrl, books.id);
    for (const [from, to] of [
      ['2025-01-01', '2025-12-31'],
      ['2025-07-01', '2025-12-31'],
      ['2025-03-10', '2025-10-31'],
    ] as const) {
      const flows = flowsByAccount(lines, from, to, activityOf, lineOf);
      const whole = flowsByAccount(lines, from, to);
      const sum = (accounts: readonly string[], of: (flow: AccountFlow) => number): number =>
        accounts.reduce((all, number) => all + of(flows.get(number) ?? { opening: 0, closing: 0, up: 0, down: 0, transferred: 0, given: 0 }), 0);
      const held = (accounts: readonly string[]): number => sum(accounts, ({ opening, closing }) => opening - closing);
      const given = (accounts: readonly string[]): number => sum(accounts, (flow) => flow.given);
      const net = (accounts: readonly string[]): number => held(accounts) + given(accounts);
      const cash = await statement(server, books.id, 'cash-flow', from, to, '&compare=none');
      const expected = {
        'Property, plant and equipment, additions': -sum(['1500'], ({ up }) => up),
        'Property, plant and equipment, disposals': sum(['1500', '1590'], ({ down }) => down) - 2 * sum(['1590'], ({ down }) => down),
        'Property, plant and equipment, depreciation': sum(['1590'], ({ up }) => up),
        'Loans and leases, proceeds': sum(['2600'], ({ up }) => up),
        'Loans and leases, payments': -sum(['2600'], ({ down }) => down),
        'Share capital, proceeds': sum(['3000', '3050'], ({ up }) => up),
        'Share capital, payments': -sum(['3000', '3050'], ({ down }) => down),
        'Reserves, proceeds': sum(['3200'], ({ up }) => up),
        'Reserves, payments': -sum(['3200'], ({ down }) => down),
        'Dividends paid': sum(['3100', '3150'], ({ up, down }) => up - down),
        'Trade and other receivables': net(['1200']),
        'Trade and other payables': net(['2000']),
        Provisions: net(['2700']),
        'Income taxes paid': net(['2300', '8000']),
        'Profit before tax': held(['4000', '6000', '6500']),
        'Other income and expenses without cash': given(['4000', '6000', '6500']),
        'Cash and cash equivalents at the beginning': sum(['1000', '1010'], ({ opening }) => opening),
        'Cash and cash equivalents at the end': sum(['1000', '1010'], ({ closing }) => closing),
        'Net change in cash and cash equivalents': -net(['1000', '1010']),
      };
      expect(Object.fromEntries(Object.keys(expected).map((caption) => [caption, cents(cash, caption)])), `${from} to ${to}`).toEqual(
        Object.fromEntries(Object.entries(expected).map(([caption, amount]) => [caption, amount + 0])),
      );
      // Changes in equity count whole, whether cash moved or not.
      const all = (accounts: readonly string[], of: (flow: AccountFlow) => number): number =>
        accounts.reduce((total, number) => total + (whole.has(number) ? of(whole.get(number) as AccountFlow) : 0), 0);
      const changes = await statement(server, books.id, 'changes-in-equity', from, to, '&compare=none&zero=1');
      const columns = [['3000', '3050'], ['3200'], ['3100', '3150'], equity] as const;
      const at = (accounts: readonly string[]) =>
        accounts === equity
          ? changes.columns.length - 1
          : changes.columns.findIndex(
              ({ heading }) =>
                heading === ({ 3000: 'Share capital', 3200: 'Reserves', 3100: 'Retained earnings' } as Record<string, string>)[accounts[0] as string],
            );
      for (const accounts of columns) {
        const told = ['Contributions and other increases', 'Distributions and other decreases', 'Transfers within equity'].map((caption) =>
          cents(changes, caption, at(accounts)),
        );
        expect(told, `${from} to ${to}: ${accounts.join(' ')}`).toEqual(
          [all(accounts, ({ up }) => up), -all(accounts, ({ down }) => down), all(accounts, ({ transferred }) => transferred)].map((amount) => amount + 0),
        );
      }
    }
  });

  it('comes to its closing cash in another currency, scaled or not, at the rates of its days', async () => {
    const books = await randomYear(700 + seed);
    const rate = (kind: string, day: string, value: string) => ({ currency: 'NOK', accountId: null, kind, day, rate: value });
    const set = [
      rate('closing', '2024-12-31', '11.117'),
      ...Array.from({ length: 12 }, (_, month) => rate('average', `2025-${String(month + 1).padStart(2, '0')}-01`, `11.${431 + 29 * month}`)),
      ...Array.from({ length: 12 }, (_, month) => rate('closing', new Date(Date.UTC(2025, month + 1, 0)).toISOString().slice(0, 10), `11.${389 + 31 * month}`)),
    ];
    await server.ok('PUT', `${books.path}/rates`, { set });
    const lines = await rawLines(server.databaseUrl, books.id);
    const flows = flowsByAccount(lines, '2025-01-01', '2025-12-31');
    const inKroner = (amount: number, thousandths: number): number => {
      const exact = BigInt(Math.abs(amount)) * BigInt(thousandths);
      return Math.sign(amount) * Number((2n * exact + 1000n) / 2000n);
    };
    const held = (of: 'opening' | 'closing', thousandths: number): number =>
      ['1000', '1010'].reduce((sum, number) => sum + inKroner(flows.get(number)?.[of] ?? 0, thousandths), 0);
    const exact = await statement(server, books.id, 'cash-flow', '2025-01-01', '2025-12-31', '&compare=none&currency=NOK');
    expect([cents(exact, 'Cash and cash equivalents at the beginning'), cents(exact, 'Cash and cash equivalents at the end')]).toEqual([
      held('opening', 11_117),
      held('closing', 11_730),
    ]);
    for (const scale of ['exact', 'units', 'thousands']) {
      const { rows } = await statement(server, books.id, 'cash-flow', '2025-01-01', '2025-12-31', `&compare=none&currency=NOK&zero=1&scale=${scale}`);
      const value = (key: string) => Number(rows.find((row) => row.key === key && row.role !== 'heading')?.values[0] ?? 0);
      expect(
        value('cash_opening') + value('operating') + value('investing') + value('financing') + value('cash_exchange') + value('exchange_differences'),
        scale,
      ).toBe(value('cash_closing'));
    }
  });
});
