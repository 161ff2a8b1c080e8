import { type Cell, textOf } from './cell.ts';
import type { ColumnMap } from './columnMeaning.ts';

const numberThenName = /^(\S*\d\S*)\s+(?:[-–—·:|]\s+)?(\S*\p{L}.*)$/u;

/** Number and name of a row. One column may hold both, the number first: `1000 Bank`, `1000 – Bank`. */
export function accountCells(cells: readonly Cell[], { number, name }: ColumnMap): { number: string; name: string } {
  const plain = (column: number | undefined): string => textOf(cells[column ?? -1]).replace(/\s+/g, ' ');
  if (number === undefined || number !== name) return { number: plain(number), name: plain(name) };
  const both = plain(number);
  const [, first, rest] = numberThenName.exec(both) ?? [];
  if (first !== undefined && rest !== undefined) return { number: first, name: rest };
  return /\d/.test(both) ? { number: both, name: '' } : { number: '', name: both };
}

/** Whether a column holds numbers and names together, in most of the rows that have something there. */
export function holdsBoth(rows: readonly (readonly Cell[])[], column: number): boolean {
  const texts = rows.map((row) => textOf(row[column])).filter((text) => text !== '');
  return texts.length > 0 && texts.filter((text) => numberThenName.test(text)).length > texts.length * 0.6;
}
