import type { AccountLines, ProofList, StatementBody, TrialBalanceViewBody } from '@ivory-ladder/contract';
import { addDays, shiftMonths } from '@ivory-ladder/core';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';

let server: TestServer;
const ids = { ferry: 0, boatyard: 0, freight: 0 };
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
  ids.ferry = await server.companyId();
  ids.boatyard = await server.companyId('Eiderholm Boatyard');
  ids.freight = await server.companyId('Nordskerry Freight');
});
afterAll(() => server.stop());

const monthEnds = Array.from({ length: 33 }, (_, at) => addDays(shiftMonths('2024-02-01', at), -1));

async function closingOf(company: number, number: string, day: string): Promise<bigint> {
  const { accounts } = await server.ok<TrialBalanceViewBody>('GET', `/companies/${company}/trial-balance?from=${day}&to=${day}`);
  return BigInt(accounts.find((account) => account.number === number)?.closing ?? 0);
}

async function movedOver(company: number, number: string, from: string, to: string): Promise<bigint> {
  const { accounts } = await server.ok<TrialBalanceViewBody>('GET', `/companies/${company}/trial-balance?from=${from}&to=${to}`);
  const account = accounts.find((one) => one.number === number);
  return BigInt(account?.debit ?? 0) - BigInt(account?.credit ?? 0);
}

/** Rows of an income statement by caption, in whole units. */
async function income(company: number, from: string, to: string): Promise<Record<string, number>> {
  const { rows, exponent } = await server.ok<StatementBody>(
    'GET',
    `/companies/${company}/statements/income-statement?from=${from}&to=${to}&compare=none&detail=1`,
  );
  return Object.fromEntries(rows.map(({ caption, values }) => [caption, Number(values[0] ?? 0) / 10 ** exponent]));
}

describe('the three companies', () => {
  it('owe each other what the other is owed, at every month end: repairs in euro, crossings in the euro behind the kroner', async () => {
    const database = await mysql.createConnection({ uri: server.databaseUrl, supportBigNumbers: true, bigNumberStrings: true });
    for (const day of monthEnds.filter((_, at) => at % 4 === 0 || at === 32)) {
      expect(await closingOf(ids.boatyard, 'A-20-200', day), day).toBe(-(await closingOf(ids.ferry, '2030', day)));
      const [[owed]] = (await database.query(
        `SELECT CAST(SUM(IF(line.debit > 0, other.amount, -other.amount)) AS CHAR) AS euros FROM foreign_amount AS other
           JOIN journal_line AS line ON line.company_id = other.company_id AND line.entry_id = other.entry_id AND line.line_number = other.line_number
          WHERE other.company_id = ? AND line.entry_date <= ?`,
        [ids.freight, day],
      )) as unknown as [{ euros: string }[]];
      // What Nordskerry Freight owed at first came with its opening balances, in kroner alone.
      expect(await closingOf(ids.ferry, '1250', day), day).toBe(76_400_00n - BigInt(owed?.euros ?? 0));
    }
    await database.end();
  });

  it('have sold each other what the other bought', async () => {
    for (const [from, to] of [
      ['2024-01-01', '2024-12-31'],
      ['2026-01-01', '2026-09-30'],
    ] as const) {
      const repairs = (await movedOver(ids.ferry, '5410', from, to)) + (await movedOver(ids.ferry, '5420', from, to));
      const docked = await server.ok<AccountLines>('GET', `/companies/${ids.ferry}/entries?text=dry-docking%20winter&from=${from}&to=${to}`);
      const [dock] = (docked as unknown as { entries: { amount: string }[] }).entries;
      expect(-(await movedOver(ids.boatyard, 'R-10-100', from, to))).toBe(repairs + BigInt(dock?.amount ?? 0));
    }
  });

  it('prove at their month ends: of the sisters everything holds', async () => {
    for (const company of [ids.boatyard, ids.freight])
      for (const day of ['2024-06-30', '2025-03-31', '2025-12-31', '2026-09-30']) {
        const { proofs } = await server.ok<ProofList>('GET', `/companies/${company}/proofs?from=${day.slice(0, 4)}-01-01&to=${day}`);
        expect(
          // The krone rose: a gain stands on the account of exchange differences, which is one of expense.
          proofs.filter(({ state, accounts }) => state !== 'holds' && accounts.some(({ number }) => number !== '8100')).map(({ name }) => name),
          `${company} ${day}`,
        ).toEqual([]);
      }
  });

  it('earn and pay what such companies do: a margin, a tax rate, cash in hand, customers who pay in time (common practice)', async () => {
    const years = { ferry: ['2025-01-01', '2025-12-31'], boatyard: ['2025-01-01', '2025-12-31'], freight: ['2025-07-01', '2026-06-30'] } as const;
    const taxes = { ferry: '7900', boatyard: 'X-40-100', freight: '8300' } as const;
    const cash = { ferry: '1000', boatyard: 'A-10-100', freight: '1100' } as const;
    for (const key of ['ferry', 'boatyard', 'freight'] as const) {
      const [from, to] = years[key];
      const rows = await income(ids[key], from, to);
      const profit = rows['Profit for the period'] ?? 0;
      const tax = Number(await movedOver(ids[key], taxes[key], from, to)) / 100;
      expect(tax / (profit + tax), key).toBeGreaterThan(0.2);
      expect(tax / (profit + tax), key).toBeLessThan(0.27);
      for (const day of monthEnds.filter((_, at) => at % 3 === 2))
        expect(Number(await closingOf(ids[key], cash[key], day)), `${key} ${day}`).toBeGreaterThan(0);
    }
    const days: number[] = [];
    for (let at = 3; at < 33; at += 6) {
      const day = monthEnds[at] as string;
      const from = addDays(monthEnds[at - 3] as string, 1);
      let sold = 0n;
      for (const number of ['4210', '4230', '4240']) sold -= await movedOver(ids.ferry, number, from, day);
      days.push((Number(await closingOf(ids.ferry, '1200', day)) / Number(sold)) * 91);
    }
    expect(Math.max(...days) / Math.min(...days)).toBeLessThan(1.5);
  });
});

