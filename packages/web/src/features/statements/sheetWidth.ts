import type { StatementBody } from '@ivory-ladder/contract';

/** Of a caption with its rungs, and the sheet's own edges. */
const besideFigures = 460;
const ofCharacter = 7.6;
const besideFigure = 24;
const leastOfColumn = 88;

/** Pixels in which a statement of many columns stands without air between captions and figures: each column is as wide as the longest figure of all. */
export function sheetWidth({ columns, rows }: Pick<StatementBody, 'columns' | 'rows'>): number {
  const digits = rows.reduce((most, { values }) => values.reduce((longest, value) => Math.max(longest, value?.length ?? 0), most), 0);
  // With what groups digits, a point, and parentheses.
  const characters = digits + Math.floor(digits / 3) + 3;
  return besideFigures + columns.length * Math.max(leastOfColumn, Math.ceil(characters * ofCharacter + besideFigure));
}
