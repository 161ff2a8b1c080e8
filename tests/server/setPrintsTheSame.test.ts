import type { LayoutDetail, RanSet, StatementBody, StatementSetBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';

let server: TestServer;
let path: string;
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
  path = `/companies/${await server.companyId()}`;
});
afterAll(() => server.stop());

type Part = readonly [statement: string, columns: { plan: string } | null];

async function ranSet(name: string, parts: readonly Part[], unit: string, query: string): Promise<StatementBody[]> {
  const { id } = await server.ok<StatementSetBody>('POST', `${path}/sets`, {
    name: `${name} ${unit} ${query}`,
    definition: {
      parts: parts.map(([statement, columns], at) => ({ key: `p${at}`, statement, title: '', columns, detail: 'accounts', zeroLines: false })),
      scale: { unit, rounding: 'footed' },
      language: null,
    },
  });
  const ran = await server.ok<RanSet>('GET', `${path}/sets/${id}/statements?${query}`);
  return ran.parts.map(({ statement }) => statement as StatementBody);
}

/** What a line prints in a column of amounts over a last day. */
function figure({ rows, columns }: StatementBody, key: string, lastDay: string, at = 0): bigint {
  const found = columns.flatMap((column, place) => (column.kind === 'amount' && column.lastDay === lastDay ? [place] : []));
  const row = rows.find((one) => one.lineKey === key && one.accountId === null && one.role !== 'heading');
  return BigInt(row?.values[found.at(at) ?? -1] ?? 0);
}

/** Before the demo has accounts that nobody placed, which no statement could print the same. */
const spans = [
  ['2025-01-01', '2025-12-31', '2024-12-31'],
  ['2025-01-01', '2025-08-31', '2024-12-31'],
  ['2024-01-01', '2024-12-31', '2023-12-31'],
] as const;

describe('an item of a set', () => {
  it.each(spans.flatMap(([from, to, before]) => ['units', 'thousands', 'millions'].map((unit) => [unit, from, to, before] as const)))(
    'prints the same in all its statements (%s, %s to %s)',
    async (unit, from, to, before) => {
      const parts: Part[] = [
        ['balance-sheet', null],
        ['income-statement', null],
        ['cash-flow', null],
        ['changes-in-equity', null],
      ];
      const [sheet, income, cashFlow, changes] = (await ranSet('All', parts, unit, `from=${from}&to=${to}`)) as [
        StatementBody,
        StatementBody,
        StatementBody,
        StatementBody,
      ];
      const total = (key: string, day: string) => figure(sheet, key, day);
      // Equity at both ends, of all of it: the last column over the span.
      expect([figure(changes, 'opening', to, -1), figure(changes, 'closing', to, -1)]).toEqual([total('equity', before), total('equity', to)]);
      const isContradicted = changes.exceptions.some(({ key, why }) => key === 'profit' && why === 'given');
      expect(figure(changes, 'profit', to, -1) === figure(income, 'profit', to)).toBe(!isContradicted);
      // Cash at both ends is what the balance sheet prints of the accounts of cash.
      const cash = (day: string) => {
        const at = sheet.columns.findIndex((column) => column.kind === 'amount' && column.lastDay === day);
        return sheet.rows
          .filter(({ accountId, lineKey }) => accountId !== null && lineKey === cashLine(sheet))
          .reduce((sum, { values }) => sum + BigInt(values[at] ?? 0), 0n);
      };
      expect([figure(cashFlow, 'cash_opening', to), figure(cashFlow, 'cash_closing', to)]).toEqual([cash(before), cash(to)]);
      // What the cash flow begins with.
      const start = cashFlow.rows.find(({ lineKey }) => lineKey === 'profit');
      expect(start && BigInt(start.values[0] ?? 0)).toBe(figure(income, 'profit_before_tax', to) || figure(income, 'profit', to));
    },
  );

  it('prints the same where the statements have months as columns, and where the sheet is composed', async () => {
    const { layouts } = await server.ok<{ layouts: LayoutDetail[] }>('GET', `${path}/layouts`);
    const bank = layouts.find(({ name }) => name === 'Balance sheet for the bank');
    const parts: Part[] = [
      [`layout-${bank?.id}`, { plan: 'periods' }],
      ['income-statement', { plan: 'periods' }],
      ['cash-flow', { plan: 'periods' }],
      ['changes-in-equity', null],
    ];
    const [sheet, income, , changes] = (await ranSet('Months', parts, 'thousands', 'from=2025-01-01&to=2025-12-31')) as StatementBody[];
    expect(figure(changes as StatementBody, 'closing', '2025-12-31', -1)).toBe(figure(sheet as StatementBody, 'equity', '2025-12-31'));
    const months = (income as StatementBody).rows.find(({ lineKey }) => lineKey === 'profit')?.values.map((value) => BigInt(value ?? 0)) ?? [];
    expect(months.slice(0, -1).reduce((sum, one) => sum + one, 0n)).toBe(months.at(-1));
    expect(figure(changes as StatementBody, 'profit', '2025-12-31', -1)).toBe(months.at(-1));
  });
});

/** The line with most of the accounts whose names speak of cash. */
function cashLine({ rows }: StatementBody): string {
  return rows.find(({ caption, role, accountId }) => accountId === null && role === 'line' && /cash/i.test(caption))?.lineKey ?? '';
}

describe('a cash flow over several spans at once', () => {
  it.each(['units', 'thousands'])('begins and ends each with the cash that it has alone (%s)', async (unit) => {
    const shown = (query: string) => server.ok<StatementBody>('GET', `${path}/statements/cash-flow?${query}&scale=${unit}&compare=none`);
    const printed = ({ rows }: StatementBody, key: string, place: number) => rows.find((row) => row.lineKey === key && row.accountId === null)?.values[place];
    const year = await shown('from=2025-01-01&to=2025-12-31&plan=periods');
    const listed = new Set(year.exceptions.map(({ key, column }) => `${key} ${column}`));
    let compared = 0;
    for (const [at, column] of year.columns.entries()) {
      if (column.kind !== 'amount') continue;
      const alone = await shown(`from=${column.firstDay}&to=${column.lastDay}`);
      for (const key of ['opening', 'closing']) {
        if (listed.has(`${key} ${at}`)) continue;
        compared++;
        expect(printed(year, key, at), `${key} ${column.lastDay}`).toBe(printed(alone, key, 0));
      }
    }
    expect(compared).toBeGreaterThan(20);
  });
});
