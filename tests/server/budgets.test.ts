import type { BudgetBody, BudgetGridBody, BudgetSheetBody, History } from '@ivory-ladder/contract';
import ExcelJS from 'exceljs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

async function open() {
  const shop = await openShop(server);
  const budgets = `${shop.path}/budgets`;
  const begin = (fields: object = {}) => server.ok<BudgetBody>('POST', budgets, { year: 2026, name: 'Original', ...fields });
  const grid = (id: number, query = '') => server.ok<BudgetGridBody>('GET', `${budgets}/${id}/grid${query}`);
  const set = (id: number, accountId: number, amounts: Record<number, number>, was: Record<number, number> = {}, part = '') => ({
    path: `${budgets}/${id}/cells`,
    body: {
      part,
      cells: Object.entries(amounts).map(([period, amount]) => ({
        accountId,
        period: Number(period),
        was: String(was[Number(period)] ?? 0),
        amount: String(amount),
      })),
    },
  });
  const put = (asked: ReturnType<typeof set>) => server.ok<BudgetBody>('PUT', asked.path, asked.body);
  const rowOf = async (id: number, number: string, query = '') => {
    const found = (await grid(id, query)).accounts.find((account) => account.number === number);
    if (!found) throw new Error(`no row ${number}`);
    return found;
  };
  const ids = Object.fromEntries((await shop.chart()).accounts.map(({ number, id }) => [number, id]));
  const idOf = (number: string) => ids[number] as number;
  return { ...shop, budgets, begin, grid, set, put, rowOf, idOf };
}

