import type { Day } from '../calendar/day.ts';
import type { NumberFormat } from '../columns/numberFormat.ts';
import type { ColumnResult, ColumnWidth } from '../columns/planDefinition.ts';
import type { Adjusting } from '../cube/adjustingPeriod.ts';
import type { FootingException } from '../footing/footLines.ts';
import type { CaptionLanguage } from '../layout/captionWords.ts';
import type { CalculationResult, FigureNature, Layout, LineLook } from '../layout/line.ts';
import type { ChosenPlan } from '../run/request.ts';
import type { Scale } from '../statement/scale.ts';
import type { RowPart, RowRole } from '../statement/statement.ts';

/** Of this version a statement is written; what is newer is not read. */
export const documentVersion = 1;

/**
 * A finished statement as a value: all that it is printed, exported, kept and compared from, without the books, the chart or the layout that it was run
 * on. It is JSON as it stands: amounts are whole numbers as text, without plus, leading noughts or minus nought; what says no more than its absence is absent.
 */
export interface StatementDocument {
  readonly format: 'ivory-ladder-statement';
  readonly version: number;
  readonly content: DocumentContent;
  readonly view: DocumentView;
  readonly provenance: Provenance;
}

/** Figures, words and look: what a signature is bound to. */
export interface DocumentContent {
  readonly kind: Layout['kind'];
  readonly title: string;
  readonly company: string;
  readonly language: CaptionLanguage;
  /** What was asked for. */
  readonly firstDay: Day;
  readonly lastDay: Day;
  /** Under the title, as printed: dates, currency and unit, how amounts came into it, and what part of the ledger it is. */
  readonly dates: string;
  /** The same over the exact amounts, where others are printed. */
  readonly exactDates?: string;
  /** Its totals do not tie, or a cash flow does not explain its cash. */
  readonly isDraft?: true;
  /** Of what is printed, with its decimals. */
  readonly currency: DocumentCurrency;
  /** Of the exact amounts. */
  readonly kept: DocumentCurrency;
  /** What is printed of an exact amount; left out where it is printed itself. */
  readonly unit?: DocumentUnit;
  readonly scale: Scale['unit'];
  readonly rounding: Scale['rounding'];
  readonly columns: readonly DocumentColumn[];
  /** From top to bottom, down to accounts. */
  readonly rows: readonly DocumentRow[];
  /** What formulas and shares name that no row holds. */
  readonly operands: readonly DocumentOperand[];
  /** Amounts that stand on one line instead of another, by their captions. */
  readonly transfers: readonly { readonly text: string; readonly from: string; readonly on: string; readonly values: readonly (string | null)[] }[];
  /** What has to be said under the figures. */
  readonly notes: readonly string[];
  /** Where printed figures do not add, or are not near their amounts. */
  readonly exceptions: readonly FootingException[];
}

export interface DocumentCurrency {
  readonly code: string;
  readonly exponent: number;
}

/** So many times an amount, divided by so many, as text. */
export interface DocumentUnit {
  readonly times: string;
  readonly over: string;
  /** Of one currency for the other, as it was given, where all amounts are shown at it. */
  readonly rate?: string;
}

interface ColumnBase {
  /** In the lines that are printed over its figures. */
  readonly lines: readonly string[];
  /** The same in one text, with what stands over several columns before it. */
  readonly caption: string;
  /** That somebody gave it; `{from}`, `{to}` and `{year}` stand for its dates. */
  readonly heading?: string;
  /** Over all columns beside each other that have the same. */
  readonly group?: string;
  readonly width?: ColumnWidth;
  readonly format?: NumberFormat;
}

export type DocumentColumn =
  | (ColumnBase & {
      readonly kind: 'amount';
      readonly measure: 'opening' | 'closing' | 'movement';
      readonly firstDay: Day;
      readonly lastDay: Day;
      /** Name of the budget that the amounts are of. */
      readonly budget?: string;
      readonly adjusting?: Adjusting;
      readonly placedOn?: Day;
      readonly began?: Day;
      /** Place of the column whose total it is a part of. */
      readonly total?: number;
    })
  | (ColumnBase & { readonly kind: 'change' | 'percent'; readonly of: number; readonly against: number })
  | (ColumnBase & { readonly kind: 'share'; readonly of: number; readonly line: string })
  | (ColumnBase & {
      readonly kind: 'calculation';
      readonly formula: string;
      readonly result: ColumnResult;
      /** What the formula calls columns, in their order, with their places. */
      readonly operands: readonly { readonly name: string; readonly column: number }[];
      readonly days: number;
    })
  | (ColumnBase & { readonly kind: 'text' });

export interface DocumentRow {
  /** The line's key; a group's heading and total share it, told apart by `role`. */
  readonly key: string;
  /** Where it is another: of accounts below a line. */
  readonly lineKey?: string;
  readonly accountId?: number;
  readonly role: RowRole;
  readonly depth: number;
  readonly caption: string;
  readonly note?: string;
  /** One a column, in minor units, or in the row's or the column's unit; `null`: no figure. Left out where it bears none. */
  readonly exact?: readonly (string | null)[];
  /** As printed, where that is something else. */
  readonly printed?: readonly (string | null)[];
  readonly unit?: CalculationResult;
  readonly faults?: readonly ({ readonly code: string } | null)[];
  readonly parts?: readonly RowPart[];
  /** They stand in it. */
  readonly isWithin?: true;
  readonly look?: LineLook;
  readonly better?: FigureNature;
  /** Shown the other way round than it counts. */
  readonly isReversed?: true;
  /** Of a calculation, over keys of lines, with spans of siblings written out. */
  readonly formula?: string;
}

/** What a line shows in a column of amounts, in units of the currency or of what it is, as an exact fraction. */
export interface DocumentOperand {
  readonly key: string;
  readonly column: number;
  readonly of: string;
  readonly over: string;
  readonly isReversed?: true;
}

/** What is printed of the rows, and what is open: of no matter for what a statement says. */
export interface DocumentView {
  readonly rows: readonly ViewedRow[];
  /** How many rungs of categories there are to open. */
  readonly rungs: number;
}

/** A row as it stands on the page, with the figures that the content has for its key. */
export interface ViewedRow extends Omit<DocumentRow, 'exact' | 'printed' | 'faults' | 'unit' | 'formula' | 'isReversed'> {
  readonly opens?: true;
  readonly isOpen?: true;
}

/** What it was run on; of no matter for what it says. */
export interface Provenance {
  readonly companyId: number;
  readonly revision: number;
  readonly structureVersion: number;
  /** Of a composed layout. */
  readonly layoutId?: number;
  readonly classificationId: number;
  readonly plan: ChosenPlan['plan'];
  readonly planId?: number;
  /** By which amounts came into the currency. */
  readonly rate?: { readonly from: string; readonly text?: string; readonly day?: Day };
}
