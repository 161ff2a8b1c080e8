import type { StatementBody } from '@ivory-ladder/contract';
import { decimalsOf } from '@ivory-ladder/core';
import ExcelJS from 'exceljs';
import { HyperFormula } from 'hyperformula';
import { expect } from 'vitest';
import type { ApiClient } from './apiClient.ts';

/** The first with a line of the statement. */
export const firstRow = 7;

/** A workbook of the application without the values that it brings, and what HyperFormula makes of its formulas. */
export async function recomputedBook(server: ApiClient, path: string) {
  const workbook = new ExcelJS.Workbook();
  // exceljs types its input as a Node Buffer of an older shape; the bytes are the same.
  await workbook.xlsx.load((await server.bytes(path)) as never);
  const sheet = workbook.worksheets[0] as ExcelJS.Worksheet;
  const cells = Array.from({ length: sheet.rowCount }, (_, row) =>
    Array.from({ length: sheet.columnCount }, (__, column) => {
      const { value } = sheet.getCell(row + 1, column + 1);
      if (value !== null && typeof value === 'object' && 'formula' in value) return `=${value.formula}`;
      return value as string | number | null;
    }),
  );
  return { sheet, cells, computed: HyperFormula.buildFromArray(cells, { licenseKey: 'gpl-v3' }) };
}

/** HyperFormula recomputes every formula of the workbook; its figures must be those of the statement to the last digit shown. */
export async function recomputeStatement(server: ApiClient, id: number, kind: string, query: string) {
  const shown = await server.ok<StatementBody>('GET', `/companies/${id}/statements/${kind}?${query}`);
  const { cells, computed, sheet } = await recomputedBook(server, `/companies/${id}/statements/${kind}/workbook?${query}`);
  let formulas = 0;
  for (const [at, row] of shown.rows.entries())
    for (const [column, value] of row.values.entries()) {
      const cell = computed.getCellValue({ sheet: 0, row: firstRow - 1 + at, col: column + 1 });
      if (String(cells[firstRow - 1 + at]?.[column + 1]).startsWith('=')) formulas++;
      const { unit = 'amount' } = row;
      const isPercent = shown.columns[column]?.kind === 'percent' || unit === 'percent';
      const scale = 10 ** (isPercent ? 3 : unit === 'amount' ? shown.exponent : decimalsOf[unit]);
      if (row.role === 'heading' || row.role === 'text' || row.role === 'space') expect(cell, row.caption).toBeNull();
      // Half away from zero, as the figures are rounded.
      else
        expect(value === null ? cell : Math.sign(Number(cell)) * Math.round(Math.abs(Number(cell)) * scale), `${row.caption} ${column}`).toBe(
          value === null ? '–' : Number(value),
        );
    }
  return { shown, formulas, cells, sheet };
}
