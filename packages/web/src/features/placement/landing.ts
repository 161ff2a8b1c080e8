import { type CategoryNode, pathOf, type Step, steps } from '@ivory-ladder/core';

const subtotalOf: Readonly<Record<Step, string>> = {
  revenue: 'Gross profit',
  cost_of_sales: 'Gross profit',
  other_operating: 'Operating profit',
  investing: 'Profit before financing and income tax',
  financing: 'Profit before tax',
  income_tax: 'Profit for the period',
  discontinued: 'Profit for the period',
};

/** Where the accounts of a category stand on each statement, from the line to the total. */
export function landingOf(node: CategoryNode): string[] {
  let top = node;
  while (top.parent) top = top.parent;
  const { element, term, step } = top.category;
  const path = pathOf(node).join(' › ');
  if (element === 'income' || element === 'expense') {
    const stands = steps.find((candidate) => candidate === step) ?? 'other_operating';
    return [`Income statement › ${path} › ${subtotalOf[stands]}`, 'Balance sheet › Equity › Result of the year'];
  }
  const group = element === 'equity' ? 'Equity' : `${term === 'non_current' ? 'Non-current' : 'Current'} ${element === 'asset' ? 'assets' : 'liabilities'}`;
  return [`Balance sheet › ${group} › ${path}`];
}
