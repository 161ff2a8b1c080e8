/** A cell of a file: text as written, or a number that the file itself held as one, as plain decimal text. */
export type Cell = string | { readonly number: string };

export function textOf(cell: Cell | undefined): string {
  if (cell === undefined) return '';
  return typeof cell === 'string' ? cell.replace(/[\u00a0\u202f\u2007]/g, ' ').trim() : cell.number;
}

export function isBlankRow(row: readonly Cell[]): boolean {
  return row.every((cell) => textOf(cell) === '');
}
