import { captionWords, type DocumentColumn, type DrawnRow, type DrawnStatement, formatFigure, formatInColumn, printWords } from '@ivory-ladder/core';
import type { Content, CustomTableLayout, TableCell } from 'pdfmake/interfaces';
import type { Face } from './printFonts.ts';
import { hasNotes } from './statementCaptions.ts';

export const ink = '#20262B';
export const second = '#5B6066';
const [portrait, landscape] = [499, 746];
const noteWidth = 30;

/** More columns than a page has room for beside captions that can be read. */
export function isWidePage(columns: readonly DocumentColumn[]): boolean {
  return columns.length > 4;
}

interface TableEnd {
  /** Of the caption in the last row, by which its page is found. */
  readonly lastId: string;
  /** The last rows begin a page, so that what comes under them is not alone on one. */
  readonly isTailApart: boolean;
}

/** Rows that go along to the next page at least, and at most so many more to begin with a heading. */
const [tailRows, rowsToHeading] = [6, 6];

function tailAt(rows: readonly DrawnRow[]): number {
  const latest = rows.length - tailRows;
  const heading = rows.findLastIndex(({ role }, at) => at <= latest && at > latest - rowsToHeading && role === 'heading');
  return heading > 0 ? heading : latest;
}

/**
 * The statement as it is printed, headings again on each page. `marks`: letters of comments by key of the line. A line with a break before it begins a
 * page.
 */
export function statementTable(statement: DrawnStatement, marks: ReadonlyMap<string, string>, { lastId, isTailApart }: TableEnd): Content[] {
  const { rows, columns, language } = statement;
  const withNotes = hasNotes(rows);
  const width = columnWidth(columns, withNotes);
  const fontSize = fontSizeFor(columns);
  const { widths, layout } = gridOf(columns, withNotes);
  const lead = withNotes ? 2 : 1;
  const headings: TableCell[][] = [];
  if (columns.some(({ group }) => group !== undefined)) headings.push(groupCells(columns, lead));
  headings.push([
    '',
    ...(withNotes ? [{ text: captionWords[language].note, color: second, alignment: 'center' as const }] : []),
    ...columns.map(({ lines }) => ({ stack: [...lines], alignment: 'right' as const, color: second })),
  ]);
  const pages: DrawnRow[][] = [[]];
  const apartAt = isTailApart ? tailAt(rows) : -1;
  for (const [at, row] of rows.entries()) {
    if ((row.look?.breakBefore || at === apartAt) && pages.at(-1)?.length) pages.push([]);
    pages.at(-1)?.push(row);
  }
  return pages.map((page, at) => ({
    fontSize,
    ...(at > 0 ? { pageBreak: 'before' as const } : {}),
    table: {
      headerRows: headings.length,
      keepWithHeaderRows: 1,
      dontBreakRows: true,
      widths,
      body: [
        ...headings,
        ...page.map((row) => rowCells(row, statement, withNotes, width, marks.get(markedAt(row) ?? ''), row === rows.at(-1) ? lastId : undefined)),
      ],
    },
    layout,
  }));
}

/** What a statement shows in one line instead of another, with amounts in their columns and a caption that is never left behind on a page. */
export function transferTable({ transfers, rows, columns, currency, language }: DrawnStatement): Content {
  const withNotes = hasNotes(rows);
  const lead = withNotes ? 2 : 1;
  const { widths, layout } = gridOf(columns, withNotes);
  const before = (cell: { readonly text: string; readonly bold?: boolean }): TableCell[] => [{ ...cell, colSpan: lead }, ...(withNotes ? [''] : [])];
  return {
    fontSize: Math.min(8, fontSizeFor(columns)),
    margin: [0, 12, 0, 0],
    color: second,
    table: {
      headerRows: 1,
      keepWithHeaderRows: transfers.length,
      dontBreakRows: true,
      widths,
      body: [
        [{ text: printWords[language].transfers, bold: true, colSpan: lead + columns.length }, ...Array.from({ length: lead + columns.length - 1 }, () => '')],
        ...transfers.map((transfer): TableCell[] => [
          ...before({ text: transfer.text }),
          ...columns.map(({ kind }, at): TableCell => {
            const text = kind === 'amount' ? formatFigure(transfer.values[at] ?? null, 'amount', currency) : '';
            return { text, alignment: 'right', noWrap: true };
          }),
        ]),
      ],
    },
    layout,
  };
}

function fontSizeFor({ length }: readonly DocumentColumn[]): number {
  return length > 9 ? 7 : length > 6 ? 8 : 9;
}

