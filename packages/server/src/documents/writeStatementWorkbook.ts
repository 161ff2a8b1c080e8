import {
  captionWords,
  type DrawnRow,
  type DrawnStatement,
  decimalsIn,
  decimalsOf,
  drawDocument,
  printWords,
  type StatementDocument,
  toDecimalText,
} from '@ivory-ladder/core';
import ExcelJS from 'exceljs';
import { withClosingCash } from './closingCash.ts';
import { sheetName } from './sheetName.ts';
import { fileNameOf, hasNotes } from './statementCaptions.ts';
import { type CellWriter, exactSheet, isOfPercents, liveCell, scaledCell } from './statementCells.ts';
import { amountFormat, percentFormat } from './workbookAmounts.ts';

const firstRow = 7;
const pointsFormat = '0.0" pts";(0.0" pts");0.0" pts"';
/** A workbook knows seven levels; the one that the sheet names is the first that is shown collapsed, so none may reach it. */
const deepestLevel = 6;
const ink = { argb: 'FF20262B' };
const second = { argb: 'FF5B6066' };
const rule = { style: 'thin', color: ink } as const;

/**
 * Laid out as printed, with outline levels, number formats and rules; every subtotal, total, change and percent is a live formula.
 * A scaled statement has a second sheet with the unrounded amounts and their formulas: on the first, lines are the printed
 * figures, totals and changes are formulas over them, and what is no amount is taken from the second.
 */
export async function writeStatementWorkbook(document: StatementDocument): Promise<{ name: string; type: string; content: Buffer }> {
  const statement = drawDocument(document);
  const workbook = new ExcelJS.Workbook();
  workbook.creator = 'Ivory Ladder';
  const { unit, kept, currency, columns } = statement;
  const rows = withClosingCash(statement.rows, columns);
  const printed: Sheet = { rows, exponent: currency.exponent, write: unit === undefined ? liveCell : scaledCell, isPrinted: true };
  writeSheet(workbook, sheetName(statement.title, [exactSheet]), statement, printed);
  if (unit !== undefined) {
    const exact = withClosingCash(
      statement.rows.map((row) => ({ ...row, values: row.exact })),
      columns,
    );
    writeSheet(workbook, exactSheet, statement, { rows: exact, exponent: kept.exponent, write: liveCell, isPrinted: false });
  }
  return {
    name: fileNameOf(statement, 'xlsx'),
    type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    content: Buffer.from(await workbook.xlsx.writeBuffer()),
  };
}

interface Sheet {
  readonly rows: readonly DrawnRow[];
  /** Decimals of its amounts. */
  readonly exponent: number;
  readonly write: CellWriter;
  /** Or that of unrounded amounts. */
  readonly isPrinted: boolean;
}

function writeSheet(workbook: ExcelJS.Workbook, name: string, statement: DrawnStatement, { rows, exponent, write, isPrinted }: Sheet): void {
  const { columns } = statement;
  const lead = hasNotes(rows) ? 2 : 1;
  const sheet = workbook.addWorksheet(name, {
    properties: { outlineLevelRow: deepestLevel + 1, outlineLevelCol: 0 },
    pageSetup: {
      paperSize: 9,
      orientation: columns.length > 4 ? 'landscape' : 'portrait',
      fitToPage: true,
      fitToWidth: 1,
      fitToHeight: 0,
      horizontalCentered: true,
    },
    views: [{ state: 'frozen', xSplit: lead, ySplit: firstRow - 1, showGridLines: false }],
  });
  sheet.properties.outlineProperties = { summaryBelow: false, summaryRight: false };
  sheet.headerFooter = {
    oddFooter: '&L&8&F&R&8&P / &N',
    evenFooter: '',
    oddHeader: '',
    evenHeader: '',
    firstFooter: '',
    firstHeader: '',
    differentFirst: false,
    differentOddEven: false,
  };
  sheet.pageSetup.printTitlesRow = `1:${firstRow - 1}`;
  sheet.getCell('A1').value = statement.company;
  sheet.getCell('A1').font = { name: 'Georgia', size: 12, color: ink };
  sheet.getCell('A2').value = statement.title;
  sheet.getCell('A2').font = { name: 'Georgia', size: 16, bold: true, color: ink };
  sheet.getCell('A3').value = isPrinted ? statement.dates : statement.exactDates;
  sheet.getCell('A3').font = { name: 'Calibri', size: 10, color: second };
  for (const [row, height] of [18, 24, 16].entries()) sheet.getRow(row + 1).height = height;
  sheet.getColumn(1).width = Math.min(70, Math.max(36, ...rows.map((row) => row.caption.length + 2 * row.depth + 2)));
  columns.forEach((column, at) => {
    const usual = isOfPercents(column) ? 9 : 19;
    sheet.getColumn(at + 1 + lead).width = column.width === 'narrow' ? usual * 0.7 : column.width === 'wide' ? usual * 1.5 : usual;
    const cell = sheet.getCell(firstRow - 1, at + 1 + lead);
    cell.value = column.caption;
    cell.font = { name: 'Calibri', size: 10, color: second };
    cell.alignment = { horizontal: 'right', vertical: 'bottom', wrapText: true };
  });
  if (lead === 2) {
    sheet.getColumn(2).width = 7;
    const cell = sheet.getCell(firstRow - 1, 2);
    cell.value = captionWords[statement.language].note;
    cell.font = { name: 'Calibri', size: 10, color: second };
    cell.alignment = { horizontal: 'center', vertical: 'bottom' };
  }
  sheet.getRow(firstRow - 1).height = 32;
  for (let at = 0; at < columns.length + lead; at++) sheet.getCell(firstRow - 1, at + 1).border = { bottom: rule };
  const rowOf = new Map<string, number>();
  rows.forEach((row, at) => {
    if (bearsAmounts(row)) rowOf.set(row.key, firstRow + at);
  });
  rows.forEach((row, at) => {
    writeRow(sheet, statement, row, firstRow + at, rowOf, exponent, write, lead);
  });
  const behind = firstRow + rows.length + 1;
  if (isPrinted) writeTransfers(sheet, statement, behind, lead);
  const { length } = isPrinted ? statement.transfers : [];
  for (const [at, note] of statement.notes.entries()) {
    const cell = sheet.getCell(behind + (length === 0 ? 0 : length + 2) + at, 1);
    cell.value = note;
    cell.font = { name: 'Calibri', size: 10, italic: true, color: second };
  }
}

