import { type Cell, isBlankRow, textOf } from '../exchange/cell.ts';

/** Columns of a file of facet values for lines of the past, in this order; the last one may be left out. */
export const facetHeadings = ['Document', 'Account', 'Value', 'Line'] as const;

/** A value for the lines of a document on an account, or for one of them. */
export interface FacetRow {
  /** From 1. */
  readonly row: number;
  /** Of the entry here, or in the file that it came from. */
  readonly document: string;
  readonly accountId: number;
  readonly value: string;
  /** Its place in the entry from 1; `null`: every line on the account. */
  readonly line: number | null;
}

export interface FacetRowFault {
  readonly row: number;
  readonly code: 'document_missing' | 'account_unknown' | 'value_unknown' | 'line_unreadable' | 'line_missing' | 'given_twice';
  readonly found: string;
}

/** A line that rows may speak of. */
export interface LineOfPast {
  readonly entryId: number;
  readonly lineNumber: number;
  readonly documents: readonly string[];
  readonly accountId: number;
  /** What it has of the facet. */
  readonly has: string | undefined;
}

/** Rows as they are understood; `listedAs` gives a value as it is listed and in use, whatever its case. A row of headings is left alone. */
export function readFacetRows(
  rows: readonly (readonly Cell[])[],
  accountIdOf: (reference: string) => number | undefined,
  listedAs: (typed: string) => string | undefined,
): { readonly rows: readonly FacetRow[]; readonly faults: readonly FacetRowFault[] } {
  const read: FacetRow[] = [];
  const faults: FacetRowFault[] = [];
  for (const [at, cells] of rows.entries()) {
    const [document, account, typed, lineText] = facetHeadings.map((_, column) => textOf(cells[column])) as [string, string, string, string];
    if (isBlankRow(cells) || (at === 0 && document.toLowerCase() === 'document')) continue;
    const fail = (code: FacetRowFault['code'], found: string) => void faults.push({ row: at + 1, code, found });
    const accountId = accountIdOf(account);
    const value = listedAs(typed);
    if (document === '') fail('document_missing', '');
    else if (accountId === undefined) fail('account_unknown', account);
    else if (value === undefined) fail('value_unknown', typed);
    else if (lineText !== '' && !/^[1-9]\d{0,6}$/.test(lineText)) fail('line_unreadable', lineText);
    else read.push({ row: at + 1, document, accountId, value, line: lineText === '' ? null : Number(lineText) });
  }
  return { rows: read, faults };
}

/**
 * Which lines get which value. Lines that have one keep it; a row that finds no line, or a line that already got another value from a row
 * above, is at fault. Cost: rows + lines.
 */
export function matchFacetRows(
  rows: readonly FacetRow[],
  lines: readonly LineOfPast[],
): {
  readonly given: readonly { readonly line: LineOfPast; readonly value: string }[];
  readonly kept: readonly LineOfPast[];
  readonly faults: readonly FacetRowFault[];
} {
  const byPlace = new Map<string, LineOfPast[]>();
  for (const line of lines)
    for (const document of new Set(line.documents)) {
      const key = `${line.accountId} ${document}`;
      const there = byPlace.get(key);
      if (there) there.push(line);
      else byPlace.set(key, [line]);
    }
  const valueOfLine = new Map<LineOfPast, string>();
  const kept = new Set<LineOfPast>();
  const faults: FacetRowFault[] = [];
  for (const { row, document, accountId, value, line: place } of rows) {
    const found = (byPlace.get(`${accountId} ${document}`) ?? []).filter(({ lineNumber }) => place === null || lineNumber === place);
    if (found.length === 0) faults.push({ row, code: 'line_missing', found: document });
    for (const line of found) {
      const before = valueOfLine.get(line);
      if (line.has !== undefined) kept.add(line);
      else if (before !== undefined && before !== value) {
        faults.push({ row, code: 'given_twice', found: document });
        break;
      } else valueOfLine.set(line, value);
    }
  }
  return { given: [...valueOfLine].map(([line, value]) => ({ line, value })), kept: [...kept], faults };
}
