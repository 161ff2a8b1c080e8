import type { Element } from '../chart/element.ts';
import type { Step, Term } from './category.ts';

export interface StarterCategory {
  readonly name: string;
  readonly children?: readonly StarterCategory[];
  readonly term?: Term;
  readonly step?: Step;
  /** Name of the sibling that this one is deducted from. */
  readonly contraOf?: string;
}

/** A sensible tree to begin with for any company; everything in it can be renamed, nested or removed. */
export const starterCategories: Readonly<Record<Element, readonly StarterCategory[]>> = {
  asset: [
    { name: 'Intangible assets', term: 'non_current' },
    {
      name: 'Property, plant and equipment',
      term: 'non_current',
      children: [{ name: 'At cost' }, { name: 'Accumulated depreciation', contraOf: 'At cost' }],
    },
    { name: 'Financial assets', term: 'non_current' },
    { name: 'Inventories', term: 'current' },
    { name: 'Trade and other receivables', term: 'current' },
    { name: 'Prepayments', term: 'current' },
    { name: 'Cash and cash equivalents', term: 'current' },
  ],
  liability: [
    { name: 'Loans and leases', term: 'non_current' },
    { name: 'Provisions', term: 'non_current' },
    { name: 'Trade and other payables', term: 'current' },
    { name: 'Deferred income', term: 'current' },
    { name: 'Taxes payable', term: 'current' },
    { name: 'Short-term borrowings', term: 'current' },
  ],
  equity: [{ name: 'Share capital' }, { name: 'Reserves' }, { name: 'Retained earnings' }],
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
