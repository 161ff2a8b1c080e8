import { describe, expect, it } from 'vitest';
import { currencyOf } from '../money/currency.ts';
import { toDecimalText } from '../money/formatAmount.ts';
import { detectReading } from './detectReading.ts';
import { laterCharts, type MadeAccount, type MadeChart, madeCharts, unseenCharts } from './madeCharts.fixture.ts';
import { readTrialBalance } from './readTrialBalance.ts';

const currency = currencyOf('EUR');

function accountsOf({ rows }: MadeChart): MadeAccount[] {
  return rows.filter((row): row is MadeAccount => 'number' in row);
}

/** Accounts whose element somebody would have to correct or choose, with the chart as a file without elements. */
function toCorrect(chart: MadeChart, { withTitles = true, withAmounts = true } = {}): string[] {
  const written = chart.rows.flatMap((row) => {
    if ('title' in row) return withTitles ? [['', row.title, '']] : [];
    return [[row.number, row.name, withAmounts ? toDecimalText(row.amount, currency) : '0']];
  });
  const cells = [['Account', 'Name', 'Balance'], ...written];
  const { rows } = readTrialBalance({
    rows: cells,
    reading: detectReading(cells, 'made.csv', true),
    currency,
    digitOrder: 'digit_by_digit',
    numbered: true,
    numberScheme: null,
    chart: [],
    confirmed: new Map(),
    leaveOut: new Set(),
  });
  const accounts = accountsOf(chart);
  expect(rows.map(({ number }) => number)).toEqual(accounts.map(({ number }) => number));
  return accounts.flatMap(({ name, element }, at) => (rows[at]?.element === element ? [] : [`${name}: ${rows[at]?.element ?? 'none'}`]));
}

const countIn = (charts: readonly MadeChart[], how?: Parameters<typeof toCorrect>[1]): number => charts.reduce((sum, chart) => sum + toCorrect(chart, how).length, 0);
const accountsIn = (charts: readonly MadeChart[]): number => charts.reduce((sum, chart) => sum + accountsOf(chart).length, 0);

describe('elements proposed to a first file that names none', () => {
  it.each(madeCharts.map((chart) => [chart.trade, chart] as const))('of a %s are right, by words in English that are common practice', (_, chart) => {
    expect(toCorrect(chart)).toEqual([]);
  });

  it('of charts that its words were not made for are right but for a few', () => {
    expect(accountsIn([...laterCharts, ...unseenCharts])).toBe(144);
    expect(countIn(laterCharts)).toBeLessThanOrEqual(5);
    for (const chart of unseenCharts) expect(toCorrect(chart)).toEqual([]);
  });

  it('are mostly right without the titles, and without amounts, which say on which side an account stands', () => {
    const all = [...madeCharts, ...laterCharts, ...unseenCharts];
    expect(accountsIn(all)).toBe(506);
    expect(countIn(all, { withTitles: false })).toBeLessThanOrEqual(25);
    expect(countIn(all, { withAmounts: false })).toBeLessThanOrEqual(50);
  });
});
