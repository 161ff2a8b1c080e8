import type { Element } from '../chart/element.ts';

/** Where a category of income or expense stands in the income statement's run of subtotals, in that order. */
export const steps = ['revenue', 'cost_of_sales', 'other_operating', 'investing', 'financing', 'income_tax', 'discontinued'] as const;
export type Step = (typeof steps)[number];
export type Term = 'current' | 'non_current';
/**
 * Of what kind the cash flows of a category are (IAS 7.10); interest, dividends and taxes on income are shown by themselves
 * (IAS 7.31, 7.35); `none`: it moves no cash.
 */
export const natures = ['operating', 'investing', 'financing', 'interest', 'dividends', 'income_tax', 'none', 'oci'] as const;
export type Nature = (typeof natures)[number];

export interface Category {
  readonly id: number;
  readonly parentId: number | null;
  readonly element: Element;
  readonly name: string;
  /** Order among siblings, ascending. */
  readonly position: number;
  /** Of a top category of assets or liabilities; `null` elsewhere. */
  readonly term: Term | null;
  /** Of a top category of income or expense; `null` elsewhere. */
  readonly step: Step | null;
  /** The sibling that this one is deducted from. */
  readonly contraOf: number | null;
}
