import type { Side } from '../chart/element.ts';
import type { CaptionLanguage } from './captionWords.ts';

export type LayoutKind = 'balance_sheet' | 'income_statement';

/** How a line's children and ancestors relate to the category tree when a statement is opened rung by rung. */
interface LineBase {
  /** Stable and unique in the layout; formulas, files and the address use it. */
  readonly key: string;
  readonly caption: string;
  /** Amounts on this side are positive. */
  readonly side: Side;
  /** Changes only what is shown: expenses in an income statement stand in parentheses. */
  readonly reversed: boolean;
  /** How deep the statement must be opened to see inside: 0 is always open. */
  readonly rung: number;
}

/** Its children, then their subtotal. */
export interface GroupLine extends LineBase {
  readonly kind: 'group';
  readonly totalCaption: string;
  readonly children: readonly Line[];
}

/** The portions that stand in one category, without its subcategories. */
export interface AccountsLine extends LineBase {
  readonly kind: 'accounts';
  readonly categoryId: number;
}

/** The sum of named lines; counts in no group around it. */
export interface SumLine extends LineBase {
  readonly kind: 'sum';
  readonly terms: readonly string[];
  /** A final total bears a double rule. */
  readonly final: boolean;
}

/** Profit or loss of the fiscal year to date, or what completed years left where no account is named for it. */
export interface ResultLine extends LineBase {
  readonly kind: 'result';
  readonly of: 'year_to_date' | 'earlier_years';
  /** Key of the accounts line in whose figure it is shown, so that printed parts add up. */
  readonly within: { readonly key: string; readonly accountId: number } | null;
}

export type Line = GroupLine | AccountsLine | SumLine | ResultLine;

export interface Layout {
  readonly kind: LayoutKind;
  /** In which its captions are. */
  readonly language: CaptionLanguage;
  readonly title: string;
  readonly lines: readonly Line[];
}