/** What the statement shows on one line instead of another, as it is printed under it. */
function writeTransfers(sheet: ExcelJS.Worksheet, { transfers, columns, language, currency }: DrawnStatement, first: number, lead: number): void {
  if (transfers.length === 0) return;
  const heading = sheet.getCell(first, 1);
  heading.value = printWords[language].transfers;
  heading.font = { name: 'Calibri', size: 10, bold: true, color: second };
  for (const [place, transfer] of transfers.entries()) {
    const caption = sheet.getCell(first + 1 + place, 1);
    caption.value = transfer.text;
    caption.font = { name: 'Calibri', size: 10, color: second };
    for (const [at, column] of columns.entries()) {
      if (column.kind !== 'amount') continue;
      const cell = sheet.getCell(first + 1 + place, at + 1 + lead);
      const value = transfer.values[at] ?? null;
      cell.value = value === null ? null : Number(toDecimalText(value, currency));
      cell.numFmt = amountFormat(currency.exponent);
      cell.font = { name: 'Calibri', size: 10, color: second };
    }
  }
}

function writeRow(
  sheet: ExcelJS.Worksheet,
  statement: DrawnStatement,
  row: DrawnRow,
  number: number,
  rowOf: ReadonlyMap<string, number>,
  exponent: number,
  write: CellWriter,
  lead: number,
): void {
  const { columns } = statement;
  const target = sheet.getRow(number);
  const weight = row.look?.weight ?? 'usual';
  const isStrong = weight === 'strong' || (weight !== 'plain' && (row.role === 'heading' || row.role === 'total' || row.role === 'final'));
  const depth = row.depth + (row.look?.indent ?? 0);
  const font = { name: isStrong ? 'Georgia' : 'Calibri', size: isStrong ? 10.5 : 11, bold: isStrong, color: row.role === 'account' ? second : ink };
  target.outlineLevel = Math.min(deepestLevel, row.depth);
  if (row.look?.breakBefore) sheet.getRow(number - 1).addPageBreak();
  const caption = target.getCell(1);
  caption.value = row.caption;
  caption.font = font;
  caption.alignment = { horizontal: 'left', indent: depth, vertical: 'middle', wrapText: row.role === 'text' };
  if (row.note !== undefined && row.note !== '') {
    const note = target.getCell(2);
    note.value = row.note;
    note.font = { name: 'Calibri', size: 10, color: second };
    note.alignment = { horizontal: 'center', vertical: 'middle' };
  }
  if (!bearsAmounts(row)) {
    target.height = row.role === 'heading' ? 22 : 15;
    return;
  }
  const { unit = 'amount' } = row;
  const places = unit === 'amount' ? exponent : decimalsOf[unit];
  columns.forEach((column, at) => {
    const cell = target.getCell(at + 1 + lead);
    const value = row.values[at] ?? null;
    const letter = (index: number): string => sheet.getColumn(index + 1 + lead).letter;
    // A percent is shown by its format: the cell holds the hundredth part.
    const isRatio = column.kind === 'calculation' && column.result === 'ratio';
    const ofColumn = decimalsIn(column);
    const isInPoints = column.kind === 'change' && unit === 'percent';
    const decimals = isInPoints ? places : ofColumn === null ? places + (unit === 'percent' ? 2 : 0) : ofColumn + (isRatio ? 0 : 2);
    const result = value === null ? undefined : Number(toDecimalText(value, { code: '', exponent: decimals }));
    cell.font = font;
    cell.alignment = { horizontal: 'right', vertical: 'middle' };
    const isPercent = ofColumn === null ? unit === 'percent' : !isRatio;
    cell.numFmt = isInPoints
      ? pointsFormat
      : isPercent
        ? percentFormat(ofColumn ?? decimalsOf.percent, column.format)
        : amountFormat(ofColumn ?? places, column.format);
    cell.value = write({ statement, row, at, result, exponent, decimals: isInPoints ? places + 2 : decimals, number, letter, rowOf });
    if ((row.role === 'total' && (row.parts.length > 0 || row.unit)) || weight === 'ruled') cell.border = { top: rule };
    if (row.role === 'final') cell.border = { top: rule, bottom: { style: 'double', color: ink } };
  });
}

function bearsAmounts({ role }: DrawnRow): boolean {
  return role !== 'heading' && role !== 'text' && role !== 'space';
}
