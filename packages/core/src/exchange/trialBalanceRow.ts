import type { Element } from '../chart/element.ts';
import type { ElementReason } from '../chart/proposeElements.ts';
import type { ColumnMeaning } from './columnMeaning.ts';

/** Why a row cannot be taken as it stands: what was found, and by the code what was expected. */
export type ProblemCode =
  | 'amount_unreadable'
  | 'amount_too_precise'
  | 'amount_too_large'
  | 'number_missing'
  | 'number_too_long'
  | 'number_malformed'
  | 'number_repeated'
  | 'name_missing'
  | 'name_too_long'
  | 'name_repeated'
  | 'name_ambiguous'
  | 'element_unknown'
  | 'element_differs'
  | 'element_needed'
  | 'parent_unknown'
  | 'parent_of_itself'
  | 'parent_element_differs'
  | 'parent_amount'
  | 'closing_not_opening_plus_turnover';

export interface RowProblem {
  /** Row of the file, from 1. */
  readonly row: number;
  readonly column: ColumnMeaning;
  readonly found: string;
  readonly code: ProblemCode;
  /** An odd thing that does not stand in the way of posting. */
  readonly warning: boolean;
  /** The other row or figure the problem refers to, as text; empty where there is none. */
  readonly other: string;
}

/** `chosen`: by whoever brings the file in. */
export type LeftOutReason = 'title' | 'blank' | 'total' | 'heading_repeated' | 'parent_total' | 'chosen';

export interface LeftOutRow {
  readonly row: number;
  readonly reason: LeftOutReason;
  readonly text: string;
}

export interface TrialBalanceRow {
  readonly row: number;
  /** In a company of names only: the path of names. */
  readonly number: string;
  readonly name: string;
  readonly element: Element | null;
  /** Where the element is from; a proposal bears its reason and waits for confirmation. */
  readonly elementFrom: 'file' | 'chart' | 'confirmed' | ElementReason | null;
  readonly parentNumber: string | null;
  readonly categoryPath: readonly string[];
  /** Debit positive; `null` where it could not be read. */
  readonly amount: bigint | null;
  /** The text of the amount cells, for the screen: debit and credit, or amount and mark. */
  readonly found: { readonly first: string; readonly second: string };
}
