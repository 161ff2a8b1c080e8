import {
  betweenKeys,
  type CalculationColumn,
  captionWords,
  decimalsOf,
  minorUnitsIn,
  printWords,
  runIndexOf,
  type ShareColumn,
  type StatementRow,
  toDecimalText,
} from '@ivory-ladder/core';
import ExcelJS from 'exceljs';
import type { Statement } from '../application/runStatement.ts';
import { amountInCell, cellsOfLines, formulaInCells } from './formulaInCells.ts';
import { captionOfColumn, fileNameOf, hasNotes, headingOf, transferText } from './statementCaptions.ts';
import { amountFormat, rounded } from './workbookAmounts.ts';

const firstRow = 7;
/** A workbook knows seven levels; the one that the sheet names is the first that is shown collapsed, so none may reach it. */
const deepestLevel = 6;
const ink = { argb: 'FF20262B' };
const second = { argb: 'FF5B6066' };
const rule = { style: 'thin', color: ink } as const;

/** Where the unrounded amounts of a scaled statement are. */
const exactSheet = 'Exact';

/**
 * Laid out as printed, with outline levels, number formats and rules; every subtotal, total, change and percent is a live formula.
 * A scaled statement has a second sheet with the unrounded amounts and their formulas: on the first, lines are the printed
 * figures, totals and changes are formulas over them, and what is no amount is taken from the second.
 */
export async function writeStatementWorkbook(statement: Statement): Promise<{ name: string; type: string; content: Buffer }> {
  const workbook = new ExcelJS.Workbook();
  workbook.creator = 'Ivory Ladder';
  const { scale, exactRows, books, rows, exponent } = statement;
  const { title } = headingOf(statement);
  if (scale.unit !== 'exact') writeSheet(workbook, title, statement, rows, exponent, scaledCell);
  writeSheet(workbook, scale.unit === 'exact' ? title : exactSheet, statement, exactRows, books.company.currency.exponent, liveCell);
  return {
    name: fileNameOf(statement, 'xlsx'),
    type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    content: Buffer.from(await workbook.xlsx.writeBuffer()),
  };
}

/** What stands in one cell: its formula or value, from what it comes to. */
type CellWriter = (cell: CellFacts) => ExcelJS.CellValue;

interface CellFacts {
  readonly statement: Statement;
  readonly row: StatementRow;
  /** Index of the column. */
  readonly at: number;
  readonly result: number | undefined;
  /** Decimals of amounts on the sheet, and of the value of this cell. */
  readonly exponent: number;
  readonly decimals: number;
  /** Of the sheet's row. */
  readonly number: number;
  letter(column: number): string;
  readonly rowOf: ReadonlyMap<string, number>;
}

