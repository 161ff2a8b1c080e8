import type { Element } from '../chart/element.ts';
import type { Nature, Step, Term } from './category.ts';

export interface StarterCategory {
  readonly name: string;
  readonly children?: readonly StarterCategory[];
  readonly term?: Term;
  readonly step?: Step;
  /** Of a balance sheet category that does not go with the one above it. */
  readonly nature?: Nature;
  /** Name of the sibling that this one is deducted from. */
  readonly contraOf?: string;
}

/** A sensible tree to begin with for any company; everything in it can be renamed, nested or removed. */
export const starterCategories: Readonly<Record<Element, readonly StarterCategory[]>> = {
  asset: [
    { name: 'Intangible assets', term: 'non_current', nature: 'investing' },
    {
      name: 'Property, plant and equipment',
      term: 'non_current',
      nature: 'investing',
      children: [{ name: 'At cost' }, { name: 'Accumulated depreciation', contraOf: 'At cost' }],
    },
    { name: 'Deferred tax assets', term: 'non_current', nature: 'none' },
    { name: 'Financial assets', term: 'non_current', nature: 'investing' },
    { name: 'Inventories', term: 'current', nature: 'operating' },
    { name: 'Trade and other receivables', term: 'current', nature: 'operating' },
    { name: 'Prepayments', term: 'current', nature: 'operating' },
    { name: 'Cash and cash equivalents', term: 'current', nature: 'operating' },
  ],
  liability: [
    { name: 'Loans and leases', term: 'non_current', nature: 'financing' },
    { name: 'Provisions', term: 'non_current', nature: 'none' },
    { name: 'Deferred tax', term: 'non_current', nature: 'none' },
    { name: 'Trade and other payables', term: 'current', nature: 'operating' },
    { name: 'Deferred income', term: 'current', nature: 'operating' },
    { name: 'Income tax payable', term: 'current', nature: 'income_tax' },
    { name: 'Other taxes payable', term: 'current', nature: 'operating' },
    { name: 'Interest payable', term: 'current', nature: 'interest' },
    { name: 'Dividends payable', term: 'current', nature: 'dividends' },
    { name: 'Short-term borrowings', term: 'current', nature: 'financing' },
  ],
  equity: [
    { name: 'Share capital', nature: 'financing' },
    { name: 'Reserves', nature: 'financing' },
    { name: 'Revaluation surplus', nature: 'none' },
    // What is declared goes here and to dividends payable, and moves no cash until it is paid.
    { name: 'Retained earnings', nature: 'dividends' },
  ],
  income: [
    { name: 'Revenue', step: 'revenue' },
    { name: 'Other operating income', step: 'other_operating' },
    { name: 'Investment income', step: 'investing' },
  ],
  expense: [
    { name: 'Cost of sales', step: 'cost_of_sales' },
    { name: 'Staff costs', step: 'other_operating' },
    { name: 'Other operating expenses', step: 'other_operating' },
    { name: 'Depreciation and amortisation', step: 'other_operating' },
    { name: 'Finance costs', step: 'financing' },
    { name: 'Income tax', step: 'income_tax' },
  ],
};
