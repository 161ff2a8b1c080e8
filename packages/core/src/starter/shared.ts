import type { StarterCategory } from '../placement/starterCategories.ts';
import type { StarterAccount } from './starterChart.ts';

/** Property with what has been written off it, net on the balance sheet. */
export const propertyCategory: StarterCategory = {
  name: 'Property, plant and equipment',
  term: 'non_current',
  nature: 'investing',
  children: [{ name: 'At cost' }, { name: 'Accumulated depreciation', contraOf: 'At cost' }],
};

export const receivablesCategory: StarterCategory = {
  name: 'Trade and other receivables',
  term: 'current',
  nature: 'operating',
  children: [{ name: 'Customers' }, { name: 'Allowance for doubtful debts', contraOf: 'Customers' }, { name: 'Other receivables' }],
};

export const intangibleCategory: StarterCategory = {
  name: 'Intangible assets',
  term: 'non_current',
  nature: 'investing',
  children: [{ name: 'Intangible assets at cost' }, { name: 'Accumulated amortisation', contraOf: 'Intangible assets at cost' }],
};

export const prepaymentsCategory: StarterCategory = { name: 'Prepayments', term: 'current', nature: 'operating' };

export const cashCategory: StarterCategory = { name: 'Cash and cash equivalents', term: 'current', nature: 'operating' };

export const liabilityCategories: readonly StarterCategory[] = [
  { name: 'Loans and leases', term: 'non_current', nature: 'financing' },
  { name: 'Provisions', term: 'non_current', nature: 'none' },
  { name: 'Trade payables', term: 'current', nature: 'operating' },
  { name: 'Taxes and social charges payable', term: 'current', nature: 'operating' },
  { name: 'Interest payable', term: 'current', nature: 'interest' },
  { name: 'Other payables and accruals', term: 'current', nature: 'operating' },
  { name: 'Deferred income', term: 'current', nature: 'operating' },
  { name: 'Short-term borrowings', term: 'current', nature: 'financing' },
];

/** Of those that pay income tax and dividends. */
export const companyLiabilityCategories: readonly StarterCategory[] = [
  ...liabilityCategories,
  { name: 'Income tax payable', term: 'current', nature: 'income_tax' },
  { name: 'Deferred tax', term: 'non_current', nature: 'none' },
  { name: 'Dividends payable', term: 'current', nature: 'dividends' },
];

export const companyEquityCategories: readonly StarterCategory[] = [
  { name: 'Share capital', nature: 'financing' },
  { name: 'Reserves', nature: 'financing' },
  { name: 'Revaluation surplus', nature: 'none' },
  // What is declared goes here and to dividends payable, and moves no cash until it is paid.
  { name: 'Retained earnings', nature: 'dividends' },
  { name: 'Dividends of the year', nature: 'dividends' },
];

export const cashAccounts: readonly StarterAccount[] = [
  ['1000', 'Bank, current account', 'Cash and cash equivalents', { role: 'cash' }],
  ['1010', 'Bank, savings account', 'Cash and cash equivalents', { role: 'cash' }],
  ['1050', 'Petty cash', 'Cash and cash equivalents', { role: 'cash' }],
  ['1090', 'Money in transit', 'Cash and cash equivalents', { role: 'cash', purpose: 'Between two of our own accounts; nil when both statements are in.' }],
];

export const receivableAccounts: readonly StarterAccount[] = [
  ['1100', 'Customers', 'Customers'],
  ['1180', 'Allowance for doubtful debts', 'Allowance for doubtful debts', { isContra: true }],
  ['1210', 'Input value added tax', 'Other receivables'],
  ['1220', 'Advances to staff', 'Other receivables'],
  ['1290', 'Other receivables', 'Other receivables'],
  ['1400', 'Prepaid expenses', 'Prepayments', { purpose: 'Paid now, used in a later period: insurance, rent, licences.' }],
];

export const suspenseAccount: StarterAccount = [
  '1990',
  'Suspense',
  'Other receivables',
  { role: 'suspense', purpose: 'What cannot be placed yet; cleared before every close.' },
];

export const intangibleAccounts: readonly StarterAccount[] = [
  ['1500', 'Software and licences', 'Intangible assets at cost'],
  ['1580', 'Accumulated amortisation of software and licences', 'Accumulated amortisation', { isContra: true }],
];

