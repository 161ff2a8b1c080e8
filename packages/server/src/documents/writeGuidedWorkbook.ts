import { asPlainText, type ChartField, type PlacementColumn } from '@ivory-ladder/core';
import ExcelJS from 'exceljs';
import type { GuidedSheet, WrittenFile } from '../application/ports/index.ts';
import { fileName } from './fileName.ts';

/** A column of new numbers is offered empty, for those who renumber. */
const widths: Readonly<Record<ChartField | PlacementColumn, number>> & Readonly<Record<string, number>> = {
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
  debit: 30,
  credit: 30,
  numbers: 40,
  numbersDebit: 24,
  numbersCredit: 24,
  byRange: 30,
};
const usualWidth = 18;

/** Every cell is text, so that leading zeros stay; a second sheet says what each column takes. */
export async function writeGuidedWorkbook({ company, title, sheet: sheetName, columns, rows }: GuidedSheet): Promise<WrittenFile> {
  const workbook = new ExcelJS.Workbook();
  workbook.creator = 'Ivory Ladder';
  const sheet = workbook.addWorksheet(sheetName, {
    views: [{ state: 'frozen', xSplit: 1, ySplit: 1 }],
    pageSetup: { paperSize: 9, orientation: 'landscape', fitToPage: true, fitToWidth: 1, fitToHeight: 0, printTitlesRow: '1:1' },
  });
  sheet.columns = columns.map(({ key, heading }) => ({ header: heading, key, width: widths[key] ?? usualWidth, style: { numFmt: '@' } }));
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
    name: fileName(company, `${title}.xlsx`),
    type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    content: Buffer.from(await workbook.xlsx.writeBuffer()),
  };
}

function head(sheet: ExcelJS.Worksheet): void {
  const row = sheet.getRow(1);
  row.font = { name: 'Calibri', size: 11, bold: true, color: { argb: 'FF20262B' } };
  row.border = { bottom: { style: 'thin', color: { argb: 'FF20262B' } } };
}