function writeSheet(workbook: ExcelJS.Workbook, name: string, statement: Statement, rows: readonly StatementRow[], exponent: number, write: CellWriter): void {
  const { columns } = statement;
  const lead = hasNotes(rows) ? 2 : 1;
  const heading = headingOf(statement);
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
  sheet.getCell('A1').value = heading.company;
  sheet.getCell('A1').font = { name: 'Georgia', size: 12, color: ink };
  sheet.getCell('A2').value = heading.title;
  sheet.getCell('A2').font = { name: 'Georgia', size: 16, bold: true, color: ink };
  sheet.getCell('A3').value = heading.dates;
  sheet.getCell('A3').font = { name: 'Calibri', size: 10, color: second };
  for (const [row, height] of [18, 24, 16].entries()) sheet.getRow(row + 1).height = height;
  sheet.getColumn(1).width = Math.min(70, Math.max(36, ...rows.map((row) => row.caption.length + 2 * row.depth + 2)));
  columns.forEach((column, at) => {
    const usual = isOfPercents(column) ? 9 : 19;
    sheet.getColumn(at + 1 + lead).width = column.width === 'narrow' ? usual * 0.7 : column.width === 'wide' ? usual * 1.5 : usual;
    const cell = sheet.getCell(firstRow - 1, at + 1 + lead);
    cell.value = captionOfColumn(column, statement.compiled.layout.language);
    cell.font = { name: 'Calibri', size: 10, color: second };
    cell.alignment = { horizontal: 'right', vertical: 'bottom', wrapText: true };
  });
  if (lead === 2) {
    sheet.getColumn(2).width = 7;
    const cell = sheet.getCell(firstRow - 1, 2);
    cell.value = captionWords[statement.compiled.layout.language].note;
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
  if (exponent === statement.exponent) writeTransfers(sheet, statement, firstRow + rows.length + 1, lead);
}

/** What the statement shows on one line instead of another, as it is printed under it. */
function writeTransfers(sheet: ExcelJS.Worksheet, { transfers, columns, compiled, exponent }: Statement, first: number, lead: number): void {
  if (transfers.length === 0) return;
  const heading = sheet.getCell(first, 1);
  heading.value = printWords[compiled.layout.language].transfers;
  heading.font = { name: 'Calibri', size: 10, bold: true, color: second };
  for (const [place, transfer] of transfers.entries()) {
    const caption = sheet.getCell(first + 1 + place, 1);
    caption.value = transferText(transfer);
    caption.font = { name: 'Calibri', size: 10, color: second };
    for (const [at, column] of columns.entries()) {
      if (column.kind !== 'amount') continue;
      const cell = sheet.getCell(first + 1 + place, at + 1 + lead);
      const value = transfer.values[at] ?? null;
      cell.value = value === null ? null : Number(toDecimalText(value, { code: '', exponent }));
      cell.numFmt = amountFormat(exponent);
      cell.font = { name: 'Calibri', size: 10, color: second };
    }
  }
}

function writeRow(
  sheet: ExcelJS.Worksheet,
  statement: Statement,
  row: StatementRow,
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
    const decimals = isOfPercents(column) ? 3 : isRatio ? decimalsOf.ratio : places + (unit === 'percent' ? 2 : 0);
    const result = value === null ? undefined : Number(toDecimalText(value, { code: '', exponent: decimals }));
    cell.font = font;
    cell.alignment = { horizontal: 'right', vertical: 'middle' };
    cell.numFmt = isOfPercents(column) || unit === 'percent' ? '#,##0.0%_);(#,##0.0%);"–"_);@_)' : amountFormat(isRatio ? decimalsOf.ratio : places);
    cell.value = write({ statement, row, at, result, exponent, decimals, number, letter, rowOf });
    if ((row.role === 'total' && (row.parts.length > 0 || row.unit)) || weight === 'ruled') cell.border = { top: rule };
    if (row.role === 'final') cell.border = { top: rule, bottom: { style: 'double', color: ink } };
  });
}

function bearsAmounts({ role }: StatementRow): boolean {
  return role !== 'heading' && role !== 'text' && role !== 'space';
}

/** Over the sheet itself. */
function liveCell(cell: CellFacts): ExcelJS.CellValue {
  const { statement, row, at, result, exponent, number, letter, rowOf } = cell;
  if (row.unit !== undefined) return calculated(cell);
  const column = statement.columns[at] as Statement['columns'][number];
  if (column.kind === 'amount')
    return row.parts.length > 0 ? { formula: rounded(sumOf(row, letter(at), rowOf), exponent), result: result ?? 0 } : (result ?? null);
  if (column.kind === 'text') return null;
  if (column.kind === 'share') return shareOf(cell, column);
  if (column.kind === 'calculation') return overColumns(cell, column);
  const [of, against] = [`${letter(column.of)}${number}`, `${letter(column.against)}${number}`];
  return column.kind === 'change'
    ? { formula: rounded(`${of}-${against}`, exponent), result: result ?? 0 }
    : { formula: `IF(${against}=0,"–",(${of}-${against})/ABS(${against}))`, result: result ?? '–' };
}

function isOfPercents(column: Statement['columns'][number]): boolean {
  return column.kind === 'percent' || column.kind === 'share' || (column.kind === 'calculation' && column.result === 'percent');
}

/** A formula over other columns of the row. */
function overColumns({ row, result, number, exponent, letter }: CellFacts, column: CalculationColumn): ExcelJS.CellValue {
  if (row.unit !== undefined && row.unit !== 'amount') return '–';
  const inCells = (key: string): string => `${letter(column.operands.get(key) ?? 0)}${number}`;
  const cells = formulaInCells(column.formula, { days: column.days, inCells, between: betweenKeys([...column.operands.keys()]) });
  return { formula: `IFERROR(${column.result === 'amount' ? rounded(cells, exponent) : cells},"–")`, result: result ?? '–' };
}

