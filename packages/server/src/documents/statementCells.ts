import {
  betweenKeys,
  type DocumentColumn,
  type DrawnRow,
  type DrawnStatement,
  daysOfColumn,
  decimalsIn,
  divideHalfAwayFromZero,
  minorUnitsIn,
  readFormula,
  toDecimalText,
} from '@ivory-ladder/core';
import type ExcelJS from 'exceljs';
import { cellsOfLines, formulaInCells, operandInCell } from './formulaInCells.ts';
import { rounded } from './workbookAmounts.ts';

/** Where the unrounded amounts of a scaled statement are. */
export const exactSheet = 'Exact';

/** What stands in one cell: its formula or value, from what it comes to. */
export type CellWriter = (cell: CellFacts) => ExcelJS.CellValue;

type CalculationColumn = Extract<DocumentColumn, { kind: 'calculation' }>;
type ShareColumn = Extract<DocumentColumn, { kind: 'share' }>;

export interface CellFacts {
  readonly statement: DrawnStatement;
  readonly row: DrawnRow;
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

/** Over the sheet itself. */
export function liveCell(cell: CellFacts): ExcelJS.CellValue {
  const { statement, row, at, result, exponent, number, letter, rowOf } = cell;
  if (isUnknown(cell)) return '–';
  if (row.unit !== undefined) return calculated(cell);
  const column = statement.columns[at] as DocumentColumn;
  if (column.kind === 'amount')
    return row.parts.length > 0 ? { formula: rounded(sumOf(row, letter(at), rowOf), exponent), result: result ?? 0 } : (result ?? null);
  if (column.kind === 'text') return null;
  if (column.kind === 'share') return shareOf(cell, column);
  if (column.kind === 'calculation') return overColumns(cell, column);
  const [of, against] = [`${letter(column.of)}${number}`, `${letter(column.against)}${number}`];
  return column.kind === 'change'
    ? { formula: rounded(`${of}-${against}`, exponent), result: result ?? 0 }
    : { formula: `IF(OR(${against}=0,${of}=${against}),"–",(${of}-${against})/ABS(${against}))`, result: result ?? '–' };
}

/** An amount that nothing is known of, or a change from one or to one: a formula would make nil of it. */
function isUnknown({ statement, row, at, result }: CellFacts): boolean {
  const column = statement.columns[at];
  if (row.unit !== undefined || result !== undefined || !column) return false;
  if (column.kind === 'amount') return true;
  return (column.kind === 'change' || column.kind === 'percent') && [column.of, column.against].some((operand) => (row.values[operand] ?? null) === null);
}

export function isOfPercents(column: DocumentColumn): boolean {
  return column.kind === 'percent' || column.kind === 'share' || (column.kind === 'calculation' && column.result === 'percent');
}

/** A formula over other columns of the row. */
function overColumns({ row, result, number, exponent, letter }: CellFacts, column: CalculationColumn): ExcelJS.CellValue {
  const formula = readFormula(column.formula);
  if (!formula.ok || (row.unit !== undefined && row.unit !== 'amount')) return '–';
  const placeOf = new Map(column.operands.map(({ name, column: place }) => [name, place]));
  const inCells = (key: string): string => `${letter(placeOf.get(key) ?? 0)}${number}`;
  const cells = formulaInCells(formula.value, { days: column.days, inCells, between: betweenKeys([...placeOf.keys()]) });
  return { formula: `IFERROR(${column.result === 'amount' ? rounded(cells, exponent) : cells},"–")`, result: result ?? '–' };
}

/** Of the line in the same column; of its amount where it is not on the sheet. */
function shareOf(cell: CellFacts, column: ShareColumn): { formula: string; result: number | string } {
  const { statement, row, result, number, letter, rowOf } = cell;
  const { of, line } = column;
  const there = rowOf.get(line);
  const whole = there === undefined ? operandInCell(statement.operandOf(line, of)) : `${letter(of)}${there}`;
  const part = `${letter(of)}${number}`;
  if (row.unit !== undefined && row.unit !== 'amount') return { formula: '"–"', result: '–' };
  const share = `${part}/${whole}`;
  const footed = footedBy(cell, column);
  return { formula: `IFERROR(${footed === null ? share : `ROUND(${share},${footed.decimals})${footed.by}`},"–")`, result: result ?? '–' };
}

/** By how much a share was moved so that those of one total foot to it; `null` where it was not. */
function footedBy({ statement, row, at }: CellFacts, { of, line, kind, format }: ShareColumn): { readonly decimals: number; readonly by: string } | null {
  const operand = statement.operandOf(line, of);
  const [part, share] = [row.exact[of] ?? null, row.exact[at] ?? null];
  const whole = operand ? (operand.value.of * 10n ** BigInt(statement.kept.exponent)) / operand.value.over : 0n;
  if (part === null || share === null || whole === 0n) return null;
  const decimals = (decimalsIn({ kind, ...(format ? { format } : {}) }) ?? 0) + 2;
  const by = share - divideHalfAwayFromZero(part * 10n ** BigInt(decimals), whole);
  return by === 0n ? null : { decimals, by: `${by > 0n ? '+' : '-'}${toDecimalText(by > 0n ? by : -by, { code: '', exponent: decimals })}` };
}

/** The printed figure; what it is by is on the sheet of unrounded amounts, row for row. */
export function scaledCell(cell: CellFacts): ExcelJS.CellValue {
  const { statement, row, at, result, number, letter } = cell;
  if (isUnknown(cell)) return '–';
  const { columns, rounding } = statement;
  const column = columns[at] as DocumentColumn;
  const exact = `${exactSheet}!${letter(at)}${number}`;
  if (column.kind === 'text') return null;
  // Beside a change that is nil as it is printed, or goes the other way, there is none.
  if (column.kind === 'percent' && result === undefined) return '–';
  const isRatio = isOfPercents(column) || (column.kind === 'calculation' && column.result === 'ratio');
  if (isRatio || (row.unit !== undefined && row.unit !== 'amount')) return { formula: exact, result: result ?? '–' };
  if (column.kind === 'calculation') return { formula: `IFERROR(${inUnits(exact, statement)},"–")`, result: result ?? '–' };
  if (column.kind === 'change') {
    const change = `${letter(column.of)}${number}-${letter(column.against)}${number}`;
    return { formula: row.unit === undefined ? change : `IFERROR(${change},"–")`, result: result ?? '–' };
  }
  const isByItself = row.unit !== undefined || rounding === 'independent';
  if (row.parts.length > 0 && !isByItself) return liveCell(cell);
  if (row.parts.length === 0 && row.unit === undefined) return result ?? null;
  const shown = inUnits(exact, statement);
  return { formula: row.unit === undefined ? shown : `IFERROR(${shown},"–")`, result: result ?? '–' };
}

/** An exact amount in the unit that is shown, and in the currency where one rate is laid over all. */
function inUnits(exact: string, { scale, currency, unit }: DrawnStatement): string {
  const atRate = unit?.rate === undefined ? exact : `${exact}*${unit.rate}`;
  return rounded(`${atRate}/${minorUnitsIn(scale === 'exact' ? 'units' : scale, 0)}`, currency.exponent);
}

/** A calculation's cell: the formula over cells, rounded where it is an amount; text where it has no value. */
function calculated(cell: CellFacts): ExcelJS.CellValue {
  const { statement, row, at, decimals: exponent, result, letter, number, rowOf } = cell;
  const column = statement.columns[at] as DocumentColumn;
  if (column.kind === 'text') return null;
  if (isOfPercents(column) && row.unit !== 'amount') return '–';
  if (column.kind === 'share') return { formula: shareOf(cell, column).formula, result: result ?? '–' };
  if (column.kind === 'calculation') return overColumns(cell, column);
  if (column.kind !== 'amount') {
    const [of, against] = [`${letter(column.of)}${number}`, `${letter(column.against)}${number}`];
    const change = `ROUND(${of},${exponent})-ROUND(${against},${exponent})`;
    // The change of a percent is in points.
    const formula = column.kind !== 'change' ? `(${change})/ABS(${against})` : row.unit === 'percent' ? `(${change})*100` : change;
    return { formula: `IFERROR(${formula},"–")`, result: result ?? '–' };
  }
  const formula = row.formula === undefined ? null : readFormula(row.formula);
  if (!formula?.ok) return '–';
  const cells = formulaInCells(
    formula.value,
    cellsOfLines({
      statement,
      column: at,
      days: daysOfColumn(column),
      cellOf: (key) => {
        const there = rowOf.get(key);
        return there === undefined ? undefined : `${letter(at)}${there}`;
      },
    }),
  );
  const signed = row.isReversed ? `-(${cells})` : cells;
  return { formula: `IFERROR(${row.unit === 'amount' ? rounded(signed, exponent) : signed},"–")`, result: result ?? '–' };
}

function sumOf(row: DrawnRow, column: string, rowOf: ReadonlyMap<string, number>): string {
  const terms = row.parts.flatMap(({ key, sign }) => {
    const at = rowOf.get(key);
    return at === undefined ? [] : [{ at, sign }];
  });
  const isRun = terms.length > 2 && terms.every(({ at, sign }, index) => sign === 1 && (index === 0 || at === (terms[index - 1] as { at: number }).at + 1));
  if (isRun) return `SUM(${column}${terms[0]?.at}:${column}${terms.at(-1)?.at})`;
  return terms.map(({ at, sign }, index) => `${sign === 1 ? (index === 0 ? '' : '+') : '-'}${column}${at}`).join('') || '0';
}