/** Where the columns of a statement stand on the page, for all that is printed in them. */
function gridOf(columns: readonly DocumentColumn[], withNotes: boolean): { readonly widths: ('*' | number)[]; readonly layout: CustomTableLayout } {
  const width = columnWidth(columns, withNotes);
  return {
    widths: ['*', ...(withNotes ? [noteWidth] : []), ...columns.map(() => width)],
    layout: {
      defaultBorder: false,
      hLineWidth: () => 0.6,
      vLineWidth: () => 0,
      hLineColor: () => ink,
      paddingLeft: (column: number) => (column === 0 ? 0 : 4),
      paddingRight: (column: number) => (column === 0 ? 6 : 2),
      paddingTop: () => 1.2,
      paddingBottom: () => 1.2,
    },
  };
}

function columnWidth(columns: readonly DocumentColumn[], hasNotes: boolean): number {
  const captions = isWidePage(columns) ? 190 : 200;
  const room = (isWidePage(columns) ? landscape : portrait) - captions - (hasNotes ? noteWidth : 0);
  return Math.min(78, Math.floor(room / Math.max(1, columns.length)) - 6);
}

/** Columns beside each other under one word. */
function groupCells(columns: readonly DocumentColumn[], lead: number): TableCell[] {
  const cells: TableCell[] = Array.from({ length: lead }, () => '');
  for (let at = 0; at < columns.length; ) {
    const { group } = columns[at] as DocumentColumn;
    let last = at;
    while (group !== undefined && columns[last + 1]?.group === group) last++;
    const colSpan = last - at + 1;
    cells.push({ text: group ?? '', colSpan, alignment: 'center', color: second, border: [false, false, false, group !== undefined] });
    for (; at < last; at++) cells.push('');
    at++;
  }
  return cells;
}

/** Comments stand at the row that bears the line's figures. */
function markedAt({ accountId, role, lineKey }: DrawnRow): string | null {
  return accountId === null && role !== 'heading' ? lineKey : null;
}

interface RowLook {
  readonly face: Face;
  readonly bold: boolean;
  readonly isRuled: boolean;
  readonly isFinal: boolean;
}

function lookOf({ role, look }: DrawnRow): RowLook {
  const weight = look?.weight ?? 'usual';
  const isTotal = role === 'total' || role === 'final';
  if (weight === 'plain') return { face: 'sans', bold: false, isRuled: isTotal, isFinal: role === 'final' };
  return {
    face: isTotal || role === 'heading' ? 'serif' : 'sans',
    bold: weight === 'strong' || isTotal || role === 'heading',
    isRuled: isTotal || weight === 'ruled' || weight === 'final',
    isFinal: role === 'final' || weight === 'final',
  };
}

function rowCells(
  row: DrawnRow,
  { columns, currency }: DrawnStatement,
  hasNotes: boolean,
  width: number,
  mark: string | undefined,
  id: string | undefined,
): TableCell[] {
  const { role, caption, depth, values, unit, look, note = '' } = row;
  const { face, bold, isRuled, isFinal } = lookOf(row);
  const hasFigures = role !== 'heading' && role !== 'text' && role !== 'space';
  const indent = (depth + (look?.indent ?? 0)) * 10;
  const top = look?.spaceBefore || (role === 'heading' && depth === 0) || role === 'final' ? 4 : role === 'heading' ? 3 : 0;
  return [
    {
      ...(id === undefined ? {} : { id }),
      text: mark === undefined ? caption : [caption, { text: ` ${mark}`, sup: true, font: 'sans' }],
      font: face,
      bold,
      margin: [indent, top, 0, 0],
      ...(role === 'account' ? { color: second } : {}),
      ...(role === 'space' ? { lineHeight: 1.4 } : {}),
    },
    ...(hasNotes ? [{ text: note, alignment: 'center' as const, margin: [0, top, 0, 0] as [number, number, number, number] }] : []),
    ...columns.map((column, at): TableCell => {
      const value = values[at] ?? null;
      const isShare = column.kind === 'percent' || column.kind === 'share';
      const text = hasFigures ? formatInColumn(column, value, unit, currency) : '';
      const isUnderRule = hasFigures && column.kind !== 'text' && !isShare;
      const figure = { text, bold, alignment: 'right' as const, noWrap: true };
      return {
        ...(isFinal && isUnderRule ? { stack: [figure, doubleRule(width)] } : figure),
        margin: [0, top, 0, 0],
        border: [false, isUnderRule && isRuled, false, false],
        ...(role === 'account' || isShare ? { color: second } : {}),
      };
    }),
  ];
}

/** Within the cell, so that it never goes to the next page alone. */
function doubleRule(width: number): Content {
  const line = (y: number) => ({ type: 'line' as const, x1: -4, y1: y, x2: width + 2, y2: y, lineWidth: 0.6, lineColor: ink });
  return { canvas: [line(1), line(2.8)] };
}
