import { asPlainText, type ChartField, chartSheet, isListKey } from '@ivory-ladder/core';
import { stringify } from 'csv-stringify/sync';
import ExcelJS from 'exceljs';
import type { ChartSheet, WrittenFile } from '../application/ports/index.ts';
import { fileName } from './fileName.ts';

/** A column of new numbers is offered empty, for those who renumber. */
const widths: Readonly<Record<ChartField, number>> = {
  number: 14,
  newNumber: 14,
  name: 42,
  element: 11,
  side: 12,
  parent: 14,
  category: 44,
  categoryDebit: 30,
  categoryCredit: 30,
  active: 8,
  role: 22,
  purpose: 50,
  externalNumber: 18,
  key: 10,
};

export function writeChartCsv({ company, columns, rows }: ChartSheet): WrittenFile {
  const lines = [columns.map(({ heading }) => heading), ...rows.map((row) => columns.map(({ key }) => asPlainText(row[key] ?? '')))];
  return {
    name: fileName(company, 'Chart of accounts.csv'),
    type: 'text/csv; charset=utf-8',
    content: `\ufeff${stringify(lines, { record_delimiter: 'windows' })}`,
  };
}

/** Every cell is text, so that leading zeros stay; a second sheet says what each column takes. */
export async function writeChartWorkbook({ company, columns, rows }: ChartSheet, isTemplate: boolean): Promise<WrittenFile> {
  const workbook = new ExcelJS.Workbook();
  workbook.creator = 'Ivory Ladder';
  const sheet = workbook.addWorksheet(chartSheet, {
    views: [{ state: 'frozen', xSplit: 1, ySplit: 1 }],
    pageSetup: { paperSize: 9, orientation: 'landscape', fitToPage: true, fitToWidth: 1, fitToHeight: 0, printTitlesRow: '1:1' },
  });
  sheet.columns = columns.map(({ key, heading }) => ({ header: heading, key, width: isListKey(key) ? 18 : widths[key], style: { numFmt: '@' } }));
  head(sheet);
  sheet.addRows(rows.map((row) => columns.map(({ key }) => asPlainText(row[key] ?? ''))));
  const guide = workbook.addWorksheet('What each column takes');
  guide.columns = [
    { header: 'Column', key: 'heading', width: 28 },
    { header: 'What it takes', key: 'takes', width: 110 },
  ];
  head(guide);
  guide.addRows(columns.map(({ heading, takes }) => ({ heading, takes })));
  return {
    name: fileName(company, isTemplate ? 'Chart template.xlsx' : 'Chart of accounts.xlsx'),
    type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    content: Buffer.from(await workbook.xlsx.writeBuffer()),
  };
}

function head(sheet: ExcelJS.Worksheet): void {
  const row = sheet.getRow(1);
  row.font = { name: 'Calibri', size: 11, bold: true, color: { argb: 'FF20262B' } };
  row.border = { bottom: { style: 'thin', color: { argb: 'FF20262B' } } };
}
