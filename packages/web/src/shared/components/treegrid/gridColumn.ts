import type { ReactNode } from 'react';
import { counted } from '../../words/counted.ts';

/** How a cell is edited in its place. */
export interface CellEdit<Row> {
  readonly value: (row: Row) => string;
  /** The only values there are. */
  readonly choices?: readonly string[];
  /** Values to begin with; others may be typed. */
  readonly suggestions?: readonly string[];
  readonly maxLength?: number;
}

export interface GridColumn<Row> {
  readonly id: string;
  readonly caption: string;
  /** A track of CSS grid, such as `108px` or `minmax(120px, 1fr)`. */
  readonly width: string;
  /** Shown only where it was chosen. */
  readonly isExtra?: true;
  readonly isAmount?: boolean;
  readonly cell: (row: Row) => ReactNode;
  /** What a copied block holds for the cell. */
  readonly text: (row: Row) => string;
  readonly edit?: CellEdit<Row>;
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
