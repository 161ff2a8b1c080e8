import type { ReactNode } from 'react';
import { counted } from '../counted.ts';

export interface GridColumn<Row> {
  readonly id: string;
  readonly caption: string;
  /** A track of CSS grid, such as `108px` or `minmax(0, 1fr)`. */
  readonly width: string;
  readonly isAmount?: boolean;
  readonly cell: (row: Row) => ReactNode;
  /** What a copied block holds for the cell. */
  readonly text: (row: Row) => string;
  /** Absent where a column has no order of its own. */
  readonly compare?: (a: Row, b: Row) => number;
  /** What stands under the column in the row of totals. */
  readonly total?: ReactNode;
}

const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

export function compareTexts(a: string, b: string): number {
  return collator.compare(a, b);
}

/** Minor units, also as text, by value. */
export function compareAmounts(a: string | bigint, b: string | bigint): number {
  const difference = BigInt(a) - BigInt(b);
  return difference === 0n ? 0 : difference > 0n ? 1 : -1;
}

/** Rows as tab-separated text; tabs and line ends inside a cell become spaces, so that a spreadsheet keeps the columns. */
export function blockText<Row>(rows: readonly Row[], columns: readonly GridColumn<Row>[], withCaptions: boolean): string {
  const line = (cells: readonly string[]) => cells.map((cell) => cell.replace(/[\t\r\n]+/g, ' ')).join('\t');
  const lines = rows.map((row) => line(columns.map((column) => column.text(row))));
  return (withCaptions ? [line(columns.map(({ caption }) => caption)), ...lines] : lines).join('\n');
}

export function copiedText(rows: number): string {
  return `Copied: ${counted(rows, 'row')}.`;
}
