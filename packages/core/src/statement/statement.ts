import type { Day, Span } from '../calendar/day.ts';
import type { NumberFormat } from '../columns/numberFormat.ts';
import type { ColumnResult, ColumnWidth } from '../columns/planDefinition.ts';
import type { Adjusting } from '../cube/adjustingPeriod.ts';
import type { FacetFilter } from '../facet/facetFilter.ts';
import type { Formula } from '../formula/formula.ts';
import type { CalculationResult, FigureNature, LineLook } from '../layout/line.ts';
import type { LineFault } from './runColumn.ts';

interface ColumnHead {
  /** In the place of what it is in words; `{from}`, `{to}` and `{year}` stand for dates. */
  readonly heading?: string;
  /** Over all columns beside each other that have the same. */
  readonly group?: string;
  readonly width?: ColumnWidth;
  readonly format?: NumberFormat;
}

/** A column of amounts: balances at the beginning or the end of the span, or movement over it. */
export interface AmountColumn extends ColumnHead {
  readonly kind: 'amount';
  readonly measure: 'opening' | 'closing' | 'movement';
  readonly span: Span;
  /** Name of the budget that the amounts are of; those of the ledger where it is left out. */
  readonly budget?: string;
  readonly budgetId?: number;
  /** Lines with these facet values alone. */
  readonly facets?: FacetFilter;
  readonly withoutAdjustments?: true;
  /** Accounts stand where they stood at the end of this day. */
  readonly placedOn?: Day;
  /** Of a span that ends a year with a period for adjustments: without its lines, or with them alone. */
  readonly adjusting?: Adjusting;
  /** Where balances began within the span, so that lines of balance sheet accounts have no movement and no opening. */
  readonly began?: Day;
  /** Place among all columns of the one whose total it is a part of. */
  readonly total?: number;
  /** Of changes in equity: accounts alone that the column of a category bears; its id. */
  readonly equity?: number;
}

/** `of` less `against`, both made on what is shown; indices of amount columns among all columns. */
export interface ChangeColumn extends ColumnHead {
  readonly kind: 'change' | 'percent';
  readonly of: number;
  readonly against: number;
}

/** The part, in percent, that a row is of a line in a column of amounts. */
export interface ShareColumn extends ColumnHead {
  readonly kind: 'share';
  readonly of: number;
  /** Key of the line. */
  readonly line: string;
}

/** A formula over what a row shows in columns of amounts; a row that is no amount has none. */
export interface CalculationColumn extends ColumnHead {
  readonly kind: 'calculation';
  readonly formula: Formula;
  /** As it was written. */
  readonly text: string;
  readonly result: ColumnResult;
  /** Indices of columns of amounts among all columns, by what the formula calls them, in their order. */
  readonly operands: ReadonlyMap<string, number>;
  /** Of the run. */
  readonly days: number;
}

/** Empty, for what is written by hand. */
export interface TextColumn extends ColumnHead {
  readonly kind: 'text';
}

/** Of the plans that are there without being composed. */
export type PlainColumn = (AmountColumn & { readonly measure: 'closing' | 'movement' }) | ChangeColumn;

export type StatementColumn = AmountColumn | ChangeColumn | ShareColumn | CalculationColumn | TextColumn;

/** Place among the columns of amounts; −1 for others. */
export function runIndexOf(columns: readonly StatementColumn[], at: number): number {
  return columns[at]?.kind === 'amount' ? columns.slice(0, at).filter(({ kind }) => kind === 'amount').length : -1;
}

/** What a row is on the page. Headings, texts and spaces bear no amounts; a total has a rule above, a final one a double rule below. */
export type RowRole = 'heading' | 'line' | 'account' | 'total' | 'final' | 'text' | 'space';

/** A row of which another is the sum, with the sign it counts with in shown amounts. */
export interface RowPart {
  readonly key: string;
  readonly sign: 1 | -1;
}

export interface StatementRow {
  /** The line's key; a group's heading and total share it, told apart by `role`. An account's row adds its id. */
  readonly key: string;
  readonly lineKey: string;
  readonly accountId: number | null;
  readonly role: RowRole;
  readonly caption: string;
  readonly depth: number;
  /** Whether there is something inside, and whether it is shown. */
  readonly opens: boolean;
  readonly open: boolean;
  /** One a column, with the sign that is shown: in the row's unit, or in the column's, of a percent in its decimals; `null` where there is no figure. */
  readonly values: readonly (bigint | null)[];
  readonly parts: readonly RowPart[];
  /** They stand in it, rather than being named by it. */
  readonly partsAreWithin?: true;
  /** Of its values: minor units, hundredths, tenths of a percent, days; of amounts where it is left out. */
  readonly unit?: CalculationResult;
  /** Why columns have no figure, where any has none. */
  readonly faults?: readonly (LineFault | null)[];
  readonly look?: LineLook;
  readonly note?: string;
  /** Where it is not the usual one of the layout. */
  readonly better?: FigureNature;
}

/** How much of a statement is shown. */
export interface Detail {
  /** 1 shows top categories, 2 their subcategories, and so on; `accounts` opens every line. */
  readonly rungs: number | 'accounts';
  readonly opened: ReadonlySet<string>;
  readonly shut: ReadonlySet<string>;
  readonly zeroLines: boolean;
}
