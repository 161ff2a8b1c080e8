import { allot, type Footing, isSumOfShown } from './footFigures.ts';
import { inUnit, type ShownUnit } from './scale.ts';
import type { StatementRow } from './statement.ts';

interface Across {
  /** How many columns are parts of the total. */
  readonly parts: number;
  readonly exactOf: (row: StatementRow, part: number) => bigint | null;
  /** Of the total's column. */
  readonly exactTotalOf: (row: StatementRow) => bigint | null;
  /** What is shown of the total's column, by key of the row. */
  readonly totals: ReadonlyMap<string, bigint>;
  readonly unit: ShownUnit;
  /** What another statement shows of a row. */
  readonly givenOf: (row: StatementRow, part: number) => bigint | undefined;
}

/**
 * Columns that are parts of a total, in units, so that they come to it in each row and each row's parts to the row in each column: from the
 * top down, each cell as near to what is exact as that allows, mostly its floor or its ceiling. The total never depends on its parts, nor a row
 * on what is shown below it. A row whose exact parts miss its exact total, or of which a figure is given, foots down alone. One map for each part,
 * by key of the row. Cost: cells × shortest paths within each group.
 */
export function footAcross({ bearing, totals: footing }: Footing, across: Across): ReadonlyMap<string, bigint>[] {
  const { parts, exactOf, exactTotalOf, totals, unit, givenOf } = across;
  const columns = Array.from({ length: parts }, (_, at) => at);
  const figures = columns.map(() => new Map<string, bigint>());
  const inTotal = new Set([...footing].flatMap((key) => bearing.get(key)?.parts.map((part) => part.key) ?? []));
  const exactIn = (row: StatementRow): bigint[] => columns.map((column) => exactOf(row, column) ?? 0n);
  /** What the row shows of the total, where its parts add up to that and none is given. */
  const totalOf = (row: StatementRow): bigint | undefined => {
    const adds = exactIn(row).reduce((sum, amount) => sum + amount, 0n) === exactTotalOf(row);
    return adds && columns.every((column) => exactOf(row, column) !== null && givenOf(row, column) === undefined) ? totals.get(row.key) : undefined;
  };
  const show = (row: StatementRow, cells: readonly (bigint | null)[]): void => {
    for (const [at, cell] of cells.entries()) if (cell !== null) figures[at]?.set(row.key, cell);
  };
  const spread = (row: StatementRow): void => {
    if (!footing.has(row.key)) return;
    const rows = row.parts.flatMap((part) => bearing.get(part.key) ?? []);
    const signs = row.parts.map(({ sign }) => BigInt(sign));
    const own = columns.map((column) => figures[column]?.get(row.key));
    const wanted = rows.map(totalOf);
    const isAcross = own.every((cell) => cell !== undefined) && wanted.every((total) => total !== undefined);
    const solved = isAcross
      ? nearest(
          rows.map((one, at) => exactIn(one).map((amount) => (signs[at] as bigint) * amount)),
          wanted.map((total, at) => (signs[at] as bigint) * (total as bigint)),
          own as bigint[],
          unit,
        )
      : null;
    for (const [at, one] of rows.entries())
      if (solved)
        show(
          one,
          (solved[at] as bigint[]).map((cell) => (signs[at] as bigint) * cell),
        );
    if (!solved)
      for (const [column, cell] of own.entries()) {
        if (cell === undefined) continue;
        const shown = figures[column];
        const shares = allot(
          cell,
          row.parts,
          rows.map((one) => exactOf(one, column) ?? 0n),
          unit,
          rows.map((one) => givenOf(one, column)),
        );
        for (const [at, one] of rows.entries()) shown?.set(one.key, shares[at] as bigint);
      }
    for (const one of rows) spread(one);
  };
  const begin = (row: StatementRow): void => {
    const total = totalOf(row);
    const plus = columns.map((column) => ({ key: String(column), sign: 1 as const }));
    if (total !== undefined)
      show(
        row,
        allot(
          total,
          plus,
          exactIn(row),
          unit,
          columns.map(() => undefined),
        ),
      );
    else
      show(
        row,
        columns.map((column) => {
          const exact = exactOf(row, column);
          return givenOf(row, column) ?? (exact === null ? null : inUnit(exact, unit));
        }),
      );
    if (columns.every((column) => figures[column]?.has(row.key))) spread(row);
    else if (footing.has(row.key)) for (const { key } of row.parts) begin(bearing.get(key) as StatementRow);
  };
  const isSum = (row: StatementRow): boolean => isSumOfShown(row, footing) && columns.every((column) => givenOf(row, column) === undefined);
  for (const row of bearing.values()) if (!inTotal.has(row.key) && !isSum(row)) begin(row);
  for (const column of columns) {
    const shown = figures[column] as Map<string, bigint>;
    const sumOf = (row: StatementRow): bigint => {
      const known = shown.get(row.key);
      if (known !== undefined) return known;
      const sum = row.parts.reduce((total, { key, sign }) => total + BigInt(sign) * sumOf(bearing.get(key) as StatementRow), 0n);
      shown.set(row.key, sum);
      return sum;
    };
    for (const row of bearing.values()) if (isSum(row) && exactOf(row, column) !== null) sumOf(row);
  }
  return figures;
}

