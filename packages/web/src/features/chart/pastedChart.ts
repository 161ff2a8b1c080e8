import type { ChartAccountBody } from '@ivory-ladder/contract';
import { type ChartField, type CodeList, chartColumns, describeColumn, isListKey } from '@ivory-ladder/core';

/** What stands in the columns of a block without headings, by how many there are. */
const columnsOf: readonly (readonly ChartField[])[] = [
  ['number', 'name'],
  ['number', 'name', 'element'],
  ['number', 'name', 'element', 'category'],
  ['number', 'name', 'element', 'category', 'parent'],
];

/** A block copied out of a spreadsheet as a chart file; `null` for text that is no block of two columns or more. `numbered`: whether accounts have numbers. */
export function pastedChart(text: string, numbered: boolean): string | null {
  const lines = text.replace(/\r\n?/g, '\n').split('\n');
  const first = lines[0]?.split('\t') ?? [];
  if (first.length < 2) return null;
  const hasHeadings = first.some((cell) => cell.trim().toLowerCase() === chartColumns[numbered ? 'number' : 'name'].heading.toLowerCase());
  if (hasHeadings) return lines.join('\n');
  const headings = numbered ? columnsOf : columnsOf.slice(1).map(([, ...names]) => names);
  const columns = headings[Math.min(first.length, headings.length + 1) - 2] as readonly ChartField[];
  return [columns.map((field) => chartColumns[field].heading).join('\t'), ...lines].join('\n');
}

/** What a column of the table is in a chart file; a column that is not here is headed by its own id, which a file leaves alone. */
const fieldOfColumn: Readonly<Record<string, ChartField>> = {
  name: 'name',
  category: 'category',
  side: 'side',
  purpose: 'purpose',
  externalNumber: 'externalNumber',
  role: 'role',
};

export function isOneCell(text: string): boolean {
  return text.trim() !== '' && !/[\t\r\n]/.test(text.trim());
}

/**
 * A block pasted over the rows and columns of the table, from a cell on to the right and down, as a chart file;
 * `null` where it begins at the numbers, which stand for accounts of their own. `rowsFrom` gives as many accounts from
 * that cell down as there are. Rows beyond them have no number, which the file's check says.
 */
export function pastedOver(
  text: string,
  columnIds: readonly string[],
  rowsFrom: (count: number) => readonly Pick<ChartAccountBody, 'id' | 'number'>[],
  lists: readonly Pick<CodeList, 'key' | 'name'>[] = [],
): string | null {
  if (columnIds[0] === 'number') return null;
  const lines = text.replace(/\r\n?/g, '\n').replace(/\n$/, '').split('\n');
  const width = Math.min(columnIds.length, Math.max(...lines.map((line) => line.split('\t').length)));
  const headings = columnIds.slice(0, width).map((id) => {
    const column = isListKey(id) ? id : fieldOfColumn[id];
    return column ? describeColumn(column, lists).heading : `Column ${id}`;
  });
  const rows = rowsFrom(lines.length);
  const body = lines.map((line, at) => [rows[at]?.number ?? '', String(rows[at]?.id ?? ''), ...line.split('\t').slice(0, width)].join('\t'));
  return [[chartColumns.number.heading, chartColumns.key.heading, ...headings].join('\t'), ...body].join('\n');
}