/** Line items as the standards name them, from memory, and the lines of the demo that are the place for each item which the company has. */
const minimumLines = {
  'balance-sheet': [
    ['property, plant and equipment (IAS 1.54 a)', ['Vessels', 'Equipment ashore']],
    ['right-of-use assets (IFRS 16.47)', ['Quay building, leased']],
    ['intangible assets (IAS 1.54 c)', ['Booking system']],
    ['inventories (IAS 1.54 g)', ['Fuel and stores']],
    ['trade and other receivables (IAS 1.54 h)', ['Trade and other receivables']],
    ['cash and cash equivalents (IAS 1.54 i)', ['Cash at bank and on board']],
    ['trade and other payables (IAS 1.54 k)', ['Trade and other payables']],
    ['provisions (IAS 1.54 l)', ['Dry-docking provision']],
    ['financial liabilities (IAS 1.54 m)', ['Loans', 'Lease liability']],
    ['current tax (IAS 1.54 n)', ['Taxes payable']],
    ['issued capital and reserves (IAS 1.54 r)', ['Share capital', 'Reserves', 'Retained earnings', 'Result of the year']],
    ['current and non-current apart (IAS 1.60)', ['Non-current assets', 'Current assets', 'Non-current liabilities', 'Current liabilities']],
  ],
  'income-statement': [
    ['revenue (IAS 1.82 a)', ['Revenue']],
    ['finance costs (IAS 1.82 b)', ['Finance costs']],
    ['tax expense (IAS 1.82 d)', ['Income tax']],
    ['profit or loss (IAS 1.81A a)', ['Profit for the period']],
    ['operating profit (IFRS 18.69 a)', ['Operating profit']],
    ['profit before financing and income tax (IFRS 18.69 b)', ['Profit before financing and income tax']],
  ],
} as const;

describe('the generated statements of the ferry company', () => {
  it.each(['balance-sheet', 'income-statement'] as const)('have a place for each line item that the standards ask of it: %s', async (kind) => {
    const { rows } = await server.ok<StatementBody>('GET', `/companies/${ids.ferry}/statements/${kind}?from=2026-01-01&to=2026-09-30&detail=1`);
    const captions = new Set(rows.map(({ caption }) => caption));
    for (const [item, lines] of minimumLines[kind])
      for (const caption of lines)
        expect(
          [...captions].some((one) => one === caption || one === `${caption}, net`),
          `${item}: ${caption}`,
        ).toBe(true);
  });

  it('stand in the order of common practice: fixed before current, cost before what is deducted, assets before claims', async () => {
    const { rows } = await server.ok<StatementBody>('GET', `/companies/${ids.ferry}/statements/balance-sheet?from=2026-01-01&to=2026-09-30&detail=2`);
    const order = rows.map(({ caption }) => caption);
    const wanted = [
      'Assets',
      'Non-current assets',
      'Vessels, at cost',
      'Less depreciation of vessels',
      'Vessels, net',
      'Current assets',
      'Total assets',
      'Liabilities',
      'Equity',
      'Total liabilities and equity',
    ];
    const places = wanted.map((caption) => order.indexOf(caption));
    expect(
      places.every((place, at) => place >= 0 && (at === 0 || place > (places[at - 1] as number))),
      JSON.stringify(places),
    ).toBe(true);
  });
});