/** A cell beyond its floor or ceiling, and something in the place of nothing, only where nothing else is left. */
const beyond = 1e6;
const ofNothing = 1e9;

/**
 * Whole cells near exact ones, with the sums of rows and columns that are wanted: plain rounding, then, unit by unit, the cheapest way from what is short to what is
 * over. `null` where the sums contradict each other.
 */
function nearest(exact: readonly (readonly bigint[])[], rows: readonly bigint[], columns: readonly bigint[], unit: ShownUnit): bigint[][] | null {
  const cells = exact.map((row) => row.map((amount) => inUnit(amount, unit)));
  const [height, width] = [rows.length, columns.length];
  // Rows first, then columns: how many units more each has to get; a unit goes from a row to a column by a cell.
  const due = [
    ...rows.map((sum, at) => Number(sum - (cells[at] as bigint[]).reduce((total, cell) => total + cell, 0n))),
    ...columns.map((sum, at) => -Number(sum - cells.reduce((total, row) => total + (row[at] as bigint), 0n))),
  ];
  if (due.reduce((sum, one) => sum + one, 0) !== 0) return null;
  const over = Number(unit.over);
  /** What it costs to have a cell one more, or one less: how much farther it is then from what is exact. */
  const costOf = (row: number, column: number, step: 1n | -1n): number => {
    const amount = exact[row]?.[column] as bigint;
    const next = (cells[row]?.[column] as bigint) + step;
    const off = Number((next - step) * unit.over - amount * unit.times) / over;
    const cost = 1 + 2 * Number(step) * off;
    if (amount === 0n) return next === 0n ? cost : cost + ofNothing;
    const [low, high] = [floorOf(amount * unit.times, unit.over), -floorOf(-amount * unit.times, unit.over)];
    return next < low || next > high ? cost + beyond : cost;
  };
  for (let guard = 0; due.some((one) => one !== 0); guard++) {
    if (guard > 4 * (height + width) * (height + width)) return null;
    const distance = due.map((one) => (one > 0 ? 0 : Number.POSITIVE_INFINITY));
    const from = new Int32Array(height + width).fill(-1);
    // Few nodes: each pass over all cells shortens the ways, until none is shorter.
    for (let isShorter = true, pass = 0; isShorter && pass <= height + width; pass++) {
      isShorter = false;
      for (let row = 0; row < height; row++)
        for (let column = 0; column < width; column++) {
          const node = height + column;
          const [forth, back] = [(distance[row] as number) + costOf(row, column, 1n), (distance[node] as number) + costOf(row, column, -1n)];
          if (forth < (distance[node] as number) - 1e-9) {
            distance[node] = forth;
            from[node] = row;
            isShorter = true;
          }
          if (back < (distance[row] as number) - 1e-9) {
            distance[row] = back;
            from[row] = node;
            isShorter = true;
          }
        }
    }
    let end = -1;
    for (const [node, one] of due.entries()) if (one < 0 && (end < 0 || (distance[node] as number) < (distance[end] as number))) end = node;
    if (end < 0 || distance[end] === Number.POSITIVE_INFINITY) return null;
    due[end] = (due[end] as number) + 1;
    let at = end;
    for (; (from[at] as number) >= 0; at = from[at] as number) {
      const before = from[at] as number;
      const [row, column, step] = at >= height ? [before, at - height, 1n] : [at, before - height, -1n];
      (cells[row] as bigint[])[column] = (cells[row]?.[column] as bigint) + step;
    }
    due[at] = (due[at] as number) - 1;
  }
  return cells;
}

function floorOf(amount: bigint, over: bigint): bigint {
  const quotient = amount / over;
  return amount % over < 0n ? quotient - 1n : quotient;
}
