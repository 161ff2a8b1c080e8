import { type Currency, longDay, toDecimalText } from '@ivory-ladder/core';
import ExcelJS from 'exceljs';
import type { TrialBalancePaper, WrittenFile } from '../application/ports/index.ts';

import { adjustmentRows, paperColumns, paperFileName, paperHead } from './trialBalanceColumns.ts';
import { amountFormat, rounded } from './workbookAmounts.ts';

const firstRow = 6;
const ink = { argb: 'FF20262B' };
const second = { argb: 'FF5B6066' };
const rule = { style: 'thin', color: ink } as const;

/** Closing or adjusted balances and all totals are live formulas; adjustments stand with their texts on a second sheet. */
export async function writeTrialBalanceWorkbook(paper: TrialBalancePaper): Promise<WrittenFile> {
  const workbook = new ExcelJS.Workbook();
  workbook.creator = 'Ivory Ladder';
  writeBalances(workbook, paper);
  if (paper.adjusted) writeAdjustments(workbook, paper);
  return {
    name: paperFileName(paper, 'xlsx'),
    type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    content: Buffer.from(await workbook.xlsx.writeBuffer()),
  };
}

function writeBalances(workbook: ExcelJS.Workbook, paper: TrialBalancePaper): void {
  const { currency } = paper.books.company;
  const columns = paperColumns(paper);
  const sheet = newSheet(workbook, paper, paper.adjusted ? 'Adjusted trial balance' : 'Trial balance', columns.length > 4);
  sheet.getColumn(1).width = 14;
  sheet.getColumn(2).width = 42;
  writeHeadings(sheet, ['Number', 'Name', ...columns.map(({ heading }) => heading)], 2);
  const letterOf = (at: number) => sheet.getColumn(at + 3).letter;
  const cellsOf = (formula: string, row: number) => formula.replaceAll(/[A-D]/g, (letter) => `${letterOf(letter.charCodeAt(0) - 65)}${row}`);
  const last = firstRow + paper.lines.length - 1;
  const total = sheet.getRow(last + 1);
  paper.lines.forEach((line, at) => {
    const row = sheet.getRow(firstRow + at);
    row.getCell(1).value = line.account.number;
    row.getCell(2).value = line.account.name;
    row.getCell(2).alignment = { indent: line.depth };
  });
  total.getCell(2).value = 'Total';
  columns.forEach(({ amount, formula, hasNoTotal }, column) => {
    let sum = 0n;
    paper.lines.forEach((line, at) => {
      const number = firstRow + at;
      const result = asNumber(amount(line), currency);
      sum += amount(line);
      const cell = sheet.getCell(number, column + 3);
      cell.value = formula ? { formula: rounded(cellsOf(formula, number), currency.exponent), result } : result;
      cell.numFmt = amountFormat(currency.exponent);
    });
    if (hasNoTotal) return;
    const cell = total.getCell(column + 3);
    cell.value =
      paper.lines.length === 0
        ? 0
        : { formula: rounded(`SUM(${letterOf(column)}${firstRow}:${letterOf(column)}${last})`, currency.exponent), result: asNumber(sum, currency) };
    cell.numFmt = amountFormat(currency.exponent);
  });
  for (let column = 1; column <= columns.length + 2; column++) {
    total.getCell(column).font = { name: 'Calibri', size: 11, bold: true, color: ink };
    total.getCell(column).border = { top: rule, bottom: { style: 'double', color: ink } };
  }
}

function writeAdjustments(workbook: ExcelJS.Workbook, paper: TrialBalancePaper): void {
  const { currency } = paper.books.company;
  const sheet = newSheet(workbook, paper, 'Adjustments', true);
  for (const [at, width] of [12, 14, 56, 44].entries()) sheet.getColumn(at + 1).width = width;
  writeHeadings(sheet, ['Document', 'Date', 'Text', 'Account', 'Debit', 'Credit'], 4);
  adjustmentRows(paper).forEach(({ document, day, text, account, debit, credit }, at) => {
    const row = sheet.getRow(firstRow + at);
    for (const [column, value] of [document, longDay(day, 'en'), text, account].entries()) row.getCell(column + 1).value = value;
    for (const [column, amount] of [debit, credit].entries()) {
      row.getCell(column + 5).value = amount === 0n ? null : asNumber(amount, currency);
      row.getCell(column + 5).numFmt = amountFormat(currency.exponent);
    }
  });
}

function newSheet(workbook: ExcelJS.Workbook, paper: TrialBalancePaper, name: string, isWide: boolean): ExcelJS.Worksheet {
  const sheet = workbook.addWorksheet(name, {
    views: [{ state: 'frozen', xSplit: 2, ySplit: firstRow - 1, showGridLines: false }],
    pageSetup: {
      paperSize: 9,
      orientation: isWide ? 'landscape' : 'portrait',
      fitToPage: true,
      fitToWidth: 1,
      fitToHeight: 0,
      printTitlesRow: `1:${firstRow - 1}`,
    },
  });
  const [company, , dates] = paperHead(paper);
  const head = [
    [company, 'Georgia', 12, false, ink],
    [name, 'Georgia', 16, true, ink],
    [dates, 'Calibri', 10, false, second],
  ] as const;
  for (const [at, [text, font, size, bold, color]] of head.entries()) {
    sheet.getCell(at + 1, 1).value = text;
    sheet.getCell(at + 1, 1).font = { name: font, size, bold, color };
  }
  return sheet;
}

function writeHeadings(sheet: ExcelJS.Worksheet, headings: readonly string[], texts: number): void {
  const row = sheet.getRow(firstRow - 1);
  headings.forEach((heading, at) => {
    const cell = row.getCell(at + 1);
    cell.value = heading;
    cell.font = { name: 'Calibri', size: 10, color: second };
    cell.border = { bottom: rule };
    cell.alignment = { horizontal: at < texts ? 'left' : 'right', wrapText: true, vertical: 'bottom' };
    if (at >= texts) sheet.getColumn(at + 1).width = 19;
  });
}

/** A workbook knows floating point alone; the amount is written with the digits that it has. */
function asNumber(amount: bigint, currency: Currency): number {
  return Number(toDecimalText(amount, currency));
}