/** Of the line in the same column; of its amount where it is not on the sheet. */
function shareOf({ statement, row, result, number, letter, rowOf }: CellFacts, { of, line }: ShareColumn): { formula: string; result: number | string } {
  const there = rowOf.get(line);
  const whole = there === undefined ? amountInCell(line, runIndexOf(statement.columns, of), statement) : `${letter(of)}${there}`;
  const part = `${letter(of)}${number}`;
  return { formula: row.unit === undefined || row.unit === 'amount' ? `IFERROR(${part}/${whole},"–")` : '"–"', result: result ?? '–' };
}

/** The printed figure; what it is by is on the sheet of unrounded amounts, row for row. */
function scaledCell(cell: CellFacts): ExcelJS.CellValue {
  const { statement, row, at, result, number, letter } = cell;
  const { columns, scale } = statement;
  const column = columns[at] as Statement['columns'][number];
  const exact = `${exactSheet}!${letter(at)}${number}`;
  if (column.kind === 'text') return null;
  const isRatio = isOfPercents(column) || (column.kind === 'calculation' && column.result === 'ratio');
  if (isRatio || (row.unit !== undefined && row.unit !== 'amount')) return { formula: exact, result: result ?? '–' };
  if (column.kind === 'calculation') return { formula: `IFERROR(ROUND(${exact}/${minorUnitsIn(scale.unit, 0)},0),"–")`, result: result ?? '–' };
  if (column.kind === 'change') {
    const change = `${letter(column.of)}${number}-${letter(column.against)}${number}`;
    return { formula: row.unit === undefined ? change : `IFERROR(${change},"–")`, result: result ?? '–' };
  }
  const isByItself = row.unit !== undefined || scale.rounding === 'independent';
  if (row.parts.length > 0 && !isByItself) return liveCell(cell);
  if (row.parts.length === 0 && row.unit === undefined) return result ?? null;
  const inUnits = `ROUND(${exact}/${minorUnitsIn(scale.unit, 0)},0)`;
  return { formula: row.unit === undefined ? inUnits : `IFERROR(${inUnits},"–")`, result: result ?? '–' };
}

/** A calculation's cell: the formula over cells, rounded where it is an amount; text where it has no value. */
function calculated(cell: CellFacts): ExcelJS.CellValue {
  const { statement, row, at, decimals: exponent, result, letter, number, rowOf } = cell;
  const { columns, compiled } = statement;
  const column = columns[at] as (typeof columns)[number];
  const line = compiled.lines[compiled.indexOf.get(row.lineKey) ?? -1];
  if (column.kind === 'text') return null;
  if (isOfPercents(column) && row.unit !== 'amount') return '–';
  if (column.kind === 'share') return { formula: shareOf(cell, column).formula, result: result ?? '–' };
  if (column.kind === 'calculation') return overColumns(cell, column);
  if (column.kind !== 'amount') {
    const [of, against] = [`${letter(column.of)}${number}`, `${letter(column.against)}${number}`];
    const change = `ROUND(${of},${exponent})-ROUND(${against},${exponent})`;
    const formula = column.kind === 'change' ? change : `(${change})/ABS(${against})`;
    return { formula: `IFERROR(${formula},"–")`, result: result ?? '–' };
  }
  if (line?.kind !== 'calculation' || !('kind' in line.formula)) return '–';
  const cells = formulaInCells(
    line.formula,
    cellsOfLines({
      statement,
      run: runIndexOf(columns, at),
      span: column.span,
      cellOf: (key) => {
        const there = rowOf.get(key);
        return there === undefined ? undefined : `${letter(at)}${there}`;
      },
    }),
  );
  const signed = line.reversed ? `-(${cells})` : cells;
  return { formula: `IFERROR(${row.unit === 'amount' ? rounded(signed, exponent) : signed},"–")`, result: result ?? '–' };
}

function sumOf(row: StatementRow, column: string, rowOf: ReadonlyMap<string, number>): string {
  const terms = row.parts.flatMap(({ key, sign }) => {
    const at = rowOf.get(key);
    return at === undefined ? [] : [{ at, sign }];
  });
  const isRun = terms.length > 2 && terms.every(({ at, sign }, index) => sign === 1 && (index === 0 || at === (terms[index - 1] as { at: number }).at + 1));
  if (isRun) return `SUM(${column}${terms[0]?.at}:${column}${terms.at(-1)?.at})`;
  return terms.map(({ at, sign }, index) => `${sign === 1 ? (index === 0 ? '' : '+') : '-'}${column}${at}`).join('') || '0';
}