describe('a budget', () => {
  it('holds amounts by account and period, adds them up to a result, and tells what was posted a year before and in the year', async () => {
    const { begin, put, set, idOf, rowOf, grid } = await open();
    const { id } = await begin();
    await put(set(id, idOf('4000'), { 1: -50_000, 12: -10_001 }));
    const after = await put(set(id, idOf('6200'), { 1: 20_000 }));
    // A profit is a credit.
    expect(after.result).toBe('-40001');
    expect((await rowOf(id, '4000')).amounts).toEqual(['-50000', ...Array.from({ length: 10 }, () => '0'), '-10001']);
    const against = await rowOf(id, '4000', '?against=actual');
    // The shop's balances came in on 30 September.
    expect([against.against[8], against.yearBefore]).toEqual(['-60000', []]);
    expect((await grid(id, '?against=actual')).againstName).toBe('Posted 2026');
  });

  it('is copied into a version of its own, and two versions stand side by side', async () => {
    const { begin, put, set, idOf, rowOf } = await open();
    const { id } = await begin();
    await put(set(id, idOf('6200'), { 3: 700 }));
    const revised = await begin({ name: 'Revised', copyOf: id });
    await put(set(revised.id, idOf('6200'), { 3: 900 }, { 3: 700 }));
    const row = await rowOf(revised.id, '6200', `?against=${id}`);
    expect([row.amounts[2], row.against[2]]).toEqual(['900', '700']);
  });

  it('refuses the cell that somebody changed meanwhile, whole, and says what stands there now', async () => {
    const { begin, put, set, idOf, rowOf } = await open();
    const { id } = await begin();
    await put(set(id, idOf('6200'), { 1: 100 }));
    const { path, body } = set(id, idOf('6200'), { 1: 200, 2: 5 });
    expect(await server.refused('PUT', path, body)).toMatchObject({
      status: 409,
      code: 'budget_cells_moved_on',
      facts: { cells: [{ accountId: idOf('6200'), period: 1, current: '100' }] },
    });
    expect((await rowOf(id, '6200')).amounts.slice(0, 2)).toEqual(['100', '0']);
    // Cells beside each other do not stand in each other's way.
    await Promise.all([put(set(id, idOf('6200'), { 2: 5 })), put(set(id, idOf('6300'), { 2: 6 }))]);
    expect([(await rowOf(id, '6200')).amounts[1], (await rowOf(id, '6300')).amounts[1]]).toEqual(['5', '6']);
  });

  it('locked takes no change, is opened again with a reason, and is on record', async () => {
    const { begin, put, set, idOf, budgets, path } = await open();
    const { id, version } = await begin();
    const locked = await server.ok<BudgetBody>('POST', `${budgets}/${id}/lock`, { version, reason: 'approved by the board' });
    expect(locked.lock).toMatchObject({ reason: 'approved by the board' });
    const asked = set(id, idOf('6200'), { 1: 1 });
    expect(await server.refused('PUT', asked.path, asked.body)).toMatchObject({ status: 409, code: 'budget_locked' });
    expect(await server.refused('DELETE', `${budgets}/${id}`)).toMatchObject({ code: 'budget_locked' });
    expect(await server.refused('DELETE', `${budgets}/${id}/lock`, { version: locked.version })).toMatchObject({ code: 'request_invalid' });
    await server.ok('DELETE', `${budgets}/${id}/lock`, { version: locked.version, reason: 'a vessel more' });
    await put(asked);
    const { events } = await server.ok<History>('GET', `${path}/history?thing=budget`);
    expect(events.map(({ label, action }) => [label, action])).toEqual([
      ['Budget Original of 2026', 'changed'],
      ['Budget Original of 2026', 'changed'],
      ['Budget Original of 2026', 'changed'],
      ['Budget Original of 2026', 'added'],
    ]);
    expect(events[0]?.after).toMatchObject({ count: 1, cells: [{ account: '6200 Insurance', period: 1, amount: '0.01' }] });
  });

  it('stands apart by values of a facet, which adds up to all parts together', async () => {
    const { begin, put, set, idOf, rowOf, path, budgets } = await open();
    const facet = await server.ok<{ id: number; key: string; version: number }>('POST', `${path}/code-lists`, {
      kind: 'facet',
      name: 'Shop',
      codes: [
        { code: 'N', caption: 'North' },
        { code: 'S', caption: 'South' },
      ],
    });
    const { id } = await begin({ facet: facet.key });
    await put(set(id, idOf('6200'), { 1: 100 }, {}, 'N'));
    await put(set(id, idOf('6200'), { 1: 30 }));
    const first = async (query: string) => (await rowOf(id, '6200', query)).amounts[0];
    expect([await first('?part=N'), await first('?part=S'), await first('?part='), await first('')]).toEqual(['100', '0', '30', '130']);
    expect(await server.refused('GET', `${budgets}/${id}/grid?part=W`)).toMatchObject({ code: 'facet_value_unknown' });
    expect(await server.refused('PATCH', `${path}/code-lists/${facet.id}`, { version: facet.version, remove: ['N'] })).toMatchObject({
      code: 'list_code_held',
      facts: { budgets: 1 },
    });
    expect(await server.refused('DELETE', `${path}/code-lists/${facet.id}`)).toMatchObject({ code: 'code_list_held', facts: { budgets: 1 } });
  });

  it('holds its accounts, and follows them when they are merged', async () => {
    const { begin, put, set, idOf, rowOf, path, add, find } = await open();
    const { id } = await begin();
    const { id: spare } = await add({ number: '6400' });
    await put(set(id, spare, { 4: 40 }));
    await put(set(id, idOf('6200'), { 4: 2 }));
    expect(await server.refused('DELETE', `${path}/accounts/${spare}`)).toMatchObject({ code: 'account_held', facts: { lines: 0, budgets: 1 } });
    const { structureVersion, revision } = await server.ok<{ structureVersion: number; revision: number }>(
      'POST',
      `${path}/accounts/${spare}/merge-rehearsal`,
      { into: idOf('6200'), day: '2026-09-30', from: '2026-01-01', to: '2026-09-30' },
    );
    await server.ok('POST', `${path}/accounts/${spare}/merge`, { into: idOf('6200'), day: '2026-09-30', structureVersion, revision });
    expect((await rowOf(id, '6200')).amounts[3]).toBe('42');
    expect((await find('6400')).active).toBe(false);
  });

  it('goes as a workbook with live sums and comes back as it was, changed cells as they were changed', async () => {
    const { begin, put, set, idOf, budgets } = await open();
    const { id } = await begin();
    await put(set(id, idOf('4000'), { 1: -123_456 }));
    const workbook = new ExcelJS.Workbook();
    await workbook.xlsx.load((await server.bytes(`${budgets}/${id}/workbook`)) as never);
    const sheet = workbook.worksheets[0] as ExcelJS.Worksheet;
    const row = sheet.getRows(6, 20)?.find((one) => one.getCell(1).value === '4000');
    if (!row) throw new Error('no row 4000');
    expect([row.getCell(4).value, row.getCell(16).value]).toEqual([1234.56, { formula: `ROUND(SUM(D${row.number}:O${row.number}),2)`, result: 1234.56 }]);
    row.getCell(5).value = 10.5;
    const back = await server.ok<BudgetSheetBody>('POST', `${budgets}/${id}/workbook?name=budget.xlsx`, new Uint8Array(await workbook.xlsx.writeBuffer()));
    expect(back.faults).toEqual([]);
    expect(back.cells.filter(({ amount }) => amount !== '0')).toEqual([
      { accountId: idOf('4000'), period: 1, amount: '-123456' },
      { accountId: idOf('4000'), period: 2, amount: '-1050' },
    ]);
  });

  it('has a name of its own within its year, and a year that was made', async () => {
    const { begin, budgets } = await open();
    await begin();
    expect(await server.refused('POST', budgets, { year: 2026, name: 'original' })).toMatchObject({ status: 409, code: 'budget_name_taken' });
    expect(await server.refused('POST', budgets, { year: 2031, name: 'Early' })).toMatchObject({ status: 404, facts: { thing: 'year' } });
  });
});
