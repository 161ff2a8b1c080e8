import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { StatementBody, StoredLayoutOptions } from '@ivory-ladder/contract';
import { currencyOf, formatAmount } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bringInExampleA } from '../support/placeExampleA.ts';
import { firstRow, recomputedBook, recomputeStatement } from '../support/recomputedWorkbook.ts';
import { TestServer } from '../support/server.ts';
import { bringIn, createCompany, statement } from '../support/trialBalance.ts';

let server: TestServer;
let exampleId: number;
beforeAll(async () => {
  server = await TestServer.shared();
  exampleId = await bringInExampleA(server);
});
afterAll(() => server.stop());

const readBook = (path: string) => recomputedBook(server, path);
const recompute = (id: number, kind: 'balance-sheet' | 'income-statement', more: string) =>
  recomputeStatement(server, id, kind, `from=2022-01-01&to=2022-12-31${more}`);

describe('the exported workbook', () => {
  it.each([
    ['balance-sheet', '&detail=2'],
    ['balance-sheet', '&detail=accounts'],
    ['income-statement', '&detail=accounts'],
    ['income-statement', '&detail=1&zero=1'],
  ] as const)('recomputes to the figures of the %s (%s)', async (kind, more) => {
    const { shown, formulas } = await recompute(exampleId, kind, more);
    const bearing = shown.rows.filter((row) => row.role !== 'heading').length;
    expect(formulas).toBeGreaterThanOrEqual(2 * bearing);
  });

  it('recomputes by liquidity too, to the same totals', async () => {
    const path = `/companies/${exampleId}/layout-options`;
    const run = () => statement(server, exampleId, 'balance-sheet', '2022-01-01', '2022-12-31');
    const before = await run();
    const options = await server.ok<StoredLayoutOptions>('GET', path);
    const { version } = await server.ok<StoredLayoutOptions>('PUT', path, { ...options, order: 'least_liquid_first' });
    await recompute(exampleId, 'balance-sheet', '&detail=2');
    const after = await run();
    const totals = ({ rows }: StatementBody) => rows.filter(({ role }) => role === 'final').map(({ key, values }) => [key, values]);
    expect(totals(after)).toEqual(totals(before));
    expect(before.rows.some(({ key }) => key === 'asset.current')).toBe(true);
    expect(after.rows.some(({ key }) => key === 'asset.current')).toBe(false);
    await server.ok('PUT', path, { ...options, version });
  });

  it('recomputes to the figures of each part and of the whole', async () => {
    const { shown, formulas, cells } = await recompute(exampleId, 'income-statement', '&plan=quarters');
    expect(shown.columns).toHaveLength(5);
    expect(formulas).toBeGreaterThanOrEqual(5 * shown.rows.filter(({ role }) => role === 'total' || role === 'final').length);
    expect(cells[2]?.[0]).toBe('1 January 2022 to 31 December 2022 · EUR');
  });

  it.each([
    ['balance-sheet', '&detail=accounts&scale=thousands'],
    ['income-statement', '&detail=2&scale=units&rounding=independent'],
    ['income-statement', '&detail=accounts&scale=thousands'],
    ['balance-sheet', '&detail=1&zero=1&scale=millions&rounding=independent'],
  ] as const)('recomputes to the figures of the scaled %s, with the unrounded ones behind it (%s)', async (kind, more) => {
    const { shown, formulas } = await recompute(exampleId, kind, more);
    expect([shown.exponent, formulas > shown.rows.length]).toEqual([0, true]);
  });

  it('computes every subtotal, total, change and percent by a formula, and follows when a figure is changed', async () => {
    const { cells, computed } = await readBook(`/companies/${exampleId}/statements/balance-sheet/workbook?from=2022-01-01&to=2022-12-31&detail=2`);
    const rowOf = (caption: string) => cells.findIndex(([name]) => name === caption);
    for (const caption of ['Property, plant and equipment, net', 'Total assets', 'Total liabilities', 'Total equity', 'Total liabilities and equity'])
      for (const column of [1, 2, 3, 4]) expect(String(cells[rowOf(caption)]?.[column]), `${caption} ${column}`).toMatch(/^=/);
    computed.setCellContents({ sheet: 0, row: rowOf('Cash'), col: 1 }, 330);
    expect(computed.getCellValue({ sheet: 0, row: rowOf('Total assets'), col: 1 })).toBe(8010);
  });

  it('says dates and currency once, has outline levels, number formats, rules and frozen headings', async () => {
    const { sheet, cells } = await recompute(exampleId, 'balance-sheet', '&detail=accounts');
    expect(cells.slice(0, 3).map(([text]) => text)).toEqual(['Example A', 'Balance sheet', '31 December 2022 and 31 December 2021 · EUR']);
    const row = cells.findIndex(([name]) => name === 'Total assets') + 1;
    expect(sheet.getCell(row, 2).border).toMatchObject({ top: { style: 'thin' }, bottom: { style: 'double' } });
    expect(sheet.getCell(row, 2).numFmt).toBe('#,##0.00_);(#,##0.00);"–"_)');
    const printed = Array.from({ length: sheet.rowCount }, (_, at) => sheet.getRow(at + 1));
    expect(Math.max(...printed.map(({ outlineLevel }) => outlineLevel ?? 0))).toBeGreaterThanOrEqual(3);
    expect(printed.filter(({ hidden, collapsed }) => hidden || collapsed).length).toBe(0);
    expect(sheet.views[0]).toMatchObject({ state: 'frozen', ySplit: 6 });
  });

  // Where LibreOffice is installed; without it HyperFormula alone computes the formulas, above.
  it.skipIf(spawnSync('soffice', ['--version']).status !== 0)('opens in LibreOffice, which shows every figure as it is printed', async () => {
    const shown = await statement(server, exampleId, 'balance-sheet', '2022-01-01', '2022-12-31', '&detail=accounts');
    const folder = mkdtempSync(join(tmpdir(), 'workbook-'));
    writeFileSync(
      join(folder, 'book.xlsx'),
      await server.bytes(`/companies/${exampleId}/statements/balance-sheet/workbook?from=2022-01-01&to=2022-12-31&detail=accounts`),
    );
    execFileSync('soffice', [
      `-env:UserInstallation=file://${folder}/profile`,
      '--headless',
      '--convert-to',
      'csv:Text - txt - csv (StarCalc):9,34,76',
      '--outdir',
      folder,
      join(folder, 'book.xlsx'),
    ]);
    const lines = readFileSync(join(folder, 'book.csv'), 'utf8')
      .split('\n')
      .slice(firstRow - 1);
    for (const [at, row] of shown.rows.entries()) {
      const [caption, ...figures] = (lines[at] ?? '').split('\t').map((text) => text.trim());
      expect(caption).toBe(row.caption);
      if (row.role !== 'heading')
        expect(figures.slice(0, 3)).toEqual(row.values.slice(0, 3).map((value) => formatAmount(BigInt(value ?? 0), currencyOf(shown.currency))));
    }
  });

  it.each([
    ['JPY', 1n],
    ['KWD', 1000n],
  ] as const)('has the places of %s', async (currency, unit) => {
    const { id } = await createCompany(server, { name: currency, currency });
    await bringIn(
      server,
      id,
      `Number,Name,Element,Category,Balance\n1,Bank,asset,Cash,1234${unit === 1n ? '' : '.567'}\n3,Capital,equity,Capital,-1234${unit === 1n ? '' : '.567'}`,
      { date: '2022-12-31' },
    );
    const { sheet, cells } = await recompute(id, 'balance-sheet', '');
    const row = cells.findIndex(([name]) => name === 'Total assets') + 1;
    expect(sheet.getCell(row, 2).numFmt.startsWith(unit === 1n ? '#,##0_)' : '#,##0.000_)')).toBe(true);
    expect(sheet.getCell(row, 2).result).toBe(unit === 1n ? 1234 : 1234.567);
  });
});

describe('the exported CSV', () => {
  it('holds what is on screen, and text that begins like a formula stays text', async () => {
    const { id } = await createCompany(server, { name: 'Formula & Co' });
    await bringIn(server, id, 'Number,Name,Element,Category,Balance\n1,Bank,asset,"=cmd|x",12.50\n3,Capital,equity,Capital,-12.50', { date: '2022-12-31' });
    const text = new TextDecoder().decode(await server.bytes(`/companies/${id}/statements/balance-sheet/csv?from=2022-01-01&to=2022-12-31&compare=none`));
    expect(text).toContain('Balance sheet\r\n31 December 2022 · EUR\r\n');
    expect(text).toContain("'=cmd|x,12.50\r\n");
    expect(text).toContain('Total assets,12.50\r\n');
  });
});
