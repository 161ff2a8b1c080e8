import { type CodeList, isListKey, type ListKey } from '../chart/codeList.ts';
import { type Cell, textOf } from '../exchange/cell.ts';
import { textBehindMark } from '../exchange/plainText.ts';
import { fail, type Outcome, succeed } from '../outcome.ts';

/** Columns of a chart file, in the order in which they are written. */
export const chartFields = [
  'number',
  'newNumber',
  'name',
  'element',
  'side',
  'parent',
  'category',
  'categoryDebit',
  'categoryCredit',
  'active',
  'role',
  'purpose',
  'externalNumber',
  'key',
] as const;
export type ChartField = (typeof chartFields)[number];
/** A column of the file: a field of the account, or its code from a list. */
export type ChartColumn = ChartField | ListKey;

/** What heads each column, and what it takes, for the template. */
export const chartColumns: Readonly<Record<ChartField, { readonly heading: string; readonly takes: string }>> = {
  number: { heading: 'Number', takes: 'The account’s number, which tells the rows apart. Needed in each row.' },
  newNumber: { heading: 'New number', takes: 'Only where accounts are renumbered: the number in place of the one before. Two accounts may swap theirs.' },
  name: { heading: 'Name', takes: 'Up to 200 characters. Needed for a new account.' },
  element: { heading: 'Element', takes: 'asset, liability, equity, income or expense. Empty for a new account: as the one it is nested below.' },
  side: { heading: 'Normal side', takes: 'debit or credit. Empty for a new account: debit for assets and expenses, else credit.' },
  parent: {
    heading: 'Nested below',
    takes: 'Number of the account above it, or the path of its names parted by > where accounts have no numbers; empty: at the top level.',
  },
  category: {
    heading: 'Category',
    takes: 'Path of the category for any balance, its names parted by >; empty: where a range puts it, else unplaced. A path that is not there yet is made.',
  },
  categoryDebit: { heading: 'Category while in debit', takes: 'For an account whose balance swings: where it stands while in debit.' },
  categoryCredit: { heading: 'Category while in credit', takes: 'And while in credit. Category is empty then.' },
  active: { heading: 'Active', takes: 'yes or no. An account is retired with a zero balance only.' },
  role: { heading: 'Role', takes: 'retained earnings, cash, exchange differences or suspense; mostly empty.' },
  purpose: { heading: 'Purpose', takes: 'What belongs here and what does not, up to 2,000 characters.' },
  externalNumber: { heading: 'External number', takes: 'The account’s number in another system, up to 50 characters.' },
  key: { heading: 'Key', takes: 'Leave it as it is: it tells which account a row is while its number changes. Empty for a new account.' },
};

/** Name of the sheet that holds the chart in a workbook. */
export const chartSheet = 'Chart of accounts';

export interface ChartFileRow {
  /** From 1, as the file counts. */
  readonly row: number;
  readonly cells: Readonly<Partial<Record<ChartColumn, string>>>;
}

export interface ChartFile {
  /** Columns that are not in the file change nothing. */
  readonly fields: ReadonlySet<ChartColumn>;
  /** Headings that nobody knows; their columns are left alone. */
  readonly unknown: readonly string[];
  readonly rows: readonly ChartFileRow[];
}

export type ChartFileUnreadable = { code: 'chart_headings_missing'; looked: number };

const rowsLookedAt = 20;

type Lists = readonly Pick<CodeList, 'key' | 'name'>[];

/** Columns of a chart whose accounts have numbers, or have names only; a column for each list stands before the key. */
export function chartColumnsOf(numbered: boolean, lists: Lists): readonly ChartColumn[] {
  const fields = numbered ? chartFields : chartFields.filter((field) => field !== 'number' && field !== 'newNumber');
  return [...fields.slice(0, -1), ...lists.map(({ key }) => key), 'key'];
}

/** What heads a column, and what it takes; a list that is gone is headed by its key. */
export function describeColumn(column: ChartColumn, lists: Lists): { readonly heading: string; readonly takes: string } {
  if (!isListKey(column)) return chartColumns[column];
  const name = lists.find(({ key }) => key === column)?.name ?? column;
  return column.startsWith('facet')
    ? { heading: `Facet: ${name}`, takes: `Code of the value that new lines of the account get in ${name}; empty: none.` }
    : { heading: `Code: ${name}`, takes: `The account’s code in the list ${name}; empty: none.` };
}

/** A column of numbers or keys, or one of names beside another that is known. */
function isHeading(row: readonly Cell[], lists: Lists): boolean {
  const fields = new Set(row.map((cell) => columnOf(textOf(cell), lists)));
  fields.delete(undefined);
  return fields.has('number') || fields.has('key') || (fields.has('name') && fields.size > 1);
}

/** Rows under the first row that heads a column Number or Key, or Name and another; blank rows are passed over. */
export function readChartFile(rows: readonly (readonly Cell[])[], lists: Lists = []): Outcome<ChartFile, ChartFileUnreadable> {
  const at = rows.slice(0, rowsLookedAt).findIndex((row) => isHeading(row, lists));
  if (at < 0) return fail({ code: 'chart_headings_missing', looked: rowsLookedAt });
  const columns = new Map<ChartColumn, number>();
  const unknown: string[] = [];
  for (const [column, cell] of (rows[at] ?? []).entries()) {
    const heading = textOf(cell);
    const field = columnOf(heading, lists);
    if (field && !columns.has(field)) columns.set(field, column);
    else if (heading !== '') unknown.push(heading);
  }
  const read = rows.slice(at + 1).flatMap((row, index): ChartFileRow[] => {
    const cells = Object.fromEntries([...columns].map(([field, column]) => [field, textBehindMark(textOf(row[column]))]));
    return Object.values(cells).every((text) => text === '') ? [] : [{ row: at + 2 + index, cells }];
  });
  return succeed({ fields: new Set(columns.keys()), unknown, rows: read });
}

function columnOf(heading: string, lists: Lists): ChartColumn | undefined {
  const plainHeading = heading.trim().toLowerCase();
  return [...chartFields, ...lists.map(({ key }) => key)].find((column) => describeColumn(column, lists).heading.toLowerCase() === plainHeading);
}
