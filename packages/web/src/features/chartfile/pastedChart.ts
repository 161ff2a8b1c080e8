import { type ChartField, chartColumns } from '@ivory-ladder/core';

/** What stands in the columns of a block without headings, by how many there are. */
const columnsOf: readonly (readonly ChartField[])[] = [
  ['number', 'name'],
  ['number', 'name', 'element'],
  ['number', 'name', 'element', 'category'],
  ['number', 'name', 'element', 'category', 'parent'],
];

/** A block copied out of a spreadsheet as a chart file; `null` for text that is no block of two columns or more. */
export function pastedChart(text: string): string | null {
  const lines = text.replace(/\r\n?/g, '\n').split('\n');
  const first = lines[0]?.split('\t') ?? [];
  if (first.length < 2) return null;
  const hasHeadings = first.some((cell) => cell.trim().toLowerCase() === chartColumns.number.heading.toLowerCase());
  if (hasHeadings) return lines.join('\n');
  const columns = columnsOf[Math.min(first.length, columnsOf.length + 1) - 2] as readonly ChartField[];
  return [columns.map((field) => chartColumns[field].heading).join('\t'), ...lines].join('\n');
}
