import type { Day } from '../calendar/day.ts';
import type { Side } from '../chart/element.ts';
import type { FacetFilter } from '../facet/facetFilter.ts';
import type { Formula } from '../formula/formula.ts';
import type { FormulaMalformed } from '../formula/readFormula.ts';
import type { CaptionLanguage } from './captionWords.ts';

/** Of the two layouts that every account stands in one of. */
export type LayoutKind = 'balance_sheet' | 'income_statement';
/** Of all layouts that are made from the placement. */
export type GeneratedKind = LayoutKind | 'cash_flow' | 'changes_in_equity';
/** Of all statements that are made from the placement: the trial balance by category is a layout of no kind of its own. */
export type GeneratedName = GeneratedKind | 'trial_balance';

/** Whether a higher figure, as it is shown, is better or a lower one. */
export const figureNatures = ['higher', 'lower', 'neither'] as const;
export type FigureNature = (typeof figureNatures)[number];

/** How a line is printed. `usual`: as its kind is. */
export interface LineLook {
  readonly weight: 'usual' | 'plain' | 'strong' | 'ruled' | 'final';
  /** Steps to the right beyond those of its place in the layout. */
  readonly indent: number;
  readonly spaceBefore: boolean;
  readonly breakBefore: boolean;
  /** By what the line holds, where it is left out. */
  readonly better?: FigureNature;
}

/** When a line is shown: `differs` is of a sum that is not what the sum above it is; `never` is a helper, or is shown in the figure of another line. */
export type LineShown = 'always' | 'with_amounts' | 'differs' | 'never';

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
  readonly look?: LineLook;
  /** With amounts, where it is left out. */
  readonly shown?: LineShown;
  /** Number of the note to the statements that it belongs to. */
  readonly note?: string;
  /** Key of the line beside it in whose figure it is shown, so that printed parts add up. */
  readonly hiddenIn?: string;
}

/** Its children, then their subtotal. */
export interface GroupLine extends LineBase {
  readonly kind: 'group';
  readonly totalCaption: string;
  readonly children: readonly Line[];
  /** Has neither heading nor subtotal of its own on the page. */
  readonly bare?: boolean;
}

/** No amount of its own; its children count in the group around it. */
export interface HeadingLine extends LineBase {
  readonly kind: 'heading';
  readonly children: readonly Line[];
}

/** Which amount of an account a line takes, where it is not the column's own. */
export interface AccountReading {
  /** `exchange`: of cash, what changed with exchange rates alone (IAS 7.28). `without_cash`: what movements are left without, where the layout takes that out. */
  readonly measure: 'column' | 'opening' | 'closing' | 'mean' | 'movement' | 'exchange' | 'without_cash';
  /** Lines with these facet values alone; none for all lines. */
  readonly facets: FacetFilter;
  /** Of a movement: on the account's normal side alone, or on the other; a reversing line counts against what it reverses. */
  readonly direction?: Direction;
  /**
   * In changes in equity and in cash flows: of accounts of equity an increase is what raises equity, whatever their normal side, and what
   * was moved within equity is neither that nor a decrease.
   */
  readonly ofOwners?: true;
}

/** `transfer`: of changes in equity, what entries moved between accounts of equity. */
export type Direction = 'increase' | 'decrease' | 'transfer';

/** Into which the movement of an account can be taken apart in a layout. */
export function directionsOf(kind: Layout['kind']): readonly Direction[] {
  return kind === 'changes_in_equity' ? ['increase', 'decrease', 'transfer'] : ['increase', 'decrease'];
}

/** Portions of accounts by dense number: bit 1 is the debit side, bit 2 the credit side. */
export interface Selection {
  readonly accounts: Int32Array;
  readonly sides: Uint8Array;
}