export const officeEquipment: readonly StarterAccount[] = [
  ['1700', 'Furniture and office equipment', 'At cost'],
  ['1710', 'Computers', 'At cost'],
  ['1780', 'Accumulated depreciation of furniture and office equipment', 'Accumulated depreciation', { isContra: true }],
  ['1790', 'Accumulated depreciation of computers', 'Accumulated depreciation', { isContra: true }],
];

export const liabilityAccounts: readonly StarterAccount[] = [
  ['2000', 'Suppliers', 'Trade payables'],
  ['2100', 'Output value added tax', 'Taxes and social charges payable'],
  ['2110', 'Wage tax payable', 'Taxes and social charges payable'],
  ['2120', 'Social charges payable', 'Taxes and social charges payable'],
  ['2130', 'Income tax payable', 'Income tax payable'],
  ['2150', 'Interest payable', 'Interest payable'],
  ['2200', 'Wages payable', 'Other payables and accruals'],
  ['2210', 'Holiday pay accrued', 'Other payables and accruals'],
  ['2290', 'Other accruals', 'Other payables and accruals', { purpose: 'Used, not invoiced yet; taken back when the invoice comes.' }],
  ['2400', 'Bank overdraft', 'Short-term borrowings'],
  ['2410', 'Loans due within a year', 'Short-term borrowings'],
  ['2600', 'Bank loans', 'Loans and leases'],
  ['2610', 'Lease liabilities', 'Loans and leases'],
  ['2700', 'Provisions', 'Provisions'],
];

export const companyLiabilityAccounts: readonly StarterAccount[] = [
  ...liabilityAccounts,
  ['2160', 'Dividends payable', 'Dividends payable'],
  ['2800', 'Deferred tax', 'Deferred tax'],
];

export const companyEquityAccounts: readonly StarterAccount[] = [
  ['3000', 'Share capital', 'Share capital'],
  ['3100', 'Reserves', 'Reserves'],
  ['3150', 'Revaluation surplus', 'Revaluation surplus'],
  ['3200', 'Retained earnings', 'Retained earnings', { role: 'retained_earnings' }],
  ['3300', 'Dividends of the year', 'Dividends of the year', { isContra: true }],
];

export const staffAccounts: readonly StarterAccount[] = [
  ['6000', 'Wages and salaries', 'Staff costs'],
  ['6010', 'Social charges', 'Staff costs'],
  ['6020', 'Pension contributions', 'Staff costs'],
  ['6090', 'Training and other staff costs', 'Staff costs'],
];

export const officeAccounts: readonly StarterAccount[] = [
  ['6300', 'Rent and service charges', 'Premises'],
  ['6310', 'Electricity, heating and water', 'Premises'],
  ['6320', 'Repairs and cleaning', 'Premises'],
  ['6400', 'Insurance', 'Administration'],
  ['6410', 'Telephone and internet', 'Administration'],
  ['6420', 'Software subscriptions', 'Administration'],
  ['6430', 'Office supplies', 'Administration'],
  ['6440', 'Legal and audit fees', 'Administration'],
  ['6450', 'Bank charges', 'Administration'],
  ['6460', 'Travel', 'Administration'],
  ['6490', 'Other expenses', 'Administration'],
];

export const depreciationAccounts: readonly StarterAccount[] = [
  ['6800', 'Depreciation', 'Depreciation and amortisation'],
  ['6810', 'Amortisation of intangible assets', 'Depreciation and amortisation'],
];

export const financeExpenseAccounts: readonly StarterAccount[] = [
  ['8000', 'Interest expense', 'Finance costs'],
  ['8010', 'Interest on leases', 'Finance costs'],
  ['8090', 'Exchange differences', 'Finance costs', { role: 'exchange_differences' }],
];

export const incomeTaxAccount: StarterAccount = ['8900', 'Income tax', 'Income tax'];

export const investmentIncomeAccounts: readonly StarterAccount[] = [['4900', 'Interest received', 'Investment income']];

export const runningCategories: readonly StarterCategory[] = [
  { name: 'Staff costs', step: 'other_operating' },
  { name: 'Premises', step: 'other_operating' },
  { name: 'Administration', step: 'other_operating' },
  { name: 'Depreciation and amortisation', step: 'other_operating' },
  { name: 'Finance costs', step: 'financing' },
  { name: 'Income tax', step: 'income_tax' },
];
