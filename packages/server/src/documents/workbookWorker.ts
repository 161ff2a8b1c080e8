import { Readable } from 'node:stream';
import { parentPort, workerData } from 'node:worker_threads';
import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import ExcelJS from 'exceljs';
import type { Failure } from '../application/failure.ts';
import { inspectArchive } from './inspectArchive.ts';
import { tableLimits } from './tableLimits.ts';

export type WorkbookCell = string | { number: string };
export interface WorkbookCells {
  readonly rows: WorkbookCell[][];
  readonly sheet: string;
  readonly sheets: string[];
}

/**
 * Reads one sheet with the streaming reader, which never holds merges or validations over whole sheets: the one asked
 * for, else the one with most rows of a table, since a cover or notes often come first.
 */
async function readCells(content: Buffer, wanted: string | undefined): Promise<Outcome<WorkbookCells, Failure>> {
  const inspected = await inspectArchive(content);
  if (!inspected.ok) return inspected;
  const reader = new ExcelJS.stream.xlsx.WorkbookReader(Readable.from([content]), {
    entries: 'ignore',
    sharedStrings: 'cache',
    styles: 'cache',
    hyperlinks: 'ignore',
    worksheets: 'emit',
  });
  const sheets: string[] = [];
  let chosen: { name: string; rows: WorkbookCell[][]; tableRows: number } | null = null;
  let cells = 0;
  for await (const worksheet of reader) {
    const { name } = worksheet as unknown as { name?: string };
    const title = name ?? `Sheet ${sheets.length + 1}`;
    sheets.push(title);
    const rows: WorkbookCell[][] = [];
    for await (const row of worksheet) {
      if (row.number > tableLimits.rows) return fail({ code: 'file_limit_exceeded', limit: 'rows' });
      while (rows.length < row.number) rows.push([]);
      const target = rows[row.number - 1] as WorkbookCell[];
      const values = row.values as ExcelJS.CellValue[];
      if (values.length - 1 > tableLimits.columns) return fail({ code: 'file_limit_exceeded', limit: 'columns' });
      for (let column = 1; column < values.length; column++) {
        target.push(cellOf(values[column]));
        if (++cells > tableLimits.cells) return fail({ code: 'file_limit_exceeded', limit: 'cells' });
      }
    }
    const filled = rows.map((row) => row.filter((cell) => cell !== '').length);
    const tableRows = filled.filter((count) => count > 1).length;
    const isBetter = chosen === null || tableRows > chosen.tableRows;
    if ((wanted === undefined ? isBetter : wanted === title) && filled.some((count) => count > 0)) chosen = { name: title, rows, tableRows };
  }
  if (!chosen) return fail({ code: 'file_not_a_table', found: 'empty' });
  return succeed({ rows: chosen.rows, sheet: chosen.name, sheets });
}

/** A number is taken to 15 significant digits, which is what a workbook shows and computes with. */
function cellOf(value: ExcelJS.CellValue | undefined): WorkbookCell {
  if (value === null || value === undefined) return '';
  if (typeof value === 'number') return { number: plainDecimal(value) };
  if (typeof value === 'string') return value;
  if (typeof value === 'boolean') return value ? 'TRUE' : 'FALSE';
  if (value instanceof Date) return value.toISOString().slice(0, 10);
  if ('richText' in value) return value.richText.map((run) => run.text).join('');
  if ('error' in value) return value.error;
  if ('text' in value) return String(value.text);
  if ('result' in value) return cellOf(value.result as ExcelJS.CellValue);
  return '';
}

function plainDecimal(value: number): string {
  const rounded = Number(value.toPrecision(15));
  const text = String(rounded);
  return /e/.test(text) ? rounded.toFixed(Math.abs(rounded) < 1 ? 10 : 0) : text;
}

const { content, sheet } = workerData as { content: Uint8Array; sheet: string | undefined };
readCells(Buffer.from(content), sheet).then(
  (outcome) => parentPort?.postMessage(outcome),
  () => parentPort?.postMessage(fail({ code: 'file_unreadable', reason: 'workbook_damaged' })),
);