/** The portions that stand in one category, without its subcategories; or those that were selected. */
export interface AccountsLine extends LineBase {
  readonly kind: 'accounts';
  readonly categoryId: number | null;
  readonly selection?: Selection;
  readonly reading?: AccountReading;
  /** Takes what no other line does, of these portions. */
  readonly isRemainder?: boolean;
  /** Shows amounts that stand elsewhere; counts in no total. */
  readonly isMemo?: boolean;
  /** Its accounts stand under it whatever the detail. */
  readonly byAccount?: boolean;
  /** Under those that they are sub-accounts of, down to so many. */
  readonly byTree?: number;
  /** Of the effect of exchange rates on cash: key of the line of accounts where profit is freed of it (IAS 7.28). */
  readonly addedBackOn?: string;
  /** Of profit in a cash flow that takes out what moved without cash: key of the line of accounts where profit is freed of it. */
  readonly freedOn?: string;
}

/** A line that a sum counts, by its net amount (debit positive). */
export interface SumTerm {
  readonly key: string;
  readonly sign: 1 | -1;
}

/** The sum or difference of named lines; counts in no group around it. */
export interface SumLine extends LineBase {
  readonly kind: 'sum';
  readonly terms: readonly SumTerm[];
  /** A final total bears a double rule. */
  readonly final: boolean;
}

/** In what a calculation results. */
export const calculationResults = ['amount', 'ratio', 'percent', 'days'] as const;
export type CalculationResult = (typeof calculationResults)[number];

/** A formula over other lines; counts in no group around it. */
export interface CalculationLine extends LineBase {
  readonly kind: 'calculation';
  readonly formula: Formula | FormulaMalformed;
  readonly result: CalculationResult;
}

/** Profit or loss of the fiscal year to date, or what completed years left where no account is named for it. */
export interface ResultLine extends LineBase {
  readonly kind: 'result';
  readonly of: 'year_to_date' | 'earlier_years';
  /** The retained earnings in whose figure it is shown, so that printed parts add up. */
  readonly within: { readonly key: string; readonly accountId: number } | null;
  readonly isMemo?: boolean;
  /** Holds it only where it is a profit, or only where it is a loss: of two such lines one shows. */
  readonly only?: 'profit' | 'loss';
}

/** Words, or an empty row. */
export interface TextLine extends LineBase {
  readonly kind: 'text' | 'space';
}

export type Line = GroupLine | HeadingLine | AccountsLine | SumLine | CalculationLine | ResultLine | TextLine;

/**
 * An amount moved from one line to another, in no coverage: a double entry between lines, so that no total of both changes.
 * Of a cash flow, the flow is taken from one line and added on the other.
 */
export interface Transfer {
  readonly key: string;
  readonly text: string;
  /** Keys of lines of accounts. */
  readonly on: string;
  readonly from: string;
  /** Living: what the portions moved in the column, as it stands on `from`. Fixed: an inflow, in columns that hold the day. */
  readonly amount: { readonly kind: 'living'; readonly selection: Selection } | { readonly kind: 'fixed'; readonly day: Day; readonly inflow: bigint };
}

export interface Layout {
  /** `free`: lines of an author's choice, such as those of a tax return or indicators. */
  readonly kind: GeneratedKind | 'free';
  /** In which its captions are. */
  readonly language: CaptionLanguage;
  readonly title: string;
  readonly lines: readonly Line[];
  /** Of a cash flow: the portions that are cash, which all others explain the change of. */
  readonly cash?: Selection;
  /** Of a cash flow: no line holds what moved between activities without cash (IAS 7.43). */
  readonly withoutCash?: 'taken_out';
  readonly transfers?: readonly Transfer[];
}

/** Whether the amounts of a line count in the group around it. */
export function countsInGroup(line: Line): boolean {
  switch (line.kind) {
    case 'group':
    case 'heading':
      return true;
    case 'accounts':
    case 'result':
      return line.isMemo !== true;
    case 'sum':
    case 'calculation':
    case 'text':
    case 'space':
      return false;
  }
}

export function childrenOf(line: Line): readonly Line[] {
  return line.kind === 'group' || line.kind === 'heading' ? line.children : [];
}
