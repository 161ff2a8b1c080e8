import type { AdjustmentList, TrialBalanceViewBody } from '@ivory-ladder/contract';
import ExcelJS from 'exceljs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

/** A shop whose insurance was adjusted twice, once taken back. */
async function open() {
  const shop = await openShop(server);
  const adjust = async (amount: number, description: string) =>
    server.ok<{ entryId: number }>('POST', `${shop.path}/entries`, {
      date: '2026-09-30',
      description,
      layer: 'adjustment',
      lines: [
        { accountId: (await shop.find('6200')).id, debit: String(amount), text: 'hull' },
        { accountId: (await shop.find('1000')).id, credit: String(amount) },
      ],
    });
  const { entryId } = await adjust(1100, '=Accrued twice');
  await server.ok('POST', `${shop.path}/entries/${entryId}/reversal`, { date: '2026-09-30' });
  await adjust(2500, 'Accrued insurance');
  return shop;
}

const span = 'from=2026-01-01&to=2026-09-30';

describe('the adjusted trial balance', () => {
  it('is the ledger and the adjustments, which add up to the adjusted balances and to nothing over all accounts', async () => {
    const shop = await open();
    const { accounts, comparedTo } = await server.ok<TrialBalanceViewBody>('GET', `${shop.path}/trial-balance?${span}`);
    const of = (number: string) => accounts.find((account) => account.number === number);
    expect([of('6200')?.adjustments, of('6200')?.closing, of('1000')?.adjustments]).toEqual(['2500', '32500', '-2500']);
    expect(accounts.reduce((sum, { adjustments }) => sum + Number(adjustments), 0)).toBe(0);
    expect([comparedTo, of('6200')?.comparative]).toEqual([{ balances: '2025-12-31', result: '2025-09-30' }, '0']);
    const { entries, from, earlier } = await server.ok<AdjustmentList>('GET', `${shop.path}/adjustments?to=2026-09-30`);
    expect([from, earlier, entries.map(({ description, reversesEntryId }) => [description, reversesEntryId !== null])]).toEqual([
      '2026-01-01',
      0,
      [
        ['=Accrued twice', false],
        [expect.stringMatching(/^Reverses document \d+: =Accrued twice$/), true],
        ['Accrued insurance', false],
      ],
    ]);
  });

  it('is taken along as CSV with the text of each adjustment, text that looks like a formula kept as text', async () => {
    const shop = await open();
    const csv = new TextDecoder().decode(await server.bytes(`${shop.path}/trial-balance/csv?${span}&view=adjusted`)).split('\r\n');
    expect(csv[1]).toBe('Adjusted trial balance');
    expect(csv.find((line) => line.startsWith('6200'))).toBe('6200,Insurance,300.00,25.00,325.00,0.00');
    // Without amounts, and not asked for.
    expect(csv.some((line) => line.startsWith('3200'))).toBe(false);
    expect(csv.filter((line) => line.includes('6200 Insurance')).map((line) => line.split(',').slice(1))).toEqual([
      ['2026-09-30', "'=Accrued twice: hull", '6200 Insurance', '11.00', '0.00'],
      ['2026-09-30', expect.stringContaining('Reverses document'), '6200 Insurance', '0.00', '11.00'],
      ['2026-09-30', 'Accrued insurance: hull', '6200 Insurance', '25.00', '0.00'],
    ]);
  });

  it('is taken along as a workbook whose balances and totals are live formulas with the same figures', async () => {
    const shop = await open();
    const workbook = new ExcelJS.Workbook();
    await workbook.xlsx.load(Buffer.from(await server.bytes(`${shop.path}/trial-balance/workbook?${span}&view=adjusted&zero=1`)) as never);
    const sheet = workbook.getWorksheet('Adjusted trial balance');
    const rows =
      sheet?.getRows(6, sheet.rowCount - 5)?.map((row) => [row.getCell(1).value, row.getCell(3).value, row.getCell(4).value, row.getCell(5).value]) ?? [];
    expect(rows.find(([number]) => number === '6200')).toEqual(['6200', 300, 25, { formula: 'ROUND(C11+D11,2)', result: 325 }]);
    expect(rows.find(([number]) => number === '3200')).toBeDefined();
    expect(rows.at(-1)?.slice(1)).toMatchObject(['C', 'D', 'E'].map((column) => ({ formula: `ROUND(SUM(${column}6:${column}${5 + rows.length - 1}),2)` })));
    expect(workbook.getWorksheet('Adjustments')?.rowCount).toBe(11);
    const movements = new ExcelJS.Workbook();
    await movements.xlsx.load(Buffer.from(await server.bytes(`${shop.path}/trial-balance/workbook?${span}`)) as never);
    const bank = movements.getWorksheet('Trial balance')?.getRow(6);
    expect([bank?.getCell(1).value, bank?.getCell(7).value]).toEqual(['1000', { formula: 'ROUND(C6+D6-E6+F6,2)', result: 875 }]);
  });
});
