import type { Nature, Step, Term } from '@ivory-ladder/core';

export const termNames: Readonly<Record<Term, string>> = { current: 'Current', non_current: 'Non-current' };

export const stepNames: Readonly<Record<Step, string>> = {
  revenue: 'Revenue',
  cost_of_sales: 'Cost of sales',
  other_operating: 'Other operating',
  investing: 'Investing',
  financing: 'Financing',
  income_tax: 'Income tax',
  discontinued: 'Discontinued',
};

export const natureNames: Readonly<Record<Nature, string>> = {
  operating: 'Cash: operating',
  investing: 'Cash: investing',
  financing: 'Cash: financing',
  interest: 'Cash: interest',
  dividends: 'Cash: dividends',
  income_tax: 'Cash: income taxes',
  none: 'No cash',
  oci: 'No cash: other comprehensive income',
};
