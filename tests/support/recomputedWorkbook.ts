import type { StatementBody } from '@ivory-ladder/contract';
import { decimalsIn, decimalsOf } from '@ivory-ladder/core';
import ExcelJS from 'exceljs';
import { HyperFormula } from 'hyperformula';
import { expect } from 'vitest';
import type { ApiClient } from './apiClient.ts';

/** The first with a line of the statement. */
export const firstRow = 7;

/** A workbook of the application without the values that it brings, and what HyperFormula makes of its formulas; it must not round cents off great amounts. */
export async function recomputedBook(server: ApiClient, path: string) {
  const workbook = new ExcelJS.Workbook();
  // exceljs types its input as a Node Buffer of an older shape; the bytes are the same.
  await workbook.xlsx.load((await server.bytes(path)) as never);
  const sheet = workbook.worksheets[0] as ExcelJS.Worksheet;
  const cellsOf = (one: ExcelJS.Worksheet) =>
    Array.from({ length: one.rowCount }, (_, row) =>
      Array.from({ length: one.columnCount }, (__, column) => {
        const { value } = one.getCell(row + 1, column + 1);
        if (value !== null && typeof value === 'object' && 'formula' in value) return `=${value.formula}`;
        return value as string | number | null;
      }),
    );
  const sheets = Object.fromEntries(workbook.worksheets.map((one) => [one.name, cellsOf(one)]));
  return {
    sheet,
    cells: cellsOf(sheet),
    names: Object.keys(sheets),
    computed: HyperFormula.buildFromSheets(sheets, { licenseKey: 'gpl-v3', smartRounding: false }),
  };
}

/** HyperFormula recomputes every formula of the workbook; its figures must be those of the statement to the last digit shown. */
export async function recomputeStatement(server: ApiClient, id: number, kind: string, query: string) {
  const path = `/companies/${id}/statements/${kind}`;
  const shown = await server.ok<StatementBody>('GET', `${path}?${query}`);
  const book = await recomputedBook(server, `${path}/workbook?${query}`);
  const formulas = expectFigures(shown, book.computed, 0, book.cells);
  // Of a scaled statement the unrounded one is on a sheet behind it.
  const isAtOneRate = shown.presentation !== null && shown.presentation.rate !== null;
  if (shown.scale !== 'exact' || isAtOneRate) {
    expect(book.names[1]).toBe('Exact');
    const exact = `${path}?${query}&scale=exact`.replace(/&scale=(?!exact)[a-z]+/, '');
    const kept = isAtOneRate ? exact.replace(/&(currency|translation)=[A-Za-z_]+/g, '') : exact;
    expectFigures(await server.ok<StatementBody>('GET', kept), book.computed, 1, book.cells);
  }
  return { shown, formulas, ...book };
}

/** How many figures of the first sheet are formulas; all of a sheet are those of the statement. */
function expectFigures(shown: StatementBody, computed: HyperFormula, sheet: number, cells: readonly (readonly (string | number | null)[])[]): number {
  let formulas = 0;
  // A column of notes stands before the figures.
  const lead = shown.rows.some(({ note }) => note !== undefined) ? 2 : 1;
  for (const [at, row] of shown.rows.entries())
    for (const [column, value] of row.values.entries()) {
      const cell = computed.getCellValue({ sheet, row: firstRow - 1 + at, col: column + lead });
      if (String(cells[firstRow - 1 + at]?.[column + lead]).startsWith('=')) formulas++;
      const head = shown.columns[column];
      const unit = head?.kind === 'calculation' ? head.result : (row.unit ?? 'amount');
      // A change of percents is in points.
      const isPercent = head?.kind === 'percent' || head?.kind === 'share' || (unit === 'percent' && head?.kind !== 'change');
      const ofColumn = head ? decimalsIn(head) : null;
      const scale = 10 ** (ofColumn !== null ? ofColumn + (isPercent ? 2 : 0) : isPercent ? 3 : unit === 'amount' ? shown.exponent : decimalsOf[unit]);
      if (head?.kind === 'text' || row.role === 'heading' || row.role === 'text' || row.role === 'space') expect(cell, row.caption).toBeNull();
      // Half away from zero, as the figures are rounded.
      else
        expect(value === null ? cell : Math.sign(Number(cell)) * Math.round(Math.abs(Number(cell)) * scale) + 0, `${row.caption} ${column}`).toBe(
          value === null ? '–' : Number(value),
        );
    }
  return formulas;
}
